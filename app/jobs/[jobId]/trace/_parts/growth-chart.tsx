'use client';

import { useCallback, useMemo } from 'react';
import type { Data, Layout } from 'plotly.js';
import { kmToMiles, mmToInches, ONE_SIDED_95, type UnitSystem } from '@/core/quantity';
import { LENGTH_ERROR_MM } from '@/core/reference';
import type { Foretold } from '@/core/trace';
import { acrossAt, besideLine, Plot, still, type Ink } from '@/ui/charts';

const POINTS = 24;

/** Length across against what the unit had done: looks with their error, the band from the last of them, the length to stop at. */
export function GrowthChart({ foretold, system }: { foretold: Foretold; system: UnitSystem }) {
  const { basis, seen, crossing, limit, toLimit } = foretold;
  const scale = crossing.kind === 'centre' ? 2 : 1;
  const x = useCallback(
    (used: number) => (basis === 'km' && system === 'in' ? kmToMiles(used) : used),
    [basis, system],
  );
  const y = useCallback(
    (mm: number) => (system === 'in' ? mmToInches(scale * mm) : scale * mm),
    [scale, system],
  );
  const looks = useMemo(() => seen.filter((each): each is Look => each.used !== undefined), [seen]);
  const last = looks[looks.length - 1]!;
  const band = useMemo(() => {
    const far = Number.isFinite(toLimit.mid) ? 1.3 * toLimit.mid : 3 * (last.used - looks[0]!.used);
    return Array.from({ length: POINTS + 1 }, (_, k) => {
      const used = (far * k) / POINTS;
      return { used: last.used + used, ...foretold.lengthAfter(used) };
    });
  }, [foretold, toLimit, last, looks]);
  const data = useCallback((ink: Ink) => drawn(ink, { band, looks, x, y }), [band, looks, x, y]);
  const layout = useCallback(
    (ink: Ink): Partial<Layout> => ({
      xaxis: still(ink, basis === 'km' ? (system === 'in' ? 'miles' : 'km') : 'hours'),
      yaxis: still(ink, `length across, ${system}`, { rangemode: 'tozero' }),
      shapes: [acrossAt(y(limit.aMm), { color: ink.ink, width: 2 })],
      annotations: [besideLine(ink, 'stop', { y: y(limit.aMm), x: 0.01, over: true })],
    }),
    [basis, system, limit, y],
  );
  return (
    <Plot
      data={data}
      layout={layout}
      height={240}
      label="Length of the crack against distance: looks, the range foretold nine times in ten, and the length to stop at"
    />
  );
}

type Look = Required<Foretold['seen'][number]>;
interface Curves {
  readonly band: readonly ({ readonly used: number } & ReturnType<Foretold['lengthAfter']>)[];
  readonly looks: readonly Look[];
  /** What was done and a length, in what is written along the axes. */
  readonly x: (used: number) => number;
  readonly y: (mm: number) => number;
}

/** The band with its middle, and over it the looks with the error of the way each was seen, nine times in ten. */
function drawn(ink: Ink, { band, looks, x, y }: Curves): Data[] {
  const line = (of: (each: Curves['band'][number]) => number, more: object): Data => ({
    x: band.map(({ used }) => x(used)),
    y: band.map((each) => y(of(each))),
    type: 'scatter',
    mode: 'lines',
    hoverinfo: 'skip',
    ...more,
  });
  return [
    line(({ low }) => low, { line: { color: ink.soft, width: 1 } }),
    line(({ high }) => high, {
      line: { color: ink.soft, width: 1 },
      fill: 'tonexty',
      fillcolor: ink.rule,
    }),
    line(({ mid }) => mid, { line: { color: ink.oxide, width: 2, dash: 'dash' } }),
    {
      x: looks.map(({ used }) => x(used)),
      y: looks.map(({ aMm }) => y(aMm)),
      error_y: {
        type: 'data',
        array: looks.map(({ seenBy }) => y(ONE_SIDED_95 * LENGTH_ERROR_MM[seenBy])),
        color: ink.ink,
        thickness: 2,
      },
      type: 'scatter',
      mode: 'markers',
      marker: { color: ink.ink, size: 10, symbol: 'diamond' },
      text: looks.map(({ at, seenBy }) => `${at.slice(0, 10)}, ${seenBy}`),
      hovertemplate: '%{y:.2f}<br>%{text}<extra></extra>',
    },
  ];
}
