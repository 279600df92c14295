import { COOL_H, PLATE_SHARES, READY_SHARES, share, SMALL, WELD_SHARES } from '../hours';
import { memberIn, middleMm, type OrderScene, type PlannedRepair } from '../scene';
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
      return stepsOf(scene, repair, task);
    }),
  );

type Make = (what: TaskWhat, hours: Task['hours'], more?: Partial<Task>) => Task;

function stepsOf({ norms }: OrderScene, repair: PlannedRepair, task: Make): Task[] {
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
  const partKey = { partKey: repair.isBought ? `kit ${repair.id}` : repair.steelKey };
  if (repair.isBolted)
    return [
      ...opened,
      task('make plate', all(boltedPlate, repair.plates, 0.35), { atBench: true, ...partKey }),
      task('drill', all(boltedPlate, repair.plates, 0.4)),
      task('bolt up', all(boltedPlate, repair.plates, 0.25), { hands: 2, covers: true }),
    ];
  return [
    ...opened,
    task('make plate', all(plate, repair.plates, PLATE_SHARES.make), { atBench: true, ...partKey }),
    task('fit', all(plate, repair.plates, PLATE_SHARES.fit), { hands: 2, covers: true }),
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
