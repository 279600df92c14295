import { COOL_H, CRACK_SHARES, share, SMALL } from '../hours';
import { memberIn, middleMm } from '../scene';
import { taskId, type Task } from '../task';
import { inZone, onMember, type TaskSource } from './source';

/** Each crack: both its ends found and drilled, welded shut, looked at with dye once it is cool. */
export const cracks: TaskSource = (scene, zones) =>
  zones.flatMap((zone) =>
    zone.cracks.flatMap((crack): Task[] => {
      const { crackWelded } = scene.norms;
      const shared = {
        of: {
          is: 'crack',
          id: crack.id,
          name: memberIn(scene, crack.memberId)?.name ?? crack.memberId,
        } as const,
        ...inZone(zone),
        ...onMember(scene, crack.memberId, middleMm(crack)),
        hands: 1 as const,
      };
      return [
        {
          ...shared,
          id: taskId('crack ends', crack.id),
          what: 'crack ends',
          hours: share(crackWelded, CRACK_SHARES.ends),
        },
        {
          ...shared,
          id: taskId('crack weld', crack.id),
          what: 'crack weld',
          hours: share(crackWelded, CRACK_SHARES.weld),
          hands: 2,
          isHot: true,
          needsWelder: true,
          thenWaitH: COOL_H,
        },
        { ...shared, id: taskId('look at crack', crack.id), what: 'look at crack', hours: SMALL.look! },
      ];
    }),
  );
