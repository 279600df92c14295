import type { Drainage, JudgedEnd } from '@/core/job';
import type { BoltSet } from '@/core/join';
import { mmToInches, percent, printLength, printTorque, sixteenths, type UnitSystem } from '@/core/quantity';
import { isMetricBolt, type BoltMarks } from '@/core/reference';
import {
  pieceName,
  type Bolts,
  type PastWay,
  type PieceKind,
  type Renewal,
  type Repair,
  type TubeWhyNot,
  type Unchecked,
} from '@/core/shape';

/** Each form of plate, as it is told to somebody who makes it. */
export const FORM_WORDS: Readonly<Record<PieceKind, string>> = {
  'bottom L': 'under the bottom flange and up the web',
  'top L': 'over the top flange and down the web',
  'full C': 'a whole channel over the old one',
  'side plate': 'flat, on a standing face',
  'bottom U': 'a cap over the lower part, up both sides',
  'top U': 'a cap over the upper part, down both sides',
  'cover plate': 'flat, over a flange',
  sleeve: 'two rolled halves round a tube, seams and slanted ends welded',
};

/** Bolts are called by their own inches or millimetres in either system. */
export const boltSizeWords = (diameterMm: number): string =>
  isMetricBolt(diameterMm) ? `M${Math.round(diameterMm)}` : `${sixteenths(mmToInches(diameterMm))} in`;

/** In what a bolt's own sizes are told: it is bought and drilled for in its own measure, whoever reads. */
export const ownSystem = (sizeMm: number, system: UnitSystem): UnitSystem =>
  isMetricBolt(sizeMm) ? 'mm' : system;

export const BOLT_MARK_WORDS: Readonly<Record<BoltMarks, string>> = {
  3: 'grade 5 (3 marks)',
  6: 'grade 8 (6 marks)',
  8.8: 'class 8.8',
  10.9: 'class 10.9',
};

/** A bolt by its size and head marks. */
export const boltWords = ({ diameterMm, marks }: Pick<Bolts, 'diameterMm' | 'marks'>): string =>
  `${boltSizeWords(diameterMm)}, ${BOLT_MARK_WORDS[marks]}`;

/** A set of bolts as it is bought, drilled for and tightened. */
export function boltSetWords(set: BoltSet, system: UnitSystem): string {
  const own = ownSystem(set.diameterMm, system);
  return [
    `${set.count} of ${boltWords(set)}, ${printLength(set.lengthMm, own, 'length')} long`,
    `holes ${printLength(set.holeMm, own, 'length')} at ${printLength(set.pitchMm, system, 'length')}`,
    ...(set.torqueNm === undefined ? [] : [`${printTorque(set.torqueNm, system)}, dry`]),
  ].join('; ');
}

/** A repair by its pieces and how they are held. */
export const repairName = ({ pieces, bolts }: Pick<Repair, 'pieces' | 'bolts'>): string =>
  `${bolts ? 'bolted: ' : ''}${pieces.map(pieceName).join(' + ')}`;

export const DRAINAGE_WORDS: Readonly<Record<Drainage, string>> = {
  'holds no water': 'an open section holds none',
  'as it was': 'no way out of its own',
  drained: 'drained at its low points',
  sealed: 'sealed in, as this shop does',
};

/** How much stiffer the member is where the plates begin to carry than just outside them. */
export const stepWords = (step: number | undefined): string =>
  step === undefined ? '–' : step < 1 ? `${percent(1 - step)} softer` : `by ${percent(step - 1)}`;

export const PAST_WORDS: Readonly<Record<PastWay | 'notch' | 'undecided', string>> = {
  undecided: 'not decided',
  notch: 'the plate is notched round it',
  'off and back': 'it comes off and goes back',
  'clear of it': 'looked at: clear of the plate',
  'off for good': 'it comes off for good',
  'stays beneath': 'it stays, and is signed for',
};

export const UNCHECKED_WORDS: Readonly<Record<Unchecked | 'ends', string>> = {
  landing: 'metal under some of its welds or bolts, not read',
  reach: 'whether torch and drill come to each seam',
  beside: 'lines, harness and tanks: none is on record for this frame',
  feet: 'on which face what comes off is fixed',
  steel: 'the steel, which nobody has identified',
  ends: 'fatigue at its ends: loads first, in Frame',
};

export const endWords = ({ says, nearby }: JudgedEnd): string =>
  says === 'under its threshold'
    ? 'the road stays under its threshold there'
    : says === 'no worse than nearby'
      ? `no worse than the maker’s ${nearby!.what.toLowerCase()} nearby`
      : 'it cracks sooner than what the maker put nearby: a thinner plate, or an end farther out';

export const TUBE_WHY_WORDS: Readonly<Record<TubeWhyNot, string>> = {
  weaker: 'weaker than the old one was made',
  'softer in twist': 'softer in twist',
  'no space beneath': 'no space beneath for dirt to get out',
  'too deep': 'deeper than the rail is clear',
};

/** A tube by its sizes: deep, wide, wall. */
export const tubeWords = ({ depthMm, widthMm, nominalMm }: Renewal['tube'], system: UnitSystem): string =>
  `tube ${printLength(depthMm, system, 'length')} deep, ${printLength(widthMm, system, 'length')} wide, wall ${printLength(nominalMm, system, 'thickness')}`;
