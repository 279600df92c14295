import { fatigue } from '../reference';
import type { FatigueSpot, MemberDemand } from './demand';
import { columnsUnder, partedShare } from '../metal';
import type { Finding, Verdict } from './finding';
import { isJudged, type SectionKept } from './kept';
import type { MemberPicture } from './picture';
import { actOn, isMended } from './mended';

/** A member's demand in the frame as found and as it was made. */
export interface DemandPair {
  readonly found: MemberDemand;
  readonly built: MemberDemand;
  /** On what surely carries: doubtful, hidden and unseen metal taken away. */
  readonly least?: MemberDemand;
}

/** Utilisation from which a member is watched. */
const NEAR = 0.9;
/** Beams are nominal: within this of 1 either answer could be had (our judgement; shells showed 1.4–1.7 times a beam's stress at joints). */
const EITHER_WAY = 0.25;
/** Found this much worse than made, the rust and not the load is to blame (our judgement). */
const WORSE_THAN_MADE = 1.1;

/** What the frame asks of the member, against what it can take as found. Nothing is claimed of a member of which nothing was found. */
export function demandFindings(picture: MemberPicture, { found, built }: DemandPair): Finding[] {
  if (!picture.found || !found.worst) return [];
  return [
    ...utilisationFinding(picture, found, built),
    ...liftFinding(found),
    ...padFindings(picture, found),
    ...fatigueFinding(picture, found, built),
  ];
}

function utilisationFinding(picture: MemberPicture, found: MemberDemand, built: MemberDemand): Finding[] {
  const worst = found.worst!;
  const made = built.worst?.utilisation ?? 0;
  const over = worst.utilisation > 1;
  const byMake = over && made > 1 && worst.utilisation < WORSE_THAN_MADE * made;
  const byOthers = over && found.byItself !== undefined && found.byItself <= 1;
  const code = byMake
    ? 'demand-over-as-made'
    : byOthers
      ? 'demand-over-by-others'
      : over
        ? 'demand-over'
        : worst.utilisation > NEAR
          ? 'demand-near'
          : 'demand-within';
  return [
    {
      code,
      quantity: 'fraction',
      value: worst.utilisation,
      limit: 1,
      source: 'demand',
      name: worst.caseId,
      at: { fromMm: worst.stationMm, toMm: worst.stationMm },
      verdict:
        code === 'demand-over'
          ? overVerdict(picture, worst.stationMm)
          : code === 'demand-within'
            ? 'Leave'
            : 'Watch',
      ...(over && made > 0 && { made }),
      ...(found.restsOn && { restsOn: found.restsOn }),
      firmness:
        Math.abs(worst.utilisation - 1) > EITHER_WAY && !found.restsOn
          ? 'firm'
          : 'could flip with one more reading',
    },
  ];
}

/** A section that is mostly guessed, with nothing found gone on it, may be over by the guess alone: that asks for a reading. */
function overVerdict(picture: MemberPicture, stationMm: number): Verdict {
  const { account, sections } = picture;
  const here = sections.reduce<SectionKept | undefined>(
    (near, each) =>
      !near || Math.abs(each.stationMm - stationMm) < Math.abs(near.stationMm - stationMm) ? each : near,
    undefined,
  );
  const [column] = columnsUnder(account.stationsMm, stationMm, stationMm);
  return !here || isJudged(here) || partedShare(account, column) > 0 ? actOn(picture) : 'Can’t say';
}

/** Over its allowable on lift arms or a jack, with what is listed on board: watched, since it can be lifted elsewhere or lighter. */
function liftFinding({ lifted }: MemberDemand): Finding[] {
  if (!lifted || lifted.utilisation <= 1) return [];
  return [
    {
      code: 'lift-over',
      quantity: 'fraction',
      value: lifted.utilisation,
      limit: 1,
      source: 'demand',
      name: lifted.caseId,
      at: { fromMm: lifted.stationMm, toMm: lifted.stationMm },
      verdict: 'Watch',
      firmness: lifted.utilisation > 1 + EITHER_WAY ? 'firm' : 'could flip with one more reading',
    },
  ];
}

function padFindings(picture: MemberPicture, found: MemberDemand): Finding[] {
  const worst = [...found.pads].sort((a, b) => b.upN / b.capacityN - a.upN / a.capacityN)[0];
  if (!worst || worst.upN <= worst.capacityN) return [];
  return [
    {
      code: 'pad-cripples',
      quantity: 'force',
      value: worst.upN,
      limit: worst.capacityN,
      source: 'crippling',
      name: worst.caseId,
      at: { fromMm: worst.stationMm, toMm: worst.stationMm },
      verdict: isMended(picture.member) ? 'Watch' : 'Renew',
      firmness: 'firm',
    },
  ];
}

/** A crack this near to a detail is the detail's own, mm (our judgement). */
const OWN_CRACK_MM = 50;

/** The road works harder there than it did when made, or it has cracked: most brackets of most trucks stand over a threshold all their lives. */
const isWorseThanMade = (picture: MemberPicture, spot: FatigueSpot, built: MemberDemand): boolean => {
  const isCracked = picture.cracks.some(({ path }) =>
    path.some(({ stationMm }) => Math.abs(stationMm - spot.stationMm) <= OWN_CRACK_MM),
  );
  const made = built.spots.find(
    ({ what, stationMm }) => what === spot.what && Math.abs(stationMm - spot.stationMm) < 1,
  );
  return isCracked || (made !== undefined && spot.rangeMpa > WORSE_THAN_MADE * made.rangeMpa);
};

function fatigueFinding(picture: MemberPicture, found: MemberDemand, built: MemberDemand): Finding[] {
  const finite = found.spots.filter(({ cycles }) => cycles < Infinity);
  const asking = finite.find((spot) => isWorseThanMade(picture, spot, built));
  const worst = asking ?? finite[0];
  if (!worst) return [];
  return [
    {
      code: asking ? 'fatigue-worse' : 'fatigue-range',
      quantity: 'stress',
      value: worst.rangeMpa,
      limit: fatigue(worst.category).thresholdMpa,
      source: 'fatigue',
      name: `${worst.what} (category ${worst.category})`,
      at: { fromMm: worst.stationMm, toMm: worst.stationMm },
      verdict: asking ? 'Watch' : 'Leave',
      firmness: 'could flip with one more reading',
    },
  ];
}

/** Details within this of a plate's end are nearby, mm (our judgement: a rail depth or two). */
const NEARBY_MM = 600;
export const PLATE_END_IDS = ['under its threshold', 'no worse than nearby', 'worse than nearby'] as const;
export interface PlateEnd {
  readonly says: (typeof PLATE_END_IDS)[number];
  /** What stands nearby as the maker made it, the one that cracks first. */
  readonly nearby?: FatigueSpot;
}

/** A new plate's end is fine where the road stays under its threshold, or where it lasts no shorter than what the maker put nearby. */
export function plateEnd(end: FatigueSpot, built: MemberDemand | undefined): PlateEnd {
  if (end.cycles === Infinity) return { says: 'under its threshold' };
  const nearby = (built?.spots ?? [])
    .filter((spot) => !spot.atPlateEnd && Math.abs(spot.stationMm - end.stationMm) <= NEARBY_MM)
    .sort((a, b) => a.cycles - b.cycles)[0];
  if (!nearby) return { says: 'worse than nearby' };
  return { says: nearby.cycles <= end.cycles ? 'no worse than nearby' : 'worse than nearby', nearby };
}
