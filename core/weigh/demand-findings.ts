import { fatigue } from '../reference';
import type { MemberDemand } from './demand';
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
    ...fatigueFinding(found),
  ];
}

function utilisationFinding(picture: MemberPicture, found: MemberDemand, built: MemberDemand): Finding[] {
  const worst = found.worst!;
  const made = built.worst?.utilisation ?? 0;
  const over = worst.utilisation > 1;
  const byMake = over && made > 1 && worst.utilisation < WORSE_THAN_MADE * made;
  const code = byMake
    ? 'demand-over-as-made'
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
  return !here || isJudged(here) || partedShare(account, column) > 0 ? actOn(picture.member) : 'Can’t say';
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

function fatigueFinding(found: MemberDemand): Finding[] {
  const worst = found.spots[0];
  if (!worst || worst.cycles === Infinity) return [];
  return [
    {
      code: 'fatigue-range',
      quantity: 'stress',
      value: worst.rangeMpa,
      limit: fatigue(worst.category).thresholdMpa,
      source: 'fatigue',
      name: `${worst.what} (category ${worst.category})`,
      at: { fromMm: worst.stationMm, toMm: worst.stationMm },
      verdict: 'Leave',
      firmness: 'could flip with one more reading',
    },
  ];
}
