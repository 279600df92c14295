import type { JobFile } from '@/core/job';
import type { Answer } from '../../_client';
import type { Outbox } from '../../_outbox/outbox';
import { withWrites } from './records';

/** The records to show; `asOf` where the server does not answer: since when they are as they stand. */
export interface Word {
  readonly file: JobFile;
  readonly asOf?: string;
}

/** What a page asks with. */
export interface Asking {
  readonly ask: () => Promise<Answer<JobFile>>;
  readonly outbox: () => Pick<Outbox, 'arrivedFor' | 'waitingFor' | 'seen'>;
  /** When the server made the page. */
  readonly madeAt: string;
}

/**
 * Asks the server for a job's records, as often as wanted. On top of its answer comes what of this browser reached it later than it was asked, or is
 * still on its way. Where it does not answer, what this device kept of its last answer stands, unless the page shows a later one. Nothing comes back
 * where an answer was overtaken by one asked for later.
 */
export function serverWord({ ask, outbox, madeAt }: Asking) {
  let saidAt = madeAt;
  let asked = 0;
  let answered = 0;
  return async (shown: () => JobFile): Promise<Word | undefined> => {
    const mine = ++asked;
    const jobId = shown().job.id;
    const arrivedBefore = outbox().arrivedFor(jobId);
    const answer = await ask();
    if (mine < answered) return undefined;
    const isFromNow = answer.ok && !answer.stale;
    if (isFromNow) {
      answered = mine;
      outbox().seen(arrivedBefore);
    }
    const isNews = isFromNow || (answer.ok && answer.saidAt! >= saidAt);
    if (isNews) saidAt = answer.saidAt ?? saidAt;
    const writes = { arrived: outbox().arrivedFor(jobId), waiting: outbox().waitingFor(jobId) };
    const file = withWrites(isNews ? answer.value : shown(), writes);
    return { file, ...(!isFromNow && { asOf: saidAt }) };
  };
}
