'use client';

import { takeTicket as askScaleFor, newId } from '../../../../_client';
import { useState, type ReactNode } from 'react';
import {
  axlesOf,
  familyOf,
  payloadFromCoupler,
  payloadFromTicket,
  totalKg,
  sharesLoad,
  typicalLoads,
  type Frame,
  type Load,
  type ScaleTicket,
} from '@/core/frame';
import { readScaleTicket } from '@/core/exchange';
import { printMass, type Outcome, type UnitSystem } from '@/core/quantity';
import { useReader, useRecords } from '../../../_desk';
import { Choice, Settling, When } from '@/ui/controls';
import { LoadRow } from './load-row';
import { MassCell } from './mass-cell';

/** What the frame carries, from plain facts or from a scale ticket, which puts the payload where it really stands. */
export function LoadsForm({ frame, onFrame }: { frame: Frame; onFrame: (frame: Frame) => void }) {
  const { system } = useReader();
  const [problem, setProblem] = useState<string>();
  const items = frame.loads?.items ?? [];
  const off = frame.loads?.takenOff ?? [];
  const put = (next: readonly Load[], ticket = frame.loads?.ticket) =>
    onFrame({ ...frame, loads: { ...frame.loads, items: [...next], ...(ticket && { ticket }) } });
  /** Loads spread anew, or why they stay as they were. */
  const spread = (next: Outcome<readonly Load[]>, ticket?: ScaleTicket) => {
    setProblem(next.ok ? undefined : `${next.reason}. The loads are as they were.`);
    if (next.ok) put(next.value, ticket);
    return next.ok;
  };
  return (
    <section className="mt-5" aria-label="Loads">
      <LoadsHead frame={frame} onPut={put} onSpread={spread} onProblem={setProblem} />
      {problem && (
        <p role="alert" className="mt-2 border-l-[6px] border-oxide pl-3 font-semibold text-oxide">
          {problem}
        </p>
      )}
      {items.length === 0 && (
        <p className="pt-2">
          Nothing yet: only the frame’s own weight is on it. Say the gross weight in the Yard, or take a
          ticket.
        </p>
      )}
      {items.length > 0 && (
        <Settling of={String(items.length)}>
          <LoadsTable system={system}>
            {items.map((item) => (
              <LoadRow
                key={item.id}
                frame={frame}
                item={item}
                isOff={off.includes(item.id)}
                onChange={(to) => put(items.map((each) => (each.id === item.id ? to : each)))}
                onOff={(isOff) => onFrame(withTakenOff(frame, item.id, isOff))}
                onRemove={() => put(items.filter((other) => other.id !== item.id))}
              />
            ))}
          </LoadsTable>
        </Settling>
      )}
      {sharesLoad(frame) && <AxlesShare frame={frame} onFrame={onFrame} />}
      {items.length > 0 && frame.fittings.some((mark) => mark.kind === 'coupler') && (
        <TongueWeight system={system} onKg={(kg) => spread(payloadFromCoupler(frame, kg))} />
      )}
      {frame.loads?.ticket && <LastTicket frame={frame} ticket={frame.loads.ticket} system={system} />}
    </section>
  );
}

const withTakenOff = (frame: Frame, id: string, isOff: boolean): Frame => {
  const others = (frame.loads?.takenOff ?? []).filter((each) => each !== id);
  const items = frame.loads?.items ?? [];
  return { ...frame, loads: { ...frame.loads, items, takenOff: isOff ? [...others, id] : others } };
};

const newLoad = ({ lengthMm }: Frame): Load => ({
  id: newId(),
  kind: 'fittings',
  name: 'Fittings',
  massKg: 100,
  fromMm: lengthMm * 0.4,
  toMm: lengthMm * 0.6,
  leftShare: 0.5,
});

