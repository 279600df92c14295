'use client';

import { Link } from '@/app/_parts/link';
import { memberOf, standName } from '@/core/frame';
import type { JobDemand } from '@/core/job';
import { printForce, printLength, type UnitSystem } from '@/core/quantity';
import type { StateId } from '@/core/shape';
import { CAUTIONS } from '../../../../_words/cautions';
import { unsolvedWords } from '../../../../_words/demand';
import { printStation } from '../../../../_words/station';
import { useRecords } from '../../../_desk';
import { ON_STANDS, Used } from './demand-states';

type Asked = NonNullable<JobDemand[keyof JobDemand]>;
interface OfStates {
  readonly states: readonly { readonly state: StateId; readonly asked: Asked }[];
  readonly system: UnitSystem;
}

/** Cut open and tacked, apart from the road: on its stands, with what comes off before off, and a fifth more. */
export function WhileCut({ demand, system }: { demand: JobDemand; system: UnitSystem }) {
  const states = ON_STANDS.flatMap((state) => {
    const asked = demand[state];
    return asked ? [{ state, asked }] : [];
  });
  if (states.length === 0) return null;
  const unsaid = states[0]!.asked.unsolved.find(({ id }) => id === 'on stands');
  return (
    <section aria-label="While it is cut" className="mt-4 border-t border-rule pt-2">
      <h3 className="font-semibold">While it is cut: on its stands, not on the road</h3>
      {unsaid ? (
        <Unsaid why={unsaid.why} system={system} />
      ) : (
        <>
          <OnStands states={states} system={system} />
          <StandsCarry states={states} system={system} />
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

/** Why nothing is said of it: no stands yet, or it would tip on them. */
function Unsaid({ why, system }: { why: Asked['unsolved'][number]['why']; system: UnitSystem }) {
  const { file } = useRecords();
  const tips = why.kind === 'tips';
  return (
    <p {...(tips && { role: 'alert', className: 'border-l-[6px] border-oxide pl-3' })}>
      {tips ? 'It would tip on these stands' : 'Not worked out'}: {unsolvedWords(why, system)}.{' '}
      <Link className="hit inline-flex items-center underline" href={`/jobs/${file.job.id}/frame#stands`}>
        Say where the stands are, in Frame
      </Link>
    </p>
  );
}

const OnStands = ({ states, system }: OfStates) => (
  <table className="w-full max-w-2xl letters-15" aria-label="On its stands">
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
      {states.map(({ state, asked }) => (
        <tr key={state}>
          <th scope="row" className="text-left font-normal">
            {state}
          </th>
          <Worst asked={asked} system={system} />
        </tr>
      ))}
    </tbody>
  </table>
);

function Worst({ asked: { members, unsolved }, system }: { asked: Asked; system: UnitSystem }) {
  const { frame } = useRecords().file;
  const [most] = members
    .flatMap(({ memberId, worst }) => (worst ? [{ memberId, worst }] : []))
    .sort((a, b) => b.worst.utilisation - a.worst.utilisation);
  const member = most && memberOf(frame, most.memberId);
  if (!member) return <td colSpan={3}>{unsolvedWords(unsolved[0]!.why, system)}</td>;
  return (
    <>
      <td>
        {member.name}, {printStation(member, most.worst.stationMm, system)}
      </td>
      <Used here={most.worst} />
      <td>{most.worst.why}</td>
    </>
  );
}

function StandsCarry({ states, system }: OfStates) {
  const { loads } = useRecords().file.frame;
  const words = (loads?.stands ?? []).map(({ id, side, stationMm }) => {
    const carries = states[0]!.asked.stands?.find(({ stand }) => standName(stand) === id);
    const where = `${side} stand at ${printLength(stationMm, system, 'length')}`;
    return `${where}: ${carries ? printForce(carries.upN, system) : 'carries nothing'}`;
  });
  return <p>{words.join('; ')}</p>;
}
