/** The stages a job goes through, in the order that most of it is done in. */
export const PHASES = [
  'measure',
  'strip',
  'support',
  'align',
  'open',
  'make',
  'fit',
  'weld',
  'look',
  'coat',
  'refit',
  'prove',
] as const;
export type Phase = (typeof PHASES)[number];

/** What is done, each with its stage. */
export const TASK_PHASES = {
  wheelbase: 'measure',
  diagonals: 'measure',
  'ride height': 'measure',
  'laser marks': 'measure',
  'part places': 'measure',
  'bolt lengths': 'measure',
  'steering flex': 'measure',
  'photos before': 'measure',
  'battery off': 'strip',
  'take off load': 'strip',
  'take off': 'strip',
  clear: 'strip',
  'set stands': 'support',
  'pull into line': 'align',
  'bright metal': 'open',
  'opening cut': 'open',
  'look inside': 'open',
  'final cut': 'open',
  'crack ends': 'open',
  'old out': 'open',
  'make plate': 'make',
  'make parts': 'make',
  fit: 'fit',
  'dry fit': 'fit',
  tack: 'fit',
  'shaft in': 'fit',
  'second plate': 'fit',
  'legs plumb': 'fit',
  drill: 'fit',
  weld: 'weld',
  'crack weld': 'weld',
  bond: 'weld',
  refix: 'weld',
  'bolt up': 'weld',
  'look at welds': 'look',
  'look at crack': 'look',
  'inside coat': 'coat',
  'outside coat': 'coat',
  'stands out': 'refit',
  'put back': 'refit',
  'put back load': 'refit',
  test: 'refit',
  'battery on': 'refit',
  'refit for transit': 'refit',
  'move it': 'refit',
  'strip again': 'strip',
  'measure again': 'prove',
  'flex again': 'prove',
  'photos after': 'prove',
  drive: 'prove',
  'torque again': 'prove',
  extra: 'open',
  own: 'open',
} as const satisfies Readonly<Record<string, Phase>>;
export type TaskWhat = keyof typeof TASK_PHASES;

/** What a refit is tried by. */
export const TESTS = ['leak', 'light', 'function'] as const;
export type Test = (typeof TESTS)[number];

/** What a task belongs to: tasks of one thing follow each other in their own order. */
export interface TaskOf {
  readonly is: 'unit' | 'repair' | 'work' | 'crack' | 'renewal' | 'part' | 'member' | 'extra' | 'own';
  readonly id: string;
  readonly name: string;
}

/** A piece of work with its place, its hours as a range, and what it needs. Made from the records, never typed. */
export interface Task {
  /** The same for as long as what it is made from is: what was done of it hangs on this. */
  readonly id: string;
  readonly what: TaskWhat;
  readonly of: TaskOf;
  /** The stretch of the unit that is stripped and opened as one; absent where it is of the whole unit. */
  readonly zoneId?: string;
  /** The member it is done at and the member's own station, mm: where the Strip opens. */
  readonly memberId?: string;
  readonly stationMm?: number;
  /** Hours of work, least and most, all hands together. */
  readonly hours: readonly [least: number, most: number];
  /** How often something seizes or breaks, and what that adds, hours. */
  readonly tail?: { readonly chance: number; readonly hours: readonly [number, number] };
  readonly hands: 1 | 2;
  /** An arc is struck: welders only, under a permit. */
  readonly isHot?: true;
  /** Whoever welds. */
  readonly needsWelder?: true;
  /** Clock hours that pass after it before anything that waits for it begins: cooling, curing. */
  readonly thenWaitH?: number;
  /** Done at the bench, wherever the unit stands. */
  readonly atBench?: true;
  /** It hides something: nothing of it before look and photo exist. */
  readonly covers?: true;
  readonly test?: Test;
  /** What usually breaks when it comes off. */
  readonly breaks?: true;
  /** Fuel or gas is in it: out of the building, not only off. */
  readonly isFuel?: true;
  /** An axle is not located from here until its twin task. */
  readonly axleOut?: true;
  /** When what it is made from was last changed: done before that, it was done of something else. */
  readonly changedAt?: string;
  /** What it waits for that is bought. */
  readonly partKey?: string;
}

/** Tasks that take metal away or let a part of it go: from the first of them on it is finished, or it hangs. */
export const CUTS_METAL: ReadonlySet<TaskWhat> = new Set<TaskWhat>([
  'opening cut',
  'final cut',
  'old out',
  'crack ends',
  'drill',
]);
/** Tasks that join something to the frame. */
export const LAYS_METAL: ReadonlySet<TaskWhat> = new Set<TaskWhat>([
  'tack',
  'second plate',
  'weld',
  'crack weld',
  'bond',
  'refix',
  'bolt up',
]);

export const taskId = (what: TaskWhat, ofId: string): string => `${what} ${ofId}`.slice(0, 120);
export const phaseOf = ({ what }: Pick<Task, 'what'>): Phase => TASK_PHASES[what];

/** Stages that are gone through with the whole unit, in their order; what is done to the metal is done thing by thing, zone by zone. */
export const STAGES = ['measure', 'strip', 'support', 'metal', 'coat', 'refit', 'prove'] as const;
export type Stage = (typeof STAGES)[number];
const ON_METAL: ReadonlySet<Phase> = new Set<Phase>(['align', 'open', 'make', 'fit', 'weld', 'look']);
export function stageOf(task: Pick<Task, 'what'>): Stage {
  const phase = phaseOf(task);
  return ON_METAL.has(phase) ? 'metal' : (phase as Stage);
}
