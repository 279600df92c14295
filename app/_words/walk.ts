import {
  kgToPounds,
  percent,
  printForce,
  printLength,
  printMass,
  significant,
  STANDARD_GRAVITY,
  type UnitSystem,
} from '@/core/quantity';
import type { Money } from '@/core/reference';
import type { BuyersLook, BuyersWhy } from '@/core/weigh';
import type {
  Explanation,
  FindPart,
  FindState,
  LiftReason,
  LiftWay,
  NotSeenWhy,
  SignDetail,
  SignKind,
  TapComparison,
  Tour,
} from '@/core/walk';
import type { Instead, LiftStep } from '@/core/weigh';
import type { HostOn, Member } from '@/core/frame';
import { printStation } from './station';

/** Words for what the Walk finds. Every code has its sentence; the types leave none out. */

const UNSEEN: Partial<Record<NotSeenWhy, string>> = {
  'by eye only': 'seen from outside only',
  'only told': 'told, not looked at',
  'inside, no way in': 'no way in',
  'leave refused': 'owner’s leave refused',
};
export const unseenWords = (why: NotSeenWhy): string => UNSEEN[why] ?? why;

export const TOUR_WORDS: Readonly<Record<Tour, string>> = {
  round: 'Round it',
  beneath: 'Beneath',
  inside: 'Inside',
};

export const SIGN_WORDS: Readonly<Record<SignKind, string>> = {
  struck: 'Hammer, pick or ring',
  layers: 'Layers counted',
  'old repair': 'Old repair',
  coating: 'Coating',
  debris: 'Debris inside',
  'light through': 'Light through',
  delamination: 'Delamination',
  dent: 'Dent',
  hole: 'Hole',
  fastener: 'Fastener',
  'maker’s weld': 'Maker’s weld',
  'welded solid': 'Joint welded solid',
  'not a crack': 'Not a crack',
  'holds it together': 'Bracket that holds it together',
  access: 'Must come off first',
  opened: 'Opened: metal beneath seen',
  'out of shape': 'Bent, twisted, folded, torn',
  'put right': 'Put right and looked at',
};

export const HOST_WORDS: Readonly<Record<HostOn, string>> = {
  fitting: 'bracket or mount',
  joint: 'joint',
  panel: 'panel',
  pocket: 'closed space',
};
export const FIND_PART_WORDS: Readonly<Record<FindPart, string>> = {
  plate: 'plate',
  weld: 'weld',
  hole: 'hole or eye',
  pin: 'pin',
  bush: 'bush',
  fasteners: 'bolts or rivets',
  bond: 'glue or sealer',
  sheet: 'sheet',
  inside: 'inside',
  drain: 'drain',
};
/** A find in a few words, with its measure. */
export function findStateWords(state: FindState, system: UnitSystem, grownMm?: number): string {
  const length = (mm: number) => printLength(mm, system, 'thickness');
  const grown = grownMm === undefined ? '' : `, ${length(grownMm)} more than first noted`;
  switch (state.is) {
    case 'cracked':
    case 'torn':
      return `${state.is}${state.longMm === undefined ? '' : ` ${length(state.longMm)}`}${grown}`;
    case 'rusted through':
      return state.acrossMm === undefined ? state.is : `${state.is}, ${length(state.acrossMm)} across`;
    case 'thin':
    case 'worn':
      return `${state.is}: ${length(state.foundMm)} of ${length(state.madeMm)} made`;
    case 'bent':
      return `bent ${length(state.offMm)} off its line`;
    case 'gap':
      return `gapes ${length(state.openMm)}${grown}`;
    case 'packed':
      return `packed with ${state.wet ? 'wet' : 'dry'} dirt`;
    case 'loose':
      return state.count === undefined ? 'loose' : `loose, ${state.count} of them`;
    case 'put right':
      return state.done;
    case 'sound':
      return `nothing wrong by ${state.ways.join(', ')}`;
    case 'broken':
    case 'missing':
    case 'blocked':
      return state.is;
    default:
      return state satisfies never;
  }
}

