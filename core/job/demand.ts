import { totalKg, type Frame } from '../frame';
import {
  demandOnStands,
  movement,
  stateDemand,
  stateForces,
  weigh,
  type Detail,
  type FrameDemand,
  type FrameState,
  type HostVerdict,
  type KeptCuts,
  type MemberPicture,
  type MemberVerdict,
} from '../weigh';
import { isBolted, pieceName, STATE_IDS, type StateId } from '../shape';
import { fingerprint } from '../quantity';
import { jobHosts } from './inputs';
import type { KnownLifts } from './lift';
import { workJob, type MemberWork, type Weighed } from './member';
import type { JobRecords } from './records';
import { countedRenewed } from './renewals';
import {
  foundState,
  leastState,
  repairedState,
  wallIn,
  withLostWhole,
  withoutBroken,
  type Works,
} from './state-of-frame';

/** What the frame asks in one state, with the mark of what it was solved from. */
export type StateDemand = FrameDemand & { readonly mark: string };
/** A state of the metal, or *least*: as found with all that is doubtful, hidden or unseen taken away (the removal test). */
export type DemandId = StateId | 'least';
const DEMAND_IDS: readonly DemandId[] = [...STATE_IDS, 'least'];
/**
 * What the frame asks of every member, in each state there is: as built and as found always, least once anything is known of the metal and of
 * what it carries, the others once something is repaired.
 */
export type JobDemand = Partial<Readonly<Record<DemandId, StateDemand>>>;

/** States that differ from one another: the repaired ones only where something is repaired. */
const statesOf = (records: JobRecords, works: Works, wanted: readonly DemandId[]): DemandId[] => {
  const all = [...works.values()];
  const repaired =
    all.some((work) => work.states.some(({ id }) => id === 'as repaired')) ||
    countedRenewed(records).size > 0;
  const known = totalKg(records.frame) > 0 && all.some((work) => work.picture.account.isKnown);
  return wanted.filter((id) => id === 'as built' || id === 'as found' || (id === 'least' ? known : repaired));
};

type Forces = ReturnType<typeof stateForces>;
/** The frame as made, solved: every other state is judged beside it. */
type AsMade = (asked: AskedFrame) => Forces;

/** What was worked out of a frame before; held by whoever asks more than once. */
export interface KnownFrame {
  readonly asMade: AsMade;
  readonly cuts: KeptCuts;
}

/** Solves the frame as made once, and again only when what that rests on has changed; keeps the cuts through all that did not. */
export function knownFrame(): KnownFrame {
  const cuts: KeptCuts = new WeakMap();
  let last: { readonly mark: string; readonly forces: Forces } | undefined;
  return {
    cuts,
    asMade: (asked) => {
      const mark = stateMark(asked, 'as built');
      if (last?.mark !== mark)
        last = { mark, forces: stateForces({ ...stateOfFrame(asked, 'as built'), kept: cuts }) };
      return last.forces;
    },
  };
}

/** A frame to be solved: its records, what its members' work found, and what was found of what hangs on them. */
interface AskedFrame {
  readonly records: JobRecords;
  readonly works: Works;
  readonly hosts: readonly HostVerdict[];
}

/**
 * The whole frame solved on the sections that the members' work found: rust changes stiffness, and where force goes. A state none of whose
 * inputs changed since `before` is taken over as it is.
 */
export function jobDemand(
  records: JobRecords,
  works: Works,
  wanted: readonly DemandId[] = DEMAND_IDS,
  before: JobDemand = {},
  frame: KnownFrame = knownFrame(),
): JobDemand {
  const asked = { records, works, hosts: jobHosts(records) };
  return Object.fromEntries(
    statesOf(records, works, wanted).map((state) => {
      const mark = stateMark(asked, state);
      const known = before[state];
      return [state, known?.mark === mark ? known : { ...solvedState(asked, state, frame), mark }];
    }),
  );
}

/** Whether a demand still rests on what stands. */
export function isDemandOf(records: JobRecords, works: Works, demand: JobDemand): boolean {
  const asked = { records, works, hosts: jobHosts(records) };
  return statesOf(records, works, DEMAND_IDS).every(
    (state) => demand[state]?.mark === stateMark(asked, state),
  );
}

/** A frame in one of its states, as far as it is known. */
function stateOfFrame({ records, works, hosts }: AskedFrame, state: DemandId): FrameState {
  const [frame, factors] = [frameIn(records.frame, state), records.practice.loadFactors];
  switch (state) {
    case 'as built':
      return { frame, factors, ...wallIn(works, state) };
    case 'as repaired':
      return {
        frame,
        factors,
        ...repairedState(works, hosts, countedRenewed(records)),
        detailsOn: (member) => plateEnds(works.get(member.id)),
      };
    case 'least':
      return { frame, factors, ...leastState(works, hosts, 'as made') };
    default:
      return { frame, factors, ...foundState(works, hosts), ...wallIn(works, state) };
  }
}

