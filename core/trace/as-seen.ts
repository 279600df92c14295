import {
  developedWidthMm,
  facesOf,
  type FaceId,
  faceAtU,
  heightOnFace,
  isClosed,
  memberOf,
  onSheet,
  type Frame,
  type Member,
  type MemberShape,
  type Spot,
} from '../frame';
import { distance, type Point } from '../geometry';
import { crackLengthMm, unrolledPath, type Crack } from './crack';
import type { CrackLook } from './crack-look';

/** A place on the sheet as a technician would say it. */
function spotAt(shape: MemberShape, [stationMm, uMm]: Point): Spot {
  const u = onSheet(shape, uMm);
  const face = faceAtU(shape, u);
  return { stationMm, face: face.id, heightMm: heightOnFace(face, u) };
}

/** `mm` past `end`, straight on from `before`; no farther than the metal goes. */
function past(member: Pick<Member, 'shape' | 'lengthMm'>, before: Point, end: Point, mm: number): Point {
  const step = distance(before, end);
  const [along, across] = step > 0 ? [(end[0] - before[0]) / step, (end[1] - before[1]) / step] : [0, 0];
  const x = Math.min(Math.max(end[0] + along * mm, 0), member.lengthMm);
  const u = end[1] + across * mm;
  return [x, isClosed(member.shape) ? u : Math.min(Math.max(u, 0), developedWidthMm(member.shape))];
}

/** A crack's path with each end run on so far past where it was recorded. */
export function runOn(
  member: Pick<Member, 'shape' | 'lengthMm'>,
  path: readonly Spot[],
  { startMm, finishMm }: Pick<CrackLook, 'startMm' | 'finishMm'>,
): Spot[] {
  const points = unrolledPath(member.shape, path);
  const [first, second] = points;
  const [beforeLast, last] = points.slice(-2);
  if (!first || !second || !beforeLast || !last) return [...path];
  return [
    ...(startMm > 0 ? [spotAt(member.shape, past(member, second, first, startMm))] : []),
    ...path,
    ...(finishMm > 0 ? [spotAt(member.shape, past(member, beforeLast, last, finishMm))] : []),
  ];
}

/** A crack with the last look at it, where it was looked at again: it was there then. */
export interface SeenCrack extends Crack {
  readonly lastLook?: { readonly id: string; readonly at: string };
}

/** Looks at one crack, earliest first. */
export const looksAt = (looks: readonly CrackLook[], crackId: string): CrackLook[] =>
  looks.filter((look) => look.crackId === crackId).sort((a, b) => a.at.localeCompare(b.at));

/**
 * Cracks as they were seen last: run on as far as any look said (metal does not heal, a shorter length is a reading of it), an end found once
 * the last look that was more than hearsay found it.
 */
export function cracksAsSeen(
  frame: Frame,
  cracks: readonly Crack[],
  looks: readonly CrackLook[],
): SeenCrack[] {
  if (looks.length === 0) return [...cracks];
  return cracks.map((crack): SeenCrack => {
    const own = looksAt(looks, crack.id);
    const member = memberOf(frame, crack.memberId);
    if (own.length === 0 || !member) return crack;
    const most = (end: 'startMm' | 'finishMm') => Math.max(...own.map((look) => look[end]));
    const last = own.filter(({ seenBy, gapOnly }) => seenBy !== 'told' && !gapOnly).at(-1);
    const { id, at } = own.at(-1)!;
    return {
      ...crack,
      lastLook: { id, at },
      path: runOn(member, crack.path, { startMm: most('startMm'), finishMm: most('finishMm') }).slice(0, 62),
      ...(last && {
        startFound: last.startFound,
        finishFound: last.finishFound,
        startUnder: last.startUnder,
        finishUnder: last.finishUnder,
      }),
    };
  });
}

/** Whether a look after an instant found it longer than every look before, hearsay too. */
export function grewAfter(crack: Pick<Crack, 'id'>, looks: readonly CrackLook[], at: string): boolean {
  const own = looksAt(looks, crack.id).filter(({ gapOnly }) => !gapOnly);
  const longest = (of: readonly CrackLook[]) =>
    Math.max(0, ...of.map(({ startMm, finishMm }) => startMm + finishMm));
  const [before, after] = [own.filter((look) => look.at < at), own.filter((look) => look.at >= at)];
  return longest(after) > longest(before) + SAME_MM;
}

