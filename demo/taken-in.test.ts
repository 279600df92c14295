import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import sharp from 'sharp';
import { demoBundle } from '.';
import { parseBundle, printBundle, printBundleZip, readBundleZip } from '@/core/exchange';
import type { Photo } from '@/core/walk';
import {
  bundleOf,
  changeFrame,
  closeJob,
  closingsOf,
  correctUnit,
  currentFrame,
  hasPicture,
  importBundle,
  jobFile,
  isClosed,
  keepPhoto,
  keepPicture,
  openDatabase,
  photoBytes,
  type Db,
  type Written,
} from '@/data';

/** A job carried from one shop's records to another's. */
const gritter = demoBundle('GR-7');
const jobId = gritter.job.id;
const valueOf = <Value>(outcome: Written<Value>): Value => {
  if (!outcome.ok) throw new Error(outcome.problem.message);
  return outcome.value;
};
const codeOf = (outcome: Written<unknown>) => (outcome.ok ? undefined : outcome.problem.code);
const stamp = { by: 'RK', at: '2026-11-01T10:00:00Z' };

let folder: string;
let here: Db;
let there: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'taken-'));
  [here, there] = ['here', 'there'].map((name) => openDatabase(join(folder, `${name}.db`))) as [Db, Db];
  expect(importBundle(here, gritter).ok).toBe(true);
});
afterEach(() => {
  here.close();
  there.close();
  rmSync(folder, { recursive: true });
});

const jpeg = async (red: number) =>
  new Uint8Array(
    await sharp({ create: { width: 60, height: 40, channels: 3, background: { r: red, g: 9, b: 9 } } })
      .jpeg()
      .toBuffer(),
  );
const photo = (): Photo => ({
  kind: 'photo',
  id: crypto.randomUUID(),
  caption: 'rail end',
  moment: 'as it is',
  note: '',
  ...stamp,
});

describe('its pictures', () => {
  test('go with it in one zip, whole and by name; the same job gives the same bytes', async () => {
    const kept = valueOf(await keepPhoto(here, jobId, photo(), await jpeg(200)));
    const { hash } = kept.picture!;
    const text = printBundle(bundleOf(here, jobId)!);
    const pictures = new Map([[hash, new Uint8Array(photoBytes(here, hash, 'whole')!)]]);
    const zip = printBundleZip({ text, pictures });
    expect(printBundleZip({ text, pictures })).toEqual(zip);
    const read = readBundleZip(zip);
    if (!read.ok) throw new Error(read.reason);
    expect(read.value.text).toBe(text);
    for (const [name, bytes] of read.value.pictures) valueOf(await keepPicture(there, name, bytes));
    const bundle = parseBundle(read.value.text);
    if (!bundle.ok) throw new Error(bundle.reason);
    expect(valueOf(importBundle(there, bundle.value)).picturesMissing).toBe(0);
    expect(photoBytes(there, hash, 'whole')).toEqual(photoBytes(here, hash, 'whole'));
    expect(printBundle(bundleOf(there, jobId)!)).toBe(text);
  });

  test('that did not come are counted, and kept when they are sent later; another one is refused', async () => {
    const original = await jpeg(200);
    const record = photo();
    const kept = valueOf(await keepPhoto(here, jobId, record, original));
    expect(valueOf(importBundle(there, bundleOf(here, jobId)!)).picturesMissing).toBe(1);
    expect(hasPicture(there, kept.picture!.hash)).toBe(false);
    expect(codeOf(await keepPhoto(there, jobId, record, await jpeg(20)))).toBe('conflict');
    expect((await keepPhoto(there, jobId, record, original)).ok).toBe(true);
    expect(hasPicture(there, kept.picture!.hash)).toBe(true);
    expect(codeOf(await keepPicture(there, kept.picture!.hash, original))).toBe('invalid');
  });

  test('a zip that is none, or holds no job, is refused; strange files in it are passed over', () => {
    expect(readBundleZip(new Uint8Array([0x50, 0x4b, 1, 2, 3])).ok).toBe(false);
    expect(readBundleZip(zipSync({ 'other.json': new Uint8Array([1]) }))).toMatchObject({ ok: false });
    const odd = zipSync({
      'job.json': new Uint8Array([123, 125]),
      '../../etc/passwd': new Uint8Array([1]),
      'pictures/short.jpg': new Uint8Array([1]),
    });
    expect(readBundleZip(odd)).toMatchObject({ ok: true, value: { text: '{}', pictures: new Map() } });
  });

  test('a small zip that unpacks to very much is refused unread', () => {
    const big = zipSync({ 'job.json': new Uint8Array(5 * 1024 * 1024) }, { level: 9 });
    expect(big.byteLength).toBeLessThan(20_000);
    expect(readBundleZip(big, 5 * 1024 * 1024).ok).toBe(true);
    expect(readBundleZip(big, 5 * 1024 * 1024 - 1)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('unpacks to more'),
    });
  });
});