/** A sign in one line. */
export function signWords(detail: SignDetail, system: UnitSystem): string {
  const long = (mm: number) => printLength(mm, system, 'length');
  switch (detail.sign) {
    case 'struck':
      return `${detail.tool}: ${detail.answer}`;
    case 'layers':
      return `${detail.counted} layers, ${detail.expected} made${detail.pickDeepMm ? `, pick goes ${long(detail.pickDeepMm)} deep` : ''}`;
    case 'old repair':
      return detail.cover;
    case 'coating':
      return detail.coat;
    case 'debris':
      return `${percent(detail.full)} full, ${detail.wet}${detail.outKg !== undefined ? `, ${printMass(detail.outKg, system)} out` : ''}${detail.waterLineMm !== undefined ? `, high-water line ${long(detail.waterLineMm)} up` : ''}`;
    case 'light through':
      return detail.shows;
    case 'delamination':
      return detail.deepMm ? `layers part, ${long(detail.deepMm)} deep` : 'layers part';
    case 'dent':
      return `${long(detail.deepMm)} deep, ${long(detail.acrossMm)} across`;
    case 'hole':
      return `${long(detail.acrossMm)}${detail.longMm !== undefined && detail.longMm > detail.acrossMm ? ` by ${long(detail.longMm)}, oval` : ', round'}${detail.expectedMm !== undefined ? `, made ${long(detail.expectedMm)}` : ', none was made here'}${detail.fromFlangeMm !== undefined ? `, ${long(detail.fromFlangeMm)} from the flange` : ''}`;
    case 'fastener':
      return `${detail.is} ${detail.state}${detail.sizeMm !== undefined ? `, ${long(detail.sizeMm)}` : ''}${detail.marks !== undefined ? `, ${detail.marks} head marks` : ''}${detail.clamps ? `; clamps ${detail.clamps}` : ''}`;
    case 'maker’s weld':
      return `${detail.state}${detail.longMm !== undefined ? `, ${long(detail.longMm)}` : ''}${detail.expectedMm !== undefined ? ` of ${long(detail.expectedMm)}` : ''}`;
    case 'welded solid':
      return `${detail.joint}, meant to move`;
    case 'not a crack':
      return `looked cracked, was ${detail.was}`;
    case 'holds it together':
      return `${detail.part}: do not remove yet`;
    case 'access':
      return `${detail.off}, to ${detail.to}`;
    case 'opened':
      return detail.how;
    case 'out of shape':
      return `${detail.is}, ${long(detail.offMm)} off its line`;
    case 'put right':
      return `${detail.done}: what was found here before no longer stands`;
    default:
      return detail satisfies never;
  }
}

export const LIFT_WAY_WORDS: Readonly<Record<LiftWay, string>> = {
  'two-post pads': 'two-post lift, pads',
  'four-post': 'four-post lift, on its wheels',
  jack: 'jack',
  stands: 'stands',
  cribbing: 'cribbing',
  'by the axles': 'by the axles',
  'on its legs': 'on its legs',
  hitched: 'hitched',
};

/** A support's name as the model has it, in words. */
const supportName = (name: string | undefined): string =>
  (name ?? 'a support').replace(/^tyre mark-\S+ /, 'wheel, ').replace(/^tyre /, 'wheel ');

