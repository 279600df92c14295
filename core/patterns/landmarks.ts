import { z } from 'zod';
import { crossingsOn, FITTING_KINDS, fittingsOn, type FittingKind, type Frame, type Member } from '../frame';

/** What a place on a member is told by: something bolted, welded or cut there that another frame of the family has too. */
export const LANDMARK_KINDS = [...FITTING_KINDS, 'crossmember', 'front end', 'rear end'] as const;
export type LandmarkKind = (typeof LANDMARK_KINDS)[number];

/** Clipped on wherever there was room: nothing is measured from them. */
const LOOSE: ReadonlySet<FittingKind> = new Set<FittingKind>(['line', 'harness', 'exhaust']);

/** The nth of so many of its kind on a member, counted from the front; stations are the member's own. */
export interface Landmark {
  readonly kind: LandmarkKind;
  readonly nth: number;
  readonly of: number;
  readonly stationMm: number;
}

/** Everything on a member that a place can be told by, front to rear. */
export function landmarksOn(frame: Frame, member: Member): Landmark[] {
  const found: { readonly kind: LandmarkKind; readonly stationMm: number }[] = [
    { kind: 'front end', stationMm: 0 },
    ...fittingsOn(frame, member).filter(({ kind }) => !LOOSE.has(kind)),
    ...crossingsOn(frame, member).map(({ stationMm }) => ({ kind: 'crossmember' as const, stationMm })),
    { kind: 'rear end', stationMm: member.lengthMm },
  ];
  const sorted = found.sort((a, b) => a.stationMm - b.stationMm);
  return sorted.map(({ kind, stationMm }, k) => ({
    kind,
    stationMm,
    nth: sorted.slice(0, k + 1).filter((each) => each.kind === kind).length,
    of: sorted.filter((each) => each.kind === kind).length,
  }));
}

/** So far behind a landmark, mm (ahead of it where negative). */
export const anchorSchema = z.object({
  kind: z.enum(LANDMARK_KINDS),
  nth: z.number().int().gte(1).lte(99),
  of: z.number().int().gte(1).lte(99),
  asideMm: z.number().gte(-40_000).lte(40_000),
});
export type Anchor = z.infer<typeof anchorSchema>;

/** How many landmarks a place is told by, the member's nearer end among them. */
const ANCHORS = 4;
/** A place by the landmarks nearest to it, nearest first, one of each kind: where another member has not the first, the next one tells. */
export const anchorsSchema = z.array(anchorSchema).min(1).max(ANCHORS);
export type Anchors = z.infer<typeof anchorsSchema>;

const isEnd = (kind: LandmarkKind): boolean => kind === 'front end' || kind === 'rear end';

/** A station told by what stands nearest to it; of two equally near by the one in front. Every member has ends: one of them is always among them. */
export function anchored(landmarks: readonly Landmark[], stationMm: number): Anchors {
  const away = ({ stationMm: at }: Landmark) => Math.abs(at - stationMm);
  const sorted = [...landmarks].sort((a, b) => away(a) - away(b) || a.stationMm - b.stationMm);
  const nearest = sorted.filter((each, k) => sorted.findIndex(({ kind }) => kind === each.kind) === k);
  const end = nearest.find(({ kind }) => isEnd(kind))!;
  const first = nearest.slice(0, ANCHORS);
  const kept = first.some(({ kind }) => isEnd(kind)) ? first : [...first.slice(0, ANCHORS - 1), end];
  return kept.map(({ kind, nth, of, stationMm: at }) => ({ kind, nth, of, asideMm: stationMm - at }));
}

/**
 * Where a place lies among a member's landmarks, mm, and which of its anchors told so. An anchor tells only where the member has as many of its
 * kind: with one more or one less nobody knows which of them was meant.
 */
export function placed(
  landmarks: readonly Landmark[],
  anchors: Anchors,
): { readonly mm: number; readonly by: Anchor } | undefined {
  for (const by of anchors) {
    const mark = landmarks.find(({ kind, nth, of }) => kind === by.kind && nth === by.nth && of === by.of);
    if (mark) return { mm: mark.stationMm + by.asideMm, by };
  }
  return undefined;
}
