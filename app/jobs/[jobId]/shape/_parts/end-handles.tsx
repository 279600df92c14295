'use client';

import { useRef, useState } from 'react';
import { inchesToMm } from '@/core/quantity';
import type { Member } from '@/core/frame';
import { coverage, type Piece, type Repair } from '@/core/shape';
import { useTapDrag, type Pointed } from '@/ui/controls';
import type { StripScale } from '@/ui/strip';
import { withEnds } from './add-piece';

const SNAP_MM = inchesToMm(1 / 4);
/** No end is dragged nearer to the other one, mm. */
const LEAST_MM = 100;

interface Grip {
  readonly index: number;
  readonly end: 'startMm' | 'endMm';
}

/** Where an end may go: on the member, and not past the other one. */
const within = (member: Member, piece: Piece, end: Grip['end'], stationMm: number): number =>
  end === 'startMm'
    ? Math.min(Math.max(0, stationMm), piece.endMm - LEAST_MM)
    : Math.max(Math.min(member.lengthMm, stationMm), piece.startMm + LEAST_MM);

/** As large as a finger, drawn as large as it need be. */
const GripMark = ({ x, y }: { x: number; y: number }) => (
  <>
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
    <path d={`M${x - 2.5} ${y - 7}v14M${x + 2.5} ${y - 7}v14`} stroke="var(--slate)" strokeWidth="1.8" />
  </>
);

/**
 * Grips on both ends of every piece: drag to move an end; it snaps to a quarter inch. Every step is told as it is dragged, for the rules to speak at once, and
 * it is kept when let go.
 */
export function EndHandles({
  member,
  repair,
  scale,
  onDragged,
  onMoved,
}: {
  member: Member;
  repair: Repair;
  scale: StripScale;
  onDragged: (pieces: Piece[]) => void;
  onMoved: (pieces: Piece[] | undefined) => void;
}) {
  const [begun, setBegun] = useState<Pick<Repair, 'pieces'>>();
  const { pieces } = repair;
  const group = useRef<SVGGElement>(null);
  const stationOf = ({ clientX }: Pointed) => {
    const box = group.current!.ownerSVGElement!.getBoundingClientRect();
    return Math.round(scale.stationAt(clientX - box.left) / SNAP_MM) * SNAP_MM;
  };
  const grips = useTapDrag<Grip>({
    onDrag: (at, { index, end }) => {
      const from = begun ?? repair;
      if (!begun) setBegun(repair);
      const piece = from.pieces[index]!;
      const ends = {
        startMm: piece.startMm,
        endMm: piece.endMm,
        [end]: within(member, piece, end, stationOf(at)),
      };
      if (ends[end] === pieces[index]?.[end]) return;
      onDragged(from.pieces.map((each, n) => (n === index ? withEnds(member, each, ends) : each)));
    },
    onCancel: () => {
      setBegun(undefined);
      onMoved(undefined);
    },
    onDrop: ({ index, end }) => {
      const isMoved = begun && begun.pieces[index]![end] !== pieces[index]![end];
      setBegun(undefined);
      onMoved(isMoved ? [...pieces] : undefined);
    },
  });
  return (
    <g ref={group}>
      {pieces.flatMap((piece, k) =>
        (['startMm', 'endMm'] as const).map((end) => {
          const x = scale.x(piece[end]);
          const y = scale.y(Math.max(0, coverage(member.shape, piece).noseUMm));
          return (
            <g key={`${piece.id}-${end}`} className="cursor-ew-resize" {...grips({ index: k, end })}>
              <GripMark x={x} y={y} />
            </g>
          );
        }),
      )}
    </g>
  );
}
