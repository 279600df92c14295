import { evenWall, surfaceOf, type MemberShape } from '../../frame';
import { acrossForce, filletStrengthNPerMm, sectionProperties } from '../../mechanics';
import { chosenLegMm, FILLER_TENSILE_MPA, STOCK_TUBES } from '../../reference';
import { wallSection } from '../../weigh';
import { bendAllowanceMm } from '../flat/bend';
import { inchesToMm as inch } from '../../quantity';
import { over, under, when } from './findings';
import { choice, length, station, thickness } from './measures';
import { fillet, unlessWelded, wallOf } from './metal';
import { isOfRole } from './places';
import { buttSeam, filletSeam } from './seam';
import type { Measures, WorkForm, WorkPart, WorkPlace } from './work';

/** A sleeve slides over and still bears: so much play in all, mm (common practice, no source: 1/8 in). */
const MOST_PLAY_MM = inch(1 / 8);
/** Past the crack each way by one and a half of the upright's depth (common practice, no source). */
const PAST_DEPTHS = 1.5;

const modulus = (shape: MemberShape): number => {
  const surface = surfaceOf(shape);
  const of = sectionProperties(wallSection(surface, evenWall(surface, shape.thicknessMm)));
  return of ? Math.min(of.sTopMm3, of.sBottomMm3) : 0;
};

const isSnug = (playMm: number): boolean => playMm >= 0 && playMm <= MOST_PLAY_MM + 1e-6;

/** The smallest stock tube that goes over a box and still bears on it; where none does, two halves are bent to measure. */
const overBox = ({ member: { shape } }: WorkPlace) =>
  shape.kind === 'box'
    ? [...STOCK_TUBES]
        .filter(
          ({ depthMm, widthMm, nominalMm }) =>
            isSnug(depthMm - 2 * nominalMm - shape.depthMm) &&
            isSnug(widthMm - 2 * nominalMm - shape.widthMm),
        )
        .sort((a, b) => a.depthMm * a.widthMm - b.depthMm * b.widthMm)[0]
    : undefined;

const outsideOf = (place: WorkPlace): { depthMm: number; widthMm: number; wallMm: number } => {
  const { shape } = place.member;
  const tube = overBox(place);
  const wallMm = tube?.nominalMm ?? inch(1 / 4);
  const widthMm = 'widthMm' in shape ? shape.widthMm : shape.depthMm;
  return tube
    ? { depthMm: tube.depthMm, widthMm: tube.widthMm, wallMm }
    : { depthMm: shape.depthMm + 2 * wallMm + 2, widthMm: widthMm + 2 * wallMm + 2, wallMm };
};

const ASKS = [
  'what it holds up held',
  'crack ends found, drilled, ground, welded flush',
  'look with dye',
  'halves clamped, plumb',
  'seams off the corners',
  'ends slanted, welded all round',
  'gusset at the foot',
  'second member beside it',
];

/** What a millimetre of the upright's circumference takes along it: pulled across its length, or at 45° to it and longer by √2. */
function endWeldNPerMm(place: WorkPlace, of: Measures): number {
  const isSquare = of.ends === 1;
  const legMm = chosenLegMm(of.wallMm!, wallOf(place));
  const [angleRad, longer] = isSquare ? [Math.PI / 2, 1] : [Math.PI / 4, Math.SQRT2];
  const { filletTimes, wallOfYield } = acrossForce(angleRad);
  const weld = filletTimes * filletStrengthNPerMm(legMm, FILLER_TENSILE_MPA);
  const wall = wallOfYield * place.steel.yieldMpa * Math.min(of.wallMm!, wallOf(place));
  return longer * Math.min(weld, wall);
}

/** Half a box's sleeve is an L over a wide and a deep side, by its outside; half a tube's is rolled. */
function halfSleeve(
  { practice }: WorkPlace,
  of: Measures,
  roundMm: number,
): Pick<WorkPart, 'widthMm'> & Partial<Pick<WorkPart, 'shape'>> {
  const [deepMm, wideMm, wallMm] = [of.outDeepMm!, of.outWideMm!, of.wallMm!];
  if (Math.abs(roundMm - Math.PI * deepMm) < 1e-6) return { widthMm: (Math.PI * (deepMm - wallMm)) / 2 };
  const insideRadiusMm = practice.bendRadiusPerThickness * wallMm;
  const allowanceMm = bendAllowanceMm(Math.PI / 2, insideRadiusMm, wallMm, practice.bendK);
  const legMm = deepMm - insideRadiusMm - wallMm;
  const atMm = legMm + allowanceMm / 2;
  return {
    widthMm: legMm + allowanceMm + wideMm - insideRadiusMm - wallMm,
    shape: { is: 'sheet', bends: [{ runs: 'along', atMm, insideRadiusMm, allowanceMm }] },
  };
}

