import { memberOf, type Frame } from '@/core/frame';
import type {
  GateId,
  Lack,
  PermitCheck,
  Phase,
  ReasonCode,
  Stage,
  Task,
  TaskWhat,
  Test,
  Trouble,
  TaskState,
} from '@/core/order';
import { printLength, printTemperature, printTemperatureDifference, type UnitSystem } from '@/core/quantity';
import { geometryFigure } from './geometry';

const low = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

/** A task as it is read out. */
export const taskWords = (task: Task): string => TASK_WORDS[task.what](low(task.of.name), task);

const TASK_WORDS: Readonly<Record<TaskWhat, (name: string, task: Task) => string>> = {
  wheelbase: () => 'Measure the wheelbase, left and right',
  diagonals: () => 'Measure the diagonals',
  'ride height': () => 'Ride height at four corners, as it came',
  'laser marks': (name) => `Laser or string along ${name}: three marks or more`,
  'part places': (_, { zoneId }) => `Places of what comes off, from the datum: zone ${zoneId}`,
  'bolt lengths': (name) => `Thread start and free bolt length: ${name}`,
  'steering flex': () => 'Steering gear against the rail: same push, both ways',
  'photos before': (_, { zoneId }) => `Photos before, zone ${zoneId}: from a place that can be found again`,
  'battery off': () => 'Battery off',
  'battery on': () => 'Battery on, lights tried',
  'take off load': (name) => `Take off ${name}`,
  'put back load': (name) => `Put back ${name}`,
  'take off': (name) => `Take off ${name}`,
  clear: (_, { zoneId }) => `Clear zone ${zoneId}: shields, dirt, what is on no list`,
  'set stands': () => 'Set stands where the plan has them, then let it down on them',
  'stands out': () => 'Stands out: back on its wheels',
  'pull into line': (name) => `Pull into line and hold: ${name}`,
  'bright metal': (name) => `Bright metal round the seams, coatings off 4 in: ${name}`,
  'opening cut': (name) => `Opening cut: ${name}`,
  'look inside': (name) => `Look inside ${name}, mark the final cut`,
  'final cut': (name) => `Final cut, in good metal: ${name}`,
  'crack ends': (name) => `Find both ends, drill, grind the crack out: ${name}`,
  'old out': (name) => `Old one out: ${name}`,
  'make plate': (name) => `Make the plates for ${name}`,
  'make parts': (name) => `Make the parts for ${name}`,
  fit: (name) => `Fit: ${name}`,
  'dry fit': (name) => `Dry fit, bolts in by hand: ${name}`,
  tack: (name) => `Tack: ${name}`,
  'shaft in': (name) => `Cross shaft in: ${name}`,
  'second plate': (name) => `Second plate on: ${name}`,
  'legs plumb': (name) => `Both legs plumb and equal: ${name}`,
  drill: (name) => `Drill through plate and wall: ${name}`,
  weld: (name) => `Weld by its order of runs: ${name}`,
  'crack weld': (name) => `Weld the crack: ${name}`,
  bond: (name) => `Bond and screw: ${name}`,
  refix: (name, { isHot }) =>
    isHot ? `Weld back: ${name}` : `Back in its place before the other side: ${name}`,
  'bolt up': (name) => `Bolt up, to torque: ${name}`,
  'look at welds': (name) => `Look at every seam, photos: ${name}`,
  'look at crack': (name) => `Dye and look at the crack’s weld: ${name}`,
  'inside coat': (name) => `Coat inside: ${name}`,
  'outside coat': (_, { zoneId }) => `Coat outside, zone ${zoneId}`,
  'put back': (name) => `Put back ${name}`,
  test: (name, { test }) => `Try ${name}: ${test ? TEST_WORDS[test] : 'works'}`,
  'refit for transit': () => 'Refit for the way: lights, brakes, what rolls',
  'move it': () => 'Move it',
  'strip again': () => 'Strip again where it stands now',
  'measure again': () => 'Measure again: the same places as before',
  'flex again': () => 'Steering gear against the rail again: the same push',
  'photos after': () => 'Photos after, from the same places',
  drive: () => 'Drive it',
  'torque again': () => 'Torque again after the first miles',
  extra: (name) => `Granted since: ${name}`,
  own: (name) => name.charAt(0).toUpperCase() + name.slice(1),
};

export const TEST_WORDS: Readonly<Record<Test, string>> = {
  leak: 'no leak',
  light: 'every light',
  function: 'does what it should',
};

export const PHASE_WORDS: Readonly<Record<Phase, string>> = {
  measure: 'Before the first cut',
  strip: 'Off it comes',
  support: 'On stands',
  align: 'Into line',
  open: 'Opened',
  make: 'At the bench',
  fit: 'Fitted and tacked',
  weld: 'Joined',
  look: 'Looked at',
  coat: 'Coated',
  refit: 'Back on, tried',
  prove: 'Proved',
};

