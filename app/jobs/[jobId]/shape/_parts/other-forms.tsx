'use client';

import { useMemo, useState } from 'react';
import { brokenRules, candidates, type WorkedRepair } from '@/core/job';
import { lowerBound, type SectionKept } from '@/core/weigh';
import { percent, printLength, type UnitSystem } from '@/core/quantity';
import { repairWords } from '../../../../_words/repair-findings';
import { repairName } from '../../../../_words/shape';
import { printMoney } from '../../../../_words/ways-out';
import { useReader, useRecords, useWork } from '../../../_desk';

/** Every form that could answer the same damage, ranked, with what it brings back and what speaks against it. */
export function OtherForms({
  worked,
  onTake,
}: {
  worked: WorkedRepair;
  onTake: (candidate: WorkedRepair) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  if (!worked.target) return null;
  return (
    <details
      className="mt-3 border-t border-rule pt-2"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
        Other forms that could go here
      </summary>
      {isOpen && <Candidates run={worked.target} current={worked} onTake={onTake} />}
    </details>
  );
}

function Candidates({
  run,
  current,
  onTake,
}: {
  run: NonNullable<WorkedRepair['target']>;
  current: WorkedRepair;
  onTake: (candidate: WorkedRepair) => void;
}) {
  const { file } = useRecords();
  const { system } = useReader();
  const { work } = useWork();
  const { fromMm, toMm } = run;
  const all = useMemo(
    () =>
      work
        ? candidates(work.picture, { fromMm, toMm }, { grossMassKg: file.grossMassKg, kits: file.kits ?? [] })
        : [],
    [work, fromMm, toMm, file.grossMassKg, file.kits],
  );
  if (all.length === 0)
    return <p>No plate goes here: the steel, the member or the shop’s school asks for another way.</p>;
  return (
    <table
      className="ruled w-full text-[15px] [&_td]:py-1 [&_td]:pr-3 [&_td]:align-top"
      aria-label="Other forms"
    >
      <thead>
        <tr className="caption text-left">
          <th scope="col">form</th>
          <th scope="col">brings S back to</th>
          <th scope="col">weld or bolts</th>
          <th scope="col">why not</th>
          <th scope="col" />
        </tr>
      </thead>
      <tbody>
        {all.map((each) => (
          <tr key={each.repair.id}>
            <th scope="row" className="py-1 pr-3 text-left align-top font-semibold">
              {each.kit ? `bought: ${each.kit.name}` : repairName(each.repair)}
              <span className="caption block">
                {printLength(each.repair.pieces[0]!.thicknessMm, system, 'thickness')}
                {each.kit?.price !== undefined && `, ${printMoney(each.kit.price, file.practice.money)}`}
              </span>
            </th>
            <td>{each.restored.length > 0 ? percent(leastModulus(each.restored)) : '–'}</td>
            <td>{heldWords(each, system)}</td>
            <td>{whyNot(each, system)}</td>
            <td>
              {each.against.length === 0 && (each.kit !== undefined || !sameForm(each, current)) && (
                <button type="button" className="plain" onClick={() => onTake(each)}>
                  Take this form
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const leastModulus = (sections: readonly SectionKept[]): number =>
  Math.min(
    ...sections.map(({ kept }) => Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!))),
  );

const sameForm = (one: WorkedRepair, other: WorkedRepair): boolean =>
  repairName(one.repair) === repairName(other.repair);

const heldWords = ({ joined: { bolts, totalWeldMm } }: WorkedRepair, system: UnitSystem): string =>
  bolts.length > 0
    ? `${bolts.reduce((sum, { count }) => sum + count, 0)} bolts`
    : printLength(totalWeldMm, system, 'length');

/** What speaks against it at all; else the rules it breaks; else what it deviates in. */
function whyNot({ against, findings, joinFindings, ...worked }: WorkedRepair, system: UnitSystem): string {
  if (against.length > 0)
    return [...new Set(against.map((each) => repairWords(each, system).title))].join('; ');
  const broken = brokenRules({ ...worked, against, findings, joinFindings });
  if (broken.length > 0) return `breaks ${broken.length === 1 ? 'a rule' : `${broken.length} rules`}`;
  const deviations = findings.filter(({ weight }) => weight === 'deviation').length;
  return deviations === 0 ? 'nothing' : `${deviations} stated deviation${deviations === 1 ? '' : 's'}`;
}
