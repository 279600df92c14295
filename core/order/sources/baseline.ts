import { axlesOf } from '../../frame';
import { SMALL } from '../hours';
import { memberIn, middleMm, type OrderScene } from '../scene';
import { taskId, type Task } from '../task';
import type { Zone } from '../zones';
import { inZone, onMember, UNIT, type TaskSource } from './source';

/** Kinds of what is put back by its measured place, not by its own bolts alone. */
const HAS_A_PLACE: ReadonlySet<string> = new Set([
  'spring hanger',
  'spring seat',
  'spring bucket',
  'equaliser',
  'control arm',
  'shock mount',
  'steering gear',
  'body mount',
  'bed mount',
  'captive mount',
  'bracket',
  'hitch',
  'coupler',
  'pin box',
  'landing leg',
  'spare carrier',
  'tank strap',
]);

/** What is measured and photographed before the first cut: afterwards nobody can any more. */
export const baseline: TaskSource = (scene, zones) => {
  if (zones.length === 0) return [];
  const unit = (what: Task['what']): Task => ({
    id: taskId(what, 'unit'),
    what,
    of: UNIT,
    hours: SMALL.measure!,
    hands: what === 'wheelbase' || what === 'diagonals' || what === 'steering flex' ? 2 : 1,
  });
  return [
    ...(axlesOf(scene.frame).length > 0 ? [unit('wheelbase'), unit('ride height')] : []),
    unit('diagonals'),
    ...cutMembers(scene).map((memberId): Task => {
      const name = memberIn(scene, memberId)?.name ?? memberId;
      return {
        id: taskId('laser marks', memberId),
        what: 'laser marks',
        of: { is: 'member', id: memberId, name },
        ...onMember(scene, memberId, 0),
        hours: SMALL.measure!,
        hands: 1,
      };
    }),
    ...(scene.frame.fittings.some(({ kind }) => kind === 'steering gear') ? [unit('steering flex')] : []),
    ...zones.flatMap((zone) => ofZone(scene, zone)),
  ];
};

/** Members that are cut or bent back, in the frame's order. */
const cutMembers = ({ frame, repairs, aligns, works }: OrderScene): string[] => {
  const ids = new Set([
    ...repairs.map(({ memberId }) => memberId),
    ...aligns.flatMap(({ memberId }) => memberId ?? []),
    ...works.filter(({ form }) => form === 'splice').map(({ memberId }) => memberId),
  ]);
  return frame.members.filter(({ id, role }) => ids.has(id) && role !== 'crossmember').map(({ id }) => id);
};

function ofZone(scene: OrderScene, zone: Zone): Task[] {
  const placed = zone.parts.filter(({ kind }) => HAS_A_PLACE.has(kind));
  const captive = zone.works.filter(({ form }) => form === 'captive mount');
  const at = zone.repairs[0] ?? zone.works[0] ?? zone.cracks[0];
  const own = { of: { is: 'unit', id: `zone ${zone.id}`, name: zone.id } as const, ...inZone(zone) };
  return [
    ...(placed.length > 0
      ? [
          {
            ...own,
            id: taskId('part places', zone.id),
            what: 'part places',
            hours: SMALL.measure!,
            hands: 1,
          } as const,
        ]
      : []),
    ...captive.map((work): Task => ({
      id: taskId('bolt lengths', work.id),
      what: 'bolt lengths',
      of: { is: 'work', id: work.id, name: work.name },
      ...inZone(zone),
      ...onMember(scene, work.memberId, middleMm(work)),
      hours: SMALL.measure!,
      hands: 1,
    })),
    {
      ...own,
      id: taskId('photos before', zone.id),
      what: 'photos before',
      ...(at && onMember(scene, at.memberId, middleMm(at))),
      hours: SMALL.photos!,
      hands: 1,
    },
  ];
}
