import { stringify } from 'csv-stringify/sync';
import { MM_PER_INCH, type UnitSystem } from '../quantity';
import type { ToBuy } from '../job';
import { blankFigures, type Blank } from '../shape';
import { asText } from './as-text';

const COLUMNS = [
  'part',
  'for',
  'count',
  'from',
  'length',
  'width',
  'thickness',
  'unit',
  'holes',
  'bends',
  'cut length each',
  'pierces each',
  'mass each kg',
] as const;

const digits = (mm: number, system: UnitSystem): string =>
  (system === 'in' ? mm / MM_PER_INCH : mm).toFixed(system === 'in' ? 3 : 1);

/** Everything to cut, a row a part: lengths in the unit named, masses in kg. */
export function cutListCsv(blanks: readonly Blank[], lengths: readonly ToBuy[], system: UnitSystem): string {
  const flat = blanks.map((blank) => {
    const { lengthMm, widthMm, cutMm, pierces, massKg } = blankFigures(blank);
    return [
      asText(blank.name),
      asText(blank.for),
      blank.count,
      'sheet',
      digits(lengthMm, system),
      digits(widthMm, system),
      digits(blank.thicknessMm, system),
      system,
      blank.holes.length,
      blank.bends.length,
      digits(cutMm, system),
      pierces,
      massKg.toFixed(3),
    ];
  });
  const bought = lengths.map((each) => [
    asText([each.name, ...(each.sectionMm ?? []).map((mm) => digits(mm, system))].join(' ')),
    asText(each.for),
    each.count,
    'length',
    digits(each.lengthMm, system),
    '',
    digits(each.wallMm, system),
    system,
    '',
    '',
    '',
    '',
    (each.massKg / Math.max(1, each.count)).toFixed(3),
  ]);
  return stringify([...flat, ...bought], { header: true, columns: [...COLUMNS] });
}
