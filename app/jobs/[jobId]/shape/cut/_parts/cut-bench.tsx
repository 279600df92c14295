'use client';

import { Link } from '@/app/_parts/link';
import { useMemo, useState } from 'react';
import { stands, toBuy, toCut, type ToBuy, type ToCut } from '@/core/job';
import { printLength, printMass, type UnitSystem } from '@/core/quantity';
import type { ShopLists } from '@/core/reference';
import { blankFigures } from '@/core/shape';
import { blankTitle } from '../../../../../_words/flats';
import { When } from '@/ui/controls';
import { StrikeSheet, useMember, useReader, useRecords, useWork } from '../../../../_desk';
import { FlatSheet } from '../../_parts/flat-sheet';
import { NestPart } from './nest-part';

/** Everything of the job that goes to the table: flats with their files, lengths to buy, and how they lie on the shelf's sheets. */
export function CutBench({ lists }: { lists: { readonly revision: number; readonly part: ShopLists } }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { isWorking } = useWork();
  const { blanks, lengths } = useToCut();
  const [chosenId, setChosen] = useState<string>();
  const chosen = blanks.find(({ blank }) => blank.id === chosenId) ?? blanks[0];
  return (
    <main id="main" className="mx-auto max-w-[1280px] px-3 pb-10 pt-3 lg:px-5">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-3xl font-semibold">To cut</h1>
        <div className="flex flex-wrap gap-2">
          <Link className="plain" href={`/jobs/${file.job.id}/shape?member=${member.id}`}>
            Back to Shape
          </Link>
          <Link className="plain" href={`/jobs/${file.job.id}/shape/outline?member=${member.id}`}>
            From the opening
          </Link>
          <a className="plain" download href={`/api/jobs/${file.job.id}/cut-list?unit=${system}`}>
            Cut list, CSV
          </a>
        </div>
      </div>
      {blanks.length === 0 ? (
        <p className="mt-4 text-xl" role="status">
          {isWorking
            ? 'Plates are being worked out.'
            : 'Nothing is planned that is cut from sheet. Plates and works are planned in Shape.'}
        </p>
      ) : (
        <div className="mt-3 grid gap-x-6 gap-y-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.25fr)]">
          <Blanks blanks={blanks} chosen={chosen} onChoose={setChosen} system={system} />
          <div className="min-w-0">
            {chosen && <FlatSheet key={chosen.blank.id} toCut={chosen} jobId={file.job.id} system={system} />}
            {chosen && <OwnOutline key={`own ${chosen.blank.id}`} id={chosen.blank.id} />}
          </div>
        </div>
      )}
      {blanks.length > 0 && <NestPart all={blanks} lists={lists} system={system} />}
      {lengths.length > 0 && <Lengths lengths={lengths} system={system} />}
    </main>
  );
}

/** An outline somebody took from an opening: by whom, how exact, and struck out where it was wrong. */
function OwnOutline({ id }: { id: string }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [isStriking, setStriking] = useState(false);
  const outline = stands(file, 'outline').find((each) => each.id === id);
  if (!outline) return null;
  const { from, errorPerMetreMm: error } = outline;
  return (
    <p className="caption mt-2 flex flex-wrap items-center gap-x-3">
      {from === 'photo' ? 'From a photo' : 'Measured'} by {outline.by}, <When at={outline.at} />
      {error !== undefined && `; may be off by ${printLength(error, system, 'thickness')} a metre (39 in)`}
      <button type="button" className="hit px-2 underline" onClick={() => setStriking(true)}>
        strike
      </button>
      <StrikeSheet
        struck={isStriking ? { id, words: outline.name } : undefined}
        onClose={() => setStriking(false)}
      />
    </p>
  );
}

/** Flats of every member worked out so far, and of works. */
function useToCut() {
  const { file } = useRecords();
  const { summaries } = useWork();
  return useMemo(
    () => ({
      blanks: toCut(
        [...summaries.values()].flatMap(({ flats }) => flats),
        file,
        [...summaries.values()].map(({ plan }) => plan),
      ),
      lengths: toBuy(file),
    }),
    [summaries, file],
  );
}

function Blanks({
  blanks,
  chosen,
  onChoose,
  system,
}: {
  blanks: readonly ToCut[];
  chosen: ToCut | undefined;
  onChoose: (id: string) => void;
  system: UnitSystem;
}) {
  const count = blanks.reduce((sum, { blank }) => sum + blank.count, 0);
  const totalKg = blanks.reduce((sum, { blank }) => sum + blankFigures(blank).massKg * blank.count, 0);
  return (
    <section aria-label="Flats" className="min-w-0">
      <ul className="ruled">
        {blanks.map((each) => (
          <li key={each.blank.id}>
            <button
              type="button"
              className="hit flex w-full items-center justify-between gap-3 px-2 py-1 text-left aria-[current=true]:bg-sheet"
              aria-current={each === chosen}
              onClick={() => onChoose(each.blank.id)}
            >
              <BlankRow {...each} system={system} />
            </button>
          </li>
        ))}
      </ul>
      <p className="caption mt-2">
        {count} {count === 1 ? 'piece' : 'pieces'}, {printMass(totalKg, system)} of steel
      </p>
    </section>
  );
}

function BlankRow({ blank, broken, isProposal, system }: ToCut & { system: UnitSystem }) {
  const { lengthMm, widthMm, massKg } = blankFigures(blank);
  return (
    <>
      <span className="min-w-0">
        <span className="block font-semibold">
          {blank.count > 1 && `${blank.count} × `}
          {blankTitle(blank, system)}
        </span>
        <span className="caption block">
          {blank.for}
          {broken > 0 ? `; rules broken: ${broken}` : isProposal ? '; proposed' : ''}
        </span>
      </span>
      <span className="shrink-0 text-right tabular-nums">
        <span className="block">
          {printLength(lengthMm, system, 'length')} by {printLength(widthMm, system, 'length')}
        </span>
        <span className="caption block">
          {printLength(blank.thicknessMm, system, 'thickness')}, {printMass(massKg, system)}
        </span>
      </span>
    </>
  );
}

function Lengths({ lengths, system }: { lengths: readonly ToBuy[]; system: UnitSystem }) {
  return (
    <section className="mt-5" aria-label="Bought to length">
      <h2 className="text-xl font-semibold">Bought to length</h2>
      <ul className="ruled">
        {lengths.map((each, k) => (
          <li key={k} className="py-1">
            {each.count > 1 && `${each.count} × `}
            {each.name}
            {each.sectionMm &&
              ` ${each.sectionMm.map((mm) => printLength(mm, system, 'length')).join(' by ')}`}
            , {printLength(each.lengthMm, system, 'length')} of{' '}
            {printLength(each.wallMm, system, 'thickness')}
            <span className="caption">
              ; {each.for}, {printMass(each.massKg, system)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
