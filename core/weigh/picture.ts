import type { SectionProperties } from '../mechanics';
import { legalOf, waysFor, type Legal, type MetalPractice, type Steel } from '../reference';
import { steelOf } from './steel-of';
import { surfaceOf, type Frame, type Member, type Surface } from '../frame';
import {
  builtThickness,
  soundEdges,
  soundThresholdMm,
  thicknessMap,
  type BuiltThickness,
  type Reading,
  type SoundEdge,
  type ThicknessMap,
} from '../probe';
import {
  crackDated,
  isAnyBad,
  metalAccount,
  ownReadings,
  sayingsOf,
  stillThere,
  struckEdges,
  type MetalAccount,
  type WallField,
  type Witnesses,
} from '../metal';
import type { Complaint, MemberWalk } from '../walk';
import { damageByColumn, damageZones, type ColumnDamage, type DamageZone } from './damage';
import type { Geometry } from './straight';
import { builtProperties, keptAlong, type SectionKept } from './kept';

/** A weld by its mark, and how far what it holds reaches along the member. */
export interface CrackedWeld {
  readonly mark: string;
  readonly fromMm: number;
  readonly toMm: number;
}

/** Everything known about one member, standing evidence only (what was struck is not in it). */
export interface MemberEvidence extends Witnesses {
  /** Without what it carries: loads judge nothing here. */
  readonly frame: Omit<Frame, 'loads'>;
  readonly member: Member;
  readonly readings: readonly Reading[];
  readonly practice: MetalPractice;
  /** What was looked at, and what was not; absent where nobody asks (a trainer's rail). */
  readonly walk?: MemberWalk;
  /** What was measured of its line and angles. */
  readonly geometry?: readonly Geometry[];
  /** Welds of its repairs that were found cracked, and not welded again since. */
  readonly crackedWelds?: readonly CrackedWeld[];
  /** What the owner feels along it and nothing on record of its path explains. */
  readonly unexplained?: readonly Complaint[];
}

/**
 * What follows from the evidence (it has gone into account, map and edges); the rules read only this. `map` is of readings alone, absent when
 * nothing was measured; `found` is the wall as found, absent when nothing is known to differ from as made.
 */
export interface MemberPicture extends Omit<MemberEvidence, 'readings' | 'feltEdges' | 'beside' | 'kept'> {
  /** How the shop works on this wall, and what the law asks of it. */
  readonly ways: ReturnType<typeof waysFor>;
  readonly legal: Legal;
  readonly account: MetalAccount;
  readonly found?: WallField;
  readonly surface: Surface;
  readonly steel: Steel;
  readonly built: BuiltThickness;
  readonly builtProperties: SectionProperties;
  readonly soundMm: number;
  readonly map?: ThicknessMap;
  readonly edges: readonly SoundEdge[];
  readonly sections: readonly SectionKept[];
  readonly partedAtMm: readonly number[];
  readonly columns: readonly ColumnDamage[];
  readonly zones: readonly DamageZone[];
}

const pointIn = ({
  id,
  at,
  stationMm,
}: {
  readonly id: string;
  readonly at: string;
  readonly stationMm: number;
}) => ({
  id,
  at,
  fromMm: stationMm,
  toMm: stationMm,
});

/** `given`, where there is one, stands for the map of all readings: the one that was quick to have while readings are typed. */
export function memberPicture(evidence: MemberEvidence, given?: ThicknessMap): MemberPicture {
  const { readings: all, feltEdges = [], cracks: everyCrack, beside: _, kept, ...evidenceBeside } = evidence;
  const { member, practice } = evidenceBeside;
  const surface = surfaceOf(member.shape);
  const sayings = sayingsOf(member, evidence, practice.hand);
  const stands = stillThere(sayings, kept);
  const readings = ownReadings(all, sayings, kept).filter((reading) => stands(pointIn(reading)));
  const cracks = everyCrack.filter((crack) => stands(crackDated(crack)));
  const felt = feltEdges.filter((edge) => stands(pointIn(edge)));
  const signs = evidenceBeside.signs?.filter((sign) =>
    stands({ id: sign.id, at: sign.at, fromMm: sign.stationMm, toMm: sign.toMm ?? sign.stationMm }),
  );
  const map = given ?? thicknessMap(member, readings);
  const built = builtThickness(member, readings);
  const account = metalAccount(
    member,
    surface,
    { map, readings, sayings, madeMm: built.thicknessMm, soundShare: practice.soundFraction },
    practice.hand,
  );
  const found = map || isAnyBad(account) ? account.best : undefined;
  const asBuilt = builtProperties(surface, built.thicknessMm);
  const soundMm = soundThresholdMm(member.shape.thicknessMm, practice);
  const edges = soundEdges(member, readings, soundMm, felt, struckEdges(account, member));
  const { sections, partedAtMm } = found ? keptAlong(found, asBuilt) : { sections: [], partedAtMm: [] };
  const columns = found ? damageByColumn(account, edges, sections, practice) : [];
  return {
    ...evidenceBeside,
    ...(signs && { signs }),
    ways: waysFor(practice, {
      family: evidenceBeside.frame.family,
      madeMm: member.shape.thicknessMm,
    }),
    legal: legalOf(practice.legal),
    cracks,
    surface,
    steel: steelOf(evidenceBeside.frame, member),
    built,
    builtProperties: asBuilt,
    soundMm,
    account,
    ...(found && { found }),
    ...(map && { map }),
    edges,
    sections,
    partedAtMm,
    columns,
    zones: damageZones(columns, member.shape.depthMm),
  };
}
