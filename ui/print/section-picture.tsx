import { Polygon, Svg } from '@react-pdf/renderer';
import type { DrawnSection, Ring } from '@/core/weigh';

export interface SectionSize {
  readonly breadthMm: number;
  readonly depthMm: number;
  readonly isMirrored: boolean;
}

/** Room round a section for its plates, mm. */
const ROUND_MM = 22;

/** A section in black, its plates in grey with an edge. */
export function SectionPicture({
  drawn: { wall, plates },
  size: { breadthMm, depthMm, isMirrored },
  heightPt,
}: {
  drawn: DrawnSection;
  size: SectionSize;
  heightPt: number;
}) {
  const [width, height] = [breadthMm + 2 * ROUND_MM, depthMm + 2 * ROUND_MM];
  const points = (ring: Ring) =>
    ring
      .map(([x, y]) => `${(isMirrored ? breadthMm - x : x) + ROUND_MM},${depthMm - y + ROUND_MM}`)
      .join(' ');
  return (
    <Svg viewBox={`0 0 ${width} ${height}`} style={{ width: (heightPt * width) / height, height: heightPt }}>
      {wall.map((ring, k) => (
        <Polygon key={k} points={points(ring)} fill="#000" stroke="#000" strokeWidth={0.3} />
      ))}
      {plates.map((ring, k) => (
        <Polygon key={`plate ${k}`} points={points(ring)} fill="#9a9a9a" stroke="#000" strokeWidth={0.8} />
      ))}
    </Svg>
  );
}
