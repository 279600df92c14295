'use client';

import { useCallback, useMemo } from 'react';
import type { Data, Layout } from 'plotly.js';
import type { UnitSystem } from '@/core/quantity';
import { isJudged, lowerBound, type SectionKept } from '@/core/weigh';
import { acrossAt, besideLine, cursorAt, legend, Plot, still, type Ink } from '@/ui/charts';
import { useStationAxis } from './use-station-axis';

interface Picture {
  readonly sections: readonly SectionKept[];
  readonly repaired: readonly SectionKept[];
  /** The share of the bending strength as built to act below. */
  readonly limit: number;
  readonly system: UnitSystem;
  /** Where a station stands on the chart. */
  readonly at: (ownMm: number) => number;
}

/** What is kept of the bending strength, at whichever of top and bottom less of it is. */
export const weaker = ({ kept }: SectionKept) =>
  kept.modulusTop!.value < kept.modulusBottom!.value ? kept.modulusTop! : kept.modulusBottom!;

/** Kept bending strength along the member: found with its lower bound, as repaired, and the line to act below. */
export function KeptChart({
  sections,
  repaired,
  limit,
  system,
  cursorMm,
}: Omit<Picture, 'at'> & { readonly cursorMm: number }) {
  const at = useStationAxis(system);
  const picture = useMemo(
    (): Picture => ({ sections, repaired, limit, system, at }),
    [sections, repaired, limit, system, at],
  );
  const data = useCallback((ink: Ink) => dataOf(picture, ink), [picture]);
  const layout = useCallback((ink: Ink) => layoutOf(picture, cursorMm, ink), [picture, cursorMm]);
  return (
    <Plot
      data={data}
      layout={layout}
      height={266}
      label={`Bending strength kept along the member, found and repaired, against ${Math.round(limit * 100)} percent`}
    />
  );
}

function dataOf({ sections, repaired, at }: Picture, ink: Ink): Data[] {
  const x = sections.map((section) => at(section.stationMm));
  const found = sections.map(weaker);
  const only = (judged: boolean) =>
    found.map((kept, k) => (isJudged(sections[k]!) === judged ? kept.value * 100 : null));
  const line = (name: string, y: (number | null)[], stroke: object, along = x): Data => ({
    x: along,
    y,
    type: 'scatter',
    mode: 'lines',
    name,
    line: stroke,
  });
  return [
    {
      x: [...x, ...x.toReversed()],
      y: [
        ...found.map((kept) => (kept.value + kept.plusMinus) * 100),
        ...found.toReversed().map((kept) => lowerBound(kept) * 100),
      ],
      type: 'scatter',
      mode: 'lines',
      fill: 'toself',
      line: { width: 0 },
      fillcolor: ink.rule,
      hoverinfo: 'skip',
    },
    line('found', only(true), { color: ink.oxide, width: 3 }),
    line('guessed', only(false), { color: ink.soft, width: 1.5, dash: 'dot' }),
    line(
      'repaired',
      repaired.map((section) => weaker(section).value * 100),
      { color: ink.slate, width: 2.5, dash: 'dash' },
      repaired.map((section) => at(section.stationMm)),
    ),
  ];
}

function layoutOf(
  { sections, repaired, limit, system, at }: Picture,
  cursorMm: number,
  ink: Ink,
): Partial<Layout> {
  const percent = Math.round(limit * 100);
  const guessed = sections.every(isJudged) ? '' : '   <b>··· guessed</b>';
  return {
    xaxis: still(ink, `station, ${system}`),
    yaxis: still(ink, 'S kept, % of built', { rangemode: 'tozero' }),
    shapes: [acrossAt(limit * 100, { color: ink.ink, width: 1.5, dash: 'dot' }), cursorAt(at(cursorMm), ink)],
    annotations: [
      besideLine(ink, `act below ${percent} %`, { y: limit * 100 - 2, x: 1, over: false }),
      ...(repaired.length ? [legend(ink, `<b>— found</b> with its ±   <b>- - repaired</b>${guessed}`)] : []),
    ],
  };
}
