import { answer, bodyText, FILE_LIMIT, guarded } from '../_door';
import { parseBundle } from '@/core/exchange';
import { database, importBundle, refused } from '@/data';

export const POST = (request: Request) =>
  guarded(request, async () => {
    const text = await bodyText(request, FILE_LIMIT);
    if (!text.ok) return answer(text);
    const bundle = parseBundle(text.value);
    return answer(bundle.ok ? importBundle(database(), bundle.value) : refused('unreadable', bundle.reason));
  });
