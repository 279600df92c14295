import { DUTIES } from '@/core/frame';
import {
  fail,
  lbfToNewtons,
  lengthDigits,
  newtonsToLbf,
  ok,
  parseLengthMm,
  schemaWords,
  type Outcome,
  type UnitSystem,
} from '@/core/quantity';
import { practiceSchema, type Practice } from '@/core/reference';
import { NORM_WORDS } from '../_words/ways-out';
import { readPair } from './pairs';

/** What a figure of the practice is, so that it can be read and printed in either unit system. `maybe`: nothing may stand there. */
export type FigureIs =
  'percent' | 'length' | 'thickness' | 'number' | 'force' | 'pair' | 'lengths' | 'one in' | 'words';
export interface PracticeField {
  readonly section: PracticeSection;
  readonly path: readonly string[];
  readonly label: string;
  readonly is: FigureIs;
  readonly maybe?: true;
}
export const PRACTICE_SECTIONS = [
  'metal',
  'hand and eye',
  'geometry',
  'load cases',
  'by duty',
  'plates',
  'welds',
  'money and hours',
] as const;
export type PracticeSection = (typeof PRACTICE_SECTIONS)[number];

type Row = readonly [path: string, label: string, is: FigureIs, maybe?: true];
const SECTION_ROWS: Readonly<Record<PracticeSection, readonly Row[]>> = {
  metal: [
    ['soundFraction', 'sound from, of the wall as made', 'percent'],
    ['weldableMinimumMm', 'least wall to weld on, plate', 'thickness'],
    ['leaveFraction', 'act below, of strength as built', 'percent'],
    ['walk.reachMm', 'looked at round a mount', 'length'],
    ['walk.unseenShare', 'critical spots that may stay unseen', 'percent'],
  ],
  'hand and eye': [
    ['hand.struckKept', 'struck, rings evenly: at least', 'percent'],
    ['hand.feltKept', 'felt full: at least', 'percent'],
    ['hand.seenKept', 'only seen counts as', 'percent'],
    ['hand.partedShare', 'parted over more of its outline than', 'percent'],
    ['hand.tapReachMm', 'a tap speaks of, each way', 'length'],
    ['hand.wornMm', 'worn by more is renewed', 'thickness'],
    ['hand.bentMm', 'bent by more is renewed', 'thickness'],
  ],
  geometry: [
    ['geometry.sidesMm', 'wheelbase, left against right', 'thickness'],
    ['geometry.figureMm', 'against a figure without a tolerance', 'thickness'],
    ['geometry.diagonalsMm', 'diagonals', 'thickness'],
    ['geometry.lineShare', 'bow: one part of the length in', 'one in'],
    ['geometry.angleDeg', 'level or angle, °', 'number'],
    ['geometry.placeMm', 'mounts and twins', 'thickness'],
  ],
  'load cases': [
    ['loadFactors.bumpG', 'bump, g', 'number'],
    ['loadFactors.brakeG', 'braking, g', 'number'],
    ['loadFactors.cornerG', 'corner, g', 'number'],
    ['loadFactors.ditchMm', 'ditch: one wheel drops', 'length'],
    ['loadFactors.scrubShare', 'tandem scrub, of axle load', 'number'],
    ['loadFactors.steeringN', 'steering push', 'force'],
    ['loadFactors.recoveryShare', 'recovery pull, of gross weight', 'number'],
    ['loadFactors.roadAllowable', 'road: allowable, of yield', 'percent'],
    ['loadFactors.liftAllowable', 'lift, jack, legs: allowable, of yield', 'percent'],
  ],
  'by duty': DUTIES.filter((duty) => duty !== 'everyday').flatMap((duty): Row[] => [
    [`dutyFactors.${duty}.bumpG`, `${duty}: bump, g`, 'number', true],
    [`dutyFactors.${duty}.brakeG`, `${duty}: braking, g`, 'number', true],
    [`dutyFactors.${duty}.cornerG`, `${duty}: corner, g`, 'number', true],
  ]),
  plates: [
    ['stockThicknessesMm', 'plate on the shelf', 'lengths'],
    ['bendK', 'brake: K', 'number'],
    ['bendRadiusPerThickness', 'inside radius, of thickness', 'number'],
    ['drainDiameterMm', 'drain hole', 'length'],
    ['drainLipMm', 'its lip turned down (empty: 1/8 in)', 'thickness', true],
  ],
  welds: [
    ['weld.plugMm', 'plug hole (empty: the published size)', 'length', true],
    ['weld.runMm', 'run laid to continuous (empty: the shortest allowed)', 'length', true],
  ],
  'money and hours': [
    ['money.ratePerHour', 'money an hour', 'number'],
    ['money.currency', 'currency', 'words'],
    ['money.steelPerKg', 'steel, a kg, least to most', 'pair'],
    ['money.framePrice', 'a frame as good, delivered', 'pair', true],
    ['money.norms.seizedChance', 'chance that something seizes', 'percent'],
    ['money.norms.hiddenChance', 'chance of more behind a spot unseen', 'percent'],
    ...Object.entries(NORM_WORDS).map(([key, words]): Row => [`money.norms.${key}`, `${words}, h`, 'pair']),
  ],
};
export const PRACTICE_FIELDS: readonly PracticeField[] = PRACTICE_SECTIONS.flatMap((section) =>
  SECTION_ROWS[section].map(([path, label, is, maybe]) => ({
    section,
    path: path.split('.'),
    label,
    is,
    ...(maybe && { maybe }),
  })),
);
export const keyOf = ({ path }: Pick<PracticeField, 'path'>): string => path.join('.');

