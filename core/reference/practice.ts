import { z } from 'zod';
import { dequal } from 'dequal';
import { inchesToMm, type Body, type Form } from '../quantity';
import type { Source } from './source';
import { DEFAULT_GEOMETRY_PRACTICE, geometryPracticeSchema, MILL_STRAIGHTNESS } from './geometry-limits';
import { DEFAULT_NORMS, normsSchema } from './norms';
import { DEFAULT_LEGAL, LEGAL_SOURCES, legalFor, shopLegalSchema, type UnitForPractice } from './legal';
import { BOLTED_SOURCE } from './bolted';
import { COMMON_PRACTICE } from './source';
import { DEFAULT_WAYS, isPlate, schoolSchema, shopWaysSchema, type School } from './ways';

/** What the load cases are made with; common practice, no source, but for the allowables' own notes. */
export const loadFactorsSchema = z.object({
  /** Everything on the frame, times this many g, over a bump. */
  bumpG: z.number().gte(1).lte(6),
  brakeG: z.number().gte(0).lte(1.5),
  cornerG: z.number().gte(0).lte(1.5),
  /** How far one wheel drops before its tyre leaves the ground, mm. */
  ditchMm: z.number().gte(0).lte(600),
  /** Tyre scrub in a tight turn, share of the axle's load. */
  scrubShare: z.number().gte(0).lte(1.2),
  /** Push of the steering gear, N. */
  steeringN: z.number().gte(0).lte(50_000),
  /** Recovery pull, share of the gross weight, 15° off straight. */
  recoveryShare: z.number().gte(0).lte(2),
  /** Allowable stress, share of yield: on the road; on lift, jack and legs. */
  roadAllowable: z.number().gt(0).lte(1),
  liftAllowable: z.number().gt(0).lte(1),
});
export type LoadFactors = z.infer<typeof loadFactorsSchema>;
export const DEFAULT_LOAD_FACTORS: LoadFactors = {
  bumpG: 3,
  brakeG: 0.6,
  cornerG: 0.4,
  ditchMm: 150,
  scrubShare: 0.7,
  steeringN: 2000,
  recoveryShare: 0.5,
  roadAllowable: 0.67,
  liftAllowable: 0.5,
};

/** A competition unit lands harder and corners harder (common practice, no source). */
export const DEFAULT_DUTY_FACTORS: Readonly<Record<string, Partial<LoadFactors>>> = {
  competition: { bumpG: 4, cornerG: 0.8 },
};

/** Rules of the Walk; defaults common practice, no source, where nothing else is said. */
export const walkPracticeSchema = z.object({
  /** Metal is looked at this far round a lift point or mount: 12 in common practice; 300 mm in the UK inspection manual's prescribed area. */
  reachMm: z
    .number()
    .gte(50, 'a reach under 50 mm (2 in) sees nothing')
    .lte(1000, 'a reach over 1 m (39 in) is the whole rail'),
  /** Up to this share of a member's critical spots may stay unseen before nothing can be said of it. */
  unseenShare: z.number().gte(0).lte(1),
});
export type WalkPractice = z.infer<typeof walkPracticeSchema>;
export const DEFAULT_WALK_PRACTICE: WalkPractice = { reachMm: inchesToMm(12), unseenShare: 0.25 };

