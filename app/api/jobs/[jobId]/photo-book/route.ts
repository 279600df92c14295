import { database, jobFile, photosOf, printedPhoto, refused } from '@/data';
import { photoBookPdf } from '@/ui/print/photo-book';
import { answer, guarded, notFound, streamed, systemOf } from '../../../_door';
import { photoBook } from '../../../../_words/photo-book';

/** Every photo that stands, as a book; it begins to come before the last picture is read. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const db = database();
    const file = jobFile(db, (await params).jobId);
    if (!file) return notFound('job');
    const photos = photosOf(db, file.job.id);
    if (photos.length === 0)
      return answer(refused('not-found', 'no photo is on record', 'Nothing was changed.'));
    const book = photoBook(file, photos, {
      system: systemOf(request),
      read: async ({ picture }) => picture && printedPhoto(db, picture.hash),
    });
    return streamed(photoBookPdf(book), 'application/pdf', `${file.unit.tag}-photos.pdf`);
  });