export const figureAt = (practice: Practice, path: readonly string[]): unknown =>
  path.reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], practice);

/** The practice with a figure put where the path leads; undefined takes it out. */
function withFigure(at: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  const record = { ...(at as Record<string, unknown> | undefined) };
  const next = rest.length > 0 ? withFigure(record[key!], rest, value) : value;
  if (next === undefined) delete record[key!];
  else record[key!] = next;
  return record;
}

const pairText = ([least, most]: readonly [number, number]): string =>
  least === most ? `${least}` : `${least} to ${most}`;
/** Share figures to a thousandth, so that what was typed comes back as it was. */
const short = (value: number): string => String(Number(value.toPrecision(6)));

/** A figure as somebody would type it. */
export function typedFigure({ path, is }: PracticeField, practice: Practice, system: UnitSystem): string {
  const value = figureAt(practice, path);
  if (value === undefined) return '';
  switch (is) {
    case 'percent':
      return short((value as number) * 100);
    case 'length':
    case 'thickness':
      return lengthDigits(value as number, system, is);
    case 'force':
      return short(Math.round(system === 'in' ? newtonsToLbf(value as number) : (value as number)));
    case 'pair':
      return pairText(value as [number, number]);
    case 'lengths':
      return (value as number[]).map((mm) => lengthDigits(mm, system, 'thickness')).join(', ');
    case 'number':
      return short(value as number);
    case 'one in':
      return short(1 / (value as number));
    case 'words':
      return value as string;
    default:
      return is satisfies never;
  }
}

function readFigure({ is, maybe }: PracticeField, text: string, system: UnitSystem): Outcome<unknown> {
  if (text.trim() === '') return maybe ? ok(undefined) : fail('a figure is needed');
  switch (is) {
    case 'length':
    case 'thickness':
      return parseLengthMm(text, system);
    case 'pair':
      return readPair(text);
    case 'words':
      return ok(text.trim());
    case 'lengths': {
      const all = text.split(/[;,]\s*/).map((each) => parseLengthMm(each, system));
      const wrong = all.find((each) => !each.ok);
      return wrong ?? ok(all.flatMap((each) => (each.ok ? [each.value] : [])));
    }
    case 'percent':
    case 'force':
    case 'one in':
    case 'number': {
      const value = Number(text.replace(',', '.').replace('%', ''));
      if (!Number.isFinite(value)) return fail('a number');
      if (is === 'one in') return value > 0 ? ok(1 / value) : fail('a number above nothing, such as 480');
      return ok(
        is === 'percent' ? value / 100 : is === 'force' && system === 'in' ? lbfToNewtons(value) : value,
      );
    }
    default:
      return is satisfies never;
  }
}

/** The practice with what was typed put in; the failure says which figure, and why. Figures nobody typed stay as they are, to the last digit. */
export function readPractice(
  practice: Practice,
  typed: Readonly<Record<string, string>>,
  system: UnitSystem,
): Outcome<Practice> {
  let next: unknown = practice;
  for (const field of PRACTICE_FIELDS) {
    const text = typed[keyOf(field)];
    if (text === undefined || text === typedFigure(field, practice, system)) continue;
    const value = readFigure(field, text, system);
    if (!value.ok) return fail(`${field.label}: ${value.reason}`, keyOf(field));
    next = withFigure(next, field.path, value.value);
  }
  const checked = practiceSchema.safeParse(next, { error: schemaWords });
  if (checked.success) return ok(checked.data);
  const [issue] = checked.error.issues;
  const at =
    PRACTICE_FIELDS.find((field) => keyOf(field) === issue!.path.join('.')) ??
    PRACTICE_FIELDS.find((field) => issue!.path.join('.').startsWith(keyOf(field)));
  return fail(`${at?.label ?? issue!.path.join(' ')}: ${issue!.message}`, at && keyOf(at));
}

/** Figures that differ between two practices. */
export const differingFields = (one: Practice, other: Practice): PracticeField[] =>
  PRACTICE_FIELDS.filter(
    ({ path }) => JSON.stringify(figureAt(one, path)) !== JSON.stringify(figureAt(other, path)),
  );
/** One figure put back as another practice has it. */
export const withFieldOf = (practice: Practice, from: Practice, { path }: PracticeField): Practice =>
  withFigure(practice, path, figureAt(from, path)) as Practice;
