import { overlap, type Along, type PlannedRepair, type SceneWork } from '../scene';
import { locatesAxle } from '../sources';
import { ONE_STRIPPING_MM } from '../zones';
import { twinIdOf } from './twins';
import { all, are, firstOf, lastOf, ofThing, type Draft, type OrderRule } from './rule';

/** A section that parted is pulled back and held before its crack is welded or a cap is cut in. */
export const inLineFirst: OrderRule = {
  why: 'in line before it is welded',
  pairs: (draft) => {
    const { tasks, scene } = draft;
    const straightened = [
      ...scene.aligns.map(({ id, memberId, ...along }) => ({
        is: 'member' as const,
        id: memberId ?? id,
        memberId,
        along,
      })),
      ...scene.works
        .filter(({ form }) => form === 'straightening')
        .map(({ id, memberId, ...along }) => ({ is: 'work' as const, id, memberId, along: along as Along })),
    ];
    const whole = all(
      scene.straightened.flatMap(({ id }) => ofThing(tasks, 'member', id).filter(are('pull into line'))),
      tasks.filter(are('crack ends', 'opening cut', 'bright metal', 'drill', 'old out')),
    );
    const placed = straightened.flatMap(({ is, id, memberId }) => {
      const pulls = ofThing(tasks, is, id).filter(are('pull into line'));
      const onIt = [
        ...scene.cracks.map((each) => ['crack', each] as const),
        ...scene.repairs.map((each) => ['repair', each] as const),
      ]
        .filter(([, each]) => each.memberId === memberId)
        .flatMap(([of, each]) => firstOf(ofThing(tasks, of, each.id)) ?? []);
      return all(pulls, onIt);
    });
    return [...whole, ...placed];
  },
};

/** What a plate will lie over is welded shut and looked at first. */
export const crackFirst: OrderRule = {
  why: 'crack before its plate',
  pairs: ({ tasks, scene }) =>
    scene.cracks.flatMap((crack) =>
      scene.repairs
        .filter((repair) => repair.memberId === crack.memberId && overlap(repair, crack))
        .flatMap((repair) =>
          all(
            ofThing(tasks, 'crack', crack.id).filter(are('look at crack')),
            ofThing(tasks, 'repair', repair.id).filter(are('bright metal', 'drill', 'fit')),
          ),
        ),
    ),
};

/** One side at a time, the worse first while its better twin holds the frame. */
export const oneSideFirst: OrderRule = {
  why: 'worst side first',
  pairs: (draft) => {
    const { scene, tasks } = draft;
    return scene.repairs.flatMap((one) =>
      scene.repairs
        .filter((other) => areTwins(draft, one, other) && isWorse(one, other))
        .flatMap((other) => {
          const last = lastOf(ofThing(tasks, 'repair', one.id));
          const first = ofThing(tasks, 'repair', other.id).find(are('opening cut', 'bright metal', 'drill'));
          return last && first ? [[last, first] as const] : [];
        }),
    );
  },
};

const areTwins = ({ scene }: Draft, one: PlannedRepair, other: PlannedRepair): boolean =>
  twinIdOf(scene.frame, one.memberId) === other.memberId && overlap(one, other, ONE_STRIPPING_MM);
const isWorse = (one: PlannedRepair, other: PlannedRepair): boolean =>
  one.leastKept < other.leastKept || (one.leastKept === other.leastKept && one.id < other.id);

/** What locates an axle stays until its twin is done: an axle with both its mounts off goes where it will. */
export const axleHeld: OrderRule = {
  why: 'axle held by its twin',
  pairs: ({ tasks, scene }) => {
    const locates = scene.works.filter(
      ({ carries, on, side }) => on === 'fitting' && side && carries.includes('axle location'),
    );
    return locates
      .filter(({ side }) => side === 'left')
      .flatMap((left) =>
        locates
          .filter((right) => right.side === 'right' && sameFitting(left, right))
          .flatMap((right) => {
            const last = lastOf(ofThing(tasks, 'work', left.id));
            const first = firstOf(ofThing(tasks, 'work', right.id));
            return last && first ? [[last, first] as const] : [];
          }),
      );
  },
};
/** The same of what only comes off and goes back: one side back in its place before the other side's comes off. */
export const axlePartsHeld: OrderRule = {
  why: 'axle held by its twin',
  pairs: ({ tasks, scene }) => {
    const off = scene.parts.filter((part) => locatesAxle(part) && ofThing(tasks, 'part', part.id).length > 0);
    return off
      .filter(({ side }) => side === 'left')
      .flatMap((left) =>
        off
          .filter(({ id, side }) => side === 'right' && bare(id) === bare(left.id))
          .flatMap((right) =>
            all(
              ofThing(tasks, 'part', left.id).filter(are('refix', 'look at welds')),
              ofThing(tasks, 'part', right.id).filter(are('take off')),
            ),
          ),
      );
  },
};
const bare = (hostId: string): string => hostId.replace(/ (left|right)$/, '');
const sameFitting = (one: SceneWork, other: SceneWork): boolean => bare(one.hostId) === bare(other.hostId);

