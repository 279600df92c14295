'use client';

import { useImperativeHandle, useRef, useState, useSyncExternalStore, type Ref, type RefObject } from 'react';
import { toast } from 'sonner';
import { facesOf, faceOf, type FaceId, type Member, startsAtMm } from '@/core/frame';
import { inchesToMm, lengthDigits, parseLengthMm, printLength, type UnitSystem } from '@/core/quantity';
import { METHOD_IDS, nominalMm, valueAt, type Method } from '@/core/probe';
import { Entry, Pick, PickBeside } from '@/ui/controls';
import { cursorU, faceWords, following, type Cursor } from '@/ui/strip';
import { useMember, usePlace, useReader, useRecords, useWork } from '../../../_desk';
import {
  columnHeights,
  nextSpot,
  pastedColumn,
  readColumn,
  readEntry,
  type EntryFields,
  type FieldProblems,
} from './entry';
import { newId } from '../../../../_client';
import { stationDigits, parseStationMm } from '../../../../_words/station';
import { useUnitTurn, eachText } from '../../../../_parts/turned';

export interface EntryHandle {
  /** Begins a reading at the cursor with these characters already typed. */
  readonly start: (typed: string) => void;
  /** Steps on from the cursor, as after a reading kept. */
  readonly step: () => void;
  /** Takes the cursor's place into the fields. */
  readonly follow: () => void;
}

const STEPS_IN: readonly number[] = [1, 3, 6, 12, 24];
const STEPS_MM = [25, 75, 150, 300, 600] as const;
const PAD = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '/'] as const;

const COARSE = '(pointer: coarse)';
/** Whether it is worked by finger: then the pad of our own stands ready, and the phone's keyboard, which would cover the Strip, stays away. */
const useCoarsePointer = (): boolean =>
  useSyncExternalStore(
    (listener) => {
      const query = window.matchMedia(COARSE);
      query.addEventListener('change', listener);
      return () => query.removeEventListener('change', listener);
    },
    () => window.matchMedia(COARSE).matches,
    () => false,
  );

/** How readings follow each other: where the next one is, and the ways to get there. */
function useWays() {
  const { system } = useReader();
  const { member } = useMember();
  const [ways, setWays] = useState<Ways>({ method: 'ultrasonic', step: 6, column: 1 });
  const after = (from: Cursor) =>
    nextSpot(member, from, {
      alongMm: stepMm(ways.step, system),
      columnMm: ways.column > 1 ? columnHeights(member, from.face, ways.column) : [],
    });
  return { ways, setWays: (to: Partial<Ways>) => setWays({ ...ways, ...to }), after };
}

/** What is typed over the cursor's place, and what becomes of it. */
function useEntry(thickness: RefObject<HTMLInputElement | null>) {
  const { keep } = useRecords();
  const { system, by } = useReader();
  const { member, setCursor, setStretch } = useMember();
  const { cursor, stretch } = usePlace();
  const [typed, setTyped] = useState<Partial<EntryFields>>({});
  useUnitTurn(system, (as) => setTyped(eachText(typed, as)));
  const { ways, setWays, after } = useWays();
  const { method } = ways;
  const [problems, setProblems] = useState<FieldProblems>({});
  const stamp = () => ({ id: newId(), by: by.trim() || 'unnamed', at: new Date().toISOString() });
  const goOn = (next: Cursor) => {
    setCursor(next);
    setStretch(following(member, stretch, next.stationMm));
    setTyped({});
    setProblems({});
  };
  const typeOn = (thickness: string) => setTyped((before) => ({ ...before, thickness }));
  return {
    fields: { ...shownAt(member, cursor, system), ...typed },
    problems,
    ways,
    setWays,
    typeOn,
    press: (key: string) =>
      setTyped((before) => ({ ...before, thickness: pressed(before.thickness ?? '', key) })),
    place: (field: 'station' | 'height', text: string) => {
      setTyped((before) => ({ ...before, [field]: text }));
      const length = field === 'station' ? parseStationMm(text, member, system) : parseLengthMm(text, system);
      const limit = field === 'station' ? member.lengthMm : faceOf(member.shape, cursor.face)!.widthMm;
      if (length.ok && length.value <= limit)
        setCursor({ ...cursor, [field === 'station' ? 'stationMm' : 'heightMm']: length.value });
    },
    keepColumn: (lines: readonly string[]) => {
      const column = readColumn(member, cursor, lines, { after, method, system, stamp });
      if (!column.ok) return setProblems({ thickness: column.reason });
      column.readings.forEach(keep);
      goOn(column.next);
    },
    submit: () => {
      const fields = { ...exactly(member, cursor), ...typed };
      const outcome = readEntry(member, cursor.face, fields, { method, system, stamp: stamp() });
      if (!outcome.ok) return setProblems(outcome.problems);
      keep(outcome.reading);
      if (outcome.warning) toast.warning('Look at that again', { id: 'again', description: outcome.warning });
      goOn(after({ ...cursor, stationMm: outcome.reading.stationMm, heightMm: outcome.reading.heightMm }));
      thickness.current?.focus();
    },
    handle: {
      start: (characters: string) => {
        setTyped({ thickness: characters });
        thickness.current?.focus();
      },
      step: () => goOn(after(cursor)),
      follow: () =>
        setTyped((before) => ({ ...(before.thickness !== undefined && { thickness: before.thickness }) })),
    },
  };
}
type Entering = ReturnType<typeof useEntry>;

