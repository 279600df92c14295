import { COAT_SHARES, CURE_H, share } from '../hours';
import { memberIn, middleMm, type OrderScene } from '../scene';
import { taskId, type Task } from '../task';
import type { Zone } from '../zones';
import { inZone, onMember, type TaskSource } from './source';

/** Closed members coated inside through their holes, then everything outside: one norm a member, shared. */
export const coating: TaskSource = (scene, zones) => {
  const done = new Set<string>();
  return zones.flatMap((zone) => {
    const ids = [...new Set(membersIn(scene, zone))].filter((id) => !done.has(id));
    ids.forEach((id) => done.add(id));
    return [
      ...ids.filter((id) => scene.closedIds.has(id)).map((id) => inside(scene, zone, id)),
      outside(scene, zone, ids),
    ];
  });
};

const membersIn = (_scene: OrderScene, { repairs, cracks, works, renewals, aligns }: Zone): string[] => [
  ...[...repairs, ...cracks, ...works, ...renewals].map(({ memberId }) => memberId),
  ...aligns.flatMap(({ memberId }) => memberId ?? []),
];

const inside = (scene: OrderScene, zone: Zone, memberId: string): Task => ({
  id: taskId('inside coat', memberId),
  what: 'inside coat',
  of: { is: 'member', id: memberId, name: memberIn(scene, memberId)?.name ?? memberId },
  ...inZone(zone),
  ...onMember(scene, memberId, middleMm(zone)),
  hours: share(scene.norms.coating, COAT_SHARES.inside),
  hands: 1,
  covers: true,
  thenWaitH: CURE_H,
});

function outside(scene: OrderScene, zone: Zone, ids: readonly string[]): Task {
  const closed = ids.filter((id) => scene.closedIds.has(id)).length;
  // A member that is not closed is coated outside for the whole of its norm.
  const members = Math.max(0.5, closed * COAT_SHARES.outside + (ids.length - closed));
  return {
    id: taskId('outside coat', zone.id),
    what: 'outside coat',
    of: { is: 'unit', id: `zone ${zone.id}`, name: zone.id },
    ...inZone(zone),
    ...(ids[0] !== undefined && onMember(scene, ids[0], middleMm(zone))),
    hours: share(scene.norms.coating, members),
    hands: 1,
    covers: true,
    thenWaitH: CURE_H,
  };
}