/** A cracked upright in a thicker tube, with a new gusset at its foot and a second member beside it. */
export const uprightSleeved: WorkForm = {
  id: 'upright sleeved',
  whyNot: (place) =>
    !isOfRole(place, 'upright', 'leg', 'tongue', 'axle tube', 'brace', 'crossmember')
      ? 'not at such a place'
      : place.member.shape.kind !== 'box' && place.member.shape.kind !== 'tube'
        ? 'the section does not take it'
        : unlessWelded(place),
  measures: [
    station('atMm', ({ stationMm }) => Math.round(stationMm)),
    length('crackMm', () => inch(2), 0, 2000),
    length('outDeepMm', (place) => outsideOf(place).depthMm, 10, 1000),
    length('outWideMm', (place) => outsideOf(place).widthMm, 10, 1000),
    thickness('wallMm', (place) => outsideOf(place).wallMm),
    length('pastMm', ({ member }) => Math.ceil(2 * member.shape.depthMm), 0, 3000),
    choice('ends', ['slanted', 'square']),
    choice('second', ['with a second member beside it', 'alone']),
    choice('foot', ['with a new gusset at its foot', 'no gusset']),
    choice('face', ['nothing welded to its middle', 'a bracket on its middle']),
  ],
  judge: (place, of) => {
    const { shape } = place.member;
    const isTube = shape.kind === 'tube';
    const sleeve: MemberShape = isTube
      ? { kind: 'tube', depthMm: of.outDeepMm!, thicknessMm: of.wallMm! }
      : { kind: 'box', depthMm: of.outDeepMm!, widthMm: of.outWideMm!, thicknessMm: of.wallMm! };
    const share = modulus(sleeve) / Math.max(1, modulus(shape));
    const playMm = of.outDeepMm! - 2 * of.wallMm! - shape.depthMm;
    const playWide = isTube
      ? playMm
      : of.outWideMm! - 2 * of.wallMm! - ('widthMm' in shape ? shape.widthMm : shape.depthMm);
    const roundMm = isTube ? Math.PI * of.outDeepMm! : 2 * (of.outDeepMm! + of.outWideMm!);
    const { legMm } = fillet(place, of.wallMm!, wallOf(place));
    // The end weld as a line about the upright: its moment is its modulus as a line, d²(…)/3 for a box, times the strength of a millimetre.
    const lineModulus = isTube
      ? (Math.PI * shape.depthMm ** 2) / 4
      : shape.depthMm * ('widthMm' in shape ? shape.widthMm : shape.depthMm) + shape.depthMm ** 2 / 3;
    const weldShare =
      (lineModulus * endWeldNPerMm(place, of)) / Math.max(1, 0.67 * place.steel.yieldMpa * modulus(shape));
    return {
      figures: [
        { id: 'sleeve alone, S of the old as made', value: share, quantity: 'fraction', limit: 1 },
        { id: 'end weld, of the old one’s moment', value: weldShare, quantity: 'fraction', limit: 1 },
        { id: 'play', value: playMm, quantity: 'thickness', limit: MOST_PLAY_MM },
        { id: 'sleeve long', value: of.crackMm! + 2 * of.pastMm!, quantity: 'length' },
      ],
      findings: [
        ...under(share, 1, 'weaker than made', ['broken', 'fraction']),
        ...under(weldShare, 1, 'end weld too weak', ['broken', 'fraction', 'baseMetal']),
        ...under(Math.min(playMm, playWide), 0, 'does not go over', ['broken', 'thickness']),
        ...over(Math.max(playMm, playWide), MOST_PLAY_MM, 'too loose', ['broken', 'thickness']),
        ...under(of.wallMm!, wallOf(place), 'thinner than beneath', ['broken', 'thickness']),
        ...under(of.pastMm!, PAST_DEPTHS * shape.depthMm, 'too short past the crack', ['broken', 'length']),
        ...when(of.ends === 1, 'square ends', ['broken', 'count']),
        ...when(of.second === 1, 'no second member', ['deviation', 'count']),
        ...when(of.foot === 1, 'no gusset at its foot', ['deviation', 'count']),
        ...when(of.face === 1, 'bracket on its middle', ['broken', 'count']),
        ...over(of.atMm!, place.member.lengthMm, 'off the member', ['broken', 'length']),
      ],
      parts: [
        {
          name: 'sleeve, in two halves',
          lengthMm: of.crackMm! + 2 * of.pastMm!,
          ...halfSleeve(place, of, roundMm),
          thicknessMm: of.wallMm!,
          count: 2,
        },
      ],
      seams: [
        ...filletSeam(
          'sleeve’s ends, all round',
          2 * roundMm * (of.ends === 1 ? 1 : Math.SQRT2),
          { legMm, thinnerMm: Math.min(of.wallMm!, wallOf(place)) },
          'lap',
        ),
        ...buttSeam('sleeve’s halves, both sides', 2 * (of.crackMm! + 2 * of.pastMm!), of.wallMm!),
      ],
      asks: ASKS,
      unchecked: ['metal under it', 'demand'],
    };
  },
};