/** The cursor's place as the fields show it. */
const shownAt = (member: Member, { stationMm, heightMm }: Cursor, system: UnitSystem): EntryFields => ({
  station: stationDigits(member, stationMm, system),
  height: lengthDigits(heightMm, system, 'length'),
  thickness: '',
});

/** The cursor's own place is exact; the fields only show it to the nearest sixteenth. */
const exactly = (member: Member, { stationMm, heightMm }: Cursor): EntryFields => ({
  station: `${startsAtMm(member) + stationMm}mm`,
  height: `${heightMm}mm`,
  thickness: '',
});

/** How a reading is taken, and where the next one is. */
interface Ways {
  readonly method: Method;
  /** Along the member, by the inch steps; their millimetre twins stand at the same places. */
  readonly step: number;
  /** Readings from top to bottom before the next step along. */
  readonly column: number;
}
const stepMm = (step: number, system: UnitSystem): number =>
  system === 'in' ? inchesToMm(step) : STEPS_MM[STEPS_IN.indexOf(step)]!;

const LAST_OFF = '⌫';
const pressed = (text: string, key: string): string => (key === LAST_OFF ? text.slice(0, -1) : text + key);

/** The fast lane: place from the cursor, thickness typed, Enter keeps and steps on. */
export function ReadingEntry({ ref, onKeys }: { ref: Ref<EntryHandle>; onKeys: () => void }) {
  const thickness = useRef<HTMLInputElement>(null);
  const entering = useEntry(thickness);
  const isTouched = useCoarsePointer();
  const [padAsked, setPad] = useState<boolean>();
  const pad = padAsked ?? isTouched;
  useImperativeHandle(ref, () => entering.handle);
  return (
    <form
      className="mt-2 border-y-2 border-ink bg-sheet px-3 py-2"
      aria-label="New reading"
      onSubmit={(event) => {
        event.preventDefault();
        entering.submit();
      }}
    >
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-[1fr_1.25fr_1fr_1.3fr_auto]">
        <PlaceFields entering={entering} />
        <ThicknessField ref={thickness} entering={entering} ownPad={pad} />
        <button type="submit" className="solid col-span-2 mt-[21px] sm:col-span-1">
          Keep, step on
        </button>
      </div>
      {pad && <NumberPad press={entering.press} />}
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <WaysFields entering={entering} />
        <button type="button" className="plain" aria-pressed={pad} onClick={() => setPad(!pad)}>
          Number pad
        </button>
        <button type="button" className="plain" onClick={onKeys}>
          Keys <kbd className="border border-edge px-1">?</kbd>
        </button>
        <ThicknessHere />
      </div>
    </form>
  );
}

