import { z } from 'zod';
import {
  bySchema,
  CRACK_ENDS,
  CRACK_SIGNS,
  DEPTHS,
  evidenceKind,
  HOST_ON,
  hostOf,
  instantSchema,
  memberOf,
  recordIdSchema,
  SEEN_BY_IDS,
  usedSchema,
  type Fit,
  type Frame,
  type HostOn,
} from '../frame';
import { fail, ok, type Outcome } from '../quantity';
import type { HandPractice } from '../reference';
import { isOnlyTold, WAYS } from './look';

/** Parts of a bracket, joint, panel or pocket that can each be bad by themselves. */
export const FIND_PARTS = [
  'plate',
  'weld',
  'hole',
  'pin',
  'bush',
  'fasteners',
  'bond',
  'sheet',
  'inside',
  'drain',
] as const;
export type FindPart = (typeof FIND_PARTS)[number];

const lengthMm = z.number().gte(0).lte(5000);
const sizeMm = lengthMm.gt(0, 'a size is more than nothing');
export const REMEDIES = [
  'renewed whole',
  'welded anew',
  'tightened or renewed',
  'straightened',
  'cleared',
] as const;

/** Of a crack or tear that has a length and no path: its two ends, how it was looked for, and what the unit had done by then. */
const runs = {
  longMm: lengthMm.optional(),
  ends: z.tuple([z.enum(CRACK_ENDS), z.enum(CRACK_ENDS)]).optional(),
  depth: z.enum(DEPTHS).optional(),
  signs: z.array(z.enum(CRACK_SIGNS)).max(CRACK_SIGNS.length).optional(),
  seenBy: z.enum(SEEN_BY_IDS).optional(),
  ...usedSchema,
};

/** What was found of a part, with its measure. Lengths mm. */
export const findStateSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('sound'), ways: z.array(z.enum(WAYS)).min(1, 'seen how? eye at least') }),
  z.object({ is: z.literal('cracked'), ...runs }),
  z.object({ is: z.literal('torn'), ...runs }),
  z.object({ is: z.literal('broken') }),
  z.object({ is: z.literal('missing') }),
  z.object({ is: z.literal('rusted through'), acrossMm: lengthMm.optional() }),
  z.object({ is: z.literal('thin'), foundMm: lengthMm, madeMm: sizeMm }),
  z.object({ is: z.literal('worn'), foundMm: lengthMm, madeMm: sizeMm }),
  z.object({ is: z.literal('loose'), count: z.number().int().gte(1).lte(60).optional() }),
  z.object({ is: z.literal('bent'), offMm: lengthMm }),
  z.object({ is: z.literal('gap'), openMm: sizeMm, ...usedSchema }),
  z.object({ is: z.literal('packed'), wet: z.boolean() }),
  z.object({ is: z.literal('blocked') }),
  z.object({ is: z.literal('put right'), done: z.enum(REMEDIES) }),
]);
export type FindState = z.infer<typeof findStateSchema>;
export type FindIs = FindState['is'];

/** Something found of a thing that is no member's wall. `memberIds` are those it hung on, clamped, hid or lay in when it was noted. */
export const findSchema = z.object({
  kind: z.literal('find'),
  id: recordIdSchema,
  on: z.enum(HOST_ON),
  hostId: z.string().min(1).max(60),
  title: z.string().min(1).max(140),
  part: z.enum(FIND_PARTS),
  state: findStateSchema,
  memberIds: z.array(z.string().min(1).max(40)).max(40),
  note: z.string().max(300).default(''),
  by: bySchema,
  at: instantSchema,
});
export type Find = z.infer<typeof findSchema>;

const PARTS_OF: Readonly<Record<HostOn, readonly FindPart[]>> = {
  fitting: ['plate', 'weld', 'hole', 'pin', 'bush', 'fasteners'],
  joint: ['weld', 'fasteners', 'bond'],
  panel: ['sheet', 'weld', 'bond'],
  pocket: ['inside', 'drain'],
};
export const partsOf = (on: HostOn): readonly FindPart[] => PARTS_OF[on];

