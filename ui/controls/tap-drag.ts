'use client';

import { useDrag } from '@use-gesture/react';
import { useRef, type MouseEvent, type PointerEvent } from 'react';

/** A finger rests this long before it drags what it touches; one that moves sooner scrolls the page. */
const HOLD_MS = 300;
/** A hand that trembles this much, px, still taps. */
const TREMBLE_PX = 3;

/** Where a pointer is in the window. */
export interface Pointed {
  readonly clientX: number;
  readonly clientY: number;
}
export interface TapDrag<Arg> {
  /** Touched and let go where it was. */
  readonly onTap?: (at: Pointed, arg: Arg) => void;
  /** Dragged: by a mouse at once, by a finger after it rested. */
  readonly onDrag?: (at: Pointed, arg: Arg) => void;
  /** Let go after a drag. */
  readonly onDrop?: (arg: Arg) => void;
  /** Taken away by the system in the middle of a drag: nothing is meant by it. */
  readonly onCancel?: () => void;
}

/** One meaning everywhere: a tap places, a swipe scrolls the page and changes nothing, a rest and a drag moves what is held. */
export function useTapDrag<Arg>({ onTap, onDrag, onDrop, onCancel }: TapDrag<Arg>) {
  // A mouse that was dragged clicks where it is let go: that is no tap.
  const draggedRef = useRef(false);
  const bind = useDrag<PointerEvent>(
    ({ args, active, last, canceled, distance, xy: [clientX, clientY] }) => {
      const arg = (args as Arg[])[0]!;
      if (Math.max(...distance) > TREMBLE_PX) draggedRef.current = true;
      if (!draggedRef.current) return;
      if (active) onDrag?.({ clientX, clientY }, arg);
      if (last && canceled) onCancel?.();
      else if (last) onDrop?.(arg);
    },
    { preventScroll: HOLD_MS, preventScrollAxis: 'xy', pointer: { keys: false } },
  );
  return (arg: Arg) => {
    const gestures = bind(arg) as { onPointerDown?: (event: PointerEvent) => void };
    return {
      ...gestures,
      onPointerDown: (event: PointerEvent) => {
        event.stopPropagation();
        draggedRef.current = false;
        gestures.onPointerDown?.(event);
      },
      ...(onTap && {
        onClick: (event: MouseEvent) => {
          if (!draggedRef.current) onTap(event, arg);
        },
      }),
    };
  };
}
