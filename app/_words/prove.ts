import type {
  Answered,
  Change,
  FlexPair,
  FlexSays,
  MayStand,
  MovedSays,
  OpenCode,
  OpenItem,
  ProofOf,
} from '@/core/prove';
import { memberOf, type Frame } from '@/core/frame';
import type { Retighten } from '@/core/join';
import type { Stage } from '@/core/order';
import type { ExpectedFelt } from '@/core/job';
import { printLength, type UnitSystem } from '@/core/quantity';
import { FELT_WORDS, feltFigure } from './demand';
import { RETIGHTEN_WORDS } from './bolts';
import { GATE_WORDS, STAGE_WORDS } from './order';
import { printStation } from './station';

export const OPEN_WORDS: Readonly<Record<OpenCode, string>> = {
  'off or untried': 'Off, not back, or not tried',
  'begun and not finished': 'Cut or tacked, and not finished',
  'seam not finished': 'Seam not whole, changed or with a defect',
  'seam not looked at': 'Seam not looked at, or no photo of it',
  'records unreadable': 'Records that cannot be read on the server',
  'landing not read': 'Laid on metal that nobody had read',
  'closed in': 'Closed in beneath plates',
  'bolts not tightened': 'Bolts not brought to their torque',
  'bolts not settled': 'Bolts not looked at again since they were tightened, or some had moved',
  'gate shut': 'Gate shut',
  'temporary not released': 'Temporary repair over its limit, or no load test released it',
  'proof failed': 'Tried, and did not hold',
  'out of true': 'Out of true as measured last',
  moved: 'Moved beyond its limit since before the repair',
  'not measured again': 'Not measured since the last weld',
  'complaint open': 'What the owner feels: not better, or not explained',
  'cause stays': 'Nobody says that its cause is gone',
  'nothing decided': 'Bad, and nothing is decided for it',
  'not judged': 'Not judged: too little was seen or read',
  'not begun': 'Decided, not begun',
  'stage open': 'Tasks open in a stage',
  'snag open': 'Snag of the walk-through',
  'no look booked': 'No later look is booked',
};

export const MAY_WORDS: Readonly<Record<MayStand, string>> = {
  nobody: 'must be done: nobody signs it away',
  'two names': 'done, or signed for by two names with a reason',
  'the owner': 'done, or left with the owner’s word',
};

const MADE_WORDS: Readonly<Partial<Record<NonNullable<OpenItem['is']>, string>>> = {
  repair: 'plates',
  crack: 'crack',
  renewal: 'renewed',
};

/** One open item as a line: what it is, and of what. */
export function itemWords(
  frame: Frame,
  { code, name, count, about, is, parts = [] }: OpenItem,
  system: UnitSystem,
): string {
  const counted = count === undefined ? '' : ` (${count} ${count === 1 ? 'task' : 'tasks'})`;
  if (code === 'stage open') return `${STAGE_WORDS[name as Stage]}${counted}`;
  if (code === 'gate shut' && typeof about === 'object' && 'gate' in about)
    return `${GATE_WORDS[about.gate]}: ${name}`;
  if (code === 'moved' && typeof about === 'object' && 'after' in about && 'limit' in about)
    return `${changeName(frame, about, system)}: ${changeWords(about, system)}`;
  if (code === 'proof failed' && typeof about === 'object' && 'note' in about)
    return `${about.note}: ${name}`;
  if (code === 'records unreadable') return `${parts.length}: ${name}${parts.length > 3 ? ' …' : ''}`;
  if (code === 'not measured again' && name === '') return 'nothing of its geometry ever was';
  if (typeof about === 'string')
    return `${name}: ${about in RETIGHTEN_WORDS ? RETIGHTEN_WORDS[about as Retighten] : about}`;
  const kind = is === undefined ? undefined : MADE_WORDS[is];
  return `${kind ? `${kind}, ` : ''}${name}${counted}`;
}

/** One open item in one line. */
export const openLine = (frame: Frame, item: OpenItem, system: UnitSystem): string =>
  [OPEN_WORDS[item.code], itemWords(frame, item, system)].filter((words) => words !== '').join(': ');

