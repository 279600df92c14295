import { facesOf, heightOnFace, type Face, type FaceId, type Member } from '../frame';
import { inchesToMm } from '../quantity';
import type { EdgeColumn } from '../probe';
import { CELL_IS, columnsUnder, type CellIs, type MetalAccount } from './account';
import type { Claim, Saying } from './saying';

export const cellIs = (account: MetalAccount, row: number, column: number): CellIs =>
  CELL_IS[account.is[row * account.stationsMm.length + column]!]!;

/** Claims that speak against the metal, each by what was found there (what lies beside a hole is said with the hole), and stand on at least one cell: what a report lists, measured or not. */
const AGAINST: ReadonlySet<Claim> = new Set<Claim>(['gone', 'parted', 'unsound', 'doubtful', 'hidden']);
export function standingAgainst(account: MetalAccount): Saying[] {
  return against(account, new Set(account.saidBy));
}

/** Of those, the ones that stand on a cell of this stretch: elsewhere they may, here they were answered. */
export function standingNear(account: MetalAccount, fromMm: number, toMm: number): Saying[] {
  const [from, to] = columnsUnder(account.stationsMm, fromMm, toMm);
  const columns = account.stationsMm.length;
  return against(
    account,
    new Set(account.saidBy.filter((_, cell) => cell % columns >= from && cell % columns <= to)),
  );
}

function against(account: MetalAccount, standing: ReadonlySet<number>): Saying[] {
  return account.sayings.filter(
    (saying, k) => AGAINST.has(saying.claim) && standing.has(k) && !saying.isRound,
  );
}

/** Whether there is any cell that nobody saw. */
export const isAnyUnseen = (account: MetalAccount): boolean => account.is.includes(CELL_IS.indexOf('unseen'));

/** Whether metal is surely bad: unsound, parted or gone. What is only doubtful or hidden is not. */
export const isBad = (is: CellIs): boolean => CELL_IS.indexOf(is) >= CELL_IS.indexOf('unsound');

/** Whether metal is surely missing anywhere. */
export const isAnyBad = (account: MetalAccount): boolean => account.is.some((is) => isBad(CELL_IS[is]!));

/** Share of the outline at a column that is gone or cracked through. */
export function partedShare(account: MetalAccount, column: number): number {
  const { edgeUMm, uMm } = account.surface;
  let partedMm = 0;
  uMm.forEach((_, row) => {
    const is = cellIs(account, row, column);
    if (is === 'gone' || is === 'parted') partedMm += edgeUMm[row + 1]! - edgeUMm[row]!;
  });
  return partedMm / edgeUMm[edgeUMm.length - 1]!;
}

/** How a face is known: the share of its cells that are. */
const shareOfFace = (
  { surface, stationsMm }: MetalAccount,
  face: FaceId,
  isKnown: (row: number, column: number) => boolean,
): number => {
  const rows = surface.rowFace.flatMap((each, row) => (each.id === face ? [row] : []));
  let known = 0;
  for (const row of rows)
    for (let column = 0; column < stationsMm.length; column++) if (isKnown(row, column)) known++;
  return rows.length ? known / (rows.length * stationsMm.length) : 1;
};

export const knownShare = (account: MetalAccount, face: FaceId, counts: readonly CellIs[]): number =>
  shareOfFace(account, face, (row, column) => counts.includes(cellIs(account, row, column)));

/** Held or read; between readings, where that much of the wall as made (mm, by row) surely carries: a reading takes nothing from what a hammer vouched for. */
export const vouchedShare = (
  account: MetalAccount,
  face: FaceId,
  { keptShare, madeMm }: { readonly keptShare: number; readonly madeMm: Float64Array },
): number =>
  shareOfFace(account, face, (row, column) => {
    const is = cellIs(account, row, column);
    const surelyMm = account.leastMm[row * account.stationsMm.length + column]!;
    return (
      is === 'held' || is === 'measured' || (is === 'between' && surelyMm >= keptShare * madeMm[row]! - 1e-9)
    );
  });

/** Kinds of knowing that a removal test takes away, worst known first; what was only seen is named last. */
const UNDECIDED: readonly (readonly CellIs[])[] = [
  ['doubtful', 'hidden', 'unseen'],
  ['seen', 'between'],
];

/**
 * What decides at a place: of everything not surely known within `reachMm` (else anywhere on the member), the saying that lies nearest to it;
 * undefined where nobody said anything and there is simply nothing on record.
 */
