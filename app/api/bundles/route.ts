import { answer, bodyBytes, FILE_LIMIT, guarded, tooLarge, ZIP_LIMIT } from '../_door';
import { ofKind } from '@/core/frame';
import { isZip, parseBundle, readBundleZip, type BundleZip, type JobBundle } from '@/core/exchange';
import { database, importBundle, keepPicture, refused, written, type Imported, type Written } from '@/data';

const NOTHING = 'Nothing was imported.';

/** A job as JSON, or as a zip with its pictures; told apart by content. */
function unwrapped(bytes: Uint8Array): Written<BundleZip> {
  if (!isZip(bytes)) {
    if (bytes.byteLength > FILE_LIMIT) return tooLarge(FILE_LIMIT);
    return written({ text: Buffer.from(bytes).toString('utf8'), pictures: new Map() });
  }
  const zip = readBundleZip(bytes);
  return zip.ok ? written(zip.value) : refused('unreadable', zip.reason, NOTHING);
}

/** Pictures the bundle's own photos name; others in the file are nobody's. */
async function keepPictures(bundle: JobBundle, pictures: BundleZip['pictures']): Promise<Written<null>> {
  for (const { picture } of ofKind(bundle.evidence, 'photo')) {
    const bytes = picture && pictures.get(picture.hash);
    if (!bytes) continue;
    const kept = await keepPicture(database(), picture.hash, bytes);
    if (!kept.ok) return { ok: false, problem: { ...kept.problem, kept: NOTHING } };
  }
  return written(null);
}

async function takeIn(bytes: Uint8Array): Promise<Written<Imported>> {
  const file = unwrapped(bytes);
  if (!file.ok) return file;
  const bundle = parseBundle(file.value.text);
  if (!bundle.ok) return refused('unreadable', bundle.reason);
  const pictures = await keepPictures(bundle.value, file.value.pictures);
  return pictures.ok ? importBundle(database(), bundle.value) : pictures;
}

export const POST = (request: Request) =>
  guarded(request, async () => {
    const chunks = await bodyBytes(request, ZIP_LIMIT);
    return answer(chunks ? await takeIn(Buffer.concat(chunks)) : tooLarge(ZIP_LIMIT));
  });
