'use client';

import { useMemo } from 'react';
import type { UnitSystem } from '@/core/quantity';
import {
  lowerBound,
  worstStation,
  type Firmness,
  type Finding,
  type KeptKey,
  type SectionKept,
} from '@/core/weigh';
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
import { KeptChart } from './kept-chart';
import { useFirmness } from './use-firmness';
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
    <p role="status" aria-label="How firm" className="min-h-6 letters-16">
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
    <table className="mt-2 w-full letters-16">
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
