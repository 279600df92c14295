'use client';

import { useState } from 'react';
import { heldSeams, seamSpot, type LedgerSeam } from '@/core/job';
import { DEFECTS, DYES, type Defect, type SeamLog, type SeamStands } from '@/core/join';
import { printLength } from '@/core/quantity';
import { Choice, Entry, When } from '@/ui/controls';
import { SEAM_TYPE_WORDS } from '../../../../_words/seams';
import { STANDS_WORDS } from '../../../../_words/rail';
import { PhotoButton, useReader, useRecords, useStamp } from '../../../_desk';
import type { JoinDesk } from './use-join';

/** Who laid each seam, with what, what was seen since; and what may not be covered yet. */
export function LogPart({ join: { ledger, file, current } }: { join: JoinDesk }) {
  const { system } = useReader();
  const [open, setOpen] = useState<string>();
  const held = heldSeams(ledger);
  return (
    <section aria-label="Log of seams" className="mt-3">
      <h2 className="text-2xl font-semibold">
        {ledger.length === 0
          ? 'No seam is decided here yet'
          : held.length === 0
            ? 'Every seam looked at and photographed: it may be covered'
            : `Nothing is laid over these yet: ${held.length} of ${ledger.length}`}
      </h2>
      {ledger.length === 0 && (
        <p>
          {current?.isProposal
            ? 'What the engine proposes is no seam yet: take it over in Shape or Join, then it stands here.'
            : 'Plates and works are drawn in Shape.'}
        </p>
      )}
      {held.length > 0 && <p>No coat, no plate, no skin over a seam without its look and its photo.</p>}
      <p className="mt-1">
        {current && !current.isProposal && current.joined.lines.length > 0 && (
          <a
            className="plain"
            download
            href={`/api/jobs/${file.job.id}/weld-sheets/${current.repair.id}?unit=${system}`}
          >
            Weld sheet, PDF
          </a>
        )}
      </p>
      <ul className="ruled mt-2">
        {ledger.map((seam) => {
          const key = `${seam.ofId} ${seam.seam}`;
          return (
            <SeamRow
              key={key}
              seam={seam}
              isOpen={open === key}
              onOpen={() => setOpen(open === key ? undefined : key)}
            />
          );
        })}
      </ul>
    </section>
  );
}

/** A look is of a seam that is laid right along. */
const MAY_BE_LOOKED_AT: ReadonlySet<SeamStands> = new Set<SeamStands>([
  'changed',
  'not looked at',
  'defect',
  'no photo',
  'good',
]);

function SeamRow({ seam, isOpen, onOpen }: { seam: LedgerSeam; isOpen: boolean; onOpen: () => void }) {
  const { system } = useReader();
  const isGood = seam.stands === 'good';
  const isBad = seam.stands === 'defect';
  return (
    <li className="py-1">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <button
          type="button"
          className="hit w-16 text-left text-lg font-bold underline"
          aria-expanded={isOpen}
          onClick={onOpen}
        >
          {seam.mark}
        </button>
        <span className="min-w-[180px] grow">
          {seam.line?.place ?? seam.workSeam?.what ?? 'crack, groove'}
          <span className="caption">
            {' '}
            {SEAM_TYPE_WORDS[seam.type]}, {printLength(seam.lengthMm, system, 'length')}
            {seam.laid && `; ${seam.laid.runs} of ${seam.laid.of} runs laid`}
          </span>
        </span>
        <span
          className={isBad ? 'font-bold text-oxide' : isGood ? 'text-good font-semibold' : 'font-semibold'}
        >
          {STANDS_WORDS[seam.stands]}
          {seam.leftOpen && `: ${seam.leftOpen}`}
        </span>
        <PhotoButton
          caption={`Seam ${seam.mark}`}
          moment="after"
          label={seam.photos.length ? `Photo (${seam.photos.length})` : 'Photo'}
          memberId={seam.memberId}
          spotId={seamSpot(seam.ofId, seam.seam)}
          {...(seam.line && { stationMm: (seam.line.fromMm + seam.line.toMm) / 2, face: seam.line.face })}
        />
      </div>
      {isOpen && (
        <div className="ml-2 border-l-2 border-rule pl-3">
          <Entries log={seam.log} />
          <WeldedForm seam={seam} />
          {MAY_BE_LOOKED_AT.has(seam.stands) && <LookForm seam={seam} />}
        </div>
      )}
    </li>
  );
}

function Entries({ log }: { log: readonly SeamLog[] }) {
  return (
    <ol className="letters-16">
      {log.map((entry) => (
        <li key={entry.id}>
          {entry.by}, <When at={entry.at} />: {entryWords(entry)}
        </li>
      ))}
    </ol>
  );
}

