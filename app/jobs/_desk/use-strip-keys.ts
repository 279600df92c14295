'use client';

import { useCallback, type KeyboardEvent } from 'react';
import type { Member } from '@/core/frame';
import { inchesToMm, type UnitSystem } from '@/core/quantity';
import { following, stepCursor, turnFace, zoomed, type Cursor, type Stretch } from '@/ui/strip';
import { useMember, usePlace } from './place-context';
import { useReader } from './reader-context';

/** What a key does on the Strip: the cursor or the stretch after it. Undefined where the key is none of the Strip's. */
export function stripMove(
  key: string,
  far: boolean,
  at: {
    readonly member: Member;
    readonly cursor: Cursor;
    readonly stretch: Stretch;
    readonly system: UnitSystem;
  },
): { readonly cursor: Cursor } | { readonly stretch: Stretch } | undefined {
  const { member, cursor, stretch, system } = at;
  const along = system === 'in' ? inchesToMm(far ? 12 : 1) : far ? 250 : 25;
  const across = system === 'in' ? inchesToMm(1 / 4) : 5;
  switch (key) {
    case 'ArrowLeft':
      return { cursor: stepCursor(member, cursor, -along, 0) };
    case 'ArrowRight':
      return { cursor: stepCursor(member, cursor, along, 0) };
    case 'ArrowUp':
      return { cursor: stepCursor(member, cursor, 0, -across) };
    case 'ArrowDown':
      return { cursor: stepCursor(member, cursor, 0, across) };
    case 'Home':
      return { cursor: { ...cursor, stationMm: 0 } };
    case 'End':
      return { cursor: { ...cursor, stationMm: member.lengthMm } };
    case '[':
      return { cursor: turnFace(member, cursor, -1) };
    case ']':
      return { cursor: turnFace(member, cursor, 1) };
    case '+':
    case '=':
      return { stretch: zoomed(member, stretch, cursor.stationMm, 0.5) };
    case '-':
      return { stretch: zoomed(member, stretch, cursor.stationMm, 2) };
    case 'z':
      return { stretch: { fromMm: 0, toMm: member.lengthMm } };
    default:
      return undefined;
  }
}

/** Keys of the Strip: the verb's own first, then moving and zooming. */
export function useStripKeys(
  onKey: ((event: KeyboardEvent<SVGSVGElement>) => boolean) | undefined,
): (event: KeyboardEvent<SVGSVGElement>) => void {
  const { system } = useReader();
  const { member, setCursor, setStretch } = useMember();
  const { cursor, stretch } = usePlace();
  return useCallback(
    (event) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (onKey?.(event)) return void event.preventDefault();
      const move = stripMove(event.key, event.shiftKey, { member, cursor, stretch, system });
      if (!move) return;
      event.preventDefault();
      if ('stretch' in move) return setStretch(move.stretch);
      setCursor(move.cursor);
      setStretch(following(member, stretch, move.cursor.stationMm));
    },
    [onKey, system, member, cursor, stretch, setCursor, setStretch],
  );
}
