import type { UnitSystem } from '@/core/quantity';
import { blankFigures, type Blank } from '@/core/shape';
import { blankPaths } from '@/ui/print';

/** Its lines and what is written on it. */
export function BlankPicture({
  blank,
  system,
  isTwin = false,
  isBare = false,
}: {
  /** Nothing is written on it yet. */
  isBare?: boolean;
  blank: Blank;
  system: UnitSystem;
  isTwin?: boolean;
}) {
  const { lengthMm, widthMm } = blankFigures(blank);
  const { paths, texts } = blankPaths(blank, { system, isTwin });
  const margin = Math.max(lengthMm, widthMm) * 0.02;
  const line = { fill: 'none', strokeWidth: 1.2, vectorEffect: 'non-scaling-stroke' } as const;
  return (
    <svg
      viewBox={`${-margin} ${-widthMm - margin} ${lengthMm + 2 * margin} ${widthMm + 2 * margin}`}
      className="my-2 max-h-72 w-full"
      role="img"
      aria-label={`Flat pattern of the ${blank.name}${isTwin ? ', mirrored twin' : ''}`}
    >
      <path
        {...line}
        d={paths.get('CUT')}
        fill="var(--slate-wash)"
        stroke="var(--ink)"
        strokeWidth="2"
        fillRule="evenodd"
      />
      <path {...line} d={paths.get('BEND')} stroke="var(--slate)" strokeDasharray="8 4" />
      <path {...line} d={paths.get('SCRIBE')} stroke="var(--oxide)" strokeDasharray="3 3" />
      <path {...line} d={paths.get('MARK')} stroke="var(--soft)" />
      {(isBare ? [] : texts).map(({ x, y, height, words }, k) => (
        <text key={k} x={x} y={y} fontSize={height} fill="var(--ink)" fontFamily="inherit">
          {words}
        </text>
      ))}
    </svg>
  );
}
