import { format } from 'date-fns';
import {
  adviceOf,
  answeredJob,
  demandOf,
  isAllKept,
  jobLine,
  jobOrder,
  jobProof,
  judgedJob,
  knownNothing,
  slicesOf,
  triedPractice,
  workJob,
  type JobFile,
  type KnownJob,
  type MemberWork,
} from '@/core/job';
import type { Practice } from '@/core/reference';

/** A member's work without what cannot be sent from one process to another. */
export type SentWork = Omit<MemberWork, 'states'>;
const sent = (works: readonly MemberWork[]): SentWork[] => works.map(({ states: _, ...work }) => work);

const today = (): string => format(new Date(), 'yyyy-MM-dd');

/** Jobs lately asked about, the last one last: the next paper of a job takes over whatever still rests on the same records. */
const known = new Map<string, KnownJob>();
const KNOWN_JOBS = 4;
function knownOf({ job: { id } }: JobFile): KnownJob {
  const job = known.get(id) ?? knownNothing();
  known.delete(id);
  known.set(id, job);
  if (known.size > KNOWN_JOBS) known.delete(known.keys().next().value!);
  return job;
}
const worked = (file: JobFile): MemberWork[] => workJob(file, knownOf(file).works);
const byMember = (works: readonly MemberWork[]): Map<string, MemberWork> =>
  new Map(works.map((work) => [work.picture.member.id, work]));

/** What takes too long to be worked out where requests are answered. */
const TASKS = {
  line: (file: JobFile) => jobLine(file, knownOf(file)),
  /** Every member worked out and judged with what the frame asks of it, and the four answers as of today. */
  answered: (file: JobFile) => {
    const { works, four, ways } = answeredJob(file, file.notices, today(), knownOf(file));
    return { works: sent(works), four, ways };
  },
  /** What another practice would make of a job. */
  tried: ({ tried, ...file }: JobFile & { readonly tried: Practice }) =>
    triedPractice(file, tried, file.notices, today()),
  /** Every member worked out, plates and welds with it. */
  worked: (file: JobFile) => sent(worked(file)),
  /** Every task in its order, as of now. */
  order: (file: JobFile) => jobOrder(file, byMember(worked(file)), Date.now()),
  /** What is open before it is signed off, as of now. */
  proof: (file: JobFile) =>
    jobProof(file, byMember(judgedJob(file, knownOf(file)).works), Date.now(), today()),
  /** What keeps the frame whole on the road, nothing where it was not solved there; and its repairs in section. */
  closing: (file: JobFile) => {
    const { works, demand } = demandOf(file, ['as found', 'as repaired'], knownOf(file));
    const all = [...works.values()];
    return { advice: adviceOf(file, demand, isAllKept(all)) ?? null, slices: slicesOf(all) };
  },
  /** What each wheel and the coupler of the frame as built stand on. */
  wheels: (file: JobFile) => {
    const built = demandOf(file, ['as built'], knownOf(file)).demand['as built']!;
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
