import type { SectionProperties } from '../mechanics';
import { steel, type MetalPractice, type Steel } from '../reference';
import { surfaceOf, type Frame, type Member, type Surface } from '../frame';
import {
  builtThickness,
  soundEdges,
  soundThresholdMm,
  thicknessMap,
  type BuiltThickness,
  type FeltEdge,
  type Reading,
  type SoundEdge,
  type ThicknessMap,
} from '../probe';
import type { Crack } from '../trace';
import type { MemberWalk, Sign } from '../walk';
import { damageByColumn, damageZones, type ColumnDamage, type DamageZone } from './damage';
import { builtProperties, keptAlong, type SectionKept } from './kept';

/** Everything known about one member, standing evidence only (what was struck is not in it). */
export interface MemberEvidence {
  /** Without what it carries: loads judge nothing here. */
  readonly frame: Omit<Frame, 'loads'>;
  readonly member: Member;
  readonly readings: readonly Reading[];
  readonly cracks: readonly Crack[];
  readonly practice: MetalPractice;
  /** What was looked at, and what was not; absent where nobody asks (a trainer's rail). */
  readonly walk?: MemberWalk;
  readonly signs?: readonly Sign[];
  readonly feltEdges?: readonly FeltEdge[];
}

/** What follows from the evidence (the readings have gone into map and edges); the rules read only this. `map` and `sections` are absent when nothing was measured. */
export interface MemberPicture extends Omit<MemberEvidence, 'readings'> {
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

/** `map`, where one is given, stands for the map of all readings: the one that was quick to have while readings are typed. */
export function memberPicture(
  evidence: MemberEvidence,
  map: ThicknessMap | undefined = thicknessMap(evidence.member, evidence.readings),
): MemberPicture {
  const { readings, ...evidenceBeside } = evidence;
  const { member, practice } = evidenceBeside;
  const surface = surfaceOf(member.shape);
  const built = builtThickness(member, readings);
  const asBuilt = builtProperties(surface, built.thicknessMm);
  const soundMm = soundThresholdMm(member.shape.thicknessMm, practice);
  const edges = soundEdges(member, readings, soundMm, evidence.feltEdges);
  const { sections, partedAtMm } = map ? keptAlong(map, asBuilt) : { sections: [], partedAtMm: [] };
  const columns = map ? damageByColumn(map, edges, sections, soundMm, practice.leaveFraction) : [];
  return {
    ...evidenceBeside,
    surface,
    steel: steel(member.steel),
    built,
    builtProperties: asBuilt,
    soundMm,
    ...(map && { map }),
    edges,
    sections,
    partedAtMm,
    columns,
    zones: damageZones(columns, member.shape.depthMm),
  };
}
