'use client';

import { useRef, useState } from 'react';
import { changeMember, moveMember, type Frame, type Member } from '@/core/frame';
import type { SkeletonProps } from '@/ui/skeleton';
import type { FrameDraft } from './use-frame-draft';

/** So many steps can be taken back. */
const STEPS_BACK = 50;
/** Parts are dragged in steps, mm. */
const DRAG_STEP_MM = 5;

type Moved = Parameters<NonNullable<SkeletonProps['onMove']>>;

/** A part of a frame at another station. */
function moved(frame: Frame, [{ kind, id }, stationMm]: Moved, inStep: boolean): Frame {
  const rounded = Math.round(stationMm / DRAG_STEP_MM) * DRAG_STEP_MM;
  return kind === 'member'
    ? moveMember(frame, id, rounded, inStep)
    : {
        ...frame,
        fittings: frame.fittings.map((mark) => (mark.id === id ? { ...mark, stationMm: rounded } : mark)),
      };
}

/** Changes to the frame being drafted, each of which can be taken back; a drag is one step, however many places it went through. */
export function useFrameEdit({ frame, set: setDraft }: FrameDraft) {
  const [past, setPast] = useState<readonly Frame[]>([]);
  const [inStep, setInStep] = useState(true);
  const dragging = useRef<string | undefined>(undefined);
  const remember = () => setPast([...past.slice(1 - STEPS_BACK), frame]);
  const set = (next: Frame) => {
    dragging.current = undefined;
    remember();
    setDraft(next);
  };
  const move = (...to: Moved) => {
    const [{ id }] = to;
    const next = moved(frame, to, inStep);
    if (dragging.current !== id) remember();
    dragging.current = id;
    setDraft(next);
  };
  const undo = () => {
    dragging.current = undefined;
    setDraft(past[past.length - 1]!);
    setPast(past.slice(0, -1));
  };
  const setMember = (id: string, to: Partial<Member>) => set(changeMember(frame, id, to, inStep));
  return {
    ...{ inStep, setInStep, set, move, setMember },
    undo: past.length > 0 ? undo : undefined,
    forget: () => setPast([]),
  };
}
export type FrameEdit = ReturnType<typeof useFrameEdit>;
