import { DxfWriter, LWPolylineFlags, point2d, point3d, Units, type LWPolylineVertex } from '@tarikjabiri/dxf';
import { mirrored, type Pen } from '../geometry';
import { MM_PER_INCH, type UnitSystem } from '../quantity';
import { drawFlatPattern, FLAT_LAYERS, type FlatPattern } from '../shape';

/** DXF colour numbers by layer: white/black, red, cyan. */
const LAYER_COLOURS: Readonly<Record<(typeof FLAT_LAYERS)[number], number>> = { CUT: 7, BEND: 1, MARK: 4 };

/**
 * A flat pattern as DXF (R2007 ASCII): layers CUT (closed outline as one polyline with arcs, holes as circles), BEND, MARK; $INSUNITS set and
 * coordinates written in that unit. `twin` mirrors it for the other side; `warning` stands on it in MARK.
 */
export function flatPatternDxf(
  pattern: FlatPattern,
  system: UnitSystem,
  { twin, warning }: { readonly twin: boolean; readonly warning?: string | undefined },
): string {
  const dxf = new DxfWriter();
  dxf.setUnits(system === 'in' ? Units.Inches : Units.Millimeters);
  for (const layer of FLAT_LAYERS) dxf.addLayer(layer, LAYER_COLOURS[layer], 'CONTINUOUS');
  const pen = dxfPen(dxf, system === 'in' ? 1 / MM_PER_INCH : 1);
  drawFlatPattern(twin ? mirrored(pen, pattern.lengthMm) : pen, pattern, system, {
    mirroredTwin: twin,
    warning,
  });
  pen.finish();
  return dxf.stringify();
}

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
      dxf.addText(point3d(x * scale, y * scale), height * scale, words);
    },
  };
}

/** DXF bulge: the tangent of a quarter of the sweep, positive counter-clockwise. */
function bulgeOf(startRad: number, endRad: number, clockwise: boolean): number {
  const turn = 2 * Math.PI;
  const forward = (((endRad - startRad) % turn) + turn) % turn;
  return clockwise ? -Math.tan((turn - forward) / 4) : Math.tan(forward / 4);
}
