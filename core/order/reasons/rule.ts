import type { OrderScene } from '../scene';
import type { Task, TaskWhat } from '../task';
import type { Zone } from '../zones';

/** Why one task comes before another. */
export const REASONS = [
  'own steps',
  'made before it is fitted',
  'measured before the cut',
  'reached first',
  'lighter on its stands',
  'stands before the cut',
  'stands until it is cool',
  'in line before it is welded',
  'crack before its plate',
  'worst side first',
  'axle held by its twin',
  'springs before the rail',
  'middle cap first',
  'shaft before the second plate',
  'both legs plumb',
  'plates before the tube',
  'in before it closes',
  'battery off before the arc',
  'fuel out before the arc',
  'coat inside when cool',
  'looked at before it is hidden',
  'cured before refit',
  'stays open until it is tried',
  'refit for the way',
  'found while open',
  'proved last',
] as const;
export type ReasonCode = (typeof REASONS)[number];

/** One task before another, and why. */
export interface Edge {
  readonly before: string;
  readonly after: string;
  readonly why: ReasonCode;
}

/** Tasks with what they were made from. */
export interface Draft {
  readonly scene: OrderScene;
  readonly zones: readonly Zone[];
  readonly tasks: readonly Task[];
}

/** One reason for order: every pair of tasks that it puts in order. */
export interface OrderRule {
  readonly why: ReasonCode;
  readonly pairs: (draft: Draft) => readonly (readonly [before: Task, after: Task])[];
}

export const are =
  (...whats: readonly TaskWhat[]) =>
  ({ what }: Task): boolean =>
    whats.includes(what);

/** Every one of the first before every one of the second, but for itself. */
export const all = (
  before: readonly Task[],
  after: readonly Task[],
): (readonly [before: Task, after: Task])[] =>
  before.flatMap((one) => after.filter((other) => other !== one).map((other) => [one, other] as const));

export const ofThing = (tasks: readonly Task[], is: Task['of']['is'], id: string): Task[] =>
  tasks.filter(({ of }) => of.is === is && of.id === id);
export const inTheZone = (tasks: readonly Task[], zoneId: string): Task[] =>
  tasks.filter((task) => task.zoneId === zoneId);

/** What first takes metal away or moves it. */
export const FIRST_CUTS = [
  'opening cut',
  'final cut',
  'old out',
  'pull into line',
  'crack ends',
  'drill',
] as const satisfies readonly TaskWhat[];
/** What is done to the metal of a thing, from its first step to its last look. */
export const ON_THE_METAL = [
  'bright metal',
  'opening cut',
  'look inside',
  'final cut',
  'crack ends',
  'old out',
  'pull into line',
  'fit',
  'dry fit',
  'shaft in',
  'second plate',
  'drill',
] as const satisfies readonly TaskWhat[];
export const LAST_LOOKS = [
  'look at welds',
  'look at crack',
  'bolt up',
  'bond',
] as const satisfies readonly TaskWhat[];

/** The first thing done to the metal of a chain, and its last look. */
export const firstOf = (chain: readonly Task[]): Task | undefined => chain.find(are(...ON_THE_METAL));
export const lastOf = (chain: readonly Task[]): Task | undefined =>
  chain.findLast(are(...LAST_LOOKS, 'pull into line'));
