import { randomLcg } from 'd3-random';
import { contourArea, type Contour, type Point } from '../../geometry';
import { spotOn, type NoFits, type OpenSheet, type Push } from './lay';
import {
  turnsRad,
  type CutSheet,
  type Laid,
  type Nest,
  type NestPart,
  type NestSheet,
  type NestWays,
} from './nest';
import { turnedWays, type Turned } from './no-fit';

/** The best nest found so far, and after how many tries. */
export interface NestStep {
  readonly nest: Nest;
  readonly tries: number;
}

interface Piece {
  readonly partId: string;
  readonly ways: readonly Turned[];
  readonly areaMm2: number;
}
interface Stock {
  readonly sheetId: string;
  readonly lengthMm: number;
  readonly widthMm: number;
}
interface Bench {
  readonly pieces: readonly Piece[];
  readonly stock: readonly Stock[];
  readonly edgeMm: number;
  readonly fits: NoFits;
}
interface Plan {
  readonly order: readonly number[];
  readonly push: Push;
}

/**
 * Lays pieces on sheets, better and better: each step of the generator is one more try, and whoever asks stops when they have waited enough. What is on the shelf
 * goes before what must be bought, the smallest first. Pieces keep kerf and gap between them and the edge's share to the sheet's sides; what fits no sheet
 * is named. The same seed comes to the same nest after the same number of tries.
 */
export function* nestSteps(
  parts: readonly NestPart[],
  sheets: readonly NestSheet[],
  ways: NestWays,
  seed = 1,
): Generator<NestStep, void> {
  const { bench, tooLarge } = benchOf(parts, sheets, ways);
  const random = randomLcg(seed);
  let best: Tried | undefined;
  let standing: Tried | undefined;
  for (let tries = 1; ; tries++) {
    const plan = tries <= 2 * STARTS.length ? startPlan(bench, tries - 1) : changedPlan(standing!, random);
    const placed = placedBy(bench, plan, standing);
    const nest = nestOf(bench, plan, placed, tooLarge);
    const tried: Tried = { plan, placed, nest, cost: costOf(bench, nest) };
    if (!standing || tried.cost <= standing.cost * (1 + LOOSE * random() ** 3)) standing = tried;
    if (!best || tried.cost < best.cost - 1e-6) best = tried;
    // The starts come to one; and a walk that has strayed comes back to the best now and then.
    if (tries === 2 * STARTS.length || tries % BACK_EVERY === 0) standing = best;
    yield { nest: best.nest, tries };
  }
}

interface Tried {
  readonly plan: Plan;
  readonly placed: Placed;
  readonly nest: Nest;
  readonly cost: number;
}

/** A plan this much worse may still be gone on from. */
const LOOSE = 0.03;
const BACK_EVERY = 40;

function benchOf(
  parts: readonly NestPart[],
  sheets: readonly NestSheet[],
  { kerfMm, gapMm, edgeMm, turns }: NestWays,
): { bench: Bench; tooLarge: string[] } {
  const stock = sheets
    .flatMap(({ id, lengthMm, widthMm, count, isBought = false }) =>
      Array.from({ length: count }, () => ({ sheetId: id, lengthMm, widthMm, isBought })),
    )
    .sort(
      (a, b) => Number(a.isBought) - Number(b.isBought) || a.lengthMm * a.widthMm - b.lengthMm * b.widthMm,
    );
  const all = parts.flatMap(({ id, outline, inner, count }): Piece[] => {
    const piece = {
      partId: id,
      ways: turnedWays(id, outline, turnsRad(turns), kerfMm + gapMm),
      areaMm2: netArea(outline, inner),
    };
    return Array.from({ length: count }, () => piece);
  });
  const fitsSome = ({ ways }: Piece): boolean =>
    ways.some(({ widthMm, heightMm }) =>
      stock.some(
        (sheet) =>
          widthMm <= sheet.lengthMm - 2 * edgeMm + 1e-4 && heightMm <= sheet.widthMm - 2 * edgeMm + 1e-4,
      ),
    );
  const tooLarge = all.filter((piece) => !fitsSome(piece)).map(({ partId }) => partId);
  return {
    bench: { pieces: all.filter(fitsSome), stock: stock.slice(0, MOST_SHEETS), edgeMm, fits: new Map() },
    tooLarge,
  };
}
const MOST_SHEETS = 200;

export const netArea = (outline: Contour, inner: readonly Contour[]): number =>
  Math.abs(contourArea(outline)) - inner.reduce((sum, each) => sum + Math.abs(contourArea(each)), 0);

/** Orders to begin with: what is hard to place goes first, by one measure or another. */
const STARTS: readonly ((piece: Piece) => number)[] = [
  ({ areaMm2 }) => areaMm2,
  ({ ways }) => Math.max(ways[0]!.widthMm, ways[0]!.heightMm),
  ({ ways }) => Math.min(ways[0]!.widthMm, ways[0]!.heightMm),
  ({ ways }) => ways[0]!.widthMm * ways[0]!.heightMm,
  ({ ways }) => ways[0]!.widthMm + ways[0]!.heightMm,
];

function startPlan({ pieces }: Bench, k: number): Plan {
  const by = STARTS[k % STARTS.length]!;
  return {
    order: pieces.map((_, at) => at).sort((a, b) => by(pieces[b]!) - by(pieces[a]!)),
    push: k < STARTS.length ? 'to the end' : 'to the side',
  };
}

/**
 * Two pieces change places in the order, or one is taken out and put in elsewhere: half the time one that lies farthest out on its sheet, for that is what
 * the strip is as long as. Now and then the push changes.
 */
