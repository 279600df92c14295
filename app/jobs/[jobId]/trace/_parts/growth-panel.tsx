'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { randomLcg } from 'd3-random';
import { seedOf, stands, stressAtCrack } from '@/core/job';
import {
  kmToMiles,
  ksiToMpa,
  MM_PER_INCH,
  parseDistanceKm,
  printLength,
  printStress,
  significant,
} from '@/core/quantity';
import { TOUGHNESS_SOURCE, PARIS_SOURCE, printSource } from '@/core/reference';
import { foretell, type Crack, type CrackLook, type Easing, type Foretold, type Growth } from '@/core/trace';
import { Entry, Pick } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { CAUTIONS } from '../../../../_words/cautions';
import { LIMIT_WORDS, perUse, printUsed, WHY_NOT_WORDS } from '../../../../_words/trace';
import { useMember, useReader, useRecords, useWork } from '../../../_desk';
import { GrowthChart } from './growth-chart';
import { usePutRight } from './use-put-right';

const SHARES = ['1', '0.85', '0.7', '0.5'] as const;
type Share = (typeof SHARES)[number];
const shareWords = (as: string) => (share: Share) =>
  share === '1' ? as : `${Math.round(Number(share) * 100)} %`;

/** Trips typed in by somebody who wants to know before they go. */
const A_TRIP = { in: '100', mm: '160' } as const;

type Eased = Readonly<Record<keyof Easing, Share>>;

/** What is foretold with the stress of the model, or with one typed in its place, and what eases it from now on. */
function useForetold(crack: Crack, looks: readonly CrackLook[], typed: string, easing: Eased) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { demand } = useWork();
  const model = useMemo(() => stressAtCrack(file, demand, member, crack), [file, demand, member, crack]);
  const typedMpa = Number(typed) * (system === 'in' ? ksiToMpa(1) : 1);
  const isTyped = typed.trim() !== '' && typedMpa > 0;
  const asked = useDeferredValue(isTyped ? typedMpa : undefined);
  const growth = useMemo(() => {
    const { bumpG } = file.practice.loadFactors;
    const stress =
      asked === undefined
        ? model
        : { yieldMpa: model?.yieldMpa ?? 250, rangeMpa: asked, bumpMpa: bumpG * asked };
    const eased = { load: Number(easing.load), road: Number(easing.road), braced: Number(easing.braced) };
    const about = { looks, trips: stands(file, 'trip') };
    return foretell(member, crack, about, stress, { easing: eased, random: randomLcg(seedOf(crack.id)) });
  }, [member, crack, looks, file, model, asked, easing]);
  return { growth, model, isTyped };
}

function PutRightSince({ crack }: { crack: Crack }) {
  if (!usePutRight(crack)) return null;
  return (
    <p>
      <b>Put right since:</b> this is how it went on before. Found there again, it is recorded as a look at
      it.
    </p>
  );
}

/** How a crack goes on, and until when. */
export function GrowthPanel({ crack, looks }: { crack: Crack; looks: readonly CrackLook[] }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [typed, setTyped] = useState('');
  const [easing, setEasing] = useState<Eased>({ load: '1', road: '1', braced: '1' });
  const [trip, setTrip] = useState<string>(A_TRIP[system]);
  const [slot, setSlot] = useState('');
  useUnitTurn(system, (as) => setTrip(as(trip, 'distance')));
  const { growth, model, isTyped } = useForetold(crack, looks, typed, easing);
  const ease = (key: keyof Easing, label: string, as: string) => (
    <Pick
      label={label}
      value={easing[key]}
      options={SHARES}
      words={shareWords(as)}
      onPick={(share) => setEasing({ ...easing, [key]: share })}
    />
  );
  return (
    <section aria-label="How it goes on" className="mt-3 border-t border-rule pt-2">
      <h4 className="text-lg font-semibold">How it goes on</h4>
      <PutRightSince crack={crack} />
      <Answer growth={growth} trip={trip} slot={slot} />
      <div className="mt-2 grid grid-cols-2 items-start gap-2 sm:grid-cols-3 lg:grid-cols-6">
        <Entry
          label={`stress range, ${system === 'in' ? 'ksi' : 'MPa'}`}
          value={typed}
          placeholder={model ? `${printStress(model.rangeMpa, system)}, model` : 'not known'}
          {...(typed.trim() !== '' && !isTyped && { problem: 'a number above nothing' })}
          onChange={(event) => setTyped(event.target.value)}
        />
        {ease('load', 'load from now on', 'as it is')}
        {ease('road', 'bumps from now on', 'as they are')}
        {ease('braced', 'stress a brace leaves', 'no brace')}
        <Entry
          label={`a trip of, ${system === 'in' ? 'mi' : 'km'}`}
          value={trip}
          onChange={(event) => setTrip(event.target.value)}
        />
        <Entry
          label="repair slot"
          type="date"
          value={slot}
          onChange={(event) => setSlot(event.target.value)}
        />
      </div>
      {growth.ok && <GrowthChart foretold={growth.foretold} system={system} />}
      <p className="mt-2">
        <a className="plain inline-flex" href={selfCheckOf(file.job.id, crack.id, growth, system)}>
          Owner’s self-check sheet
        </a>{' '}
        <span className="caption">PDF; what comes back is recorded as a look, told</span>
      </p>
      <p className="caution mt-2">{CAUTIONS.foretold}</p>
    </section>
  );
}

/** With where to stop and how often to look, as far as that is foretold. */
function selfCheckOf(jobId: string, crackId: string, growth: Growth, system: 'in' | 'mm'): string {
  const about = new URLSearchParams({ crack: crackId, unit: system });
  if (growth.ok) {
    const { limit, crossing, basis, lookEvery } = growth.foretold;
    about.set('stop', String((crossing.kind === 'centre' ? 2 : 1) * limit.aMm));
    if (basis === 'km' && lookEvery > 0) about.set('every', String(lookEvery));
  }
  return `/api/jobs/${jobId}/self-check?${about.toString()}`;
}

