'use client';

import { useCallback, useMemo } from 'react';
import type { Data, Layout } from 'plotly.js';
import type { UnitSystem } from '@/core/quantity';
import {
  isJudged,
  lowerBound,
  worstStation,
  type Firmness,
  type Finding,
  type KeptKey,
  type SectionKept,
} from '@/core/weigh';
import { Plot, type Ink } from '@/ui/charts';
import { CAUTIONS } from '../../../../_words/cautions';
import { findingWords } from '../../../../_words/findings';
import { stands } from '@/core/job';
import {
  Bench,
  MemberStrip,
  PartsNav,
  useMember,
  usePart,
  usePlace,
  useReader,
  useRecords,
  useWork,
} from '../../../_desk';
import { GeometryPart } from './geometry-part';
import { PracticePart } from './practice-part';
import { DemandPanel } from './demand-panel';
import { FramePanel } from './frame-panel';
import { OverridePart } from './override-part';
import { Reasons } from './reasons';
import { useFirmness } from './use-firmness';
import { useStationAxis } from './use-station-axis';
import { FIRM_WORDS, firmLine, wouldChange } from '../../../../_words/firmness';
import { UnitPanel } from './unit-panel';
import { WaysOutPanel } from './ways-out-panel';
import { printStation } from '../../../../_words/station';

const KEPT_WORDS: readonly (readonly [KeptKey, string])[] = [
  ['modulusBottom', 'S bottom'],
  ['modulusTop', 'S top'],
  ['inertia', 'Ix'],
  ['area', 'area'],
  ['torsion', 'J'],
];

const PARTS = ['verdict', 'geometry', 'practice'] as const;
const PART_WORDS = {
  verdict: 'Verdicts, demand, ways out',
  geometry: 'Geometry',
  practice: 'How it is judged',
} as const;

export function WeighBench() {
  const { file } = useRecords();
  const part = usePart(PARTS);
  const counts = { geometry: stands(file, 'geometry').length };
  return (
    <Bench {...(part !== 'verdict' && { slice: false, picker: false })}>
      <PartsNav label="Parts of Weigh" parts={PARTS} words={PART_WORDS} counts={counts} open={part} />
      {part === 'verdict' && <VerdictPart />}
      {part === 'geometry' && <GeometryPart />}
      {part === 'practice' && <PracticePart />}
    </Bench>
  );
}

function VerdictPart() {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  const { work } = useWork();
  const firm = useFirmness();
  return (
    <>
      <UnitPanel firm={firm} />
      <div className="mb-4 border-b-2 border-ink pb-3">
        <p className="caption">{member.name}: limited by its worst reason</p>
        <h1 className="text-6xl font-bold leading-none">{work?.verdict.verdict ?? '…'}</h1>
        {work && (
          <p className="pt-1 text-xl">
            {verdictLine(work.verdict.verdict, work.verdict.findings[0], system)}
          </p>
        )}
        <FirmnessLine firm={firm?.get(member.id)} />
        <OverridePart />
      </div>
      {work && <Reasons findings={work.verdict.findings} />}
      {work && work.picture.sections.length > 0 && (
        <section className="mt-5 border-t border-rule pt-2" aria-label="Strength kept along the member">
          <h2 className="text-lg font-semibold">Bending strength kept along {member.name.toLowerCase()}</h2>
          <KeptChart
            sections={work.picture.sections}
            repaired={work.repairedAlong}
            limit={work.picture.practice.leaveFraction}
            system={system}
            cursorMm={cursor.stationMm}
          />
          <WorstTable
            sections={work.picture.sections}
            system={system}
            onShow={(stationMm) => setCursor({ ...cursor, stationMm })}
          />
        </section>
      )}
      <WaysOutPanel />
      <DemandPanel />
      <FramePanel />
      <div className="mt-5">
        <MemberStrip height={300} readings={false} />
      </div>
      <p className="caution mt-4">{CAUTIONS.weigh}</p>
    </>
  );
}

/** How sure the decision is, and the one thing that would most change it. */
function FirmnessLine({ firm }: { firm: Firmness | undefined }) {
  const { system } = useReader();
  const { member } = useMember();
  const change = firm && wouldChange(firm, member, system);
  return (
    <p role="status" aria-label="How firm" className="min-h-6 text-[16px]">
      {firm ? (
        <>
          <span className="font-semibold">{FIRM_WORDS[firm.is]}</span>
          <span className="caption">
            {' '}
            {firmLine(firm)}
            {change && `. What would change it: ${change}`}.
          </span>
        </>
      ) : (
        <span className="caption">how firm it is is being worked out…</span>
      )}
    </p>
  );
}

function verdictLine(verdict: string, finding: Finding | undefined, system: UnitSystem): string {
  if (!finding) return 'No reason recorded.';
  const words = findingWords(finding, system);
  return verdict === 'Can’t say' ? `${words.title}. Do this first: ${words.change}.` : `${words.title}.`;
}

const weaker = (section: SectionKept) =>
  section.kept.modulusTop!.value < section.kept.modulusBottom!.value
    ? section.kept.modulusTop!
    : section.kept.modulusBottom!;

