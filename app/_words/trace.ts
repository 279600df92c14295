import { memberOf, type Frame } from '@/core/frame';
import { findingWords } from './findings';
import { checkWords } from './geometry';
import { printStation } from './station';
import { FIND_PART_WORDS } from './walk';
import type { MayMove, MoveReason, ToAlign } from '@/core/job';
import { kmToMiles, printDistance, printLength, printSpeed, percent, type UnitSystem } from '@/core/quantity';
import type {
  AlignmentLack,
  Basis,
  CrackElsewhere,
  ElsewhereFlag,
  Limit,
  LoadState,
  LookFlag,
  Release,
  TimeLeft,
  WhyNoHole,
  WhyNot,
  MoveAnswer,
} from '@/core/trace';

/** Why nothing is foretold of a crack, and what would change that. */
export const WHY_NOT_WORDS: Readonly<Record<WhyNot, readonly [why: string, next: string]>> = {
  'one look': [
    'one look is no growth',
    'Look again after some distance, with dye, and note how far it went.',
  ],
  'no distance': [
    'nobody noted how far it went between the looks',
    'Give odometer or hours with each look, or the trips made in between.',
  ],
  'distance backwards': ['the odometer goes backwards between looks', 'Strike the look that is wrong.'],
  'no stress': [
    'what the road does here is not known',
    'Give the unit’s loads in Frame, or type the stress range here.',
  ],
  'past what is foretold': [
    'it is past six tenths of its face, where no model of it holds',
    'Not to be used: repair it.',
  ],
  'past the limit': ['it is past the length at which it may tear over a bump', 'Not to be used: repair it.'],
  'runs along': [
    'it runs along the member, and bending along it does not pull it open',
    'Watch its ends by looks.',
  ],
  'off the faces': ['its points lie off the member’s faces', 'Strike it and record it anew.'],
  'hole not known': [
    'it starts at a hole whose size is not on record, and a hole pulls three times as hard',
    'Give the hole in Frame, at its place.',
  ],
  'all round': ['it runs all round: the section is parted', 'Not to be used: repair it.'],
};

export const LIMIT_WORDS: Readonly<Record<Limit['why'], string>> = {
  'toughness over a bump': 'there it may tear over a bump',
  'the rest yields over a bump': 'there what is left yields over a bump',
  'past what is foretold': 'beyond that nothing is foretold',
};

export const LOOK_FLAG_WORDS: Readonly<Record<LookFlag, string>> = {
  'shorter than before': 'shorter than at a look before; kept as entered, the longest counts',
  'longer than the metal': 'longer than the metal it runs in; drawn to its edge',
  'odometer backwards': 'the odometer is lower than before; nothing is foretold with it',
  'before the crack': 'dated before the crack was first recorded',
  'gap closes': 'the gap closes under that load: this face is pressed by it',
};

export const NO_HOLE_WORDS: Readonly<Record<WhyNoHole, string>> = {
  'too big': 'no hole small enough for a rail would hold it: one cut-out round all of it, or a splice',
  'no drill': 'the hole it takes is larger than any drill here',
  'too near an edge': 'no room for it before the edge or fold: one cut-out, or plate past the fold',
  'too near a hole':
    'a hole or bolt is too near for a second one: renew the piece round both, or plate past it',
  'end not found': 'nobody found its end, and a hole anywhere else misses it: dye first',
  'not reached':
    'it runs on under something: that comes off first, or one cut-out round all of it, or a splice',
  'tips too close': 'another crack’s end is too near: one cut-out round both',
};

export const printUsed = (used: number, basis: Basis, system: UnitSystem): string =>
  basis === 'km' ? printDistance(used, system) : `${Math.round(used)} h`;

export const MOVE_WORDS: Readonly<Record<MoveAnswer, string>> = {
  'no reason recorded against it': 'No reason recorded against it',
  restricted: 'Restricted',
  'to the shop only': 'To the shop only',
  'do not move': 'Do not move it',
};

/** What is left of a temporary repair. */
export function timeLeftWords({ repair, leftKm, leftDays, isOver }: TimeLeft, system: UnitSystem): string {
  const slower =
    repair.slowerThanKmh === undefined ? '' : `, under ${printSpeed(repair.slowerThanKmh, system)}`;
  const days = leftDays === undefined ? '' : ` and ${leftDays} ${leftDays === 1 ? 'day' : 'days'}`;
  if (!isOver)
    return `${repair.form}: ${printDistance(leftKm, system)} of ${printDistance(repair.limitKm, system)} left${leftDays === undefined ? '' : days}${slower}`;
  return leftKm <= 0
    ? `${repair.form}: its ${printDistance(repair.limitKm, system)} are used up`
    : `${repair.form}: its last day was ${repair.until}`;
}

/** What the words of a reason need to know. */
export interface ToldOn {
  readonly frame: Frame;
  readonly system: UnitSystem;
}

/** How load tests left a temporary repair; nothing where one released it. */
export const RELEASE_WORDS: Readonly<Record<Release, string>> = {
  'not tested': 'no load test has released it yet',
  'not read': 'the load test did not read its member in every state: it releases nothing',
  moves: 'a load test since showed it moving: it does not hold',
  released: '',
};

