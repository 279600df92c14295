import { memberOf, type Frame } from '@/core/frame';
import { placeOf } from '@/core/job';
import { printLength, type UnitSystem } from '@/core/quantity';
import { printSource } from '@/core/reference';
import type {
  Figure,
  GeometryCheck,
  GeometrySays,
  Instrument,
  MeasureOf,
  NotSaid,
  StraightOrNot,
  Stood,
} from '@/core/weigh';
import { printStation } from './station';

export const MEASURE_WORDS: Readonly<Record<MeasureOf, readonly [name: string, how: string]>> = {
  wheelbase: [
    'Wheelbase, each side',
    'from hub to hub, or a trailer’s from its coupler to each hub; the same way on both sides',
  ],
  diagonals: ['Diagonals', 'from one corner to the other rail’s corner behind, and crosswise'],
  'level across': ['Level across', 'angle finder or level laid across both rails, at two stations or more'],
  'angle along': ['Angle along a member', 'angle finder on one straight face, at two stations or more'],
  line: [
    'Line along a member',
    'from a laser line, a string or a straightedge to the member, at three marks or more',
  ],
  mounts: ['A set of mounts', 'each mount in x (rearward), y (right), z (up), all from one corner'],
  twins: ['A bracket or hole and its twin', 'along and up, both from the same datum'],
};
export const INSTRUMENT_WORDS: Readonly<Record<Instrument, string>> = {
  tape: 'tape',
  trammel: 'trammel',
  'laser distance': 'laser distance meter',
  'plumbed to the floor': 'plumbed to the floor, then taped',
  'laser line': 'laser line',
  string: 'string',
  straightedge: 'straightedge',
  'angle finder': 'angle finder',
  'spirit level': 'spirit level',
};
export const STOOD_WORDS: Readonly<Record<Stood, string>> = {
  'on its wheels, empty': 'on its wheels, empty',
  'on its wheels, loaded': 'on its wheels, loaded',
  'on stands': 'on stands',
  'on a lift': 'on a lift',
};
export const IS_WORDS: Readonly<Record<StraightOrNot, string>> = {
  straight: 'Straight',
  out: 'Out',
  'can’t say': 'Can’t say',
};
const SAYS_WORDS: Readonly<Record<GeometrySays, readonly [is: string, isNot: string]>> = {
  'one side longer': ['one side is longer by', 'sides alike to'],
  'off its figure': ['off its figure by', 'off its figure by'],
  'diagonals differ': ['diagonals differ by', 'diagonals alike to'],
  twisted: ['twisted by', 'level across to'],
  'bent along': ['its angle changes by', 'its angle keeps to'],
  'bowed up or down': ['bowed up or down by', 'in line up and down to'],
  'bowed to a side': ['bowed to a side by', 'in line sideways to'],
  'mount off its plane': ['off the plane of the others by', 'in the plane of the others to'],
  'mount off its figure': ['off its figure by', 'off its figure by'],
  'twin off its place': ['its twin stands off by', 'its twin stands alike to'],
};
const NOT_SAID_WORDS: Readonly<Record<NotSaid, string>> = {
  'near its limit': 'too near its limit for how it was read: read it finer, or twice more',
  'as it stood':
    'its load or what holds it up may do that to a good frame: empty, on its wheels, on level ground',
  'two marks': 'any two marks lie on a straight line: a third between them says whether this one does',
  'instrument out of date':
    'what it was read with was checked over a year before: it can show what is out, not that this is straight',
  'another unit': 'a figure of another unit: it can show what is out, not that this one is straight',
};

const printDegrees = (degrees: number): string => `${degrees.toFixed(1)}°`;
export const geometryFigure = (
  value: number,
  quantity: GeometryCheck['quantity'],
  system: UnitSystem,
): string => (quantity === 'angle' ? printDegrees(value) : printLength(value, system, 'thickness'));

