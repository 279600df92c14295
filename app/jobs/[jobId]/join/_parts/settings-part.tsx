'use client';

import { useState } from 'react';
import { toast } from 'sonner';
import { stands, weldTotals } from '@/core/job';
import { consumed, startFrom, WELD_POSITIONS, type ArcAsked, type ScrapTest } from '@/core/join';
import {
  arcStart,
  cutStart,
  GASES,
  GOUGE,
  printSource,
  SETTINGS_SOURCE,
  THICKEST_CUT_MM,
  WIRES,
  type Gas,
  type Wire,
} from '@/core/reference';
import { lengthDigits, parseLengthMm, printLength, type UnitSystem } from '@/core/quantity';
import { Choice, Entry, Pick, When } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { ARC_WHY_WORDS, consumedWords, feedWords, speedWords } from '../../../../_words/settings';
import { useReader, useRecords, useStamp } from '../../../_desk';
import type { JoinDesk } from './use-join';

/** Where to begin on scrap, what held here before, cutting and gouging, and what it all takes. */
export function SettingsPart({ join }: { join: JoinDesk }) {
  const { file } = useRecords();
  const { system } = useReader();
  const thinnerMm = Math.min(
    join.member.shape.thicknessMm,
    ...(join.current?.repair.pieces.map(({ thicknessMm }) => thicknessMm) ?? []),
  );
  const [asked, setAsked] = useState<Omit<ArcAsked, 'thicknessMm'>>(() => ({
    wire: wireThatCarries(thinnerMm),
    gas: '75 Ar 25 CO2',
    position: 'vertical',
  }));
  const [text, setText] = useState(() => lengthDigits(thinnerMm, system, 'thickness'));
  useUnitTurn(system, (as) => setText(as(text)));
  const read = parseLengthMm(text, system);
  const isMetal = read.ok && read.value > 0.3 && read.value <= 25;
  const tests: readonly ScrapTest[] = [...(file.scrapTests ?? []), ...stands(file, 'scrap test')];
  return (
    <>
      <h2 className="text-2xl font-semibold">Where to begin, on scrap</h2>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        <Entry
          label="thinner part"
          unit={system}
          className="w-32"
          value={text}
          onChange={(event) => setText(event.target.value)}
          {...(!isMetal && { problem: read.ok ? 'no part is as thin or as thick as that' : read.reason })}
        />
        <Pick
          label="wire"
          value={asked.wire}
          options={WIRES}
          onPick={(wire) => setAsked({ ...asked, wire, gas: gasFor(wire, asked.gas) })}
          className="w-44"
        />
        <Pick
          label="gas"
          value={asked.gas}
          options={GASES}
          onPick={(gas) => setAsked({ ...asked, gas })}
          className="w-40"
        />
        <div>
          <p className="caption">position</p>
          <Choice
            label="Position of the arc"
            value={asked.position}
            options={WELD_POSITIONS}
            onChange={(position) => setAsked({ ...asked, position })}
          />
        </div>
      </div>
      {isMetal && <StartCard asked={{ ...asked, thicknessMm: read.value }} tests={tests} />}
      {isMetal && <CutCard thicknessMm={read.value} system={system} />}
      <Takes join={join} wire={asked.wire} gas={asked.gas} thinnerMm={isMetal ? read.value : thinnerMm} />
      <Tests tests={tests} />
    </>
  );
}

/** The thinnest solid wire that carries what the metal asks. */
const wireThatCarries = (thicknessMm: number): Wire =>
  WIRES.find((wire) => arcStart(thicknessMm, wire, '75 Ar 25 CO2', 'vertical').ok) ?? '0.035 solid';

/** A cored wire without gas has none; a solid one always has some. */
const gasFor = (wire: Wire, gas: Gas): Gas =>
  wire.endsWith('cored') ? 'none' : gas === 'none' ? '75 Ar 25 CO2' : gas;

function StartCard({ asked, tests }: { asked: ArcAsked; tests: readonly ScrapTest[] }) {
  const { system } = useReader();
  const { start, own, broke } = startFrom(asked, tests);
  return (
    <section aria-label="Settings to start from" className="mt-3 border-t border-rule pt-2">
      {start.ok ? (
        <p className="text-3xl font-semibold tabular-nums">
          {Math.round(start.amps)} A, {start.volts.toFixed(1)} V, {feedWords(start.feedMmS, system)}
        </p>
      ) : (
        <p className="text-xl font-semibold text-oxide">{ARC_WHY_WORDS[start.why]}.</p>
      )}
      <p>
        {own ? (
          <>
            This shop’s own: it held for {own.by}, <When at={own.at} />, on{' '}
            {printLength(own.thicknessMm, system, 'thickness')}.
          </>
        ) : (
          'A common start: nothing like it held here yet.'
        )}
        {broke.length > 0 && (
          <span className="font-semibold">
            {' '}
            Broke here: {broke.map(({ amps, volts }) => `${Math.round(amps)} A ${volts} V`).join(', ')}.
          </span>
        )}
      </p>
      <p className="caption">
        {printSource(SETTINGS_SOURCE)}. Thicker metal is filled in passes. Scrap test, the machine’s chart and
        a qualified procedure win.
      </p>
      <TestForm key={JSON.stringify([asked, own?.id])} asked={asked} />
    </section>
  );
}

