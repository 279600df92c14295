'use client';

import { Link } from '@/app/_parts/link';
import { useState } from 'react';
import type { JobOrder } from '@/core/job';
import { isOpen, type Gate } from '@/core/order';
import { When } from '@/ui/controls';
import { GATE_LINKS, GATE_OPENERS, GATE_WORDS, lackWords, taskWords } from '../../../../_words/order';
import { useReader, useRecords } from '../../../_desk';
import { AirForm, WallForm } from './air-form';
import { ForceForm } from './force-form';
import { PermitPart } from './permit-part';

/** Every gate of the plan: what it lacks, who opens it, and the form that does where it is opened here. */
export function GatesPart({ order }: { order: JobOrder }) {
  const shut = order.gates.filter((gate) => !isOpen(gate));
  const open = order.gates.filter((gate) => isOpen(gate));
  return (
    <section aria-label="Gates">
      <h2 className="text-2xl font-semibold">
        {order.gates.length === 0
          ? 'No gate yet: nothing is decided'
          : shut.length === 0
            ? 'Every gate is open'
            : `${shut.length} shut, ${open.length} open`}
      </h2>
      <ul className="ruled mt-1">
        {[...shut, ...open].map((gate) => (
          <GateRow key={`${gate.gate} ${gate.of}`} gate={gate} order={order} />
        ))}
      </ul>
    </section>
  );
}

const low = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** Which of its tasks is next tells one gate from another of its kind. */
const ofWords = ({ gate, name, zoneId }: Gate): string =>
  gate === 'raise'
    ? ''
    : zoneId === name
      ? `, zone ${zoneId}`
      : `, ${name.toLowerCase()}${zoneId ? `, zone ${zoneId}` : ''}`;

function GateRow({ gate, order }: { gate: Gate; order: JobOrder }) {
  const { file } = useRecords();
  const [isForcing, setForcing] = useState(false);
  const [shown, setShown] = useState(false);
  const link = GATE_LINKS[gate.gate];
  const stands = isOpen(gate);
  return (
    <li className="py-2" aria-label={`${GATE_WORDS[gate.gate]}${ofWords(gate)}`}>
      <GateStands gate={gate} order={order} />
      <div className="flex flex-wrap gap-2 pl-4 pt-1">
        {link && !stands && (
          <Link className="plain" href={`/jobs/${file.job.id}/${link.to}`}>
            {link.words}
          </Link>
        )}
        {(gate.gate === 'coat' || gate.gate === 'cool' || gate.gate === 'hot work') && (
          <button type="button" className="plain" aria-expanded={shown} onClick={() => setShown(!shown)}>
            {gate.gate === 'coat' ? 'Air and steel' : gate.gate === 'cool' ? 'Measured' : 'Permit'}
          </button>
        )}
        {gate.gate === 'owner' && (
          <Link className="plain" href={`/jobs/${file.job.id}/order?part=found`}>
            More found
          </Link>
        )}
        {gate.mayBeForced && !stands && (
          <button type="button" className="hit px-2 underline" onClick={() => setForcing(true)}>
            pass it all the same
          </button>
        )}
      </div>
      {shown && gate.gate === 'coat' && <AirForm gate={gate} onClose={() => setShown(false)} />}
      {shown && gate.gate === 'cool' && <WallForm gate={gate} onClose={() => setShown(false)} />}
      {shown && gate.gate === 'hot work' && (
        <PermitPart gate={gate} order={order} onClose={() => setShown(false)} />
      )}
      {isForcing && <ForceForm gate={gate} onClose={() => setForcing(false)} />}
    </li>
  );
}

/** Whether a gate is open or passed, what it lacks, who opens it, and what waits before it. */
function GateStands({ gate, order }: { gate: Gate; order: JobOrder }) {
  const { system } = useReader();
  const held = order.progress.filter(({ task }) => gate.holds.includes(task.id));
  const stands = isOpen(gate);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <Bar isOpen={stands} />
        <h3 className="text-lg font-semibold">
          {GATE_WORDS[gate.gate]}
          {ofWords(gate)}
        </h3>
        <span className={stands ? '' : 'font-semibold text-oxide'}>
          {gate.forced ? 'passed against what it lacks' : stands ? 'open' : 'shut'}
        </span>
      </div>
      {gate.lacks.length > 0 && (
        <ul className="list-disc pl-9">
          {gate.lacks.map((lack) => {
            const words = lackWords(lack, system);
            return <li key={words}>{words}</li>;
          })}
        </ul>
      )}
      {gate.forced && (
        <p className="pl-4 font-semibold text-oxide">
          Passed by {gate.forced.by} and {gate.forced.second}, <When at={gate.forced.at} />:{' '}
          {gate.forced.note}
        </p>
      )}
      <p className="caption pl-4">
        {!stands && `Opens: ${GATE_OPENERS[gate.gate]}. `}
        {held.length > 0 &&
          `Before: ${held
            .slice(0, 2)
            .map(({ task }) => low(taskWords(task)))
            .join('; ')}${held.length > 2 ? ` and ${held.length - 2} more` : ''}.`}
        {!gate.mayBeForced && !stands && ' Nobody signs past it.'}
      </p>
    </>
  );
}

/** Two posts with a bar across, or without: shut or open, whatever the colours. */
function Bar({ isOpen: open }: { isOpen: boolean }) {
  return (
    <svg width={26} height={18} viewBox="0 0 26 18" aria-hidden className="self-center">
      <path d="M3 1v16M23 1v16" stroke="var(--ink)" strokeWidth={3} fill="none" />
      {open ? (
        <path d="M3 3 13 1" stroke="var(--ink)" strokeWidth={2.4} fill="none" />
      ) : (
        <path d="M3 9h20" stroke="var(--oxide)" strokeWidth={4} fill="none" />
      )}
    </svg>
  );
}
