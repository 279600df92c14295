import { LAYS_METAL, type TaskProgress } from '../../order';
import type { Reading } from '../../probe';
import type { ClosedIn } from '../../prove';
import { reachOf, type RepairFinding } from '../../shape';
import type { MemberWork } from '../member';
import type { Works } from '../order/scene';
import { stands, type JobFile } from '../records';

/** How a wall was read at one time: how often, and the thinnest; none where nobody read it. */
export interface ReadTimes {
  readonly count: number;
  readonly thinnestMm?: number;
}

/** Readings where a kept repair lies, before its first plate was tacked on and after its last was welded; and what nobody had read of where it lands. */
export interface ReadAround {
  readonly repairId: string;
  readonly memberId: string;
  readonly fromMm: number;
  readonly toMm: number;
  /** Absent while nothing of it is laid: everything is before then. */
  readonly laidAt?: string;
  readonly before: ReadTimes;
  readonly after: ReadTimes;
  /** Its edges that land on metal nobody read, by face. */
  readonly unread: readonly string[];
  /** Nobody read or struck it before its plates were on: what was read there since may be the plates. */
  readonly isReadLate: boolean;
  /** What stays beneath it, and goes on there. */
  readonly closedIn: readonly ClosedIn[];
}

/** Plates are read beside, too: where their welds land, mm. */
const BESIDE_MM = 100;

export const readAround = (file: JobFile, works: Works, progress: readonly TaskProgress[]): ReadAround[] =>
  [...works.values()].flatMap(({ picture, repairs }) =>
    repairs.flatMap((worked): ReadAround[] => {
      if (worked.isProposal) return [];
      const { id: repairId, memberId } = worked.repair;
      const reach = reachOf(worked.repair);
      const [fromMm, toMm] = [reach.fromMm - BESIDE_MM, reach.toMm + BESIDE_MM];
      const there = stands(file, 'reading').filter(
        (reading) =>
          reading.memberId === picture.member.id && reading.stationMm >= fromMm && reading.stationMm <= toMm,
      );
      const laid = laidTimes(progress, repairId);
      const before = timesOf(there.filter(({ at }) => !laid || at < laid.first));
      const after = timesOf(laid ? there.filter(({ at }) => at > laid.last) : []);
      return [
        {
          repairId,
          memberId,
          fromMm,
          toMm,
          ...(laid && { laidAt: laid.first }),
          before,
          after,
          unread: unreadEdges(worked.findings),
          closedIn: closedInBy(worked),
          isReadLate: laid !== undefined && before.count === 0 && restsOnReadings(worked),
        },
      ];
    }),
  );

const STAYS: Partial<Readonly<Record<RepairFinding['code'], ClosedIn>>> = {
  'rust-enclosed': 'rust',
  'rust-between': 'rust',
  'skin-stays': 'an earlier skin',
  'crack-stays': 'a crack',
};
const closedInBy = ({ findings }: MemberWork['repairs'][number]): ClosedIn[] => [
  ...new Set(findings.flatMap(({ code }) => STAYS[code] ?? [])),
];

function laidTimes(
  progress: readonly TaskProgress[],
  repairId: string,
): { readonly first: string; readonly last: string } | undefined {
  const times = progress
    .filter(({ task: { what, of } }) => of.id === repairId && LAYS_METAL.has(what))
    .flatMap(({ startedAt, doneAt }) => [startedAt, doneAt])
    .filter((at) => at !== undefined)
    .sort();
  const [first] = times;
  return first === undefined ? undefined : { first, last: times.at(-1)! };
}

/** Some of its edges are known to land by what a gauge read, not by a hammer. */
const restsOnReadings = ({ pieces }: MemberWork['repairs'][number]): boolean =>
  pieces.some(({ stations }) =>
    stations.some(({ edges }) => edges.some(({ why }) => why === 'sound' || why === 'unsound')),
  );

const timesOf = (readings: readonly Reading[]): ReadTimes => ({
  count: readings.length,
  ...(readings.length > 0 && { thinnestMm: Math.min(...readings.map(({ thicknessMm }) => thicknessMm)) }),
});

const unreadEdges = (findings: MemberWork['repairs'][number]['findings']): string[] => [
  ...new Set(
    findings
      .filter(({ code }) => code === 'edge-not-measured')
      .map(({ name, pieceId }) => name ?? pieceId ?? ''),
  ),
];
