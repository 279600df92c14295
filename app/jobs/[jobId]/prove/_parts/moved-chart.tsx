'use client';

import { useCallback, useMemo } from 'react';
import type { Data, Layout } from 'plotly.js';
import type { Change } from '@/core/prove';
import { mmToInches, type UnitSystem } from '@/core/quantity';
import { Plot, type Ink } from '@/ui/charts';

type Line = Extract<Change['after']['measure'], { of: 'line' }>;

/** Lines along members before and after, off the straight between their ends: from the side, or from above; across the page exaggerated. */
export function MovedChart({ changes, system }: { changes: readonly Change[]; system: UnitSystem }) {
  const lines = useMemo(() => {
    const byKey = new Map(
      changes.filter(({ after }) => after.measure.of === 'line').map((each) => [each.key, each]),
    );
    return [...byKey.values()];
  }, [changes]);
  const x = useCallback((mm: number) => (system === 'in' ? mmToInches(mm) : mm), [system]);
  const data = useCallback(
    (ink: Ink): Data[] =>
      lines.flatMap(({ key, before, after }) =>
        ([before, after] as const).map((record, k): Data => {
          const { marks } = record.measure as Line;
          const sorted = [...marks].sort((a, b) => a.stationMm - b.stationMm);
          const [first, last] = [sorted[0]!, sorted.at(-1)!];
          const off = ({ stationMm, offMm }: (typeof sorted)[number]) =>
            offMm -
            first.offMm -
            ((last.offMm - first.offMm) * (stationMm - first.stationMm)) / (last.stationMm - first.stationMm);
          return {
            x: sorted.map(({ stationMm }) => x(stationMm)),
            y: sorted.map((mark) => x(off(mark))),
            type: 'scatter',
            mode: 'lines+markers',
            name: `${key.replace(/^line /, '')}, ${k === 0 ? 'before' : 'after'}`,
            line: { color: k === 0 ? ink.soft : ink.ink, dash: k === 0 ? 'dash' : 'solid', width: 2 },
            marker: { symbol: k === 0 ? 'circle-open' : 'circle', size: 8 },
          };
        }),
      ),
    [lines, x],
  );
  const layout = useCallback(
    (): Partial<Layout> => ({
      xaxis: { title: { text: `station, ${system === 'in' ? 'in' : 'mm'}` } },
      yaxis: { title: { text: `off straight, ${system === 'in' ? 'in' : 'mm'}, exaggerated` } },
      showlegend: true,
    }),
    [system],
  );
  if (lines.length === 0) return null;
  return (
    <Plot
      data={data}
      layout={layout}
      label="Lines before and after, off straight, exaggerated"
      height={260}
    />
  );
}
