'use client';

import { takeTicket as askScaleFor, newId } from '../../../../_client';
import { useState } from 'react';
import {
  axlesOf,
  familyOf,
  LOAD_KINDS,
  payloadFromCoupler,
  payloadFromTicket,
  totalKg,
  sharesLoad,
  typicalLoads,
  usualHeightMm,
  type Frame,
  type Load,
  type ScaleTicket,
} from '@/core/frame';
import { readScaleTicket } from '@/core/exchange';
import { kgToPounds, parseMassKg, printMass, type UnitSystem } from '@/core/quantity';
import { useReader, useRecords } from '../../../_desk';
import { LengthCell } from './length-cell';
import { useUnitTurn } from '../../../../_parts/turned';
import { Choice, PickCell, When } from '@/ui/controls';

/** What the frame carries, from plain facts or from a scale ticket, which puts the payload where it really stands. */
export function LoadsForm({ frame, onFrame }: { frame: Frame; onFrame: (frame: Frame) => void }) {
  const { file } = useRecords();
  const { system, by } = useReader();
  const [problem, setProblem] = useState<string>();
  const [pasted, setPasted] = useState<string>();
  const items = frame.loads?.items ?? [];
  const put = (next: readonly Load[], ticket = frame.loads?.ticket) =>
    onFrame({ ...frame, loads: { ...frame.loads, items: [...next], ...(ticket && { ticket }) } });
  const change = (id: string, to: Partial<Load>) =>
    put(items.map((item) => (item.id === id ? { ...item, ...to } : item)));
  const off = new Set(frame.loads?.takenOff ?? []);

  const takeTicket = (read: Pick<ScaleTicket, 'axles' | 'couplerKg' | 'simulated'>) => {
    const ticket: ScaleTicket = { id: newId(), at: new Date().toISOString(), by, ...read };
    const spread = payloadFromTicket(frame, ticket);
    if (!spread.ok) return setProblem(`${spread.reason}. The loads are as they were.`);
    setProblem(undefined);
    setPasted(undefined);
    put(spread.value, ticket);
  };
  const askScale = async () => {
    const answer = await askScaleFor(file.job.id);
    if (answer.ok) takeTicket(answer.value);
    else setProblem(`${answer.problem.message}. ${answer.problem.kept}`);
  };
  const takePasted = () => {
    const read = readScaleTicket(pasted ?? '');
    if (read.ok) takeTicket(read.value);
    else setProblem(`${read.reason}. The loads are as they were.`);
  };

  return (
    <section className="mt-5" aria-label="Loads">
      <div className="flex flex-wrap items-center justify-between gap-2 border-b border-ink">
        <h2 className="text-lg font-semibold">
          What it carries{items.length > 0 && `: ${printMass(totalKg(frame), system)}`}
        </h2>
        <div className="flex flex-wrap gap-3">
          <button
            type="button"
            className="hit underline"
            onClick={() =>
              put([
                ...items,
                {
                  id: newId(),
                  kind: 'fittings',
                  name: 'Fittings',
                  massKg: 100,
                  fromMm: frame.lengthMm * 0.4,
                  toMm: frame.lengthMm * 0.6,
                  leftShare: 0.5,
                },
              ])
            }
          >
            Add a load
          </button>
          {items.length === 0 && (
            <button
              type="button"
              className="hit underline"
              onClick={() =>
                put(typicalLoads(frame, file.grossMassKg ?? familyOf(frame.family).typical.grossKg))
              }
            >
              Start with what this family usually carries
            </button>
          )}
          <button type="button" className="hit underline" onClick={() => void askScale()}>
            Take the scale’s ticket (simulated)
          </button>
          <button
            type="button"
            className="hit underline"
            onClick={() => setPasted(pasted === undefined ? '' : undefined)}
          >
            Paste a ticket
          </button>
        </div>
      </div>
      {problem && (
        <p role="alert" className="mt-2 border-l-[6px] border-oxide pl-3 font-semibold text-oxide">
          {problem}
        </p>
      )}
      {pasted !== undefined && (
        <div className="mt-2 grid max-w-xl gap-2">
          <label className="caption" htmlFor="ticket">
            Ticket, one stand a line: AXLE 1;LEFT 2310 kg;RIGHT 2290 kg
          </label>
          <textarea
            id="ticket"
            className="field h-24 py-2"
            value={pasted}
            onChange={(event) => setPasted(event.target.value)}
          />
          <button type="button" className="plain justify-self-start" onClick={takePasted}>
            Read the ticket
          </button>
        </div>
      )}
      {items.length === 0 && (
        <p className="pt-2">
          Nothing yet: only the frame’s own weight is on it. Say the gross weight in the Yard, or take a
          ticket.
        </p>
      )}
      {items.length > 0 && (
        <div className="relative overflow-x-auto">
          <table className="w-full min-w-[920px] text-[15px]">
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
            <tbody>
              {items.map((item) => (
                <tr key={item.id}>
                  <td className="min-w-[112px] py-0.5 pr-1">
                    <PickCell
                      label={`${item.name} kind`}
                      value={item.kind}
                      options={LOAD_KINDS}
                      onPick={(chosen) => change(item.id, { kind: chosen })}
                    />
                  </td>
                  <td className="pr-1">
                    <input
                      aria-label="Load name"
                      className="field"
                      value={item.name}
                      maxLength={60}
                      onChange={(event) => change(item.id, { name: event.target.value })}
                    />
                  </td>
                  <td className="pr-1">
                    <MassCell
                      label={`${item.name} weight`}
                      massKg={item.massKg}
                      system={system}
                      onMass={(massKg) => massKg !== undefined && change(item.id, { massKg })}
                    />
                  </td>
                  <td className="pr-1">
                    <LengthCell
                      label={`${item.name} from`}
                      valueMm={item.fromMm}
                      kind="length"
                      onLength={(fromMm) => change(item.id, { fromMm })}
                    />
                  </td>
                  <td className="pr-1">
                    <LengthCell
                      label={`${item.name} to`}
                      valueMm={item.toMm}
                      kind="length"
                      onLength={(toMm) => change(item.id, { toMm })}
                    />
                  </td>
                  <td className="pr-1">
                    <LengthCell
                      label={`${item.name} height of its centre above ground`}
                      valueMm={item.heightMm}
                      usualMm={usualHeightMm(frame, item.kind)}
                      kind="length"
                      onLength={(heightMm) => change(item.id, { heightMm })}
                      onNone={() => put(items.map((each) => (each.id === item.id ? unsaid(each) : each)))}
                    />
                  </td>
                  <td className="pr-1">
                    <input
                      aria-label={`${item.name} left share`}
                      className="field"
                      inputMode="numeric"
                      value={Math.round(item.leftShare * 100)}
                      onChange={(event) =>
                        change(item.id, {
                          leftShare:
                            Math.min(100, Math.max(0, Number(event.target.value.replace(/\D/g, '')))) / 100,
                        })
                      }
                    />
                  </td>
                  <td className="text-center">
                    <label className="hit inline-flex items-center justify-center">
                      <input
                        type="checkbox"
                        className="size-6"
                        aria-label={`${item.name} is taken off before cutting`}
                        checked={off.has(item.id)}
                        onChange={(event) =>
                          onFrame({
                            ...frame,
                            loads: {
                              ...frame.loads,
                              items,
                              takenOff: event.target.checked
                                ? [...off, item.id]
                                : [...off].filter((id) => id !== item.id),
                            },
                          })
                        }
                      />
                    </label>
                  </td>
                  <td>
                    <button
                      type="button"
                      className="hit underline"
                      aria-label={`Remove ${item.name}`}
                      onClick={() => put(items.filter((other) => other.id !== item.id))}
                    >
                      remove
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {items.length > 0 && (
        <p className="caption pt-1">
          A height left empty counts as is usual for its kind (grey; common practice, no source): braking,
          corners and sloping ground act there. A body, house or cab has a floor that holds the rails square.
        </p>
      )}
      {sharesLoad(frame) && (
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
      )}
      {items.length > 0 && frame.fittings.some((mark) => mark.kind === 'coupler') && (
        <div className="mt-2 w-72">
          <span className="caption block">
            Tongue or pin weight, if known, {system === 'in' ? 'lb' : 'kg'}: moves the payload
          </span>
          <MassCell
            label="Tongue or pin weight"
            massKg={undefined}
            system={system}
            mayBeEmpty
            onMass={(kg) => {
              if (kg === undefined) return;
              const spread = payloadFromCoupler(frame, kg);
              setProblem(spread.ok ? undefined : `${spread.reason}. The loads are as they were.`);
              if (spread.ok) put(spread.value);
            }}
          />
        </div>
      )}
      {frame.loads?.ticket && (
        <p className="caption pt-1">
          Last ticket{frame.loads.ticket.simulated && ' (simulated: nothing was weighed)'},{' '}
          {frame.loads.ticket.by}, <When at={frame.loads.ticket.at} only="day" />:{' '}
          {frame.loads.ticket.axles
            .map(
              (axle, k) =>
                `${axlesOf(frame)[k]?.name ?? `axle ${k + 1}`} ${printMass(axle.leftKg, system)} left, ${printMass(axle.rightKg, system)} right`,
            )
            .join('; ')}
          {frame.loads.ticket.couplerKg !== undefined &&
            `; coupler ${printMass(frame.loads.ticket.couplerKg, system)}`}
          . The payload stands where it says, as heavy as what it leaves once the frame’s own metal and the
          other lines are taken off; axles and wheels count with it.
        </p>
      )}
    </section>
  );
}

const sharing = ({ independentAxles: _, ...frame }: Frame): Frame => frame;

/** A load whose height nobody has said: it counts as usual for its kind. */
const unsaid = ({ heightMm: _, ...load }: Load): Load => load;

/** A weight in a table; what cannot be read is said and the old one stays. */
export function MassCell({
  label,
  massKg,
  system,
  onMass,
  mayBeEmpty = false,
}: {
  label: string;
  massKg: number | undefined;
  system: UnitSystem;
  onMass: (kg: number | undefined) => void;
  mayBeEmpty?: boolean;
}) {
  const shown =
    massKg === undefined ? '' : Math.round(system === 'in' ? kgToPounds(massKg) : massKg).toString();
  const [typed, setTyped] = useState<string>();
  useUnitTurn(system, (as) => setTyped(typed === undefined ? undefined : as(typed, 'weight')));
  const [problem, setProblem] = useState<string>();
  const take = () => {
    if (typed === undefined || typed === shown) return setTyped(undefined);
    if (mayBeEmpty && typed.trim() === '') {
      setTyped(undefined);
      setProblem(undefined);
      return onMass(undefined);
    }
    const mass = parseMassKg(typed, system);
    if (!mass.ok) return setProblem(mass.reason);
    setProblem(undefined);
    setTyped(undefined);
    onMass(mass.value);
  };
  return (
    <>
      <input
        aria-label={label}
        className="field"
        aria-invalid={problem ? true : undefined}
        value={typed ?? shown}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
      {problem && (
        <span role="alert" className="block text-sm font-medium text-oxide">
          {problem}
        </span>
      )}
    </>
  );
}
