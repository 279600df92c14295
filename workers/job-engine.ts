import {
  askLift,
  besideRepairs,
  candidates,
  changed,
  inputsOf,
  isDemandOf,
  jobDemand,
  isBroken,
  recordedAgainst,
  knownFrame,
  sketchedPicture,
  plannedOn,
  flatsOf,
  sortedRecords,
  usualLifts,
  verdictWithDemand,
  jobFirmness,
  jobOrder,
  jobProof,
  waysOut,
  workMember,
  type Candidate,
  type KnownFrame,
  type KnownLifts,
  type JobDemand,
  type JobFile,
  type JobOrder,
  type JobProof,
  type LiftReply,
  type LiftTried,
  type Planned,
  type PlannedFlat,
  type MemberWork,
  type RecordsChange,
  type SortedRecords,
} from '@/core/job';
import { twinOf, type Member } from '@/core/frame';
import { mapContours, type MapContours } from '@/core/probe';
import { memberStates } from '@/core/shape';
import type { LiftPlan } from '@/core/walk';
import type { Firmness, MemberPicture, MemberVerdict, Priced, SectionKept } from '@/core/weigh';

/** What a list of members shows of one: the whole of it crosses to the page only for the member in sight. */
export interface MemberSummary {
  readonly memberId: string;
  readonly verdict: MemberVerdict;
  readonly plan: Planned;
  readonly measured: boolean;
  readonly cracked: boolean;
  readonly zones: number;
  /** How much found by eye, hammer, finger or at its fastenings speaks against it. */
  readonly against: number;
  /** Some of its metal is gone or cracked through. */
  readonly isBroken: boolean;
  readonly sections: readonly Pick<SectionKept, 'stationMm' | 'kept' | 'guessedShare'>[];
  readonly partedAtMm: readonly number[];
  readonly flats: readonly PlannedFlat[];
  readonly weldLines: number;
}

/** From where to where along a member, mm. */
export interface Run {
  readonly fromMm: number;
  readonly toMm: number;
}

/** A member's work as it is drawn. Its states are functions and cannot cross the door: they are made again from picture and repairs. */
export type WorkView = Omit<MemberWork, 'states'> & { readonly contours?: MapContours };

export type Report =
  | { readonly kind: 'summary'; readonly summary: MemberSummary }
  | { readonly kind: 'view'; readonly view: WorkView }
  | {
      readonly kind: 'frame';
      readonly demand: JobDemand | undefined;
      readonly verdicts: readonly (readonly [memberId: string, verdict: MemberVerdict])[];
    }
  /** `of` members to work out, `done` of them; at rest where both are 0. */
  | { readonly kind: 'progress'; readonly done: number; readonly of: number }
  | { readonly kind: 'failed'; readonly what: string; readonly reason: string };

type StoredWork = Omit<MemberWork, 'states'>;
/** What a job's work came to; every part carries the mark of what it was worked out from. */
export interface KeptWork {
  readonly works: readonly StoredWork[];
  readonly demand?: JobDemand;
}

/** Where results outlive the page. Failing is allowed: everything can be worked out again. */
export interface Shelf {
  readonly get: (jobId: string) => Promise<KeptWork | undefined>;
  readonly put: (jobId: string, kept: KeptWork) => Promise<void>;
}

export interface JobEngine {
  /** Takes a job in hand; `inSight` is worked out first and reported whole. */
  readonly begin: (file: JobFile, inSight: string) => Promise<void>;
  readonly hear: (change: RecordsChange) => void;
  readonly show: (memberId: string) => void;
  readonly askLift: (plan: LiftPlan) => Promise<LiftReply>;
  /** The usual ways of lifting, tried on what is known now. */
  readonly tryLifts: () => Promise<LiftTried[]>;
  /** Every way out with its price. */
  readonly waysOut: () => Promise<Priced[]>;
  /** How firm the decision on each member is. */
  readonly firmness: () => Promise<ReadonlyMap<string, Firmness>>;
  /** Every form that could answer damage on a member, ranked. */
  readonly forms: (memberId: string, run: Run) => Promise<Candidate[]>;
  /** Every task in its order, with its gates, as of an instant. */
  readonly order: (nowMs: number) => Promise<JobOrder>;
  /** What is open before it is signed off, as of an instant and a day. */
  readonly proof: (nowMs: number, today: string) => Promise<JobProof>;
  /** Ends what is being worked out; the next change, or the next question, goes on with it. */
  readonly stop: () => void;
}

