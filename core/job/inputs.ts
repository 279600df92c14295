import { hostsOf, memberOf, ofKind, standing, twinOf, type Frame, type Member } from '../frame';
import { fingerprint } from '../quantity';
import { metalPractice } from '../reference';
import {
  hotSpots,
  memberWalk,
  openFinds,
  spotStates,
  TRADE_SPOTS,
  type Complaint,
  type MeasuredAt,
  type Settled,
  type SpotState,
} from '../walk';
import { hostVerdicts, type Geometry, type HostVerdict, type MemberEvidence } from '../weigh';
import type { Beside } from '../metal';
import type { Access, LetIn, Renewal, Repair } from '../shape';
import type { SeamSaid } from '../join';
import { cracksAsSeen } from '../trace';
import { tellsOf, type Evidence } from './evidence';
import { geometryMeasured } from './geometry';
import { stands, type JobRecords } from './records';
import { openRenewals } from './renewals';
import { unexplainedComplaints } from './unexplained';
import { stillSaid, type WeldCracked } from './undone';
import { footingsOn, type WorkFooting } from './under-works';
import { accessesOn, letInOn, worksOf, type PlannedWork } from './works';

/** Everything one member's work rests on, and nothing else. */
export interface MemberInputs {
  readonly evidence: MemberEvidence;
  readonly repairs: readonly Repair[];
  /** Kept on its twin: what hangs on both is held level. */
  readonly twinRepairs: readonly Repair[];
  /** Lengths of it that are to be let in. */
  readonly letIn: readonly LetIn[];
  /** Where works are made fast to it. */
  readonly footings: readonly WorkFooting[];
  /** Openings planned into it, through which somebody reaches its inside. */
  readonly accesses: readonly Access[];
  /** What was recorded of its seams: gaps, access, what stays open. */
  readonly seams: readonly SeamSaid[];
  readonly grossMassKg?: number;
  /** Equal for equal evidence, on every device: what the metal was found to be still holds. */
  readonly metalMark: string;
  /** Equal for equal inputs, what is planned included. */
  readonly mark: string;
}

/** A job's records sorted once for all its members. */
export interface SortedRecords {
  readonly records: JobRecords;
  /** Every hot spot with what is known of it. */
  readonly spots: readonly SpotState[];
  /** Brackets, joints, panels and closed spaces found bad by themselves. */
  readonly hosts: readonly HostVerdict[];
  /** What was found of them, beside each member it tells of. */
  readonly beside: ReadonlyMap<string, readonly Beside[]>;
  /** Welds that cracked since they were made. */
  readonly cracked: readonly WeldCracked[];
  /** What stands measured of the unit's geometry, its other jobs' too. */
  readonly geometry: readonly Geometry[];
  /** What the owner feels and nothing on record explains. */
  readonly unexplained: readonly Complaint[];
  /** Works specified at brackets, joints, panels and members. */
  readonly works: readonly PlannedWork[];
  /** Crossmembers to be made anew. */
  readonly renewals: readonly Renewal[];
  /** Standing evidence by the members it tells of. */
  readonly byMember: ReadonlyMap<string, readonly Evidence[]>;
  /** The set-up every member is judged in. */
  readonly setup: Pick<MemberEvidence, 'frame' | 'practice'>;
  readonly setupMark: string;
}

/** Evidence that stands, and still says what it said. */
const evidenceSaid = (records: JobRecords) => stillSaid(records, standing(records.evidence, records.strikes));

export function sortedRecords(records: JobRecords): SortedRecords {
  const { evidence, cracked } = evidenceSaid(records);
  const setup = { frame: unloaded(records.frame), practice: metalPractice(records.practice) };
  const spots = spotsOf(records, evidence);
  const hosts = hostVerdicts(records.frame, spots, ofKind(evidence, 'find'), records.practice.hand);
  const sorted = {
    records,
    spots,
    hosts,
    geometry: geometryMeasured(records).geometry,
    beside: besideMembers(records, evidence),
    cracked,
    works: worksOf(records),
    renewals: openRenewals(records),
    byMember: byMember(records.frame, evidence),
    setup,
    setupMark: fingerprint([JSON.stringify(setup)]),
  };
  const evidenceOfMember = (id: string) => {
    const member = memberOf(records.frame, id);
    return member && evidenceOf(sorted, member);
  };
  return {
    ...sorted,
    unexplained: unexplainedComplaints(ofKind(evidence, 'complaint'), hosts, evidenceOfMember),
  };
}

