import type { Member } from '../frame';
import { crackExtent, type Crack, type StressThere } from '../trace';
import type { StationDemand } from '../weigh';
import { steel } from '../reference';
import type { JobDemand } from './demand';
import type { JobRecords } from './records';

/** Beside a crack the model's section is what is left of it; what pulls on the crack is read this many depths away (the slack wedge's reach, ours). */
const BESIDE_DEPTHS = 1;

/**
 * What bending does to a member where a crack is, nominal and at its worst fibre: as found, read on both sides of it beyond its slack and drawn
 * straight between, and no less than as made at the place itself. Undefined where nothing is known of the road.
 */
export function stressAtCrack(
  { practice }: Pick<JobRecords, 'practice'>,
  demand: JobDemand | undefined,
  member: Member,
  crack: Pick<Crack, 'path'>,
): StressThere | undefined {
  const found = demand?.['as found'];
  const along = found?.isDriven
    ? found.members.find(({ memberId }) => memberId === member.id)?.along
    : undefined;
  if (!along?.length) return undefined;
  const { fromMm, toMm } = crackExtent(crack);
  const reach = BESIDE_DEPTHS * member.shape.depthMm;
  const before = nearest(along, fromMm - reach, ({ stationMm }) => stationMm <= fromMm - reach);
  const after = nearest(along, toMm + reach, ({ stationMm }) => stationMm >= toMm + reach);
  const beside = between(before, after, (fromMm + toMm) / 2);
  if (beside === undefined) return undefined;
  // At a hanger or an outrigger the moment has its peak there: as made, without the crack, it is known at the place itself.
  const made = demand?.['as built']?.members.find(({ memberId }) => memberId === member.id)?.along ?? [];
  const there = nearest(made, (fromMm + toMm) / 2, () => true);
  const rangeMpa = Math.max(beside, there?.rangeMpa ?? 0);
  // The range is the standing stress, half of it up and half down; a bump is so many times it.
  return {
    rangeMpa,
    bumpMpa: practice.loadFactors.bumpG * rangeMpa,
    yieldMpa: steel(member.steel).yieldMpa,
  };
}

const nearest = (
  along: readonly StationDemand[],
  mm: number,
  isOnSide: (at: StationDemand) => boolean,
): StationDemand | undefined =>
  along
    .filter(isOnSide)
    .reduce<StationDemand | undefined>(
      (best, at) => (best && Math.abs(best.stationMm - mm) <= Math.abs(at.stationMm - mm) ? best : at),
      undefined,
    );

function between(
  before: StationDemand | undefined,
  after: StationDemand | undefined,
  mm: number,
): number | undefined {
  if (!before || !after) return (before ?? after)?.rangeMpa;
  const share = (mm - before.stationMm) / (after.stationMm - before.stationMm || 1);
  return before.rangeMpa + share * (after.rangeMpa - before.rangeMpa);
}
