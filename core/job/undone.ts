import { ofKind } from '../frame';
import { crackedSince, logsBySeam } from '../join';
import { workPlace } from '../shape';
import { crackExtent } from '../trace';
import type { CrackedWeld } from '../weigh';
import type { Evidence } from './evidence';
import type { JobRecords } from './records';

/** A weld of a repair, a work or a crack's groove that cracked: the member it is on, and the host it was to put right. */
export interface WeldCracked extends CrackedWeld {
  readonly memberId: string;
  readonly host?: { readonly on: string; readonly id: string };
  /** When it was laid first, by the clock and as it was kept; absent where nobody logged that. */
  readonly laid?: { readonly at: string; readonly kept: number };
}

/** Welds whose log says that they cracked, with no welding since; of evidence that stands. What is no longer planned has none. */
function crackedWelds(
  records: Pick<JobRecords, 'frame' | 'practice' | 'repairs'>,
  evidence: readonly Evidence[],
): WeldCracked[] {
  return logsBySeam(ofKind(evidence, 'seam log')).flatMap((log): WeldCracked[] => {
    const found = crackedSince(log);
    if (!found) return [];
    const { ofId, memberId, mark } = found;
    const first = log.find(({ what }) => what === 'welded');
    const laid = first && { at: first.at, kept: evidence.indexOf(first) };
    return reachesOf(records, evidence, ofId).map((reach) => ({
      mark,
      memberId,
      ...reach,
      ...(laid && { laid }),
    }));
  });
}

type Reach = Pick<WeldCracked, 'fromMm' | 'toMm' | 'host'>;

/** Where along its member something is that has welds. */
function reachesOf(
  { frame, practice, repairs }: Pick<JobRecords, 'frame' | 'practice' | 'repairs'>,
  evidence: readonly Evidence[],
  ofId: string,
): Reach[] {
  const plates = repairs.filter(({ id }) => id === ofId).flatMap(({ pieces }) => pieces);
  if (plates.length > 0)
    return [
      {
        fromMm: Math.min(...plates.map(({ startMm }) => startMm)),
        toMm: Math.max(...plates.map(({ endMm }) => endMm)),
      },
    ];
  const cracks = ofKind(evidence, 'crack').filter(({ id }) => id === ofId);
  if (cracks.length > 0) return cracks.map(crackExtent);
  return ofKind(evidence, 'work')
    .filter(({ id }) => id === ofId)
    .flatMap((work): Reach[] => {
      const stationMm = workPlace(frame, practice, work)?.stationMm;
      if (stationMm === undefined) return [];
      const host = work.on === 'member' ? undefined : { on: work.on, id: work.hostId };
      return [{ fromMm: stationMm, toMm: stationMm, ...(host && { host }) }];
    });
}

/** Whether a record says that something was put right by a weld that cracked since: it is not. What was put right before any of it was laid stays so. */
function isUndone(record: Evidence, kept: number, all: readonly WeldCracked[]): boolean {
  const cracked = all.filter(({ laid }) => !laid || record.at >= laid.at || kept > laid.kept);
  if (record.kind === 'find')
    return (
      record.state.is === 'put right' &&
      cracked.some(({ host }) => host && host.on === record.on && host.id === record.hostId)
    );
  if (record.kind !== 'sign' || record.detail.sign !== 'put right') return false;
  const { memberId, stationMm, toMm = stationMm, detail } = record;
  return (
    detail.done !== 'straightened and checked' &&
    cracked.some((weld) => weld.memberId === memberId && weld.fromMm <= toMm && weld.toMm >= stationMm)
  );
}

/** Evidence that still says what it said: what was put right by a weld that cracked since is not among it. */
export function stillSaid(
  records: Pick<JobRecords, 'frame' | 'practice' | 'repairs'>,
  evidence: readonly Evidence[],
): { readonly evidence: readonly Evidence[]; readonly cracked: readonly WeldCracked[] } {
  const cracked = crackedWelds(records, evidence);
  if (cracked.length === 0) return { evidence, cracked };
  return { evidence: evidence.filter((record, k) => !isUndone(record, k, cracked)), cracked };
}