/** Which side is longer is known where both were read. */
function saysWords({ says, measured: { measure } }: GeometryCheck): readonly [out: string, within: string] {
  const [out, within] = SAYS_WORDS[says];
  if (says !== 'one side longer' || measure.of !== 'wheelbase') return [out, within];
  return [`${measure.leftMm > measure.rightMm ? 'left' : 'right'} is longer by`, within];
}

/** A check in words: of what, what it says with its figure, against what. */
export function checkWords(
  check: GeometryCheck,
  frame: Frame,
  system: UnitSystem,
): { readonly title: string; readonly detail: string } {
  const figure = (value: number) => geometryFigure(value, check.quantity, system);
  const [out, within] = saysWords(check);
  const says =
    check.notSaid === 'two marks'
      ? 'two marks, which tell nothing of a bow'
      : `${check.is === 'straight' ? within : out} ${figure(check.value)} ± ${figure(check.plusMinus)}`;
  const against = check.against ? `; ${check.against.from}’s figure: ${check.against.where}` : '';
  const lone = check.lone ? `; ${loneWords(check, check.lone, frame, system)}` : '';
  const notSaid = check.notSaid ? `; ${NOT_SAID_WORDS[check.notSaid]}` : '';
  return {
    title: `${placeOf({ frame }, check)}: ${says}`,
    detail: `limit ${figure(check.limit)} (${printSource(check.source)})${against}${lone}${notSaid}`,
  };
}

/** One mark makes all of a bow: nobody heats a rail because of a slip of the tape, and nobody calls a kink a slip. */
function loneWords(
  { memberId }: GeometryCheck,
  { atMm, offMm }: NonNullable<GeometryCheck['lone']>,
  frame: Frame,
  system: UnitSystem,
): string {
  const member = memberId === undefined ? undefined : memberOf(frame, memberId);
  const at = member ? printStation(member, atMm, system) : printLength(atMm, system, 'length');
  const off = printLength(Math.abs(offMm), system, 'thickness');
  return `the mark at ${at} alone makes it, ${off} off the line of the others: read that one again; a dent or a kink right there reads the same`;
}

/** A check as a line on paper. */
export const checkLine = (check: GeometryCheck, frame: Frame, system: UnitSystem): string => {
  const { title, detail } = checkWords(check, frame, system);
  const simulated = check.measured.simulated ? '; read by a simulated instrument' : '';
  return `${title}; ${detail}${simulated}`;
};
export const notSaidWords = (why: string): string =>
  why in NOT_SAID_WORDS ? NOT_SAID_WORDS[why as NotSaid] : why;
export const outWords = (says: string): string =>
  says in SAYS_WORDS ? SAYS_WORDS[says as GeometrySays][0] : says;

/** The frame as a whole. */
export const WHOLE_WORDS: Readonly<Record<StraightOrNot | 'not measured', string>> = {
  straight: 'Straight, where it was measured',
  out: 'Out of true',
  'can’t say': 'Can’t say yet',
  'not measured': 'Not measured yet',
};
export const FIGURE_OF_WORDS: Readonly<Record<Figure['figure']['of'], string>> = {
  wheelbase: 'wheelbase',
  diagonals: 'diagonals',
  mounts: 'a set of mounts',
};
export function figureWords({ figure, toleranceMm }: Figure, frame: Frame, system: UnitSystem): string {
  const tolerance = toleranceMm === undefined ? '' : ` ± ${printLength(toleranceMm, system, 'thickness')}`;
  if (figure.of === 'mounts') return `${figure.set}: ${figure.points.length} mounts${tolerance}`;
  const of =
    figure.of === 'diagonals'
      ? `Diagonals, ${figure.place}`
      : `Wheelbase, ${[figure.fromId, figure.toId].map((id) => frame.fittings.find((each) => each.id === id)?.name ?? id).join(' to ')}`;
  return `${of}: ${printLength(figure.mm, system, 'length')}${tolerance}`;
}