/** The engine's surroundings: who hears its reports, where results are kept, how it lets others speak and waits. */
export interface Surroundings {
  readonly report: (report: Report) => void;
  readonly shelf: Shelf;
  readonly breathe: () => Promise<void>;
  readonly wait: (ms: number) => Promise<void>;
  readonly now: () => number;
}

/** While readings are being typed the map waits for a pause this long, but never longer than the second. */
const PAUSE_MS = 350;
const LONGEST_WAIT_MS = 2500;
const SKETCH_AFTER_MS = 90;

/** Everything in hand of one job. */
interface Bench {
  file: JobFile;
  sorted: SortedRecords;
  inSight: string;
  /** The picture of the member in sight that one more reading may be added to; absent once anything else has changed. */
  sketch?: MemberPicture | undefined;
  readonly done: Map<string, MemberWork>;
  /** Marks of inputs that could not be worked out, by member, and of the frame. */
  readonly failed: Map<string, string>;
  demand?: JobDemand | undefined;
  /** The frame as made, solved once for as long as it stays as it is. */
  readonly frame: KnownFrame;
  readonly lifts: KnownLifts;
  demandFailedOn?: SortedRecords;
  /** Whether something was worked out that the shelf does not have. */
  fresh: boolean;
}

/** When the engine may go on, and whether it should. */
interface Pace {
  /** Who waits for every member to be worked out, whatever the frame asks of them. */
  readonly waiting: (() => void)[];
  quietFrom: number;
  waitingSince: number | undefined;
  stopped: boolean;
}

export function jobEngine(around: Surroundings): JobEngine {
  const { report, shelf, wait, now } = around;
  let bench: Bench | undefined;
  let settling: Promise<void> | undefined;
  const pace: Pace = { waiting: [], quietFrom: 0, waitingSince: undefined, stopped: false };

  const settle = (): Promise<void> => {
    pace.stopped = false;
    settling ??= work(() => bench, pace, around).finally(() => {
      settling = undefined;
      report({ kind: 'progress', done: 0, of: 0 });
    });
    return settling;
  };
  /** Not between two keys of somebody who types fast: what is typed is painted first. */
  const sketchSoon = (): void => {
    const heard = bench!.sorted;
    void wait(SKETCH_AFTER_MS).then(() => bench?.sorted === heard && sketch(bench, report));
  };
  /** The bench once nothing is stale. */
  const settled = async (): Promise<Bench> => {
    pace.quietFrom = 0;
    while (settling) await settling;
    await settle();
    if (!bench || pace.stopped) throw new Error('it was stopped');
    return bench;
  };
  return {
    begin: async (file, inSight) => {
      bench = { ...newBench(file), inSight };
      const kept = await shelf.get(file.job.id).catch(() => undefined);
      if (kept) takeKept(bench, kept, report);
      void settle();
    },
    hear: (change) => {
      if (!bench) return;
      const isTyping = change.kind === 'evidence' && change.record.kind === 'reading';
      bench.file = changed(bench.file, change);
      bench.sorted = sortedRecords(bench.file);
      if (isTyping) sketchSoon();
      else bench.sketch = undefined;
      pace.waitingSince ??= now();
      pace.quietFrom = isTyping ? Math.min(now() + PAUSE_MS, pace.waitingSince + LONGEST_WAIT_MS) : now();
      void settle();
    },
    show: (memberId) => {
      if (!bench) return;
      bench.inSight = memberId;
      bench.sketch = freshPicture(bench);
      for (const id of inView(bench)) if (bench.done.has(id)) reportView(bench, id, report);
      void settle();
    },
    stop: () => void (pace.stopped = true),
    ...questions(settled, () => membersWorked(() => bench, pace, settle)),
  };
}

/** The bench once every member is worked out; the frame may follow. What somebody stopped is not taken up again by a question. */
async function membersWorked(
  inHand: () => Bench | undefined,
  pace: Pace,
  settle: () => Promise<void>,
): Promise<Bench> {
  pace.quietFrom = 0;
  for (;;) {
    const bench = inHand();
    if (bench && staleMembers(bench).length === 0) return bench;
    if (pace.stopped) throw new Error('it was stopped');
    const until = new Promise<void>((resolve) => void pace.waiting.push(resolve));
    void settle();
    await until;
  }
}

