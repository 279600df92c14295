import type { Member } from '../frame';
import type { HandPractice } from '../reference';
import type { FeltEdge, Reading } from '../probe';
import type { Crack } from '../trace';
import type { MemberWalk, Sign } from '../walk';
import { findSays, type Beside } from './says/finds';
import { lookSays } from './says/looks';
import { signSays } from './says/signs';
import { crackSays, feltSays } from './says/traced';
import type { Saying } from './saying';

/** Standing evidence of one member, as its kinds come. */
export interface Witnesses {
  readonly walk?: Pick<MemberWalk, 'spots'>;
  readonly signs?: readonly Sign[];
  readonly cracks: readonly Crack[];
  readonly feltEdges?: readonly FeltEdge[];
  readonly beside?: readonly Beside[];
}

const compare = (one: string, other: string): number => (one < other ? -1 : one > other ? 1 : 0);

/** Every record's word on a member's metal, in the order they were noted; what nobody has looked at comes first. One line a kind. */
export function sayingsOf(member: Member, witnesses: Witnesses, practice: HandPractice): Saying[] {
  const { walk, signs = [], cracks, feltEdges = [], beside = [] } = witnesses;
  return [
    ...(walk?.spots ?? []).flatMap((state) => lookSays(state, member.shape, practice)),
    ...signs.flatMap((sign) => signSays(sign, practice)),
    ...cracks.flatMap((crack) => crackSays(crack, member.shape)),
    ...feltEdges.flatMap((felt) => feltSays(felt, practice)),
    ...beside.flatMap(findSays),
  ].sort((a, b) => compare(a.at ?? '', b.at ?? ''));
}

const within = (saying: Saying, stationMm: number): boolean =>
  stationMm >= saying.fromMm && stationMm <= saying.toMm;

/**
 * Readings of the member's own metal. One taken on a skin or an old plate is the skin's, whenever it was taken, until the place was opened; a
 * cut sample shows the metal itself.
 */
export function ownReadings(readings: readonly Reading[], sayings: readonly Saying[]): readonly Reading[] {
  const skins = sayings.filter((saying) => saying.claim === 'hidden' && saying.isSkin);
  const opened = sayings.filter((saying) => saying.claim === 'opened');
  if (skins.length === 0) return readings;
  const covers = (saying: Saying, reading: Reading) =>
    within(saying, reading.stationMm) && (!saying.face || saying.face === reading.face);
  return readings.filter((reading) => {
    if (reading.method === 'cut sample') return true;
    return !skins.some(
      (skin) =>
        covers(skin, reading) &&
        !opened.some((open) => covers(open, reading) && open.at! >= skin.at! && open.at! <= reading.at),
    );
  });
}

/** What a piece of evidence is about, and when it was noted. */
interface Dated {
  readonly at: string;
  readonly fromMm: number;
  readonly toMm: number;
}

/** Whether a piece of evidence still speaks of what is there: what lies wholly in an extent that was put right since does not. */
export function stillThere(sayings: readonly Saying[]): (evidence: Dated) => boolean {
  const mended = sayings.filter((saying) => saying.claim === 'put right');
  return ({ at, fromMm, toMm }) =>
    !mended.some((saying) => saying.at! > at && fromMm >= saying.fromMm && toMm <= saying.toMm);
}