function changedPlan({ plan: { order, push }, placed }: Tried, random: () => number): Plan {
  const next = [...order];
  const any = () => Math.floor(random() * next.length);
  const outer = outermost(placed, push);
  const changes = 1 + Math.floor(random() ** 2 * 3);
  for (let k = 0; k < changes && next.length > 1; k++) {
    const a =
      k === 0 && outer.length > 0 && random() < 0.5 ? outer[Math.floor(random() * outer.length)]! : any();
    const b = any();
    if (random() < 0.5) [next[a], next[b]] = [next[b]!, next[a]!];
    else next.splice(b, 0, ...next.splice(a, 1));
  }
  const other: Push = push === 'to the end' ? 'to the side' : 'to the end';
  return { order: next, push: random() < 0.05 ? other : push };
}

/** Places in the order of those pieces that reach farthest on each sheet, within a tenth. */
function outermost(placed: Placed, push: Push): number[] {
  const reachOf = ({ turned, at }: NonNullable<Placed[number]>): number =>
    push === 'to the end' ? at[0] + turned.widthMm : at[1] + turned.heightMm;
  const farthest = new Map<number, number>();
  for (const spot of placed)
    if (spot) farthest.set(spot.sheet, Math.max(farthest.get(spot.sheet) ?? 0, reachOf(spot)));
  return placed.flatMap((spot, k) =>
    spot === undefined || reachOf(spot) > 0.9 * farthest.get(spot.sheet)! ? [k] : [],
  );
}

/** Where each piece of an order came to lie, in that order: which sheet, and where on it; nothing where there was no room. */
type Placed = readonly (
  { readonly sheet: number; readonly turned: Turned; readonly at: Point } | undefined
)[];

/** Each piece of the order goes on the first sheet that has room for it. What an earlier plan laid in the same order lies there already. */
function placedBy({ pieces, stock, edgeMm, fits }: Bench, { order, push }: Plan, earlier?: Tried): Placed {
  const open: OpenSheet[] = stock.map(({ lengthMm, widthMm }) => ({ lengthMm, widthMm, on: [] }));
  const isSame = earlier?.plan.push === push;
  const parted = order.findIndex((at, k) => at !== earlier?.plan.order[k]);
  const same = isSame ? (parted < 0 ? order.length : parted) : 0;
  const placed = earlier && same > 0 ? earlier.placed.slice(0, same) : [];
  for (const each of placed) if (each) open[each.sheet]!.on.push(each);
  for (const at of order.slice(same)) {
    let spot: Placed[number];
    for (let sheet = 0; sheet < open.length && !spot; sheet++) {
      const found = spotOn(open[sheet]!, pieces[at]!.ways, { edgeMm, push, fits });
      if (found) spot = { sheet, turned: found.turned, at: found.at };
    }
    if (spot) open[spot.sheet]!.on.push(spot);
    placed.push(spot);
  }
  return placed;
}

function nestOf(
  { pieces, stock }: Bench,
  { order }: Plan,
  placed: Placed,
  tooLarge: readonly string[],
): Nest {
  const left = order.filter((_, k) => !placed[k]).map((at) => pieces[at]!.partId);
  const lying = order.flatMap((at, k) => {
    const spot = placed[k];
    return spot ? [{ ...spot, partId: pieces[at]!.partId }] : [];
  });
  return { ...onlyUsed(lying, stock), left: [...tooLarge, ...left], tooLarge };
}

/** Sheets that something lies on, numbered anew. */
function onlyUsed(
  lying: readonly {
    readonly partId: string;
    readonly sheet: number;
    readonly turned: Turned;
    readonly at: Point;
  }[],
  stock: readonly Stock[],
): Pick<Nest, 'laid' | 'sheets'> {
  const used = [...new Set(lying.map(({ sheet }) => sheet))].sort((a, b) => a - b);
  const sheets = used.map((k): CutSheet => {
    const on = lying.filter(({ sheet }) => sheet === k);
    return {
      ...stock[k]!,
      usedLengthMm: Math.max(...on.map(({ turned, at }) => at[0] + turned.widthMm)),
      usedWidthMm: Math.max(...on.map(({ turned, at }) => at[1] + turned.heightMm)),
    };
  });
  const laid = lying.map(({ partId, sheet, turned, at }): Laid => ({
    partId,
    sheet: used.indexOf(sheet),
    turnRad: turned.turnRad,
    at,
  }));
  return { laid, sheets };
}

/**
 * What a nest costs: every piece without a place more than any sheet, then the steel that is cut into: of each sheet the strip that must come off it,
 * along or across, whichever is less.
 */
function costOf({ pieces, stock }: Bench, { sheets, left }: Nest): number {
  const everything = stock.reduce((sum, { lengthMm, widthMm }) => sum + lengthMm * widthMm, 0);
  const areaOf = new Map(pieces.map(({ partId, areaMm2 }) => [partId, areaMm2]));
  const unplaced = left.reduce((sum, id) => sum + (areaOf.get(id) ?? 0), 0);
  return (unplaced > 0 ? everything + unplaced : 0) + sheets.reduce((sum, sheet) => sum + cutInto(sheet), 0);
}

/** Steel of a sheet that is cut into: the strip with pieces on it, along or across, whichever is less. */
export const cutInto = ({ lengthMm, widthMm, usedLengthMm, usedWidthMm }: CutSheet): number =>
  Math.min(usedLengthMm * widthMm, usedWidthMm * lengthMm);