const SPRINGS: ReadonlySet<SceneWork['fitting']> = new Set<SceneWork['fitting']>([
  'spring seat',
  'spring bucket',
  'spring hanger',
]);
/** Where the springs come out anyway, their seats are made good before the rail they hang on is opened. */
export const springsFirst: OrderRule = {
  why: 'springs before the rail',
  pairs: ({ tasks, scene }) =>
    scene.works
      .filter(({ fitting }) => SPRINGS.has(fitting))
      .flatMap((work) =>
        scene.repairs
          .filter((repair) => repair.memberId === work.memberId && overlap(repair, work, ONE_STRIPPING_MM))
          .flatMap((repair) => {
            const last = lastOf(ofThing(tasks, 'work', work.id));
            const first = ofThing(tasks, 'repair', repair.id).find(
              are('opening cut', 'bright metal', 'drill'),
            );
            return last && first ? [[last, first] as const] : [];
          }),
      ),
};

/** Caps that meet: the one nearest the middle of them all first, the others are built off it. */
export const middleFirst: OrderRule = {
  why: 'middle cap first',
  pairs: ({ tasks, scene }) =>
    runsOfCaps(scene.repairs).flatMap((run) => {
      const middle = run[Math.floor((run.length - 1) / 2)]!;
      const at = run.indexOf(middle);
      // Outward on both sides: each before the next farther out.
      const outward = [run.slice(at), run.slice(0, at + 1).reverse()];
      return outward.flatMap((side) =>
        side.slice(1).flatMap((next, k) => {
          const tacked = ofThing(tasks, 'repair', side[k]!.id).find(are('tack', 'bolt up'));
          const fitted = ofThing(tasks, 'repair', next.id).find(are('fit', 'drill'));
          return tacked && fitted ? [[tacked, fitted] as const] : [];
        }),
      );
    }),
};

/** Caps of one member that come within one strip-down of each other, from the front. */
function runsOfCaps(repairs: readonly PlannedRepair[]): PlannedRepair[][] {
  const runs: PlannedRepair[][] = [];
  const sorted = repairs
    .filter(({ isCap }) => isCap)
    .sort((a, b) => a.memberId.localeCompare(b.memberId) || a.fromMm - b.fromMm);
  for (const cap of sorted) {
    const last = runs.at(-1)?.at(-1);
    if (last && last.memberId === cap.memberId && cap.fromMm <= last.toMm + ONE_STRIPPING_MM)
      runs.at(-1)!.push(cap);
    else runs.push([cap]);
  }
  return runs.filter(({ length }) => length > 1);
}

/** The cross shaft goes in before the second plate of a leg closes over it. */
export const shaftFirst: OrderRule = {
  why: 'shaft before the second plate',
  pairs: ({ tasks }) => {
    const shafts = tasks.filter(are('shaft in'));
    return all(shafts, tasks.filter(are('second plate')));
  },
};

/** Legs are a pair: neither is welded before both stand plumb and equal. */
export const legsTogether: OrderRule = {
  why: 'both legs plumb',
  pairs: ({ tasks, scene }) => {
    const legs = scene.works
      .filter(({ form }) => form === 'leg structure')
      .flatMap(({ id }) => ofThing(tasks, 'work', id));
    return all(legs.filter(are('legs plumb')), legs.filter(are('tack', 'weld')));
  },
};

/** A new tube lands on the plated wall, and the old one keeps the rails apart meanwhile. */
export const platesFirst: OrderRule = {
  why: 'plates before the tube',
  pairs: ({ tasks, scene }) =>
    scene.renewals.flatMap((renewal) =>
      scene.repairs
        .filter(
          (repair) =>
            scene.frame.members.find(({ id }) => id === repair.memberId)?.role === 'rail' &&
            overlap(repair, renewal),
        )
        .flatMap((repair) => {
          const last = lastOf(ofThing(tasks, 'repair', repair.id));
          const first = ofThing(tasks, 'renewal', `renewal ${renewal.memberId}`).find(are('old out'));
          return last && first ? [[last, first] as const] : [];
        }),
    ),
};

const GOES_INSIDE: ReadonlySet<SceneWork['form']> = new Set<SceneWork['form']>([
  'captive mount',
  'through plates',
  'stud blocked',
  'formed tab',
]);
/** What sits behind a plate is in its place before the last plate closes over it. */
export const inBeforeClosed: OrderRule = {
  why: 'in before it closes',
  pairs: ({ tasks, scene }) =>
    scene.works
      .filter(({ form }) => GOES_INSIDE.has(form))
      .flatMap((work) =>
        scene.repairs
          .filter((repair) => repair.memberId === work.memberId && overlap(repair, work))
          .flatMap((repair) => {
            const last = lastOf(ofThing(tasks, 'work', work.id));
            const fits = ofThing(tasks, 'repair', repair.id).find(are('fit', 'drill'));
            return last && fits ? [[last, fits] as const] : [];
          }),
      ),
};
