import { type Frame, type Member, type MemberShape } from '../frame';
import { fail, ok, type Outcome } from '../quantity';
import { checkRepair, faceOfPiece, type Notch, type Piece, type Repair } from '../shape';
import { landmarksOn, placed, type Anchors, type Landmark, type LandmarkKind } from './landmarks';
import { edgeOn, type Pattern, type PiecePlaces } from './pattern';

/** In what a member, or what is laid on it, differs from what the pattern was made on. Lengths in mm. */
export type Unlike =
  | { readonly code: 'other side' }
  | { readonly code: 'section'; readonly what: string; readonly wasMm: number; readonly isMm: number }
  | { readonly code: 'length'; readonly piece: number; readonly wasMm: number; readonly isMm: number }
  /** A place is told by something else than it was: what was nearest to it is not here, or not as many of it. */
  | {
      readonly code: 'measured from';
      readonly piece: number;
      readonly was: LandmarkKind;
      readonly is: LandmarkKind;
    };

export interface LaidPattern {
  readonly repair: Repair;
  readonly unlike: readonly Unlike[];
}

/** Sizes nearer than this are one, share: two rails of one roll. */
const SAME_SIZE = 0.01;
/** A plate's length that differs by less is one, mm. */
const SAME_LENGTH_MM = 1;

/** Whether a pattern belongs on a member at all: the same family, the same kind of member, the same kind of section. */
export const suits = ({ family, member: made }: Pattern, frame: Frame, member: Member): boolean =>
  family === frame.family && made.role === member.role && made.shape.kind === member.shape.kind;

/** A member with what stands on it. */
interface Ground {
  readonly member: Member;
  readonly landmarks: readonly Landmark[];
}

/**
 * A pattern laid on a member by its own landmarks. It is refused, with the reason, where an edge has no room or the section does not take it;
 * whether it is any good there is for the rules to say, on that member's own metal.
 */
export function layPattern(pattern: Pattern, frame: Frame, member: Member): Outcome<LaidPattern> {
  if (!suits(pattern, frame, member))
    return fail(`it was made for a ${pattern.member.shape.kind} ${pattern.member.role} of another frame`);
  const ground: Ground = { member, landmarks: landmarksOn(frame, member) };
  const pieces: Piece[] = [];
  for (const [k, made] of pattern.repair.pieces.entries()) {
    const piece = layPiece(ground, made, pattern.places[k]!);
    if (!piece.ok) return piece;
    pieces.push({ ...piece.value, id: `pattern-${k + 1}` });
  }
  const repair: Repair = {
    ...pattern.repair,
    pieces,
    id: 'from a pattern',
    memberId: member.id,
    pattern: { id: pattern.id, name: pattern.name },
  };
  const checked = checkRepair(member, repair);
  return checked.ok ? ok({ repair, unlike: unlikeOf(pattern, ground, pieces) }) : checked;
}

function layPiece(ground: Ground, made: Piece, places: PiecePlaces): Outcome<Piece> {
  const { member, landmarks } = ground;
  const [start, end] = [placed(landmarks, places.start), placed(landmarks, places.end)];
  if (!start || !end) return missing(member, start ? places.end : places.start);
  const face = faceOfPiece(member.shape, made);
  if (!face) return fail(`a ${made.kind} does not lie on a ${member.shape.kind} like this one`);
  const lowerEdgeMm = edgeOn(places.lower, face.widthMm);
  const upperEdgeMm = edgeOn(places.upper, face.widthMm);
  if (lowerEdgeMm === undefined || upperEdgeMm === undefined)
    return fail(`the ${made.kind} has no room on ${member.name}: its ${face.id} is too narrow`);
  const notches = layNotches(ground, made, places);
  if (!notches.ok) return notches;
  return ok({
    ...made,
    startMm: start.mm,
    endMm: end.mm,
    lowerEdgeMm,
    upperEdgeMm,
    ...(made.notches && { notches: notches.value }),
    ...(made.joints && {
      joints: made.joints.map((mm) => start.mm + shareAlong(made, mm) * (end.mm - start.mm)),
    }),
  });
}

/** A joint keeps its share of the plate's length. */
const shareAlong = ({ startMm, endMm }: Piece, mm: number): number => (mm - startMm) / (endMm - startMm);

const missing = (member: Member, anchors: Anchors) =>
  fail(`${member.name} has nothing to measure it from: ${anchors.map(({ kind }) => kind).join(', ')}`);

function layNotches(
  { member, landmarks }: Ground,
  { notches = [] }: Piece,
  places: PiecePlaces,
): Outcome<Notch[]> {
  const laid: Notch[] = [];
  for (const [k, { from, to }] of places.notches.entries()) {
    const [first, last] = [placed(landmarks, from), placed(landmarks, to)];
    if (!first || !last) return missing(member, first ? to : from);
    if (!(last.mm > first.mm)) return fail('a notch would end before it starts');
    laid.push({ ...notches[k]!, fromMm: first.mm, toMm: last.mm });
  }
  return ok(laid);
}

function unlikeOf(pattern: Pattern, { member, landmarks }: Ground, pieces: readonly Piece[]): Unlike[] {
  const { side, shape } = pattern.member;
  return [
    ...(side && member.side && side !== member.side ? [{ code: 'other side' } as const] : []),
    ...sizesUnlike(shape, member.shape),
    ...pieces.flatMap((piece, k) => lengthUnlike(pattern.repair.pieces[k]!, piece, k)),
    ...pattern.places.flatMap((places, k) => measuredUnlike(landmarks, places, k)),
  ];
}

/** Sizes of the section that differ: `depthMm` as *depth*. */
function sizesUnlike(was: MemberShape, is: MemberShape): Unlike[] {
  const now = is as unknown as Readonly<Record<string, unknown>>;
  return Object.entries(was).flatMap(([key, value]): Unlike[] => {
    const other = now[key];
    if (typeof value !== 'number' || typeof other !== 'number') return [];
    return Math.abs(value - other) <= SAME_SIZE * value
      ? []
      : [{ code: 'section', what: key.replace(/Mm$/, ''), wasMm: value, isMm: other }];
  });
}

function lengthUnlike(made: Piece, laid: Piece, piece: number): Unlike[] {
  const [wasMm, isMm] = [made.endMm - made.startMm, laid.endMm - laid.startMm];
  return Math.abs(isMm - wasMm) <= SAME_LENGTH_MM ? [] : [{ code: 'length', piece, wasMm, isMm }];
}

/** Each pair of landmarks that stand in for one another is said once a piece. */
function measuredUnlike(landmarks: readonly Landmark[], places: PiecePlaces, piece: number): Unlike[] {
  const { start, end, notches } = places;
  const told = new Map(
    [start, end, ...notches.flatMap(({ from, to }) => [from, to])].flatMap((anchors) => {
      const [was, is] = [anchors[0]!.kind, placed(landmarks, anchors)!.by.kind];
      return was === is ? [] : [[`${was} ${is}`, { code: 'measured from', piece, was, is } as const]];
    }),
  );
  return [...told.values()];
}
