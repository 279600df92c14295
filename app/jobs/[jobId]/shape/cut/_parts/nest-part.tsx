'use client';

import { dequal } from 'dequal';
import { useEffect, useMemo, useState } from 'react';
import type { ToCut } from '@/core/job';
import { printLength, type UnitSystem } from '@/core/quantity';
import type { ShopLists } from '@/core/reference';
import { isOfThickness, sheetsOnShelf, TURNS, type NestPiece } from '@/core/shape';
import type { NestJob } from '@/workers/nester';
import { Choice, Entry } from '@/ui/controls';
import { eachText, useUnitTurn } from '../../../../../_parts/turned';
import { blankTitle } from '../../../../../_words/flats';
import { useRecords } from '../../../../_desk';
import { dropNest, keepNest, keptNest } from './kept-nest';
import {
  countOf,
  piecesOf,
  readNest,
  startTyped,
  thicknessesOf,
  type Counts,
  type NestTyped,
} from './nest-form';
import { NestResult } from './nest-result';
import { useNester, type Nesting } from './use-nester';

/** How long it looks, ms. */
const PATIENCE = { 'five seconds': 5000, 'half a minute': 30_000 } as const;
type Patience = keyof typeof PATIENCE;

/** Pieces of one thickness laid on the shelf's sheets and offcuts, and on sheets to buy. */
export function NestPart({
  all,
  lists,
  system,
}: {
  all: readonly ToCut[];
  lists: { readonly revision: number; readonly part: ShopLists };
  system: UnitSystem;
}) {
  const thicknesses = useMemo(() => thicknessesOf(all), [all]);
  const [chosenMm, setChosen] = useState<number>();
  const thicknessMm = thicknesses.find((mm) => mm === chosenMm) ?? thicknesses[0];
  return (
    <section className="mt-6 border-t-2 border-ink pt-3" aria-label="On sheets">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-2xl font-semibold">On sheets</h2>
        {thicknesses.length > 1 && (
          <Choice
            label="Thickness"
            value={String(thicknessMm)}
            options={thicknesses.map(String)}
            onChange={(next) => setChosen(Number(next))}
            words={(mm) => printLength(Number(mm), system, 'thickness')}
          />
        )}
      </div>
      {thicknessMm !== undefined && (
        <OneThickness
          key={thicknessMm}
          all={all.filter(({ blank }) => isOfThickness(blank.thicknessMm, thicknessMm))}
          thicknessMm={thicknessMm}
          lists={lists}
          system={system}
        />
      )}
    </section>
  );
}

interface OfThickness {
  readonly all: readonly ToCut[];
  readonly thicknessMm: number;
  readonly lists: { readonly revision: number; readonly part: ShopLists };
  readonly system: UnitSystem;
}

/** Laid out by a worker; what was found stands there again when the page is opened anew, until it is cut. */
function useKeptNest(jobId: string, thicknessMm: number) {
  const { nesting, begin, stop, take, drop } = useNester();
  useEffect(() => {
    let isHere = true;
    void keptNest(jobId, thicknessMm).then((kept) => {
      if (isHere && kept) take(kept.job, kept.report);
    });
    return () => {
      isHere = false;
    };
  }, [jobId, thicknessMm, take]);
  useEffect(() => {
    if (nesting?.report && !nesting.isRunning)
      void keepNest(jobId, thicknessMm, { job: nesting.job, report: nesting.report });
  }, [nesting, jobId, thicknessMm]);
  return {
    nesting,
    begin,
    stop,
    drop: () => {
      void dropNest(jobId, thicknessMm);
      drop();
    },
  };
}

function OneThickness({ all, thicknessMm, lists, system }: OfThickness) {
  const { file } = useRecords();
  const jobId = file.job.id;
  const [typed, setTyped] = useState<NestTyped>(() => startTyped(system));
  useUnitTurn(system, (as) => {
    const { turns, buyCount, ...lengths } = typed;
    setTyped({ ...(eachText(lengths, as) as typeof lengths), turns, buyCount });
  });
  const [counts, setCounts] = useState<Counts>({});
  const [patience, setPatience] = useState<Patience>('five seconds');
  const [problem, setProblem] = useState<string>();
  const { nesting, begin, stop, drop } = useKeptNest(jobId, thicknessMm);
  const pieces = piecesOf(all, counts, thicknessMm);
  const layOut = () => {
    const read = readNest(typed, { shelf: lists.part.shelf, thicknessMm, system });
    if (!read.ok) return setProblem(read.reason);
    if (pieces.length === 0) return setProblem('say how many of at least one piece');
    setProblem(undefined);
    void begin({ pieces, ...read.value, forMs: PATIENCE[patience] });
  };
  return (
    <>
      <HowMany all={all} counts={counts} onCounts={setCounts} system={system} />
      <form
        aria-label="How pieces are laid"
        className="mt-3"
        onSubmit={(event) => {
          event.preventDefault();
          layOut();
        }}
      >
        <Ways typed={typed} onTyped={setTyped} system={system} />
        <p className="caption mt-2">{shelfWords(lists.part.shelf, thicknessMm, system)}</p>
        <LayThemOut patience={patience} onPatience={setPatience} nesting={nesting} onStop={stop} />
        {(problem ?? nesting?.problem) && (
          <p role="alert" className="mt-2 font-semibold text-oxide">
            {problem ?? nesting?.problem}
          </p>
        )}
      </form>
      {nesting?.report && (
        <NestResult
          nesting={nesting}
          thicknessMm={thicknessMm}
          lists={lists}
          system={system}
          isStale={!isOfNow(nesting.job, pieces, lists.part.shelf, thicknessMm)}
          onCut={drop}
        />
      )}
    </>
  );
}

