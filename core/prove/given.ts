import { TOLD_APART_MM } from '../trace';
import type { Flex } from './records';

/** What a push before and the same push after say of a repair. */
export const FLEX_SAYS = [
  'gives less',
  'can’t say',
  'gives as before',
  'gives more',
  'not attributable',
  'measured once',
] as const;
export type FlexSays = (typeof FLEX_SAYS)[number];

/** One place under one push in one state, before and after. */
export interface FlexPair {
  readonly place: string;
  readonly push: string;
  readonly state: Flex['state'];
  readonly complaintId?: string;
  readonly before?: Flex;
  readonly after?: Flex;
  /** After over before, with its band; absent where before it gave nothing that can be told. */
  readonly ratio?: { readonly low: number; readonly is: number; readonly high: number };
  readonly says: FlexSays;
}

const keyOf = ({ place, push, state }: Flex): string =>
  `${place.toLowerCase()}|${push.toLowerCase()}|${state}`;
const errorOf = ({ plusMinusMm }: Flex): number => plusMinusMm ?? TOLD_APART_MM;

/** Every place that was pushed: its last figure before `cutAt` against its last since `since`. Where nothing was cut, its first against its last. */
export function flexPairs(
  flexes: readonly Flex[],
  { cutAt, since }: { readonly cutAt?: string | undefined; readonly since?: string | undefined },
): FlexPair[] {
  const byKey = new Map<string, Flex[]>();
  for (const flex of [...flexes].sort((a, b) => a.at.localeCompare(b.at)))
    byKey.set(keyOf(flex), [...(byKey.get(keyOf(flex)) ?? []), flex]);
  return [...byKey.values()].map((each): FlexPair => {
    const [first] = each;
    const before = cutAt === undefined ? undefined : each.findLast(({ at }) => at < cutAt);
    const after = since === undefined ? undefined : each.findLast(({ at }) => at > since);
    // Anything changed since the figure before counts, whichever later record says so.
    const changed = each.some(
      ({ at, changed: what }) => what !== '' && before !== undefined && at > before.at,
    );
    const complaintId = each.findLast((one) => one.complaintId !== undefined)?.complaintId;
    const ratio = before && after ? ratioOf(before, after) : undefined;
    return {
      place: first!.place,
      push: first!.push,
      state: first!.state,
      ...(complaintId !== undefined && { complaintId }),
      ...(before && { before }),
      ...(after && { after }),
      ...(ratio && { ratio }),
      says: before && after ? saysOf(before, after, changed) : 'measured once',
    };
  });
}

function saysOf(before: Flex, after: Flex, changed: boolean): FlexSays {
  const by = after.gaveMm - before.gaveMm;
  const error = Math.hypot(errorOf(before), errorOf(after));
  if (by >= error) return 'gives more';
  if (by > -error) return Math.max(before.gaveMm, after.gaveMm) <= error ? 'can’t say' : 'gives as before';
  // Something else was changed meanwhile: what it gives less may be that.
  return changed ? 'not attributable' : 'gives less';
}

function ratioOf(before: Flex, after: Flex): FlexPair['ratio'] {
  const [a, b] = [errorOf(before), errorOf(after)];
  if (!(before.gaveMm > a)) return undefined;
  return {
    low: Math.max(0, after.gaveMm - b) / (before.gaveMm + a),
    is: after.gaveMm / before.gaveMm,
    high: (after.gaveMm + b) / (before.gaveMm - a),
  };
}