export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  measure: 'Before the first cut',
  strip: 'Off it comes',
  support: 'On stands',
  metal: 'On the metal',
  coat: 'Coated',
  refit: 'Back on, tried',
  prove: 'Proved',
};

export const STATE_WORDS: Readonly<Record<TaskState, string>> = {
  open: 'open',
  started: 'begun',
  done: 'done',
  'not needed': 'not needed',
};

/** Why one comes before the other, said of the earlier one. */
export const REASON_WORDS: Readonly<Record<ReasonCode, string>> = {
  'own steps': 'the step before it',
  'made before it is fitted': 'made before it is fitted',
  'measured before the cut': 'once cut, nobody can measure what it was',
  'reached first': 'in the way until it is off',
  'lighter on its stands': 'the stands were reckoned without it',
  'stands before the cut': 'held on both sides before it is cut',
  'stands until it is cool': 'on its stands until the last seam is looked at',
  'in line before it is welded': 'pulled into line before anything is welded or cut in',
  'crack before its plate': 'the crack is shut before a plate hides it',
  'worst side first': 'one side at a time: the better twin holds meanwhile',
  'axle held by its twin': 'what locates the axle stays until its twin is done',
  'springs before the rail': 'springs are out: their seats before the rail is opened',
  'middle cap first': 'the middle cap first, the others build off it',
  'shaft before the second plate': 'the shaft goes in before the second plate closes',
  'both legs plumb': 'both legs stand plumb and equal before either is welded',
  'plates before the tube': 'the new tube lands on the plated wall; the old one keeps the rails apart',
  'in before it closes': 'goes in before the last plate closes over it',
  'battery off before the arc': 'no arc with the battery on',
  'fuel out before the arc': 'fuel is out of the building before any spark',
  'coat inside when cool': 'coated inside once it is welded and cool',
  'looked at before it is hidden': 'seen and photographed before anything hides it',
  'cured before refit': 'the coat is hard before anything lies on it',
  'stays open until it is tried': 'nothing leaves untried',
  'refit for the way': 'it has to roll in between',
  'found while open': 'done while it is open',
  'proved last': 'proved as it leaves',
};

export const GATE_WORDS: Readonly<Record<GateId, string>> = {
  raise: 'May it be raised',
  'hot work': 'Hot work',
  geometry: 'Geometry locked at the tack',
  cool: 'Cool',
  look: 'Looked at before it is hidden',
  coat: 'Coat now, or wait',
  cure: 'Cured',
  owner: 'The owner’s yes',
};
/** Who opens a gate. */
export const GATE_OPENERS: Readonly<Record<GateId, string>> = {
  raise: 'whoever asks the lift gate in Walk',
  'hot work': 'who gives the permit, with a helper who is not the welder',
  geometry: 'who measures it again; past it only two signatures',
  cool: 'the clock, or a thermometer',
  look: 'who looks at the seams in Join, Log, with photos',
  coat: 'who measures air and steel; past it only two signatures',
  cure: 'the clock; past it only two signatures',
  owner: 'the owner',
};

export const CHECK_WORDS: Readonly<Record<PermitCheck, string>> = {
  'tank out': 'Fuel tank and gas bottles off the unit',
  'tank outside': '… and out of the building',
  'lines capped': 'Fuel lines capped',
  'brake lines': 'Brake lines moved or shielded',
  'hydraulic lines': 'Hydraulic lines moved: hot oil under pressure burns',
  'air lines': 'Air lines and bags moved or shielded, let down',
  harness: 'Harness moved or shielded',
  'coatings off': 'Paint, undercoat and wax off 4 in round every seam',
  'trim and foam': 'Trim, carpet, foam and sealer behind the metal out or soaked',
  timber: 'Timber behind the metal shielded, wetted',
  cavity: 'Cavity looked into: no oil, wax, fresh paint, nests',
  zinc: 'Zinc off 2 in, or its fume drawn away',
  battery: 'Battery off',
  extinguisher: 'Extinguisher in reach, looked at',
  ventilation: 'Air moves: fume goes out, not past a face',
  helper: 'A helper watches the other side',
  draught: 'No wind over 5 mph (8 km/h) at the arc, or screened',
};

const hours = (value: number): string =>
  value < 1 ? `${Math.max(1, Math.round(value * 60))} min` : `${Math.round(value * 10) / 10} h`;