const LIFT_SAYS: Readonly<Record<LiftReason['code'], (reason: LiftReason, system: UnitSystem) => string>> = {
  'nothing there': () => 'no rail or sill over this point',
  'through near': (r, s) => `rusted through ${at(r, s)}, within reach of the point`,
  'failed near': (r, s) =>
    `failed metal ${at(r, s)}${r.name ? ` (${r.name})` : ''}, within reach of the point`,
  'crack near': (r, s) => `crack ${at(r, s)}, within reach of the point`,
  'thin near': (r, s) =>
    `${percent(r.value!)} of the wall left ${at(r, s)}; under ${percent(r.limit!)} is no place to lift by`,
  'crack on what it loads': (r, s) => `a crack ${at(r, s)} is on what this lift loads`,
  'demand over': (r, s) =>
    `would use ${percent(r.value!)} of what it may carry ${at(r, s)}, on the section found there`,
  'carries nothing': (r, s) => `what is left ${at(r, s)} would not hold this: it counts as parted`,
  'fitting failed': (r, s) => `${r.name} ${at(r, s)}: it may let go when weight comes on or off it`,
  'decided by': (r, s) =>
    r.name
      ? `this decides, ${at(r, s)}: ${r.name}; without that metal it would not carry`
      : `nothing is on record ${at(r, s)}; without that metal it would not carry`,
  'doubtful under': (r, s) => `doubtful metal ${at(r, s)} (${r.name}), within reach of the point`,
  'stands without': (r, s) =>
    `with all doubtful, hidden and unseen metal taken away it still carries: ${percent(r.value!)} ${at(r, s)}`,
  'gone on what it loads': (r, s) => `gone metal ${at(r, s)} (${r.name}) is counted as gone`,
  'web crushes': (r, s) =>
    `the web may crush: ${printForce(r.value!, s)} on it, ${printForce(r.limit!, s)} is what it takes`,
  'rating over': (r, s) => `${load(r.value!, s)} on it, rated ${load(r.limit!, s)}`,
  'hoist over': (r, s) => `${load(r.value!, s)} in all, the hoist is rated ${load(r.limit!, s)}`,
  tips: (r) => `${r.pointId ? 'this point' : supportName(r.name)} would be pulled up: it tips`,
  slides: (r) => `pushed sideways by ${percent(r.value!)} of its load: it may slide`,
  'no points': () => 'no point was chosen',
  'unseen under': (r, s) => `nobody has looked at the metal ${at(r, s)}`,
  'hidden under': (r, s) => `${r.name} hides the metal ${at(r, s)}`,
  'holds together': (r, s) => `a bracket ${at(r, s)} holds the piece together`,
  'unseen critical': (r) => `not seen: ${r.name}`,
  'not measured, near its limit': (r, s) =>
    `would use ${percent(r.value!)} of what it may carry ${at(r, s)} if it were as made; nobody measured it`,
  'records unreadable': ({ value = 1 }) =>
    `${value === 1 ? 'one record' : `${value} records`} of this job cannot be read on the server: the metal may be worse than it says here`,
  'measures unknown': () =>
    'the frame’s measures are its family’s usual ones: take them from this unit, in Frame',
  'loads unknown': () => 'what stands on the frame is not recorded: list its loads in Frame',
  'not computed': (r) => `the frame model has no answer: ${r.name}`,
  notice: (r) => `a standing notice speaks of lifting: ${r.name}`,
  'no rating': (r, s) =>
    `no rating typed in${r.name ? ` for ${r.name}` : ''}${r.value !== undefined ? `; up to ${load(r.value, s)} on one` : ''}`,
  'stays as it stands': () => 'the frame is held as it stood when it came in',
  'slope counted': (r) => `ground slope of ${significant(r.value!, 2)}° is counted`,
  'demand within': (r, s) =>
    `the most loaded place uses ${percent(r.value!)} of what it may carry ${at(r, s)}`,
  'seen under': (r, s) => `read ${at(r, s)}`,
  'nothing read under': (r, s) => `looked at or struck ${at(r, s)}, not read`,
};
/** Said of a member its station is the member's own; said of a point, the frame's. */
const at = ({ stationMm, member }: PlacedReason, system: UnitSystem): string =>
  stationMm === undefined
    ? 'there'
    : `at ${member ? printStation(member, stationMm, system) : printLength(stationMm, system, 'length')}`;
/** A reason with the member it speaks of. */
export type PlacedReason = LiftReason & { readonly member?: Member | undefined };
const load = (forceN: number, system: UnitSystem): string => printMass(forceN / STANDARD_GRAVITY, system);
export const liftReasonWords = (reason: PlacedReason, system: UnitSystem): string =>
  LIFT_SAYS[reason.code](reason, system);

export const INSTEAD_WORDS: Readonly<Record<Instead, string>> = {
  'more points': 'share it over more stands',
  'by the axles': 'lift by the axles, where they carry it already',
  'cribbing under hangers': 'cribbing under the hangers, wide enough to spread it',
  'on tracks or ramps': 'tracks or ramps, on its wheels',
  'unload first': 'unload it first',
  'level ground first': 'level ground first',
  'see first': 'look at what is not seen, first',
};

export function stepWords(step: LiftStep, system: UnitSystem): string {
  switch (step.does) {
    case 'unload':
      return 'Take off what is listed as taken off.';
    case 'chock':
      return `Chock the wheels that stay down, both ways: ${step.wheels.join(', ')}.`;
    case 'raise':
      return step.points.length === 0
        ? 'Raise it a hand’s breadth, stop, walk round it once.'
        : `Raise ${step.axle ? `${step.axle.toLowerCase()}${step.massKg ? ` (${printMass(step.massKg, system)})` : ''} ` : ''}at ${step.points.join(' and ')}, both sides evenly, a little at a time.`;
    case 'stand':
      return `Stand beside the jack at ${step.points.join(' and ') || 'the point'} before anything else.`;
    case 'spring':
      return `A second support under each spring of ${step.axle.toLowerCase()}.`;
    case 'pin':
      return `A pin that turns by hand is unloaded; until then leave the pins of ${step.axle.toLowerCase()}.`;
    case 'look again':
      return step.members.length
        ? `Stop a hand’s breadth up and look again along ${step.members
            .slice(0, 4)
            .map((name) => name.toLowerCase())
            .join(', ')}.`
        : 'Stop a hand’s breadth up and look again.';
    default:
      return step satisfies never;
  }
}