test('whether it is closed goes with it', () => {
  const words = [true, false, true].map((closed, k) => ({
    id: crypto.randomUUID(),
    closed,
    by: 'RK',
    at: `2026-11-0${k + 1}T10:00:00Z`,
  }));
  expect(bundleOf(here, jobId)).not.toHaveProperty('closings');
  words.forEach((word, k) => {
    valueOf(closeJob(here, jobId, word));
    expect(bundleOf(here, jobId)!.closings).toHaveLength(k + 1);
  });
  const bundle = bundleOf(here, jobId)!;
  expect(bundle.closings).toEqual(words);
  valueOf(importBundle(there, bundle));
  valueOf(importBundle(there, bundle));
  expect(closingsOf(there, jobId)).toEqual(words);
  expect(isClosed(there, jobId)).toBe(true);
  expect(printBundle(bundleOf(there, jobId)!)).toBe(printBundle(bundle));
  expect(bundleOf(there, jobId)!.closings).toHaveLength(3);
});

test('a notice of another unit refuses the bundle', () => {
  const notice = { id: crypto.randomUUID(), unitId: crypto.randomUUID(), words: 'do not lift', ...stamp };
  const strange = { ...gritter, notices: [...gritter.notices, notice] };
  expect(parseBundle(printBundle(strange))).toMatchObject({
    ok: false,
    reason: expect.stringContaining('a notice belongs to another unit'),
  });
  expect(parseBundle(printBundle(gritter)).ok).toBe(true);
});

test('what it says otherwise than what is here is named, and stays as it was here', () => {
  expect(valueOf(importBundle(here, gritter))).toMatchObject({ wasHere: true, added: 0, stands: [] });
  const unit = { ...gritter.unit, description: 'another word for it' };
  valueOf(correctUnit(here, gritter.unit, unit));
  const { revision } = currentFrame(here, jobId)!;
  const frame = { ...gritter.frame, datum: 'rear bumper' };
  valueOf(changeFrame(here, jobId, { basedOn: revision, to: frame, ...stamp }));
  const again = valueOf(importBundle(here, gritter));
  expect(again.stands).toEqual(['unit', 'frame']);
  expect(currentFrame(here, jobId)!.frame.datum).toBe('rear bumper');
});

test('a repair that is not here yet is added, and is no other word for one that is', () => {
  const planned = demoBundle('DV-3');
  expect(planned.repairs.length).toBeGreaterThan(0);
  valueOf(importBundle(here, { ...planned, repairs: planned.repairs.slice(1) }));
  expect(valueOf(importBundle(here, planned))).toMatchObject({ stands: [], added: 1 });
  const ids = (repairs: readonly { readonly id: string }[]) => repairs.map(({ id }) => id).sort();
  expect(ids(jobFile(here, planned.job.id)!.repairs)).toEqual(ids(planned.repairs));
  const otherwise = planned.repairs.map((repair) => ({ ...repair, cutOut: !repair.cutOut }));
  expect(valueOf(importBundle(here, { ...planned, repairs: otherwise })).stands).toEqual(['repairs']);
});