export function lackWords(lack: Lack, system: UnitSystem): string {
  const { code, name = '', value = 0, limit = 0, quantity = 'length', check } = lack;
  switch (code) {
    case 'lift not asked':
      return 'nobody has asked whether it may be raised: Walk, Lift';
    case 'lift asked before':
      return 'asked before what is known now: ask again, Walk, Lift';
    case 'lift not here':
      return `the answer was “${name}”`;
    case 'cut open':
      return `it is cut open: ${low(name)}`;
    case 'no permit':
      return 'no permit is given';
    case 'permit over':
      return 'the last permit is over';
    case 'permit withdrawn':
      return 'the permit was withdrawn';
    case 'check open':
      return `not looked at: ${check ? CHECK_WORDS[check].toLowerCase() : ''}`;
    case 'seams changed':
      return 'the seams were changed after the permit was given: look again, give another';
    case 'watch too short':
      return `watched ${value} min after, this profile asks for ${limit}`;
    case 'fuel not off':
      return `${low(name)} is not recorded as off`;
    case 'fuel not outside':
      return `${low(name)} is not recorded as out of the building`;
    case 'no measure since tack':
      return 'not tacked, or not measured since: Weigh, Straight and square';
    case 'no measure before':
      return 'what was measured since was not measured before the first cut: the same places wanted, the unit standing the same';
    case 'moved since before':
      return `${name} moved ${geometryFigure(value, quantity, system)}, at most ${geometryFigure(limit, quantity, system)}`;
    case 'still warm':
      return `cools for another ${hours(value)}`;
    case 'too hot':
      return `${printTemperature(value, system)} on the wall, at most ${printTemperature(limit, system)}`;
    case 'seam not looked at':
      return `${low(name)}: ${value > 0 ? `${value} ${value === 1 ? 'seam' : 'seams'} not looked at` : 'not looked at'}`;
    case 'no photo':
      return `${low(name)}: no photo of its seams`;
    case 'air not measured':
      return 'air and steel not measured within four hours';
    case 'near dew point':
      return `steel only ${printTemperatureDifference(value, system)} above the dew point, wants ${printTemperatureDifference(limit, system)}: wait, or warm it`;
    case 'too damp':
      return `air at ${Math.round(value * 100)} %, at most ${Math.round(limit * 100)} %: wait`;
    case 'too cold':
      return `steel at ${printTemperature(value, system)}, at least ${printTemperature(limit, system)}: wait, or warm it`;
    case 'not cured':
      return value < limit ? `hard in about ${hours(value)}; the maker’s sheet decides` : 'not coated yet';
    case 'found, not answered':
      return `${value} found bad since it was opened: say what it changes, under More found`;
    case 'owner not asked':
      return `the owner has not answered: ${name}`;
    default:
      return code satisfies never;
  }
}

export function troubleWords(trouble: Trouble, frame: Frame, system: UnitSystem): string {
  const nameOf = (id: string) => low(memberOf(frame, id)?.name ?? id);
  switch (trouble.is) {
    case 'circle':
      return `Goes round in a circle, because of: ${[
        ...new Set(trouble.circle.edges.map(({ why }) => REASON_WORDS[why])),
      ].join('; ')}. Somebody has to decide which gives way`;
    case 'no stands':
      return 'Nobody has said where the stands are: nothing is opened before. Frame, Stands';
    case 'no stand ahead':
      return `No stand ahead of the cut in ${nameOf(trouble.memberId)}. Frame, Stands`;
    case 'no stand behind':
      return `No stand behind the cut in ${nameOf(trouble.memberId)}. Frame, Stands`;
    case 'stand under the cut':
      return `A stand at ${printLength(trouble.atMm, system, 'length')} bears on the metal that is cut out of ${nameOf(trouble.memberId)}. Frame, Stands`;
    case 'rules broken':
      return `${low(trouble.name)}: ${trouble.count} ${trouble.count === 1 ? 'rule is' : 'rules are'} broken, it is not to be made like this. Shape`;
    case 'held together':
      return `${trouble.what.part} holds ${low(trouble.what.name)} together at ${printLength(trouble.what.stationMm, system, 'length')}: not off before both sides of it are held`;
    case 'nothing planned':
      return trouble.what.is === 'member'
        ? `${trouble.what.name} asks for ${trouble.what.asks}, and nothing is decided: take a proposal over in Shape, or the owner leaves it`
        : `${trouble.what.name}: ${trouble.what.asks}, and nothing is decided. Shape, Works`;
    default:
      return trouble satisfies never;
  }
}

/** Caution where the act is. */
export const PHASE_CAUTIONS: Partial<Readonly<Record<Phase, string>>> = {
  strip:
    'A part that still holds position stays until something else does. Fluids go into a pan, not a drain.',
  support: 'Nobody is beneath while it comes down. Stands under sound metal on both sides of every cut.',
  align: 'Chains and clamps let go: stand out of their line.',
  open: 'Support both sides first. Sparks go farther than one thinks.',
  fit: 'A clamp is not a support. Wiggle it before and after the tacks.',
  weld: 'Permit, helper, extinguisher, fume away from the face.',
  coat: 'Wax and thinner burn: nothing hot near it, air moves.',
  refit: 'Bolts as a set, to torque; nothing leaves untried.',
};

/** Where a gate or task is found to be opened or done elsewhere. */
export const GATE_LINKS: Partial<Readonly<Record<GateId, { readonly to: string; readonly words: string }>>> =
  {
    raise: { to: 'walk?part=lift', words: 'Ask in Walk' },
    geometry: { to: 'weigh?part=geometry', words: 'Measure in Weigh' },
    look: { to: 'join?part=log', words: 'Look in Join' },
  };
