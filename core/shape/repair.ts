import { z } from 'zod';
import { bySchema, instantSchema, isClosed, type Face, type Member, type MemberShape } from '../frame';
import { fail, ok, type Form, type Outcome } from '../quantity';
import { BOLT_MARKS, boltGrade, leastPitchMm } from '../reference';
import { faceOfPiece, formOf, type Coverage } from './forms';
import { lengthsOf, pieceSchema, type Notch, type Piece } from './piece';

export {
  isInside,
  lengthsOf,
  notchSchema,
  PIECE_KINDS,
  pieceName,
  pieceSchema,
  type Notch,
  type Piece,
  type PieceKind,
} from './piece';

export const PAST_WAYS = ['off and back', 'clear of it', 'off for good', 'stays beneath'] as const;
export type PastWay = (typeof PAST_WAYS)[number];

export const WELD_STYLES = ['continuous', 'runs to continuous', 'skip'] as const;

/** Bolts that hold plates on, by their size and head marks: inch sizes have lines, those of whole millimetres figures. */
export const boltsSchema = z
  .object({
    diameterMm: z.number().gte(6).lte(26),
    marks: z.literal(BOLT_MARKS),
    pitchMm: z.number().lte(400),
  })
  .refine(({ diameterMm, pitchMm }) => pitchMm >= leastPitchMm(diameterMm) - 1e-6, {
    message: 'bolts stand no nearer than 2 2/3 of their diameter',
    path: ['pitchMm'],
  })
  .refine(({ diameterMm, marks }) => boltGrade(marks, diameterMm) !== undefined, {
    message: 'inch bolts have 3 or 6 lines on their heads, metric ones 8.8 or 10.9',
    path: ['marks'],
  });
export type Bolts = z.infer<typeof boltsSchema>;

/** The repair of one damaged zone as the technician left it. */
export const repairSchema = z.object({
  id: z.string().min(1).max(60),
  memberId: z.string().min(1).max(40),
  /** Bad metal is cut away (the plate replaces it) or stays beneath (the plate lies over it). */
  cutOut: z.boolean(),
  pieces: z.array(pieceSchema).min(1).max(6),
  weldStyle: z.enum(WELD_STYLES),
  plugs: z.boolean(),
  /** Bolted on instead of welded. */
  bolts: boltsSchema.optional(),
  /** Welded on the vehicle, or taken off and welded flat. */
  onBench: z.boolean(),
  /**
   * What is in the plates' way, by host, and what is done about it: taken off and refitted, or looked at and found clear of them; an earlier skin comes
   * off for good, or stays and is signed for.
   */
  beneath: z
    .array(z.object({ hostId: z.string().min(1).max(60), way: z.enum(PAST_WAYS) }))
    .max(40)
    .optional(),
  /** The shop's pattern that it was laid from: how often one is used, and how it held, is counted by this. */
  pattern: z.object({ id: z.string().min(1).max(60), name: z.string().trim().min(1).max(80) }).optional(),
  by: bySchema,
  at: instantSchema,
});
export type Repair = z.infer<typeof repairSchema>;
export const repairForm: Form<Repair> = {
  name: 'repair',
  version: 5,
  schema: repairSchema,
  upcasts: { 1: (body) => body, 2: (body) => body, 3: (body) => body, 4: (body) => body },
};

/** Whether a repair can lie on its member at all; the rules say whether it is any good. */
export function checkRepair(
  member: Member,
  repair: Pick<Repair, 'pieces'> & Partial<Pick<Repair, 'bolts' | 'cutOut'>>,
): Outcome<null> {
  if (repair.bolts && isClosed(member.shape))
    return fail(
      `nobody gets to the nuts inside a ${member.shape.kind}: plates are bolted on open sections only`,
    );
  if (repair.bolts && repair.cutOut)
    return fail('plates that are bolted on lie over the metal: nothing is cut out under them');
  if (repair.bolts && repair.pieces.some(({ joints = [] }) => joints.length > 0))
    return fail('plates that are bolted on are of one length: a weld across them is what bolts spare');
  for (const piece of repair.pieces) {
    const checked = checkPiece(member, piece);
    if (!checked.ok) return checked;
  }
  return ok(null);
}

