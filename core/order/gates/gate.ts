import type { LiftAnswer } from '../../walk';
import type { Plan } from '../plan';
import type { Task } from '../task';
import type { TaskProgress } from '../progress';
import type { Extra, ExtraAnswer, GateId, GateSaid, Permit, PermitCheck, Removal } from '../records';

/** What a gate still lacks, as data. */
export const GATE_LACKS = [
  'lift not asked',
  'lift asked before',
  'lift not here',
  'cut open',
  'no permit',
  'permit over',
  'permit withdrawn',
  'check open',
  'seams changed',
  'watch too short',
  'fuel not off',
  'fuel not outside',
  'no measure since tack',
  'no measure before',
  'moved since before',
  'still warm',
  'too hot',
  'seam not looked at',
  'no photo',
  'air not measured',
  'near dew point',
  'too damp',
  'too cold',
  'not cured',
  'found, not answered',
  'owner not asked',
] as const;
export type LackCode = (typeof GATE_LACKS)[number];
export interface Lack {
  readonly code: LackCode;
  readonly name?: string;
  readonly check?: PermitCheck;
  readonly value?: number;
  readonly limit?: number;
  /** Of value and limit, where they are not millimetres. */
  readonly quantity?: 'angle';
}

/** A gate before some tasks: what it lacks, and whether somebody went through all the same. */
export interface Gate {
  readonly gate: GateId;
  readonly of: string;
  readonly zoneId?: string;
  readonly name: string;
  readonly lacks: readonly Lack[];
  readonly forced?: GateSaid;
  /** Tasks that stay shut with it. */
  readonly holds: readonly string[];
  /** None of what can hurt somebody at once is passed by signing. */
  readonly mayBeForced: boolean;
  /** A permit that is given, or whose watch runs. */
  readonly permit?: PermitState;
  readonly said?: GateSaid;
}

export interface PermitState {
  readonly permit: Permit;
  readonly isWithdrawn?: true;
  readonly arcOutAt?: string;
  readonly watchedAt?: string;
  /** Since when the watch is over, were somebody there for all of it. */
  readonly watchUntilMs?: number;
}

/** A measure of geometry before the first cut and after the tack, of the same thing. */
export interface Compared {
  readonly name: string;
  readonly quantity: 'length' | 'angle';
  /** How far and how far it may, mm or degrees. */
  readonly movedBy: number;
  readonly limit: number;
  /** When it was first seen to be over its limit as far as it is now, within what its instrument tells. */
  readonly seenOverAt?: string;
}
/** What was measured of a repair's member and of the unit, before its first cut and since its last tack. */
export interface GeometrySince {
  readonly since: number;
  /** Wheelbase, diagonals, lines measured both times; empty where none of what was measured since was measured before. */
  readonly moved: readonly Compared[];
  /** Angles, mounts, twins measured both times: they open nothing, and shut it where they moved. */
  readonly alsoMoved: readonly Compared[];
}

/** Everything that gates are asked on. */
export interface GateScene {
  readonly plan: Plan;
  readonly progress: ReadonlyMap<string, TaskProgress>;
  readonly removals: readonly Removal[];
  readonly said: readonly GateSaid[];
  readonly permits: readonly Permit[];
  readonly extras: readonly Extra[];
  readonly answers: readonly ExtraAnswer[];
  /** Records of bad metal made in a zone since it was opened, with when the last was made. */
  readonly foundWhileOpen: ReadonlyMap<string, { readonly count: number; readonly at: string }>;
  readonly lift?: { readonly answer: LiftAnswer; readonly isStale: boolean; readonly at: string };
  readonly geometry: ReadonlyMap<string, GeometrySince>;
  /** Seams laid that nothing may be laid over, by repair, work or crack. */
  readonly heldSeams: ReadonlyMap<string, number>;
  /** Things whose seams have a log of their own: their looks come from there. */
  readonly logged: ReadonlySet<string>;
  /** Tasks with a photo pinned to them. */
  readonly photographed: ReadonlySet<string>;
  readonly watchMin: number;
  readonly nowMs: number;
}

/** One kind of gate: every one there is of it in a plan. */
export type GateKind = (scene: GateScene) => Gate[];

export const stateOf = ({ progress }: GateScene, id: string) => progress.get(id)?.state ?? 'open';
export const isDone = (scene: GateScene, id: string): boolean => {
  const state = stateOf(scene, id);
  return state === 'done' || state === 'not needed';
};
export const lastSaid = ({ said }: GateScene, gate: GateId, of: string): GateSaid | undefined =>
  said.filter((each) => each.gate === gate && each.of === of).at(-1);
/** Forced after what it was forced over, or as that was said: a gate shut anew is not open by an old signature, nor shut by one that is kept late. */
export const forcedSince = (
  scene: GateScene,
  gate: GateId,
  of: string,
  since: string,
): GateSaid | undefined =>
  scene.said.findLast(
    (each) => each.gate === gate && each.of === of && each.is === 'forced' && each.at >= since,
  );
export const isOpen = ({ lacks, forced }: Pick<Gate, 'lacks' | 'forced'>): boolean =>
  lacks.length === 0 || forced !== undefined;
/** A crack and a plate on one member are told apart. */
export const lookName = ({ what, of }: Task): string =>
  what === 'look at crack' ? `${of.name}, crack` : of.name;
