import type { Gate, TaskOf, TaskProgress, Unplanned } from '../../order';
import type { Retighten, SeamStands } from '../../join';
import type { GeometryCheck } from '../../weigh';
import type { FlexPair } from '../given';
import type { Change } from '../moved';
import type { Proof, Snag } from '../records';

/** What stands against a job being signed off. */
export const OPEN_CODES = [
  'off or untried',
  'begun and not finished',
  'seam not finished',
  'seam not looked at',
  'landing not read',
  'closed in',
  'records unreadable',
  'bolts not tightened',
  'bolts not settled',
  'gate shut',
  'temporary not released',
  'proof failed',
  'out of true',
  'moved',
  'not measured again',
  'complaint open',
  'cause stays',
  'nothing decided',
  'not judged',
  'not begun',
  'stage open',
  'snag open',
  'no look booked',
] as const;
export type OpenCode = (typeof OPEN_CODES)[number];

/** What stays beneath plates, and goes on there. */
export const CLOSED_IN = ['rust', 'an earlier skin', 'a crack'] as const;
export type ClosedIn = (typeof CLOSED_IN)[number];

/** Who may let it stand: nobody, since it hurts somebody; two names with a reason; the owner, who is left with it. */
export const MAY_STAND = ['nobody', 'two names', 'the owner'] as const;
export type MayStand = (typeof MAY_STAND)[number];

/** One thing that is open. `key` is the same for as long as it is the same thing. */
export interface OpenItem {
  readonly key: string;
  readonly code: OpenCode;
  readonly name: string;
  readonly may: MayStand;
  /** What of it is open, where that can grow or get worse: each is let stand by itself, and one more, or a worse one, is not. */
  readonly parts?: readonly string[];
  readonly memberId?: string;
  readonly count?: number;
  /** What kind of thing is made or mended, where that is open. */
  readonly is?: TaskOf['is'];
  /** What belongs to its code: how a seam stands, what failed, by how much something moved. */
  readonly about?: SeamStands | Retighten | Gate | Change | GeometryCheck | FlexPair | Proof | Snag;
}

/** Everything that open items are made from, sorted once. */
export interface ProveScene {
  readonly progress: readonly TaskProgress[];
  readonly refits: readonly TaskProgress[];
  readonly gates: readonly Gate[];
  readonly seams: readonly {
    readonly ofId: string;
    readonly seam: string;
    readonly mark: string;
    readonly memberId: string;
    readonly name: string;
    readonly stands: SeamStands;
  }[];
  /** Repairs that are laid, with the faces on which nobody has read the metal that they land on; none where it was read only after they were on. */
  readonly unreadLandings: readonly {
    readonly id: string;
    readonly memberId: string;
    readonly name: string;
    readonly faces: readonly string[];
  }[];
  /** Repairs that are laid over what goes on rusting or cracking beneath them, with what stays there. */
  readonly closedIn: readonly {
    readonly id: string;
    readonly memberId: string;
    readonly name: string;
    readonly what: readonly ClosedIn[];
  }[];
  /** Sets of bolts of repairs that were begun to be bolted up, which are not settled: tightened, looked at again, and none had moved. */
  readonly bolts: readonly {
    readonly repairId: string;
    readonly memberId: string;
    readonly name: string;
    readonly set: string;
    readonly stands: Exclude<Retighten, 'settled'>;
  }[];
  /** Records on the server that cannot be read, by id: what is open in them nobody knows. */
  readonly unreadable: readonly string[];
  readonly complaints: readonly {
    readonly id: string;
    readonly name: string;
    /** Whether what they feel was found, and is no longer there. */
    readonly isCauseFound: boolean;
    readonly pairs: readonly FlexPair[];
  }[];
  /** Members worked on, with what made them bad; none known where nobody said. */
  readonly causes: readonly { readonly memberId: string; readonly name: string; readonly cause?: string }[];
  readonly unplanned: readonly Unplanned[];
  /** Members of which too little is known to judge them. */
  readonly unjudged: readonly { readonly id: string; readonly name: string }[];
  readonly changes: readonly Change[];
  /** Measured last, and out of straight or square. */
  readonly out: readonly { readonly name: string; readonly check: GeometryCheck }[];
  /** Metal was cut, and something had been measured before it that nobody measured since. */
  readonly notMeasuredAgain: readonly string[];
  readonly temporaries: readonly { readonly id: string; readonly name: string }[];
  readonly failed: readonly Proof[];
  readonly snags: readonly Snag[];
  /** Metal was cut or welded in this job. */
  readonly wasWorked: boolean;
  readonly hasLookBooked: boolean;
}

export type ItemSource = (scene: ProveScene) => readonly OpenItem[];