function checkPiece({ shape, name, lengthMm, role }: Member, piece: Piece): Outcome<null> {
  const form = formOf(piece.kind);
  const face = faceOfPiece(shape, piece);
  if (!face)
    return fail(
      form.facesOn(shape).length === 0
        ? `a ${piece.kind} does not fit a ${shape.kind}`
        : `a ${piece.kind} does not lie on the ${piece.face} of a ${shape.kind}`,
    );
  // A tower is pressed sheet that is reckoned as a tube: nothing slides over it.
  if (form.wraps && role === 'tower') return fail(`a ${piece.kind} does not go round ${name}`);
  if (piece.inside && !form.inside(shape)) return fail(`a ${piece.kind} does not go inside a ${shape.kind}`);
  if (!(piece.startMm >= 0 && piece.endMm <= lengthMm)) return fail(`${piece.kind} reaches off ${name}`);
  if (!(piece.endMm - piece.startMm >= SHORTEST_MM))
    return fail(`${piece.kind} is shorter than 2 in (50 mm)`);
  if (!(piece.upperEdgeMm <= face.widthMm && piece.lowerEdgeMm <= face.widthMm))
    return fail(
      face.upright
        ? `${piece.kind} has an edge above the top corner`
        : `${piece.kind} has an edge off the flange`,
    );
  const checked = form.check?.(shape, piece, face) ?? ok(null);
  if (!checked.ok) return checked;
  const notched = checkNotches(shape, piece, face);
  return notched.ok ? checkJoints(piece) : notched;
}

/** Joints lie on the straight part, in their order, each length one that can be held. */
function checkJoints(piece: Piece): Outcome<null> {
  const { joints = [], kind, startMm, endMm } = piece;
  if (joints.length === 0) return ok(null);
  if (formOf(kind).wraps) return fail(`a ${kind} is of one length`);
  if (joints.some((mm) => !(mm > startMm && mm < endMm)))
    return fail(`a joint of the ${kind} lies beyond its ends`);
  if (lengthsOf(piece).some(({ fromMm, toMm }) => !(toMm - fromMm >= SHORTEST_MM)))
    return fail(`two joints of the ${kind} are nearer than 2 in (50 mm), or one is that near its end`);
  const taperMm = taperLengthMm(piece);
  return joints.every((mm) => mm >= startMm + taperMm && mm <= endMm - taperMm)
    ? ok(null)
    : fail(`a joint of the ${kind} lies in the taper of its end`);
}

function checkNotches(shape: MemberShape, piece: Piece, face: Face): Outcome<null> {
  const { notches = [], kind, startMm, endMm } = piece;
  if (notches.length === 0) return ok(null);
  if (notches.some(({ fromMm, toMm }) => fromMm < startMm || toMm > endMm))
    return fail(`a notch of the ${kind} lies beyond its ends`);
  const { uFromMm, uToMm } = formOf(kind).coverage(shape, piece, face);
  return uToMm - uFromMm - deepest(piece, 'first') - deepest(piece, 'last') >= LEAST_LEFT_MM
    ? ok(null)
    : fail(`a notch leaves nothing of the ${kind}: at least 3/4 in (20 mm) stays`);
}

const SHORTEST_MM = 50;
const LEAST_LEFT_MM = 20;
const deepest = ({ notches = [] }: Piece, edge: Notch['edge']): number =>
  Math.max(0, ...notches.filter((notch) => notch.edge === edge).map(({ deepMm }) => deepMm));

/** What a piece covers: where its form puts it on its face. A piece that does not fit its section covers nothing. */
export function coverage(shape: MemberShape, piece: Piece): Coverage {
  const face = faceOfPiece(shape, piece);
  return face ? formOf(piece.kind).coverage(shape, piece, face) : { uFromMm: 0, uToMm: 0, noseUMm: 0 };
}

/** Width of the blunt nose a taper ends in, mm: room for two 1/2 in corner radii. */
const NOSE_MM = 50;

/** An end at the very end of the member is not tapered: there is no rail beyond it. */
const atMemberEnd = (member: Member, stationMm: number): boolean =>
  stationMm <= 1 || stationMm >= member.lengthMm - 1;

/** What the piece covers at a station, its tapers counted; undefined beyond its ends. */
export function coverageAt(member: Member, piece: Piece, stationMm: number): Coverage | undefined {
  if (stationMm < piece.startMm || stationMm > piece.endMm) return undefined;
  const whole = coverage(member.shape, piece);
  const inFromStart = atMemberEnd(member, piece.startMm) ? Infinity : stationMm - piece.startMm;
  const inFromEnd = atMemberEnd(member, piece.endMm) ? Infinity : piece.endMm - stationMm;
  const part = fullness(Math.min(inFromStart, inFromEnd), piece, whole);
  const { noseUMm } = whole;
  return {
    uFromMm: noseUMm - (noseUMm - whole.uFromMm) * part + notchedMm(piece, 'first', stationMm),
    uToMm: noseUMm + (whole.uToMm - noseUMm) * part - notchedMm(piece, 'last', stationMm),
    noseUMm,
  };
}

