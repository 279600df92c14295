import { evenWall, faceOf, uOnFace, wrapped, type FaceId, type Member, type Surface } from '../frame';
import { ONE_SIDED_95 } from '../quantity';
import type { HandPractice } from '../reference';
import { columnStations, KNOWN, type Reading, type ThicknessMap } from '../probe';
import type { Saying } from './saying';

/** What stands of a cell of the wall, worst last. `between` lies among what is known, directly known itself it is not. */
export const CELL_IS = [
  'unseen',
  'between',
  'seen',
  'held',
  'measured',
  'doubtful',
  'hidden',
  'unsound',
  'parted',
  'gone',
] as const;
export type CellIs = (typeof CELL_IS)[number];
const CODE = Object.fromEntries(CELL_IS.map((is, k) => [is, k])) as Record<CellIs, number>;

/** The wall as far as computing asks: rows × columns as in the map, thickness mm with its standard error. */
export type WallField = Pick<ThicknessMap, 'surface' | 'stationsMm' | 'thicknessMm' | 'errorMm' | 'known'>;

/**
 * All that is known of one member's metal, from all standing evidence. Cells are row-major, rows of the surface × `stationsMm`.
 *
 *   best    what is there, as far as anybody can say: measured where it was, as made where nothing speaks against it, none where it is gone;
 *           where the map only guesses from readings far off, no thinner than sound, and nowhere thinner than what surely carries
 *   welded  as best, with its cracks ground out and welded: what a plate over them is laid on
 *   least   what surely carries: what is doubtful, hidden or unseen is taken away
 *
 * `saidBy` names the saying that decides a cell (an index into `sayings`, −1 where only readings do).
 */
export interface MetalAccount {
  readonly surface: Surface;
  readonly stationsMm: Float64Array;
  readonly best: WallField;
  readonly welded: WallField;
  readonly leastMm: Float64Array;
  /** The thinnest reading of a cell as it was read, no map between; infinite where there is none. */
  readonly readMm: Float64Array;
  readonly is: Uint8Array;
  readonly saidBy: Int16Array;
  readonly sayings: readonly Saying[];
  /** Whether anything at all, reading or saying, is on record. */
  readonly isKnown: boolean;
}

/** What nobody looked at between two places that somebody did, this near, is taken to be like them, but for what surely carries. */
const BETWEEN_MM = 1600;

/** What an account is made from: the member's own readings with their map, everything said, and its wall as made. */
interface Known {
  readonly map: ThicknessMap | undefined;
  readonly readings: readonly Reading[];
  readonly sayings: readonly Saying[];
  readonly madeMm: number;
  /** Share of the wall as made that is sound. A guess makes no failure: who reads the one bad place first has not read the rest thin. */
  readonly soundShare: number;
}

export function metalAccount(
  member: Member,
  surface: Surface,
  { map, readings, sayings: said, madeMm, soundShare }: Known,
  practice: HandPractice,
): MetalAccount {
  const stationsMm = map?.stationsMm ?? columnStations(member.lengthMm);
  const sayings = said.filter((each) => !(each.unlocated && isBetterLocated(each, said)));
  const made = evenWall(surface, madeMm);
  const cells = new Cells(surface, stationsMm, made, sayings);
  if (map) cells.layMap(map, columnsRead(stationsMm, readings), soundShare);
  sayings.forEach((saying, k) => {
    if (saying.isSaid) return;
    for (const cell of cellsUnder(cells, member, saying)) claimOn(cells, cell, saying, k, practice);
    if (saying.claim === 'opened' && isReadBeneath(saying, readings))
      for (const cell of cellsUnder(cells, member, saying)) cells.readAgain(cell, k);
  });
  sayings.forEach((saying, k) => {
    if (saying.isSaid) cells.notSeen(cellsUnder(cells, member, saying), k);
  });
  cells.fillBetween(BETWEEN_MM, practice.seenKept);
  cells.carryAtLeast();
  return {
    surface,
    stationsMm,
    best: cells.parted(),
    welded: cells.best,
    leastMm: cells.leastMm,
    readMm: thinnestRead(cells, member, readings),
    is: cells.is,
    saidBy: cells.saidBy,
    sayings,
    isKnown: map !== undefined || sayings.some(({ claim }) => claim !== 'unseen'),
  };
}

function thinnestRead(
  { surface, stationsMm }: Cells,
  member: Member,
  readings: readonly Reading[],
): Float64Array {
  const readMm = new Float64Array(surface.uMm.length * stationsMm.length).fill(Infinity);
  for (const { face: id, heightMm, stationMm, thicknessMm } of readings) {
    const face = faceOf(member.shape, id);
    if (!face) continue;
    const uMm = uOnFace(face, heightMm);
    const row = surface.edgeUMm.findIndex((edge, k) => k > 0 && uMm <= edge + 1e-9) - 1;
    const cell = row * stationsMm.length + columnsUnder(stationsMm, stationMm, stationMm)[0];
    readMm[cell] = Math.min(readMm[cell]!, thicknessMm);
  }
  return readMm;
}

