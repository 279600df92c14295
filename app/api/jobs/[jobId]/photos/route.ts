import { Zip, ZipPassThrough } from 'fflate';
import { answer, bodyForm, guarded, notFound, streamed } from '../../../_door';
import { photoSchema, type Photo } from '@/core/walk';
import { database, jobFile, keepPhoto, photoBytes, photosOf, PHOTO_LIMIT, refused } from '@/data';

type Context = { params: Promise<{ jobId: string }> };

const NOTHING = 'The picture was not taken in; everything recorded before stands.';
const tooLarge = () =>
  answer(refused('too-large', `the picture is over ${PHOTO_LIMIT / 1024 / 1024} MB`, NOTHING));
/** The form round a picture adds this much at most. */
const FORM_BYTES = 64 * 1024;

/** A photo's record and its file, as form data. */
export const POST = (request: Request, { params }: Context) =>
  guarded(request, async () => {
    const { jobId } = await params;
    const form = await bodyForm(request, PHOTO_LIMIT + FORM_BYTES);
    if (!form.ok) return tooLarge();
    const [text, file] = [form.value?.get('record'), form.value?.get('file')];
    if (typeof text !== 'string' || !(file instanceof File))
      return answer(refused('unreadable', 'a photo comes as a form with its record and its file', NOTHING));
    if (file.size > PHOTO_LIMIT) return tooLarge();
    const record = photoSchema.safeParse(safeJson(text));
    if (!record.success)
      return answer(
        refused('invalid', record.error.issues[0]!.message, NOTHING, record.error.issues[0]!.path.join('.')),
      );
    return answer(await keepPhoto(database(), jobId, record.data, new Uint8Array(await file.arrayBuffer())));
  });

function safeJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Every photo that stands, whole, in one zip that is sent picture by picture. */
export const GET = (request: Request, { params }: Context) =>
  guarded(request, async () => {
    const db = database();
    const file = jobFile(db, (await params).jobId);
    if (!file) return notFound('job');
    return streamed(
      zipped(photosOf(db, file.job.id), (hash) => photoBytes(db, hash, 'whole')),
      'application/zip',
      `${file.unit.tag}-photos.zip`,
    );
  });

/** Pictures are packed as they are: they do not grow smaller. Those that are not here are left out. */
async function* zipped(
  photos: readonly Photo[],
  bytesOf: (hash: string) => Uint8Array | undefined,
): AsyncGenerator<Uint8Array> {
  const packed: Uint8Array[] = [];
  const zip = new Zip((failure, piece) => {
    if (failure) throw failure;
    packed.push(piece);
  });
  for (const [k, photo] of photos.entries()) {
    const bytes = photo.picture && bytesOf(photo.picture.hash);
    if (!bytes) continue;
    const entry = new ZipPassThrough(nameOf(photo, k));
    zip.add(entry);
    entry.push(new Uint8Array(bytes), true);
    yield* packed.splice(0);
  }
  zip.end();
  yield* packed.splice(0);
}

const nameOf = ({ moment, caption }: Photo, k: number): string =>
  `${String(k + 1).padStart(3, '0')} ${moment} ${caption || 'photo'}.jpg`.replace(/[^\w .-]+/g, '-');
