'use client';

import Link from 'next/link';
import { memberOf, standName } from '@/core/frame';
import type { JobDemand } from '@/core/job';
import { printForce, printLength, type UnitSystem } from '@/core/quantity';
import { CAUTIONS } from '../../../../_words/cautions';
import { unsolvedWords } from '../../../../_words/demand';
import { printStation } from '../../../../_words/station';
import { useRecords } from '../../../_desk';
import { ON_STANDS, Used } from './demand-states';

/** Cut open and tacked, apart from the road: on its stands, with what comes off before off, and a fifth more. */
export function WhileCut({ demand, system }: { demand: JobDemand; system: UnitSystem }) {
  const { file } = useRecords();
  const states = ON_STANDS.flatMap((state) => {
    const asked = demand[state];
    return asked ? [{ state, asked }] : [];
  });
  if (states.length === 0) return null;
  const [first] = states;
  const unsaid = first!.asked.unsolved.find(({ id }) => id === 'on stands');
  return (
    <section aria-label="While it is cut" className="mt-4 border-t border-rule pt-2">
      <h3 className="font-semibold">While it is cut: on its stands, not on the road</h3>
      {unsaid ? (
        <p
          {...(unsaid.why.kind === 'tips' && {
            role: 'alert',
            className: 'border-l-[6px] border-oxide pl-3',
          })}
        >
          {unsaid.why.kind === 'tips' ? 'It would tip on these stands' : 'Not worked out'}:{' '}
          {unsolvedWords(unsaid.why, system)}.{' '}
          <Link className="hit inline-flex items-center underline" href={`/jobs/${file.job.id}/frame#stands`}>
            Say where the stands are, in Frame
          </Link>
        </p>
      ) : (
        <>
          <table className="w-full max-w-2xl text-[15px]" aria-label="On its stands">
            <thead>
              <tr className="caption text-left">
                {['state', 'worst', 'used', 'held by'].map((head) => (
                  <th key={head} scope="col" className="font-normal">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody className="ruled">
              {states.map(({ state, asked }) => {
                const worst = asked.members
                  .filter((each) => each.worst)
                  .sort((a, b) => b.worst!.utilisation - a.worst!.utilisation)[0];
                const member = worst && memberOf(file.frame, worst.memberId);
                return (
                  <tr key={state}>
                    <th scope="row" className="text-left font-normal">
                      {state}
                    </th>
                    {worst && member ? (
                      <>
                        <td>
                          {member.name}, {printStation(member, worst.worst!.stationMm, system)}
                        </td>
                        <Used here={worst.worst!} />
                        <td>{worst.worst!.why}</td>
                      </>
                    ) : (
                      <td colSpan={3}>{unsolvedWords(asked.unsolved[0]!.why, system)}</td>
                    )}
                  </tr>
                );
              })}
            </tbody>
          </table>
          <p>
            {(file.frame.loads?.stands ?? [])
              .map(({ id, side, stationMm }) => {
                const carries = first!.asked.stands?.find(({ stand }) => standName(stand) === id);
                const where = `${side} stand at ${printLength(stationMm, system, 'length')}`;
                return `${where}: ${carries ? printForce(carries.upN, system) : 'carries nothing'}`;
              })
              .join('; ')}
          </p>
          <p className="caption">
            Standing weight and a fifth more (common practice, no source), against the allowable for lifting.
            What comes off before cutting is off.
          </p>
          <p className="caution mt-1">{CAUTIONS.lift}</p>
        </>
      )}
    </section>
  );
}