function PlaceFields({ entering: { fields, problems, place } }: { entering: Entering }) {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  return (
    <>
      <Entry
        label="station"
        unit={system}
        value={fields.station}
        onChange={(event) => place('station', event.target.value)}
        onFocus={(event) => event.target.select()}
        {...(problems.station && { problem: problems.station })}
      />
      <Pick
        label="face"
        value={cursor.face}
        options={facesOf(member.shape).map((face) => face.id)}
        words={(face: FaceId) => faceWords(member, face)}
        onPick={(face) => setCursor({ ...cursor, face, heightMm: faceOf(member.shape, face)!.widthMm / 2 })}
      />
      <Entry
        label={faceOf(member.shape, cursor.face)?.upright ? 'up from corner' : 'out from corner'}
        unit={system}
        value={fields.height}
        onChange={(event) => place('height', event.target.value)}
        onFocus={(event) => event.target.select()}
        {...(problems.height && { problem: problems.height })}
      />
    </>
  );
}

function ThicknessField({
  ref,
  entering: { fields, problems, typeOn, keepColumn },
  ownPad,
}: {
  ref: Ref<HTMLInputElement>;
  entering: Entering;
  ownPad: boolean;
}) {
  const { system } = useReader();
  return (
    <Entry
      ref={ref}
      label="thickness"
      unit={system}
      value={fields.thickness}
      inputMode={ownPad ? 'none' : 'decimal'}
      onPaste={(event) => {
        const lines = pastedColumn(event.clipboardData.getData('text'));
        if (!lines) return;
        event.preventDefault();
        keepColumn(lines);
      }}
      placeholder={system === 'in' ? '0.148, 3/16, 10ga' : '3.8'}
      onChange={(event) => typeOn(event.target.value)}
      {...(problems.thickness && { problem: problems.thickness })}
    />
  );
}

const NumberPad = ({ press }: { press: (key: string) => void }) => (
  <div
    className="mt-2 grid max-w-sm grid-cols-4 gap-1 max-sm:max-w-none"
    role="group"
    aria-label="Number pad"
  >
    {PAD.map((key, k) => (
      <button
        key={key}
        type="button"
        className="plain min-h-14! text-xl"
        style={{ gridColumn: (k % 3) + 1, gridRow: Math.floor(k / 3) + 1 }}
        onClick={() => press(key)}
      >
        {key}
      </button>
    ))}
    <button
      type="button"
      className="plain min-h-14!"
      style={{ gridColumn: 4, gridRow: 1 }}
      onClick={() => press(LAST_OFF)}
      aria-label="Delete last"
    >
      {LAST_OFF}
    </button>
    <button type="submit" className="solid" style={{ gridColumn: 4, gridRow: '2 / span 3' }}>
      Keep
    </button>
  </div>
);

function WaysFields({ entering: { ways, setWays } }: { entering: Entering }) {
  const { system } = useReader();
  return (
    <>
      <PickBeside
        label="method"
        value={ways.method}
        options={METHOD_IDS}
        onPick={(method) => setWays({ method })}
      />
      <PickBeside
        label="step"
        value={ways.step}
        options={STEPS_IN}
        words={(inches) => (system === 'in' ? `${inches} in` : `${STEPS_MM[STEPS_IN.indexOf(inches)]} mm`)}
        onPick={(step) => setWays({ step })}
      />
      <PickBeside
        label="column of"
        value={ways.column}
        options={[1, 2, 3, 4, 5, 6, 8]}
        words={(count) => (count === 1 ? '1, along only' : `${count}, top down`)}
        onPick={(column) => setWays({ column })}
      />
    </>
  );
}

/** What the wall was made as, and what the map says of it at the cursor. */
function ThicknessHere() {
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const { work } = useWork();
  const map = work?.picture.member.id === member.id ? work.picture.map : undefined;
  const here = map && valueAt(map, cursor.stationMm, cursorU(member, cursor));
  return (
    <span className="caption">
      nominal {printLength(nominalMm(member, cursor.face), system, 'thickness')}; 0 is a hole
      {here && (
        <>
          ;{' '}
          <span className={here.guessed ? 'unseen px-1' : 'font-semibold text-ink'}>
            {here.guessed ? 'guessed' : 'map'} here {lengthDigits(here.thicknessMm, system, 'thickness')} ±{' '}
            {printLength(here.errorMm, system, 'thickness')}
          </span>
        </>
      )}
    </span>
  );
}