/** How deep one edge is notched at a station. */
const notchedMm = ({ notches = [] }: Piece, edge: Notch['edge'], stationMm: number): number =>
  Math.max(
    0,
    ...notches
      .filter((notch) => notch.edge === edge && stationMm >= notch.fromMm && stationMm <= notch.toMm)
      .map(({ deepMm }) => deepMm),
  );

function fullness(insideMm: number, piece: Piece, whole: Coverage): number {
  if (piece.taperMm === 0 || insideMm >= taperLengthMm(piece)) return 1;
  const nose = Math.min(1, NOSE_MM / (whole.uToMm - whole.uFromMm));
  return nose + (1 - nose) * (insideMm / taperLengthMm(piece));
}

/** The taper actually there is room for. */
export const taperLengthMm = (piece: Piece): number =>
  Math.min(piece.taperMm, 0.45 * (piece.endMm - piece.startMm));

/** Where a piece's outline turns: its ends, the ends of its tapers, and both sides of each notch's ends. */
export function turnsOf(piece: Piece): number[] {
  const taper = taperLengthMm(piece);
  const notched = (piece.notches ?? []).flatMap(({ fromMm, toMm }) => [
    fromMm - HAIR_MM,
    fromMm,
    toMm,
    toMm + HAIR_MM,
  ]);
  const all = [piece.startMm, piece.startMm + taper, piece.endMm - taper, piece.endMm, ...notched];
  return [...new Set(all)]
    .filter((mm) => mm >= piece.startMm && mm <= piece.endMm)
    .sort((a, b) => a - b)
    .filter((mm, k, sorted) => k === 0 || mm > sorted[k - 1]! + 1e-6);
}
/** Nearer than this two points of an outline are one, mm: on a taper the two looks differ by less than a hair. */
const ONE_POINT_MM = 0.01;
/** Only one edge steps at a notch: along the other the two looks at its side are one point. */
const withoutRepeats = (points: readonly (readonly [number, number])[]): (readonly [number, number])[] =>
  points.filter(([mm, u], k) => {
    const before = points[k - 1];
    return !before || Math.abs(before[0] - mm) > ONE_POINT_MM || Math.abs(before[1] - u) > ONE_POINT_MM;
  });

/** Looked at so far to either side of a notch's side, which is square: drawn, both lie on it. */
const HAIR_MM = 1e-3;
const squared = ({ notches = [] }: Piece, mm: number): number =>
  notches.flatMap(({ fromMm, toMm }) => [fromMm, toMm]).find((side) => Math.abs(side - mm) <= 2 * HAIR_MM) ??
  mm;

/** The outline on the Strip of a piece, or of one of its lengths: closed, (station, u), starting at its upper front corner. */
export function outlineOnStrip(
  member: Member,
  piece: Piece,
  { fromMm, toMm } = { fromMm: piece.startMm, toMm: piece.endMm },
): (readonly [number, number])[] {
  const within = turnsOf(piece).filter((mm) => mm > fromMm + 1e-6 && mm < toMm - 1e-6);
  const bands = [fromMm, ...within, toMm].map((mm) => ({
    station: squared(piece, mm),
    band: coverageAt(member, piece, mm)!,
  }));
  return [
    ...withoutRepeats(bands.map(({ station, band }) => [station, band.uFromMm] as const)),
    ...withoutRepeats([...bands].reverse().map(({ station, band }) => [station, band.uToMm] as const)),
  ];
}

/** From where to where pieces reach on their member, mm. */
export const reachOf = ({ pieces }: { readonly pieces: readonly Pick<Piece, 'startMm' | 'endMm'>[] }) => ({
  fromMm: Math.min(...pieces.map(({ startMm }) => startMm)),
  toMm: Math.max(...pieces.map(({ endMm }) => endMm)),
});

/** Where a repair's pieces lie on its member, and a little beyond. */
export function stretchOf(
  { lengthMm }: Pick<Member, 'lengthMm'>,
  repair: Pick<Repair, 'pieces'>,
): [number, number] {
  const { fromMm, toMm } = reachOf(repair);
  const beyond = 0.06 * (toMm - fromMm) + 30;
  return [Math.max(0, fromMm - beyond), Math.min(lengthMm, toMm + beyond)];
}

/** Whether two repairs of one member reach into the same stretch of it: two plates over one another would be counted twice. */
export function lieOver(a: Repair, b: Repair): boolean {
  if (a.memberId !== b.memberId) return false;
  return a.pieces.some((one) =>
    b.pieces.some((other) => one.startMm < other.endMm && other.startMm < one.endMm),
  );
}