/** How long it looks for a better way, and where it is while it does. */
const LayThemOut = ({
  patience,
  onPatience,
  nesting,
  onStop,
}: {
  patience: Patience;
  onPatience: (patience: Patience) => void;
  nesting: Nesting | undefined;
  onStop: () => void;
}) => (
  <div className="mt-2 flex flex-wrap items-center gap-3">
    <Choice
      label="How long it looks"
      value={patience}
      options={Object.keys(PATIENCE) as Patience[]}
      onChange={onPatience}
    />
    <button type="submit" className="solid" disabled={nesting?.isRunning === true}>
      Lay them out
    </button>
    {nesting?.isRunning && <Progress nesting={nesting} onStop={onStop} />}
  </div>
);

/** Pieces and shelf are still those it was laid out with. */
const isOfNow = (
  job: NestJob,
  pieces: readonly NestPiece[],
  shelf: ShopLists['shelf'],
  thicknessMm: number,
): boolean => {
  const stood = job.sheets.filter(({ id }) => id !== 'buy');
  return dequal(job.pieces, pieces) && dequal(stood, sheetsOnShelf(shelf, thicknessMm));
};

/** What of the shelf is of this thickness. */
function shelfWords(shelf: ShopLists['shelf'], thicknessMm: number, system: UnitSystem): string {
  const sheets = sheetsOnShelf(shelf, thicknessMm);
  if (sheets.length === 0) return 'No sheet or offcut of this thickness is on the shop’s list.';
  const each = sheets.map(
    ({ count, lengthMm, widthMm }) =>
      `${count} of ${printLength(lengthMm, system, 'length')} by ${printLength(widthMm, system, 'length')}`,
  );
  return `On the shelf: ${each.join('; ')}. The smallest go first.`;
}

function Progress({ nesting: { report }, onStop }: { nesting: Nesting; onStop: () => void }) {
  const share = report?.share ?? 0;
  return (
    <span className="flex items-center gap-3">
      <progress className="h-3 w-40 accent-[var(--here)]" max={1} value={share} aria-label="Looking" />
      <span className="caption tabular-nums">{report?.tries ?? 0} tries</span>
      <button type="button" className="plain" onClick={onStop}>
        Enough
      </button>
    </span>
  );
}

function HowMany({
  all,
  counts,
  onCounts,
  system,
}: {
  all: readonly ToCut[];
  system: UnitSystem;
  counts: Counts;
  onCounts: (counts: Counts) => void;
}) {
  const set = (each: ToCut, change: Partial<{ here: number; twin: number }>) =>
    onCounts({ ...counts, [each.blank.id]: { ...countOf(counts, each), ...change } });
  const whole = (text: string) => Math.max(0, Math.min(99, Math.round(Number(text) || 0)));
  return (
    <ul className="ruled mt-2" aria-label="How many of each">
      {all.map((each) => {
        const { here, twin } = countOf(counts, each);
        return (
          <li key={each.blank.id} className="flex flex-wrap items-end gap-x-4 gap-y-1 py-1">
            <span className="min-fit-52 flex-1 self-center">
              {blankTitle(each.blank, system)}
              <span className="caption">
                , {each.blank.for}
                {each.broken > 0 && `; rules broken: ${each.broken}, not cut unless you say how many`}
              </span>
            </span>
            <Entry
              label="this side"
              className="w-20"
              inputMode="numeric"
              value={String(here)}
              onChange={(event) => set(each, { here: whole(event.target.value) })}
            />
            <Entry
              label="mirrored twin"
              className="w-20"
              inputMode="numeric"
              value={String(twin)}
              onChange={(event) => set(each, { twin: whole(event.target.value) })}
            />
          </li>
        );
      })}
    </ul>
  );
}

const LENGTHS = [
  ['kerf', 'kerf of the cut'],
  ['gap', 'gap between pieces'],
  ['edge', 'from a sheet’s sides'],
  ['buyLong', 'sheet to buy, length'],
  ['buyWide', 'sheet to buy, width'],
] as const;

function Ways({
  typed,
  onTyped,
  system,
}: {
  typed: NestTyped;
  onTyped: (typed: NestTyped) => void;
  system: UnitSystem;
}) {
  return (
    <div className="flex flex-wrap items-end gap-3">
      {LENGTHS.map(([key, label]) => (
        <Entry
          key={key}
          label={label}
          unit={system}
          className="w-32"
          value={typed[key]}
          onChange={(event) => onTyped({ ...typed, [key]: event.target.value })}
        />
      ))}
      <Entry
        label="sheets to buy, at most"
        className="w-32"
        inputMode="numeric"
        value={typed.buyCount}
        onChange={(event) => onTyped({ ...typed, buyCount: event.target.value })}
      />
      <div>
        <span className="caption block">pieces may be turned</span>
        <Choice
          label="Pieces may be turned"
          value={typed.turns}
          options={TURNS}
          onChange={(turns) => onTyped({ ...typed, turns })}
        />
      </div>
    </div>
  );
}
