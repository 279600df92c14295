import {
  axlesOf,
  fittedTo,
  hostOf,
  memberOf,
  sidesOf,
  type Fitting,
  type Frame,
  type Host,
  type Member,
} from '../../frame';
import { fail, ok, type Outcome } from '../../quantity';
import { steel, type Practice } from '../../reference';
import {
  workForm,
  WORK_IDS,
  type Measures,
  type WorkForm,
  type WorkId,
  type WorkPlace,
  type WorkWhyNot,
} from '.';

/** Where a work is made, by its host; undefined where the frame has none of that name, or nothing that it hangs on. */
export function workPlace(
  frame: Frame,
  practice: Practice,
  {
    on,
    hostId,
    stationMm,
  }: { readonly on: WorkPlace['on']; readonly hostId: string; readonly stationMm?: number | undefined },
): WorkPlace | undefined {
  if (on === 'member') {
    const member = memberOf(frame, hostId);
    return member && memberPlace(frame, practice, member, stationMm ?? member.lengthMm / 2);
  }
  const host = hostOf(frame, on, hostId);
  const fitting = on === 'fitting' ? fittingOf(frame, hostId) : undefined;
  const over = fitting && fittedTo(frame, fitting, host?.side ?? 'middle');
  const member = over?.member ?? (host?.spans[0] && memberOf(frame, host.spans[0].memberId));
  if (!host || !member) return undefined;
  const span = host.spans.find(({ memberId }) => memberId === member.id);
  return {
    frame,
    practice,
    on,
    id: hostId,
    name: host.name,
    kind: host.kind,
    ...(fitting && { fitting: fitting.kind }),
    ...(fitting?.attached && { attachedBy: fitting.attached.by }),
    member,
    steel: steel(member.steel),
    memberIds: [...new Set([member.id, ...host.spans.map(({ memberId }) => memberId)])],
    stationMm: over?.stationMm ?? (span ? (span.fromMm + span.toMm) / 2 : 0),
    made: madeOf(host, fitting),
    loadKg: fitting ? standingKg(frame, fitting) : 0,
  };
}

const memberPlace = (frame: Frame, practice: Practice, member: Member, stationMm: number): WorkPlace => ({
  frame,
  practice,
  on: 'member',
  id: member.id,
  name: member.name,
  kind: member.role,
  member,
  steel: steel(member.steel),
  memberIds: [member.id],
  stationMm: Math.min(member.lengthMm, Math.max(0, stationMm)),
  made: holeNear(member, stationMm),
  loadKg: 0,
});

/** A hole of the member this near a station is the one that is meant, mm. */
const HOLE_NEAR_MM = 150;
function holeNear({ holes = [] }: Member, stationMm: number): WorkPlace['made'] {
  const [near] = holes
    .map((hole) => ({ ...hole, awayMm: Math.abs(hole.stationMm - stationMm) }))
    .filter(({ awayMm }) => awayMm <= HOLE_NEAR_MM)
    .sort((a, b) => a.awayMm - b.awayMm);
  return near ? { hole: near.diameterMm } : {};
}

const fittingOf = (frame: Frame, hostId: string): Fitting | undefined =>
  frame.fittings.find((fitting) => sidesOf(fitting).some((side) => `${fitting.id} ${side}` === hostId));

const madeOf = (host: Host, fitting: Fitting | undefined): WorkPlace['made'] => ({
  ...(host.made.hole !== undefined && { hole: host.made.hole }),
  ...(host.made.plate !== undefined && { plate: host.made.plate }),
  ...(fitting?.dropMm !== undefined && fitting.dropMm > 0 && { drop: fitting.dropMm }),
  ...(fitting?.size && { along: fitting.size.alongMm }),
});

/** A hanger belongs to the axle this near it, mm (ours: longer than any leaf spring's half). */
const NEAR_AXLE_MM = 1200;

/** What stands on a hanger or spring seat: a quarter of its axle's rating, two of them a side; 0 where nobody gave one. */
function standingKg(frame: Frame, { kind, stationMm }: Fitting): number {
  if (kind !== 'spring hanger' && kind !== 'spring seat' && kind !== 'equaliser' && kind !== 'spring bucket')
    return 0;
  const [axle] = axlesOf(frame)
    .filter(
      ({ ratingKg, stationMm: mm }) => ratingKg !== undefined && Math.abs(mm - stationMm) <= NEAR_AXLE_MM,
    )
    .sort((a, b) => Math.abs(a.stationMm - stationMm) - Math.abs(b.stationMm - stationMm));
  return axle ? axle.ratingKg! / 4 : 0;
}

/** Whether a work's measures are all there and each within what it may be; the reason names the measure. */
export function checkMeasures(form: WorkForm, of: Measures): Outcome<null> {
  for (const { key, least, most, as } of form.measures) {
    const value = of[key];
    if (value === undefined) return fail(`${form.id}: ${key} is missing`, key);
    if (!(value >= least && value <= most))
      return fail(`${form.id}: ${key} lies between ${least} and ${most}`, key);
    if ((as === 'count' || as === 'choice') && !Number.isInteger(value))
      return fail(`${form.id}: ${key} is a whole number`, key);
  }
  const stray = Object.keys(of).find((key) => !form.measures.some((measure) => measure.key === key));
  return stray === undefined ? ok(null) : fail(`${form.id} has no measure ${stray}`, stray);
}

/** A form's usual measures at a place. */
export const startMeasures = (form: WorkForm, place: WorkPlace): Measures =>
  Object.fromEntries(
    form.measures.map(({ key, start, least, most, as }) => {
      const value = Math.min(most, Math.max(least, start(place)));
      return [key, as === 'count' || as === 'choice' ? Math.round(value) : value];
    }),
  );

/** Every work beside whether it goes at a place: those that do first. */
export const worksAt = (place: WorkPlace): { readonly id: WorkId; readonly whyNot?: WorkWhyNot }[] =>
  WORK_IDS.map((id) => {
    const whyNot = workForm(id).whyNot(place);
    return { id, ...(whyNot && { whyNot }) };
  }).sort((a, b) => Number(a.whyNot !== undefined) - Number(b.whyNot !== undefined));
