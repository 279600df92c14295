import type { OrderScene } from '../scene';
import type { Task } from '../task';
import type { Zone } from '../zones';

/** One source of tasks: what it makes of the records. A new one is a file and a line in `index.ts`. */
export type TaskSource = (scene: OrderScene, zones: readonly Zone[]) => Task[];

export const UNIT = { is: 'unit', id: 'unit', name: 'unit' } as const;
export const inZone = ({ id }: Zone) => ({ zoneId: id }) as const;
/** Where on its member something is, for the Strip. */
export const onMember = (
  scene: OrderScene,
  memberId: string,
  frameMm: number,
): Pick<Task, 'memberId' | 'stationMm'> => {
  const member = scene.frame.members.find(({ id }) => id === memberId);
  if (!member) return {};
  const own = member.role === 'rail' || member.role === 'sill' ? frameMm - (member.startMm ?? 0) : frameMm;
  return { memberId, stationMm: Math.min(member.lengthMm, Math.max(0, own)) };
};
