import { fail, ok, type Outcome } from '../quantity';
import { STEEL_DENSITY_KG_PER_MM3, steel, YOUNGS_MODULUS_MPA } from '../reference';
import { axlesOf, type Frame, type Member } from './frame';
import type { Load, ScaleTicket } from './loads';
import { lineLengthMm, placementOf } from './placement';
import { isBeam } from './structure';
import { surfaceOf } from './surface';

/** What stands on a unit beside its payload: how heavy, where along it, how much of it on the left. */
interface Standing {
  readonly massKg: number;
  readonly atMm: number;
  readonly leftShare: number;
}

const ofLoad = ({ massKg, fromMm, toMm, leftShare }: Load): Standing => ({
  massKg,
  atMm: (fromMm + toMm) / 2,
  leftShare,
});

/** The frame's own metal as made, member by member, as the solver weighs it: what is not steel by its modulus. */
const ofMetal =
  (frame: Frame) =>
  (member: Member): Standing => {
    const placement = placementOf(frame, member);
    const { rowFace, edgeUMm } = surfaceOf(member.shape);
    const areaMm2 = rowFace.reduce(
      (sum, { wallMm }, row) => sum + wallMm * (edgeUMm[row + 1]! - edgeUMm[row]!),
      0,
    );
    const young = steel(member.steel).youngsMpa;
    return {
      massKg:
        areaMm2 *
        lineLengthMm(placement) *
        STEEL_DENSITY_KG_PER_MM3 *
        (young ? young / YOUNGS_MODULUS_MPA : 1),
      atMm: (placement.from[0] + placement.to[0]) / 2,
      leftShare: member.side === 'left' ? 1 : member.side === 'right' ? 0 : 0.5,
    };
  };

const sumOf = (all: readonly Standing[], of: (each: Standing) => number): number =>
  all.reduce((sum, each) => sum + of(each), 0);
const massOf = ({ massKg }: Standing): number => massKg;
const momentOf = ({ massKg, atMm }: Standing): number => massKg * atMm;

/**
 * Puts the payload where the scale says it is: its mass and its place are what the ticket leaves once everything else is taken off, the frame's own metal
 * too. What axles and wheels weigh themselves counts as payload: a little heavy, and not light.
 * Left and right follow the ticket. Says what cannot be right: a ticket for other axles, a payload that would weigh nothing, one off the frame.
 */
export function payloadFromTicket(frame: Frame, ticket: ScaleTicket): Outcome<readonly Load[]> {
  const axles = axlesOf(frame);
  if (ticket.axles.length !== axles.length)
    return fail(`the ticket has ${ticket.axles.length} axles, this frame ${axles.length}`);
  const items = frame.loads?.items ?? [];
  const coupler = frame.fittings.find((mark) => mark.kind === 'coupler');
  const stands = [
    ...axles.map((axle, k) => ({
      x: axle.stationMm,
      left: ticket.axles[k]!.leftKg,
      right: ticket.axles[k]!.rightKg,
    })),
    ...(coupler && ticket.couplerKg !== undefined
      ? [{ x: coupler.stationMm, left: ticket.couplerKg / 2, right: ticket.couplerKg / 2 }]
      : []),
  ];
  const whole = stands.reduce((sum, each) => sum + each.left + each.right, 0);
  const moment = stands.reduce((sum, each) => sum + each.x * (each.left + each.right), 0);
  const left = stands.reduce((sum, each) => sum + each.left, 0);
  const others = items.filter((item) => item.kind !== 'payload');
  const beside = [...others.map(ofLoad), ...frame.members.filter(isBeam).map(ofMetal(frame))];
  const massKg = whole - sumOf(beside, massOf);
  if (!(massKg > 0))
    return fail(
      `the scale reads ${whole.toFixed(0)} kg, less than the frame and what is listed without the payload`,
    );
  const centreMm = (moment - sumOf(beside, momentOf)) / massKg;
  if (!(centreMm > -1000 && centreMm < frame.lengthMm + 1000))
    return fail(
      'the payload would have to stand off the frame: check the listed loads and the axles’ stations',
    );
  const leftShare = Math.min(
    1,
    Math.max(0, (left - sumOf(beside, (each) => each.massKg * each.leftShare)) / massKg),
  );
  const before = items.find((item) => item.kind === 'payload');
  const half = Math.min(
    before ? (before.toMm - before.fromMm) / 2 : 1000,
    Math.max(centreMm, 1),
    Math.max(frame.lengthMm - centreMm, 1),
  );
  const payload: Load = {
    id: before?.id ?? 'payload',
    kind: 'payload',
    name: before?.name ?? 'Payload',
    massKg,
    fromMm: centreMm - half,
    toMm: centreMm + half,
    leftShare,
  };
  return ok([...others, payload]);
}