export const answerWords = ({ left, passed }: Answered): string =>
  left
    ? `left with ${left.owner}’s word (${left.how}): ${left.why}`
    : passed
      ? `signed for: ${passed.why}`
      : '';

export const MOVED_WORDS: Readonly<Record<MovedSays, string>> = {
  'as it was': 'as it was, within its limit',
  'can’t say': 'can’t say',
  moved: 'moved',
};

const figure = (value: number, { quantity }: Change, system: UnitSystem): string =>
  quantity === 'angle' ? `${value.toFixed(1)}°` : printLength(value, system, 'thickness');

/** What was measured twice, on what and where along it. */
export function changeName(frame: Frame, { name, atMm, memberId }: Change, system: UnitSystem): string {
  const member = memberId === undefined ? undefined : memberOf(frame, memberId);
  const station = (mm: number) =>
    member ? printStation(member, mm, system) : printLength(mm, system, 'length');
  const at = atMm?.map(station).join(' to ');
  return [member?.name, name, at && `at ${at}`].filter(Boolean).join(', ');
}

/** How far a thing moved, with its error and what it may. */
export const changeWords = (change: Change, system: UnitSystem): string =>
  `${signedFigure(change, system)} ± ${figure(change.plusMinus, change, system)} of ${figure(change.limit, change, system)}`;

/** More or less than before; what prints as nothing has no sign. */
function signedFigure(change: Change, system: UnitSystem): string {
  const size = figure(Math.abs(change.by), change, system);
  return Number.parseFloat(size) === 0 ? size : `${change.by > 0 ? '+' : '-'}${size}`;
}

export const changeFigure = figure;
export const NOT_SAID_WORDS = {
  'near its limit': 'too near its limit for the instrument',
  'stood differently': 'it stood differently the two times',
  'instrument out of date': 'what it was read with was checked over a year before',
} as const;

export const FLEX_WORDS: Readonly<Record<FlexSays, string>> = {
  'gives less': 'gives less',
  'can’t say': 'too little either time to be told',
  'gives as before': 'gives as before',
  'gives more': 'gives more',
  'not attributable': 'gives less, not attributable: something else was changed too',
  'measured once': 'measured once',
};

/** Before and after of one push, with the ratio's band. */
export function pairWords({ before, after, ratio }: FlexPair, system: UnitSystem): string {
  const read = (mm: number | undefined) => (mm === undefined ? '–' : printLength(mm, system, 'thickness'));
  const share = ratio
    ? `; ${Math.round(100 * ratio.is)} % of before (${Math.round(100 * ratio.low)} to ${Math.round(100 * ratio.high)})`
    : '';
  return `${read(before?.gaveMm)} before, ${read(after?.gaveMm)} after${share}`;
}

export const PROOF_WORDS: Readonly<Record<ProofOf, string>> = {
  'drain run through': 'Drains: water runs through',
  'wax or water at the seams': 'Wax or water stays in at the seams',
  'dry film': 'Coat, dry',
  'torqued again': 'Torqued again',
  'lock to lock': 'Steering lock to lock, nothing touches',
  'legs or doors run': 'Legs, doors, jacks run',
  'noise listened for': 'Noise listened for',
  'road test': 'Road test',
  'the cause is gone': 'The cause is gone',
};

/** What the frame model expects of one thing that one feels. */
export function expectedWords(
  { id, quantity, found, repaired, ratio, ratioAtLeast }: ExpectedFelt,
  system: UnitSystem,
): string {
  const [was, is] = [found, repaired].map((value) => feltFigure({ value, quantity }, system));
  const band =
    ratioAtLeast === undefined
      ? ''
      : ` (down to ${ratioAtLeast.toFixed(2)}, were all that is doubtful as found gone)`;
  return `${FELT_WORDS[id]}: ${was} as found, ${is} as specified${ratio === undefined ? '' : `, ${ratio.toFixed(2)} times`}${band}`;
}
