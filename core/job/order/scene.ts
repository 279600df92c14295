import {
  breadthMm,
  burns,
  hostOf,
  hostsOf,
  isClosed,
  memberOf,
  placementOf,
  type Frame,
  type Member,
} from '../../frame';
import {
  answerTo,
  type Along,
  type Extra,
  type ExtraAnswer,
  type OrderScene,
  type PlannedRepair,
  type SceneAlign,
  type ScenePart,
  type SceneWork,
  type Unplanned,
} from '../../order';
import { lengthsOf, reachOf, type WorkFinding } from '../../shape';
import { lowerBound, severity } from '../../weigh';
import { toAlign } from '../alignment';
import { toWeldShut } from '../crack-welds';
import { jobGeometry, placeOf } from '../geometry';
import { jobHosts } from '../inputs';
import type { MemberWork } from '../member';
import { brokenRules, type WorkedRepair } from '../worked-repair';
import { overridesOf, harsher } from '../override';
import { lastOf, stands, type JobRecords } from '../records';
import { brokenOfTube, openRenewals } from '../renewals';
import { brokenIn, stepsOfWork, worksOf, type PlannedWork } from '../works';
import { foundUnder } from '../under-works';

export type Works = ReadonlyMap<string, MemberWork>;

/** A stretch of a member as stations from the frame's datum; what runs across lies at one, as wide as it is. */
export function alongFrame(frame: Frame, member: Member, fromMm: number, toMm: number): Along {
  const { from, to } = placementOf(frame, member);
  const at = (mm: number) => from[0] + ((to[0] - from[0]) * mm) / Math.max(1, member.lengthMm);
  const half = Math.abs(to[0] - from[0]) < 1 ? breadthMm(member.shape) / 2 : 0;
  const ends = [at(fromMm), at(toMm)];
  return {
    fromMm: Math.min(...ends) - half,
    toMm: Math.max(...ends) + half,
    ...(member.side && { side: member.side }),
  };
}

/** What steel of a thickness is ordered under. */
export const steelKey = (thicknessMm: number): string => `steel ${thicknessMm.toFixed(1)}`;

/** What the order of work is made from: what somebody decided, what hangs near it, what the owner granted. */
export function orderScene(records: JobRecords, works: Works): OrderScene {
  const { frame, practice } = records;
  const planned = worksOf(records).filter(({ isDone }) => !isDone);
  const ordered = new Set(stands(records, 'bought').map(({ key }) => key));
  const repairs = [...works.values()].flatMap((work) => repairsOf(frame, work, ordered));
  const cracks = [...works.values()].flatMap((work) => cracksOf(frame, work));
  const renewals = renewalsIn(records, works);
  const aligns = alignsOf(records);
  const out = outOfLine(records, new Set(aligns.map(({ name }) => name)));
  const decided = new Set([
    ...repairs.map(({ memberId }) => memberId),
    ...planned.flatMap(({ work }) => work.memberIds),
    ...renewals.map(({ memberId }) => memberId),
  ]);
  const affected = new Set([
    ...repairs.map(({ memberId }) => memberId),
    ...cracks.map(({ memberId }) => memberId),
    ...planned.flatMap(({ work }) => work.memberIds),
    ...renewals.map(({ memberId }) => memberId),
  ]);
  const slot = lastOf(records, 'slot');
  return {
    frame,
    norms: practice.money.norms,
    repairs,
    cracks,
    works: planned.map((each) => workOf(frame, each, foundUnder(works.values(), each.work.id))),
    renewals,
    aligns: [...aligns, ...out.placed],
    straightened: out.whole,
    parts: partsOf(frame, repairs, affected),
    unplanned: unplannedIn(records, works, decided),
    heldTogether: heldTogether(records, affected),
    extras: extrasOf(stands(records, 'extra'), stands(records, 'extra answer')),
    own: stands(records, 'own task'),
    ...(slot?.transitAfter !== undefined && { transitAfter: slot.transitAfter }),
    closedIds: new Set(frame.members.filter(({ shape }) => isClosed(shape)).map(({ id }) => id)),
  };
}

/** Kinds of plate that wrap a floor or two walls: others are built off the middle one. */
const CAPS: ReadonlySet<string> = new Set(['bottom U', 'top U', 'full C', 'sleeve', 'bottom L', 'top L']);

