'use client';

import type { Member } from '@/core/frame';
import type { UnitSystem } from '@/core/quantity';
import { byPlace, severity, type Finding, type Place, type Verdict } from '@/core/weigh';
import { findingWords } from '../../../../_words/findings';
import { sourceWords } from '../../../../_words/finding';
import { printStation } from '../../../../_words/station';
import { Reason } from '../../../../_parts/reason';
import { useMember, usePlace, useReader, useRecords } from '../../../_desk';

/** What a reason of each word asks for. */
const ASKS: Readonly<Record<Verdict, string>> = {
  Leave: 'asks for nothing',
  'Leave by hand': 'asks to be struck again',
  Watch: 'asks to be watched',
  'Can’t say': 'asks for a look or a reading',
  Mend: 'asks to mend',
  Splice: 'asks to splice',
  Renew: 'asks to renew',
  Retire: 'asks to retire',
};

/** A member's reasons by their places, the worst place first; those that ask for nothing together, behind one line. */
export function Reasons({ findings }: { findings: readonly Finding[] }) {
  const { member } = useMember();
  const { reachMm } = useRecords().file.practice.walk;
  const asking = findings.filter(({ verdict }) => verdict !== 'Leave');
  const quiet = findings.filter(({ verdict }) => verdict === 'Leave');
  return (
    <section aria-label="Reasons" className="grid gap-1">
      {byPlace(asking, member.lengthMm, reachMm).map((place) => (
        <OnePlace key={place.at?.fromMm ?? 'whole'} place={place} />
      ))}
      {quiet.length > 0 && (
        <details open={asking.length === 0}>
          <summary className="flex min-h-11 cursor-pointer items-center pl-3 font-semibold text-soft">
            {quiet.length === 1 ? '1 reason asks for nothing' : `${quiet.length} reasons ask for nothing`}
          </summary>
          {quiet.map((finding, k) => (
            <OneReason key={`${finding.code}-${k}`} finding={finding} />
          ))}
        </details>
      )}
    </section>
  );
}

/** What is wrong at one place, with the way to it. */
function OnePlace({ place: { at, findings } }: { place: Place }) {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  return (
    <div className="mt-2">
      <div className="flex items-center gap-3 border-b border-rule">
        <h3 className="caption">{at ? placeWords(member, at, system) : 'the member as a whole'}</h3>
        {at && (
          <button
            type="button"
            className="hit ml-auto px-2 text-sm underline"
            onClick={() => setCursor({ ...cursor, stationMm: (at.fromMm + at.toMm) / 2 })}
          >
            Show on the Strip
          </button>
        )}
      </div>
      {findings.map((finding, k) => (
        <OneReason key={`${finding.code}-${k}`} finding={finding} />
      ))}
    </div>
  );
}

function placeWords(member: Member, { fromMm, toMm }: NonNullable<Place['at']>, system: UnitSystem): string {
  const [from, to] = [fromMm, toMm].map((mm) => printStation(member, mm, system));
  return from === to ? `station ${from}` : `stations ${from} to ${to}`;
}

function OneReason({ finding }: { finding: Finding }) {
  const { system } = useReader();
  const { member } = useMember();
  const flips = finding.firmness === 'could flip with one more reading' && finding.verdict !== 'Leave';
  return (
    <Reason
      words={findingWords(finding, system)}
      source={sourceWords(finding.source)}
      heavy={severity(finding.verdict) >= severity('Mend')}
      tag={`${ASKS[finding.verdict]}${flips ? '; one more reading may change it' : ''}`}
      {...(finding.at && { place: placeWords(member, finding.at, system) })}
    />
  );
}
