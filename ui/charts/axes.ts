import type { Annotations, LayoutAxis, Shape, ShapeLine } from 'plotly.js';
import type { Ink } from './plot';

/** An axis that is read and not moved, its lines quiet. */
export const still = (ink: Ink, title: string, more: Partial<LayoutAxis> = {}): Partial<LayoutAxis> => ({
  title: { text: title },
  gridcolor: ink.rule,
  zeroline: false,
  fixedrange: true,
  ...more,
});

/** A line from side to side at a value. */
export const acrossAt = (y: number, line: Partial<ShapeLine>): Partial<Shape> => ({
  type: 'line',
  xref: 'paper',
  x0: 0,
  x1: 1,
  y0: y,
  y1: y,
  line,
});

/** A line from top to bottom where the cursor is. */
export const cursorAt = (x: number, ink: Ink): Partial<Shape> => ({
  type: 'line',
  x0: x,
  x1: x,
  yref: 'paper',
  y0: 0,
  y1: 1,
  line: { color: ink.here, width: 3 },
});

/** Words over the top left corner: what the lines are. */
export const legend = (ink: Ink, text: string): Partial<Annotations> => ({
  xref: 'paper',
  x: 0,
  xanchor: 'left',
  yref: 'paper',
  y: 1,
  yanchor: 'bottom',
  text,
  showarrow: false,
  font: { color: ink.ink },
});

/** Words at a line from side to side: over or under it, at either end. */
export const besideLine = (
  ink: Ink,
  text: string,
  { y, x, over }: { readonly y: number; readonly x: number; readonly over: boolean },
): Partial<Annotations> => ({
  xref: 'paper',
  x,
  xanchor: x < 0.5 ? 'left' : 'right',
  y,
  yanchor: over ? 'bottom' : 'top',
  text,
  showarrow: false,
  font: { color: ink.ink },
});