const STATES_OF: Readonly<Record<FindPart, readonly FindIs[]>> = {
  plate: ['cracked', 'torn', 'rusted through', 'thin', 'bent', 'missing'],
  weld: ['cracked', 'broken', 'rusted through'],
  hole: ['worn', 'cracked', 'torn'],
  pin: ['worn', 'bent', 'loose', 'broken', 'missing'],
  bush: ['worn', 'torn', 'missing'],
  fasteners: ['loose', 'bent', 'thin', 'broken', 'missing'],
  bond: ['broken', 'gap'],
  sheet: ['cracked', 'gap', 'bent', 'rusted through'],
  inside: ['packed'],
  drain: ['blocked'],
};
/** What a part can be, beyond sound and put right. */
export const statesOf = (part: FindPart): readonly FindIs[] => STATES_OF[part];

/** Whether a find can be of what it says it is of. */
export function checkFind(
  frame: Frame,
  find: Pick<Find, 'on' | 'hostId' | 'part' | 'state'> & Partial<Pick<Find, 'title'>>,
): Outcome<Fit> {
  const host = hostOf(frame, find.on, find.hostId);
  if (!host) return fail(`${find.title ?? `the ${find.on} ${find.hostId}`} is not on this frame`, 'hostId');
  if (!partsOf(find.on).includes(find.part)) return fail(`${host.name} has no ${find.part}`, 'part');
  const { is } = find.state;
  if (is !== 'sound' && is !== 'put right' && !statesOf(find.part).includes(is))
    return fail(`a ${find.part} is not said to be ${is}`, 'state');
  return ok({});
}

export const findKind = evidenceKind<Find>({
  name: 'find',
  schema: findSchema,
  fits: (frame, find) => {
    const stray = find.memberIds.find((id) => !memberOf(frame, id));
    return stray === undefined
      ? checkFind(frame, find)
      : fail(`member ${stray} is not on this frame`, 'memberIds');
  },
  tells: (find) => find.memberIds,
});

/** How bad it is. Limits are the shop's; where the maker gives one, that is to be set (common practice, no source). */
export type FindWeight = 'failed' | 'doubtful' | 'fine';
/** Sizes come as sixteenths turned into millimetres: at the limit is within it. */
const ROUNDING_MM = 1e-6;
/** Of a plate or fastener less than this left is failed; less than that, doubtful: as for sheet walls (common practice, no source). */
const [THIN_FAILED, THIN_DOUBTFUL] = [0.65, 0.8];

export function findWeight(
  { part, state }: Pick<Find, 'part' | 'state'>,
  { wornMm, bentMm }: Pick<HandPractice, 'wornMm' | 'bentMm'>,
): FindWeight {
  switch (state.is) {
    case 'sound':
    case 'put right':
      return 'fine';
    case 'cracked':
      // Sheet carries nothing of the frame: its crack tells of what is behind it. Hearsay is a reason to look.
      return part === 'sheet' || isToldOnly(state) ? 'doubtful' : 'failed';
    case 'torn':
      return isToldOnly(state) ? 'doubtful' : 'failed';
    case 'broken':
    case 'missing':
    case 'rusted through':
    case 'loose':
      return 'failed';
    case 'thin': {
      const left = state.foundMm / state.madeMm;
      return left < THIN_FAILED ? 'failed' : left < THIN_DOUBTFUL ? 'doubtful' : 'fine';
    }
    case 'worn': {
      const wear = Math.abs(state.foundMm - state.madeMm);
      return wear > wornMm + ROUNDING_MM ? 'failed' : wear > wornMm / 2 + ROUNDING_MM ? 'doubtful' : 'fine';
    }
    case 'bent':
      return state.offMm > bentMm ? 'failed' : 'doubtful';
    case 'gap':
    case 'blocked':
    case 'packed':
      return 'doubtful';
    default:
      return state satisfies never;
  }
}

/** Whether a crack or tear is somebody else's word so far. */
export const isToldOnly = (state: FindState): boolean =>
  (state.is === 'cracked' || state.is === 'torn') && state.seenBy === 'told';

/** A find that still speaks against its host. */
export interface OpenFind {
  /** As it was found last; a crack or tear as long as it was ever found, by whoever looked. */
  readonly find: Find;
  readonly weight: Exclude<FindWeight, 'fine'>;
  /** How much longer or wider than when it was first noted, mm. */
  readonly grownMm?: number;
  /** Every find of it since it was last put right, in the order they were kept. */
  readonly looks: readonly Find[];
}

