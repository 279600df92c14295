'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { drawContour, extentOf, flattenContour, svgPen } from '@/core/geometry';
import { percent, printLength, printMass, type UnitSystem } from '@/core/quantity';
import type { ShopLists } from '@/core/reference';
import {
  laidBends,
  laidContours,
  nestFigures,
  nestPart,
  remnantsOf,
  shelfAfter,
  type Nest,
  type NestPiece,
} from '@/core/shape';
import { blankTitle } from '../../../../../_words/flats';
import { changeShopLists } from '../../../../../_client';
import { loadedLater } from '../../../../../_parts/loaded-later';
import { useReader, useRecords } from '../../../../_desk';
import type { Nesting } from './use-nester';

/** What was found: each sheet with its pieces, what it comes to, what found no room; and the pile once it is cut. */
export function NestResult({
  nesting,
  thicknessMm,
  lists,
  system,
  isStale,
  onCut,
}: {
  nesting: Nesting;
  thicknessMm: number;
  lists: { readonly revision: number; readonly part: ShopLists };
  system: UnitSystem;
  /** What is to be cut has changed since. */
  isStale: boolean;
  onCut: () => void;
}) {
  const { job, report, isRunning } = nesting;
  const { nest } = report!;
  return (
    <div className="mt-4" role="region" aria-label="Laid out">
      {isStale && (
        <p className="font-semibold text-oxide">
          What is to be cut, or the shelf, has changed since this was laid out: lay it out again.
        </p>
      )}
      <Figures nest={nest} pieces={job.pieces} thicknessMm={thicknessMm} system={system} />
      <NoRoom nest={nest} pieces={job.pieces} system={system} />
      <div className="mt-2 grid gap-4 lg:grid-cols-2">
        {nest.sheets.map((_, k) => (
          <SheetPicture key={k} nest={nest} sheet={k} nesting={nesting} system={system} />
        ))}
      </div>
      {!isRunning && !isStale && nest.sheets.length > 0 && (
        <BackToPile nesting={nesting} thicknessMm={thicknessMm} lists={lists} onCut={onCut} />
      )}
    </div>
  );
}

function Figures({
  nest,
  pieces,
  thicknessMm,
  system,
}: {
  nest: Nest;
  pieces: readonly NestPiece[];
  thicknessMm: number;
  system: UnitSystem;
}) {
  const figures = nestFigures(nest, pieces.map(nestPart), thicknessMm);
  const sheets = nest.sheets.length;
  return (
    <p className="text-lg">
      <span className="font-semibold">
        {figures.pieces} {figures.pieces === 1 ? 'piece' : 'pieces'} on {sheets}{' '}
        {sheets === 1 ? 'sheet' : 'sheets'}
      </span>
      : {percent(figures.ofSheets)} of {sheets === 1 ? 'it' : 'them'} used, {percent(figures.ofStrips)} of the
      strips that come off; fewest by area {figures.fewestSheets}. Cut{' '}
      {printLength(figures.cutMm, system, 'length')}, {figures.pierces} pierces,{' '}
      {printMass(figures.massKg, system)}.
    </p>
  );
}

function NoRoom({
  nest: { left, tooLarge },
  pieces,
  system,
}: {
  nest: Nest;
  pieces: readonly NestPiece[];
  system: UnitSystem;
}) {
  if (left.length === 0) return null;
  const nameOf = (id: string) => {
    const piece = pieces.find((each) => each.id === id);
    return piece
      ? `${blankTitle(piece.blank, system)}, ${piece.blank.for}${piece.isTwin ? ', twin' : ''}`
      : id;
  };
  const crowded = [...left];
  for (const id of tooLarge) crowded.splice(crowded.indexOf(id), 1);
  return (
    <div role="alert" className="border-l-[6px] border-oxide pl-3">
      {tooLarge.length > 0 && (
        <p>
          <span className="font-semibold">Larger than any sheet:</span>{' '}
          {[...new Set(tooLarge)].map(nameOf).join('; ')}.{' '}
          <span className="caption">A longer sheet, or two plates with a joint between them.</span>
        </p>
      )}
      {crowded.length > 0 && (
        <p>
          <span className="font-semibold">No room left for</span>{' '}
          {[...new Set(crowded)].map(nameOf).join('; ')}. <span className="caption">More sheets.</span>
        </p>
      )}
    </div>
  );
}

