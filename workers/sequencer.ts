import {
  bowOf,
  figuresOf,
  oneAfterAnother,
  orderSteps,
  skipByRule,
  thermalTable,
  waitsOf,
  type BentSection,
  type Bow,
  type LaidRun,
  type OrderFigures,
  type WeldRun,
} from '@/core/join';
import type { MemberShape } from '@/core/frame';

/** Runs to be put in order, on which wall, in which section; what is laid already. */
export interface SequenceJob {
  readonly shape: MemberShape;
  readonly runs: readonly WeldRun[];
  readonly section: BentSection;
  readonly laid: readonly LaidRun[];
}

/** An order with what it comes to, beside skipping by rule and seam after seam. */
export interface Sequence {
  readonly order: readonly number[];
  readonly waitsS: readonly number[];
  readonly found: Judged;
  readonly byRule: Judged;
  readonly plain: Judged;
}
export interface Judged extends OrderFigures {
  readonly bow: Bow;
  readonly waitS: number;
}

export interface Sequencer {
  /** `report` hears what share of the search is over. */
  readonly begin: (job: SequenceJob) => Promise<Sequence>;
  readonly stop: () => void;
}

/** Looks for an order, telling how far it is, hearing a stop: what it then has is no worse than the rule's. */
export function sequencer({
  report,
  breathe,
}: {
  readonly report: (share: number) => void;
  readonly breathe: () => Promise<void>;
}): Sequencer {
  let isStopped = false;
  return {
    stop: () => void (isStopped = true),
    begin: async (job) => {
      isStopped = false;
      let order: readonly number[] = [];
      for (const { best, tries, of } of orderSteps(job)) {
        order = best.order;
        report(tries / of);
        if (isStopped) break;
        await breathe();
      }
      return sequenceOf(job, order);
    },
  };
}

export function sequenceOf(job: SequenceJob, order: readonly number[]): Sequence {
  const { shape, runs, section, laid } = job;
  const table = thermalTable(shape, runs);
  const done = laid.map(({ run }) => run);
  const open = oneAfterAnother(runs).filter((run) => !done.includes(run));
  const judged = (of: readonly number[]): Judged => ({
    ...figuresOf(table, of, { laid, middle: section.middle, done }),
    bow: bowOf(
      [...done, ...of].map((run) => runs[run]!),
      section,
    ),
    waitS: waitsOf(table, of, laid).reduce((sum, each) => sum + each, 0),
  });
  return {
    order,
    waitsS: waitsOf(table, order, laid),
    found: judged(order),
    byRule: judged(skipByRule(runs, open)),
    plain: judged(open),
  };
}
