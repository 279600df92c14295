import type { Norms } from '../../reference';
import {
  BOLTED_SHARES,
  COOL_H,
  PLATE_SHARES,
  READY_SHARES,
  RENEWAL_SHARES,
  share,
  SMALL,
  WELD_SHARES,
} from '../hours';
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
  const shared = {
    of: { is: 'work', id: work.id, name: work.name } as const,
    ...inZone(zone),
    ...onMember(scene, work.memberId, middleMm(work)),
    hands: 1 as const,
  };
  return stepsOf(scene.norms, work, (what, hours, more = {}) => ({
    id: taskId(what, work.id),
    what,
    ...shared,
    hours,
    ...more,
  }));
}

/** Of a work what its steps are made of. */
export type WorkSteps = Pick<SceneWork, 'form' | 'carries' | 'parts' | 'weldM' | 'isBonded'>;
type Make = (what: TaskWhat, hours: Task['hours'], more?: Partial<Task>) => Task;

function stepsOf(norms: Norms, work: WorkSteps, task: Make): Task[] {
  if (work.form === 'straightening') return [task('pull into line', norms.straighten, { hands: 2 })];
  const axle = work.carries.includes('axle location');
  const hot = { isHot: true, needsWelder: true, hands: 2 } as const;
  const isLegs = work.form === 'leg structure';
  const { out, make, fit, tack, weld, join } = hoursOfSteps(norms, work);
  return [
    ...(TAKES_OUT.has(work.form)
      ? [task('old out', out, { isHot: true, ...(axle && { axleOut: true as const }) })]
      : [task('bright metal', out)]),
    task('make parts', make, { atBench: true }),
    ...(work.form === 'captive mount' ? [task('dry fit', share(fit, 0.5))] : []),
    ...(isLegs ? [task('shaft in', share(fit, 0.5))] : []),
    task(isLegs ? 'second plate' : 'fit', fit, { covers: true, hands: 2 }),
    ...(isLegs ? [task('legs plumb', SMALL.plumb!)] : []),
    ...(work.weldM > 0
      ? [
          task('tack', tack, hot),
          task('weld', weld, { ...hot, thenWaitH: COOL_H }),
          task('look at welds', SMALL.look!),
        ]
      : [task(work.isBonded ? 'bond' : 'bolt up', join)]),
  ];
}

/**
 * A length let in has a norm of its own, shared out. Every other work takes what its parts and its weld take, as plates do, and where something is taken out
 * first a share of what renewing a bracket takes; a piece that is bought, or formed where it is, is fitted like one plate.
 */
function hoursOfSteps(norms: Norms, { form, parts, weldM, isBonded }: WorkSteps) {
  const { out, make, fit, tack, weld } = RENEWAL_SHARES;
  if (form === 'splice') {
    const of = (part: number) => share(norms.splice, part);
    return {
      out: of(out),
      make: of(make),
      fit: of(fit),
      tack: of(tack),
      weld: of(weld),
      join: of(tack + weld),
    };
  }
  return {
    out: TAKES_OUT.has(form) ? share(norms.fitting, out) : share(norms.makeReady, READY_SHARES.bright),
    make: share(norms.plate, parts * PLATE_SHARES.make),
    fit: share(norms.plate, Math.max(1, parts) * PLATE_SHARES.fit),
    tack: share(norms.weldPerMetre, weldM * WELD_SHARES.tack),
    weld: share(norms.weldPerMetre, weldM * WELD_SHARES.weld),
    join: isBonded
      ? share(norms.fitting, tack + weld)
      : share(norms.boltedPlate, Math.max(1, parts) * BOLTED_SHARES.boltUp),
  };
}

/** Hours of a work's own steps by the norms, least and most: as its plan would count them. */
export function workHours(norms: Norms, work: WorkSteps): [number, number] {
  const steps = stepsOf(norms, work, (what, hours) => ({ what, hours }) as Task);
  return [0, 1].map((k) => steps.reduce((sum, { hours }) => sum + hours[k]!, 0)) as [number, number];
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
