import { middleMm } from '../scene';
import { taskId, type Task } from '../task';
import { inZone, onMember, type TaskSource } from './source';

/** What parted or stands out of line is pulled back, measured and held there. */
export const aligning: TaskSource = (scene, zones) => [
  ...scene.straightened.map(({ id, name }): Task => ({
    id: taskId('pull into line', id),
    what: 'pull into line',
    of: { is: 'member', id, name },
    hours: scene.norms.straighten,
    hands: 2,
  })),
  ...zones.flatMap((zone) =>
    zone.aligns.map((align): Task => ({
      id: taskId('pull into line', align.id),
      what: 'pull into line',
      of: { is: 'member', id: align.memberId ?? align.id, name: align.name },
      ...inZone(zone),
      ...(align.memberId !== undefined && onMember(scene, align.memberId, middleMm(align))),
      hours: scene.norms.straighten,
      hands: 2,
    })),
  ),
];
