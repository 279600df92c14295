'use client';

import { useMemo } from 'react';
import { fittingWelds, stands } from '@/core/job';
import { cardSteps, retighten, wouldTell, type BoltSet, type Retighten, type Tightened } from '@/core/join';
import { hostsOf } from '@/core/frame';
import { percent, printForce, printLength, printLineForce, printTorque } from '@/core/quantity';
import { oversizeHoleMm, printSource, STACK_SOURCE } from '@/core/reference';
import { Settling } from '@/ui/controls';
import { findingWords } from '../../../../_words/findings';
import { RETIGHTEN_WORDS, stackWords } from '../../../../_words/bolts';
import { legWords } from '../../../../_words/seams';
import { RIVET_STEP_WORDS, RIVET_STEPS } from '../../../../_words/weld-cards';
import { useMember, useNow, useReader, useRecords, useStamp, useWork } from '../../../_desk';
import { BoltTable } from './bolt-table';
import type { JoinDesk } from './use-join';

/** Bolts of the repair with their stack and torque; what holds brackets here; rivets that come out. */
export function BoltsPart({ join }: { join: JoinDesk }) {
  const { current } = join;
  return (
    <>
      {current?.repair.bolts && (
        <>
          <BoltTable sets={current.joined.bolts} pieces={current.repair.pieces} />
          <section aria-label="Bolts tightened" className="mt-3">
            <h3 className="text-lg font-semibold">Stack, torque, and looked at again</h3>
            <ul className="ruled">
              {current.joined.bolts.map((set) => (
                <SetRow key={set.id} set={set} ofId={current.repair.id} isProposal={current.isProposal} />
              ))}
            </ul>
            <p className="caption">
              New locking nuts. Epoxy or primer on every face before it is closed: slip is then not counted
              on. {printSource(STACK_SOURCE)}.
            </p>
          </section>
        </>
      )}
      <Grades join={join} />
      <Brackets />
      <Rivets />
    </>
  );
}

function SetRow({ set, ofId, isProposal }: { set: BoltSet; ofId: string; isProposal: boolean }) {
  const { file, keep } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const stamp = useStamp();
  const now = useNow();
  const log: readonly Tightened[] = stands(file, 'tightened').filter(
    (each) => each.ofId === ofId && each.set === set.id,
  );
  const state = retighten(log, now);
  const { torqueNm } = set;
  const tell = (moved?: Tightened['moved']) =>
    torqueNm !== undefined &&
    keep({
      kind: 'tightened',
      ...stamp(),
      memberId: member.id,
      ofId,
      set: set.id,
      torqueNm,
      note: '',
      ...(moved !== undefined && { moved }),
    });
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1 letters-16">
      <span className="w-10 font-bold">{set.id}</span>
      <span className="grow">
        {stackWords(set, system)}
        {set.slipN !== undefined && `; bare faces slip at ${printForce(set.slipN, system)} a bolt`}
        <span className="caption block">
          A locating hole may be opened to Ø {printLength(oversizeHoleMm(set.diameterMm), system, 'length')}{' '}
          to line parts up: washer over it, and fixed once they are in line.
        </span>
      </span>
      <span className={state === 'look again' ? 'font-bold text-oxide' : ''}>{RETIGHTEN_WORDS[state]}</span>
      {!isProposal && <Tell set={set} state={state} log={log} now={now} onTell={tell} />}
    </li>
  );
}

/** What is said of a set next: brought to its torque, then looked at again; right after the wrench that none moved tells nothing. */
function Tell({
  set: { torqueNm },
  state,
  log,
  now,
  onTell,
}: {
  set: BoltSet;
  state: Retighten;
  log: readonly Tightened[];
  now: number;
  onTell: (moved?: Tightened['moved']) => void;
}) {
  const { system } = useReader();
  return (
    <Settling of={`${state} ${log.length}`} className="flex flex-wrap items-center gap-x-4 gap-y-1">
      {torqueNm !== undefined && state === 'not tightened' && (
        <button type="button" className="plain" onClick={() => onTell()}>
          Tightened to {printTorque(torqueNm, system)}
        </button>
      )}
      {(state === 'look again' || state === 'wait') && (
        <>
          <button
            type="button"
            className="plain"
            disabled={!wouldTell(log, now)}
            onClick={() => onTell('none')}
          >
            Again: none moved
          </button>
          <button type="button" className="plain" onClick={() => onTell('some')}>
            Again: some moved
          </button>
        </>
      )}
    </Settling>
  );
}

