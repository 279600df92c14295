import { SMALL } from '../hours';
import { taskId, type Task } from '../task';
import { onMember, UNIT, type TaskSource } from './source';

/** What the owner said yes to since the job was opened, and what the shop put in by itself. */
export const asked: TaskSource = (scene, zones) => [
  ...scene.extras
    .filter(({ isGranted }) => isGranted)
    .map(({ id, zoneId, memberId, what, hours }): Task => {
      const zone = zones.find((each) => each.id === zoneId);
      return {
        id: taskId('extra', id),
        what: 'extra',
        of: { is: 'extra', id, name: what },
        ...(zone && { zoneId }),
        ...(zone && memberId !== undefined && onMember(scene, memberId, zone.fromMm)),
        hours,
        hands: 1,
      };
    }),
  ...scene.own.map(({ id, zoneId, what, hours }): Task => ({
    id: taskId('own', id),
    what: 'own',
    of: { is: 'own', id, name: what },
    ...(zones.some((zone) => zone.id === zoneId) && { zoneId: zoneId! }),
    hours,
    hands: 1,
  })),
];

/** A unit that has to move between: what rolls and lights goes back for the way, and comes off again. */
export const transit: TaskSource = ({ transitAfter }, zones) =>
  transitAfter === undefined ||
  zones.at(-1)?.id === transitAfter ||
  !zones.some(({ id }) => id === transitAfter)
    ? []
    : (['refit for transit', 'move it', 'strip again'] as const).map((what): Task => ({
        id: taskId(what, 'unit'),
        what,
        of: UNIT,
        hours: SMALL.transit!,
        hands: 2,
      }));
