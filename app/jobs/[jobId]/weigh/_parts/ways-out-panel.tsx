'use client';

import { useCallback, useEffect, useState } from 'react';
import type { Data, Layout } from 'plotly.js';
import { choiceOf } from '@/core/job';
import { SCHOOL_WAYS, type Priced } from '@/core/weigh';
import { percent } from '@/core/quantity';
import { Plot, type Ink } from '@/ui/charts';
import {
  moneyRange,
  NO_PRICE_WORDS,
  pricedWords,
  retiredWords,
  WAY_OUT_WORDS,
} from '../../../../_words/ways-out';
import { APPROACH_WORDS } from '../../../../_words/practice';
import { useRecords, useRecordsLater, useWork } from '../../../_desk';
import { HoursTakenPart } from './hours-taken-part';
import { NormsForm } from './norms-form';
import { OwnersChoicePart } from './owners-choice';

type Told = Extract<Priced, { ok: true }>;

/** What can be done with the unit, side by side, each with its price as a range. */
export function WaysOutPanel() {
  const { file } = useRecordsLater();
  const { isWorking, waysOut } = useWork();
  const [ways, setWays] = useState<readonly Priced[]>();
  useEffect(() => {
    if (isWorking) return;
    let isWanted = true;
    waysOut().then(
      (priced) => isWanted && setWays(priced),
      () => undefined,
    );
    return () => {
      isWanted = false;
    };
  }, [file, isWorking, waysOut]);
  const priced = (ways ?? []).filter((each): each is Told => each.ok && each.money.spread.high > 0);
  const retired = ways && retiredWords(ways, choiceOf(file)?.chosen);
  return (
    <section aria-label="Ways out and money" className="mt-5 border-t border-rule pt-2">
      <h2 className="text-lg font-semibold">Ways out, and what they cost</h2>
      {!ways && <p>being worked out…</p>}
      {retired && <p className="py-1 letters-17 font-semibold text-oxide">{retired}</p>}
      {ways && (
        <div className="overflow-x-auto">
          <table className="ruled w-full letters-16 [&_td]:py-1.5 [&_td]:pr-4 [&_td]:align-top">
            <thead>
              <tr className="caption text-left">
                <th scope="col">way</th>
                <th scope="col">nine times in ten</th>
                <th scope="col">what it restores, what stays</th>
              </tr>
            </thead>
            <tbody>
              {ways.map((each) => (
                <Way key={each.way} priced={each} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {priced.length > 0 && <PriceChart priced={priced} />}
      <OwnersChoicePart />
      {ways && <HoursTakenPart ways={ways} />}
      <NormsForm />
      <p className="caption mt-1">
        Rough ranges from the shop’s rate and norms, no offer. Hours are norms by kind of work (common
        practice, no source) until the shop puts its own here; what was not seen is in them as a chance.
      </p>
    </section>
  );
}

function Way({ priced }: { priced: Priced }) {
  const { file } = useRecords();
  const { money, ways } = file.practice;
  const { approach } = ways.everywhere;
  const [name, restores, stays] = WAY_OUT_WORDS[priced.way];
  const [first, second] = priced.ok ? priced.money.drivers : [];
  return (
    <tr>
      <th scope="row" className="py-1.5 pr-4 text-left align-top font-semibold">
        {name}
      </th>
      <td>
        {priced.ok ? (
          <>
            <span className="block letters-17 font-semibold sm:whitespace-nowrap">
              {moneyRange(priced.money.spread, money)}
            </span>
            <span className="caption">{pricedWords(priced, money)}</span>
          </>
        ) : (
          <span className="caption">{NO_PRICE_WORDS[priced.why]}</span>
        )}
      </td>
      <td>
        {restores}; stays: {stays}
        {!SCHOOL_WAYS[approach].includes(priced.way) && (
          <span className="caption block">
            not this shop’s way: its school is {APPROACH_WORDS[approach][0].toLowerCase()}
          </span>
        )}
        {first && second && (
          <span className="caption block">
            spread comes from {first.name} ({percent(first.share)})
            {`, ${second.name} (${percent(second.share)})`}
          </span>
        )}
      </td>
    </tr>
  );
}

/** Each way as a bar from its low to its high, the middle marked. */
function PriceChart({ priced }: { priced: readonly Told[] }) {
  const { file } = useRecords();
  const { currency } = file.practice.money;
  const names = priced.map(({ way }) => WAY_OUT_WORDS[way][0]);
  const data = useCallback(
    (ink: Ink): Data[] => [
      {
        type: 'bar',
        orientation: 'h',
        y: names,
        x: priced.map(({ money }) => money.spread.high - money.spread.low),
        base: priced.map(({ money }) => money.spread.low) as unknown as number[],
        marker: { color: ink.rule, line: { color: ink.ink, width: 1 } },
        hoverinfo: 'skip',
      } as Data,
      {
        type: 'scatter',
        mode: 'markers',
        y: names,
        x: priced.map(({ money }) => money.spread.mid),
        marker: { symbol: 'line-ns', size: 20, line: { color: ink.oxide, width: 3 } },
        hovertemplate: '%{x:,.0f}<extra></extra>',
      },
    ],
    [names, priced],
  );
  const layout = useCallback(
    (ink: Ink): Partial<Layout> => ({
      showlegend: false,
      margin: { l: 150, r: 12, t: 8, b: 40 },
      xaxis: {
        title: { text: `money, ${currency}` },
        gridcolor: ink.rule,
        rangemode: 'tozero',
        zeroline: false,
        fixedrange: true,
      },
      yaxis: { autorange: 'reversed', fixedrange: true },
    }),
    [currency],
  );
  return (
    <Plot
      data={data}
      layout={layout}
      height={60 + 44 * priced.length}
      label="Cost of each way out: from low to high nine times in ten, its middle marked"
    />
  );
}
