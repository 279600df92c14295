import type { Member } from '../../frame';
import { fail, ok, type Outcome } from '../../quantity';
import {
  cornerOutsideMm,
  FIT_UP_MM,
  holeFromBendMm,
  leastBendRadiusMm,
  leastLegMm,
  steel,
} from '../../reference';
import { crossingOf, type Point } from '../../geometry';
import { isInside } from '../piece';
import { isBolted } from '../bolting';
import type { Repair } from '../repair';
import type { FlatFinding, FlatPattern } from './pattern';

type Measured = Omit<FlatPattern, 'findings'>;
type FlatRule = (pattern: Measured, member: Member, repair: Repair) => FlatFinding[];

/** Yield of a plate, MPa: bolted plates are of the member's own steel, welded ones mild. */
const yieldOf = (member: Member, repair: Repair): number =>
  steel(isBolted(repair) ? member.steel : 'a36').yieldMpa;

const radiusTight: FlatRule = ({ bends, insideRadiusMm: value, piece }, member, repair) => {
  const limit = leastBendRadiusMm(piece.thicknessMm, yieldOf(member, repair));
  return bends.length > 0 && value < limit - 1e-9
    ? [{ code: 'radius-tight', weight: 'deviation', value, limit, source: 'bendRadius' }]
    : [];
};

/**
 * A plate's inside radius wider than the corner it goes round keeps its flats off the wall: by (R − r)(1 − 1/√2) on both faces, for along the
 * diagonal a corner's arc lies R (√2 − 1) in from its point.
 */
export const standsOffMm = (insideRadiusMm: number, cornerMm: number): number =>
  Math.max(0, insideRadiusMm - cornerMm) * (1 - Math.SQRT1_2);

const standsOff: FlatRule = ({ bends, insideRadiusMm, piece }, { shape }) => {
  if (bends.length === 0 || isInside(piece)) return [];
  const value = standsOffMm(insideRadiusMm, cornerOutsideMm(shape.thicknessMm));
  return value > FIT_UP_MM
    ? [{ code: 'corner-stands-off', weight: 'deviation', value, limit: FIT_UP_MM, source: 'practice' }]
    : [];
};

/** Outside length of the legs beside each bend, from the mould line to the next bend's or the plate's edge. */
const legsOf = ({ bends, widthMm, insideRadiusMm, piece }: Measured): number[] => {
  const setBackMm = insideRadiusMm + piece.thicknessMm;
  const stops = [
    { mm: 0, isBend: false },
    ...bends.flatMap(({ startVMm, endVMm }) => [
      { mm: startVMm, isBend: true },
      { mm: endVMm, isBend: true },
    ]),
    { mm: widthMm, isBend: false },
  ];
  return stops.slice(1).flatMap((stop, k) => {
    const before = stops[k]!;
    const isArc = before.isBend && stop.isBend && k % 2 === 1;
    return isArc ? [] : [stop.mm - before.mm + (Number(before.isBend) + Number(stop.isBend)) * setBackMm];
  });
};

const legShort: FlatRule = (pattern) => {
  if (pattern.bends.length === 0) return [];
  const value = Math.min(...legsOf(pattern));
  const limit = leastLegMm(pattern.piece.thicknessMm);
  return value < limit ? [{ code: 'leg-short', weight: 'deviation', value, limit, source: 'practice' }] : [];
};

const holeNearBend: FlatRule = ({ bends, holes, piece }) => {
  const away = holes.flatMap(({ vMm, diameterMm }) =>
    bends.map(({ startVMm, endVMm }) => Math.max(startVMm - vMm, vMm - endVMm, 0) - diameterMm / 2),
  );
  const value = Math.min(Infinity, ...away);
  const limit = holeFromBendMm(piece.thicknessMm);
  return value < limit
    ? [{ code: 'hole-near-bend', weight: 'deviation', value, limit, source: 'practice' }]
    : [];
};

const bendRelieved: FlatRule = ({ isRelieved }) =>
  isRelieved ? [{ code: 'bend-relieved', weight: 'note', source: 'practice' }] : [];

const rolled: FlatRule = ({ piece }) =>
  piece.kind === 'sleeve' ? [{ code: 'rolled', weight: 'note', source: 'practice' }] : [];

const RULES: readonly FlatRule[] = [radiusTight, standsOff, legShort, holeNearBend, bendRelieved, rolled];

export const flatFindings = (pattern: Measured, member: Member, repair: Repair): FlatFinding[] =>
  RULES.flatMap((rule) => rule(pattern, member, repair));

/** Whether an outline encloses something that can be cut: three corners, none crossing, an area. */
export function checkOutline(points: readonly Point[]): Outcome<null> {
  if (points.length < 3) return fail('an outline has at least three corners');
  if (points.some((point) => point.some((mm) => !Number.isFinite(mm))))
    return fail('an outline has a corner that is nowhere');
  const repeated = points.findIndex(
    ([x, y], k) =>
      Math.hypot(x - points[(k + 1) % points.length]![0], y - points[(k + 1) % points.length]![1]) < 0.05,
  );
  if (repeated >= 0)
    return fail(`corner ${repeated + 1} and the one after it are one place`, String(repeated));
  const at = crossingOf(points);
  return at ? fail(`the outline crosses itself near ${at[0].toFixed(0)}, ${at[1].toFixed(0)} mm`) : ok(null);
}
