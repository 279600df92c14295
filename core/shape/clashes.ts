import {
  breadthMm,
  crossingsOn,
  developedWidthMm,
  facesOf,
  fittingsOn,
  isClosed,
  uOnFace,
  type FaceId,
  type FittingKind,
  type Frame,
  type Member,
  type MemberShape,
} from '../frame';
import { standingNear } from '../metal';
import type { MemberPicture } from '../weigh';
import { cutsAt } from './plating';
import { inchesToMm } from '../quantity';
import { coverage, isInside, type Piece, type Repair } from './repair';
import { facesCovered } from './faces-covered';

/** Something of the frame in a plate's way. */
export interface Clash {
  /** The host it is, as evidence names it. */
  readonly hostId: string;
  readonly name: string;
  readonly what: 'fitting' | 'member' | 'skin';
  readonly kind: FittingKind | Member['role'];
  readonly fromMm: number;
  readonly toMm: number;
  /** Where on the wall it stands, developed, where that is known. */
  readonly band?: Band;
  /** The face it covers, of an earlier skin, where that was said. */
  readonly face?: FaceId;
}
interface Band {
  readonly uFromMm: number;
  readonly uToMm: number;
}

/** A bracket whose size nobody gave is taken to be so long on the rail, mm (ours: 6 in). */
const TAKEN_LONG_MM = inchesToMm(6);

/** Kinds that hang beside a rail or mark a place on it, and have no foot on its wall. */
export const NO_FOOT: ReadonlySet<FittingKind> = new Set<FittingKind>([
  'axle',
  'lift point',
  'jack',
  'line',
  'harness',
  'tank',
  'exhaust',
  'joint',
]);

/**
 * What stands on the stretch of wall that a piece covers, over its whole length: brackets by their own size, ends of crossmembers and outriggers by
 * theirs. Which face a bracket sits on is not on record: any plate on the outside at its station meets it.
 */
export function clashesUnder(frame: Frame, member: Member, piece: Piece): Clash[] {
  return [...fittingClashes(frame, member, piece), ...memberClashes(frame, member, piece)].sort(
    (a, b) => a.fromMm - b.fromMm,
  );
}

const overlaps = (piece: Piece, fromMm: number, toMm: number): boolean =>
  piece.startMm < toMm && piece.endMm > fromMm;

/** A bracket outside the wall is met inside by its bolts and rivets, unless it is known to be welded on. */
function fittingClashes(frame: Frame, member: Member, piece: Piece): Clash[] {
  return fittingsOn(frame, member).flatMap((fitting): Clash[] => {
    if (NO_FOOT.has(fitting.kind) || (isInside(piece) && fitting.attached?.by === 'weld')) return [];
    const halfMm = (fitting.size?.alongMm ?? TAKEN_LONG_MM) / 2;
    const [fromMm, toMm] = [fitting.stationMm - halfMm, fitting.stationMm + halfMm];
    if (!overlaps(piece, fromMm, toMm)) return [];
    return [
      {
        hostId: `${fitting.id} ${member.side ?? fitting.side}`,
        name: fitting.name,
        what: 'fitting',
        kind: fitting.kind,
        fromMm,
        toMm,
      },
    ];
  });
}

/** Where what is joined to a rail touches it: a face, or both flanges, and how high on it. */
interface Foot {
  readonly other: Member;
  readonly stationMm: number;
  readonly hostId: string;
  readonly faces: readonly FaceId[];
}

/** A crossmember meets the rail's inner side, or both flanges where it laps over them; an outrigger meets the outer side. */
function feetOn(frame: Frame, member: Member): Foot[] {
  const crossings = crossingsOn(frame, member).map(({ member: other, stationMm }) => ({
    other,
    stationMm,
    hostId: `${other.id} ${member.side === 'right' ? 'end' : 'start'}`,
    faces: other.joint === 'flange' ? FLANGES : INNER,
  }));
  const outriggers = frame.members
    .filter((other) => other.role === 'outrigger' && other.side === member.side && other.line)
    .map((other) => ({
      other,
      stationMm: other.line!.from[0] - (member.startMm ?? 0),
      hostId: `${other.id} start`,
      faces: OUTER,
    }));
  return member.role === 'rail' ? [...crossings, ...outriggers] : [];
}
const FLANGES: readonly FaceId[] = ['top', 'bottom'];
const INNER: readonly FaceId[] = ['inner', 'web'];
const OUTER: readonly FaceId[] = ['web', 'outer'];

