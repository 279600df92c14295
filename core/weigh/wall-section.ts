import {
  midline,
  WELD_LINK,
  withThickness,
  type Midline,
  type MidlineNode,
  type Section,
} from '../mechanics';
import { faceAtU, pointOffSurface, surfacePoint, wallOf, wrapped, type Surface } from '../frame';

/** A band of the wall that is taken out, in developed coordinates. */
export interface CutBand {
  readonly uFromMm: number;
  readonly uToMm: number;
}

/**
 * A plate as a section sees it: wrapped from uFrom to uTo on the outside of the wall, or laid on its inside, joined to the wall at `weldedAtUMm` only.
 * One that does not carry (merely tacked, or too near its end) is no part of the section.
 */
export interface PlateBand {
  readonly uFromMm: number;
  readonly uToMm: number;
  readonly thicknessMm: number;
  readonly weldedAtUMm: readonly number[];
  readonly carries: boolean;
  readonly inside?: boolean;
  /** Its two edges meet round a closed section and are welded to each other. */
  readonly closes?: boolean;
}

/** What has been done to the wall at a station. As built and as found have none; cut open, tacked and repaired differ only here. */
export interface SectionChange {
  readonly cuts: readonly CutBand[];
  readonly plates: readonly PlateBand[];
}

export const NO_CHANGE: SectionChange = { cuts: [], plates: [] };

/** The plain wall: one strip per surface row. */
export const wallSection = (surface: Surface, thicknessMm: ArrayLike<number>): Section =>
  withThickness(surface.midline, Float64Array.from(thicknessMm));

/** A changed wall without its thicknesses: strip e takes the wall's of row[e], or is a plate or a link of its own (row -1). */
export interface SectionLayout {
  readonly midline: Midline;
  readonly row: Int32Array;
  readonly ownMm: Float64Array;
}

/** The wall with bands cut out and carrying plates added. */
export const changedSection = (
  surface: Surface,
  thicknessMm: ArrayLike<number>,
  change: SectionChange,
): Section => laidSection(layoutOf(surface, change), thicknessMm);

/** A layout with its wall's thicknesses put in. */
export function laidSection(
  { midline: line, row, ownMm }: SectionLayout,
  wallMm: ArrayLike<number>,
): Section {
  const thicknessMm = new Float64Array(row.length);
  for (let strip = 0; strip < row.length; strip++)
    thicknessMm[strip] = row[strip]! < 0 ? ownMm[strip]! : wallMm[row[strip]!]!;
  return withThickness(line, thicknessMm);
}

/** Layouts along a member, one station after another: where the change is as before (the straight part of a plate) so is the layout. */
export function layoutsAlong(surface: Surface): (change: SectionChange) => SectionLayout {
  let last: { change: SectionChange; layout: SectionLayout } | undefined;
  return (change) => {
    if (!last || !sameChange(last.change, change)) last = { change, layout: layoutOf(surface, change) };
    return last.layout;
  };
}

function sameChange(one: SectionChange, other: SectionChange): boolean {
  if (one === other) return true;
  return (
    one.cuts.length === other.cuts.length &&
    one.plates.length === other.plates.length &&
    one.cuts.every(
      (cut, k) => cut.uFromMm === other.cuts[k]!.uFromMm && cut.uToMm === other.cuts[k]!.uToMm,
    ) &&
    one.plates.every((plate, k) => samePlate(plate, other.plates[k]!))
  );
}

const samePlate = (one: PlateBand, other: PlateBand): boolean =>
  one.uFromMm === other.uFromMm &&
  one.uToMm === other.uToMm &&
  one.thicknessMm === other.thicknessMm &&
  one.carries === other.carries &&
  one.inside === other.inside &&
  one.closes === other.closes &&
  one.weldedAtUMm.length === other.weldedAtUMm.length &&
  one.weldedAtUMm.every((uMm, k) => uMm === other.weldedAtUMm[k]);

export function layoutOf(surface: Surface, change: SectionChange): SectionLayout {
  const carrying = change.plates.filter((plate) => plate.carries && plate.uToMm > plate.uFromMm);
  if (change.cuts.length === 0 && carrying.length === 0) {
    const rows = surface.uMm.length;
    return {
      midline: surface.midline,
      row: Int32Array.from({ length: rows }, (_, k) => k),
      ownMm: new Float64Array(rows),
    };
  }
  const sheet = roundSheet(surface);
  const breaks = wallBreaks(surface, change, carrying, sheet);
  const wall = wallOf(surface.shape, surface.faces, breaks);
  const nodes = [...wall.nodes];
  const strips: LaidStrip[] = [];
  let row = 0;
  for (const { from, to, fromUMm, toUMm } of wall.strips) {
    const middle = (fromUMm + toUMm) / 2;
    while (row < surface.rowFace.length - 1 && middle > surface.edgeUMm[row + 1]!) row++;
    if (!change.cuts.some((cut) => sheet.contains(cut, middle))) strips.push([from, to, row, 0]);
  }
  for (const plate of carrying)
    addPlate(surface, plate, nodes, strips, (uMm) => wall.nodeAt(sheet.onSheet(uMm)));
  const rowOf = new Int32Array(strips.length),
    ownMm = new Float64Array(strips.length);
  for (let strip = 0; strip < strips.length; strip++) {
    rowOf[strip] = strips[strip]![2];
    ownMm[strip] = strips[strip]![3];
  }
  return { midline: midline(nodes, strips), row: rowOf, ownMm };
}

type LaidStrip = readonly [fromNode: number, toNode: number, row: number, ownMm: number];

const keyOf = (uMm: number): number => Math.round(uMm * 1000);

