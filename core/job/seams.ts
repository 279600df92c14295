import { lastWord, memberOf, type HostOn, type Member } from '../frame';
import {
  laidOf,
  mayBeCovered,
  seamStands,
  weldRuns,
  type LaidAtTheRail,
  type SeamLog,
  type SeamStands,
  type SeamSaid,
  type WeldLine,
} from '../join';
import type { SeamType, WorkSeam } from '../shape';
import type { Photo } from '../walk';
import { toWeldShut } from './crack-welds';
import type { MemberWork } from './member';
import type { WorkedRepair } from './worked-repair';
import { stands, type JobRecords } from './records';
import { worksOf, worksOn } from './works';

/** One seam of what is planned on a member, with its log. */
export interface LedgerSeam {
  readonly memberId: string;
  /** Repair, work or crack. */
  readonly ofId: string;
  readonly of: 'plate' | 'work' | 'crack';
  /** What its records name. */
  readonly seam: string;
  /** What stands beside it on the steel. */
  readonly mark: string;
  readonly type: SeamType;
  readonly lengthMm: number;
  readonly volumeMm3: number;
  readonly legMm?: number;
  readonly line?: WeldLine;
  readonly workSeam?: WorkSeam;
  readonly log: readonly SeamLog[];
  readonly photos: readonly Photo[];
  readonly leftOpen?: string;
  /** What was ticked of it at the rail. */
  readonly laid?: LaidAtTheRail;
  readonly stands: SeamStands;
}

type Kept = Pick<JobRecords, 'evidence' | 'strikes' | 'frame' | 'practice'>;
type Worked = Pick<MemberWork, 'picture' | 'repairs'>;
type Bare = Omit<LedgerSeam, 'log' | 'photos' | 'stands' | 'memberId' | 'laid'>;

/** Where a seam's photos are pinned. */
export const seamSpot = (ofId: string, seam: string): string => `seam ${ofId} ${seam}`.slice(0, 120);

/** Every seam of what somebody decided to make on a member: kept repairs, works, cracks to be welded shut; with what its log says. */
export function seamLedger(records: Kept, work: Worked): LedgerSeam[] {
  const { member } = work.picture;
  const said = stands(records, 'seam').filter(({ memberId }) => memberId === member.id);
  return logged(records, member, [...ofPlates(work), ...ofWorks(records, member, said), ...ofCracks(work)]);
}

function logged(records: Kept, member: Member, seams: readonly Bare[]): LedgerSeam[] {
  const logs = stands(records, 'seam log').filter(({ memberId }) => memberId === member.id);
  const photos = stands(records, 'photo').filter(({ memberId }) => memberId === member.id);
  const plans = stands(records, 'weld plan');
  const done = stands(records, 'run');
  return seams.map((bare) => {
    const log = logs.filter(({ ofId, seam }) => ofId === bare.ofId && seam === bare.seam);
    const own = photos.filter(({ spotId }) => spotId === seamSpot(bare.ofId, bare.seam));
    const laid = laidOf(
      lastWord(plans.filter(({ ofId }) => ofId === bare.ofId)),
      done.filter(({ ofId }) => ofId === bare.ofId),
      bare.seam,
    );
    return {
      ...bare,
      memberId: member.id,
      ...(laid && { laid }),
      log,
      photos: own,
      stands: seamStands(log, {
        hasPhoto: own.length > 0,
        isLeftOpen: bare.leftOpen !== undefined,
        lengthMm: bare.lengthMm,
        ...(laid && { laid }),
      }),
    };
  });
}

const ofPlates = ({ picture, repairs }: Worked): Bare[] =>
  repairs
    .filter(({ isProposal }) => !isProposal)
    .flatMap((worked) =>
      worked.joined.lines.map((line) => ({
        ofId: worked.repair.id,
        of: 'plate' as const,
        seam: line.key,
        mark: line.id,
        type: line.type,
        lengthMm: line.lengthMm,
        volumeMm3: volumeOf(picture.member, worked, line),
        legMm: line.legMm,
        line,
        ...(line.leftOpen !== undefined && { leftOpen: line.leftOpen }),
      })),
    );

/** Laid metal of a line: its runs' own. */
export const volumeOf = (member: Member, { repair }: Pick<WorkedRepair, 'repair'>, line: WeldLine): number =>
  weldRuns(member.shape, [line], (id) => repair.pieces.find((piece) => piece.id === id)!.thicknessMm).reduce(
    (sum, { volumeMm3 }) => sum + volumeMm3,
    0,
  );

