import { ksiToMpa } from '../quantity';
import { COMMON_PRACTICE, type Source } from './source';

export const STEEL_IDS = [
  'a36',
  'hot-rolled-50',
  'heat-treated-110',
  'presumed-mild',
  'unknown',
  'aluminium-6061',
] as const;
export type SteelId = (typeof STEEL_IDS)[number];

export interface Steel {
  readonly id: SteelId;
  readonly name: string;
  readonly yieldMpa: number;
  readonly tensileMpa: number;
  /** Heat-treated rails: no weld repair and no flange holes unless the maker says so. */
  readonly weldRepair: 'yes' | 'only as the maker allows';
  /** Young's modulus, where it is not steel's. */
  readonly youngsMpa?: number;
  readonly source: Source;
}

/** Youngʼs modulus of steel, MPa (29 000 ksi). */
export const YOUNGS_MODULUS_MPA = ksiToMpa(29000);

const STEELS: Readonly<Record<SteelId, Steel>> = {
  a36: {
    id: 'a36',
    name: 'Mild steel, 36 ksi yield',
    yieldMpa: ksiToMpa(36),
    tensileMpa: ksiToMpa(58),
    weldRepair: 'yes',
    source: { document: 'ASTM A36', clause: 'tensile requirements', fromMemory: true },
  },
  'hot-rolled-50': {
    id: 'hot-rolled-50',
    name: 'Hot-rolled frame steel, 50 ksi yield',
    yieldMpa: ksiToMpa(50),
    tensileMpa: ksiToMpa(65),
    weldRepair: 'yes',
    source: { document: 'ASTM A1011 grade 50', clause: 'tensile requirements', fromMemory: true },
  },
  'heat-treated-110': {
    id: 'heat-treated-110',
    name: 'Heat-treated rail, about 110 ksi yield',
    yieldMpa: ksiToMpa(110),
    tensileMpa: ksiToMpa(125),
    weldRepair: 'only as the maker allows',
    source: COMMON_PRACTICE,
  },
  'aluminium-6061': {
    id: 'aluminium-6061',
    name: 'Aluminium tube, 6061-T6 beside its welds',
    yieldMpa: ksiToMpa(11),
    tensileMpa: ksiToMpa(24),
    weldRepair: 'only as the maker allows',
    youngsMpa: ksiToMpa(10000),
    source: { document: 'Aluminum Design Manual, 6061-T6, welded', fromMemory: true },
  },
  'presumed-mild': {
    id: 'presumed-mild',
    name: 'Not identified: taken as mild, 36 ksi yield',
    yieldMpa: ksiToMpa(36),
    tensileMpa: ksiToMpa(58),
    weldRepair: 'yes',
    source: COMMON_PRACTICE,
  },
  unknown: {
    id: 'unknown',
    name: 'Unknown: no label, no hardness test',
    yieldMpa: ksiToMpa(36),
    tensileMpa: ksiToMpa(58),
    weldRepair: 'only as the maker allows',
    source: COMMON_PRACTICE,
  },
};

export const steel = (id: SteelId): Steel => STEELS[id];

/** Mild-steel filler, 70 ksi tensile (AWS A5.18 ER70S, from memory). */
export const FILLER_TENSILE_MPA = ksiToMpa(70);

/** Steel, 490 lb/ft³. */
export const STEEL_DENSITY_KG_PER_MM3 = 7.849e-6;

/** b/t up to which a plate held along both edges reaches yield before it buckles: AISC 360 Table B4.1a, 1.49√(E/Fy), from memory. */
export const stiffenedLimit = (yieldMpa: number): number => 1.49 * Math.sqrt(YOUNGS_MODULUS_MPA / yieldMpa);

/** b/t up to which an outstand reaches yield before it buckles: AISC 360 Table B4.1a, 0.56√(E/Fy), from memory. */
export const outstandLimit = (yieldMpa: number): number => 0.56 * Math.sqrt(YOUNGS_MODULUS_MPA / yieldMpa);
