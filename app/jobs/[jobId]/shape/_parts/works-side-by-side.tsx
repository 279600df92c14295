'use client';

import { useMemo } from 'react';
import {
  jobHosts,
  workCandidates,
  worksForHost,
  worksForMember,
  type UnderIt,
  type WorkCandidate,
} from '@/core/job';
import { printLength, printMass, type UnitSystem } from '@/core/quantity';
import { worksAt, type WorkId, type WorkPlace } from '@/core/shape';
import { hoursRange } from '../../../../_words/ways-out';
import { WORK_WHY_WORDS, WORK_WORDS, workFindingWords } from '../../../../_words/works';
import { useReader, useRecords, useWork } from '../../../_desk';
import { SideBySide } from './side-by-side';

/** Works that go at a place, ranked, with what each takes at its usual measures; those that do not go there, and why not. */
export function WorksSideBySide({
  place,
  form,
  underIt,
  onPick,
}: {
  place: WorkPlace;
  /** What the metal found there says of a work. */
  underIt: UnderIt;
  form: WorkId;
  onPick: (form: WorkId) => void;
}) {
  const { file } = useRecords();
  const { work } = useWork();
  const all = useMemo(() => {
    const host = jobHosts(file).find(({ on, id }) => on === place.on && id === place.id);
    const suited =
      place.on === 'member'
        ? work
          ? worksForMember(place, work.verdict)
          : []
        : host
          ? worksForHost(place, host)
          : [];
    return workCandidates(place, file.practice.money.norms, suited, underIt);
  }, [file, place, work, underIt]);
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center text-soft">
        {all.length === 1 ? 'One work goes here' : `${all.length} works go here`}, side by side
      </summary>
      <SideBySide
        label="Works that go here"
        heads={['at its usual measures', 'weld', 'steel', 'hours', 'speaks against it']}
      >
        {all.map((each) => (
          <Row key={each.id} candidate={each} isChosen={each.id === form} onPick={onPick} />
        ))}
      </SideBySide>
      <NotHere place={place} />
    </details>
  );
}

function Row({
  candidate: { id, isSuited, judged, weldMm, massKg, hours },
  isChosen,
  onPick,
}: {
  candidate: WorkCandidate;
  isChosen: boolean;
  onPick: (form: WorkId) => void;
}) {
  const { system } = useReader();
  return (
    <tr>
      <th scope="row" className="py-1 pr-3 text-left align-top font-semibold">
        {WORK_WORDS[id]}
        {isSuited && <span className="caption block font-normal">mends what was found there</span>}
      </th>
      <td>{weldMm > 0 ? printLength(weldMm, system, 'length') : 'none'}</td>
      <td>{massKg > 0 ? printMass(massKg, system) : 'none'}</td>
      <td className="whitespace-nowrap">{hoursRange({ low: hours[0], high: hours[1] })}</td>
      <td>{againstWords(judged, system)}</td>
      <td>
        {!isChosen && (
          <button type="button" className="plain" onClick={() => onPick(id)}>
            Take this work
          </button>
        )}
      </td>
    </tr>
  );
}

/** The rules it breaks, by name; else what it deviates in. */
function againstWords({ findings }: WorkCandidate['judged'], system: UnitSystem): string {
  const titles = (weight: 'broken' | 'deviation') =>
    findings
      .filter((each) => each.weight === weight)
      .map((each) => workFindingWords(each, system).title)
      .join('; ');
  return titles('broken') || titles('deviation') || 'nothing';
}

/** Works that do not go at a place, and why. */
function NotHere({ place }: { place: WorkPlace }) {
  const not = worksAt(place).flatMap(({ id, whyNot }) =>
    whyNot && whyNot !== 'not at such a place' ? [{ id, whyNot }] : [],
  );
  if (not.length === 0) return null;
  return (
    <ul className="list-disc pb-2 pl-6 letters-15" aria-label="Works that do not go here">
      {not.map(({ id, whyNot }) => (
        <li key={id}>
          {WORK_WORDS[id]}: {WORK_WHY_WORDS[whyNot]}
        </li>
      ))}
    </ul>
  );
}