/** Moves the payload so that the coupler or pin carries what is known of it; weights stay as they are. Refused where there is no coupler or no payload to move. */
export function payloadFromCoupler(frame: Frame, couplerKg: number): Outcome<readonly Load[]> {
  const items = frame.loads?.items ?? [];
  const axles = axlesOf(frame);
  const coupler = frame.fittings.find((mark) => mark.kind === 'coupler');
  const payload = items.find((item) => item.kind === 'payload');
  if (!coupler || axles.length === 0) return fail('this frame has no coupler or no axles');
  if (!payload) return fail('no payload is listed that could stand elsewhere');
  const beside = [
    ...items.filter((item) => item !== payload).map(ofLoad),
    ...frame.members.filter(isBeam).map(ofMetal(frame)),
  ];
  const whole = payload.massKg + sumOf(beside, massOf);
  if (!(couplerKg < whole)) return fail('the coupler cannot carry more than all that is listed');
  const axleMm = axles.reduce((sum, axle) => sum + axle.stationMm, 0) / axles.length;
  const wanted = couplerKg * coupler.stationMm + (whole - couplerKg) * axleMm;
  const byMm = (wanted - sumOf(beside, momentOf)) / payload.massKg - (payload.fromMm + payload.toMm) / 2;
  const [fromMm, toMm] = [payload.fromMm + byMm, payload.toMm + byMm];
  if (!(toMm > 0 && fromMm < frame.lengthMm))
    return fail('the payload would have to stand off the frame: check the listed loads');
  return ok(items.map((item) => (item === payload ? { ...payload, fromMm, toMm } : item)));
}

/** Loads a family usually carries, as shares of a gross weight: a place to start from (our judgement). */
export function typicalLoads(frame: Frame, grossKg: number): Load[] {
  const L = frame.lengthMm;
  const item = (kind: Load['kind'], name: string, share: number, from: number, to: number): Load => ({
    id: kind,
    kind,
    name,
    massKg: grossKg * share,
    fromMm: from * L,
    toMm: to * L,
    leftShare: 0.5,
  });
  switch (frame.family) {
    case 'open-channel ladder':
    case 'boxed ladder':
    case 'mixed ladder':
      return [
        item('engine', 'Engine and gearbox', 0.1, 0.06, 0.3),
        item('cab', 'Cab and crew', 0.09, 0.08, 0.34),
        item('tank', 'Fuel', 0.02, 0.43, 0.49),
        item('body', 'Body', 0.2, 0.4, 0.98),
        item('payload', 'Payload', 0.5, 0.42, 0.96),
      ];
    case 'unibody':
      return [
        item('engine', 'Engine and gearbox', 0.16, 0.06, 0.28),
        item('body', 'Body and glass', 0.4, 0.05, 0.95),
        item('tank', 'Fuel', 0.03, 0.62, 0.72),
        item('payload', 'People and load', 0.3, 0.35, 0.9),
      ];
    case 'gooseneck trailer':
      return [
        item('house', 'House', 0.6, 0.02, 0.99),
        { ...item('tank', 'Water', 0.06, 0.4, 0.6), holds: 'water' },
        item('payload', 'Belongings', 0.2, 0.1, 0.95),
      ];
    case 'I-beam trailer':
      return [
        item('house', 'House or body', 0.62, 0.12, 0.99),
        { ...item('tank', 'Water', 0.06, 0.7, 0.8), holds: 'water' },
        item('payload', 'Payload', 0.25, 0.15, 0.95),
      ];
    case 'semi trailer':
      return [item('body', 'Deck or box', 0.12, 0.01, 0.99), item('payload', 'Payload', 0.72, 0.02, 0.98)];
    default:
      return frame.family satisfies never;
  }
}
