'use client';

import { useState } from 'react';
import { toast } from 'sonner';
import { ToggleGroup } from 'radix-ui';
import { hostOf, type Host } from '@/core/frame';
import { heldAtHost, stands } from '@/core/job';
import {
  checkFind,
  openFinds,
  partsOf,
  REMEDIES,
  statesOf,
  type FindIs,
  type FindPart,
  type FindState,
  type HotSpot,
  type OpenFind,
  type Way,
} from '@/core/walk';
import { Entry, When } from '@/ui/controls';
import { heldWords } from '../../../../_words/rail';
import { findStateWords, FIND_PART_WORDS, HOST_WORDS } from '../../../../_words/walk';
import { StrikeSheet, useReader, useRecords, useStamp } from '../../../_desk';
import { asksOf, NOTHING_TYPED, readFind, typedFor } from './find-form';

/** A bracket, joint, panel or closed space by itself: which part, and what it is. Two touches, and a size where one is asked for. */
export function AtTheHost({ spot, ways }: { spot: HotSpot; ways: readonly Way[] }) {
  const { file } = useRecords();
  const host = spot.host && hostOf(file.frame, spot.host.on, spot.host.id);
  if (!host) return null;
  return (
    <section className="mt-3 border-t border-rule pt-2" aria-label={`The ${HOST_WORDS[host.on]} itself`}>
      <p>
        <span className="caption">of the {HOST_WORDS[host.on]} itself</span>{' '}
        <span className="font-semibold">{host.name}</span>
        {host.attachedBy && <span className="caption"> held by {host.attachedBy}</span>}
        {host.carries.length > 0 && <span className="caption">; carries {host.carries.join(', ')}</span>}
      </p>
      <FindPad key={`${host.on} ${host.id}`} host={host} ways={ways} />
      <Standing host={host} />
    </section>
  );
}