/** What eye, hammer and finger vouch for, as shares of the wall as made; all common practice, no source. */
const WORN_MM = inchesToMm(1 / 16);
const BENT_MM = inchesToMm(1 / 8);
export const handPracticeSchema = z.object({
  /** Struck with a hammer, rings evenly and does not yield. */
  struckKept: z.number().gt(0).lte(1),
  /** Felt full with a finger: above a felt edge. */
  feltKept: z.number().gt(0).lte(1),
  /** Looked at and nothing wrong with it: counted as this much, and never as known. */
  seenKept: z.number().gte(0).lte(1),
  /** A tap, a sign without an extent or a place looked at speaks of this far to each side, mm. */
  tapReachMm: z
    .number()
    .gte(10, 'a tap speaks of more than 10 mm')
    .lte(305, 'a tap speaks of less than 1 ft'),
  /** Parted over more than this share of its outline, a member is parted. */
  partedShare: z.number().gt(0).lte(1),
  /** Worn by more than this, a hole, pin or bush is renewed; by half of it, watched (1/16 in, common practice, no source: the maker's limit wins). */
  wornMm: z.number().gt(0).lte(25),
  /** Bent by more than this, a bracket is renewed (1/8 in, common practice, no source). */
  bentMm: z.number().gt(0).lte(100),
});
export type HandPractice = z.infer<typeof handPracticeSchema>;
export const DEFAULT_HAND_PRACTICE: HandPractice = {
  struckKept: 0.65,
  feltKept: 0.8,
  seenKept: 0.5,
  tapReachMm: inchesToMm(3),
  partedShare: 0.5,
  wornMm: WORN_MM,
  bentMm: BENT_MM,
};

/** What the shop's time costs. Nothing of the metal is judged by it. */
const price = z.number().gte(0).lte(1e6);
export const moneySchema = z.object({
  /** Nothing where nobody has said: no price is made from it. */
  ratePerHour: z.number().gte(0).lte(1000),
  currency: z.string().trim().min(1).max(4),
  /** Steel with its cutting gas and wire, for a kilogram (common practice, no source). */
  steelPerKg: z.tuple([price, price]).default((): [number, number] => [2, 6]),
  /** A frame as good as this one, delivered; absent where none is to be had or nobody asked. */
  framePrice: z.tuple([price, price]).optional(),
  norms: normsSchema.default(() => DEFAULT_NORMS),
});
export type Money = z.infer<typeof moneySchema>;
export const DEFAULT_MONEY: Money = {
  ratePerHour: 110,
  currency: '$',
  steelPerKg: [2, 6],
  norms: DEFAULT_NORMS,
};

/** Profiles to start the walk's rules from. */
export const WALK_PROFILES = {
  'US, 12 in': {
    reachMm: inchesToMm(12),
    source: {
      document:
        '49 CFR 393.201 and 396 Appendix A name frame, mounts and fasteners; 12 in round a mount is common practice',
      fromMemory: true,
    },
  },
  'UK, 300 mm': {
    reachMm: 300,
    source: {
      document: 'UK MOT inspection manual, prescribed areas: 300 mm round a mounting',
      fromMemory: true,
    },
  },
} as const satisfies Record<string, { reachMm: number; source: Source }>;
export type WalkProfile = keyof typeof WALK_PROFILES;

/** How the shop lays its welds, where it goes by no published size. Lengths mm. */
export const weldPracticeSchema = z.object({
  /** Hole of a plug weld; absent: the published size. */
  plugMm: z.number().gte(5, 'a plug hole under 5 mm takes no weld').lte(40).optional(),
  /** Runs laid skipping about until they are continuous; absent: the shortest an intermittent fillet may be. */
  runMm: z.number().gte(10, 'a run under 10 mm is a tack').lte(300).optional(),
});
export type WeldPractice = z.infer<typeof weldPracticeSchema>;

/** The judgements of one kind that stand alone. */
const judgements = {
  school: schoolSchema,
  /** Sound = at least this fraction of the wall as made. */
  soundFraction: z.number().gt(0).lte(1),
  /** A weld lands on at least this, where the wall was made 1/8 in or more; sheet has a limit of its own (`weldableMm`). */
  weldableMinimumMm: z.number().gt(0).lt(25),
  /** Lower-bound retained fraction at or above which the section alone gives no reason to act. */
  leaveFraction: z.number().gt(0).lte(1),
  /** Plate thicknesses on the shelf. */
  stockThicknessesMm: z.array(z.number().gt(0).lt(50)).min(1).max(30),
  /** Neutral-axis factor of the shop's brake, from its own coupon. */
  bendK: z.number().gte(0.2).lte(0.6),
  /** Inside bend radius as a multiple of plate thickness. */
  bendRadiusPerThickness: z.number().gte(0.5).lte(6),
  drainDiameterMm: z.number().gt(0).lt(100),
  /** How far a drain's edge is turned down; absent: 1/8 in (common practice, no source). */
  drainLipMm: z.number().gte(0).lte(20, 'a lip over 20 mm is no drain’s').optional(),
};

