'use client';

import { useCallback, useMemo, useState } from 'react';
import type { Data, Layout } from 'plotly.js';
import type { JobDemand } from '@/core/job';
import { ksiToMpa, type UnitSystem } from '@/core/quantity';
import { Plot, type Ink } from '@/ui/charts';
import { Choice } from '@/ui/controls';
import { of, SHOWN, STATE_INK } from './demand-states';
import { useStationAxis } from './use-station-axis';

const DRAWN = ['share', 'stress'] as const;
const DRAWN_WORDS: Readonly<Record<(typeof DRAWN)[number], string>> = {
  share: 'as a share',
  stress: 'as stress',
};

/** Demand along the member, a line a state. */
export function DemandChart({
  demand,
  memberId,
  system,
  cursorMm,
}: {
  demand: JobDemand;
  memberId: string;
  system: UnitSystem;
  cursorMm: number;
}) {
  const [drawn, setDrawn] = useState<(typeof DRAWN)[number]>('share');
  const at = useStationAxis(system);
  const lines = useMemo(
    () =>
      SHOWN.flatMap((state) => {
        const along = of(demand, state, memberId)?.along;
        return along?.length ? [{ state, along }] : [];
      }),
    [demand, memberId],
  );
  const inUnit = useCallback((mpa: number) => (system === 'in' ? mpa / ksiToMpa(1) : mpa), [system]);
  const data = useCallback(
    (ink: Ink): Data[] => [
      ...(drawn === 'stress' ? lines.filter(({ state }) => state === 'as found') : []).map(
        ({ along }) =>
          ({
            x: along.map((each) => at(each.stationMm)),
            y: along.map((each) => inUnit(each.allowableMpa)),
            type: 'scatter',
            mode: 'lines',
            name: 'may carry, found',
            line: { color: ink.ink, width: 2, shape: 'hvh' },
            fill: 'tozeroy',
            fillcolor: ink.rule,
          }) satisfies Data,
      ),
      ...lines.map(
        ({ state, along }) =>
          ({
            x: along.map((each) => at(each.stationMm)),
            y: along.map((each) =>
              drawn === 'share' ? Math.min(each.utilisation, 3) * 100 : inUnit(Math.abs(each.stressMpa)),
            ),
            type: 'scatter',
            mode: 'lines',
            name: STATE_INK[state]![1],
            line: {
              color: ink[STATE_INK[state]![0]],
              width: state === 'as found' ? 3 : 2,
              dash: state === 'as repaired' ? 'dash' : state === 'as built' ? 'dot' : 'solid',
              shape: 'hvh',
            },
            text: along.map((each) => `${each.caseId}, ${each.why}`),
            hovertemplate: `%{y:.0f} ${drawn === 'share' ? '%' : system === 'in' ? 'ksi' : 'MPa'}<br>%{text}<extra>%{fullData.name}</extra>`,
          }) satisfies Data,
      ),
    ],
    [lines, at, drawn, inUnit, system],
  );
  const layout = useCallback(
    (ink: Ink): Partial<Layout> => ({
      xaxis: {
        title: { text: `station, ${system}` },
        gridcolor: ink.rule,
        zeroline: false,
        fixedrange: true,
      },
      yaxis: {
        title: {
          text: drawn === 'share' ? 'of allowable, %' : system === 'in' ? 'stress, ksi' : 'stress, MPa',
        },
        ...(drawn === 'share' && {
          range: [
            0,
            Math.min(
              300,
              Math.max(110, ...lines.flatMap(({ along }) => along.map((each) => each.utilisation * 105))),
            ),
          ],
        }),
        gridcolor: ink.rule,
        rangemode: 'tozero',
        zeroline: false,
        fixedrange: true,
      },
      shapes: [
        ...(drawn === 'share'
          ? [
              {
                type: 'line' as const,
                xref: 'paper' as const,
                x0: 0,
                x1: 1,
                y0: 100,
                y1: 100,
                line: { color: ink.ink, width: 2 },
              },
            ]
          : []),
        {
          type: 'line',
          x0: at(cursorMm),
          x1: at(cursorMm),
          yref: 'paper',
          y0: 0,
          y1: 1,
          line: { color: ink.here, width: 3 },
        },
      ],
      annotations: [
        ...(drawn === 'share'
          ? [
              {
                xref: 'paper' as const,
                x: 0.005,
                xanchor: 'left' as const,
                y: 100,
                yanchor: 'bottom' as const,
                text: 'all it may carry',
                showarrow: false,
                font: { color: ink.ink },
              },
            ]
          : []),
        {
          xref: 'paper',
          x: 0,
          xanchor: 'left',
          yref: 'paper',
          y: 1,
          yanchor: 'bottom',
          text:
            lines
              .map(({ state }) =>
                state === 'as found'
                  ? '<b>— found</b>'
                  : state === 'as built'
                    ? '<b>··· built</b>'
                    : '<b>- - repaired</b>',
              )
              .join('   ') + (drawn === 'stress' ? '   shaded: may carry, found' : ''),
          showarrow: false,
          font: { color: ink.ink },
        },
      ],
    }),
    [system, at, cursorMm, lines, drawn],
  );
  return (
    <>
      <div className="flex justify-end">
        <Choice
          label="Demand drawn"
          value={drawn}
          options={DRAWN}
          onChange={setDrawn}
          words={(id) => DRAWN_WORDS[id]}
        />
      </div>
      <Plot
        data={data}
        layout={layout}
        height={250}
        label={
          drawn === 'share'
            ? 'Demand along the member as a share of what it may carry: as built, as found, as repaired'
            : 'Stress along the member against what it may carry: as built, as found, as repaired'
        }
      />
    </>
  );
}