/** What is asked of a whole job: answered once nothing is stale. */
const questions = (
  settled: () => Promise<Bench>,
  worked: () => Promise<Bench>,
): Pick<JobEngine, 'askLift' | 'tryLifts' | 'waysOut' | 'firmness' | 'forms' | 'order' | 'proof'> => ({
  askLift: async (plan) => {
    const { file, done, frame } = await settled();
    return askLift(file, file.notices, done, plan, frame.cuts);
  },
  tryLifts: async () => {
    const { file, done, frame, lifts } = await settled();
    return usualLifts(file, file.notices, done, lifts, frame.cuts);
  },
  firmness: async () => {
    const { file, done } = await settled();
    return jobFirmness(file, done);
  },
  forms: async (memberId, run) => {
    const { file, done } = await worked();
    const work = done.get(memberId);
    const { grossMassKg, kits = [], practice } = file;
    if (!work) return [];
    const beside = besideRepairs(file, work.picture.member);
    return candidates(work.picture, run, { grossMassKg, kits, norms: practice.money.norms, beside });
  },
  order: async (nowMs) => {
    const { file, done } = await worked();
    return jobOrder(file, done, nowMs);
  },
  // What the frame asks of its members is part of what is open: it is waited for.
  proof: async (nowMs, today) => {
    const { file, done } = await settled();
    return jobProof(file, done, nowMs, today);
  },
  waysOut: async () => {
    const { file, done } = await settled();
    const weighed = [...done].map(
      ([id, work]) => [id, { verdict: work.verdict, plan: plannedOn(work) }] as const,
    );
    return waysOut(file, new Map(weighed));
  },
});

/**
 * Until nothing is stale and what was worked out is kept: the member in sight first, one at a time, hearing what changes in between. What is
 * heard while results are being kept finds this still at work, so it is looked for again after that.
 */
async function work(inHand: () => Bench | undefined, pace: Pace, around: Surroundings): Promise<void> {
  const { report, shelf, breathe, wait, now } = around;
  for (;;) {
    while (now() < pace.quietFrom) await wait(pace.quietFrom - now());
    pace.waitingSince = undefined;
    await breathe();
    const bench = inHand();
    if (!bench || pace.stopped) return release(pace);
    const stale = staleMembers(bench);
    if (stale.length > 0) workOne(bench, stale[0]!, report);
    // Who waited for the members answers before the frame is solved.
    else if (pace.waiting.length > 0) release(pace);
    else if (isDemandStale(bench)) workDemand(bench, report);
    else if (!bench.fresh) return;
    else {
      bench.fresh = false;
      await shelf.put(bench.file.job.id, keptOf(bench)).catch(() => undefined);
      continue;
    }
    const all = bench.file.frame.members.length;
    report({ kind: 'progress', done: all - staleMembers(bench).length, of: all });
  }
}

/** Lets everybody go on who waited for the members. */
const release = ({ waiting }: Pace): void => waiting.splice(0).forEach((resolve) => resolve());

const newBench = (file: JobFile): Bench => ({
  file,
  sorted: sortedRecords(file),
  inSight: file.frame.members[0]!.id,
  done: new Map(),
  failed: new Map(),
  frame: knownFrame(),
  lifts: {},
  fresh: false,
});

/** The picture of the member in sight, where it is made from what stands now. */
function freshPicture({ file, sorted, done, inSight }: Bench): MemberPicture | undefined {
  const member = file.frame.members.find((each) => each.id === inSight);
  const work = done.get(inSight);
  return member && work?.marks.mark === inputsOf(sorted, member).mark ? work.picture : undefined;
}

/** Shows at once what one more reading on the member in sight changes near it; the whole of its work follows after the pause. */
function sketch(bench: Bench, report: Surroundings['report']): void {
  const member = bench.file.frame.members.find((each) => each.id === bench.inSight);
  const work = bench.done.get(bench.inSight);
  if (!member || !work || !bench.sketch) return;
  const picture = sketchedPicture(bench.sketch, inputsOf(bench.sorted, member));
  bench.sketch = picture;
  if (picture) reportPicture({ ...withoutStates(work), picture }, report);
}

/** The member in sight and its twin, which is compared with it. */
function inView({ file, inSight }: Bench): string[] {
  const member = file.frame.members.find((each) => each.id === inSight);
  const twin = member && twinOf(file.frame, member);
  return [...(member ? [member.id] : []), ...(twin ? [twin.id] : [])];
}

/** Members whose inputs are no longer those they were worked out from, those in view first. */
function staleMembers(bench: Bench): Member[] {
  const stale = bench.file.frame.members.filter((member) => {
    const { mark } = inputsOf(bench.sorted, member);
    return bench.done.get(member.id)?.marks.mark !== mark && bench.failed.get(member.id) !== mark;
  });
  const first = inView(bench);
  const rank = (member: Member) => (first.includes(member.id) ? first.indexOf(member.id) : first.length);
  return stale.sort((a, b) => rank(a) - rank(b));
}

