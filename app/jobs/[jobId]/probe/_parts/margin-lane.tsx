'use client';

import { printLength } from '@/core/quantity';
import { type SoundEdge } from '@/core/probe';
import { schoolMarginMm } from '@/core/reference';
import { useRoom } from '@/ui/controls';
import type { Stretch } from '@/ui/strip';
import { useMember, usePlace, useReader, useRecordsLater, useWork } from '../../../_desk';

const HEIGHT = 74;
const ROW = 14;
const WORDS = ['sound', 'below', 'top'] as const;

/** Where stations and margins stand in the lane: along on the Strip's own scale, down by how much sound metal is below the top corner. */
function laneOf(width: number, { fromMm, toMm }: Stretch, tallestMm: number) {
  const left = width < 500 ? 54 : 92;
  const inner = width - left - 14;
  return {
    left,
    inner,
    X: (stationMm: number) => left + ((stationMm - fromMm) / (toMm - fromMm)) * inner,
    Y: (marginMm: number) => 8 + (1 - marginMm / tallestMm) * (HEIGHT - 18),
    tallestMm,
  };
}
type Lane = ReturnType<typeof laneOf>;

/** Sound metal below the top corner along the stretch in sight, on the Strip's own scale, against what the school wants. */
export function MarginLane() {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const { member } = useMember();
  const { stretch } = usePlace();
  const { work } = useWork();
  const { holder, width } = useRoom();
  const edges = work?.picture.edges.filter((edge) => edge.columns.length > 0) ?? [];
  const lane = laneOf(width, stretch, member.shape.depthMm);
  const { left, inner, Y, tallestMm } = lane;
  const wantedMm = schoolMarginMm(file.practice.school);
  return (
    <div ref={holder} className="w-full">
      {edges.length > 0 && (
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`Sound metal below the top corner along the member; the school wants ${printLength(wantedMm, system, 'length')}`}
          className="block"
        >
          <clipPath id="margin-clip">
            <rect x={left} y={0} width={inner} height={HEIGHT} />
          </clipPath>
          {WORDS.map((word, k) => (
            <text key={word} x={left - 10} y={24 + k * ROW} textAnchor="end" fontSize="12" fill="var(--soft)">
              {word}
            </text>
          ))}
          <rect
            x={left}
            y={Y(tallestMm)}
            width={inner}
            height={Y(0) - Y(tallestMm)}
            fill="none"
            stroke="var(--rule)"
          />
          <g clipPath="url(#margin-clip)">
            <Wanted lane={lane} wantedMm={wantedMm} />
            <Edges lane={lane} edges={edges} />
            <CursorLine lane={lane} />
          </g>
          <WantedWords lane={lane} wantedMm={wantedMm} />
        </svg>
      )}
    </div>
  );
}

const Wanted = ({ lane: { left, inner, Y }, wantedMm }: { lane: Lane; wantedMm: number }) => (
  <>
    <rect x={left} y={Y(wantedMm)} width={inner} height={Y(0) - Y(wantedMm)} fill="var(--oxide-wash)" />
    <line
      x1={left}
      x2={left + inner}
      y1={Y(wantedMm)}
      y2={Y(wantedMm)}
      stroke="var(--oxide)"
      strokeWidth="1.6"
      strokeDasharray="7 4"
    />
  </>
);

function WantedWords({ lane: { left, inner, Y }, wantedMm }: { lane: Lane; wantedMm: number }) {
  const { system } = useReader();
  return (
    <text
      x={left + inner - 4}
      y={Y(wantedMm) - 4}
      textAnchor="end"
      fontSize="12"
      fontWeight="600"
      fill="var(--oxide)"
      stroke="var(--paper)"
      strokeWidth="3"
      paintOrder="stroke"
    >
      {printLength(wantedMm, system, 'length')} wanted
    </text>
  );
}

const Edges = ({ lane: { X, Y }, edges }: { lane: Lane; edges: readonly SoundEdge[] }) =>
  edges.map(({ face, columns, faceHeightMm }, k) => {
    const points = columns.map(
      ({ stationMm, upperMm }) => `${X(stationMm).toFixed(1)} ${Y(faceHeightMm - upperMm).toFixed(1)}`,
    );
    return (
      <path
        key={face}
        d={`M${points.join('L')}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.2"
        {...(k > 0 && { strokeDasharray: '8 3' })}
      />
    );
  });

function CursorLine({ lane: { X } }: { lane: Lane }) {
  const { cursor } = usePlace();
  const x = X(cursor.stationMm);
  return <line x1={x} x2={x} y1={0} y2={HEIGHT} stroke="var(--here)" strokeWidth="3" />;
}