export function entryWords({
  what,
  machine,
  amps,
  volts,
  wire,
  ambientC,
  defects,
  dye,
  note,
}: SeamLog): string {
  const said =
    what === 'welded'
      ? [
          'welded',
          ...(machine ? [machine] : []),
          ...(wire ? [wire] : []),
          ...(amps !== undefined ? [`${amps} A`] : []),
          ...(volts !== undefined ? [`${volts} V`] : []),
          ...(ambientC !== undefined ? [`at ${ambientC} °C`] : []),
        ]
      : [
          defects && defects.length > 0 ? `looked at: ${defects.join(', ')}` : 'looked at: nothing found',
          ...(dye && dye !== 'not done' ? [`dye ${dye}`] : []),
        ];
  return [...said, ...(note ? [note] : [])].join(', ');
}

function useLog(seam: LedgerSeam) {
  const { keep } = useRecords();
  const stamp = useStamp();
  return (entry: Partial<SeamLog> & Pick<SeamLog, 'what'>) =>
    keep({
      kind: 'seam log',
      ...stamp(),
      memberId: seam.memberId,
      ofId: seam.ofId,
      seam: seam.seam,
      mark: seam.mark,
      lengthMm: seam.lengthMm,
      note: '',
      ...entry,
    });
}

const figure = (text: string): number | undefined => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) ? value : undefined;
};

function WeldedForm({ seam }: { seam: LedgerSeam }) {
  const tell = useLog(seam);
  const [typed, setTyped] = useState({ machine: '', wire: '', amps: '', volts: '', ambientC: '' });
  const [problem, setProblem] = useState<string>();
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const [amps, volts, ambientC] = [figure(typed.amps), figure(typed.volts), figure(typed.ambientC)];
  const keepIt = () => {
    if (typed.amps && !(amps !== undefined && amps > 0 && amps <= 1000))
      return setProblem('amps are a figure up to 1000; nothing was kept');
    if (typed.volts && !(volts !== undefined && volts > 0 && volts <= 100))
      return setProblem('volts are a figure up to 100; nothing was kept');
    if (typed.ambientC && !(ambientC !== undefined && ambientC >= -50 && ambientC <= 60))
      return setProblem('the air has between −50 and 60 °C; nothing was kept');
    setProblem(undefined);
    tell({
      what: 'welded',
      ...(typed.machine.trim() && { machine: typed.machine.trim() }),
      ...(typed.wire.trim() && { wire: typed.wire.trim() }),
      ...(amps !== undefined && { amps }),
      ...(volts !== undefined && { volts }),
      ...(ambientC !== undefined && { ambientC }),
    });
  };
  return (
    <div className="mt-1 flex flex-wrap items-end gap-2" role="group" aria-label={`Weld of ${seam.mark}`}>
      <Entry
        label="machine"
        className="w-32"
        maxLength={60}
        value={typed.machine}
        onChange={set('machine')}
      />
      <Entry label="wire, gas" className="w-32" maxLength={60} value={typed.wire} onChange={set('wire')} />
      <Entry label="amps" className="w-20" inputMode="decimal" value={typed.amps} onChange={set('amps')} />
      <Entry label="volts" className="w-20" inputMode="decimal" value={typed.volts} onChange={set('volts')} />
      <Entry label="air, °C" className="w-20" value={typed.ambientC} onChange={set('ambientC')} />
      <button type="button" className="plain" onClick={keepIt}>
        {seam.stands === 'defect' ? 'Ground out and redone' : 'Welded'}
      </button>
      {problem && (
        <p role="alert" className="w-full font-semibold text-oxide">
          {problem}
        </p>
      )}
    </div>
  );
}

function LookForm({ seam }: { seam: LedgerSeam }) {
  const tell = useLog(seam);
  const [defects, setDefects] = useState<readonly Defect[]>([]);
  const [dye, setDye] = useState<(typeof DYES)[number]>('not done');
  const toggle = (each: Defect) =>
    setDefects(defects.includes(each) ? defects.filter((other) => other !== each) : [...defects, each]);
  return (
    <div className="mt-2" role="group" aria-label={`Look at ${seam.mark}`}>
      <p className="caption">seen along it</p>
      <div className="flex flex-wrap">
        {DEFECTS.map((each) => (
          <button
            key={each}
            type="button"
            className="plain -ml-px"
            aria-pressed={defects.includes(each)}
            onClick={() => toggle(each)}
          >
            {each}
          </button>
        ))}
      </div>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        <div>
          <p className="caption">dye</p>
          <Choice label="Dye" value={dye} options={DYES} onChange={setDye} />
        </div>
        <button
          type="button"
          className="plain"
          onClick={() => {
            tell({ what: 'looked at', defects: [...defects], dye });
            setDefects([]);
            setDye('not done');
          }}
        >
          {defects.length > 0 ? 'Keep what was seen' : 'Looked at: nothing found'}
        </button>
      </div>
    </div>
  );
}
