'use client';

import { memberOf } from '@/core/frame';
import type { JobDemand } from '@/core/job';
import { printForce, type UnitSystem } from '@/core/quantity';
import { CAUTIONS } from '../../../../_words/cautions';
import { usedWords } from '../../../../_words/demand';
import { printStation } from '../../../../_words/station';
import { useRecords } from '../../../_desk';

/** Webs over pads and jack, and the member that lifting asks most of. */
export function Pads({ demand, system }: { demand: JobDemand; system: UnitSystem }) {
  const { file } = useRecords();
  const raised = (demand['as found']?.members ?? [])
    .filter((each) => each.lifted)
    .sort((a, b) => b.lifted!.utilisation - a.lifted!.utilisation)[0];
  const pads = (demand['as found']?.members ?? []).flatMap(({ memberId, pads: own }) =>
    own.map((pad) => ({ ...pad, member: memberOf(file.frame, memberId)! })),
  );
  if (pads.length === 0) return null;
  return (
    <details className="mt-1">
      <summary className="hit flex items-center font-semibold">
        On a lift or a jack, its payload off: webs at the pads{' '}
        {usedWords(Math.max(...pads.map((pad) => pad.upN / pad.capacityN)))}
        {raised &&
          `, ${memberOf(file.frame, raised.memberId)!.name.toLowerCase()} ${usedWords(raised.lifted!.utilisation)} ${raised.lifted!.caseId}`}
      </summary>
      <table className="w-full max-w-xl letters-15">
        <thead>
          <tr className="caption text-left">
            {['case', 'under', 'station', 'carries', 'web takes'].map((head) => (
              <th key={head} scope="col" className="font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">
          {pads.map((pad) => (
            <tr key={`${pad.caseId}-${pad.member.id}-${pad.stationMm}`}>
              <td>{pad.caseId}</td>
              <td>{pad.member.name}</td>
              <td>{printStation(pad.member, pad.stationMm, system)}</td>
              <td className={pad.upN > pad.capacityN ? 'font-bold text-oxide' : ''}>
                {printForce(pad.upN, system)}
              </td>
              <td>{printForce(pad.capacityN, system)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="caution mt-1">{CAUTIONS.lift}</p>
    </details>
  );
}