/** The practice profile: every judgement that is the shop's to change, with its default. Lengths mm. */
export const practiceSchema = z.object({
  ...judgements,
  ways: shopWaysSchema.default(() => DEFAULT_WAYS),
  legal: shopLegalSchema.default(() => DEFAULT_LEGAL),
  loadFactors: loadFactorsSchema.default(() => DEFAULT_LOAD_FACTORS),
  /** Load factors that a duty has otherwise, by its name. */
  dutyFactors: z
    .record(z.string().min(1).max(40), loadFactorsSchema.partial())
    .default(() => DEFAULT_DUTY_FACTORS),
  walk: walkPracticeSchema.default(() => DEFAULT_WALK_PRACTICE),
  hand: handPracticeSchema.default(() => DEFAULT_HAND_PRACTICE),
  geometry: geometryPracticeSchema.default(() => DEFAULT_GEOMETRY_PRACTICE),
  weld: weldPracticeSchema.default(() => ({})),
  money: moneySchema.default(() => DEFAULT_MONEY),
});
export type Practice = z.infer<typeof practiceSchema>;

/** What a member's metal is judged by: neither loads nor money. */
export type MetalPractice = Omit<Practice, 'loadFactors' | 'dutyFactors' | 'money'>;
export const metalPractice = ({
  loadFactors: _,
  dutyFactors: __,
  money: ___,
  ...metal
}: Practice): MetalPractice => metal;

/** Version 1 kept the hourly rate among the rules of the walk. */
const moneyOutOfWalk = (body: Body): Body => {
  const walk = body.walk as { ratePerHour?: number; currency?: string } | undefined;
  const { ratePerHour, currency, ...rest } = walk ?? {};
  return {
    ...body,
    ...(walk && { walk: rest }),
    ...(ratePerHour !== undefined && currency !== undefined && { money: { ratePerHour, currency } }),
  };
};
/** Version 2 had no limits of wear and bend. */
const withWear = (body: Body): Body =>
  body.hand ? { ...body, hand: { wornMm: WORN_MM, bentMm: BENT_MM, ...(body.hand as Body) } } : body;
export const practiceForm: Form<Practice> = {
  name: 'practice profile',
  version: 3,
  schema: practiceSchema,
  upcasts: { 1: moneyOutOfWalk, 2: withWear },
};

/** Where a job's practice differs from its shop's. */
export const practiceOverridesSchema = z
  .object({
    ...judgements,
    ways: shopWaysSchema,
    legal: shopLegalSchema,
    dutyFactors: z.record(z.string().min(1).max(40), loadFactorsSchema.partial()),
    loadFactors: loadFactorsSchema.partial(),
    walk: walkPracticeSchema.partial(),
    hand: handPracticeSchema.partial(),
    geometry: geometryPracticeSchema.partial(),
    weld: weldPracticeSchema,
    money: moneySchema.partial(),
  })
  .partial();
export type PracticeOverrides = z.infer<typeof practiceOverridesSchema>;
export const overridesForm: Form<PracticeOverrides> = {
  name: 'change of practice',
  version: 2,
  schema: practiceOverridesSchema,
  upcasts: { 1: moneyOutOfWalk },
};

/** The shop's practice as a unit is judged by it: the load factors of its duty, the legal profile that is meant for it. */
export const practiceFor = (shop: Practice, unit: UnitForPractice): Practice => ({
  ...shop,
  loadFactors: { ...shop.loadFactors, ...shop.dutyFactors[unit.duty] },
  legal: { ...shop.legal, chosen: legalFor(shop.legal, unit) },
});