/** Bolts whose head marks were read: what grade was found, and where more is wanted. */
function Grades({ join: { work, file, member } }: { join: JoinDesk }) {
  const { system } = useReader();
  const read = stands(file, 'sign').filter(
    ({ memberId, detail }) =>
      memberId === member.id &&
      detail.sign === 'fastener' &&
      detail.is === 'bolt' &&
      detail.marks !== undefined,
  );
  const less = (work?.verdict.findings ?? []).filter(({ code }) => code === 'fastener-grade');
  if (read.length === 0) return null;
  return (
    <section aria-label="Grades" className="mt-3">
      <h3 className="text-lg font-semibold">Head marks read here: {read.length}</h3>
      <ul className="ruled letters-16">
        {less.map((finding, k) => {
          const { title, change } = findingWords(finding, system);
          return (
            <li key={k} className="py-1">
              <span className="font-semibold">{title}</span>: {change}
            </li>
          );
        })}
      </ul>
      {less.length === 0 && <p>None is of a lower grade than is wanted there.</p>}
    </section>
  );
}

/** Brackets welded here: their weld group as a line, under bump, brake and scrub. */
function Brackets() {
  const { file } = useRecords();
  const { system } = useReader();
  const picture = useWork().work?.picture;
  const { judged, unknown } = useMemo(
    () =>
      picture
        ? fittingWelds(file.frame, file.practice, picture, file.grossMassKg)
        : { judged: [], unknown: [] },
    [file.frame, file.practice, picture, file.grossMassKg],
  );
  if (judged.length + unknown.length === 0) return null;
  return (
    <section aria-label="Welded brackets" className="mt-3">
      <h3 className="text-lg font-semibold">Brackets welded here, their welds as a line</h3>
      <ul className="ruled letters-16">
        {judged.map((weld) => (
          <li key={weld.hostId} className="py-1">
            <span className="font-semibold">{weld.name}</span>, leg {legWords(weld.legMm, system)}:{' '}
            <span className={weld.use > 1 ? 'font-bold text-oxide' : ''}>uses {percent(weld.use)}</span> of{' '}
            {printLineForce(weld.strengthNPerMm, system)}{' '}
            <span className="caption">
              {weld.isAssumed && 'load assumed: the gross weight shared by its axles; '}
              {weld.wallMm < weld.madeMm - 0.01 &&
                `wall ${printLength(weld.wallMm, system, 'thickness')} of ${printLength(weld.madeMm, system, 'thickness')}, by what was found under it; `}
              {weld.asked.map(({ push, nPerMm }) => `${push} ${printLineForce(nPerMm, system)}`).join(', ')}
            </span>
          </li>
        ))}
        {unknown.map(({ hostId, name, lacks }) => (
          <li key={hostId} className="py-1">
            <span className="font-semibold">{name}</span>: not worked out,{' '}
            {lacks === 'metal under it'
              ? 'the metal under it is gone or cracked through.'
              : `${lacks} is not on record (Frame).`}
          </li>
        ))}
      </ul>
      <p className="caption">
        All round its own plate, wall as made or as found where that is less, elastic (Blodgett, welds as a
        line, from memory). Welds that are short or cracked are noted in Walk.
      </p>
    </section>
  );
}

/** What is riveted here: each with the card of how it comes out. */
function Rivets() {
  const { file } = useRecords();
  const { member } = useMember();
  const hosts = hostsOf(file.frame).filter(
    ({ attachedBy, spans }) =>
      attachedBy === 'rivets' && spans.some(({ memberId }) => memberId === member.id),
  );
  if (hosts.length === 0) return null;
  const clamps = stands(file, 'sign').flatMap(({ memberId, detail }) =>
    memberId === member.id && detail.sign === 'fastener' && detail.clamps ? [detail.clamps] : [],
  );
  return (
    <section aria-label="Rivets out" className="mt-3">
      <h3 className="text-lg font-semibold">Riveted here</h3>
      {clamps.length > 0 && <p>Recorded here as clamped by one fastener: {clamps.join('; ')}.</p>}
      {hosts.map(({ id, name }) => (
        <details key={id} className="border-t border-rule py-1">
          <summary className="hit flex cursor-pointer items-center font-semibold">{name}</summary>
          <RivetCard hostId={id} />
        </details>
      ))}
    </section>
  );
}

function RivetCard({ hostId }: { hostId: string }) {
  const { file, keep } = useRecords();
  const { member } = useMember();
  const stamp = useStamp();
  const done = stands(file, 'step').filter(({ ofId, card }) => ofId === hostId && card === 'rivets');
  const steps = cardSteps(RIVET_STEPS, done);
  const next = steps.find((each) => !each.done)?.step;
  return (
    <ol className="ruled">
      {steps.map(({ step, done: by }) => (
        <li key={step} className="flex flex-wrap items-center gap-3 py-1 letters-16">
          <span className="grow">{RIVET_STEP_WORDS[step]}</span>
          {by ? (
            <span className="caption">done: {by.by}</span>
          ) : (
            <button
              type="button"
              className="plain"
              disabled={step !== next}
              onClick={() =>
                keep({
                  kind: 'step',
                  ...stamp(),
                  memberId: member.id,
                  ofId: hostId,
                  card: 'rivets',
                  step,
                  note: '',
                })
              }
            >
              done
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}