/** Developed coordinates of a closed section come round again; those of an open one do not. */
function roundSheet(surface: Surface) {
  const perimeterMm = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  const onSheet = (uMm: number) =>
    surface.closed ? wrapped(uMm, perimeterMm) : Math.min(Math.max(uMm, 0), perimeterMm);
  const contains = (band: CutBand, uMm: number) =>
    (uMm > band.uFromMm && uMm < band.uToMm) ||
    (surface.closed &&
      ((uMm - perimeterMm > band.uFromMm && uMm - perimeterMm < band.uToMm) ||
        (uMm + perimeterMm > band.uFromMm && uMm + perimeterMm < band.uToMm)));
  return { onSheet, contains };
}

/** Row edges and the places where something is cut or welded, in order, each once. */
function wallBreaks(
  surface: Surface,
  change: SectionChange,
  plates: readonly PlateBand[],
  sheet: ReturnType<typeof roundSheet>,
): number[] {
  const extra: number[] = [];
  for (const cut of change.cuts) extra.push(sheet.onSheet(cut.uFromMm), sheet.onSheet(cut.uToMm));
  for (const plate of plates) for (const uMm of plate.weldedAtUMm) extra.push(sheet.onSheet(uMm));
  extra.sort((a, b) => a - b);
  const breaks: number[] = [];
  const add = (uMm: number) => {
    if (breaks.length === 0 || keyOf(uMm) !== keyOf(breaks[breaks.length - 1]!)) breaks.push(uMm);
  };
  let next = 0;
  for (const edge of surface.edgeUMm) {
    while (next < extra.length && extra[next]! < edge && keyOf(extra[next]!) !== keyOf(edge))
      add(extra[next++]!);
    add(edge);
    while (next < extra.length && keyOf(extra[next]!) === keyOf(edge)) next++;
  }
  return breaks;
}

/** Adds the plate's own strips, half a plate off the wall's surface that it lies on, and a massless link at every weld. */
function addPlate(
  surface: Surface,
  plate: PlateBand,
  nodes: MidlineNode[],
  strips: LaidStrip[],
  wallNode: (uMm: number) => number,
): void {
  const folds = foldsBetween(surface, plate.uFromMm, plate.uToMm);
  const stops = [
    ...new Map(
      [plate.uFromMm, ...folds, ...roundStops(surface, plate), ...plate.weldedAtUMm, plate.uToMm].map(
        (uMm) => [keyOf(uMm), uMm],
      ),
    ).values(),
  ].sort((a, b) => a - b);
  const first = nodes.length;
  if (plate.closes) stops.pop();
  stops.forEach((uMm) => nodes.push(platePoint(surface, uMm, plate.thicknessMm / 2, plate.inside)));
  for (let k = 1; k < stops.length; k++) strips.push([first + k - 1, first + k, -1, plate.thicknessMm]);
  if (plate.closes) strips.push([first + stops.length - 1, first, -1, plate.thicknessMm]);
  for (const weldUMm of plate.weldedAtUMm) {
    const at = stops.findIndex((uMm) => keyOf(uMm) === keyOf(weldUMm));
    strips.push([first + at, wallNode(weldUMm), -1, WELD_LINK]);
  }
}

/** A plate round a tube turns with it: at every edge of the wall's rows. */
const roundStops = ({ shape, edgeUMm }: Surface, { uFromMm, uToMm }: PlateBand): number[] =>
  shape.kind === 'tube' ? [...edgeUMm].filter((uMm) => uMm > uFromMm + 1e-6 && uMm < uToMm - 1e-6) : [];

/** Folds strictly inside a run of developed coordinates, which may reach round a closed section. */
export function foldsBetween(surface: Surface, uFromMm: number, uToMm: number): number[] {
  const perimeterMm = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  const starts = surface.faces.map((face) => face.uStartMm).filter((uMm) => surface.closed || uMm > 0);
  const laps = surface.closed ? [-perimeterMm, 0, perimeterMm] : [0];
  return laps
    .flatMap((lap) => starts.map((uMm) => uMm + lap))
    .filter((uMm) => uMm > uFromMm + 1e-6 && uMm < uToMm - 1e-6)
    .sort((a, b) => a - b);
}

/** A point `outMm` off the surface, outward, or inward from the wall's inner side; at a fold it stands off both faces. */
export function platePoint(surface: Surface, uMm: number, outMm: number, inside = false): MidlineNode {
  const perimeterMm = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  const u = surface.closed ? wrapped(uMm, perimeterMm) : uMm;
  const faces = facesTouching(surface, u);
  if (surface.shape.kind === 'tube')
    return pointOffSurface(surface.shape, faces[0]!, u, inside ? faces[0]!.wallMm + outMm : -outMm);
  const [x, y] = surfacePoint(surface.shape, faces[0]!, onFace(faces[0]!, u));
  const off = ({ wallMm }: Surface['faces'][number]) => (inside ? -wallMm - outMm : outMm);
  return [
    x + faces.reduce((sum, face) => sum + off(face) * face.outward[0], 0),
    y + faces.reduce((sum, face) => sum + off(face) * face.outward[1], 0),
  ];
}

const onFace = (face: Surface['faces'][number], uMm: number): number =>
  uMm < face.uStartMm - 1e-6 ? face.uStartMm + face.widthMm : uMm;

function facesTouching(surface: Surface, uMm: number) {
  const perimeterMm = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  const touching = surface.faces.filter(
    (face) => uMm > face.uStartMm - 1e-6 && uMm < face.uStartMm + face.widthMm + 1e-6,
  );
  if (surface.closed && (uMm < 1e-6 || uMm > perimeterMm - 1e-6))
    return [surface.faces[surface.faces.length - 1]!, surface.faces[0]!];
  return touching.length ? touching : [faceAtU(surface.shape, uMm)];
}
