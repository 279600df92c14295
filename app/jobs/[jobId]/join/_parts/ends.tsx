'use client';

import { plateEndsOf, type WorkedRepair } from '@/core/job';
import { percent, printForce, printLength } from '@/core/quantity';
import { endWords } from '../../../../_words/shape';
import { printStation } from '../../../../_words/station';
import { useMember, useReader, useWork } from '../../../_desk';
import type { JoinDesk } from './use-join';

/** What each end must bring into its plate against what holds it, and how the road tires it there. */
export function Ends({ worked, join: { member } }: { worked: WorkedRepair; join: JoinDesk }) {
  const { system } = useReader();
  const { ends } = worked.joined;
  const holds = worked.repair.bolts ? 'bolts' : 'welds';
  return (
    <section className="mt-3" aria-label="Ends">
      <h3 className="text-lg font-semibold">What the ends must take</h3>
      <ul className="ruled">
        {ends.map((end) => (
          <li key={`${end.pieceId}-${end.end}`} className="flex flex-wrap gap-x-6 py-1 letters-16">
            <span className="w-24 font-semibold">{end.end}</span>
            <span>plate at 0.67 Fy brings {printForce(end.forceN, system)}</span>
            <span>
              {holds} over {printLength(end.runMm, system, 'length')} take {printForce(end.capacityN, system)}
              {end.endShare !== undefined &&
                `; ${percent(end.endShare)} of the end weld lies on metal that can hold it`}
            </span>
            <span className={end.capacityN < end.forceN ? 'font-bold text-oxide' : 'text-good font-semibold'}>
              {end.capacityN < end.forceN ? 'too little' : 'enough'}
            </span>
          </li>
        ))}
      </ul>
      {ends.length === 0 && <p>Both ends lie at {member.name.toLowerCase()}’s own ends.</p>}
      <Fatigue worked={worked} />
    </section>
  );
}

function Fatigue({ worked }: { worked: WorkedRepair }) {
  const { system } = useReader();
  const { member } = useMember();
  const { demand } = useWork();
  const ends = plateEndsOf(demand, member.id, worked.repair);
  if (!ends)
    return <p className="caption">Fatigue at the ends: worked out once the frame carries its loads.</p>;
  return (
    <ul className="letters-16">
      {ends.map((end) => (
        <li key={end.stationMm}>
          {end.isJoint ? 'Joint at' : 'At'} {printStation(member, end.stationMm, system)}: {endWords(end)}.
        </li>
      ))}
    </ul>
  );
}