const keyOf = ({ on, hostId }: Pick<Find, 'on' | 'hostId'>): string => `${on} ${hostId}`;
/** How long a crack or tear, how wide a gap was found, mm. */
export const measureOf = (state: FindState): number | undefined =>
  state.is === 'cracked' || state.is === 'torn'
    ? state.longMm
    : state.is === 'gap'
      ? state.openMm
      : undefined;

/**
 * What stands against each host, records in the order they were kept. A newer find of a part's same state takes the place of the older one and
 * says how much it grew, and never that it healed; *sound* answers a doubt about its part that may pass; what failed, or was measured of the metal, is
 * answered only by being put right.
 */
export function openFinds(finds: readonly Find[], hand: Pick<HandPractice, 'wornMm' | 'bentMm'>): OpenFind[] {
  const open = new Map<string, readonly Find[]>();
  /** What was found after it by the clock, though kept before, it knew nothing of. */
  const answer = (by: Find, answers: (of: Find) => boolean) => {
    for (const [key, looks] of open) {
      if (!answers(standingOf(looks))) continue;
      const later = looks.filter(({ at }) => at > by.at);
      if (later.length > 0) open.set(key, later);
      else open.delete(key);
    }
  };
  for (const find of finds) {
    const isOf = (other: Find) => keyOf(other) === keyOf(find) && other.part === find.part;
    const { state } = find;
    if (state.is === 'put right')
      answer(find, (other) => (state.done === 'renewed whole' ? keyOf(other) === keyOf(find) : isOf(other)));
    else if (state.is === 'sound') {
      if (!isOnlyTold(state.ways))
        answer(find, (other) => isOf(other) && findWeight(other, hand) !== 'failed' && mayPass(other.state));
    } else {
      const key = `${keyOf(find)} ${find.part} ${state.is}`;
      open.set(key, [...(open.get(key) ?? []), find]);
    }
  }
  return [...open.values()].flatMap((looks): OpenFind[] => {
    const find = standingOf(looks);
    const weight = findWeight(find, hand);
    if (weight === 'fine') return [];
    const [was, is] = [measureOf(looks[0]!.state), measureOf(find.state)];
    const grown = was !== undefined && is !== undefined && is > was ? is - was : undefined;
    return [{ find, weight, looks, ...(grown !== undefined && { grownMm: grown }) }];
  });
}

/** Doubts that a look which finds the part sound answers: all but metal measured away, and a crack that somebody saw. */
const mayPass = (state: FindState): boolean =>
  state.is === 'cracked' || state.is === 'torn'
    ? isToldOnly(state)
    : state.is !== 'thin' && state.is !== 'worn';

/** How much metal is gone, or how far it is out, by one find of a state: the more the worse. */
const lossOf = (state: FindState): number => {
  switch (state.is) {
    case 'thin':
      return 1 - state.foundMm / state.madeMm;
    case 'worn':
      return Math.abs(state.foundMm - state.madeMm);
    case 'bent':
      return state.offMm;
    default:
      return 0;
  }
};

/**
 * The last of its looks; metal does not heal: what was ever found thinner, more worn or more bent stands instead, and a crack stays as long as it was
 * seen, and seen by whoever saw it themselves.
 */
function standingOf(looks: readonly Find[]): Find {
  const last = looks[looks.length - 1]!;
  const worst = looks.reduce((most, look) => (lossOf(look.state) > lossOf(most.state) ? look : most), last);
  if (last.state.is !== 'cracked' && last.state.is !== 'torn') return worst;
  const longest = Math.max(...looks.map(({ state }) => measureOf(state) ?? -1));
  const own = looks.findLast(({ state }) => !isToldOnly(state));
  const seenBy = own && 'seenBy' in own.state ? own.state.seenBy : own ? undefined : last.state.seenBy;
  const { seenBy: _, ...state } = last.state;
  return {
    ...last,
    state: { ...state, ...(longest >= 0 && { longMm: longest }), ...(seenBy && { seenBy }) },
  };
}
