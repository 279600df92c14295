import type { Member } from '../frame';
import type { HandPractice } from '../reference';
import type { FeltEdge, Reading } from '../probe';
import { crackExtent, type SeenCrack } from '../trace';
import type { MemberWalk, MendedBefore, Sign } from '../walk';
import { findSays, type Beside } from './says/finds';
import { lookSays } from './says/looks';
import { signSays } from './says/signs';
import { crackSays, feltSays } from './says/traced';
import type { Claim, Saying } from './saying';

/** Standing evidence of one member, as its kinds come. */
export interface Witnesses {
  readonly walk?: Pick<MemberWalk, 'spots'>;
  readonly signs?: readonly Sign[];
  readonly cracks: readonly SeenCrack[];
  readonly feltEdges?: readonly FeltEdge[];
  readonly beside?: readonly Beside[];
  readonly kept?: KeptOrder;
  /** What earlier jobs of the unit put right on this member. */
  readonly mendedBefore?: readonly MendedBefore[];
}

const compare = (one: string, other: string): number => (one < other ? -1 : one > other ? 1 : 0);

/** Where each record stands among all that were kept. */
export type KeptOrder = ReadonlyMap<string, number>;

/** Claims that take something back or vouch for metal. */
const CLEARS: ReadonlySet<Claim> = new Set<Claim>(['seen', 'held', 'opened', 'straightened', 'put right']);

/**
 * Sayings in the order they hold. A device's clock may be wrong and another may have been out of reach: what speaks well of metal counts from the
 * earlier of its two places, by the clock and as it was kept, what speaks against it from the later. So neither can hide a hole found since.
 */
function inOrder(sayings: readonly Saying[], kept: KeptOrder | undefined): Saying[] {
  const byClock = [...sayings].sort((a, b) => compare(a.at ?? '', b.at ?? ''));
  if (!kept) return byClock;
  const placeOf = (saying: Saying) => (saying.at === undefined ? -1 : (kept.get(saying.recordId) ?? -1));
  const byKeeping = new Map(
    [...byClock].sort((a, b) => placeOf(a) - placeOf(b)).map((saying, k) => [saying, k]),
  );
  const key = byClock.map((saying, k) =>
    (CLEARS.has(saying.claim) ? Math.min : Math.max)(k, byKeeping.get(saying)!),
  );
  return byClock
    .map((saying, k) => ({ saying, key: key[k]! }))
    .sort((a, b) => a.key - b.key)
    .map(({ saying }) => saying);
}

type Placed = { readonly at: string; readonly id: string };
/** Whether one record came before another, by the clock or as they were kept. */
const cameBefore = (one: Placed, other: Placed, kept: KeptOrder | undefined): boolean => {
  const [a, b] = [kept?.get(one.id), kept?.get(other.id)];
  return one.at < other.at || (a !== undefined && b !== undefined && a < b);
};

/** Every record's word on a member's metal, in the order they hold; what nobody has looked at comes first. One line a kind. */
export function sayingsOf(member: Member, witnesses: Witnesses, practice: HandPractice): Saying[] {
  const { walk, signs = [], cracks, feltEdges = [], beside = [], kept } = witnesses;
  const sayings = [
    ...(walk?.spots ?? []).flatMap((state) =>
      lookSays(state, member.shape, practice, witnesses.mendedBefore),
    ),
    ...signs.flatMap((sign) => signSays(sign, practice)),
    ...cracks.flatMap((crack) => crackSays(crack, member.shape)),
    ...feltEdges.flatMap((felt) => feltSays(felt, practice)),
    ...beside.flatMap(findSays),
  ];
  return inOrder(sayings, kept);
}

const within = (saying: Saying, stationMm: number): boolean =>
  stationMm >= saying.fromMm && stationMm <= saying.toMm;

/**
 * Readings of the member's own metal. One taken on a skin or an old plate is the skin's, whenever it was taken, until the place was opened; a
 * cut sample shows the metal itself.
 */
export function ownReadings(
  readings: readonly Reading[],
  sayings: readonly Saying[],
  kept?: KeptOrder,
): readonly Reading[] {
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
        !opened.some(
          (open) => covers(open, reading) && open.at! >= skin.at! && !cameBefore(reading, dated(open), kept),
        ),
    );
  });
}

const dated = ({ at, recordId }: Saying) => ({ at: at ?? '', id: recordId });

/** What a piece of evidence is about, and when it was noted. */
interface Dated {
  readonly id: string;
  readonly at: string;
  readonly fromMm: number;
  readonly toMm: number;
}

/** A crack as a piece of evidence: a look at it is one more. */
export const crackDated = (crack: SeenCrack): Dated => {
  const { id, at } = crack.lastLook ?? crack;
  return { id, at, ...crackExtent(crack) };
};

/** Whether a piece of evidence still speaks of what is there: what lies wholly in an extent that was put right since does not. */
export function stillThere(sayings: readonly Saying[], kept?: KeptOrder): (evidence: Dated) => boolean {
  const mended = sayings.filter((saying) => saying.claim === 'put right');
  return (evidence) =>
    !mended.some(
      (saying) =>
        saying.at! > evidence.at &&
        !cameBefore(dated(saying), evidence, kept) &&
        evidence.fromMm >= saying.fromMm &&
        evidence.toMm <= saying.toMm,
    );
}
