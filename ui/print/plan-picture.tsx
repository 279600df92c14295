import { Line, Svg } from '@react-pdf/renderer';
import type { Frame } from '@/core/frame';
import { PRINT_FAMILY } from './fonts';
import { planLines } from './plan-lines';
import { Text as SvgText } from './text';

/** The frame from above, members that ask for repair drawn heavy and numbered as they are listed. */
export function PlanPicture({
  frame,
  marked,
  width,
  height,
}: {
  frame: Frame;
  marked: readonly string[];
  width: number;
  height: number;
}) {
  const lines = planLines(frame, width - 16, height - 16);
  return (
    <Svg width={width} height={height} viewBox={`-8 -8 ${width} ${height}`}>
      {lines.map(({ memberId, from, to }) => {
        const number = marked.indexOf(memberId) + 1;
        return [
          <Line
            key={memberId}
            x1={from[0]}
            y1={from[1]}
            x2={to[0]}
            y2={to[1]}
            stroke="#000"
            strokeWidth={number > 0 ? 3.2 : 0.7}
          />,
          number > 0 ? (
            <SvgText
              key={`${memberId} number`}
              x={(from[0] + to[0]) / 2 + 3}
              y={(from[1] + to[1]) / 2 - 3}
              style={{ fontSize: 9, fontFamily: PRINT_FAMILY }}
            >
              {number}
            </SvgText>
          ) : null,
        ];
      })}
    </Svg>
  );
}