/** Kept bending strength along the member: found with its lower bound, as repaired, and the line to act below. */
function KeptChart({
  sections,
  repaired,
  limit,
  system,
  cursorMm,
}: {
  sections: readonly SectionKept[];
  repaired: readonly SectionKept[];
  limit: number;
  system: UnitSystem;
  cursorMm: number;
}) {
  const hasGuesses = !sections.every(isJudged);
  const at = useStationAxis(system);
  const data = useCallback(
    (ink: Ink): Data[] => {
      const x = sections.map((section) => at(section.stationMm));
      const found = sections.map(weaker);
      return [
        {
          x: [...x, ...[...x].reverse()],
          y: [
            ...found.map((kept) => (kept.value + kept.plusMinus) * 100),
            ...[...found].reverse().map((kept) => lowerBound(kept) * 100),
          ],
          type: 'scatter',
          mode: 'lines',
          fill: 'toself',
          line: { width: 0 },
          fillcolor: ink.rule,
          hoverinfo: 'skip',
        },
        {
          x,
          y: found.map((kept, k) => (isJudged(sections[k]!) ? kept.value * 100 : null)),
          type: 'scatter',
          mode: 'lines',
          name: 'found',
          line: { color: ink.oxide, width: 3 },
        },
        ...(hasGuesses
          ? [
              {
                x,
                y: found.map((kept, k) => (isJudged(sections[k]!) ? null : kept.value * 100)),
                type: 'scatter',
                mode: 'lines',
                name: 'guessed',
                line: { color: ink.soft, width: 1.5, dash: 'dot' },
              } satisfies Data,
            ]
          : []),
        ...(repaired.length
          ? [
              {
                x: repaired.map((section) => at(section.stationMm)),
                y: repaired.map((section) => weaker(section).value * 100),
                type: 'scatter',
                mode: 'lines',
                name: 'repaired',
                line: { color: ink.slate, width: 2.5, dash: 'dash' },
              } satisfies Data,
            ]
          : []),
      ];
    },
    [sections, repaired, at, hasGuesses],
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
        title: { text: 'S kept, % of built' },
        gridcolor: ink.rule,
        rangemode: 'tozero',
        zeroline: false,
        fixedrange: true,
      },
      shapes: [
        {
          type: 'line',
          xref: 'paper',
          x0: 0,
          x1: 1,
          y0: limit * 100,
          y1: limit * 100,
          line: { color: ink.ink, width: 1.5, dash: 'dot' },
        },
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
        {
          xref: 'paper',
          x: 1,
          xanchor: 'right',
          y: limit * 100 - 2,
          yanchor: 'top',
          text: `act below ${Math.round(limit * 100)} %`,
          showarrow: false,
          font: { color: ink.ink },
        },
        ...(repaired.length
          ? [
              {
                xref: 'paper' as const,
                x: 0,
                xanchor: 'left' as const,
                yref: 'paper' as const,
                y: 1,
                yanchor: 'bottom' as const,
                text: `<b>— found</b> with its ±   <b>- - repaired</b>${hasGuesses ? '   <b>··· guessed</b>' : ''}`,
                showarrow: false,
                font: { color: ink.ink },
              },
            ]
          : []),
      ],
    }),
    [system, limit, at, cursorMm, repaired.length, hasGuesses],
  );
  return (
    <Plot
      data={data}
      layout={layout}
      height={266}
      label={`Bending strength kept along the member, found and repaired, against ${Math.round(limit * 100)} percent`}
    />
  );
}

function WorstTable({
  sections,
  system,
  onShow,
}: {
  sections: readonly SectionKept[];
  system: UnitSystem;
  onShow: (stationMm: number) => void;
}) {
  const { member } = useMember();
  const rows = useMemo(
    () =>
      KEPT_WORDS.map(([key, words]) => ({ key, words, worst: worstStation(sections, key) })).filter(
        (row) => row.worst,
      ),
    [sections],
  );
  return (
    <table className="mt-2 w-full text-[16px]">
      <thead>
        <tr className="caption text-left">
          <th scope="col" className="font-normal">
            figure
          </th>
          <th scope="col" className="font-normal">
            kept at its worst
          </th>
          <th scope="col" className="font-normal">
            lower bound
          </th>
          <th scope="col" className="font-normal">
            worst station
          </th>
        </tr>
      </thead>
      <tbody className="ruled">
        {rows.map(({ key, words, worst }) => {
          const kept = worst!.kept[key]!;
          return (
            <tr key={key}>
              <th scope="row" className="text-left font-normal">
                {words}
              </th>
              <td className="font-semibold">
                {Math.round(kept.value * 100)} % ± {Math.round(kept.plusMinus * 100)}
              </td>
              <td>{Math.round(lowerBound(kept) * 100)} %</td>
              <td>
                <button type="button" className="hit underline" onClick={() => onShow(worst!.stationMm)}>
                  {printStation(member, worst!.stationMm, system)}
                </button>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
