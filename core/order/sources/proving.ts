import { SMALL } from '../hours';
import { taskId, type Task } from '../task';
import { UNIT, type TaskSource } from './source';

/** The same measures, pushes and photos as before the first cut; driven; bolts gone round once more. */
export const proving: TaskSource = (scene, zones) => {
  if (zones.length === 0) return [];
  const task = (what: Task['what'], hours: Task['hours'], hands: 1 | 2 = 1): Task => ({
    id: taskId(what, 'unit'),
    what,
    of: UNIT,
    hours,
    hands,
  });
  const hasSteering = scene.frame.fittings.some(({ kind }) => kind === 'steering gear');
  const hasBolts =
    scene.repairs.some(({ isBolted }) => isBolted) || scene.works.length > 0 || scene.parts.length > 0;
  return [
    task('measure again', SMALL.measure!, 2),
    ...(hasSteering ? [task('flex again', SMALL.measure!, 2)] : []),
    task('photos after', SMALL.photos!),
    task('drive', SMALL.drive!),
    ...(hasBolts ? [task('torque again', SMALL.torque!)] : []),
  ];
};