/** A reading says of its own face alone what the metal is, this far along. */
const FACE_REACH_MM = 305;
function columnsRead(stationsMm: Float64Array, readings: readonly Reading[]): Map<FaceId, Uint8Array> {
  const columns = new Map<FaceId, Uint8Array>();
  for (const { face, stationMm } of readings) {
    const read = columns.get(face) ?? new Uint8Array(stationsMm.length);
    const [from, to] = columnsUnder(stationsMm, stationMm - FACE_REACH_MM, stationMm + FACE_REACH_MM);
    columns.set(face, read.fill(1, from, to + 1));
  }
  return columns;
}

/** Whether somebody read the metal itself where a cover is off: readings on the cover are not among the member's own. */
const isReadBeneath = ({ fromMm, toMm, face }: Saying, readings: readonly Reading[]): boolean =>
  readings.some(
    (reading) =>
      (face === undefined || reading.face === face) &&
      reading.stationMm >= fromMm &&
      reading.stationMm <= toMm,
  );

/** Failed metal of a place nobody located on the section gives way to what somebody did locate there. */
const isBetterLocated = (saying: Saying, all: readonly Saying[]): boolean =>
  all.some(
    (other) =>
      !other.unlocated &&
      (other.claim === saying.claim || (saying.claim === 'gone' && other.claim === 'unsound')) &&
      other.fromMm <= saying.toMm &&
      other.toMm >= saying.fromMm,
  );

const SEEN_AT_MOST: ReadonlySet<number> = new Set([CODE.unseen, CODE.seen, CODE.held]);

/** The member's wall, cell by cell, while it is being made up. */
class Cells {
  readonly best: WallField;
  readonly leastMm: Float64Array;
  readonly is: Uint8Array;
  readonly saidBy: Int16Array;
  /** Cells that somebody looked at or struck and found nothing wrong with, whatever was found there besides. */
  readonly foundGood: Uint8Array;

  constructor(
    readonly surface: Surface,
    readonly stationsMm: Float64Array,
    readonly made: Float64Array,
    readonly sayings: readonly Saying[],
  ) {
    const [rows, columns] = [surface.uMm.length, stationsMm.length];
    const size = rows * columns;
    this.is = new Uint8Array(size).fill(CODE.unseen);
    this.saidBy = new Int16Array(size).fill(-1);
    this.foundGood = new Uint8Array(size);
    this.leastMm = new Float64Array(size);
    this.best = {
      surface,
      stationsMm,
      thicknessMm: Float64Array.from({ length: size }, (_, cell) => made[Math.floor(cell / columns)]!),
      errorMm: new Float64Array(size),
      known: new Uint8Array(size).fill(KNOWN.guess),
    };
  }

  get columns(): number {
    return this.stationsMm.length;
  }

  /**
   * Read metal is measured; near a reading of its own face its lower bound carries; a guess stays unseen, whatever it guesses, and so does
   * what only another face's readings reach round a fold: neither is taken for thinner than sound.
   */
  layMap(map: ThicknessMap, read: ReadonlyMap<FaceId, Uint8Array>, soundShare: number): void {
    this.best.thicknessMm.set(map.thicknessMm);
    this.best.errorMm.set(map.errorMm);
    this.best.known.set(map.known);
    for (let cell = 0; cell < this.is.length; cell++) {
      const face = this.surface.rowFace[Math.floor(cell / this.columns)]!;
      if (map.known[cell] === KNOWN.guess || !read.get(face.id)?.[cell % this.columns]) {
        this.best.known[cell] = KNOWN.guess;
        this.atLeast(cell, soundShare * this.made[Math.floor(cell / this.columns)]!);
        continue;
      }
      this.layRead(cell);
    }
  }

  private atLeast(cell: number, mm: number): void {
    this.best.thicknessMm[cell] = Math.max(this.best.thicknessMm[cell]!, mm);
  }

  /** What a hammer vouches for outranks what the map makes of readings beside it; read metal is as thin as it was read. */
  carryAtLeast(): void {
    this.is.forEach((is, cell) => {
      if (is !== CODE.measured) this.atLeast(cell, this.leastMm[cell]!);
    });
  }

  private layRead(cell: number): void {
    const { known, thicknessMm, errorMm } = this.best;
    this.is[cell] = known[cell] === KNOWN.read ? CODE.measured : CODE.between;
    this.leastMm[cell] = Math.max(0, thicknessMm[cell]! - ONE_SIDED_95 * errorMm[cell]!);
    this.saidBy[cell] = -1;
  }