function memberClashes(frame: Frame, member: Member, piece: Piece): Clash[] {
  return feetOn(frame, member).flatMap((foot): Clash[] => {
    const { other, stationMm, hostId } = foot;
    const halfMm = breadthMm(other.shape) / 2;
    const [fromMm, toMm] = [stationMm - halfMm, stationMm + halfMm];
    if (!overlaps(piece, fromMm, toMm) || !isMet(member.shape, piece, foot)) return [];
    const band =
      foot.faces === FLANGES
        ? undefined
        : footBands(member.shape, foot).find((each) => covers(member.shape, piece, each));
    return [
      { hostId, name: other.name, what: 'member', kind: other.role, fromMm, toMm, ...(band && { band }) },
    ];
  });
}

/** A web has two sides: a crossmember stands on the inner one, an outrigger on the outer. */
function isMet(shape: MemberShape, piece: Piece, foot: Foot): boolean {
  const isOnInside = foot.faces === INNER && !isClosed(shape);
  if (foot.faces === FLANGES)
    return !isInside(piece) && FLANGES.some((id) => facesCovered(shape, piece).has(id));
  return isInside(piece) === isOnInside && footBands(shape, foot).some((band) => covers(shape, piece, band));
}

/** Where a foot stands on the wall, in developed coordinates: at the middle of the side's height. */
function footBands(shape: MemberShape, { other, faces }: Pick<Foot, 'other' | 'faces'>): Band[] {
  return facesOf(shape)
    .filter(({ id }) => faces.includes(id))
    .map((face) => {
      const half = Math.min(other.shape.depthMm, face.widthMm) / 2;
      const ends = [face.widthMm / 2 - half, face.widthMm / 2 + half].map((mm) => uOnFace(face, mm));
      return { uFromMm: Math.min(...ends), uToMm: Math.max(...ends) };
    });
}

function covers(shape: MemberShape, piece: Piece, band: Band): boolean {
  const { uFromMm, uToMm } = coverage(shape, piece);
  const aroundMm = developedWidthMm(shape);
  const laps = isClosed(shape) ? [-aroundMm, 0, aroundMm] : [0];
  return laps.some((lap) => uFromMm < band.uToMm + lap - 1e-6 && uToMm > band.uFromMm + lap + 1e-6);
}

/** Members joined to this one whose joint lies on metal that the repair cuts away. */
export function jointsCutLoose(picture: MemberPicture, repair: Repair): Clash[] {
  const { frame, member } = picture;
  return feetOn(frame, member)
    .filter((foot) =>
      cutsAt(picture, repair, foot.stationMm).some((cut) =>
        (foot.faces === FLANGES ? flangeBands(member.shape) : footBands(member.shape, foot)).some(
          (band) => cut.uFromMm < band.uToMm && cut.uToMm > band.uFromMm,
        ),
      ),
    )
    .map(({ other, stationMm, hostId }) => {
      const halfMm = breadthMm(other.shape) / 2;
      return {
        hostId,
        name: other.name,
        what: 'member',
        kind: other.role,
        fromMm: stationMm - halfMm,
        toMm: stationMm + halfMm,
      };
    });
}

const flangeBands = (shape: MemberShape) =>
  facesOf(shape)
    .filter(({ id }) => id === 'bottom')
    .map(({ uStartMm, widthMm }) => ({ uFromMm: uStartMm, uToMm: uStartMm + widthMm }));

/** Earlier skins, plates and flats on the wall that a piece covers: what was told of them still stands there. */
export function skinsUnder({ account, member }: MemberPicture, piece: Piece): Clash[] {
  const faces = facesCovered(member.shape, piece);
  const seen = new Set<string>();
  return standingNear(account, piece.startMm, piece.endMm).flatMap((saying): Clash[] => {
    const { claim, isSkin, face, recordId, what, fromMm, toMm } = saying;
    const isUnder = claim === 'hidden' && isSkin === true && (face === undefined || faces.has(face));
    if (!isUnder || seen.has(recordId) || !overlaps(piece, fromMm, toMm)) return [];
    seen.add(recordId);
    return [
      {
        hostId: `skin ${recordId}`.slice(0, 60),
        name: `earlier repair, ${what}`,
        what: 'skin',
        kind: 'plate',
        fromMm: Math.max(0, fromMm),
        toMm: Math.min(member.lengthMm, toMm),
        ...(face && { face }),
      },
    ];
  });
}

/** Whether a notch of the piece passes the clash over its whole length. */
export const isNotchedRound = ({ notches = [] }: Piece, { fromMm, toMm }: Clash): boolean =>
  notches.some((notch) => notch.fromMm <= fromMm + 1e-6 && notch.toMm >= toMm - 1e-6);

/** What was decided about a clash; undefined where nobody has. */
export const pastOf = ({ beneath = [] }: Repair, { hostId }: Clash) =>
  beneath.find((each) => each.hostId === hostId)?.way;
