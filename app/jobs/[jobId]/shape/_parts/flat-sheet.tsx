'use client';

import { lengthDigits, printLength, printMass, type UnitSystem } from '@/core/quantity';
import { LIP_MM, pieceName, type FlatHole, type FlatPattern } from '@/core/shape';
import { flatPaths } from '@/ui/print';

/** A piece laid flat, to scale, with what a brake and a table need to know, and its files. */
export function FlatSheet({
  pattern,
  jobId,
  system,
}: {
  pattern: FlatPattern;
  jobId: string;
  system: UnitSystem;
}) {
  const { paths } = flatPaths(pattern, system);
  const { lengthMm, widthMm, piece } = pattern;
  const margin = Math.max(lengthMm, widthMm) * 0.02;
  const href = `/api/jobs/${jobId}/cut-sheets/${piece.id}?unit=${system}`;
  const length = (mm: number) => printLength(mm, system, 'length');
  return (
    <article className="border-t-2 border-ink pt-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h3 className="text-lg font-semibold">
          {pieceName(piece)}, flat: {length(lengthMm)} by {length(widthMm)}
        </h3>
        <span>
          {printLength(piece.thicknessMm, system, 'thickness')}, {printMass(pattern.massKg, system)}
        </span>
      </div>
      <svg
        viewBox={`${-margin} ${-widthMm - margin} ${lengthMm + 2 * margin} ${widthMm + 2 * margin}`}
        className="my-2 max-h-72 w-full"
        role="img"
        aria-label={`Flat pattern of the ${pieceName(piece)}`}
      >
        <path
          d={paths.get('CUT')}
          fill="var(--slate-wash)"
          stroke="var(--ink)"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
          fillRule="evenodd"
        />
        <path
          d={paths.get('BEND')}
          fill="none"
          stroke="var(--slate)"
          strokeWidth="1.2"
          strokeDasharray="8 4"
          vectorEffect="non-scaling-stroke"
        />
        <path
          d={paths.get('MARK')}
          fill="none"
          stroke="var(--soft)"
          strokeWidth="1.2"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <ul className="text-[15px]">
        {pattern.bends.map((bend, k) => (
          <li key={k}>
            Bend {k + 1}: 90° down, between lines {lengthDigits(bend.startVMm, system, 'thickness')} and{' '}
            {lengthDigits(bend.endVMm, system, 'thickness')} {system} from the first edge; inside radius{' '}
            {printLength(pattern.insideRadiusMm, system, 'thickness')}, allowance{' '}
            {printLength(pattern.bendAllowanceMm, system, 'thickness')}
          </li>
        ))}
        {pattern.holes.length > 0 && (
          <li>
            {holesByPurpose(pattern)
              .map(
                ([purpose, holes]) =>
                  `${holes.length} ${HOLE_WORDS[purpose]}, Ø ${[...new Set(holes.map((hole) => length(hole.diameterMm)))].join(' and ')}`,
              )
              .join('; ')}
            {pattern.holes.some((hole) => hole.purpose === 'drain') &&
              `; drain edges turned down ${printLength(LIP_MM, system, 'length')}`}
          </li>
        )}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        <a className="plain" download href={href}>
          DXF, this side
        </a>
        <a className="plain" download href={`${href}&twin=1`}>
          DXF, mirrored twin
        </a>
      </div>
    </article>
  );
}

const HOLE_WORDS: Readonly<Record<FlatHole['purpose'], string>> = {
  drain: 'drains',
  'plug weld': 'plug holes',
  'kept hole': 'holes of the maker’s kept open',
  bolt: 'bolt holes',
};
const holesByPurpose = ({ holes }: FlatPattern): [FlatHole['purpose'], FlatHole[]][] =>
  (Object.keys(HOLE_WORDS) as FlatHole['purpose'][])
    .map((purpose): [FlatHole['purpose'], FlatHole[]] => [
      purpose,
      holes.filter((hole) => hole.purpose === purpose),
    ])
    .filter(([, some]) => some.length > 0);