/** Cut open and tacked, a frame is on stands and goes nowhere; in every other state it is driven, and old metal may still be as stiff as it was made. */
function solvedState(asked: AskedFrame, state: DemandId, { asMade, cuts: kept }: KnownFrame): FrameDemand {
  if (state === 'as built') return asMade(asked).demand();
  const of = { ...stateOfFrame(asked, state), kept };
  if (state === 'cut open' || state === 'tacked') return demandOnStands(of);
  if (state === 'as repaired')
    // What stands on it while it is welded is what was not taken off before.
    return stateDemand(of, [asMade(asked)], {
      ...stateOfFrame(asked, 'as found'),
      frame: frameIn(asked.records.frame, 'cut open'),
      kept,
    });
  if (state === 'least') {
    const whole = withLostWhole(of, asked.works, asked.hosts);
    return stateDemand(of, whole ? [stateForces(whole)] : []);
  }
  const found = stateDemand(of, [asMade(asked)]);
  const broken = withoutBroken(of, asked.hosts);
  return broken ? { ...found, ...movement(broken) } : found;
}

/** What one state rests on: the frame with its loads, the factors, and of each member what counts in that state. */
function stateMark({ records, works, hosts }: AskedFrame, state: DemandId): string {
  const counts = ({ picture, marks }: MemberWork): string =>
    state === 'as built'
      ? String(picture.built.thicknessMm)
      : state === 'as found' || state === 'least'
        ? marks.metalMark
        : marks.mark;
  const members = records.frame.members.map((member) => {
    const work = works.get(member.id);
    return work ? counts(work) : '';
  });
  const held = state === 'as built' ? [] : hosts.map(holdsMark);
  return fingerprint([
    state,
    JSON.stringify([records.frame, records.practice.loadFactors, held]),
    ...members,
  ]);
}

const holdsMark = ({ on, id, carriesNothing }: HostVerdict) => [on, id, carriesNothing];

/**
 * A plate's ends on a rail: category E, E′ where they are cut square (our reading of AISC 360: no end weld across), D where they are bolted (holes
 * in a net section). Joints of a length let in, ground flush: C; of a plate's own lengths, over the rail or a strip that stays: D (AISC 360
 * section 5, from memory).
 */
function plateEnds(work: MemberWork | undefined): Detail[] {
  const joints = (work?.letIn ?? []).flatMap(({ fromMm, toMm }) =>
    [fromMm, toMm].map((stationMm): Detail => ({
      stationMm,
      what: 'joint of the new length',
      category: 'C',
    })),
  );
  const ends = (work?.repairs ?? []).flatMap(({ repair }) =>
    repair.pieces.flatMap((piece): Detail[] => {
      const isSquare = piece.taperMm < work!.picture.member.shape.depthMm / 4;
      const category = isBolted(repair) ? 'D' : isSquare ? 'E′' : 'E';
      return [
        { stationMm: piece.startMm, what: `${pieceName(piece)}, front end`, category },
        { stationMm: piece.endMm, what: `${pieceName(piece)}, rear end`, category },
        ...(piece.joints ?? []).map((stationMm): Detail => ({
          stationMm,
          what: `${pieceName(piece)}, joint`,
          category: 'D',
        })),
      ];
    }),
  );
  return [...ends, ...joints];
}

/** Cut open and tacked, what was taken off no longer weighs. */
function frameIn(frame: Frame, state: DemandId): Frame {
  if (!frame.loads || (state !== 'cut open' && state !== 'tacked')) return frame;
  const off = new Set(frame.loads.takenOff ?? []);
  return {
    ...frame,
    loads: { ...frame.loads, items: frame.loads.items.filter((item) => !off.has(item.id)) },
  };
}

/** A member's verdict with what the frame asks of it, where its loads and what it stands on are known: else it rests on the section alone. */
export function verdictWithDemand(picture: MemberPicture, demand: JobDemand): MemberVerdict {
  const of = (state: DemandId) => demand[state]?.members.find((each) => each.memberId === picture.member.id);
  const [found, built, least] = [of('as found'), of('as built'), of('least')];
  const isDriven = demand['as found']?.isDriven;
  return weigh(picture, isDriven && found && built ? { found, built, ...(least && { least }) } : undefined);
}

/** What was worked out of a job before; held by whoever is asked of the same job more than once. */
export interface KnownJob {
  readonly works: Map<string, MemberWork>;
  readonly weighed: Map<string, Weighed>;
  demand: JobDemand;
  readonly frame: KnownFrame;
  readonly lifts: KnownLifts;
}
export const knownNothing = (): KnownJob => ({
  works: new Map(),
  weighed: new Map(),
  demand: {},
  frame: knownFrame(),
  lifts: {},
});

/** What the frame asks in the states wanted, and every member it was solved from; what none of whose inputs changed is taken over from `known`. */
export function demandOf(
  records: JobRecords,
  wanted: readonly DemandId[],
  known: KnownJob = knownNothing(),
): { readonly works: ReadonlyMap<string, MemberWork>; readonly demand: JobDemand } {
  const works = new Map(workJob(records, known.works).map((work) => [work.picture.member.id, work]));
  const demand = jobDemand(records, works, wanted, known.demand, known.frame);
  known.demand = { ...known.demand, ...demand };
  return { works, demand };
}

/** Every member worked out and judged with what the frame asks of it: what a report prints. */
export function judgedJob(
  records: JobRecords,
  known?: KnownJob,
): { readonly works: MemberWork[]; readonly demand: JobDemand } {
  const { works: worked, demand } = demandOf(records, ['as built', 'as found', 'least'], known);
  const works = [...worked.values()];
  return {
    works: works.map((work) => ({ ...work, verdict: verdictWithDemand(work.picture, demand) })),
    demand,
  };
}
