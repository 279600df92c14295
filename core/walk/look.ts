import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, onMember, recordIdSchema } from '../frame';
import { ok } from '../quantity';

/** What a spot may turn out to be; *not seen* is a result too. Ascending: the worse stands over the better. */
export const LOOK_RESULTS = [
  'not seen',
  'sound',
  'surface rust',
  'scaling',
  'pitted',
  'patched before',
  'delaminating',
  'soft',
  'cracked',
  'through',
] as const;
export type LookResult = (typeof LOOK_RESULTS)[number];

/** Metal is at least doubtful from here up. */
export const isDoubtful = (result: LookResult): boolean =>
  LOOK_RESULTS.indexOf(result) >= LOOK_RESULTS.indexOf('scaling');
/** Metal counts as failed: a light tap goes in, light shines through, or it has parted. */
export const isFailed = (result: LookResult): boolean =>
  result === 'soft' || result === 'cracked' || result === 'through';

export const UNSEEN_WHYS = [
  'behind a tank',
  'under a bed or body',
  'under coat',
  'no light',
  'out of reach',
  'inside, no way in',
  'leave refused',
  'no time',
] as const;
export type UnseenWhy = (typeof UNSEEN_WHYS)[number];

export const WAYS = ['eye', 'light through', 'finger', 'pick', 'hammer', 'ring', 'scope', 'told'] as const;
export type Way = (typeof WAYS)[number];

/** Nobody here looked: the owner's word, another shop's photo. Bad, it restricts until somebody looks; good, it clears nothing. */
export const isOnlyTold = (ways: readonly Way[]): boolean =>
  ways.length > 0 && ways.every((way) => way === 'told');

/** What a result at a bracket or mount is of. */
export const LOOK_ON = ['fitting', 'member'] as const;
export type LookOn = (typeof LOOK_ON)[number];

/** Why it is so there: a repair that leaves the cause comes back. */
export const CAUSES = [
  'unknown',
  'trapped wet dirt',
  'sealed drain',
  'dam',
  'weld defect',
  'overheated bracket',
  'design lever',
  'overload or impact',
  'wrong hardware',
  'driven on broken',
] as const;
export const causeSchema = z.enum(CAUSES);
export type Cause = z.infer<typeof causeSchema>;

const stamp = { id: recordIdSchema, by: bySchema, at: instantSchema, note: z.string().max(300).default('') };
/** Where a look was: kept with it, so that it still says where when the list of spots has changed. Body items have no member. */
const place = { memberId: z.string().min(1).max(40).optional(), stationMm: z.number().gte(0).optional() };

/** One look at one hot spot; which of several counts, `standingLook` says. */
export const lookSchema = z
  .object({
    kind: z.literal('look'),
    ...stamp,
    ...place,
    spotId: z.string().min(1).max(120),
    title: z.string().min(1).max(120),
    result: z.enum(LOOK_RESULTS),
    why: z.enum(UNSEEN_WHYS).optional(),
    ways: z.array(z.enum(WAYS)).max(WAYS.length),
    /** At a bracket, hanger or mount: whether the thing itself was meant, or the member it hangs on; both where nothing is said. */
    on: z.enum(LOOK_ON).optional(),
    cause: causeSchema.optional(),
  })
  .superRefine((look, context) => {
    if (look.result === 'not seen' && !look.why)
      context.addIssue({ code: 'custom', path: ['why'], message: 'not seen: say why' });
    if (look.result !== 'not seen' && look.ways.length === 0)
      context.addIssue({ code: 'custom', path: ['ways'], message: 'seen how? eye at least' });
  });
export type Look = z.infer<typeof lookSchema>;

/** Looks at a body item hang on no member. */
export const lookKind = evidenceKind<Look>({
  name: 'look',
  // Version 1 knew no hearsay: whoever reads only that is to say so.
  version: 2,
  upcasts: { 1: (body) => body },
  schema: lookSchema,
  fits: (frame, look) =>
    look.memberId === undefined ? ok({}) : onMember(frame, look.memberId, () => ok({})),
  tells: (look) => (look.memberId === undefined ? [] : [look.memberId]),
});

/** Struck or felt, or looked into: these know more than the eye from outside. */
const FELT: readonly Way[] = ['finger', 'pick', 'hammer', 'ring', 'scope'];
type LookSaid = Pick<Look, 'result' | 'ways'>;
const isFelt = ({ ways }: LookSaid): boolean => ways.some((way) => FELT.includes(way));
const worse = (one: LookSaid, other: LookSaid): boolean =>
  LOOK_RESULTS.indexOf(one.result) > LOOK_RESULTS.indexOf(other.result);

/**
 * Whether a later look answers one of before. What was only told is answered by a look. Failed metal is not: it stands until it is put right or
 * struck through. Doubtful metal is by as good a look, whatever it finds, or by a worse find. *Not seen* answers nothing bad.
 */
export function answersLook(after: LookSaid, before: LookSaid): boolean {
  const isBad = isDoubtful(before.result);
  if (!isBad) return !isOnlyTold(after.ways) || isDoubtful(after.result) || isOnlyTold(before.ways);
  if (worse(after, before)) return !isOnlyTold(after.ways) || isOnlyTold(before.ways);
  if (after.result === 'not seen' || isOnlyTold(after.ways)) return false;
  if (isOnlyTold(before.ways)) return true;
  if (isFailed(before.result)) return after.result === before.result;
  return isFelt(after) || !isFelt(before);
}

/** Somebody stood there and saw it. */
const isOwn = ({ result, ways }: Look): boolean => result !== 'not seen' && !isOnlyTold(ways);

/** Kept later, and by its clock from before (a device that was out of reach): it did not see what was found, or could not be seen, since. */
const isEarlierAndBetter = (after: Look, before: Look): boolean =>
  after.at < before.at &&
  (before.result === 'not seen'
    ? !isDoubtful(after.result)
    : isDoubtful(before.result) && !worse(after, before));

/** Of a spot's looks in the order they were kept, the one that stands, and those of after it that do not answer it. */
export function standingLook(
  looks: readonly Look[],
  isSettled: (before: Look, after: Look) => boolean,
): { readonly look?: Look; readonly since: readonly Look[] } {
  let look: Look | undefined;
  let since: Look[] = [];
  for (const after of looks) {
    const isAnswered =
      !look ||
      (answersLook(after, look) && !isEarlierAndBetter(after, look)) ||
      (isOwn(after) && isSettled(look, after));
    if (isAnswered) [look, since] = [after, []];
    else since.push(after);
  }
  return { ...(look && { look }), since };
}
