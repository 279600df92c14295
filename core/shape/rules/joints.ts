import { BETWEEN_HEAT_ZONES_MM } from '../../reference';
import { CRITICAL_REACH_MM, crossingsOn, fittingsOn } from '../../frame';
import { NO_FOOT } from '../clashes';
import { besideJoint, JOINT_CLEAR_MM } from '../joints';
import { lengthsOf, type Piece } from '../repair';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/** Every joint of a repair, looked at by each of these. */
export const joints = (context: RepairPicture): RepairFinding[] =>
  context.repair.pieces.flatMap((piece) => [
    ...shortLengths(context, piece),
    ...(piece.joints ?? []).flatMap((stationMm) =>
      OF_JOINTS.flatMap((rule) => rule(context, piece, stationMm)),
    ),
  ]);

type JointRule = (context: RepairPicture, piece: Piece, stationMm: number) => RepairFinding[];

const found = (
  { id }: Piece,
  stationMm: number,
  finding: Pick<RepairFinding, 'code' | 'weight'> & Partial<RepairFinding>,
): RepairFinding => ({
  quantity: 'length',
  source: 'practice',
  pieceId: id,
  at: { fromMm: stationMm, toMm: stationMm },
  ...finding,
});

/** It is welded right through: what that takes is told with it. */
const welded: JointRule = (_, piece, stationMm) => [
  found(piece, stationMm, {
    code: 'joint-through',
    weight: 'note',
    value: piece.thicknessMm,
    quantity: 'thickness',
  }),
];

/** Where the rail beneath is gone the joint alone carries: everywhere else the rail shares it. */
const overDamage: JointRule = ({ target }, piece, stationMm) =>
  target && stationMm >= target.fromMm && stationMm <= target.toMm
    ? [found(piece, stationMm, { code: 'joint-over-damage', weight: 'deviation' })]
    : [];

/** Off the heat of a crossmember's weld, as an end is. */
const nearWeld: JointRule = ({ picture }, piece, stationMm) => {
  const limit = BETWEEN_HEAT_ZONES_MM + JOINT_CLEAR_MM;
  const near = crossingsOn(picture.frame, picture.member).find(
    (crossing) => Math.abs(crossing.stationMm - stationMm) < limit - 1e-6,
  );
  if (!near) return [];
  const value = Math.abs(near.stationMm - stationMm);
  return [
    found(piece, stationMm, {
      code: 'joint-near-weld',
      weight: 'deviation',
      value,
      limit,
      name: near.member.name,
    }),
  ];
};

/** Beside a bracket the road asks most. */
const nearBracket: JointRule = ({ picture }, piece, stationMm) => {
  const [mark] = fittingsOn(picture.frame, picture.member)
    .filter(({ kind }) => !NO_FOOT.has(kind))
    .map(({ name, stationMm: mm }) => ({ name, value: Math.abs(mm - stationMm) }))
    .filter(({ value }) => value < CRITICAL_REACH_MM)
    .sort((a, b) => a.value - b.value);
  return mark
    ? [
        found(piece, stationMm, {
          ...mark,
          code: 'joint-in-critical-zone',
          weight: 'note',
          limit: CRITICAL_REACH_MM,
        }),
      ]
    : [];
};

/** No section loses two plates at once: joints stand off the ends and joints of the repair's other pieces. */
const level: JointRule = ({ repair }, piece, stationMm) => {
  const limit = BETWEEN_HEAT_ZONES_MM;
  const value = Math.min(
    Infinity,
    ...repair.pieces
      .filter(({ id }) => id !== piece.id)
      .flatMap((other) => [other.startMm, other.endMm, ...(other.joints ?? [])])
      .map((mm) => Math.abs(mm - stationMm)),
  );
  return value < limit - 1e-6
    ? [found(piece, stationMm, { code: 'joint-level', weight: 'broken', value, limit })]
    : [];
};

/** A groove runs out into a hole, a plug or a notch beside it, and starts a crack there. */
const beside: JointRule = ({ picture, repair }, piece, stationMm) => {
  const value = besideJoint(picture, repair, piece, stationMm);
  return value < JOINT_CLEAR_MM - 1e-6
    ? [
        found(piece, stationMm, {
          code: 'joint-at-hole',
          weight: 'broken',
          value: Math.max(0, value),
          limit: JOINT_CLEAR_MM,
        }),
      ]
    : [];
};

const OF_JOINTS: readonly JointRule[] = [welded, overDamage, nearWeld, nearBracket, level, beside];

/** A length shorter than its member is deep is all joint (our judgement). */
function shortLengths({ picture }: RepairPicture, piece: Piece): RepairFinding[] {
  const limit = picture.member.shape.depthMm;
  const lengths = lengthsOf(piece);
  if (lengths.length === 1) return [];
  return lengths
    .map(({ fromMm, toMm }) => ({ fromMm, value: toMm - fromMm }))
    .filter(({ value }) => value < limit - 1e-6)
    .map(({ fromMm, value }) =>
      found(piece, fromMm, { code: 'length-short', weight: 'deviation', value, limit }),
    );
}
