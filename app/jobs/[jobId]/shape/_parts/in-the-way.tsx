'use client';

import { inchesToMm } from '@/core/quantity';
import type { WorkedRepair } from '@/core/job';
import {
  isNotchedRound,
  PAST_WAYS,
  pastOf,
  type Notch,
  type PastWay,
  type Piece,
  type Repair,
} from '@/core/shape';
import { Pick } from '@/ui/controls';
import { PAST_WORDS } from '../../../../_words/shape';
import { printStation } from '../../../../_words/station';
import { useMember, useReader } from '../../../_desk';

type Met = WorkedRepair['clashes'][number];
type Way = PastWay | 'notch' | 'undecided';

/** What the plates meet, one line each, and the way past it. */
export function InTheWay({
  worked,
  onChange,
}: {
  worked: WorkedRepair;
  onChange: (to: (standing: Repair) => Partial<Repair>) => void;
}) {
  const { system } = useReader();
  const { member } = useMember();
  if (worked.clashes.length === 0) return null;
  const { repair } = worked;
  return (
    <section aria-label="In the way" className="mt-3 border-t border-rule pt-2">
      <h3 className="text-lg font-semibold">In the way</h3>
      <ul className="ruled">
        {worked.clashes.map((clash) => {
          const piece = repair.pieces.find(({ id }) => id === clash.pieceId)!;
          const way: Way = isNotchedRound(piece, clash) ? 'notch' : (pastOf(repair, clash) ?? 'undecided');
          return (
            <li
              key={`${clash.pieceId} ${clash.hostId}`}
              className="flex flex-wrap items-end gap-x-3 gap-y-1 py-1"
            >
              <span className="min-w-0 flex-1 self-center">
                {clash.name}, {printStation(member, (clash.fromMm + clash.toMm) / 2, system)}
              </span>
              <Pick
                label={`${clash.name}: way past it`}
                className="min-fit-52"
                value={way}
                options={clash.what === 'skin' ? SKIN_WAYS : WAYS}
                words={(each) => PAST_WORDS[each]}
                onPick={(to) => onChange((standing) => wentPast(standing, clash, to))}
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const WAYS: readonly Way[] = ['undecided', 'notch', 'off and back', 'clear of it'];
const SKIN_WAYS: readonly Way[] = ['undecided', 'off for good', 'stays beneath'];
const isPast = (way: Way): way is PastWay => (PAST_WAYS as readonly Way[]).includes(way);

/** Room left round what a notch passes, and how deep one starts where nobody knows how far it reaches, mm. */
const [CLEAR_MM, DEEP_MM] = [inchesToMm(1), inchesToMm(2)];

/** A repair with another way past what one of its pieces meets. */
export function wentPast(repair: Repair, clash: Met, way: Way): Partial<Repair> {
  const others = (repair.beneath ?? []).filter(({ hostId }) => hostId !== clash.hostId);
  const beneath = isPast(way) ? [...others, { hostId: clash.hostId, way }] : others;
  return {
    beneath,
    pieces: repair.pieces.map((piece) =>
      piece.id === clash.pieceId ? notched(piece, clash, way === 'notch') : piece,
    ),
  };
}

function notched(piece: Piece, clash: Met, isOn: boolean): Piece {
  const { notches = [], ...rest } = piece;
  const others = notches.filter(({ fromMm, toMm }) => !(fromMm <= clash.fromMm && toMm >= clash.toMm));
  const next: Notch[] = isOn ? [...others, notchRound(piece, clash)] : others;
  return next.length > 0 ? { ...rest, notches: next } : rest;
}

const notchRound = ({ startMm, endMm }: Piece, { fromMm, toMm }: Met): Notch => ({
  fromMm: Math.max(startMm, fromMm - CLEAR_MM),
  toMm: Math.min(endMm, toMm + CLEAR_MM),
  edge: 'first',
  deepMm: DEEP_MM,
});
