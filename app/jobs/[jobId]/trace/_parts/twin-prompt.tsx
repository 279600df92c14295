'use client';

import { memberOf, twinOf, type Member } from '@/core/frame';
import type { Crack } from '@/core/trace';
import { printStation } from '../../../../_words/station';
import { useMember, useReader, useRecords } from '../../../_desk';

/** After a crack: the same place on the other side, and the corner across from it. */
export function TwinPrompt({ crack, onDone }: { crack: Crack; onDone: () => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { selectMember, setCursor } = useMember();
  const own = memberOf(file.frame, crack.memberId);
  const twin = own && twinOf(file.frame, own);
  if (!own || !twin) return null;
  const { face, heightMm, stationMm } = crack.path[0]!;
  const places: readonly (readonly [words: string, member: Member, mm: number])[] = [
    ['the same place on', twin, Math.min(stationMm, twin.lengthMm)],
    ['the corner across, on', twin, Math.max(0, twin.lengthMm - stationMm)],
  ];
  return (
    <section
      aria-label="Look at the twin"
      className="mt-3 flex flex-wrap items-center gap-2 border-l-[6px] border-here px-3 py-1"
    >
      <p className="letters-17">A crack has a twin more often than not. Look now at</p>
      {places.map(([words, member, mm]) => (
        <button
          key={words}
          type="button"
          className="plain"
          onClick={() => {
            selectMember(member.id);
            setCursor({ stationMm: mm, face, heightMm });
          }}
        >
          {words} {member.name.toLowerCase()}, {printStation(member, mm, system)}
        </button>
      ))}
      <button type="button" className="hit px-2 underline" onClick={onDone}>
        looked at both
      </button>
    </section>
  );
}