function repairsOf(frame: Frame, work: MemberWork, ordered: ReadonlySet<string>): PlannedRepair[] {
  const { member } = work.picture;
  return work.repairs
    .filter(({ isProposal }) => !isProposal)
    .map((worked): PlannedRepair => {
      const { repair, joined } = worked;
      const { fromMm, toMm } = reachOf(repair);
      return {
        id: repair.id,
        memberId: member.id,
        ...alongFrame(frame, member, fromMm, toMm),
        leastKept: leastKept(work, worked),
        isCutOut: repair.cutOut,
        isBolted: repair.bolts !== undefined,
        brokenRules: brokenRules(worked).length,
        plates: repair.pieces.reduce((sum, piece) => sum + lengthsOf(piece).length, 0),
        weldM: joined.totalWeldMm / 1000,
        offAndBack: (repair.beneath ?? [])
          .filter(({ way }) => way === 'off and back')
          .map(({ hostId }) => hostId),
        isCap: repair.pieces.some(({ kind }) => CAPS.has(kind)),
        at: repair.at,
        isBought: ordered.has(`kit ${repair.id}`),
        steelKey: steelKey(Math.max(...repair.pieces.map(({ thicknessMm }) => thicknessMm))),
      };
    });
}

function leastKept({ picture }: MemberWork, { repair }: WorkedRepair): number {
  const { fromMm, toMm } = reachOf(repair);
  const shares = picture.sections
    .filter(({ stationMm }) => stationMm >= fromMm && stationMm <= toMm)
    .flatMap(({ kept }) =>
      [kept.modulusTop, kept.modulusBottom].flatMap((each) => (each ? [lowerBound(each)] : [])),
    );
  return Math.min(1, ...shares);
}

const cracksOf = (frame: Frame, work: MemberWork): OrderScene['cracks'] =>
  toWeldShut(work).map(({ crackId, stationMm, lengthMm }) => ({
    id: crackId,
    memberId: work.picture.member.id,
    ...alongFrame(frame, work.picture.member, stationMm, stationMm),
    weldM: lengthMm / 1000,
  }));

/** A work's own stretch where nobody gave one, mm: a bracket with room about it. */
const ABOUT_MM = 150;
function workOf(frame: Frame, planned: PlannedWork, underIt: readonly WorkFinding[]): SceneWork {
  const { work, place, judged } = planned;
  const { fromMm: from, toMm: to } = work.measures;
  const isLong = from !== undefined && to !== undefined;
  const along = alongFrame(
    frame,
    place.member,
    isLong ? from : Math.max(0, place.stationMm - ABOUT_MM),
    isLong ? to : Math.min(place.member.lengthMm, place.stationMm + ABOUT_MM),
  );
  const host = work.on === 'member' ? undefined : hostOf(frame, work.on, work.hostId);
  return {
    id: work.id,
    form: work.form,
    on: work.on,
    hostId: work.hostId,
    name: place.name,
    memberId: place.member.id,
    ...along,
    ...(host && host.side !== 'middle' && { side: host.side }),
    ...(place.fitting && { fitting: place.fitting }),
    carries: host?.carries ?? [],
    ...stepsOfWork(judged),
    brokenRules: brokenIn(planned, underIt).length,
  };
}

/** Crossmembers still to be renewed, where they stand. */
const renewalsIn = (records: JobRecords, works: Works): OrderScene['renewals'] =>
  openRenewals(records).flatMap((renewal) => {
    const { frame } = records;
    const member = memberOf(frame, renewal.memberId);
    if (!member) return [];
    return [
      {
        id: renewal.id,
        memberId: member.id,
        name: member.name,
        ...alongFrame(frame, member, 0, member.lengthMm),
        brokenRules: brokenOfTube(records, renewal, foundUnder(works.values(), renewal.id)),
      },
    ];
  });

/** What parted or let go: where it is. */
function alignsOf(records: JobRecords): SceneAlign[] {
  const { frame } = records;
  return toAlign(records).flatMap(({ of, name }): SceneAlign[] => {
    if (of.on === 'member') {
      const member = memberOf(frame, of.id);
      return member
        ? [
            {
              id: member.id,
              name,
              memberId: member.id,
              ...alongFrame(frame, member, of.stationMm, of.stationMm),
            },
          ]
        : [];
    }
    const host = hostOf(frame, of.on, of.id);
    return host
      ? [{ id: of.id, name, ...aboutHost(host.at[0]), ...memberIdOf(host.spans[0]?.memberId) }]
      : [];
  });
}