export const LOOK_FLAGS = [
  'shorter than before',
  'longer than the metal',
  'odometer backwards',
  'before the crack',
  'gap closes',
] as const;
export type LookFlag = (typeof LOOK_FLAGS)[number];

/** What is odd about a look beside those before it: kept as entered, and said. */
export function lookFlags(
  member: Pick<Member, 'shape' | 'lengthMm'>,
  crack: Crack,
  looks: readonly CrackLook[],
  look: CrackLook,
): LookFlag[] {
  if (look.gapOnly) return (look.gapLoadedMm ?? Infinity) < (look.gapUnloadedMm ?? 0) ? ['gap closes'] : [];
  const earlier = looksAt(looks, crack.id).filter((each) => each.at < look.at && !each.gapOnly);
  const flags: LookFlag[] = [];
  if (earlier.some((each) => each.startMm + each.finishMm > look.startMm + look.finishMm + SAME_MM))
    flags.push('shorter than before');
  const said = crackLengthMm(member.shape, crack.path) + look.startMm + look.finishMm;
  if (crackLengthMm(member.shape, runOn(member, crack.path, look)) < said - LOST_MM)
    flags.push('longer than the metal');
  const used = [crack, ...earlier].flatMap((each) => each.usedKm ?? []);
  const hours = [crack, ...earlier].flatMap((each) => each.usedHours ?? []);
  if (
    (look.usedKm !== undefined && used.some((km) => km > look.usedKm!)) ||
    (look.usedHours !== undefined && hours.some((h) => h > look.usedHours!))
  )
    flags.push('odometer backwards');
  if (look.at < crack.at) flags.push('before the crack');
  if ((look.gapLoadedMm ?? Infinity) < (look.gapUnloadedMm ?? 0)) flags.push('gap closes');
  return flags;
}
/** Less is rounding, mm; a millimetre past the metal's edge is a tape's. */
const [SAME_MM, LOST_MM] = [0.05, 1];

/** Cracks nearer than this along a member part the same section, mm (ours: a wall's slack reaches as far). */
const SAME_SECTION_MM = 100;

/** How much of a section's outline a crack and those beside it part, 0 to 1: by the traced paths alone, neighbours counted as in one section. */
export function crackedShare(shape: MemberShape, crack: Crack, others: readonly Crack[]): number {
  const here = crack.path[0]!.stationMm;
  const beside = others.filter(
    ({ id, memberId, path }) =>
      id === crack.id ||
      (memberId === crack.memberId &&
        path.some(({ stationMm }) => Math.abs(stationMm - here) < SAME_SECTION_MM)),
  );
  const wall = developedWidthMm(shape);
  const spans = beside
    .map(({ path }) => unrolledPath(shape, path).map(([, u]) => u))
    .filter((us) => us.length > 1)
    .map((us) => [Math.min(...us), Math.max(...us)] as const)
    .sort(([a], [b]) => a - b);
  return Math.min(1, unionMm(spans) / wall);
}

/** What cracks that lie in one section leave whole of each face they cross, mm. */
export function ligamentsOf(shape: MemberShape, cracks: readonly Pick<Crack, 'path'>[]): Map<FaceId, number> {
  const left = new Map<FaceId, number>();
  // A path round a closed section leaves the sheet on one side and comes in on the other.
  const wall = developedWidthMm(shape);
  const turns = isClosed(shape) ? [-wall, 0, wall] : [0];
  const spans = cracks
    .map(({ path }) => unrolledPath(shape, path).map(([, u]) => u))
    .filter((us) => us.length > 1)
    .flatMap((us) => turns.map((by) => [Math.min(...us) + by, Math.max(...us) + by] as const));
  for (const { id, uStartMm, widthMm } of facesOf(shape)) {
    const cut = spans
      .map(([from, to]) => [Math.max(from, uStartMm), Math.min(to, uStartMm + widthMm)] as const)
      .filter(([from, to]) => to > from)
      .sort(([a], [b]) => a - b);
    if (cut.length > 0) left.set(id, widthMm - unionMm(cut));
  }
  return left;
}

/** The length of spans laid over one another; sorted by where they begin. */
function unionMm(spans: readonly (readonly [from: number, to: number])[]): number {
  let [sum, reached] = [0, -Infinity];
  for (const [from, to] of spans) {
    sum += Math.max(0, to - Math.max(from, reached));
    reached = Math.max(reached, to);
  }
  return sum;
}