export function decidingAt(account: MetalAccount, stationMm: number, reachMm: number): Saying | undefined {
  const awayMm = ({ fromMm, toMm }: Saying) => Math.max(fromMm - stationMm, stationMm - toMm, 0);
  const nearest = (found: readonly Saying[]) =>
    found.reduce((near, each) => (awayMm(each) < awayMm(near) ? each : near));
  for (const kinds of UNDECIDED) {
    const found = sayingsOn(account, [stationMm - reachMm, stationMm + reachMm], kinds);
    if (found.length) return nearest(found);
  }
  const anywhere = sayingsOn(account, [-Infinity, Infinity], UNDECIDED[0]!);
  return anywhere.length ? nearest(anywhere) : undefined;
}

function sayingsOn(
  account: MetalAccount,
  [fromMm, toMm]: readonly [number, number],
  kinds: readonly CellIs[],
): Saying[] {
  const [from, to] = columnsUnder(account.stationsMm, fromMm, toMm);
  const found = new Set<number>();
  for (let row = 0; row < account.surface.uMm.length; row++)
    for (let column = from; column <= to; column++)
      if (kinds.includes(cellIs(account, row, column)))
        found.add(account.saidBy[row * account.stationsMm.length + column]!);
  return [...found].flatMap((k) => account.sayings[k] ?? []);
}

/** A saying by its place, and what was not done there where it was only seen. */
export const sayingName = ({ where, what, claim }: Saying): string => {
  if (claim === 'seen') return `${where ?? what}: seen, not struck`;
  return claim === 'opened' ? `${what}: not struck or read beneath yet` : (where ?? what);
};

/** Above metal found gone by hand, sound metal is not looked for nearer than this while nobody felt or struck it (our judgement). */
const PROVISIONAL_MM = inchesToMm(1);
/** Rust climbs from the bottom corner: a hole that starts higher than this is one by itself, and no edge (our judgement). */
const FROM_THE_CORNER_MM = inchesToMm(2);

/** Where hammer, finger and eye found the wall gone from the corner up on an upright face, as columns of its sound edge; the upper bound is provisional. */
export function struckEdges(account: MetalAccount, member: Member): { face: FaceId; column: EdgeColumn }[] {
  return goneOnUprights(account, member)
    .filter(({ saying }) => (saying.lowMm ?? 0) <= FROM_THE_CORNER_MM)
    .flatMap(({ face, saying }) =>
      columnsOf(account, member, face, saying).map((column) => ({ face: face.id, column })),
    );
}

const goneOnUprights = (account: MetalAccount, member: Member): { face: Face; saying: Saying }[] =>
  standingAgainst(account)
    .filter(({ claim }) => claim === 'gone')
    .flatMap((saying) => {
      const face = facesOf(member.shape).find((each) => each.upright && each.id === saying.face);
      return face ? [{ face, saying }] : [];
    });

/** Heights over which upright faces were found gone by hand along a run of stations; undefined where nowhere. */
export function goneHeights(
  account: MetalAccount,
  member: Member,
  run: { readonly fromMm: number; readonly toMm: number },
): { lowMm: number; highMm: number } | undefined {
  const found = goneOnUprights(account, member).filter(
    ({ saying }) => saying.fromMm <= run.toMm && saying.toMm >= run.fromMm,
  );
  if (found.length === 0) return undefined;
  return {
    lowMm: Math.max(0, Math.min(...found.map(({ saying }) => saying.lowMm ?? 0))),
    highMm: Math.max(
      ...found.map(({ face, saying }) => Math.min(face.widthMm, saying.highMm ?? face.widthMm)),
    ),
  };
}

function columnsOf(account: MetalAccount, member: Member, face: Face, saying: Saying): EdgeColumn[] {
  const lowerMm = Math.min(face.widthMm, saying.highMm ?? face.widthMm);
  const stations = [saying.fromMm, saying.toMm].map((mm) => Math.min(Math.max(mm, 0), member.lengthMm));
  return [...new Set(stations)].map((stationMm) => ({
    stationMm,
    lowerMm,
    upperMm: Math.min(face.widthMm, heldAbove(account, face, lowerMm, stationMm) ?? lowerMm + PROVISIONAL_MM),
    kind: 'struck',
  }));
}

/** The lowest height over `lowerMm` at a station that was struck, felt or read sound. */
function heldAbove(
  account: MetalAccount,
  face: Face,
  lowerMm: number,
  stationMm: number,
): number | undefined {
  const [column] = columnsUnder(account.stationsMm, stationMm, stationMm);
  const heights = account.surface.rowFace.flatMap((each, row) => {
    const is = each.id === face.id && cellIs(account, row, column);
    if (is !== 'held') return [];
    const u = [account.surface.edgeUMm[row]!, account.surface.edgeUMm[row + 1]!];
    return [Math.min(...u.map((mm) => heightOnFace(face, mm)))];
  });
  return heights.filter((mm) => mm >= lowerMm - 1e-6).sort((a, b) => a - b)[0];
}