function ofWorks(records: Kept, member: Member, said: readonly SeamSaid[]): Bare[] {
  return worksOn(worksOf(records), member.id)
    .filter(({ place, isDone }) => place.member.id === member.id && !isDone)
    .flatMap(({ work, judged }, k) =>
      judged.seams.map((workSeam, n): Bare => {
        const seam = `${n + 1} ${workSeam.what}`.slice(0, 60);
        const leftOpen = said
          .filter((each) => each.ofId === work.id && each.seam === seam)
          .reduce<string | undefined>((last, each) => each.leftOpen ?? last, undefined);
        return {
          ofId: work.id,
          of: 'work',
          seam,
          mark: `W${k + 1}.${n + 1}`,
          type: workSeam.type,
          lengthMm: workSeam.lengthMm,
          volumeMm3: workVolume(workSeam),
          ...(workSeam.legMm !== undefined && { legMm: workSeam.legMm }),
          workSeam,
          ...(leftOpen && { leftOpen }),
        };
      }),
    );
}

function workVolume({ type, lengthMm, legMm = 0, count = 0, diameterMm = 0, thinnerMm }: WorkSeam): number {
  if (type === 'bond' || type === 'screws') return 0;
  if (count > 0 && diameterMm > 0) return ((count * Math.PI * diameterMm ** 2) / 4) * thinnerMm;
  if (legMm > 0) return (legMm ** 2 / 2) * lengthMm;
  // A groove filled flush, as wide on the mean as it is deep.
  return thinnerMm ** 2 * 0.8 * lengthMm;
}

const ofCracks = (work: Worked): Bare[] =>
  toWeldShut(work).map((weld, k) => ({
    ofId: weld.crackId,
    of: 'crack',
    seam: 'groove',
    mark: `C${k + 1}`,
    type: weld.groove === 'V' ? 'bevel' : 'butt',
    lengthMm: weld.lengthMm,
    volumeMm3: weld.weldMm3,
  }));

/** Seams that nothing may be laid over yet: no coat, no plate, no skin. */
export const heldSeams = (ledger: readonly LedgerSeam[]): LedgerSeam[] =>
  ledger.filter((each) => !mayBeCovered(each.stands));

/** Seams in a stretch that were laid and that nothing may be laid over yet: what hides them is not put right. A seam with no log at all holds nobody up. */
export const laidAndHeld = (
  ledger: readonly LedgerSeam[],
  { fromMm, toMm }: { readonly fromMm: number; readonly toMm: number },
): LedgerSeam[] =>
  heldSeams(ledger).filter(
    ({ stands: how, line }) => how !== 'not welded' && line && line.fromMm <= toMm && line.toMm >= fromMm,
  );

/** Seams of the works at a host that were laid and not looked at: it is not put right before they are. */
export function heldAtHost(records: Kept, on: HostOn, hostId: string): LedgerSeam[] {
  const works = worksOf(records).filter(({ work }) => work.on === on && work.hostId === hostId);
  const members = [...new Map(works.map(({ place }) => [place.member.id, place.member])).values()];
  const ids = new Set(works.map(({ work }) => work.id));
  const said = stands(records, 'seam');
  return members
    .flatMap((member) => heldSeams(logged(records, member, ofWorks(records, member, said))))
    .filter(({ ofId, stands: how }) => ids.has(ofId) && how !== 'not welded');
}

/** Members that anything is decided for, with their seams. */
export const jobLedger = (records: Kept, works: readonly Worked[]): LedgerSeam[] =>
  works
    .filter(({ picture }) => memberOf(records.frame, picture.member.id))
    .flatMap((work) => seamLedger(records, work));

/** Length of seam that a volume is laid along, laps apart: what consumables are reckoned from. */
export const weldTotals = (
  ledger: readonly LedgerSeam[],
): { readonly volumeMm3: number; readonly lengthMm: number; readonly lapMm: number } =>
  ledger
    .filter(({ type, leftOpen }) => type !== 'bond' && type !== 'screws' && leftOpen === undefined)
    .reduce(
      (sum, { volumeMm3, lengthMm, type }) => ({
        volumeMm3: sum.volumeMm3 + volumeMm3,
        lengthMm: sum.lengthMm + lengthMm,
        lapMm: sum.lapMm + (type === 'lap' || type === 'plug' ? lengthMm : 0),
      }),
      { volumeMm3: 0, lengthMm: 0, lapMm: 0 },
    );
