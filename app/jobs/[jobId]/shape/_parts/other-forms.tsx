'use client';

import { useEffect, useState } from 'react';
import { brokenRules, type Candidate, type WorkedRepair } from '@/core/job';
import { percent, printLength, sectionDigits, sectionUnit, type UnitSystem } from '@/core/quantity';
import type { Money } from '@/core/reference';
import { ruleWords } from '../../../../_words/join-findings';
import { DRAINAGE_WORDS, repairName, stepWords } from '../../../../_words/shape';
import { hoursRange, printMoney } from '../../../../_words/ways-out';
import { useMember, useReader, useRecords, useWork } from '../../../_desk';
import { SideBySide } from './side-by-side';

/** Every form that could answer the same damage, ranked, with what it brings back, what it takes, and what speaks against it. */
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

/** Asked of the engine: forms of a run of damage on the member in sight; undefined until it has answered. */
function useForms({ fromMm, toMm }: NonNullable<WorkedRepair['target']>): readonly Candidate[] | undefined {
  const { file } = useRecords();
  const { member } = useMember();
  const { work, forms } = useWork();
  const [all, setAll] = useState<readonly Candidate[]>();
  const { kits, practice } = file;
  useEffect(() => {
    if (!work) return;
    let isWanted = true;
    forms(member.id, { fromMm, toMm }).then(
      (told) => isWanted && setAll(told),
      () => undefined,
    );
    return () => {
      isWanted = false;
    };
  }, [forms, member.id, work, fromMm, toMm, kits, practice]);
  return all;
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
  const { system } = useReader();
  const all = useForms(run);
  if (!all) return <p role="status">being worked out…</p>;
  if (all.length === 0)
    return <p>No plate goes here: the steel, the member or the shop’s school asks for another way.</p>;
  return (
    <SideBySide
      label="Other forms"
      heads={[
        'form',
        'brings S back to',
        'stiffer at its ends',
        'weld or bolts',
        `plate, ${sectionUnit(2, system)}`,
        'hours',
        'speaks against it',
      ]}
    >
      {all.map((each) => (
        <FormRow
          key={each.repair.id}
          candidate={each}
          isTaken={each.kit === undefined && sameForm(each, current)}
          onTake={() => onTake(each)}
        />
      ))}
    </SideBySide>
  );
}

function FormRow({
  candidate,
  isTaken,
  onTake,
}: {
  candidate: Candidate;
  isTaken: boolean;
  onTake: () => void;
}) {
  const { file } = useRecords();
  const { system } = useReader();
  const { kit, figures, repair, against } = candidate;
  return (
    <tr>
      <th scope="row" className="py-1 pr-3 text-left align-top font-semibold">
        {kit ? `bought: ${kit.name}` : repairName(repair)}
        <span className="caption block font-normal">{besides(candidate, file.practice.money, system)}</span>
      </th>
      <td>{figures.modulus === undefined ? '–' : percent(figures.modulus)}</td>
      <td>{stepWords(figures.stiffStep)}</td>
      <td>{figures.bolts > 0 ? `${figures.bolts} bolts` : printLength(figures.weldMm, system, 'length')}</td>
      <td>{sectionDigits(figures.areaMm2, 2, system)}</td>
      <td className="whitespace-nowrap">{hoursRange({ low: figures.hours[0], high: figures.hours[1] })}</td>
      <td>{againstWords(candidate, system)}</td>
      <td>
        {against.length === 0 && !isTaken && (
          <button type="button" className="plain" onClick={onTake}>
            Take this form
          </button>
        )}
      </td>
    </tr>
  );
}

const sameForm = (one: WorkedRepair, other: WorkedRepair): boolean =>
  repairName(one.repair) === repairName(other.repair);

/** Its plate, its price where it is bought, what becomes of water, what nobody gets to, how it goes on. */
function besides({ kit, figures, repair }: Candidate, money: Money, system: UnitSystem): string {
  const { drainage, hidden } = figures;
  return [
    printLength(repair.pieces[0]!.thicknessMm, system, 'thickness'),
    ...(kit?.price === undefined ? [] : [printMoney(kit.price, money)]),
    ...(drainage === 'holds no water' ? [] : [`water: ${DRAINAGE_WORDS[drainage]}`]),
    ...(hidden.length === 0 ? [] : [`not reached: ${hidden.join(', ')}`]),
    ...(kit?.instructions ? [kit.instructions] : []),
  ].join('; ');
}

/** What speaks against it at all; else the rules it breaks, by name; else what it deviates in. */
function againstWords({ against, ...worked }: WorkedRepair, system: UnitSystem): string {
  const titles = (findings: WorkedRepair['against']) =>
    [...new Set(findings.map((each) => ruleWords(each, system).title))].join('; ');
  if (against.length > 0) return titles(against);
  const broken = brokenRules({ ...worked, against });
  const ofPlate = worked.findings.filter(({ weight }) => weight === 'broken');
  if (broken.length > 0)
    return [
      ...(ofPlate.length > 0 ? [titles(ofPlate)] : []),
      ...(broken.length > ofPlate.length ? ['its welds or bolts'] : []),
    ].join('; ');
  const deviations = worked.findings.filter(({ weight }) => weight === 'deviation').length;
  return deviations === 0 ? 'nothing' : `${deviations} stated deviation${deviations === 1 ? '' : 's'}`;
}