function TestForm({ asked }: { asked: ArcAsked }) {
  const { file, keep } = useRecords();
  const stamp = useStamp();
  const { start } = startFrom(asked, [...(file.scrapTests ?? []), ...stands(file, 'scrap test')]);
  const [amps, setAmps] = useState(start.ok ? String(Math.round(start.amps)) : '');
  const [volts, setVolts] = useState(start.ok ? start.volts.toFixed(1) : '');
  const [problem, setProblem] = useState<string>();
  const tell = (held: boolean) => {
    const [a, v] = [Number(amps.replace(',', '.')), Number(volts.replace(',', '.'))];
    if (!(a > 0 && a <= 500 && v > 0 && v <= 50))
      return setProblem('amps up to 500 and volts up to 50, as figures; nothing was kept');
    setProblem(undefined);
    keep({ kind: 'scrap test', ...stamp(), ...asked, amps: a, volts: v, held, note: '' });
    toast.success(held ? 'Held: from now on this is where the shop begins' : 'Broke: noted, and said');
  };
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3" role="group" aria-label="A scrap test">
      <Entry
        label="tried at"
        unit="A"
        className="w-24"
        inputMode="decimal"
        value={amps}
        onChange={(event) => setAmps(event.target.value)}
      />
      <Entry
        label="and"
        unit="V"
        className="w-24"
        inputMode="decimal"
        value={volts}
        onChange={(event) => setVolts(event.target.value)}
      />
      <button type="button" className="plain" onClick={() => tell(true)}>
        Broken open: it held
      </button>
      <button type="button" className="plain" onClick={() => tell(false)}>
        It did not hold
      </button>
      {problem && (
        <p role="alert" className="w-full font-semibold text-oxide">
          {problem}
        </p>
      )}
    </div>
  );
}

function CutCard({ thicknessMm, system }: { thicknessMm: number; system: UnitSystem }) {
  const cut = cutStart(thicknessMm);
  const thick = (mm: number) => printLength(mm, system, 'thickness');
  return (
    <section aria-label="Cutting and gouging" className="mt-3">
      <h3 className="text-lg font-semibold">Cutting and gouging by plasma</h3>
      {cut ? (
        <p>
          Cut: {cut.amps} A, {speedWords(cut.mmPerS, system)}, tip {thick(cut.standOffMm)} off. Gouge:{' '}
          {Math.round(cut.amps * GOUGE.ampsShare)} A, {thick(GOUGE.standOffMm)} off, torch leant over{' '}
          {GOUGE.leanDeg}°, {thick(GOUGE.passDeepMm)} a pass. After gouging, grind to bright metal and read
          what is left.
        </p>
      ) : (
        <p>Thicker than {thick(THICKEST_CUT_MM)}: a torch of another class; its maker’s chart.</p>
      )}
      <p className="caption">Common practice, no source; the torch maker’s chart wins.</p>
    </section>
  );
}

function Takes({
  join: { ledger },
  wire,
  gas,
  thinnerMm,
}: {
  join: JoinDesk;
  wire: Wire;
  gas: Gas;
  thinnerMm: number;
}) {
  const { system } = useReader();
  const totals = weldTotals(ledger);
  const start = arcStart(thinnerMm, wire, gas, 'flat');
  if (!(totals.volumeMm3 > 0))
    return <p className="mt-3">Nothing is kept to be welded on this member yet: no wire, no gas.</p>;
  if (!start.ok) return null;
  const takes = consumed(totals, { wire, gas, feedMmS: start.feedMmS });
  return (
    <section aria-label="What it takes" className="mt-3">
      <h3 className="text-lg font-semibold">What this member’s seams take, with what is lost</h3>
      <p>
        {consumedWords(takes, system)}; arc on for {Math.ceil(takes.arcMinutes)} min.
      </p>
    </section>
  );
}

function Tests({ tests }: { tests: readonly ScrapTest[] }) {
  const { system } = useReader();
  if (tests.length === 0) return null;
  return (
    <section aria-label="Scrap tests" className="mt-3">
      <h3 className="text-lg font-semibold">Scrap tests, {tests.length}</h3>
      <ul className="ruled letters-16">
        {[...tests].reverse().map((test) => (
          <li key={test.id} className="py-1">
            <span className="font-semibold">{test.held ? 'held' : 'broke'}</span>:{' '}
            {printLength(test.thicknessMm, system, 'thickness')}, {test.wire}, {test.gas}, {test.position},{' '}
            {Math.round(test.amps)} A {test.volts} V; {test.by}, <When at={test.at} />
          </li>
        ))}
      </ul>
    </section>
  );
}
