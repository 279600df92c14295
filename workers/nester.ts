import { nestPart, nestSteps, type Nest, type NestPiece, type NestSheet, type NestWays } from '@/core/shape';

/** What is to be laid on what, how, and for how long. */
export interface NestJob {
  readonly pieces: readonly NestPiece[];
  readonly sheets: readonly NestSheet[];
  readonly ways: NestWays;
  readonly forMs: number;
}

/** How far it is: the best so far, how many tries, what share of the time. */
export interface NestReport {
  readonly nest: Nest;
  readonly tries: number;
  readonly share: number;
}

/** Lays pieces out for a while. */
export interface Nester {
  /** Answers the best there is when the time is over, or when it was stopped. */
  readonly begin: (job: NestJob) => Promise<NestReport>;
  readonly stop: () => void;
}

interface Around {
  readonly report: (report: NestReport) => void;
  /** Lets messages in. */
  readonly breathe: () => Promise<void>;
  readonly now: () => number;
}

/** Somebody is told of progress so often, ms; messages are heard as often. */
const REPORT_MS = 100;
/** One piece, or none, is not laid better by trying longer. */
const ENOUGH_FOR_ONE = 10;

export function nester({ report, breathe, now }: Around): Nester {
  let isStopped = false;
  return {
    stop: () => void (isStopped = true),
    begin: async ({ pieces, sheets, ways, forMs }) => {
      isStopped = false;
      const start = now();
      let told = -Infinity;
      const parts = pieces.map(nestPart);
      for (const { nest, tries } of nestSteps(parts, sheets, ways)) {
        const spentMs = now() - start;
        const step = { nest, tries, share: Math.min(1, spentMs / forMs) };
        const isAllThereIs = nest.laid.length <= 1 && tries >= ENOUGH_FOR_ONE;
        if (spentMs >= forMs || isStopped || isAllThereIs) return step;
        if (now() - told < REPORT_MS) continue;
        told = now();
        report(step);
        await breathe();
      }
      throw new Error('the search ended by itself');
    },
  };
}