/**
 * What skins, floors and closed spaces tell of the members they hide or lie in. A skin welded up, a space cleared out, does not mend the member: what
 * was told of it stands until the metal itself is struck, read, renewed, or the find struck through.
 */
function besideMembers(
  { frame, practice }: JobRecords,
  evidence: readonly Evidence[],
): Map<string, Beside[]> {
  const beside = new Map<string, Beside[]>();
  const told = ofKind(evidence, 'find').filter(
    ({ state }) => state.is !== 'sound' && state.is !== 'put right',
  );
  const open = openFinds(told, practice.hand);
  if (open.length === 0) return beside;
  const hosts = new Map(hostsOf(frame).map((host) => [`${host.on} ${host.id}`, host]));
  for (const each of open)
    for (const span of hosts.get(`${each.find.on} ${each.find.hostId}`)?.spans ?? [])
      beside.set(span.memberId, [...(beside.get(span.memberId) ?? []), { open: each, span }]);
  return beside;
}

/** Brackets, joints, panels and closed spaces that were found bad by themselves. */
export function jobHosts(records: JobRecords): HostVerdict[] {
  const { evidence } = evidenceSaid(records);
  return hostVerdicts(
    records.frame,
    spotsOf(records, evidence),
    ofKind(evidence, 'find'),
    records.practice.hand,
  );
}

/** What a member's metal is judged on: the frame without what it carries. */
const unloaded = ({ loads: _, ...frame }: Frame): Frame => frame;

/** Every hot spot of the job's frame with what is known of it; body items too where somebody looks before buying. */
export const jobSpots = (records: JobRecords, beforeBuying = false): SpotState[] =>
  spotsOf(records, evidenceSaid(records).evidence, beforeBuying);

function spotsOf(records: JobRecords, evidence: readonly Evidence[], beforeBuying = false): SpotState[] {
  const spots = hotSpots(records.frame, records.spotRules ?? TRADE_SPOTS, beforeBuying);
  return spotStates(spots, ofKind(evidence, 'look'), ofKind(evidence, 'leave'), {
    measuredAt: measuredAt(evidence),
    settled: settledIn(evidence),
  });
}

/**
 * After the one look and before the other, by how they were kept and by their clocks: work noted on a spot's metal, a crack that turned out to be none,
 * what hangs there made good. Looked up only where a look leaves something bad standing.
 */
function settledIn(evidence: readonly Evidence[]): Settled {
  return ({ memberId, fromMm, toMm, host }, before, after) => {
    const between = evidence
      .slice(evidence.indexOf(before) + 1, evidence.indexOf(after))
      .filter(({ at }) => at >= before.at && at <= after.at);
    const isOfHost = memberId === undefined || before.on === 'fitting';
    if (isOfHost)
      return ofKind(between, 'find').some(
        ({ on, hostId, state }) => state.is === 'put right' && on === host?.on && hostId === host.id,
      );
    return ofKind(between, 'sign').some(
      ({ memberId: on, stationMm, toMm: endMm = stationMm, detail: { sign } }) =>
        on === memberId &&
        stationMm <= toMm! &&
        endMm >= fromMm! &&
        (sign === 'put right' || (sign === 'not a crack' && before.result === 'cracked')),
    );
  };
}

function measuredAt(evidence: readonly Evidence[]): MeasuredAt {
  const at = new Map<string, number[]>();
  const note = (memberId: string, stationMm: number) => {
    const known = at.get(memberId);
    if (known) known.push(stationMm);
    else at.set(memberId, [stationMm]);
  };
  for (const reading of ofKind(evidence, 'reading')) note(reading.memberId, reading.stationMm);
  for (const crack of ofKind(evidence, 'crack')) note(crack.memberId, crack.path[0]!.stationMm);
  return at;
}

function byMember(frame: Frame, evidence: readonly Evidence[]): Map<string, Evidence[]> {
  const sorted = new Map<string, Evidence[]>(frame.members.map((member) => [member.id, []]));
  for (const record of evidence) {
    const tells = tellsOf(record);
    for (const id of tells === 'every member' ? sorted.keys() : tells) sorted.get(id)?.push(record);
  }
  return sorted;
}