/** The practice that holds for a job: its shop's, but where the job says otherwise. */
export const practiceWith = (shop: Practice, overrides: PracticeOverrides): Practice => {
  const { loadFactors, walk, hand, geometry, money, ...single } = overrides;
  return {
    ...shop,
    ...single,
    loadFactors: { ...shop.loadFactors, ...loadFactors },
    walk: { ...shop.walk, ...walk },
    hand: { ...shop.hand, ...hand },
    geometry: { ...shop.geometry, ...geometry },
    money: { ...shop.money, ...money },
  } as Practice;
};

const differences = <Part extends object>(from: Part, to: Part): Partial<Part> =>
  Object.fromEntries(
    Object.entries(to).filter(([key, value]) => !dequal(value, from[key as keyof Part])),
  ) as Partial<Part>;

/** What a job says otherwise than its shop: `practiceWith(shop, overridesOf(shop, practice))` is `practice`. */
export function overridesOf(shop: Practice, practice: Practice): PracticeOverrides {
  const { loadFactors, walk, hand, geometry, money, ...single } = differences(shop, practice);
  return {
    ...single,
    ...(loadFactors && { loadFactors: differences(shop.loadFactors, loadFactors) }),
    ...(walk && { walk: differences(shop.walk, walk) }),
    ...(hand && { hand: differences(shop.hand, hand) }),
    ...(geometry && { geometry: differences(shop.geometry, geometry) }),
    ...(money && { money: differences(shop.money, money) }),
  };
}

export const DEFAULT_PRACTICE: Practice = {
  school: 'half-inch band',
  soundFraction: 0.8,
  weldableMinimumMm: inchesToMm(0.08),
  leaveFraction: 0.9,
  stockThicknessesMm: [1 / 8, 3 / 16, 1 / 4, 5 / 16, 3 / 8].map(inchesToMm),
  bendK: 0.41,
  bendRadiusPerThickness: 1.5,
  drainDiameterMm: inchesToMm(3 / 4),
  ways: DEFAULT_WAYS,
  legal: DEFAULT_LEGAL,
  loadFactors: DEFAULT_LOAD_FACTORS,
  dutyFactors: DEFAULT_DUTY_FACTORS,
  walk: DEFAULT_WALK_PRACTICE,
  hand: DEFAULT_HAND_PRACTICE,
  geometry: DEFAULT_GEOMETRY_PRACTICE,
  weld: {},
  money: DEFAULT_MONEY,
};

/** Sheet can be welded from this share of what it was made as, and never under this: common practice, no source. */
const WELDABLE_SHEET = { share: 0.65, leastMm: inchesToMm(0.03) } as const;

/** What a weld needs to land on, mm, by what the wall was made as: the shop's own least for plate, a share of its own gauge for sheet. */
export const weldableMm = (madeMm: number, practice: { weldableMinimumMm: number }): number =>
  isPlate(madeMm)
    ? practice.weldableMinimumMm
    : Math.max(WELDABLE_SHEET.share * madeMm, WELDABLE_SHEET.leastMm);

/** Sound metal a school wants below the top corner before a bottom cap alone will do, mm. */
export const schoolMarginMm = (school: School): number =>
  ({
    'half-inch band': inchesToMm(1 / 2),
    'one inch left': inchesToMm(1),
    'where rust ends': inchesToMm(1 / 2),
  })[school];

/** How near the top corner the school lets a plate's edge come, mm. */
export const schoolEdgeMm = (school: School): number =>
  ({
    'half-inch band': inchesToMm(1 / 4),
    'one inch left': inchesToMm(1),
    'where rust ends': inchesToMm(1 / 4),
  })[school];

