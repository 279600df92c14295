'use client';

import { useRef, useState } from 'react';
import { inchesToMm } from '@/core/quantity';
import type { Member } from '@/core/frame';
import { coverage, outlineOnStrip, type Piece, type Repair } from '@/core/shape';
import { useTapDrag, type Pointed } from '@/ui/controls';
import type { StripScale } from '@/ui/strip';

const SNAP_MM = inchesToMm(1 / 4);

interface Grip {
  readonly index: number;
  readonly end: 'startMm' | 'endMm';
}

/** Grips on both ends of every piece: drag to move an end; it snaps to a quarter inch and is kept when let go. */
export function EndHandles({
  member,
  repair,
  scale,
  onMoved,
}: {
  member: Member;
  repair: Repair;
  scale: StripScale;
  onMoved: (pieces: Piece[]) => void;
}) {
  const [drag, setDrag] = useState<Grip & { readonly stationMm: number }>();
  const pieces = repair.pieces.map((piece, k) =>
    drag?.index === k ? { ...piece, [drag.end]: drag.stationMm } : piece,
  );
  const group = useRef<SVGGElement>(null);
  const stationOf = ({ clientX }: Pointed) => {
    const box = group.current!.ownerSVGElement!.getBoundingClientRect();
    return Math.round(scale.stationAt(clientX - box.left) / SNAP_MM) * SNAP_MM;
  };
  const limited = (piece: Piece, end: 'startMm' | 'endMm', stationMm: number) =>
    end === 'startMm'
      ? Math.min(Math.max(0, stationMm), piece.endMm - 100)
      : Math.max(Math.min(member.lengthMm, stationMm), piece.startMm + 100);
  const grips = useTapDrag<Grip>({
    onDrag: (at, { index, end }) =>
      setDrag({ index, end, stationMm: limited(repair.pieces[index]!, end, stationOf(at)) }),
    onDrop: ({ index, end }) => {
      if (drag && drag.stationMm !== repair.pieces[index]![end])
        onMoved(repair.pieces.map((each, n) => (n === index ? { ...each, [end]: drag.stationMm } : each)));
      setDrag(undefined);
    },
  });
  return (
    <g ref={group}>
      {drag &&
        pieces.map((piece) => (
          <path
            key={piece.id}
            d={`M${outlineOnStrip(member, piece)
              .map(([station, u]) => `${scale.x(station)} ${scale.y(u)}`)
              .join('L')}Z`}
            fill="none"
            stroke="var(--slate)"
            strokeWidth="2.5"
            strokeDasharray="6 4"
            pointerEvents="none"
          />
        ))}
      {pieces.flatMap((piece, k) =>
        (['startMm', 'endMm'] as const).map((end) => {
          const x = scale.x(piece[end]);
          const y = scale.y(Math.max(0, coverage(member.shape, piece).noseUMm));
          return (
            <g key={`${piece.id}-${end}`} className="cursor-ew-resize" {...grips({ index: k, end })}>
              <rect x={x - 22} y={y - 22} width="44" height="44" fill="transparent" />
              <rect
                x={x - 7}
                y={y - 15}
                width="14"
                height="30"
                fill="var(--sheet)"
                stroke="var(--slate)"
                strokeWidth="2.5"
              />
              <path
                d={`M${x - 2.5} ${y - 7}v14M${x + 2.5} ${y - 7}v14`}
                stroke="var(--slate)"
                strokeWidth="1.8"
              />
            </g>
          );
        }),
      )}
    </g>
  );
}
