import type { Member, StructureProblem, UnsolvedCase } from '@/core/frame';
import { percent, printLength, type UnitSystem } from '@/core/quantity';
import { printStation } from './station';
import { PARTED_FROM, type Felt, type PlateEnd } from '@/core/weigh';

export const FELT_WORDS: Readonly<Record<Felt['id'], string>> = {
  'steering gear under a push': 'Steering gear moves, pushed',
  'twist with one wheel in a ditch': 'Twist, one wheel in a ditch',
  'front wall, hitched against on legs': 'Front wall leans, hitched against on legs',
  'tyre to body over a bump': 'Body nearer to the tyre, bump (springs as assumed)',
};

/** What one would feel, as it is read: an angle or a length. */
export const feltFigure = (
  { value, quantity }: Pick<Felt, 'value' | 'quantity'>,
  system: UnitSystem,
): string =>
  quantity === 'angle'
    ? `${((value * 180) / Math.PI).toFixed(1)}°`
    : printLength(value, system, value > 25.4 ? 'length' : 'thickness');

/** How much of what it may carry is used; past all sense it is said to be parted. */
export const usedWords = (utilisation: number): string =>
  utilisation > PARTED_FROM ? 'parted here' : percent(utilisation);

/** What jacking off before welding buys, in shares of what the metal may carry. */
export const jackedWords = (jacked: number, asItStands: number): string =>
  asItStands > 1.01 * jacked
    ? `Jacked off before it is welded, it uses ${usedWords(jacked)} here; welded as it stands, its old metal keeps its dead weight and uses ${usedWords(asItStands)}.`
    : `Jacking off before welding buys nothing here: either way it uses ${usedWords(Math.max(jacked, asItStands))}.`;

/** What is said of a new plate's end. */
export function plateEndWords({ says, nearby }: PlateEnd): string {
  switch (says) {
    case 'under its threshold':
      return 'under its threshold';
    case 'no worse than nearby':
      return `lasts as long as ${nearby!.what} nearby`;
    case 'worse than nearby':
      return 'worse than what is nearby: a thinner plate, an end in a calmer place, or a cut-out';
    default:
      return says satisfies never;
  }
}

export function problemWords(
  { code, atMm }: StructureProblem,
  member: Pick<Member, 'name' | 'startMm' | 'line'>,
  system: UnitSystem,
): string {
  const { name } = member;
  switch (code) {
    case 'meets nothing':
      return `${name} meets no other member: its place needs another look, in Frame.`;
    case 'stands on nothing':
      return `${name} hangs together with nothing that stands on wheels or pads; the rest is worked out without it.`;
    case 'parted':
      return `${name} has no metal left about station ${printStation(member, atMm, system)}; the rest is worked out without that piece.`;
    default:
      return code satisfies never;
  }
}

export function unsolvedWords(why: UnsolvedCase['why'], system: UnitSystem): string {
  switch (why.kind) {
    case 'not for this frame':
      return 'does not apply to this frame';
    case 'no loads':
      return 'no loads recorded';
    case 'no stands':
      return 'nobody has said what it stands on while it is cut';
    case 'tips':
      return 'fewer than three of them would carry it';
    case 'no supports':
      return 'nothing to stand on';
    case 'mechanism':
      return `it would move freely at station ${printLength(why.at[0], system, 'length')} (${why.along}); no figures are given`;
    case 'bad element':
      return `${why.id}: ${why.why}`;
    case 'bad load':
      return why.why;
    default:
      return why satisfies never;
  }
}
