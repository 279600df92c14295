'use client';

import type { UnitSystem } from '@/core/quantity';
import type { JudgedWork, WorkFinding, WorkWhyNot } from '@/core/shape';
import { Reason } from '../../../../_parts/reason';
import { sourceWords } from '../../../../_words/finding';
import { workSeamWords } from '../../../../_words/seams';
import {
  figureWords,
  partWords,
  uncheckedOfWork,
  WORK_WHY_WORDS,
  workFindingWords,
} from '../../../../_words/works';

/** What a work comes to: its figures, parts and welds, what the rules say, what is done in which order, and what nobody could check. */
export function JudgedPart({
  judged,
  whyNot,
  system,
}: {
  judged: JudgedWork;
  whyNot?: WorkWhyNot;
  system: UnitSystem;
}) {
  const { figures, findings, parts, seams, asks, unchecked } = judged;
  const isBroken = findings.some(({ weight }) => weight === 'broken') || whyNot !== undefined;
  return (
    <>
      {whyNot && <p className="font-semibold text-oxide">Not here: it {WORK_WHY_WORDS[whyNot]}.</p>}
      <ul className="mt-2 letters-16">
        {figures.map((figure) => (
          <li key={figure.id}>{figureWords(figure, system)}</li>
        ))}
        {parts.map((part) => (
          <li key={part.name}>Cut: {partWords(part, system)}</li>
        ))}
        {seams.map((seam) => (
          <li key={seam.what}>Join: {workSeamWords(seam, system)}</li>
        ))}
      </ul>
      <WorkFindings findings={findings} system={system} />
      {!isBroken && <p className="font-semibold">No rule broken of those that could be checked.</p>}
      <p className="caption">Not checked: {uncheckedOfWork(unchecked)}.</p>
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center text-soft">
          In this order, {asks.length} steps
        </summary>
        <ol className="list-decimal pb-2 pl-6 letters-16">
          {asks.map((ask) => (
            <li key={ask}>{ask}</li>
          ))}
        </ol>
      </details>
    </>
  );
}

/** What the rules and the metal beneath say of a work. */
export const WorkFindings = ({
  findings,
  system,
}: {
  findings: readonly WorkFinding[];
  system: UnitSystem;
}) => (
  <div className="mt-1 grid gap-1">
    {findings.map((finding, k) => (
      <Reason
        key={k}
        words={workFindingWords(finding, system)}
        source={sourceWords(finding.source)}
        heavy={finding.weight === 'broken'}
        tag={finding.weight}
      />
    ))}
  </div>
);
