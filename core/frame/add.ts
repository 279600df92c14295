import { inchesToMm } from '../quantity';
import type { Panel, Pocket } from './enclosed';
import { crossmember } from './families/parts';
import type { Fitting } from './fitting';
import type { Frame, Member, Role } from './frame';
import { lineLengthMm, placementOf } from './placement';
import { isEnclosing, type MemberShape } from './shape';

/** A first place and section for a member of each role; both are then corrected by hand (our judgement). */
const foot = inchesToMm(12);
type Run = readonly [along: number, out: number, up: number];
const RUNS: Readonly<Record<Exclude<Role, 'rail' | 'crossmember'>, Run>> = {
  outrigger: [0, foot, 0],
  tongue: [4 * foot, 0, 0],
  'axle tube': [2 * foot, 0, 0],
  'deck beam': [4 * foot, 0, 0],
  upright: [0, 0, 2 * foot],
  stud: [0, 0, 2 * foot],
  brace: [foot, 0, foot],
  leg: [0, 0, -2 * foot],
  plate: [0, 0, foot / 2],
  sill: [4 * foot, 0, 0],
  'floor rail': [4 * foot, 0, 0],
  tower: [0, 0, foot],
};
const SQUARE_TUBE: MemberShape = {
  kind: 'box',
  depthMm: inchesToMm(2),
  widthMm: inchesToMm(2),
  thicknessMm: inchesToMm(1 / 8),
};

/**
 * A frame with one more member of a role, in the middle of its length, shaped like the last of its role where there is one. `inPairs`: one on each
 * side, mirrored; crossmembers stand alone. The ids of what was added come with it.
 */
export function withMember(
  frame: Frame,
  role: Role,
  inPairs: boolean,
): { readonly frame: Frame; readonly ids: readonly string[] } {
  const added =
    role === 'crossmember'
      ? [newCrossmember(frame)]
      : (inPairs ? (['left', 'right'] as const) : (['left'] as const)).map((side) =>
          newSided(frame, role, side),
        );
  return { frame: { ...frame, members: [...frame.members, ...added] }, ids: added.map(({ id }) => id) };
}

const slug = (role: Role): string => role.replaceAll(' ', '-');
/** The first number that no id with this beginning has. */
function nextNumber(ids: readonly string[], beginning: string): number {
  const numbers = ids.flatMap((id) => (id.startsWith(beginning) ? Number(/(\d+)$/.exec(id)?.[1] ?? 0) : []));
  return Math.max(0, ...numbers) + 1;
}
const memberIds = (frame: Frame) => frame.members.map(({ id }) => id);
const railOf = (frame: Frame, side: 'left' | 'right'): Member =>
  frame.members.find((member) => member.role === 'rail' && member.side === side) ??
  frame.members.find((member) => member.role === 'rail')!;

function newCrossmember(frame: Frame): Member {
  const rail = railOf(frame, 'left');
  return crossmember(
    { railShape: rail.shape, steel: rail.steel, widthMm: frame.widthMm },
    nextNumber(memberIds(frame), 'cross-'),
    frame.lengthMm / 2,
  );
}

function newSided(frame: Frame, role: Exclude<Role, 'crossmember'>, side: 'left' | 'right'): Member {
  const number = Math.max(
    ...(['left', 'right'] as const).map((each) => nextNumber(memberIds(frame), `${slug(role)}-${each}-`)),
  );
  const rail = railOf(frame, side);
  const like = frame.members.findLast((member) => member.role === role && member.side === side) ?? rail;
  const base = {
    id: `${slug(role)}-${side}-${number}`,
    name: `${side === 'left' ? 'Left' : 'Right'} ${role} ${number}`,
    role,
    side,
    steel: like.steel,
  };
  const middleMm = Math.round(frame.lengthMm / 2);
  if (role === 'rail')
    return { ...base, shape: rail.shape, startMm: middleMm, lengthMm: frame.lengthMm - middleMm };
  const [along, out, up] = RUNS[role];
  const y = placementOf(frame, rail).from[1];
  const line: NonNullable<Member['line']> = {
    from: [middleMm, y, 0],
    to: [middleMm + along, y + (side === 'left' ? -out : out), up],
  };
  const shape = like.role === role ? like.shape : SQUARE_TUBE;
  return { ...base, shape, line, lengthMm: lineLengthMm(line) };
}

/** A frame with one more fitting, on both rails in the middle. */
export function withFitting(frame: Frame, kind: Fitting['kind']): Frame {
  const number = nextNumber(
    frame.fittings.map(({ id }) => id),
    'mark-',
  );
  const fitting: Fitting = {
    id: `mark-${number}`,
    kind,
    name: `${kind[0]!.toUpperCase()}${kind.slice(1)} ${number}`,
    side: 'both',
    stationMm: Math.round(frame.lengthMm / 2),
  };
  return { ...frame, fittings: [...frame.fittings, fitting] };
}

/** A frame with one more panel, over the rails' middle third until said otherwise. */
export function withPanel(frame: Frame, kind: Panel['kind']): Frame {
  const number = nextNumber(
    (frame.panels ?? []).map(({ id }) => id),
    'panel-',
  );
  const panel: Panel = {
    id: `panel-${number}`,
    kind,
    name: `${kind[0]!.toUpperCase()}${kind.slice(1)} ${number}`,
    fromMm: Math.round(frame.lengthMm / 3),
    toMm: Math.round((2 * frame.lengthMm) / 3),
    behindIds: [railOf(frame, 'left').id],
  };
  return { ...frame, panels: [...(frame.panels ?? []), panel] };
}

/** A frame with one more closed space, in its first closed member; undefined where every section is open. */
export function withPocket(frame: Frame): Frame | undefined {
  const member = frame.members.find(({ shape }) => isEnclosing(shape));
  if (!member) return undefined;
  const number = nextNumber(
    (frame.pockets ?? []).map(({ id }) => id),
    'pocket-',
  );
  const pocket: Pocket = {
    id: `pocket-${number}`,
    name: `Closed space ${number}`,
    memberId: member.id,
    fromMm: 0,
    toMm: member.lengthMm,
    drains: 0,
  };
  return { ...frame, pockets: [...(frame.pockets ?? []), pocket] };
}
