import 'server-only';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import sharp from 'sharp';
import { ofKind, standing } from '@/core/frame';
import type { Photo } from '@/core/walk';
import type { Db } from '../connection';
import { evidenceOf, keepEvidence } from '../evidence';
import { refused, sameRecord, written, type Written } from '../problem';
import { strikesOf } from '../strike';

export const PHOTO_LIMIT = 25 * 1024 * 1024;
const LONGEST_PX = 2000;
const THUMB_PX = 320;
/** Sharp enough on paper at the size a book prints it. */
const PRINTED_PX = 900;
const NOTHING = 'The picture was not taken in; everything recorded before stands.';

/** Pictures lie beside the database, named by the SHA-256 of what is kept of them: the same picture twice is one file. */
const folderOf = (db: Db): string =>
  db.name === ':memory:'
    ? join(process.cwd(), 'var', 'photos')
    : join(dirname(db.name), `${db.name.split('/').pop()}-photos`);
const fileOf = (db: Db, hash: string, size: 'whole' | 'thumb'): string =>
  join(folderOf(db), hash.slice(0, 2), `${hash}${size === 'thumb' ? '-thumb' : ''}.jpg`);

/** Formats taken, told by content. */
const TAKEN = new Set(['jpeg', 'png', 'webp', 'tiff', 'gif', 'avif']);

/** Whether a picture is kept here. */
export const hasPicture = (db: Db, hash: string): boolean => existsSync(fileOf(db, hash, 'whole'));

const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** Keeps a picture that a record names, as it was kept elsewhere. Refused where it is not the picture of that name. */
export async function keepPicture(db: Db, hash: string, bytes: Uint8Array): Promise<Written<null>> {
  if (hashOf(bytes) !== hash)
    return refused('invalid', 'this is another picture than the record names', NOTHING);
  const image = await readable(bytes);
  if (!image.ok) return image;
  place(fileOf(db, hash, 'thumb'), image.value.thumb);
  place(fileOf(db, hash, 'whole'), Buffer.from(bytes));
  return written(null);
}

/**
 * Keeps a photo: turned upright, made no larger than 2000 px, without the location and camera data it came with. Refused by content, not by name.
 * Sent twice it is one; a picture that its record came without is kept when it is sent later.
 */
export async function keepPhoto(
  db: Db,
  jobId: string,
  photo: Photo,
  bytes: Uint8Array,
): Promise<Written<Photo>> {
  const before = photos(db, jobId).find((each) => each.id === photo.id);
  if (before && !sameRecord({ ...before, picture: undefined }, { ...photo, picture: undefined }))
    return refused('conflict', 'this id is already recorded with other facts', NOTHING);
  if (before?.picture && hasPicture(db, before.picture.hash)) return written(before);
  if (before?.picture && hashOf(bytes) === before.picture.hash) {
    const kept = await keepPicture(db, before.picture.hash, bytes);
    return kept.ok ? written(before) : kept;
  }
  const image = await readable(bytes);
  if (!image.ok) return image;
  const { whole, thumb, widthPx, heightPx } = image.value;
  const hash = hashOf(whole);
  if (before?.picture && before.picture.hash !== hash)
    return refused('conflict', 'this is another picture than the one recorded', NOTHING);
  place(fileOf(db, hash, 'thumb'), thumb);
  place(fileOf(db, hash, 'whole'), whole);
  if (before) return written(before);
  const kept = { ...photo, picture: { hash, widthPx, heightPx } };
  const outcome = keepEvidence(db, jobId, [kept]);
  return outcome.ok ? written(kept) : outcome;
}

interface Readable {
  readonly whole: Buffer;
  readonly thumb: Buffer;
  readonly widthPx: number;
  readonly heightPx: number;
}

async function readable(bytes: Uint8Array): Promise<Written<Readable>> {
  try {
    const { format } = await sharp(bytes).metadata();
    if (!format || !TAKEN.has(format))
      return refused(
        'invalid',
        `this is ${format ?? 'something'}, not a photo: JPEG, PNG, WebP, TIFF, GIF or AVIF`,
        NOTHING,
      );
    const upright = await sharp(bytes, { limitInputPixels: 120_000_000 })
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 84 })
      .toBuffer({ resolveWithObject: true });
    const thumb = await sharp(upright.data)
      .resize({ width: THUMB_PX, height: THUMB_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 78 })
      .toBuffer();
    return written({
      whole: upright.data,
      thumb,
      widthPx: upright.info.width,
      heightPx: upright.info.height,
    });
  } catch {
    return refused(
      'invalid',
      'this file is no picture that can be read: JPEG, PNG, WebP, TIFF, GIF or AVIF (a phone’s HEIC is not: set its camera to JPEG)',
      NOTHING,
    );
  }
}

/** Whole or not at all, also when the power goes. */
function place(path: string, content: Buffer): void {
  if (existsSync(path)) return;
  mkdirSync(dirname(path), { recursive: true });
  const half = `${path}.${process.pid}.${Date.now()}`;
  writeFileSync(half, content, { flush: true });
  renameSync(half, path);
}

/** A kept picture's bytes; undefined where it is not here (a bundle brings the record, not the file). */
export function photoBytes(db: Db, hash: string, size: 'whole' | 'thumb'): Buffer | undefined {
  const path = /^[0-9a-f]{64}$/.test(hash) ? fileOf(db, hash, size) : undefined;
  return path && existsSync(path) ? readFileSync(path) : undefined;
}

/** A kept picture as large as it is printed; undefined where it is not here, or its file is damaged: the others are printed all the same. */
export async function printedPhoto(db: Db, hash: string): Promise<Uint8Array | undefined> {
  const whole = photoBytes(db, hash, 'whole');
  return (
    whole &&
    sharp(whole)
      .resize({ width: PRINTED_PX, height: PRINTED_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 78 })
      .toBuffer()
      .catch(() => undefined)
  );
}

const photos = (db: Db, jobId: string): Photo[] => ofKind(evidenceOf(db, jobId, ['photo']), 'photo');

/** Photos that stand, in the order they were kept. */
export const photosOf = (db: Db, jobId: string): Photo[] => standing(photos(db, jobId), strikesOf(db, jobId));
