import { zipSync } from 'fflate';
import { answer, bodyForm, download, guarded, notFound } from '../../../_door';
import { photoSchema } from '@/core/walk';
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

/** Every photo that stands, whole, in one zip. */
export const GET = (request: Request, { params }: Context) =>
  guarded(request, async () => {
    const db = database();
    const file = jobFile(db, (await params).jobId);
    if (!file) return notFound('job');
    const files = Object.fromEntries(
      photosOf(db, file.job.id).flatMap((photo, k) => {
        const bytes = photo.picture && photoBytes(db, photo.picture.hash, 'whole');
        return bytes
          ? [
              [
                `${String(k + 1).padStart(3, '0')} ${photo.moment} ${photo.caption || 'photo'}.jpg`.replace(
                  /[^\w .-]+/g,
                  '-',
                ),
                new Uint8Array(bytes),
              ],
            ]
          : [];
      }),
    );
    return download(
      zipSync(files, { level: 0 }) as Uint8Array<ArrayBuffer>,
      'application/zip',
      `${file.unit.tag}-photos.zip`,
    );
  });