/** What is out by what was measured: members where they are, the rest as a whole. */
function outOfLine(
  records: JobRecords,
  known: Set<string>,
): { placed: SceneAlign[]; whole: { id: string; name: string }[] } {
  const placed: SceneAlign[] = [];
  const whole: { id: string; name: string }[] = [];
  for (const check of jobGeometry(records).filter(({ is }) => is === 'out')) {
    const name = placeOf(records, check);
    if (known.has(name)) continue;
    known.add(name);
    const id = `out ${name}`.slice(0, 60);
    const member = check.memberId === undefined ? undefined : memberOf(records.frame, check.memberId);
    if (!member) whole.push({ id, name });
    else {
      const { fromMm, toMm } = check.at ?? { fromMm: 0, toMm: member.lengthMm };
      placed.push({ id, name, memberId: member.id, ...alongFrame(records.frame, member, fromMm, toMm) });
    }
  }
  return { placed, whole };
}
const aboutHost = (xMm: number) => ({ fromMm: xMm - ABOUT_MM, toMm: xMm + ABOUT_MM });
const memberIdOf = (memberId: string | undefined) => (memberId === undefined ? {} : { memberId });

/** Fittings that mark a place and are nothing that comes off. */
const NO_PART: ReadonlySet<string> = new Set(['axle', 'lift point', 'jack']);

/** What hangs on what is worked on, or hides it; tanks wherever they hang. */
function partsOf(
  frame: Frame,
  repairs: readonly PlannedRepair[],
  affected: ReadonlySet<string>,
): ScenePart[] {
  const off = new Set(repairs.flatMap(({ offAndBack }) => offAndBack));
  return hostsOf(frame).flatMap((host): ScenePart[] => {
    const memberIds = host.spans.map(({ memberId }) => memberId);
    if (NO_PART.has(host.kind) || host.on === 'pocket') return [];
    if (host.on === 'joint' && !off.has(host.id)) return [];
    if (host.kind !== 'tank' && !memberIds.some((id) => affected.has(id))) return [];
    const panel = host.on === 'panel' ? frame.panels?.find(({ id }) => id === host.id) : undefined;
    const fitting = frame.fittings.find(({ id }) => host.id === `${id} ${host.side}`);
    // A tank on both sides is one tank.
    const isOne = host.kind === 'tank' && fitting?.side === 'both';
    if (isOne && host.side === 'right') return [];
    const half = (fitting?.size?.alongMm ?? 0) / 2;
    return [
      {
        id: host.id,
        name: host.name,
        kind:
          host.on === 'panel' ? 'panel' : host.on === 'joint' ? 'joint' : (host.kind as ScenePart['kind']),
        memberIds,
        isWelded: host.on === 'joint' || host.attachedBy === 'weld',
        isFuel: host.kind === 'tank' && burns(fitting?.holds),
        fromMm: panel?.fromMm ?? host.at[0] - half,
        toMm: panel?.toMm ?? host.at[0] + half,
        ...(host.side !== 'middle' && { side: host.side }),
      },
    ];
  });
}

/** Found bad, and nothing decided: it is not forgotten because it makes no task. */
function unplannedIn(records: JobRecords, works: Works, decided: ReadonlySet<string>): Unplanned[] {
  const said = overridesOf(records);
  const members = [...works.values()].flatMap(
    ({ picture: { member, zones, cracks }, verdict }): Unplanned[] => {
      const asks = harsher(verdict.verdict, said.get(member.id));
      // A crack is welded shut without anybody deciding more; thin metal is not.
      const isOnlyCracked = cracks.length > 0 && zones.length === 0;
      if (severity(asks) < severity('Mend') || decided.has(member.id) || isOnlyCracked) return [];
      return [{ is: 'member', id: member.id, name: member.name, asks }];
    },
  );
  const worked = new Set(worksOf(records).map(({ work }) => `${work.on} ${work.hostId}`));
  const hosts = jobHosts(records)
    .filter(({ carriesNothing, on, id }) => carriesNothing && !worked.has(`${on} ${id}`))
    .map(({ id, name, needs }): Unplanned => ({ is: 'host', id, name, asks: needs[0] ?? 'look closer' }));
  return [...members, ...hosts];
}

/** A part that somebody noted as holding rotten metal together: never simply taken off. */
const heldTogether = (records: JobRecords, affected: ReadonlySet<string>): OrderScene['heldTogether'] =>
  stands(records, 'sign').flatMap(({ detail, memberId, stationMm }) => {
    const member = memberOf(records.frame, memberId);
    return detail.sign === 'holds it together' && member && affected.has(memberId)
      ? [{ part: detail.part, memberId, name: member.name, stationMm }]
      : [];
  });

const extrasOf = (extras: readonly Extra[], answers: readonly ExtraAnswer[]): OrderScene['extras'] =>
  extras
    .filter(({ grows }) => grows)
    .map(({ id, zoneId, memberId, what, hours }) => ({
      id,
      zoneId,
      ...memberIdOf(memberId),
      what,
      hours,
      isGranted: answerTo(answers, id)?.answer === 'yes',
    }));
