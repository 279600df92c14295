import { guarded, notFound } from '../../_door';
import { database, photoBytes } from '@/data';

/** A kept picture by its hash, whole or as a thumbnail; it never changes. */
export const GET = (request: Request, { params }: { params: Promise<{ hash: string }> }) =>
  guarded(request, async () => {
    const size = new URL(request.url).searchParams.get('size') === 'thumb' ? 'thumb' : 'whole';
    const bytes = photoBytes(database(), (await params).hash, size);
    return bytes
      ? new Response(new Uint8Array(bytes), {
          headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
        })
      : notFound('picture');
  });