/** One sheet to scale, its pieces where they lie, what is left of it. */
function SheetPicture({
  nest,
  sheet,
  nesting: { job },
  system,
}: {
  nest: Nest;
  sheet: number;
  nesting: Nesting;
  system: UnitSystem;
}) {
  const { file } = useRecords();
  const { lengthMm, widthMm, sheetId } = nest.sheets[sheet]!;
  const length = (mm: number) => printLength(mm, system, 'length');
  const left = remnantsOf(nest.sheets[sheet]!, job.ways);
  const save = async () => {
    const nestedSheetDxf = await loadedLater(async () => (await import('@/core/exchange')).nestedSheetDxf);
    if (!nestedSheetDxf) return;
    const url = URL.createObjectURL(
      new Blob([nestedSheetDxf(nest, sheet, job.pieces, system)], { type: 'application/dxf' }),
    );
    const link = document.createElement('a');
    link.href = url;
    link.download = `${file.unit.tag}-sheet-${sheet + 1}.dxf`;
    link.click();
    URL.revokeObjectURL(url);
  };
  return (
    <figure className="min-w-0" aria-label={`Sheet ${sheet + 1}`}>
      <figcaption className="flex flex-wrap items-center justify-between gap-2">
        <span>
          <span className="font-semibold">
            Sheet {sheet + 1}: {length(lengthMm)} by {length(widthMm)}
          </span>
          <span className="caption">
            , {sheetId === 'buy' ? 'to buy' : 'from the shelf'}
            {left.length > 0 &&
              `; left ${left.map((each) => `${length(each.lengthMm)} by ${length(each.widthMm)}`).join(' and ')}`}
          </span>
        </span>
        <button type="button" className="plain" onClick={() => void save()}>
          DXF
        </button>
      </figcaption>
      <SheetDrawing nest={nest} sheet={sheet} pieces={job.pieces} />
    </figure>
  );
}

function SheetDrawing({ nest, sheet, pieces }: { nest: Nest; sheet: number; pieces: readonly NestPiece[] }) {
  const { lengthMm, widthMm } = nest.sheets[sheet]!;
  const line = { fill: 'none', vectorEffect: 'non-scaling-stroke' } as const;
  return (
    <svg
      viewBox={`${-0.01 * lengthMm} ${-widthMm - 0.01 * lengthMm} ${1.02 * lengthMm} ${widthMm + 0.02 * lengthMm}`}
      className="mt-1 w-full"
      role="img"
      aria-label={`Sheet ${sheet + 1} with its pieces`}
    >
      <rect
        x={0}
        y={-widthMm}
        width={lengthMm}
        height={widthMm}
        {...line}
        fill="var(--well)"
        stroke="var(--edge)"
      />
      {nest.laid
        .filter((laid) => laid.sheet === sheet)
        .map((laid, k) => {
          const piece = pieces.find(({ id }) => id === laid.partId)!;
          const pen = svgPen();
          pen.layer('CUT');
          for (const contour of laidContours(nestPart(piece), laid)) drawContour(pen, contour);
          return (
            <g key={k}>
              <path
                {...line}
                d={pen.result().paths.get('CUT')}
                fill="var(--slate-wash)"
                fillRule="evenodd"
                stroke="var(--ink)"
                strokeWidth={1.4}
              />
              {laidBends(piece, laid).map(([[x, y], [toX, toY]], n) => (
                <path
                  key={n}
                  {...line}
                  d={`M${x} ${-y}L${toX} ${-toY}`}
                  stroke="var(--slate)"
                  strokeDasharray="6 3"
                />
              ))}
              <PieceName laid={laid} piece={piece} />
            </g>
          );
        })}
    </svg>
  );
}

/** Its name where it lies, as large as it goes in. */
function PieceName({ laid, piece }: { laid: Nest['laid'][number]; piece: NestPiece }) {
  const { minX, minY, maxX, maxY } = extentOf(flattenContour(laidContours(nestPart(piece), laid)[0]!));
  const [wide, high] = [maxX - minX, maxY - minY];
  const name = `${piece.blank.name}${piece.isTwin ? ', twin' : ''}`;
  const isUpright = high > wide;
  const size = Math.min(55, 0.45 * Math.min(wide, high), (1.4 * Math.max(wide, high)) / name.length);
  const [x, y] = [(maxX + minX) / 2, -(maxY + minY) / 2];
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      textAnchor="middle"
      dominantBaseline="middle"
      fill="var(--ink)"
      {...(isUpright && { transform: `rotate(-90 ${x} ${y})` })}
    >
      {name}
    </text>
  );
}

/** Once it is cut: its sheets leave the shelf, what is left of them lies on the pile. */
function BackToPile({
  nesting: { job, report },
  thicknessMm,
  lists,
  onCut,
}: {
  nesting: Nesting;
  thicknessMm: number;
  lists: { readonly revision: number; readonly part: ShopLists };
  onCut: () => void;
}) {
  const router = useRouter();
  const { by } = useReader();
  const [problem, setProblem] = useState<string>();
  const [isSending, setSending] = useState(false);
  const book = async () => {
    if (by.trim() === '') return setProblem('say who you are, above: the shop’s list names who changed it');
    setSending(true);
    const shelf = shelfAfter(lists.part.shelf, report!.nest, { ways: job.ways, thicknessMm });
    const answer = await changeShopLists({
      basedOn: lists.revision,
      to: { ...lists.part, shelf },
      by: by.trim(),
      at: new Date().toISOString(),
    });
    setSending(false);
    if (!answer.ok) return setProblem(`${answer.problem.message}. ${answer.problem.kept}`);
    toast.success('Sheets are off the shelf; what is left of them lies on the pile');
    onCut();
    router.refresh();
  };
  return (
    <div className="mt-3">
      <button type="button" className="plain" disabled={isSending} onClick={() => void book()}>
        It is cut: sheets off the shelf, what is left back to the pile
      </button>
      {problem && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          {problem}
        </p>
      )}
    </div>
  );
}
