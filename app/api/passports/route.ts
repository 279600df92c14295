import { z } from 'zod';
import { parseBundle, parsePassportCode } from '@/core/exchange';
import { refused, written } from '@/data';
import { answer, body, guarded } from '../_door';
import { recordSum } from '../_door/record-sum';

const NOTHING = 'Nothing was imported.';
const askedSchema = z.object({ code: z.string().max(400), bundle: z.string() });

/** Whether a job's file is the one a passport was printed from; nothing of it is kept. */
export const POST = (request: Request) =>
  guarded(request, async () => {
    const asked = await body(request, askedSchema);
    if (!asked.ok) return answer(asked);
    const code = parsePassportCode(asked.value.code);
    if (!code) return answer(refused('invalid', 'this is no passport’s code', NOTHING));
    const bundle = parseBundle(asked.value.bundle);
    if (!bundle.ok) return answer(refused('unreadable', bundle.reason, NOTHING));
    if (bundle.value.job.id !== code.jobId)
      return answer(refused('invalid', 'this file is of another job', NOTHING));
    return answer(written({ isSame: recordSum(bundle.value, code.upTo) === code.sha256 }));
  });
