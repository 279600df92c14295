import { format } from 'date-fns';
import {
  adviceOf,
  answeredJob,
  isAllKept,
  jobDemand,
  jobLine,
  jobOrder,
  jobProof,
  judgedJob,
  triedPractice,
  workJob,
  type JobFile,
  type MemberWork,
} from '@/core/job';
import type { Practice } from '@/core/reference';

/** A member's work without what cannot be sent from one process to another. */
export type SentWork = Omit<MemberWork, 'states'>;
const sent = (works: readonly MemberWork[]): SentWork[] => works.map(({ states: _, ...work }) => work);

/** What takes too long to be worked out where requests are answered. */
const TASKS = {
  line: jobLine,
  /** Every member worked out and judged with what the frame asks of it, and the four answers as of today. */
  answered: (file: JobFile) => {
    const { works, four, ways } = answeredJob(file, file.notices, format(new Date(), 'yyyy-MM-dd'));
    return { works: sent(works), four, ways };
  },
  /** What another practice would make of a job. */
  tried: ({ tried, ...file }: JobFile & { readonly tried: Practice }) =>
    triedPractice(file, tried, file.notices, format(new Date(), 'yyyy-MM-dd')),
  /** Every member worked out, plates and welds with it. */
  worked: (file: JobFile) => sent(workJob(file)),
  /** Every task in its order, as of now. */
  order: (file: JobFile) =>
    jobOrder(file, new Map(workJob(file).map((work) => [work.picture.member.id, work])), Date.now()),
  /** What is open before it is signed off, as of now. */
  proof: (file: JobFile) =>
    jobProof(
      file,
      new Map(judgedJob(file).works.map((work) => [work.picture.member.id, work])),
      Date.now(),
      format(new Date(), 'yyyy-MM-dd'),
    ),
  /** What keeps the frame whole on the road; nothing where it was not solved there. */
  advice: (file: JobFile) => {
    const works = new Map(workJob(file).map((work) => [work.picture.member.id, work]));
    const demand = jobDemand(file, works, ['as found', 'as repaired']);
    return adviceOf(file, demand, isAllKept([...works.values()])) ?? null;
  },
  /** What each wheel and the coupler of the frame as built stand on. */
  wheels: (file: JobFile) => {
    const works = new Map(workJob(file).map((work) => [work.picture.member.id, work]));
    const built = jobDemand(file, works, ['as built'])['as built']!;
    return { wheels: built.wheels, couplerKg: built.couplerKg };
  },
} as const;
export type Tasks = typeof TASKS;
export type TaskName = keyof Tasks;

export interface Asked {
  readonly id: number;
  readonly task: TaskName;
  readonly file: JobFile;
}
export type Answered =
  | { readonly id: number; readonly ok: true; readonly value: unknown }
  | { readonly id: number; readonly ok: false; readonly reason: string };

function answered({ id, task, file }: Asked): Answered {
  try {
    return { id, ok: true, value: (TASKS[task] as (file: JobFile) => unknown)(file) };
  } catch (error) {
    return { id, ok: false, reason: error instanceof Error ? error.message : String(error) };
  }
}

process.on('message', (asked: Asked) => process.send!(answered(asked)));
process.on('disconnect', () => process.exit(0));
