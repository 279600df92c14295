import { Path, Svg } from '@react-pdf/renderer';
import { extentOf, seenFrom, type SeenFace } from '@/core/geometry';
import {
  liftOf,
  repairFaces,
  usualLook,
  type MemberWork as WholeWork,
  type RoundFace,
  type WorkedRepair,
} from '@/core/job';
import { greyOf } from '../round/tones';

/** Steps along the stretch: no more is seen at this size. */
const STEPS = 18;

/** A repair in the round, still, in greys that print. */
export function RoundPicture({
  work: { picture },
  worked,
  width,
  height,
}: {
  work: Pick<WholeWork, 'picture'>;
  worked: WorkedRepair;
  width: number;
  height: number;
}) {
  const isBeneath = worked.repair.pieces.some(({ kind }) => kind.startsWith('bottom'));
  const seen = seenFrom(repairFaces(picture, worked, STEPS), usualLook(picture, isBeneath), liftOf);
  const { minX, minY, maxX, maxY } = extentOf(seen.flatMap(({ points }) => points));
  return (
    <Svg viewBox={`${minX} ${-maxY} ${maxX - minX} ${maxY - minY}`} style={{ width, height }}>
      {inGreys(seen).map(({ grey, d }, k) => (
        <Path key={k} d={d} fill={grey} stroke={grey} strokeWidth={1} />
      ))}
    </Svg>
  );
}

/** Faces of one grey that follow one another are one path: a page of thousands is slow to make. */
function inGreys(seen: readonly SeenFace<RoundFace>[]): { grey: string; d: string }[] {
  const paths: { grey: string; d: string }[] = [];
  for (const { of, points, light } of seen) {
    const grey = greyIn(greyOf(of) * light);
    const d = `M${points.map(([x, y]) => `${x.toFixed(1)} ${(-y).toFixed(1)}`).join('L')}Z`;
    const last = paths[paths.length - 1];
    if (last?.grey === grey) last.d += d;
    else paths.push({ grey, d });
  }
  return paths;
}

/** One of sixteen greys. */
function greyIn(share: number): string {
  const digit = Math.round(15 * Math.max(0, Math.min(1, share))).toString(16);
  return `#${digit}${digit}${digit}`;
}
