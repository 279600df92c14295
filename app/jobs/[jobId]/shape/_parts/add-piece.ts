import { isClosed, type Member } from '@/core/frame';
import { inchesToMm } from '@/core/quantity';
import {
  checkRepair,
  faceOfPiece,
  formOf,
  pieceKindsFor,
  type Piece,
  type PieceKind,
  type Repair,
} from '@/core/shape';

/** Half of a plate's length when one is laid down at the cursor, in depths of the member. */
const HALF_DEPTHS = 2.5;
const STEP_MM = inchesToMm(1 / 4);
const stepped = (mm: number): number => Math.round(mm / STEP_MM) * STEP_MM;

/** A piece of a form about a station, on the form's usual face, no longer than the member. */
export function pieceAbout(
  member: Member,
  stationMm: number,
  { id, kind, thicknessMm }: Pick<Piece, 'id' | 'kind' | 'thicknessMm'>,
): Piece {
  const { shape, lengthMm } = member;
  const halfMm = HALF_DEPTHS * shape.depthMm;
  const face = faceOfPiece(shape, { kind })!;
  return {
    id,
    kind,
    startMm: Math.max(0, stepped(stationMm - halfMm)),
    endMm: Math.min(lengthMm, stepped(stationMm + halfMm)),
    thicknessMm,
    taperMm: stepped(0.75 * shape.depthMm),
    ...formOf(kind).start(shape, face),
  };
}

/** The same piece in another form, or on another face: heights start anew where its form puts them. */
export function asForm(member: Member, piece: Piece, kind: PieceKind, face?: Piece['face']): Piece {
  const { face: _, inside, ...rest } = piece;
  const placed = { ...rest, kind, ...(face && { face }) };
  const on = faceOfPiece(member.shape, placed)!;
  const keeps = inside && formOf(kind).inside(member.shape);
  return { ...placed, ...formOf(kind).start(member.shape, on), ...(keeps && { inside }) };
}

/** A repair of one plate over a stretch of metal that carries too little and is cut nowhere: a depth past both its ends, and its tapers. */
export function repairOver(
  member: Member,
  { fromMm, toMm }: { readonly fromMm: number; readonly toMm: number },
  choice: Parameters<typeof repairAbout>[2],
): Repair | undefined {
  const repair = repairAbout(member, (fromMm + toMm) / 2, choice);
  const pieces = repair?.pieces.map((piece) => {
    const pastMm = member.shape.depthMm + piece.taperMm;
    return {
      ...piece,
      startMm: Math.max(0, stepped(fromMm - pastMm)),
      endMm: Math.min(member.lengthMm, stepped(toMm + pastMm)),
    };
  });
  return repair && { ...repair, pieces: pieces! };
}

/** A repair of one plate, laid by hand about a station: on sound metal too. */
export function repairAbout(
  member: Member,
  stationMm: number,
  { stockMm, by }: { readonly stockMm: readonly number[]; readonly by: string },
): Repair | undefined {
  const [kind] = pieceKindsFor(member.shape);
  if (!kind) return undefined;
  const { thicknessMm: wallMm } = member.shape;
  const stock = [...stockMm].sort((a, b) => a - b);
  const thicknessMm = stock.find((mm) => mm >= wallMm - 0.2) ?? stock.at(-1) ?? wallMm;
  return {
    id: 'by hand',
    memberId: member.id,
    cutOut: false,
    pieces: [pieceAbout(member, stationMm, { id: 'by-hand-1', kind, thicknessMm })],
    weldStyle: 'continuous',
    plugs: false,
    onBench: false,
    by,
    at: '1970-01-01T00:00:00Z',
  };
}

/** The repair with one more piece: the last one's like, on the inside of the wall or on another face where that can be. */
export function withAnother(member: Member, { id, pieces }: Repair): Partial<Repair> {
  const last = pieces[pieces.length - 1]!;
  const form = formOf(last.kind);
  const next: Piece = { ...last, id: freeId(id.slice(0, 8), pieces) };
  // Into a closed section somebody has to get first: that is for a hand to say.
  const goesInside = form.inside(member.shape) && !isClosed(member.shape);
  if (goesInside && !pieces.some((piece) => piece.inside && piece.kind === last.kind))
    return { pieces: [...pieces, { ...next, inside: true }] };
  const free = form
    .facesOn(member.shape)
    .find((face) => !pieces.some((piece) => faceOfPiece(member.shape, piece)?.id === face.id));
  return { pieces: [...pieces, free ? asForm(member, next, last.kind, free.id) : next] };
}

/** A piece with its ends elsewhere: of its joints those stay that still lie on its straight part, of its notches what lies between its ends. */
export function withEnds(member: Member, piece: Piece, ends: Pick<Piece, 'startMm' | 'endMm'>): Piece {
  const { joints = [], notches, ...bare } = { ...piece, ...ends };
  const within = (notches ?? [])
    .map((notch) => ({
      ...notch,
      fromMm: Math.max(notch.fromMm, bare.startMm),
      toMm: Math.min(notch.toMm, bare.endMm),
    }))
    .filter(({ fromMm, toMm }) => toMm > fromMm);
  const plain = { ...bare, ...(within.length > 0 && { notches: within }) };
  const kept = joints.filter((mm) => checkRepair(member, { pieces: [{ ...plain, joints: [mm] }] }).ok);
  return { ...plain, ...(kept.length > 0 && { joints: kept }) };
}

/** A piece with the end that lies at a station taken to another; as it is where neither does. */
export function endMoved(member: Member, piece: Piece, fromMm: number, toMm: number): Piece {
  const at = (mm: number) => (Math.abs(mm - fromMm) <= 1 ? toMm : mm);
  return withEnds(member, piece, { startMm: at(piece.startMm), endMm: at(piece.endMm) });
}

/** A piece of one length. */
export const inOne = ({ joints: _, ...piece }: Piece): Piece => piece;

/** A name that no piece of the repair has. */
function freeId(stem: string, pieces: readonly Pick<Piece, 'id'>[]): string {
  let number = pieces.length + 1;
  while (pieces.some(({ id }) => id === `${stem}-${number}`)) number++;
  return `${stem}-${number}`;
}

/** The repair in a candidate's form: its pieces, under its own ids. */
export const inForm = ({ id }: Repair, { pieces, cutOut, bolts, beneath = [] }: Repair): Partial<Repair> => ({
  cutOut,
  bolts,
  beneath: [...beneath],
  pieces: pieces.map((piece, k) => ({ ...piece, id: `${id.slice(0, 8)}-f${k + 1}` })),
});

/**
 * The repair laid on its twin: the same pieces at the same stations, so that holes, drains and edges come level. What is in the way, and how sound the metal
 * is, is the twin's own. Undefined where its section or length does not take them.
 */
export function onTwin(twin: Member, { pieces, beneath: _, ...repair }: Repair): Repair | undefined {
  const laid: Repair = {
    ...repair,
    id: 'twin',
    memberId: twin.id,
    pieces: pieces.map(({ notches: __, ...piece }, k) => ({ ...piece, id: `twin-${k + 1}` })),
  };
  return checkRepair(twin, laid).ok ? laid : undefined;
}