export function moveReasonWords(reason: MoveReason, { frame, system }: ToldOn): string {
  const station = ({ memberId, stationMm }: { memberId: string; stationMm: number }) => {
    const member = memberOf(frame, memberId);
    return member ? printStation(member, stationMm, system) : '';
  };
  switch (reason.why) {
    case 'cracked': {
      const { held } = reason;
      const release = held && RELEASE_WORDS[held.release];
      const by = held ? `; held by a ${timeLeftWords(held, system)}${release && `, ${release}`}` : '';
      const grown = reason.hasGrownSince ? ' and has grown since it was held: that holds it no more' : '';
      return `${reason.name} is cracked at ${station(reason)}${grown}${by}`;
    }
    case 'parted':
      return `${reason.name} is parted at ${station(reason)} over ${percent(reason.share)} of its outline`;
    case 'past its limit':
      return `${reason.name}’s crack at ${station(reason)} is longer than what is foretold safe`;
    case 'judged':
      return `${reason.name}: ${findingWords(reason.finding, system).title}`;
    case 'out of true':
      return checkWords(reason.check, frame, system).title;
    case 'found bad': {
      const carries = reason.carries.length ? `; it carries ${reason.carries.join(', ')}` : '';
      return `${reason.name} ${reason.hasLetGo ? 'has let go' : 'was found bad'}: ${reason.found.join(', ')}${carries}`;
    }
    case 'temporary repair over':
      return `${reason.name}: ${timeLeftWords(reason.left, system)}`;
    default:
      return reason satisfies never;
  }
}

/** The answer in one line. */
export const moveLine = ({ answer, reasons }: MayMove): string =>
  reasons.length > 1 ? `${MOVE_WORDS[answer]}; ${reasons.length} reasons` : MOVE_WORDS[answer];

export const lengthWords = (mm: number, system: UnitSystem): string => printLength(mm, system, 'length');

/** Who stands where in a state, and what is let go first. */
export const STATE_CAUTION: Readonly<Record<LoadState, string>> = {
  'empty, on its wheels': 'Chocked, level, nobody beneath. Read from the side.',
  'loaded, on its wheels': 'Load tied down before anybody reads; nobody between load and wall.',
  'on its legs': 'Chocked on both sides, legs on boards; uncouple, then nobody steps over the coupling.',
  hitched:
    'Tow vehicle braked, engine off, key with whoever reads; nobody between the two while it backs up.',
  'on jacks': 'Only at places the lift gate answered, stands under it before anybody reads; nobody beneath.',
  'wheel turned left':
    'One at the wheel, engine off, one reading at the gear from outside; agree on a word to stop.',
  'wheel turned right':
    'One at the wheel, engine off, one reading at the gear from outside; agree on a word to stop.',
};
export const WIND_UP_WORDS =
  'Tyres hold a frame wound up: roll it a turn or jack each wheel free before the first reading.';

export const LACK_WORDS: Readonly<Record<AlignmentLack, string>> = {
  'not recorded': 'record how far it stands off its place',
  'out of line': 'pull it back into line',
  'diagonals differ': 'its diagonals differ: find what else moved',
  'not held': 'hold it there: clamp, chain or brace',
  'axle not held': 'hold the axle against turning before the last weld is cut',
};

/** One line for what must stand in its place before anything is welded. */
export const alignWords = ({ name, lacks }: ToAlign): string =>
  `Before anything is welded at ${name.toLowerCase()}: ${lacks.map((lack) => LACK_WORDS[lack]).join('; ')}`;

export const ELSEWHERE_FLAG_WORDS: Readonly<Record<ElsewhereFlag, string>> = {
  'shorter than before': 'shorter than at a look before; kept as entered, the longest counts',
  'odometer backwards': 'the odometer is lower than before; no pace is worked out with it',
  'before the first': 'dated before it was first recorded',
};

/** What growth is told by: a thousand miles, kilometres or hours, in the basis' unit. */
export function perUse(basis: Basis, system: UnitSystem): { readonly per: number; readonly words: string } {
  if (basis === 'hours') return { per: 1000, words: '1,000 h' };
  return system === 'in' ? { per: 1000 / kmToMiles(1), words: '1,000 mi' } : { per: 1000, words: '1,000 km' };
}

function paceWords(pace: number, basis: Basis, system: UnitSystem): string {
  const { per, words } = perUse(basis, system);
  return `${printLength(pace * per, system, 'thickness')} per ${words} since the look before`;
}

/** A crack that has a length and no path: how long, how much it grew, and how fast. */
export function elsewhereWords(
  { part, is, open, sinceLastMm, pace, basis }: CrackElsewhere,
  system: UnitSystem,
): string {
  const state = open.find.state;
  const long = state.is === 'gap' ? state.openMm : 'longMm' in state ? state.longMm : undefined;
  const grew = sinceLastMm !== undefined && sinceLastMm > 0;
  return [
    `${FIND_PART_WORDS[part]} ${is}${long === undefined ? '' : `, ${lengthWords(long, system)}`}`,
    ...(open.grownMm !== undefined ? [`grown by ${lengthWords(open.grownMm, system)}`] : []),
    ...(grew && pace !== undefined ? [paceWords(pace, basis, system)] : []),
    ...(sinceLastMm !== undefined && !grew ? ['no growth since the look before'] : []),
  ].join('; ');
}
