'use client';

import { useState } from 'react';
import type { ToCut } from '@/core/job';
import { printLength, printMass, type UnitSystem } from '@/core/quantity';
import { blankFigures, linesOf, PAPER_NAMES, type Blank, type Paper } from '@/core/shape';
import { Choice, Pick } from '@/ui/controls';
import { BlankPicture } from '../../../../_parts/blank-picture';
import { bendLine, flatFindingWords, holeLines } from '../../../../_words/flats';

const SIDES = ['this side', 'twin'] as const;
type Side = (typeof SIDES)[number];

/** A flat, to scale, with what is written on it, what a brake and a table need to know, and its files. */
export function FlatSheet({
  toCut: { blank, broken, findings, repairId },
  jobId,
  system,
}: {
  toCut: ToCut;
  jobId: string;
  system: UnitSystem;
}) {
  const [side, setSide] = useState<Side>('this side');
  const { lengthMm, widthMm, massKg } = blankFigures(blank);
  const length = (mm: number) => printLength(mm, system, 'length');
  return (
    <article className="border-t-2 border-ink pt-2" aria-label={`${blank.name}, ${blank.for}`}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h3 className="text-lg font-semibold">
          {blank.name}, flat: {length(lengthMm)} by {length(widthMm)}
        </h3>
        <span>
          {printLength(blank.thicknessMm, system, 'thickness')}, {printMass(massKg, system)}
          {blank.count > 1 && ` each, ${blank.count} of them`}
        </span>
      </div>
      {broken > 0 && (
        <p className="font-semibold text-oxide">Do not cut it like this. Rules broken: {broken}.</p>
      )}
      <BlankPicture blank={blank} system={system} isTwin={side === 'twin'} />
      <p className="caption">
        Written on it: {linesOf(blank, { system, isTwin: side === 'twin' }).join(' · ')}
      </p>
      <ul className="letters-15">
        {blank.bends.map((bend, k) => (
          <li key={k}>{bendLine(bend, k, system)}</li>
        ))}
        {holeLines(blank, system).map((line) => (
          <li key={line}>{line}</li>
        ))}
        {findings.map((finding) => {
          const { title, detail, change } = flatFindingWords(finding, system);
          return (
            <li key={finding.code}>
              <span className="font-semibold">{title}</span>: {detail}.{' '}
              <span className="caption">{change}</span>
            </li>
          );
        })}
      </ul>
      {repairId !== undefined && !blank.place?.isAgainstWall && !blank.isRolled && (
        <ScribeFiles repairId={repairId} jobId={jobId} system={system} />
      )}
      <Files blank={blank} jobId={jobId} system={system} side={side} onSide={setSide} />
    </article>
  );
}

/** What is scribed on the rail: plates’ outlines and openings, laid round it at 1:1. */
function ScribeFiles({ repairId, jobId, system }: { repairId: string; jobId: string; system: UnitSystem }) {
  const paper = system === 'in' ? 'letter' : 'a4';
  const href = (as: string) =>
    `/api/jobs/${jobId}/scribes/${encodeURIComponent(repairId)}?as=${as}&unit=${system}&paper=${paper}`;
  return (
    <p className="mt-2 flex flex-wrap items-center gap-2">
      <span className="caption">To scribe the rail by, laid round it:</span>
      <a className="plain" download href={href('pdf')}>
        Scribe sheet on {paper} paper
      </a>
      <a className="plain" download href={href('dxf')}>
        Scribe sheet, DXF
      </a>
    </p>
  );
}

/** Everything it leaves the building as: this side or its twin. */
function Files({
  blank,
  jobId,
  system,
  side,
  onSide,
}: {
  blank: Blank;
  jobId: string;
  system: UnitSystem;
  side: Side;
  onSide: (side: Side) => void;
}) {
  const [paper, setPaper] = useState<Paper>(system === 'in' ? 'letter' : 'a4');
  const href = (as: string) =>
    `/api/jobs/${jobId}/cut-sheets/${encodeURIComponent(blank.id)}?as=${as}&unit=${system}${side === 'twin' ? '&twin=1' : ''}`;
  const of = side === 'twin' ? ', mirrored twin' : '';
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2">
      <Choice label="Which side it is cut for" value={side} options={SIDES} onChange={onSide} />
      <a className="plain" download href={href('dxf')}>
        DXF{of}
      </a>
      <a className="plain" download href={href('svg')}>
        SVG{of}
      </a>
      <Pick label="paper" value={paper} options={PAPER_NAMES} onPick={setPaper} className="w-28" />
      <a className="plain" download href={`${href('pdf')}&paper=${paper}`}>
        Paper template 1:1{of}
      </a>
    </div>
  );
}