const tellsOfMember = (measure: Geometry['measure'], { id }: Member): boolean =>
  (measure.of === 'line' || measure.of === 'angle along') && measure.memberId === id;

/** A member's evidence, selected in one place. */
function evidenceOf(sorted: Omit<SortedRecords, 'unexplained'>, member: Member): MemberEvidence {
  const { records, setup } = sorted;
  const own = sorted.byMember.get(member.id) ?? [];
  const cracked = sorted.cracked
    .filter(({ memberId }) => memberId === member.id)
    .map(({ mark, fromMm, toMm }) => ({ mark, fromMm, toMm }));
  return {
    ...setup,
    member,
    readings: ofKind(own, 'reading'),
    cracks: cracksAsSeen(setup.frame, ofKind(own, 'crack'), ofKind(own, 'crack look')),
    signs: ofKind(own, 'sign'),
    feltEdges: ofKind(own, 'felt edge'),
    geometry: sorted.geometry.filter(({ measure }) => tellsOfMember(measure, member)),
    beside: sorted.beside.get(member.id) ?? [],
    ...(cracked.length > 0 && { crackedWelds: cracked }),
    mendedBefore: (records.mendedBefore ?? []).filter(({ memberId }) => memberId === member.id),
    kept: new Map(own.map((record, k) => [record.id, k])),
    walk: memberWalk(setup.frame, member, sorted.spots),
  };
}

/** What a member's work rests on, selected and marked in one place: what is not in here can neither count nor make anything stale. */
export function inputsOf(sorted: SortedRecords, member: Member): MemberInputs {
  const { records } = sorted;
  const evidence = {
    ...evidenceOf(sorted, member),
    unexplained: sorted.unexplained.filter(({ memberIds }) => memberIds.includes(member.id)),
  };
  const { repairs, twinRepairs, seams, accesses } = besideRepairs(records, member, sorted.works);
  const letIn = letInOn(sorted.works, member.id);
  const footings = footingsOn(records.frame, sorted, member.id);
  const gross = records.grossMassKg;
  const metalMark = metalMarkOf(sorted, evidence);
  return {
    evidence,
    repairs,
    twinRepairs,
    accesses,
    letIn,
    footings,
    seams,
    ...(gross !== undefined && { grossMassKg: gross }),
    metalMark,
    mark: fingerprint([
      metalMark,
      JSON.stringify([repairs, twinRepairs, accesses, gross, letIn, footings]),
      ...seams.map(({ id }) => id),
    ]),
  };
}

/** What any repair of a member has to do with, beside its metal. */
export function besideRepairs(
  records: Pick<JobRecords, 'frame' | 'practice' | 'repairs' | 'evidence' | 'strikes'>,
  member: Member,
  works: readonly PlannedWork[] = worksOf(records),
): Pick<MemberInputs, 'repairs' | 'twinRepairs' | 'seams' | 'accesses'> {
  const twin = twinOf(records.frame, member);
  const on = (memberId: string | undefined) =>
    records.repairs.filter((repair) => repair.memberId === memberId);
  return {
    repairs: on(member.id),
    twinRepairs: twin ? on(twin.id) : [],
    accesses: accessesOn(works, member.id),
    seams: stands(records, 'seam').filter(({ memberId }) => memberId === member.id),
  };
}

function metalMarkOf({ byMember: kept, setupMark }: SortedRecords, evidence: MemberEvidence): string {
  const { member, walk, beside = [], geometry = [], unexplained = [], mendedBefore = [] } = evidence;
  const { crackedWelds = [] } = evidence;
  return fingerprint([
    setupMark,
    member.id,
    ...(kept.get(member.id) ?? []).map((record) => record.id),
    ...beside.map(({ open }) => `beside ${open.find.id}`),
    ...geometry.map(({ id }) => `geometry ${id}`),
    ...unexplained.map(({ id }) => `unexplained ${id}`),
    ...crackedWelds.map(({ mark, fromMm, toMm }) => `cracked weld ${mark} ${fromMm} ${toMm}`),
    ...mendedBefore.map(({ fromMm, toMm, at }) => `mended ${fromMm} ${toMm} ${at}`),
    JSON.stringify([walk!.spots.map(spotMark), walk!.twinBad.map(spotMark)]),
  ]);
}

const spotMark = ({ spot, look, seen, why, measured }: SpotState) => [spot, look?.id, seen, why, measured];
