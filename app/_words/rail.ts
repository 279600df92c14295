import type { Member } from '@/core/frame';
import { faceAtU, heightOnFace, onSheet } from '@/core/frame';
import type { LedgerSeam } from '@/core/job';
import type { PlannedRun, ReadyCheck, SeamStands, WeldWhyNot } from '@/core/join';
import { printLength, type UnitSystem } from '@/core/quantity';
import { faceWords } from '@/ui/strip';
import { printStation } from './station';

/** A wait as somebody counts it: none, under a minute by quarters, then minutes. */
export function waitWords(seconds: number): string {
  if (!(seconds > 0)) return 'none';
  if (seconds < 60) return `${Math.ceil(seconds / 15) * 15} s`;
  const minutes = Math.ceil(seconds / 30) / 2;
  return `${minutes} min`;
}

/** Where a run starts and which way it goes, as it is read out at the rail. */
export function runWords(member: Member, { path, lengthMm }: PlannedRun, system: UnitSystem): string {
  const [from, to] = [path[0]!, path.at(-1)!];
  const where = ([stationMm, uMm]: readonly [number, number]) => {
    const u = onSheet(member.shape, uMm);
    const face = faceAtU(member.shape, u);
    const high = printLength(heightOnFace(face, u), system, 'length');
    return `${faceWords(member, face.id)}, ${printStation(member, stationMm, system)}, ${high} ${face.upright ? 'up' : 'out'}`;
  };
  if (path.length === 1) return `Fill the plug at ${where(from)}.`;
  const way =
    Math.abs(to[0] - from[0]) > Math.abs(to[1] - from[1])
      ? to[0] > from[0]
        ? 'rearward'
        : 'forward'
      : upOrDown(member, from[1], to[1]);
  return `Start at ${where(from)}; ${printLength(lengthMm, system, 'length')} ${way}.`;
}

function upOrDown({ shape }: Member, fromU: number, toU: number): string {
  const [from, to] = [onSheet(shape, fromU), onSheet(shape, toU)];
  const face = faceAtU(shape, (from + to) / 2);
  const rises = heightOnFace(face, to) > heightOnFace(face, from);
  return face.upright ? (rises ? 'upward' : 'downward') : rises ? 'outward' : 'inward';
}

export const READY_WORDS: Readonly<Record<ReadyCheck, string>> = {
  gas: 'Gas on, flow seen, no draught at the arc',
  earth: 'Earth clamp on bright metal of this member',
  'bright band': 'Bright metal along every seam, as traced',
  'scrap test': 'Scrap of this thickness welded, broken open, held',
  'tank and lines': 'Tank out and out of the building; lines, harness moved; battery off',
  watch: 'Extinguisher at hand, somebody watches',
};

export const WHY_NOT_WORDS: Readonly<Record<WeldWhyNot, string>> = {
  aluminium: 'Aluminium is not welded in place: block, bond and screw it, or renew it',
  'not this steel':
    'Heat-treated: no weld but by its maker’s own written procedure. Bolt plates on, or renew the member',
  'steel unknown':
    'Nobody has said what steel this is: a label, a hardness test, or the maker’s word first; then in Frame',
  'nobody named': 'Say who welds it',
  'does not weld': 'On the shop’s list this person does not weld',
  'no paper': 'This profile asks for a welder with a paper on record: add it in Shop, People',
  'no leave of the maker':
    'This profile allows welding only as the maker allows: say where that stands (bulletin, letter, date)',
};

export const STANDS_WORDS: Readonly<Record<SeamStands, string>> = {
  changed: 'another length since it was logged: look at what was laid',
  'not welded': 'not welded yet',
  'part laid': 'some of its runs are laid',
  'not looked at': 'welded, not looked at',
  defect: 'a defect: grind out, redo, look again',
  'no photo': 'looked at; no photo yet',
  good: 'good',
  'left open': 'left open on purpose',
};

/** Why what hides these seams is not put right yet. */
export const heldWords = (held: readonly LedgerSeam[]): string =>
  `hold: ${held.map(({ mark, stands }) => `${mark} ${STANDS_WORDS[stands]}`).join('; ')}. Look and photo first: Join, Log`;
