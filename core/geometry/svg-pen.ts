import type { Pen } from './pen';

export interface SvgPaths {
  /** Path data per layer, y turned to run down. */
  readonly paths: ReadonlyMap<string, string>;
  readonly texts: readonly {
    readonly layer: string;
    readonly x: number;
    readonly y: number;
    readonly height: number;
    readonly words: string;
  }[];
}

/** A pen whose strokes become SVG path data, for the screen and the PDF. */
export function svgPen(): Pen & { result(): SvgPaths } {
  const paths = new Map<string, string>();
  const texts: { layer: string; x: number; y: number; height: number; words: string }[] = [];
  let current = 'default';
  const add = (data: string) => paths.set(current, `${paths.get(current) ?? ''}${data}`);
  const at = (x: number, y: number) => `${round(x)} ${round(-y)}`;
  const turn = 2 * Math.PI;
  return {
    layer: (name) => (current = name),
    moveTo: (x, y) => add(`M${at(x, y)}`),
    lineTo: (x, y) => add(`L${at(x, y)}`),
    arc: (cx, cy, r, start, end, clockwise) => {
      const sweep = clockwise
        ? (((start - end) % turn) + turn) % turn
        : (((end - start) % turn) + turn) % turn;
      add(
        `A${round(r)} ${round(r)} 0 ${sweep > Math.PI ? 1 : 0} ${clockwise ? 1 : 0} ${at(cx + r * Math.cos(end), cy + r * Math.sin(end))}`,
      );
    },
    close: () => add('Z'),
    circle: (x, y, r) =>
      add(
        `M${at(x - r, y)}a${round(r)} ${round(r)} 0 1 0 ${round(2 * r)} 0a${round(r)} ${round(r)} 0 1 0 ${round(-2 * r)} 0Z`,
      ),
    text: (x, y, height, words) => void texts.push({ layer: current, x, y: -y, height, words }),
    result: () => ({ paths, texts }),
  };
}

const round = (value: number): number => Math.round(value * 100) / 100;
