import type { Norms } from '../../reference';
import { BOLTED_SHARES, COOL_H, PLATE_SHARES, READY_SHARES, share, SMALL, WELD_SHARES } from '../hours';
import { memberIn, middleMm, type PlannedRepair } from '../scene';
import { taskId, type Task, type TaskWhat } from '../task';
import { inZone, onMember, type TaskSource } from './source';

/** Plates on a member: opened, looked into, cut back, made, fitted, tacked, welded; or drilled and bolted up. */
export const plates: TaskSource = (scene, zones) =>
  zones.flatMap((zone) =>
    zone.repairs.flatMap((repair) => {
      const shared = {
        of: {
          is: 'repair',
          id: repair.id,
          name: memberIn(scene, repair.memberId)?.name ?? repair.memberId,
        } as const,
        ...inZone(zone),
        ...onMember(scene, repair.memberId, middleMm(repair)),
      };
      const task = (what: TaskWhat, hours: Task['hours'], more: Partial<Task> = {}): Task => ({
        id: taskId(what, repair.id),
        what,
        ...shared,
        hours,
        hands: 1,
        changedAt: repair.at,
        ...more,
      });
      return stepsOf(scene.norms, repair, task);
    }),
  );

type Make = (what: TaskWhat, hours: Task['hours'], more?: Partial<Task>) => Task;

/** Of a repair what its steps are made of. */
export type PlateWork = Pick<
  PlannedRepair,
  'isCutOut' | 'isBolted' | 'isBought' | 'plates' | 'weldM' | 'id' | 'steelKey'
>;

function stepsOf(norms: Norms, repair: PlateWork, task: Make): Task[] {
  const { makeReady, plate, boltedPlate, weldPerMetre } = norms;
  const all = (per: readonly [number, number], count: number, part: number) => share(per, count * part);
  const bright = task('bright metal', share(makeReady, READY_SHARES.bright));
  const opened = repair.isCutOut
    ? [
        task('opening cut', share(makeReady, READY_SHARES.opening), { isHot: true }),
        task('look inside', SMALL.lookInside!),
        task('final cut', share(makeReady, READY_SHARES.final), { isHot: true }),
        bright,
      ]
    : [bright];
  // What is bought is not made: it is waited for where it is fitted.
  const made = (hours: Task['hours']) =>
    repair.isBought ? [] : [task('make plate', hours, { atBench: true, partKey: repair.steelKey })];
  const bought = repair.isBought && { partKey: `kit ${repair.id}` };
  if (repair.isBolted)
    return [
      ...opened,
      ...made(all(boltedPlate, repair.plates, BOLTED_SHARES.make)),
      task('drill', all(boltedPlate, repair.plates, BOLTED_SHARES.drill), { ...bought }),
      task('bolt up', all(boltedPlate, repair.plates, BOLTED_SHARES.boltUp), { hands: 2, covers: true }),
    ];
  return [
    ...opened,
    ...made(all(plate, repair.plates, PLATE_SHARES.make)),
    task('fit', all(plate, repair.plates, PLATE_SHARES.fit), { hands: 2, covers: true, ...bought }),
    task('tack', all(weldPerMetre, repair.weldM, WELD_SHARES.tack), {
      isHot: true,
      needsWelder: true,
      hands: 2,
    }),
    task('weld', all(weldPerMetre, repair.weldM, WELD_SHARES.weld), {
      isHot: true,
      needsWelder: true,
      hands: 2,
      thenWaitH: COOL_H,
    }),
    task('look at welds', SMALL.look!),
  ];
}

/** Hours of a repair's own steps by the norms, least and most, with what comes off its way and goes back: as its plan would count them. */
export function plateHours(
  norms: Norms,
  { offAndBack, ...work }: Omit<PlateWork, 'id' | 'steelKey'> & { readonly offAndBack: number },
): [number, number] {
  const steps = stepsOf(norms, { ...work, id: '', steelKey: '' }, (what, hours) => ({ what, hours }) as Task);
  const all = [...steps.map(({ hours }) => hours), share(norms.stripDown, offAndBack)];
  return [0, 1].map((k) => all.reduce((sum, hours) => sum + hours[k]!, 0)) as [number, number];
}