function LoadsHead({
  frame,
  onPut,
  onSpread,
  onProblem,
}: {
  frame: Frame;
  onPut: (items: readonly Load[]) => void;
  onSpread: (next: Outcome<readonly Load[]>, ticket?: ScaleTicket) => boolean;
  onProblem: (problem: string) => void;
}) {
  const { file } = useRecords();
  const { system, by } = useReader();
  const [isPasting, setPasting] = useState(false);
  const items = frame.loads?.items ?? [];
  const take = (read: Pick<ScaleTicket, 'axles' | 'couplerKg' | 'simulated'>) => {
    const ticket: ScaleTicket = { id: newId(), at: new Date().toISOString(), by, ...read };
    if (onSpread(payloadFromTicket(frame, ticket), ticket)) setPasting(false);
  };
  const askScale = async () => {
    const answer = await askScaleFor(file.job.id);
    if (answer.ok) take(answer.value);
    else onProblem(`${answer.problem.message}. ${answer.problem.kept}`);
  };
  const takePasted = (text: string) => {
    const read = readScaleTicket(text);
    if (read.ok) take(read.value);
    else onProblem(`${read.reason}. The loads are as they were.`);
  };
  const usual = () => typicalLoads(frame, file.grossMassKg ?? familyOf(frame.family).typical.grossKg);
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-2 border-b border-ink">
        <h2 className="text-lg font-semibold">
          What it carries{items.length > 0 && `: ${printMass(totalKg(frame), system)}`}
        </h2>
        <div className="flex flex-wrap gap-3">
          <Act onClick={() => onPut([...items, newLoad(frame)])}>Add a load</Act>
          {items.length === 0 && (
            <Act onClick={() => onPut(usual())}>Start with what this family usually carries</Act>
          )}
          <Act onClick={() => void askScale()}>Take the scale’s ticket (simulated)</Act>
          <Act onClick={() => setPasting(!isPasting)}>Paste a ticket</Act>
        </div>
      </div>
      {isPasting && <PasteTicket onRead={takePasted} />}
    </>
  );
}

const Act = ({ onClick, children }: { onClick: () => void; children: ReactNode }) => (
  <button type="button" className="hit underline" onClick={onClick}>
    {children}
  </button>
);

function PasteTicket({ onRead }: { onRead: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <div className="mt-2 grid max-w-xl gap-2">
      <label className="caption" htmlFor="ticket">
        Ticket, one stand a line: AXLE 1;LEFT 2310 kg;RIGHT 2290 kg
      </label>
      <textarea
        id="ticket"
        className="field h-24 py-2"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="button" className="plain justify-self-start" onClick={() => onRead(text)}>
        Read the ticket
      </button>
    </div>
  );
}

const LoadsTable = ({ system, children }: { system: UnitSystem; children: ReactNode }) => (
  <>
    <div className="relative overflow-x-auto">
      <table className="w-full min-w-[920px] letters-15">
        <thead>
          <tr className="caption text-left">
            {[
              'what',
              'name',
              `weight, ${system === 'in' ? 'lb' : 'kg'}`,
              `from station, ${system}`,
              `to station, ${system}`,
              `centre above ground, ${system}`,
              'on the left, %',
              'off before cutting',
              '',
            ].map((head) => (
              <th key={head} scope="col" className="pr-1 font-normal">
                {head || <span className="sr-only">remove</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
    <p className="caption pt-1">
      A height left empty counts as is usual for its kind (grey; common practice, no source): braking, corners
      and sloping ground act there. A body, house or cab has a floor that holds the rails square.
    </p>
  </>
);

const AxlesShare = ({ frame, onFrame }: { frame: Frame; onFrame: (frame: Frame) => void }) => (
  <div className="mt-2">
    <span className="caption block">Axles behind each other</span>
    <Choice
      label="Axles behind each other"
      value={frame.independentAxles ? 'each on its own' : 'share by an equaliser'}
      options={['share by an equaliser', 'each on its own']}
      onChange={(how) =>
        onFrame(how === 'each on its own' ? { ...frame, independentAxles: true } : sharing(frame))
      }
    />
  </div>
);

const TongueWeight = ({ system, onKg }: { system: UnitSystem; onKg: (kg: number) => void }) => (
  <div className="mt-2 w-72 max-w-full">
    <span className="caption block">
      Tongue or pin weight, if known, {system === 'in' ? 'lb' : 'kg'}: moves the payload
    </span>
    <MassCell
      label="Tongue or pin weight"
      massKg={undefined}
      system={system}
      mayBeEmpty
      onMass={(kg) => kg !== undefined && onKg(kg)}
    />
  </div>
);

function LastTicket({ frame, ticket, system }: { frame: Frame; ticket: ScaleTicket; system: UnitSystem }) {
  const axles = ticket.axles.map(
    (axle, k) =>
      `${axlesOf(frame)[k]?.name ?? `axle ${k + 1}`} ${printMass(axle.leftKg, system)} left, ${printMass(axle.rightKg, system)} right`,
  );
  return (
    <p className="caption pt-1">
      Last ticket{ticket.simulated && ' (simulated: nothing was weighed)'}, {ticket.by},{' '}
      <When at={ticket.at} only="day" />: {axles.join('; ')}
      {ticket.couplerKg !== undefined && `; coupler ${printMass(ticket.couplerKg, system)}`}. The payload
      stands where it says, as heavy as what it leaves once the frame’s own metal and the other lines are
      taken off; axles and wheels count with it.
    </p>
  );
}

const sharing = ({ independentAxles: _, ...frame }: Frame): Frame => frame;