export const EXPLANATION_WORDS: Readonly<Record<Explanation['standing'], string>> = {
  'accounted for': 'What is recorded accounts for it',
  'moves so as made': 'The frame moves so much as it was made',
  'unexplained, keep looking': 'Unexplained: keep looking',
  'a break on its path': 'Something on its path is found broken',
  'damage there, not computed':
    'Damage is recorded there; whether it is enough is not computed: keep looking',
  'nothing found there yet': 'Nothing found there yet: keep looking',
};

export const tapWords = (comparison: TapComparison): string => {
  const { ringRatio, toneRatio } = comparison;
  const note =
    toneRatio === undefined || Math.abs(toneRatio - 1) < 0.08
      ? ''
      : toneRatio > 1
        ? '; a higher note, as where something is welded on'
        : '; a lower note, as of thinner metal or filler';
  switch (comparison.why) {
    case 'too few taps':
      return 'three taps on each at least';
    case 'good spot scatters':
      return 'the taps on the good spot differ too much among themselves';
    case 'doubtful spot scatters':
      return 'the taps on the doubtful spot differ too much among themselves';
    default:
      return ringRatio === undefined ? '' : `rings ${percent(ringRatio)} as long${note}`;
  }
};

const BUYERS: Readonly<Record<BuyersLook['answer'], string>> = {
  'walk away': 'Walk away',
  'do not decide yet': 'Do not decide yet: too little is known',
  'only with its price taken off': 'Only with what it costs taken off the price',
  'no reason recorded against it': 'No reason recorded against it',
};
const MEMBERS_NAMED = 4;
function buyersWhy(why: BuyersWhy): string {
  switch (why.code) {
    case 'nothing to land on':
      return `${why.names.join(', ').toLowerCase()}: nothing sound to land a repair on`;
    case 'cracked and bad':
      return `cracks in ${why.cracked} members and ${why.bad} members to put right`;
    case 'critical unseen':
      return `${why.unseen} of ${why.critical} critical spots were not seen`;
    case 'to put right': {
      const named = why.names.slice(0, MEMBERS_NAMED).join(', ').toLowerCase();
      return `${why.names.length} to put right: ${named}`;
    }
    case 'undecided': {
      const named = why.names.slice(0, MEMBERS_NAMED).join(', ').toLowerCase();
      return `doubtful or hidden metal that decides, not looked into yet: ${named}`;
    }
    case 'out of true':
      return `Measured out of straight or square: ${why.names.join(', ')}`;
    case 'claim not borne out':
      return `claimed and not borne out: ${why.words}`;
    default:
      return why satisfies never;
  }
}

export const buyersWords = {
  answer: (look: BuyersLook): string => BUYERS[look.answer],
  why: buyersWhy,
  cost: (look: BuyersLook, rate: Money): string => {
    const money = (value: number) =>
      `${rate.currency}${Number(significant(value, 2)).toLocaleString('en-US')}`;
    if (look.hours[1] === 0)
      return look.whys.some(({ code }) => code === 'undecided')
        ? 'What it costs cannot be said before the doubtful metal is looked into.'
        : 'Nothing to put right is recorded.';
    return `Roughly ${significant(Math.max(look.hours[0], 0), 2)} to ${significant(look.hours[1], 2)} h, ${money(look.money[0])} to ${money(look.money[1])} at ${rate.currency}${rate.ratePerHour} an hour${look.hoursUnseen > 0 ? `; up to ${significant(look.hoursUnseen, 2)} h of it for what was not seen` : ''}. A rough range, not an offer.`;
  },
  hint: 'What was not seen is not fine. This is what the record shows on the day; it is no roadworthiness test and no promise.',
};

/** Pounds or kilograms as typed, for what a jack or stand is rated. */
export const ratingDigits = (forceN: number, system: UnitSystem): string =>
  significant(system === 'in' ? kgToPounds(forceN / STANDARD_GRAVITY) : forceN / STANDARD_GRAVITY, 3);
