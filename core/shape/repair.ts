import { z } from 'zod';
import {
  bySchema,
  faceOf,
  instantSchema,
  isClosed,
  uOnFace,
  developedWidthMm,
  type Member,
  type MemberShape,
} from '../frame';
import { fail, ok, type Form, type Outcome } from '../quantity';

export const PIECE_KINDS = ['bottom L', 'top L', 'full C', 'side plate', 'bottom U', 'top U'] as const;
export type PieceKind = (typeof PIECE_KINDS)[number];

/** Which pieces fit which section. */
export const pieceKindsFor = (shape: MemberShape): readonly PieceKind[] =>
  shape.kind === 'channel'
    ? ['bottom L', 'top L', 'full C', 'side plate']
    : shape.kind === 'box'
      ? ['bottom U', 'top U', 'side plate']
      : [];

/**
 * One plate, bent or flat, laid on the outside of a member.
 * `upperEdgeMm` / `lowerEdgeMm`: heights of its lengthwise edges on the side face, up from the bottom corner. A bottom piece uses
 * only the upper one, a top piece only the lower one, a side plate both.
 */
export const pieceSchema = z.object({
  id: z.string().min(1).max(60),
  kind: z.enum(PIECE_KINDS),
  startMm: z.number(),
  endMm: z.number(),
  thicknessMm: z.number().gt(0.5).lt(40),
  lowerEdgeMm: z.number().gte(0),
  upperEdgeMm: z.number().gte(0),
  /** Length over which each end narrows to its nose; 0 is a square cut. */
  taperMm: z.number().gte(0).lte(2000),
});
export type Piece = z.infer<typeof pieceSchema>;

export const WELD_STYLES = ['continuous', 'runs to continuous', 'skip'] as const;

/** The repair of one damaged zone as the technician left it. */
export const repairSchema = z.object({
  id: z.string().min(1).max(60),
  memberId: z.string().min(1).max(40),
  /** Bad metal is cut away (the plate replaces it) or stays beneath (the plate lies over it). */
  cutOut: z.boolean(),
  pieces: z.array(pieceSchema).min(1).max(6),
  weldStyle: z.enum(WELD_STYLES),
  plugs: z.boolean(),
  /** Welded on the vehicle, or taken off and welded flat. */
  onBench: z.boolean(),
  by: bySchema,
  at: instantSchema,
});
export type Repair = z.infer<typeof repairSchema>;
export const repairForm: Form<Repair> = { name: 'repair', version: 1, schema: repairSchema, upcasts: {} };

/** Whether a repair can lie on its member at all; the rules say whether it is any good. */
export function checkRepair(member: Member, repair: Pick<Repair, 'pieces'>): Outcome<null> {
  for (const piece of repair.pieces) {
    if (!pieceKindsFor(member.shape).includes(piece.kind))
      return fail(`a ${piece.kind} does not fit a ${member.shape.kind}`);
    if (!(piece.startMm >= 0 && piece.endMm <= member.lengthMm))
      return fail(`${piece.kind} reaches off ${member.name}`);
    if (!(piece.endMm - piece.startMm >= 50)) return fail(`${piece.kind} is shorter than 2 in (50 mm)`);
    if (!(piece.upperEdgeMm <= member.shape.depthMm && piece.lowerEdgeMm <= member.shape.depthMm))
      return fail(`${piece.kind} has an edge above the top corner`);
    if (piece.kind === 'side plate' && !(piece.upperEdgeMm - piece.lowerEdgeMm >= 20))
      return fail('the side plate is narrower than 3/4 in (20 mm)');
  }
  return ok(null);
}

/** What a piece covers in developed coordinates, and where its ends come to a nose. */
export interface Coverage {
  readonly uFromMm: number;
  readonly uToMm: number;
  readonly noseUMm: number;
}

export function coverage(shape: MemberShape, piece: Piece): Coverage {
  const side = faceOf(shape, isClosed(shape) ? 'outer' : 'web')!;
  const perimeterMm = developedWidthMm(shape);
  const upperU = uOnFace(side, piece.upperEdgeMm);
  const lowerU = uOnFace(side, piece.lowerEdgeMm);
  const bottomFold = side.uStartMm + side.widthMm;
  switch (piece.kind) {
    case 'bottom L':
      return { uFromMm: upperU, uToMm: perimeterMm, noseUMm: bottomFold };
    case 'top L':
      return { uFromMm: 0, uToMm: lowerU, noseUMm: side.uStartMm };
    case 'full C':
      return { uFromMm: 0, uToMm: perimeterMm, noseUMm: side.uStartMm + side.widthMm / 2 };
    case 'side plate':
      return { uFromMm: upperU, uToMm: lowerU, noseUMm: (upperU + lowerU) / 2 };
    case 'bottom U': {
      const inner = faceOf(shape, 'inner')!;
      return {
        uFromMm: upperU,
        uToMm: uOnFace(inner, piece.upperEdgeMm),
        noseUMm: (bottomFold + inner.uStartMm) / 2,
      };
    }
    case 'top U':
      return { uFromMm: -(side.widthMm - piece.lowerEdgeMm), uToMm: lowerU, noseUMm: side.uStartMm / 2 };
    default:
      return piece.kind satisfies never;
  }
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
  return {
    uFromMm: whole.noseUMm - (whole.noseUMm - whole.uFromMm) * part,
    uToMm: whole.noseUMm + (whole.uToMm - whole.noseUMm) * part,
    noseUMm: whole.noseUMm,
  };
}

function fullness(insideMm: number, piece: Piece, whole: Coverage): number {
  if (piece.taperMm === 0 || insideMm >= taperLengthMm(piece)) return 1;
  const nose = Math.min(1, NOSE_MM / (whole.uToMm - whole.uFromMm));
  return nose + (1 - nose) * (insideMm / taperLengthMm(piece));
}

/** The taper actually there is room for. */
export const taperLengthMm = (piece: Piece): number =>
  Math.min(piece.taperMm, 0.45 * (piece.endMm - piece.startMm));

/** The piece's outline on the Strip: closed, (station, u), starting at its upper front corner. */
export function outlineOnStrip(member: Member, piece: Piece): (readonly [number, number])[] {
  const stations = [
    piece.startMm,
    piece.startMm + taperLengthMm(piece),
    piece.endMm - taperLengthMm(piece),
    piece.endMm,
  ];
  const unique = stations.filter((station, k) => k === 0 || station > stations[k - 1]! + 1e-6);
  const bands = unique.map((station) => ({ station, band: coverageAt(member, piece, station)! }));
  return [
    ...bands.map(({ station, band }) => [station, band.uFromMm] as const),
    ...[...bands].reverse().map(({ station, band }) => [station, band.uToMm] as const),
  ];
}
