import { COOL_H, RENEWAL_SHARES, share, SMALL } from '../hours';
import { middleMm, type OrderScene, type SceneRenewal, type SceneWork } from '../scene';
import { taskId, type Task, type TaskWhat } from '../task';
import type { Zone } from '../zones';
import { inZone, onMember, type TaskSource } from './source';

/** Forms that take the old thing out before the new one goes in. */
const TAKES_OUT: ReadonlySet<SceneWork['form']> = new Set<SceneWork['form']>([
  'bracket renewed',
  'bracket trimmed',
  'captive mount',
  'splice',
  'leg structure',
  'access opening',
  'sheet patch',
]);

/** Works at brackets, joints, panels and members. Legs have their shaft between their plates. */
export const works: TaskSource = (scene, zones) =>
  zones.flatMap((zone) => zone.works.flatMap((work) => ofWork(scene, zone, work)));

function ofWork(scene: OrderScene, zone: Zone, work: SceneWork): Task[] {
  const { norms } = scene;
  const norm =
    work.form === 'splice' ? norms.splice : work.form === 'straightening' ? norms.straighten : norms.fitting;
  const axle = work.carries.includes('axle location');
  const shared = {
    of: { is: 'work', id: work.id, name: work.name } as const,
    ...inZone(zone),
    ...onMember(scene, work.memberId, middleMm(work)),
    hands: 1 as const,
  };
  const task = (what: TaskWhat, part: number, more: Partial<Task> = {}): Task => ({
    id: taskId(what, work.id),
    what,
    ...shared,
    hours: share(norm, part),
    ...more,
  });
  if (work.form === 'straightening') return [task('pull into line', 1, { hands: 2 })];
  const hot = { isHot: true, needsWelder: true, hands: 2 } as const;
  const { out, make, fit, tack, weld } = RENEWAL_SHARES;
  const isLegs = work.form === 'leg structure';
  return [
    ...(TAKES_OUT.has(work.form)
      ? [task('old out', out, { isHot: true, ...(axle && { axleOut: true as const }) })]
      : [task('bright metal', out)]),
    task('make parts', make, { atBench: true }),
    ...(work.form === 'captive mount' ? [task('dry fit', fit / 2)] : []),
    ...(isLegs ? [task('shaft in', fit / 2)] : []),
    task(isLegs ? 'second plate' : 'fit', fit, { covers: true, hands: 2 }),
    ...(isLegs ? [task('legs plumb', 0, { hours: SMALL.plumb! })] : []),
    ...(work.weldM > 0
      ? [
          task('tack', tack, hot),
          task('weld', weld, { ...hot, thenWaitH: COOL_H }),
          task('look at welds', 0, { hours: SMALL.look! }),
        ]
      : work.isBonded
        ? [task('bond', weld + tack)]
        : [task('bolt up', weld + tack)]),
  ];
}

/** Crossmembers renewed: the old one out, the new one in. */
export const renewals: TaskSource = (scene, zones) =>
  zones.flatMap((zone) => zone.renewals.flatMap((renewal) => ofRenewal(scene, zone, renewal)));

function ofRenewal(scene: OrderScene, zone: Zone, { memberId, name, fromMm }: SceneRenewal): Task[] {
  const { out, make, fit, tack, weld } = RENEWAL_SHARES;
  const id = `renewal ${memberId}`;
  const task = (what: TaskWhat, part: number, more: Partial<Task> = {}): Task => ({
    id: taskId(what, id),
    what,
    of: { is: 'renewal', id, name },
    ...inZone(zone),
    ...onMember(scene, memberId, fromMm),
    hours: share(scene.norms.crossmember, part),
    hands: 1,
    ...more,
  });
  const hot = { isHot: true, needsWelder: true, hands: 2 } as const;
  return [
    task('old out', out, { isHot: true, hands: 2 }),
    task('make parts', make, { atBench: true, partKey: `length tube ${name}`.slice(0, 120) }),
    task('fit', fit, { hands: 2 }),
    task('tack', tack, hot),
    task('weld', weld, { ...hot, thenWaitH: COOL_H }),
    task('look at welds', 0, { hours: SMALL.look! }),
  ];
}