function Answer({ growth, trip, slot }: { growth: Growth; trip: string; slot: string }) {
  const { system } = useReader();
  if (!growth.ok) {
    const [why, next] = WHY_NOT_WORDS[growth.why];
    return (
      <p className="letters-17">
        <span className="font-semibold">Can’t say: {why}.</span> {next}
      </p>
    );
  }
  return <Told foretold={growth.foretold} trip={trip} slot={slot} system={system} />;
}

function Told({
  foretold,
  trip,
  slot,
  system,
}: {
  foretold: Foretold;
  trip: string;
  slot: string;
  system: 'in' | 'mm';
}) {
  const { toLimit, basis, limit, crossing, lookEvery } = foretold;
  const used = (value: number) => printUsed(value, basis, system);
  const scale = crossing.kind === 'centre' ? 2 : 1;
  const length = (mm: number) => printLength(scale * mm, system, 'length');
  const where = crossing.kind === 'hole' ? 'from the hole’s edge' : 'across';
  const far = parseDistanceKm(trip, system);
  const after = far.ok && basis === 'km' ? foretold.lengthAfter(far.value) : undefined;
  const bySlot = atSlot(foretold, slot);
  return (
    <div className="letters-17">
      <p className="text-xl">
        To its limit:{' '}
        <span className="font-semibold">
          {used(toLimit.low)} to {Number.isFinite(toLimit.high) ? used(toLimit.high) : 'no end in sight'}
        </span>
        {Number.isFinite(toLimit.mid) && <span className="caption"> middle {used(toLimit.mid)}</span>}
      </p>
      <p>
        Stop at <span className="font-semibold">{length(limit.aMm)}</span> {where}: {LIMIT_WORDS[limit.why]}.
        Look again every <span className="font-semibold">{used(lookEvery)}</span>.
      </p>
      {after && (
        <p>
          After that trip <span className="font-semibold">{length(after.low)}</span> to{' '}
          <span className="font-semibold">{length(after.high)}</span> {where}
          {after.high >= limit.aMm && (
            <span className="font-semibold text-oxide">; it may reach its limit on the way</span>
          )}
          .
        </p>
      )}
      {bySlot && (
        <p>
          By then, used as it was between the looks ({used(bySlot.used)}):{' '}
          <span className="font-semibold">{length(bySlot.low)}</span> to{' '}
          <span className="font-semibold">{length(bySlot.high)}</span> {where}
          {bySlot.high >= limit.aMm && (
            <span className="font-semibold text-oxide">; it may reach its limit before</span>
          )}
          .
        </p>
      )}
      <Pace foretold={foretold} system={system} />
    </div>
  );
}

/** How fast it grew, and what by the law would drive it so. */
function Pace({ foretold, system }: { foretold: Foretold; system: 'in' | 'mm' }) {
  const { basis, crossing, deltaK, pace, isGrowing, swings } = foretold;
  const scale = crossing.kind === 'centre' ? 2 : 1;
  const since = sinceLastLook(foretold);
  const k = (value: number) =>
    system === 'in'
      ? `${(value / (ksiToMpa(1) * Math.sqrt(MM_PER_INCH))).toFixed(1)} ksi√in`
      : `${(value / Math.sqrt(1000)).toFixed(1)} MPa√m`;
  const { per, words: perWords } = perUse(basis, system);
  const swingsPer = (each: number) =>
    significant(basis === 'km' && system === 'in' ? each / kmToMiles(1) : each, 2);
  return (
    <p className="caption">
      {isGrowing
        ? `Grew ${printLength(scale * pace * per, system, 'thickness')} per ${perWords} so far${since ? `, ${printLength(scale * since.mm, system, 'thickness')} between the last two looks` : ''}.`
        : 'No growth seen beyond what looks can tell apart; the range allows for what they may have missed.'}{' '}
      ΔK {k(deltaK[0])} to {k(deltaK[1])}, nominal; that pace takes {swingsPer(swings[1])} to{' '}
      {swingsPer(swings[0])} such swings a {basis === 'km' ? (system === 'in' ? 'mile' : 'km') : 'hour'} by
      the law; a road gives some tens to some hundreds (ours), more makes stress or looks doubtful.{' '}
      {printSource(PARIS_SOURCE)}; {printSource(TOUGHNESS_SOURCE)}.
    </p>
  );
}

/** What the last two looks with a distance say by themselves. */
function sinceLastLook({ seen }: Foretold): { readonly mm: number } | undefined {
  const read = seen.filter(({ seenBy, used }) => seenBy !== 'told' && used !== undefined);
  const [before, last] = read.slice(-2);
  return before && last && read.length > 2 ? { mm: last.aMm - before.aMm } : undefined;
}

const DAY_MS = 86_400_000;

/** Its length at a day to come, were it used as much a day as between the first look and the last. */
function atSlot(foretold: Foretold, slot: string) {
  const read = foretold.seen.filter(({ seenBy, used }) => seenBy !== 'told' && used !== undefined);
  const [first, last] = [read[0], read[read.length - 1]];
  const days = first && last ? (Date.parse(last.at) - Date.parse(first.at)) / DAY_MS : 0;
  const ahead = last && slot ? (Date.parse(slot) - Date.parse(last.at)) / DAY_MS : 0;
  if (!first || !last || !(days > 0) || !(ahead > 0)) return undefined;
  const used = ((last.used! - first.used!) / days) * ahead;
  return { used, ...foretold.lengthAfter(used) };
}
