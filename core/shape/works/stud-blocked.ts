import { inchesToMm as inch } from '../../quantity';
import { over, under, when } from './findings';
import { choice, length, thickness } from './measures';
import { wallOf } from './metal';
import { isOfRole } from './places';
import type { WorkForm } from './work';

/** Allowable shear of a structural adhesive on clean metal, MPa (our judgement: a twentieth of what its maker prints). */
const BOND_MPA = 1;
const SHARE = 0.67;

const ASKS = [
  'skin off, wall held square',
  'bright metal, wiped',
  'adhesive by its maker’s own time',
  'block in, screwed',
  'gussets top and bottom',
  'cure before the skin',
  'no steel on aluminium without a barrier',
];

/** A torn aluminium wall stud: a block inside it, gussets top and bottom, a plate bonded and screwed over. Nothing is welded in place. */
export const studBlocked: WorkForm = {
  id: 'stud blocked',
  whyNot: (place) =>
    !isOfRole(place, 'stud', 'deck beam', 'floor rail')
      ? 'not at such a place'
      : place.member.shape.kind !== 'box' && place.member.shape.kind !== 'tube'
        ? 'the section does not take it'
        : undefined,
  measures: [
    length('insideDeepMm', ({ member: { shape } }) => shape.depthMm - 2 * shape.thicknessMm, 2, 500),
    length(
      'insideWideMm',
      ({ member: { shape } }) => ('widthMm' in shape ? shape.widthMm : shape.depthMm) - 2 * shape.thicknessMm,
      2,
      500,
    ),
    length('blockDeepMm', ({ member: { shape } }) => shape.depthMm - 2 * shape.thicknessMm - 1, 1, 500),
    length(
      'blockWideMm',
      ({ member: { shape } }) =>
        ('widthMm' in shape ? shape.widthMm : shape.depthMm) - 2 * shape.thicknessMm - 1,
      1,
      500,
    ),
    length('pastMm', ({ member }) => 3 * member.shape.depthMm, 0, 2000),
    length('screwsMm', () => inch(3), 5, 500),
    thickness('gussetMm', () => inch(1 / 8)),
    choice('gussets', ['top and bottom', 'none']),
    choice('skin', ['off', 'on']),
  ],
  judge: (place, of) => {
    const bondN = BOND_MPA * 2 * (of.blockDeepMm! + of.blockWideMm!) * of.pastMm!;
    const { shape } = place.member;
    const areaMm2 = 2 * (of.insideDeepMm! + of.insideWideMm!) * wallOf(place);
    const neededN = SHARE * place.steel.yieldMpa * areaMm2;
    const playMm = Math.max(of.insideDeepMm! - of.blockDeepMm!, of.insideWideMm! - of.blockWideMm!);
    const tightMm = Math.min(of.insideDeepMm! - of.blockDeepMm!, of.insideWideMm! - of.blockWideMm!);
    return {
      figures: [
        { id: 'bond takes', value: bondN, quantity: 'force', limit: neededN },
        { id: 'play', value: playMm, quantity: 'thickness', limit: 2 },
        { id: 'screws a side', value: Math.ceil((2 * of.pastMm!) / of.screwsMm!) + 1, quantity: 'count' },
      ],
      findings: [
        ...under(bondN, neededN, 'bond too short', ['broken', 'force']),
        ...under(tightMm, 0, 'does not go in', ['broken', 'thickness']),
        ...over(playMm, 2, 'too loose', ['broken', 'thickness']),
        ...under(of.pastMm!, 2 * shape.depthMm, 'too short past the crack', ['broken', 'length']),
        ...over(of.screwsMm!, inch(4), 'screws too far apart', ['deviation', 'length']),
        ...when(of.gussets === 1, 'no gussets', ['deviation', 'count']),
        ...when(of.skin === 1, 'skin still on', ['broken', 'count']),
      ],
      parts: [
        {
          name: 'block',
          lengthMm: 2 * of.pastMm!,
          widthMm: of.blockWideMm!,
          thicknessMm: of.blockDeepMm!,
          count: 1,
          shape: { is: 'length' },
        },
        {
          name: 'gusset',
          lengthMm: inch(4),
          widthMm: inch(4),
          thicknessMm: of.gussetMm!,
          count: 2,
          shape: { is: 'triangle', snipeMm: inch(1 / 2) },
        },
      ],
      seams: [
        {
          what: 'block and plate, bonded',
          type: 'bond',
          lengthMm: 2 * of.pastMm!,
          thinnerMm: wallOf(place),
        },
        {
          what: 'screws, both sides of the tear',
          type: 'screws',
          lengthMm: 2 * of.pastMm!,
          count: 2 * (Math.ceil((2 * of.pastMm!) / of.screwsMm!) + 1),
          pitchMm: of.screwsMm!,
          thinnerMm: wallOf(place),
        },
      ],
      asks: ASKS,
      unchecked: ['adhesive', 'what tore it'],
    };
  },
};