/** Sources of the limits the rules use. */
export const LIMIT_SOURCES = {
  retained: { document: 'API 579-1, allowable remaining strength factor 0.90', fromMemory: true },
  sound: COMMON_PRACTICE,
  school: COMMON_PRACTICE,
  crack: {
    document: '49 CFR 393.201(a)',
    clause: 'frame not cracked, loose, sagging or broken',
    fromMemory: true,
  },
  flangeCut: {
    document: '49 CFR 393.201(c)',
    clause: 'flanges between the axles not cut except as the maker specifies',
    fromMemory: true,
  },
  weldByMaker: {
    document: '49 CFR 393.201(d)',
    clause: 'welding only as the maker allows',
    fromMemory: true,
  },
  lap: {
    document: 'AISC 360, J2.2b',
    clause: 'lap at least five times the thinner part and 1 in',
    fromMemory: true,
  },
  minimumLeg: {
    document: 'AWS D1.1, minimum fillet size',
    clause: 'thinner part; 3/16 in where cyclically loaded',
    fromMemory: true,
  },
  maximumLeg: { document: 'AISC 360, J2.2b', clause: 'fillet along an edge', fromMemory: true },
  intermittent: {
    document: 'AISC 360, J2.2b',
    clause: 'intermittent fillets at least 4 legs and 1 1/2 in',
    fromMemory: true,
  },
  stitchPitch: { document: 'AISC 360, E6/D4 stitch spacing', clause: '0.75√(E/Fy)·t', fromMemory: true },
  bolted: BOLTED_SOURCE,
  bracketPlate: {
    document: 'Salmon and Johnson, Steel Structures',
    clause: 'triangular bracket plates, b/t ≤ 250/√Fy',
    fromMemory: true,
  },
  bendRadius: {
    document: 'ASTM A6/A6M, appendix X4',
    clause: 'suggested least inside radii of cold bends across the rolling direction',
    fromMemory: true,
  },
  slenderTie: { document: 'AISC 360, E2', clause: 'L/r preferably not over 200', fromMemory: true },
  portal: {
    document: 'Kleinlogel, Rigid Frame Formulas',
    clause: 'portal with fixed feet',
    fromMemory: true,
  },
  heatStraightening: {
    document: 'FHWA, Guide for Heat-Straightening',
    clause: 'carbon steel to 650 °C',
    fromMemory: true,
  },
  boltPitch: {
    document: 'AISC 360, J3.5(a)',
    clause: 'bolts no farther apart than 24 t and 12 in',
    fromMemory: true,
  },
  stiffened: {
    document: 'AISC 360, Table B4.1a',
    clause: 'held along both edges, b/t ≤ 1.49√(E/Fy)',
    fromMemory: true,
  },
  outstand: { document: 'AISC 360, Table B4.1a', clause: 'outstand b/t ≤ 0.56√(E/Fy)', fromMemory: true },
  plug: {
    document: 'AISC 360, J2.3b',
    clause: 'hole at least t + 5/16 in, up to an odd sixteenth',
    fromMemory: true,
  },
  baseMetal: { document: 'AISC 360, J4', clause: 'min(0.4 Fy t, 0.3 Fu t)', fromMemory: true },
  demand: {
    document: 'Allowable share of yield: common practice; buckling by AISC 360',
    clause: 'Table B4.1a, F2',
    fromMemory: true,
  },
  fatigue: { document: 'AISC 360, Appendix 3', clause: 'Table A-3.1', fromMemory: true },
  crippling: { document: 'AISC 360, J10.3', clause: 'web local crippling over 2', fromMemory: true },
  practice: COMMON_PRACTICE,
  millStraightness: MILL_STRAIGHTNESS,
  ukStructure: LEGAL_SOURCES.uk,
  ownProfile: LEGAL_SOURCES.own,
  seen: {
    document:
      'Common practice: not seen is never fine. 49 CFR 396 Appendix A wants frame members and fasteners looked at',
    fromMemory: true,
  },
  boltMarks: {
    document: 'SAE J429, head marks: three for grade 5, six for grade 8; which is wanted: common practice',
    fromMemory: true,
  },
  fastened: {
    document: '49 CFR 393.201(b)',
    clause: 'bolts securing cab or body not loose, broken or missing',
    fromMemory: true,
  },
} as const satisfies Record<string, Source>;
export type LimitSource = keyof typeof LIMIT_SOURCES;
