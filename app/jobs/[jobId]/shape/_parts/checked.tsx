'use client';

import { calmerPlace, plateEndsOf, type JudgedEnd, type WorkedRepair } from '@/core/job';
import { repairWords } from '../../../../_words/repair-findings';
import { sourceWords } from '../../../../_words/finding';
import { endWords, UNCHECKED_WORDS } from '../../../../_words/shape';
import { printStation } from '../../../../_words/station';
import { Reason } from '../../../../_parts/reason';
import { useMember, useReader, useWork } from '../../../_desk';

/** What the rules say of a repair over its whole length; what broke none, and what nobody could check. */
export function Checked({
  worked,
  onMove,
}: {
  worked: WorkedRepair;
  /** Takes a plate's end from one station to another. */
  onMove: (fromMm: number, toMm: number) => void;
}) {
  const { system } = useReader();
  const { member } = useMember();
  const at = (mm: number) => printStation(member, mm, system);
  return (
    <div className="mt-2 grid gap-1">
      {worked.findings.map((finding, k) => (
        <Reason
          key={k}
          words={repairWords(finding, system)}
          source={sourceWords(finding.source)}
          heavy={finding.weight === 'broken'}
          tag={finding.weight}
          {...(finding.at && {
            place:
              finding.at.fromMm === finding.at.toMm
                ? `station ${at(finding.at.fromMm)}`
                : `${at(finding.at.fromMm)} to ${at(finding.at.toMm)}`,
          })}
        />
      ))}
      <Ends worked={worked} onMove={onMove} />
      <Summary worked={worked} />
    </div>
  );
}

/** What the road asks of the metal at each end of each plate. */
function Ends({ worked, onMove }: { worked: WorkedRepair; onMove: (fromMm: number, toMm: number) => void }) {
  const { system } = useReader();
  const { member } = useMember();
  const { demand } = useWork();
  const ends = plateEndsOf(demand, member.id, worked.repair);
  if (!ends || ends.length === 0) return null;
  return (
    <ul className="letters-15" aria-label="Ends of its plates">
      {ends.map((end, k) => (
        <li key={k} className={end.says === 'worse than nearby' ? 'font-semibold text-oxide' : ''}>
          {end.isJoint ? 'Joint' : 'End'} at {printStation(member, end.stationMm, system)}: {endWords(end)}.
          {end.says === 'worse than nearby' && <Calmer worked={worked} end={end} onMove={onMove} />}
        </li>
      ))}
    </ul>
  );
}

/** The nearest place where the end would be no worse than what the maker put there. */
function Calmer({
  worked,
  end,
  onMove,
}: {
  worked: WorkedRepair;
  end: JudgedEnd;
  onMove: (fromMm: number, toMm: number) => void;
}) {
  const { system } = useReader();
  const { member } = useMember();
  const { demand, work } = useWork();
  const toMm = work && !end.isJoint ? calmerPlace(demand, work.picture, worked.repair, end) : undefined;
  if (end.isJoint) return null;
  if (toMm === undefined) return <span className="caption"> No calmer place near, further out.</span>;
  return (
    <button type="button" className="plain ml-2" onClick={() => onMove(end.stationMm, toMm)}>
      Move it out to {printStation(member, toMm, system)}
    </button>
  );
}

function Summary({ worked }: { worked: WorkedRepair }) {
  const { member } = useMember();
  const { demand } = useWork();
  const ends = plateEndsOf(demand, member.id, worked.repair);
  const unchecked = [...worked.unchecked, ...(ends ? [] : ['ends' as const])];
  const isWhole = worked.findings.every(({ weight }) => weight !== 'broken');
  // What was not looked at at all is no good news, whatever broke.
  const isWellKnown = !unchecked.some((each) => each === 'landing' || each === 'steel' || each === 'ends');
  const isEndBad = ends?.some(({ says }) => says === 'worse than nearby') ?? false;
  return (
    <div role="status">
      {isWhole && !isEndBad && (
        <p className={`font-semibold ${isWellKnown ? 'text-good' : ''}`}>
          {unchecked.length === 0 ? 'No rule broken.' : 'No rule broken of those that could be checked.'}
        </p>
      )}
      {unchecked.length > 0 && (
        <p className="caption">Not checked: {unchecked.map((each) => UNCHECKED_WORDS[each]).join('; ')}.</p>
      )}
    </div>
  );
}
