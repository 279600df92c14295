import { breadthMm, evenWall, surfaceOf } from '../../frame';
import { plasticModuli, sectionProperties } from '../../mechanics';
import { YOUNGS_MODULUS_MPA } from '../../reference';
import { wallSection } from '../../weigh';
import { inchesToMm as inch } from '../../quantity';
import { over, under, when } from './findings';
import { aboutStation } from './footing';
import { choice, length } from './measures';
import type { Measure, WorkForm, WorkPlace } from './work';

export const HEATS = ['cold', 'with heat'] as const;
/** Mild steel is straightened at up to 650 °C, a dull red (FHWA heat-straightening guide, 1200 °F, from memory). */
const HOTTEST_C = 650;
/** Cold, up to this strain at the outer fibre (our judgement: half of what plate is bent to on a brake of ten thicknesses). */
const MOST_STRAIN = 0.03;
/** Strain of the outer fibre of a member bowed by `bowMm` over a length: how far it lies from the middle over the bend's radius, L²/8δ. */
export const bowStrain = (fibreMm: number, bowMm: number, overMm: number): number =>
  (fibreMm / Math.max(1e-9, overMm ** 2)) * 8 * bowMm;

/** Force at the middle that makes a beam on two supports yield right through, N: 4 M_p / L. */
export const pressN = (plasticNmm: number, spanMm: number): number => (4 * plasticNmm) / spanMm;

const temperature: Measure = { key: 'hottestC', as: 'temperature', start: () => 600, least: 20, most: 1200 };

/**
 * The member as made, about the axis it is bent about: second moment, plastic modulus, how deep it is that way, and how far its outer fibre lies
 * from the middle. A channel bent sideways has its middle near the web: the flanges' tips are strained far more than the web, and it takes far
 * more to press it through than what makes its tips yield.
 */
function propertiesOf({ member: { shape } }: WorkPlace, isSideways: boolean) {
  const surface = surfaceOf(shape);
  const wall = wallSection(surface, evenWall(surface, shape.thicknessMm));
  const whole = sectionProperties(wall)!;
  const { zxMm3, zyMm3 } = plasticModuli(wall)!;
  return isSideways
    ? { i: whole.iyMm4, z: zyMm3, depthMm: breadthMm(shape), fibreMm: Math.max(whole.leftMm, whole.rightMm) }
    : { i: whole.ixMm4, z: zxMm3, depthMm: shape.depthMm, fibreMm: Math.max(whole.topMm, whole.bottomMm) };
}

/** A bent member pressed back into line, cold or with heat, and looked at again. */
export const straightening: WorkForm = {
  id: 'straightening',
  whyNot: (place) =>
    place.on !== 'member'
      ? 'not at such a place'
      : place.steel.youngsMpa !== undefined
        ? 'not of this metal'
        : undefined,
  measures: [
    length('bowMm', () => 0, 0, 500),
    length('overMm', () => inch(48), 100, 15_000),
    choice('way', ['up or down', 'sideways']),
    length('spanMm', () => inch(36), 100, 10_000),
    choice('heat', HEATS),
    temperature,
    length('leftMm', () => 0, 0, 200),
  ],
  standsOn: (place, of) => [{ ...aboutStation(place, of.overMm! / 2), overPlate: false }],
  judge: (place, of) => {
    const { i, z, depthMm, fibreMm } = propertiesOf(place, of.way === 1);
    const { yieldMpa } = place.steel;
    const strain = bowStrain(fibreMm, of.bowMm!, of.overMm!);
    const plastic = z * yieldMpa;
    // Let go, it gives back what that moment bent it by while it was still elastic: M L² / 12 E I.
    const springMm = (plastic * of.spanMm! ** 2) / (12 * YOUNGS_MODULUS_MPA * i);
    const isHot = of.heat === 1;
    const allowedMm = of.overMm! / 1000;
    return {
      figures: [
        { id: 'press needs', value: pressN(plastic, of.spanMm!), quantity: 'force' },
        { id: 'springs back by', value: springMm, quantity: 'thickness' },
        { id: 'strain to undo', value: strain, quantity: 'fraction', limit: MOST_STRAIN },
        { id: 'may stay out by', value: allowedMm, quantity: 'thickness' },
      ],
      findings: [
        ...when(isHot && place.steel.weldRepair !== 'yes', 'no heat on this steel', ['broken', 'count']),
        ...(isHot ? over(of.hottestC!, HOTTEST_C, 'too hot', ['broken', 'count', 'heatStraightening']) : []),
        ...(isHot ? [] : over(strain, MOST_STRAIN, 'bent too far to press cold', ['broken', 'fraction'])),
        ...over(of.leftMm!, allowedMm, 'still out', ['broken', 'thickness', 'millStraightness']),
        ...when(of.bowMm! === 0, 'not bent', ['note', 'length']),
        ...under(of.spanMm!, 2 * depthMm, 'press too short', ['broken', 'length']),
      ],
      parts: [],
      seams: [],
      asks: [
        'why it bent, first',
        'pads under the webs, not the flange’s tip',
        ...(isHot ? ['heat by a crayon, never quenched'] : ['press past straight by what it springs back']),
        'measured again after it is let go',
        'look with dye where it was bent',
        'the twin and the diagonals measured',
      ],
      unchecked: ['cracks from the bend'],
    };
  },
};
