import { z } from 'zod';
import {
  bySchema,
  evenWall,
  evidenceKind,
  instantSchema,
  onMember,
  recordIdSchema,
  surfaceOf,
  type Frame,
  type Member,
  type MemberShape,
} from '../frame';
import { sectionProperties, type SectionProperties } from '../mechanics';
import { nominalMm } from '../probe';
import { fail, inchesToMm, ok } from '../quantity';
import { STEEL_DENSITY_KG_PER_MM3, STOCK_TUBES, type StockTube } from '../reference';
import { wallSection } from '../weigh';

/** Why a tube will not do in a crossmember's place. */
export const TUBE_WHY_NOT = ['weaker', 'softer in twist', 'no space beneath', 'too deep'] as const;
export type TubeWhyNot = (typeof TUBE_WHY_NOT)[number];

/** A tube beside the member it would replace: its strength and twist against the old one's as made, and the space it leaves. */
export interface RenewalTube {
  readonly tube: StockTube;
  /** Section modulus and torsion constant over the old one's as made. */
  readonly modulus: number;
  readonly torsion: number;
  /** Between its underside and the rail's lower flange, set against the upper one, mm. */
  readonly beneathMm: number;
  readonly massKg: number;
  readonly whyNot: readonly TubeWhyNot[];
}

/** Dirt gets out beneath it instead of damming against it (common practice; the figure is ours: 1 in). */
const BENEATH_MM = inchesToMm(1);

/** A tube's corners are round (outside radius 2 t): its S and J over a sharp-cornered box's, from HSS4×4×1/4 (AISC, from memory). */
const ROUND_CORNERS = 0.93;
const ROUNDING_MM = 1e-6;

const propertiesOf = (shape: MemberShape): SectionProperties | undefined => {
  const surface = surfaceOf(shape);
  return sectionProperties(wallSection(surface, evenWall(surface, shape.thicknessMm)));
};

export const boxOf = ({ depthMm, widthMm, thicknessMm }: StockTube): MemberShape => ({
  kind: 'box',
  depthMm,
  widthMm,
  thicknessMm,
});

const leastModulus = ({ sTopMm3, sBottomMm3 }: SectionProperties): number => Math.min(sTopMm3, sBottomMm3);

/**
 * Tubes that could stand in a crossmember's place, those that do first and of these the lightest: bending strength and torsion at least the old
 * one's as made, between the rail's flanges, with space beneath.
 */
export function renewalTubes(frame: Pick<Frame, 'members'>, member: Member): RenewalTube[] {
  const old = propertiesOf(member.shape);
  const rail = frame.members.find(({ role }) => role === 'rail');
  if (!old || !rail) return [];
  // Against another sharp-cornered box both err alike.
  const round = member.shape.kind === 'box' ? 1 : ROUND_CORNERS;
  const clearMm = rail.shape.depthMm - nominalMm(rail, 'top') - nominalMm(rail, 'bottom');
  return STOCK_TUBES.flatMap((tube): RenewalTube[] => {
    const own = propertiesOf(boxOf(tube));
    const sold = propertiesOf({ ...boxOf(tube), thicknessMm: tube.nominalMm });
    if (!own || !sold) return [];
    const massKg = sold.areaMm2 * member.lengthMm * STEEL_DENSITY_KG_PER_MM3;
    const [modulus, torsion] = [
      (round * leastModulus(own)) / leastModulus(old),
      (round * own.jMm4) / old.jMm4,
    ];
    const beneathMm = clearMm - tube.depthMm;
    const whyNot: TubeWhyNot[] = [
      ...(modulus < 1 ? (['weaker'] as const) : []),
      ...(torsion < 1 ? (['softer in twist'] as const) : []),
      ...(beneathMm < 0
        ? (['too deep'] as const)
        : beneathMm < BENEATH_MM - ROUNDING_MM
          ? (['no space beneath'] as const)
          : []),
    ];
    return [{ tube, modulus, torsion, beneathMm, massKg, whyNot }];
  }).sort((a, b) => a.whyNot.length - b.whyNot.length || a.massKg - b.massKg);
}

const sizeMm = z.number().gt(10).lte(1000);
/** A crossmember that is made anew, and of what. It is planned until *put right* says that it is in. */
export const renewalSchema = z.object({
  kind: z.literal('renewal'),
  id: recordIdSchema,
  memberId: z.string().min(1).max(40),
  tube: z.object({ depthMm: sizeMm, widthMm: sizeMm, nominalMm: z.number().gt(0.3).lt(40) }),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type Renewal = z.infer<typeof renewalSchema>;

export const renewalKind = evidenceKind<Renewal>({
  name: 'renewal',
  schema: renewalSchema,
  fits: (frame, { memberId }) =>
    onMember(frame, memberId, ({ role, name }) =>
      role !== 'crossmember'
        ? fail(`${name} is no crossmember: a stock tube does not stand in for it`, 'memberId')
        : ok({}),
    ),
  tells: ({ memberId }) => [memberId],
});
