import { fittingsOn, twinOf, type Family, type Frame } from '../frame';
import type { HotSpot, SpotRule } from './spot';

/** Something bad that was found on a closed job: where, and what. */
export interface ClosedFinding {
  readonly id: string;
  readonly memberId: string;
  readonly stationMm: number;
  readonly what: string;
}
export interface ClosedJob {
  readonly tag: string;
  readonly closedOn: string;
  readonly frame: Frame;
  readonly spots: readonly HotSpot[];
  readonly findings: readonly ClosedFinding[];
}

/** A finding this near a spot on the list was looked for already; and this near a bracket it belongs to the bracket. */
const KNOWN_MM = 250;
const BESIDE_MM = 600;

/** What the shop's closed jobs add to the list: places where something was found that no spot had asked for. One rule a place. */
export function learnedSpots(jobs: readonly ClosedJob[]): SpotRule[] {
  const rules = new Map<string, SpotRule>();
  for (const job of jobs)
    for (const finding of job.findings) {
      const known = job.spots.some(
        (spot) =>
          spot.memberId === finding.memberId &&
          finding.stationMm >= spot.fromMm! - KNOWN_MM &&
          finding.stationMm <= spot.toMm! + KNOWN_MM,
      );
      const rule = known ? undefined : ruleFrom(job, finding);
      if (rule && !rules.has(rule.id)) rules.set(rule.id, rule);
    }
  return [...rules.values()];
}

function ruleFrom(job: ClosedJob, { memberId, stationMm, what }: ClosedFinding): SpotRule | undefined {
  const member = job.frame.members.find((each) => each.id === memberId);
  if (!member) return undefined;
  const told = {
    title: `Found before: ${what}`,
    look: `${job.tag}, closed ${job.closedOn}`,
    families: [job.frame.family] as Family[],
    tour: 'beneath' as const,
    critical: true,
    needs: [],
    beforeBuying: false,
    from: 'learned' as const,
  };
  const mark = fittingsOn(job.frame, member)
    .filter((each) => Math.abs(each.stationMm - stationMm) <= BESIDE_MM)
    .sort((a, b) => Math.abs(a.stationMm - stationMm) - Math.abs(b.stationMm - stationMm))[0];
  if (mark) {
    const asideMm = Math.round((stationMm - mark.stationMm) / 50) * 50;
    return {
      id: `learned ${job.frame.family} ${mark.kind} ${asideMm}`,
      ...told,
      where: { on: 'fitting', kinds: [mark.kind], asideMm },
    };
  }
  const share = Math.round((stationMm / member.lengthMm) * 20) / 20;
  const ids = [member.id, ...[twinOf(job.frame, member)?.id].filter((id) => id !== undefined)].sort();
  return {
    id: `learned ${job.frame.family} ${ids[0]} ${share}`,
    ...told,
    where: {
      on: 'stretch',
      roles: [member.role],
      ids,
      from: Math.max(0, share - 0.025),
      to: Math.min(1, share + 0.025),
    },
  };
}