function FindPad({ host, ways }: { host: Host; ways: readonly Way[] }) {
  const { file, keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [part, setPart] = useState<FindPart>();
  const [asked, setAsked] = useState<FindIs>();
  const take = (state: FindState) => {
    const find = { on: host.on, hostId: host.id, part: part!, state };
    const fits = checkFind(file.frame, find);
    if (!fits.ok) return void toast.error(fits.reason);
    const memberIds = [...new Set(host.spans.map(({ memberId }) => memberId))];
    keep({ kind: 'find', ...stamp(), title: host.name, memberIds, note: '', ...find });
    toast(`${host.name}: ${FIND_PART_WORDS[part!]} ${findStateWords(state, system)}`);
    setAsked(undefined);
  };
  const touch = (is: FindIs) => {
    if (asksOf(is)) return setAsked(asked === is ? undefined : is);
    const state = readFind(is, NOTHING_TYPED, system);
    if (state.ok) take(state.value);
  };
  return (
    <>
      <ToggleGroup.Root
        type="single"
        aria-label="Which part"
        value={part ?? ''}
        onValueChange={(next) => {
          setPart((next || undefined) as FindPart | undefined);
          setAsked(undefined);
        }}
        className="mt-1 flex flex-wrap"
      >
        {partsOf(host.on).map((each) => (
          <ToggleGroup.Item key={each} value={each} className="plain -ml-px px-2.5! first:ml-0">
            {FIND_PART_WORDS[each]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {part && <StatePad part={part} ways={ways} asked={asked} onTouch={touch} onTake={take} />}
      {part && asked && <Sizes key={`${part} ${asked}`} host={host} part={part} is={asked} onTake={take} />}
      {part && <PutRight host={host} onTake={take} />}
    </>
  );
}

/** One tap for each state a part can be in. */
function StatePad({
  part,
  ways,
  asked,
  onTouch,
  onTake,
}: {
  part: FindPart;
  ways: readonly Way[];
  asked: FindIs | undefined;
  onTouch: (is: FindIs) => void;
  onTake: (state: FindState) => void;
}) {
  return (
    <div className="mt-1.5 grid grid-cols-3 gap-1.5 sm:grid-cols-6" role="group" aria-label="What it is like">
      {part === 'inside' && (
        <button
          type="button"
          className="plain min-h-[52px]! px-1! letters-15 leading-tight"
          onClick={() => onTake({ is: 'packed', wet: false })}
        >
          packed, dry
        </button>
      )}
      {statesOf(part).map((is) => (
        <button
          key={is}
          type="button"
          aria-expanded={asksOf(is) ? asked === is : undefined}
          className="plain min-h-[52px]! px-1! letters-15 leading-tight font-semibold"
          onClick={() => onTouch(is)}
        >
          {is === 'packed' ? 'packed, wet' : is}
          {asksOf(is) && '…'}
        </button>
      ))}
      <button
        type="button"
        disabled={ways.length === 0}
        className="plain min-h-[52px]! px-1! letters-15 leading-tight"
        onClick={() => onTake({ is: 'sound', ways: [...ways] })}
      >
        nothing wrong
      </button>
    </div>
  );
}

/** The size a state asks for; what was made stands there already where the frame knows it. */
function Sizes({
  host,
  part,
  is,
  onTake,
}: {
  host: Host;
  part: FindPart;
  is: FindIs;
  onTake: (state: FindState) => void;
}) {
  const { system } = useReader();
  const [typed, setTyped] = useState(() => typedFor(host, part, system));
  const [problem, setProblem] = useState<string>();
  const asks = asksOf(is)!;
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const state = readFind(is, typed, system);
        if (!state.ok) return setProblem(state.reason);
        setProblem(undefined);
        onTake(state.value);
      }}
    >
      {asks.found && (
        <Entry
          label={asks.found.label}
          unit={system}
          className="w-32"
          inputMode="decimal"
          required={asks.found.must}
          autoFocus
          value={typed.found}
          onChange={(event) => setTyped({ ...typed, found: event.target.value })}
        />
      )}
      {asks.made && (
        <Entry
          label={asks.made}
          unit={system}
          className="w-32"
          inputMode="decimal"
          required
          value={typed.made}
          onChange={(event) => setTyped({ ...typed, made: event.target.value })}
        />
      )}
      <button type="submit" className="solid" formNoValidate>
        Keep: {FIND_PART_WORDS[part]} {is}
      </button>
      {problem && (
        <p role="alert" className="basis-full font-semibold text-oxide">
          {problem}
        </p>
      )}
    </form>
  );
}

function PutRight({ host, onTake }: { host: Host; onTake: (state: FindState) => void }) {
  const { file } = useRecords();
  const held = heldAtHost(file, host.on, host.id);
  return (
    <details className="mt-1">
      <summary className="flex min-h-[44px] cursor-pointer items-center underline">Put right since</summary>
      {held.length > 0 && <p className="font-semibold text-oxide">{heldWords(held)}.</p>}
      <div className="flex flex-wrap gap-1.5">
        {REMEDIES.map((done) => (
          <button
            key={done}
            type="button"
            className="plain"
            disabled={held.length > 0}
            onClick={() => onTake({ is: 'put right', done })}
          >
            {done}
          </button>
        ))}
      </div>
    </details>
  );
}

/** What stands against it, each to be struck by itself. */
function Standing({ host }: { host: Host }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [striking, setStriking] = useState<OpenFind>();
  const own = stands(file, 'find').filter((find) => find.on === host.on && find.hostId === host.id);
  const open = openFinds(own, file.practice.hand);
  const words = ({ find: { part, state }, grownMm }: OpenFind) =>
    `${FIND_PART_WORDS[part]} ${findStateWords(state, system, grownMm)}`;
  if (own.length === 0) return null;
  return (
    <>
      <ul className="ruled mt-1" aria-label="Found of it">
        {open.map((each) => (
          <li key={each.find.id} className="flex min-h-[44px] flex-wrap items-center gap-x-2">
            <span className={each.weight === 'failed' ? 'font-bold text-oxide' : 'font-semibold'}>
              {words(each)}
            </span>
            <span className="caption">
              {each.find.by} <When at={each.find.at} only="day" />
            </span>
            <button type="button" className="hit ml-auto px-2 underline" onClick={() => setStriking(each)}>
              strike
            </button>
          </li>
        ))}
        {open.length === 0 && <li>Nothing stands against it.</li>}
      </ul>
      <StrikeSheet
        struck={striking && { id: striking.find.id, words: `${host.name}: ${words(striking)}` }}
        onClose={() => setStriking(undefined)}
      />
    </>
  );
}
