'use client';

import { useCallback, useMemo, useState } from 'react';
import type { Data, Layout } from 'plotly.js';
import type { JobDemand } from '@/core/job';
import { ksiToMpa, type UnitSystem } from '@/core/quantity';
import type { StateId } from '@/core/shape';
import type { StationDemand } from '@/core/weigh';
import { acrossAt, besideLine, cursorAt, legend, Plot, still, type Ink } from '@/ui/charts';
import { Choice } from '@/ui/controls';
import { of, SHOWN, STATE_INK } from './demand-states';
import { useStationAxis } from './use-station-axis';

const DRAWN = ['share', 'stress'] as const;
type Drawn = (typeof DRAWN)[number];
const DRAWN_WORDS: Readonly<Record<Drawn, string>> = {
  share: 'as a share',
  stress: 'as stress',
};
const DRAWN_LABEL: Readonly<Record<Drawn, string>> = {
  share: 'Demand along the member as a share of what it may carry: as built, as found, as repaired',
  stress: 'Stress along the member against what it may carry: as built, as found, as repaired',
};
/** How a state's line is drawn, and what the words over the chart say of it. */
const STROKES: Readonly<Record<string, { readonly dash: 'dot' | 'solid' | 'dash'; readonly words: string }>> =
  {
    'as built': { dash: 'dot', words: '<b>··· built</b>' },
    'as found': { dash: 'solid', words: '<b>— found</b>' },
    'as repaired': { dash: 'dash', words: '<b>- - repaired</b>' },
  };

interface Along {
  readonly state: StateId;
  readonly along: readonly StationDemand[];
}

/** A member's demand as it is drawn. */
interface Picture {
  readonly lines: readonly Along[];
  readonly drawn: Drawn;
  readonly system: UnitSystem;
  /** Where a station stands on the chart. */
  readonly at: (ownMm: number) => number;
}

const unitOf = ({ drawn, system }: Picture): string =>
  drawn === 'share' ? '%' : system === 'in' ? 'ksi' : 'MPa';
const inUnit = (mpa: number, system: UnitSystem): number => (system === 'in' ? mpa / ksiToMpa(1) : mpa);

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
  const [drawn, setDrawn] = useState<Drawn>('share');
  const at = useStationAxis(system);
  const picture = useMemo(
    (): Picture => ({ lines: linesOf(demand, memberId), drawn, system, at }),
    [demand, memberId, drawn, system, at],
  );
  const data = useCallback((ink: Ink) => [...mayCarry(picture, ink), ...asked(picture, ink)], [picture]);
  const layout = useCallback((ink: Ink) => layoutOf(picture, cursorMm, ink), [picture, cursorMm]);
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
      <Plot data={data} layout={layout} height={250} label={DRAWN_LABEL[drawn]} />
    </>
  );
}

const linesOf = (demand: JobDemand, memberId: string): Along[] =>
  SHOWN.flatMap((state) => {
    const along = of(demand, state, memberId)?.along;
    return along?.length ? [{ state, along }] : [];
  });

/** What the metal found may carry, shaded under the stresses. */
const mayCarry = ({ lines, drawn, system, at }: Picture, ink: Ink): Data[] =>
  (drawn === 'stress' ? lines.filter(({ state }) => state === 'as found') : []).map(({ along }) => ({
    x: along.map((each) => at(each.stationMm)),
    y: along.map((each) => inUnit(each.allowableMpa, system)),
    type: 'scatter',
    mode: 'lines',
    name: 'may carry, found',
    line: { color: ink.ink, width: 2, shape: 'hvh' },
    fill: 'tozeroy',
    fillcolor: ink.rule,
  }));

/** What is asked, a line a state. */
const asked = (picture: Picture, ink: Ink): Data[] =>
  picture.lines.map(({ state, along }) => ({
    x: along.map((each) => picture.at(each.stationMm)),
    y: along.map((each) =>
      picture.drawn === 'share'
        ? Math.min(each.utilisation, 3) * 100
        : inUnit(Math.abs(each.stressMpa), picture.system),
    ),
    type: 'scatter',
    mode: 'lines',
    name: STATE_INK[state]![1],
    line: {
      color: ink[STATE_INK[state]![0]],
      width: state === 'as found' ? 3 : 2,
      dash: STROKES[state]!.dash,
      shape: 'hvh',
    },
    text: along.map((each) => `${each.caseId}, ${each.why}`),
    hovertemplate: `%{y:.0f} ${unitOf(picture)}<br>%{text}<extra>%{fullData.name}</extra>`,
  }));

/** As far up as anything goes, all that may be carried always in sight; what is many times over is cut off. */
const topPercent = (lines: readonly Along[]): number =>
  Math.min(300, Math.max(110, ...lines.flatMap(({ along }) => along.map((each) => each.utilisation * 105))));

function layoutOf(picture: Picture, cursorMm: number, ink: Ink): Partial<Layout> {
  const { lines, drawn, system, at } = picture;
  const isShare = drawn === 'share';
  const words = lines.map(({ state }) => STROKES[state]!.words).join('   ');
  return {
    xaxis: still(ink, `station, ${system}`),
    yaxis: still(ink, isShare ? 'of allowable, %' : `stress, ${unitOf(picture)}`, {
      rangemode: 'tozero',
      ...(isShare && { range: [0, topPercent(lines)] }),
    }),
    shapes: [...(isShare ? [acrossAt(100, { color: ink.ink, width: 2 })] : []), cursorAt(at(cursorMm), ink)],
    annotations: [
      ...(isShare ? [besideLine(ink, 'all it may carry', { y: 100, x: 0.005, over: true })] : []),
      legend(ink, isShare ? words : `${words}   shaded: may carry, found`),
    ],
  };
}