  /** What an opened cover bared and somebody read counts as it was read. */
  readAgain(cell: number, openedBy: number): void {
    if (this.saidBy[cell] === openedBy && this.best.known[cell] !== KNOWN.guess) this.layRead(cell);
  }

  set(cell: number, is: CellIs, leastMm: number, saidBy: number): void {
    this.is[cell] = CODE[is];
    this.leastMm[cell] = leastMm;
    this.saidBy[cell] = saidBy;
  }

  /** Vouched for by hand; between readings it stays that, with the better of both bounds. */
  hold(cell: number, leastMm: number, saidBy: number): void {
    const surely = Math.max(this.leastMm[cell]!, leastMm);
    if (this.is[cell] === CODE.between) this.leastMm[cell] = surely;
    else this.set(cell, 'held', surely, saidBy);
  }

  /** Doubtful for its shape alone: what straightening answers. */
  isOutOfShape(cell: number): boolean {
    return this.is[cell] === CODE.doubtful && this.sayings[this.saidBy[cell]!]?.isShape === true;
  }

  /** Somebody stood there and said it could not be seen: a look along the whole stretch did not see it either. */
  notSeen(under: Iterable<number>, k: number): void {
    for (const cell of under) {
      const saidBy = this.sayings[this.saidBy[cell]!];
      const byLook = saidBy === undefined || saidBy.where !== undefined;
      if (byLook && SEEN_AT_MOST.has(this.is[cell]!) && this.best.known[cell] === KNOWN.guess)
        this.set(cell, 'unseen', 0, k);
    }
  }

  /** No metal there, surely; `shareOfMade` where some is left. */
  take(cell: number, is: 'gone' | 'parted' | 'unsound', saidBy: number, shareOfMade: number): void {
    const made = this.made[Math.floor(cell / this.columns)]!;
    this.set(cell, is, 0, saidBy);
    if (is === 'parted') return;
    this.best.thicknessMm[cell] = Math.min(this.best.thicknessMm[cell]!, shareOfMade * made);
    this.best.errorMm[cell] = 0;
    this.best.known[cell] = KNOWN.read;
  }

  /** The wall with its cracked strips out. */
  parted(): WallField {
    if (!this.is.includes(CODE.parted)) return this.best;
    const cracked = {
      ...this.best,
      thicknessMm: this.best.thicknessMm.slice(),
      errorMm: this.best.errorMm.slice(),
      known: this.best.known.slice(),
    };
    this.is.forEach((is, cell) => {
      if (is !== CODE.parted) return;
      cracked.thicknessMm[cell] = 0;
      cracked.errorMm[cell] = 0;
      cracked.known[cell] = KNOWN.read;
    });
    return cracked;
  }

  /** Columns nobody saw, between (or beside) what somebody did: as seen as their neighbours. */
  fillBetween(withinMm: number, keptShare: number): void {
    for (let row = 0; row < this.made.length; row++)
      for (let column = 0, near = -Infinity; column < this.columns; column++) {
        const cell = row * this.columns + column;
        if (this.foundGood[cell]) near = this.stationsMm[column]!;
        else if (this.mayFill(cell) && this.stationsMm[column]! - near <= withinMm)
          this.fill(cell, keptShare);
      }
    for (let row = 0; row < this.made.length; row++)
      for (let column = this.columns - 1, near = Infinity; column >= 0; column--) {
        const cell = row * this.columns + column;
        if (this.foundGood[cell]) near = this.stationsMm[column]!;
        else if (this.mayFill(cell) && near - this.stationsMm[column]! <= withinMm)
          this.fill(cell, keptShare);
      }
  }

  private mayFill(cell: number): boolean {
    return this.is[cell] === CODE.unseen && this.saidBy[cell] === -1;
  }

  private fill(cell: number, keptShare: number): void {
    this.is[cell] = CODE.between;
    this.leastMm[cell] = keptShare * this.made[Math.floor(cell / this.columns)]!;
  }
}

/** What is left below a felt edge, as a share of what was made: less than sound, more than nothing (our judgement). */
const UNSOUND_LEFT = 0.4;

