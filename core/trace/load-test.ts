import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, recordIdSchema, type Frame } from '../frame';
import { ok } from '../quantity';

/** States a unit is put in, one after the other, while the same places are read. */
export const LOAD_STATES = [
  'empty, on its wheels',
  'loaded, on its wheels',
  'on its legs',
  'hitched',
  'on jacks',
  'wheel turned left',
  'wheel turned right',
] as const;
export type LoadState = (typeof LOAD_STATES)[number];
/** What is watched at a place. */
export const WATCHED = [
  'crack',
  'gap',
  'wall joint',
  'unpainted line',
  'steering gear against rail',
  'spring play',
] as const;
export const TEST_PURPOSES = ['find what moves', 'release a temporary repair', 'prove the repair'] as const;

/** A place to read in every state. `crackId` or `host` where it is one on record; `witnesses`: the members that what moves there tells of. */
export const watchedSchema = z.object({
  id: z.string().min(1).max(60),
  what: z.enum(WATCHED),
  name: z.string().trim().min(1, 'a place has a name').max(80),
  crackId: recordIdSchema.optional(),
  host: z.object({ on: z.string().max(20), id: z.string().max(60) }).optional(),
  witnesses: z.array(z.string().min(1).max(40)).max(40),
});
export type Watched = z.infer<typeof watchedSchema>;

export const loadTestSchema = z
  .object({
    kind: z.literal('load test'),
    id: recordIdSchema,
    purpose: z.enum(TEST_PURPOSES),
    states: z
      .array(z.enum(LOAD_STATES))
      .min(2, 'a test goes through two states at least')
      .max(LOAD_STATES.length),
    places: z.array(watchedSchema).min(1, 'a test watches one place at least').max(30),
    readings: z
      .array(
        z.object({
          placeId: z.string().min(1).max(60),
          state: z.enum(LOAD_STATES),
          mm: z.number().gte(-500).lte(500),
        }),
      )
      .max(210),
    /** Rolled a turn or jacked free before anything was read: tyres hold a frame wound up. */
    windUpLetGo: z.boolean(),
    by: bySchema,
    at: instantSchema,
    note: z.string().max(300).default(''),
  })
  .superRefine(({ places, states, readings }, context) => {
    const stray = readings.findIndex(
      ({ placeId, state }) => !states.includes(state) || !places.some(({ id }) => id === placeId),
    );
    if (stray >= 0)
      context.addIssue({
        code: 'custom',
        path: ['readings', stray],
        message: 'a reading of a place or state that is not in this test',
      });
  });
export type LoadTest = z.infer<typeof loadTestSchema>;

export const loadTestKind = evidenceKind<LoadTest>({
  name: 'load test',
  schema: loadTestSchema,
  // What it says of cracks and hosts is kept as looks and finds of theirs beside it.
  fits: (_frame: Frame, _test) => ok({}),
  tells: () => [],
});

/** Two readings by rule or feeler tell apart no less, mm (common practice, no source). */
export const TOLD_APART_MM = 0.5;

/** What one place did from the first state it was read in to another. */
export interface Moved {
  readonly from: LoadState;
  readonly to: LoadState;
  readonly byMm: number;
  readonly is: 'opens' | 'closes' | 'unchanged';
}
export interface PlaceResult {
  readonly place: Watched;
  readonly moved: readonly Moved[];
  /** States nobody read it in. */
  readonly unread: readonly LoadState[];
}

/** Per place, in the order it was watched, what each later state did to it. */
export function testResults({
  places,
  states,
  readings,
}: Pick<LoadTest, 'places' | 'states' | 'readings'>): PlaceResult[] {
  return places.map((place) => {
    const read = states.flatMap((state) => {
      const found = readings.find((each) => each.placeId === place.id && each.state === state);
      return found ? [{ state, mm: found.mm }] : [];
    });
    const [first, ...later] = read;
    return {
      place,
      moved: later.map(({ state, mm }): Moved => {
        const byMm = mm - first!.mm;
        const is = byMm >= TOLD_APART_MM ? 'opens' : byMm <= -TOLD_APART_MM ? 'closes' : 'unchanged';
        return { from: first!.state, to: state, byMm, is };
      }),
      unread: states.filter((state) => !read.some((each) => each.state === state)),
    };
  });
}

/** How load tests since a temporary repair was made leave it. */
export type Release = 'not tested' | 'not read' | 'moves' | 'released';

/** What may not move where metal is held together; springs and steering gear move by themselves. */
const HELD_TOGETHER: readonly Watched['what'][] = ['crack', 'gap', 'wall joint', 'unpainted line'];

/**
 * Released: a test made for it, read in every state at a place of its member, or at one that names no member, at none of which anything moved. What such a
 * test showed moving there, and any test a crack of its member, stays so: it is held anew, or the test is struck through.
 */
export function releaseOf(
  tests: readonly LoadTest[],
  held: { readonly memberId: string; readonly at: string },
): Release {
  const said = tests.flatMap((test): Release[] => {
    if (test.at < held.at) return [];
    const isForIt = test.purpose === 'release a temporary repair';
    const own = testResults(test).filter(
      ({ place: { what, witnesses } }) =>
        HELD_TOGETHER.includes(what) && (witnesses.length === 0 || witnesses.includes(held.memberId)),
    );
    const isTold = ({ place: { what, witnesses } }: PlaceResult) =>
      isForIt || (what === 'crack' && witnesses.length > 0);
    const isMoving = own.some((each) => isTold(each) && each.moved.some(({ is }) => is !== 'unchanged'));
    if (isMoving) return ['moves'];
    if (!isForIt) return [];
    return [own.length > 0 && own.every(({ unread }) => unread.length === 0) ? 'released' : 'not read'];
  });
  return (['moves', 'released', 'not read'] as const).find((each) => said.includes(each)) ?? 'not tested';
}
