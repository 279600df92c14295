import { DxfWriter, LWPolylineFlags, point2d, point3d, Units, type LWPolylineVertex } from '@tarikjabiri/dxf';
import { bulgeOf, type Pen } from '../geometry';
import { MM_PER_INCH, type UnitSystem } from '../quantity';
import { drawBlank, drawScribe, FLAT_LAYERS, SCRIBE_LAYERS, type Blank, type ScribeSheet } from '../shape';
import { onOneLine } from './as-text';

/** DXF colour numbers by layer: white/black, red, cyan, green, grey. */
const LAYER_COLOURS: Readonly<Record<string, number>> = {
  CUT: 7,
  PLATE: 7,
  BEND: 1,
  FOLD: 1,
  MARK: 4,
  SCRIBE: 3,
  OPENING: 3,
  SHEET: 8,
};

/** A drawing in mm as DXF (R2007 ASCII): its layers, $INSUNITS set and coordinates written in that unit. */
export function dxfOf(layers: readonly string[], system: UnitSystem, draw: (pen: Pen) => void): string {
  const dxf = new DxfWriter();
  dxf.setUnits(system === 'in' ? Units.Inches : Units.Millimeters);
  for (const layer of layers) dxf.addLayer(layer, LAYER_COLOURS[layer] ?? 7, 'CONTINUOUS');
  const pen = dxfPen(dxf, system === 'in' ? 1 / MM_PER_INCH : 1);
  draw(pen);
  pen.finish();
  return dxf.stringify();
}

/**
 * A blank as DXF: layers CUT (closed outline as one polyline with arcs, holes as circles), BEND, MARK, SCRIBE. `twin` mirrors it for the other
 * side; `warning` stands on it in MARK.
 */
export const blankDxf = (
  blank: Blank,
  system: UnitSystem,
  { twin, warning }: { readonly twin: boolean; readonly warning?: string | undefined },
): string => dxfOf(FLAT_LAYERS, system, (pen) => drawBlank(pen, blank, { system, isTwin: twin, warning }));

/** What is scribed on the member, laid flat: layers PLATE, OPENING, FOLD, MARK. */
export const scribeDxf = (sheet: ScribeSheet, system: UnitSystem): string =>
  dxfOf(SCRIBE_LAYERS, system, (pen) => drawScribe(pen, sheet, system));

/** A path is kept until the next one starts, so that an outline becomes one polyline; an arc is the bulge of its first vertex. */
function dxfPen(dxf: DxfWriter, scale: number): Pen & { finish(): void } {
  let path: LWPolylineVertex[] = [];
  let closed = false;
  const finish = () => {
    if (path.length > 1) dxf.addLWPolyline(path, closed ? { flags: LWPolylineFlags.Closed } : {});
    path = [];
    closed = false;
  };
  return {
    finish,
    layer: (name) => {
      finish();
      dxf.setCurrentLayerName(name);
    },
    moveTo: (x, y) => {
      finish();
      path = [{ point: point2d(x * scale, y * scale) }];
    },
    lineTo: (x, y) => void path.push({ point: point2d(x * scale, y * scale) }),
    arc: (cx, cy, r, start, end, clockwise) => {
      path[path.length - 1]!.bulge = bulgeOf(start, end, clockwise);
      path.push({ point: point2d((cx + r * Math.cos(end)) * scale, (cy + r * Math.sin(end)) * scale) });
    },
    close: () => {
      closed = true;
    },
    circle: (x, y, r) => {
      finish();
      dxf.addCircle(point3d(x * scale, y * scale), r * scale);
    },
    text: (x, y, height, words) => {
      finish();
      dxf.addText(point3d(x * scale, y * scale), height * scale, onOneLine(words));
    },
  };
}