const reasonOf = (error: unknown): string =>
  error instanceof Error ? error.message : 'the computation failed';

function workOne(bench: Bench, member: Member, report: Surroundings['report']): void {
  const inputs = inputsOf(bench.sorted, member);
  try {
    bench.done.set(member.id, workMember(inputs));
    bench.failed.delete(member.id);
    bench.sketch = freshPicture(bench);
    bench.fresh = true;
    reportMember(bench, member.id, report);
  } catch (error) {
    bench.failed.set(member.id, inputs.mark);
    report({ kind: 'failed', what: member.name, reason: reasonOf(error) });
  }
}

function reportMember(bench: Bench, memberId: string, report: Surroundings['report']): void {
  report({ kind: 'summary', summary: summaryOf(bench.done.get(memberId)!) });
  if (inView(bench).includes(memberId)) reportView(bench, memberId, report);
}

function summaryOf({ picture, verdict, repairs, notOffered, underWorks }: MemberWork): MemberSummary {
  return {
    memberId: picture.member.id,
    verdict,
    plan: plannedOn({ picture, repairs, notOffered, underWorks }),
    measured: picture.map !== undefined,
    cracked: picture.cracks.length > 0,
    zones: picture.zones.length,
    against: recordedAgainst({ picture, verdict }),
    isBroken: isBroken({ picture }),
    sections: picture.sections.map(({ stationMm, kept, guessedShare }) => ({
      stationMm,
      kept,
      guessedShare,
    })),
    partedAtMm: picture.partedAtMm,
    flats: flatsOf(repairs),
    weldLines: repairs.reduce((sum, repair) => sum + repair.joined.lines.length, 0),
  };
}

function reportView(bench: Bench, memberId: string, report: Surroundings['report']): void {
  reportPicture(withoutStates(bench.done.get(memberId)!), report);
}

function reportPicture(work: StoredWork, report: Surroundings['report']): void {
  const { map, built } = work.picture;
  report({ kind: 'view', view: { ...work, ...(map && { contours: mapContours(map, built.thicknessMm) }) } });
}

const isDemandStale = ({ file, sorted, done, demand, demandFailedOn }: Bench): boolean =>
  demandFailedOn !== sorted && !(demand && isDemandOf(file, done, demand));

/** What the frame asks of its members, state by state; a state none of whose inputs changed is not solved again. */
function workDemand(bench: Bench, report: Surroundings['report']): void {
  try {
    bench.demand = jobDemand(bench.file, bench.done, undefined, bench.demand, bench.frame);
    bench.fresh = true;
  } catch (error) {
    bench.demand = undefined;
    bench.demandFailedOn = bench.sorted;
    report({ kind: 'failed', what: 'the frame', reason: reasonOf(error) });
  }
  reportDemand(bench, report);
}

function reportDemand({ demand, done }: Bench, report: Surroundings['report']): void {
  const verdicts = [...done].map(([id, work]) => {
    const verdict = demand ? verdictWithDemand(work.picture, demand) : work.verdict;
    done.set(id, { ...work, verdict });
    return [id, verdict] as const;
  });
  report({ kind: 'frame', demand, verdicts });
}

/** Takes up from the shelf what still holds, so that an unchanged job shows its verdicts at once. */
function takeKept(bench: Bench, { works, demand }: KeptWork, report: Surroundings['report']): void {
  for (const work of works) {
    const member = bench.file.frame.members.find((each) => each.id === work.picture.member.id);
    const inputs = member && inputsOf(bench.sorted, member);
    if (!member || work.marks.mark !== inputs?.mark) continue;
    const repairs = work.repairs.map((each) => each.repair);
    bench.done.set(member.id, { ...work, states: memberStates(work.picture, repairs, inputs.letIn) });
  }
  const first = inView(bench).filter((id) => bench.done.has(id));
  const others = [...bench.done.keys()].filter((id) => !first.includes(id));
  for (const id of [...first, ...others]) reportMember(bench, id, report);
  bench.sketch = freshPicture(bench);
  if (!demand || !isDemandOf(bench.file, bench.done, demand)) return;
  bench.demand = demand;
  reportDemand(bench, report);
}

const withoutStates = ({ states: _, ...work }: MemberWork): StoredWork => work;
const keptOf = ({ done, demand }: Bench): KeptWork => ({
  works: [...done.values()].map(withoutStates),
  ...(demand && { demand }),
});
