'use client';

import { useCallback, useMemo } from 'react';
import type { Data, Layout } from 'plotly.js';
import type { Frame } from '@/core/frame';
import type { Change } from '@/core/prove';
import { mmToInches, printLength, type UnitSystem } from '@/core/quantity';
import { Plot, type Ink } from '@/ui/charts';
import { movedViews, type MovedView } from './moved-views';

const TITLES = { plan: 'from above', side: 'from the side' } as const;
/** Members lie on one another from the side: each has its own marks. */
const SYMBOLS = ['circle', 'square', 'diamond', 'triangle-up'] as const;
const HEIGHT = { plan: 250, side: 200 } as const;

/** The frame from above and from the side with its lines before and after, what they are off made larger. */
export function MovedChart({
  frame,
  changes,
  system,
}: {
  frame: Frame;
  changes: readonly Change[];
  system: UnitSystem;
}) {
  const views = useMemo(() => movedViews(frame, changes), [frame, changes]);
  return views.map((view) => <ViewChart key={view.view} view={view} system={system} />);
}

function ViewChart({ view, system }: { view: MovedView; system: UnitSystem }) {
  const along = useCallback((mm: number) => (system === 'in' ? mmToInches(mm) : mm), [system]);
  const names = useMemo(() => [...new Set(view.lines.map(({ name }) => name))], [view]);
  const data = useCallback(
    (ink: Ink): Data[] => [
      ...view.made.map(({ alongMm, drawnMm }): Data => ({
        x: alongMm.map(along),
        y: [...drawnMm],
        type: 'scatter',
        mode: 'lines',
        line: { color: ink.rule, width: 6 },
        hoverinfo: 'skip',
        showlegend: false,
      })),
      ...view.lines.map((line): Data => ({
        x: line.alongMm.map(along),
        y: [...line.drawnMm],
        text: line.offMm.map((mm) => printLength(mm, system, 'thickness')),
        hovertemplate: '%{x:.1f}: %{text} off straight<extra></extra>',
        type: 'scatter',
        mode: 'lines+markers',
        name: `${line.name}, ${line.when}`,
        line: {
          color: line.when === 'before' ? ink.soft : ink.ink,
          dash: line.when === 'before' ? 'dash' : 'solid',
          width: 2,
        },
        marker: {
          symbol: `${SYMBOLS[names.indexOf(line.name) % SYMBOLS.length]!}${line.when === 'before' ? '-open' : ''}`,
          size: 8,
        },
      })),
    ],
    [view, names, system, along],
  );
  const layout = useCallback(
    (): Partial<Layout> => ({
      xaxis: { title: { text: `station, ${system}` }, zeroline: false },
      yaxis: {
        title: { text: `${TITLES[view.view]}, off ×${view.exaggerated}` },
        showticklabels: false,
        zeroline: false,
        showgrid: false,
        ...(view.view === 'plan' && { autorange: 'reversed' }),
      },
      showlegend: true,
    }),
    [view, system],
  );
  const { plan, side } = TITLES;
  return (
    <Plot
      data={data}
      layout={layout}
      label={`The frame ${view.view === 'plan' ? plan : side}: lines before and after, off straight ${view.exaggerated} times as far as they are`}
      height={HEIGHT[view.view]}
    />
  );
}
