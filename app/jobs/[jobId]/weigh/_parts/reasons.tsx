'use client';

import { severity, type Finding, type Verdict } from '@/core/weigh';
import { findingWords, sourceWords } from '../../../../_words/findings';
import { printStation } from '../../../../_words/station';
import { Reason } from '../../../../_parts/reason';
import { useMember, usePlace, useReader } from '../../../_desk';

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

/** A member's reasons: what it asks for first; those that ask for nothing together, behind one line. */
export function Reasons({ findings }: { findings: readonly Finding[] }) {
  const asking = findings.filter(({ verdict }) => verdict !== 'Leave');
  const quiet = findings.filter(({ verdict }) => verdict === 'Leave');
  return (
    <section aria-label="Reasons" className="grid gap-1">
      {asking.map((finding, k) => (
        <OneReason key={`${finding.code}-${k}`} finding={finding} />
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

function OneReason({ finding }: { finding: Finding }) {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  const { at } = finding;
  const [from, to] = at
    ? [printStation(member, at.fromMm, system), printStation(member, at.toMm, system)]
    : [undefined, undefined];
  const place =
    from === undefined ? undefined : from === to ? `station ${from}` : `stations ${from} to ${to}`;
  const flips = finding.firmness === 'could flip with one more reading' && finding.verdict !== 'Leave';
  return (
    <Reason
      words={findingWords(finding, system)}
      source={sourceWords(finding.source)}
      heavy={severity(finding.verdict) >= severity('Mend')}
      tag={`${ASKS[finding.verdict]}${flips ? '; one more reading may change it' : ''}`}
      {...(place && { place })}
    >
      {at && (
        <button
          type="button"
          className="plain mb-2"
          onClick={() => setCursor({ ...cursor, stationMm: (at.fromMm + at.toMm) / 2 })}
        >
          Show on the Strip
        </button>
      )}
    </Reason>
  );
}