/** Worse claims stand over better ones of before; only what put it right, or opened it, takes them away again. */
function claimOn(cells: Cells, cell: number, saying: Saying, k: number, practice: HandPractice): void {
  const was = CELL_IS[cells.is[cell]!]!;
  const made = cells.made[Math.floor(cell / cells.columns)]!;
  const failed = was === 'gone' || was === 'parted' || was === 'unsound';
  const isGood = saying.claim === 'seen' || saying.claim === 'held';
  if (isGood && !failed && was !== 'hidden') cells.foundGood[cell] = 1;
  switch (saying.claim) {
    case 'gone':
      return cells.take(cell, 'gone', k, 0);
    case 'parted':
      return was === 'gone' ? undefined : cells.take(cell, 'parted', k, 0);
    case 'unsound':
      return failed || was === 'measured' ? undefined : cells.take(cell, 'unsound', k, UNSOUND_LEFT);
    case 'hidden':
      // What is measured there is the metal's own: a reading on its cover is not among its readings.
      return failed || was === 'measured' ? undefined : cells.set(cell, 'hidden', 0, k);
    case 'doubtful':
      return failed || was === 'hidden' || was === 'measured' ? undefined : cells.set(cell, 'doubtful', 0, k);
    case 'unseen':
      return was === 'unseen' && cells.saidBy[cell] === -1 ? cells.set(cell, 'unseen', 0, k) : undefined;
    case 'seen':
      return was === 'unseen' ? cells.set(cell, 'seen', practice.seenKept * made, k) : undefined;
    case 'held':
      // What was found at one place is not answered by a look along the stretch, hammer or no hammer.
      return failed ||
        was === 'hidden' ||
        was === 'measured' ||
        (was === 'doubtful' && saying.where !== undefined)
        ? undefined
        : cells.hold(cell, saying.keptLow! * made, k);
    case 'opened':
      // Bared and not struck or read yet: doubtful, until somebody does.
      return was === 'hidden' ? cells.set(cell, 'doubtful', 0, k) : undefined;
    case 'straightened':
      return cells.isOutOfShape(cell) ? cells.set(cell, 'seen', practice.seenKept * made, k) : undefined;
    case 'put right':
      return renew(cells, cell, made, k);
    default:
      return saying.claim satisfies never;
  }
}

/** New metal is at its made size. */
function renew(cells: Cells, cell: number, made: number, k: number): void {
  cells.set(cell, 'held', made, k);
  cells.best.thicknessMm[cell] = made;
  cells.best.errorMm[cell] = 0;
  cells.best.known[cell] = KNOWN.read;
}

/** Cells that a saying is about: at least the nearest column and row, however small it is. */
function* cellsUnder(cells: Cells, member: Member, saying: Saying): Generator<number> {
  const columns = columnsUnder(cells.stationsMm, saying.fromMm, saying.toMm);
  for (const row of rowsUnder(cells.surface, member, saying))
    for (let column = columns[0]; column <= columns[1]; column++) yield row * cells.columns + column;
}

export function columnsUnder(
  stationsMm: Float64Array,
  fromMm: number,
  toMm: number,
): readonly [number, number] {
  const last = stationsMm.length - 1;
  const stepMm = stationsMm[last]! / last;
  const clamp = (column: number) => Math.min(Math.max(column, 0), last);
  const [from, to] = [Math.ceil(fromMm / stepMm - 1e-9), Math.floor(toMm / stepMm + 1e-9)];
  if (from <= to) return [clamp(from), clamp(to)];
  const nearest = clamp(Math.round((fromMm + toMm) / 2 / stepMm));
  return [nearest, nearest];
}

function rowsUnder(surface: Surface, member: Member, saying: Saying): number[] {
  const all = Array.from(surface.uMm, (_, row) => row);
  const band = saying.band ?? bandOf(member, saying);
  if (!band) return saying.face ? all.filter((row) => surface.rowFace[row]!.id === saying.face) : all;
  const perimeterMm = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  const laps = surface.closed ? [-perimeterMm, 0, perimeterMm] : [0];
  const isFaces = (row: number) => !saying.face || surface.rowFace[row]!.id === saying.face;
  const inside = all.filter(
    (row) =>
      isFaces(row) &&
      laps.some(
        (lap) =>
          surface.uMm[row]! + lap >= band.uFromMm - 1e-9 && surface.uMm[row]! + lap <= band.uToMm + 1e-9,
      ),
  );
  if (inside.length) return inside;
  const middle = surface.closed
    ? wrapped((band.uFromMm + band.uToMm) / 2, perimeterMm)
    : (band.uFromMm + band.uToMm) / 2;
  const faced = all.filter(isFaces);
  return [
    faced.reduce(
      (best, row) =>
        Math.abs(surface.uMm[row]! - middle) < Math.abs(surface.uMm[best]! - middle) ? row : best,
      faced[0]!,
    ),
  ];
}

/** Heights on a face as developed coordinates. */
function bandOf(
  member: Member,
  { face: id, lowMm, highMm }: Saying,
): { uFromMm: number; uToMm: number } | undefined {
  const face = id && faceOf(member.shape, id);
  if (!face || lowMm === undefined || highMm === undefined) return undefined;
  const ends = [lowMm, highMm].map((mm) => uOnFace(face, Math.min(Math.max(mm, 0), face.widthMm)));
  return { uFromMm: Math.min(...ends), uToMm: Math.max(...ends) };
}
