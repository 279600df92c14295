'use client';

import { useCallback, useMemo } from 'react';
import type { Data, Layout } from 'plotly.js';
import type { Frame } from '@/core/frame';
import type { Change } from '@/core/prove';
import { mmToInches, printLength, type UnitSystem } from '@/core/quantity';
import { Plot, type Ink } from '@/ui/charts';
import { angleViews, type AngleView } from './angle-views';
import { mountsViews, type MountsView } from './mounts-views';
import { movedViews, type MovedView } from './moved-views';

const TITLES = { plan: 'from above', side: 'from the side' } as const;
/** Members lie on one another from the side: each has its own marks. */
const SYMBOLS = ['circle', 'square', 'diamond', 'triangle-up'] as const;
const HEIGHT = { plan: 250, side: 200 } as const;

/** What was measured before and after, drawn: lines in the frame from above and from the side, sets of mounts, twist; what they are off made larger. */
export function MovedChart({
  frame,
  changes,
  system,
}: {
  frame: Frame;
  changes: readonly Change[];
  system: UnitSystem;
}) {
  const lines = useMemo(() => movedViews(frame, changes), [frame, changes]);
  const mounts = useMemo(() => mountsViews(changes), [changes]);
  const angles = useMemo(() => angleViews(frame, changes), [frame, changes]);
  return (
    <>
      {lines.map((view) => (
        <ViewChart key={view.view} view={view} system={system} />
      ))}
      {mounts.map((view) => (
        <MountsChart key={`${view.set} ${view.view}`} view={view} system={system} />
      ))}
      {angles.map((view) => (
        <AngleChart key={view.name} view={view} system={system} />
      ))}
    </>
  );
}

const inSystem =
  (system: UnitSystem) =>
  (mm: number): number =>
    system === 'in' ? mmToInches(mm) : mm;
/** Before is drawn lightly and dashed, after in full. */
const strokeOf = (when: 'before' | 'after', ink: Ink) => ({
  color: when === 'before' ? ink.soft : ink.ink,
  dash: when === 'before' ? ('dash' as const) : ('solid' as const),
  width: 2,
});

function ViewChart({ view, system }: { view: MovedView; system: UnitSystem }) {
  const along = useMemo(() => inSystem(system), [system]);
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
        line: strokeOf(line.when, ink),
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

/** Each mount where it stood and, its way made longer, where it stands; the line between is the way. */
function MountsChart({ view, system }: { view: MountsView; system: UnitSystem }) {
  const { set, mounts, exaggerated } = view;
  const data = useCallback(
    (ink: Ink): Data[] => {
      const size = inSystem(system);
      return mounts.map(({ name, before, after, movedMm }, k): Data => {
        const symbol = SYMBOLS[k % SYMBOLS.length]!;
        return {
          x: [size(before[0]), size(after[0])],
          y: [size(before[1]), size(after[1])],
          type: 'scatter',
          mode: 'lines+markers',
          name: `${name}, ${printLength(movedMm, system, 'thickness')}`,
          hoverinfo: 'name',
          line: { color: ink.ink, width: 1.5 },
          marker: { symbol: [`${symbol}-open`, symbol], size: 10, color: [ink.soft, ink.ink] },
        };
      });
    },
    [mounts, system],
  );
  const layout = useCallback(
    (): Partial<Layout> => ({
      xaxis: { title: { text: `along, ${system}` }, zeroline: false },
      yaxis: {
        title: { text: `${TITLES[view.view]}, ways ×${exaggerated}` },
        zeroline: false,
        showgrid: false,
        range: (view.view === 'plan' ? [...view.shownMm].reverse() : [...view.shownMm]).map(inSystem(system)),
      },
      showlegend: true,
    }),
    [view, exaggerated, system],
  );
  return (
    <figure className="mt-3">
      <figcaption>
        <h3 className="font-semibold">
          {set}, {TITLES[view.view]}
        </h3>
        <p className="caption">
          Open: before; full: after. Laid upon one another as well as it goes: what one mount moved shows a
          little on the others too. Which of them moved, the distances above say.
        </p>
      </figcaption>
      <Plot
        data={data}
        layout={layout}
        label={`${set} ${TITLES[view.view]}: each mount before and after, its way ${exaggerated} times as long as it is`}
        height={HEIGHT[view.view]}
      />
    </figure>
  );
}

/** Degrees along the frame, each from its first station. */
function AngleChart({ view, system }: { view: AngleView; system: UnitSystem }) {
  const data = useCallback(
    (ink: Ink): Data[] =>
      view.turns.map(({ when, stationMm, degrees }) => ({
        x: stationMm.map(inSystem(system)),
        y: [...degrees],
        hovertemplate: '%{x:.1f}: %{y:.1f}°<extra></extra>',
        type: 'scatter',
        mode: 'lines+markers',
        name: when,
        line: strokeOf(when, ink),
        marker: { symbol: when === 'before' ? 'circle-open' : 'circle', size: 8 },
      })),
    [view, system],
  );
  const layout = useCallback(
    (): Partial<Layout> => ({
      xaxis: { title: { text: `station, ${system}` }, zeroline: false },
      yaxis: { title: { text: 'degrees' }, rangemode: 'tozero' },
      showlegend: true,
    }),
    [system],
  );
  return (
    <figure className="mt-3">
      <figcaption>
        <h3 className="font-semibold">{view.name}</h3>
      </figcaption>
      <Plot
        data={data}
        layout={layout}
        label={`${view.name}: degrees before and after along the frame`}
        height={HEIGHT.side}
      />
    </figure>
  );
}
