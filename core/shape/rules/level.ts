import { twinOf, type FaceId, type Frame, type Member } from '../../frame';
import { clashesUnder, isNotchedRound, pastOf, type Clash } from '../clashes';
import { facesCovered } from '../faces-covered';
import { isInside, type Repair } from '../repair';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/** What sits on both sides of a frame, and how far plates beneath it take it off its wall here and on the twin, mm. */
export interface Seat {
  readonly name: string;
  readonly face: FaceId;
  readonly stationMm: number;
  readonly hereMm: number;
  readonly thereMm: number;
}

/** Differences under this are the plate's own tolerance, mm (ours). */
const SAME_MM = 0.3;

/**
 * What a repair's plates take off its wall where its twin's plates take it off less, or more. On which face a bracket sits is not on record: each face
 * that is covered is told. Notched round, or looked at and clear, it stays where it was; of what stands on one side alone there is no twin.
 */
export function seatsOf({ picture, repair }: RepairPicture, twinRepairs: readonly Repair[]): Seat[] {
  const { frame, member } = picture;
  const twin = twinOf(frame, member);
  if (!twin) return [];
  const here = raisedBy(frame, member, [repair]);
  const there = raisedBy(frame, twin, twinRepairs);
  return [...here].map(([key, { clash, face, byMm }]) => ({
    name: clash.name,
    face,
    stationMm: (clash.fromMm + clash.toMm) / 2,
    hereMm: byMm,
    thereMm: there.get(key)?.byMm ?? 0,
  }));
}

interface Raised {
  readonly clash: Clash;
  readonly face: FaceId;
  readonly byMm: number;
}

/** What plates raise, by a name that both sides share and the face. */
function raisedBy(frame: Frame, member: Member, repairs: readonly Repair[]): Map<string, Raised> {
  const raised = new Map<string, Raised>();
  for (const repair of repairs)
    for (const piece of repair.pieces.filter((each) => !isInside(each))) {
      const faces = facesCovered(member.shape, piece);
      for (const clash of clashesUnder(frame, member, piece)) {
        if (isNotchedRound(piece, clash) || pastOf(repair, clash) === 'clear of it') continue;
        const shared = sharedName(frame, clash);
        for (const face of shared === undefined ? [] : faces) {
          const key = `${shared} ${face}`;
          raised.set(key, { clash, face, byMm: (raised.get(key)?.byMm ?? 0) + piece.thicknessMm });
        }
      }
    }
  return raised;
}

/** A host without its side, where it stands on both: a fitting of both sides, a member that lies over both rails. */
function sharedName({ fittings, members }: Frame, { hostId, what }: Clash): string | undefined {
  const id = hostId.replace(/ (left|right|start|end)$/, '');
  const isShared =
    what === 'fitting'
      ? fittings.some((fitting) => fitting.id === id && fitting.side === 'both')
      : members.some((other) => other.id === id && other.joint === 'flange');
  return isShared ? id : undefined;
}

/** Mounts and brackets stand level across the frame: what one side's plate takes off its place the other's must too, or a shim does. Told once for each height. */
export function heldLevel(context: RepairPicture, twinRepairs: readonly Repair[]): RepairFinding[] {
  const limit = context.picture.practice.geometry.placeMm;
  const off = seatsOf(context, twinRepairs).filter(
    ({ hereMm, thereMm }) => Math.abs(hereMm - thereMm) > SAME_MM,
  );
  /** Seats of one height on the same faces are one remark. */
  const facesOf = ({ name, stationMm, hereMm, thereMm }: Seat) =>
    off
      .filter((each) => each.name === name && each.stationMm === stationMm)
      .filter((each) => Math.abs(each.hereMm - each.thereMm - hereMm + thereMm) < SAME_MM)
      .map(({ face }) => face)
      .join(', ');
  const heights = new Map<string, Seat[]>();
  for (const seat of off) {
    const height = `${facesOf(seat)} ${(seat.hereMm - seat.thereMm).toFixed(1)}`;
    heights.set(height, [...(heights.get(height) ?? []), seat]);
  }
  return [...heights.values()].map((seats): RepairFinding => {
    const [first] = seats as [Seat];
    const stations = seats.map(({ stationMm }) => stationMm);
    const value = first.hereMm - first.thereMm;
    return {
      code: 'seat-off-level',
      weight: Math.abs(value) > limit ? 'deviation' : 'note',
      quantity: 'thickness',
      value,
      limit,
      source: 'practice',
      name: `${[...new Set(seats.map(({ name }) => name))].join('; ')} (${facesOf(first)})`,
      at: { fromMm: Math.min(...stations), toMm: Math.max(...stations) },
    };
  });
}
