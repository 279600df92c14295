import { isDone, type Gate, type GateScene, type Lack } from './gate';

/** More was found while it was open: the zone stands still until somebody says what it changes, and the owner says yes, no or later. */
export function ownersYes(scene: GateScene): Gate[] {
  const { plan, extras, answers, foundWhileOpen } = scene;
  const known = new Set(plan.zones.map(({ id }) => id));
  return plan.zones.flatMap(({ id }, k): Gate[] => {
    // What was asked of a stretch that is no longer planned is not forgotten: the first one stands still for it.
    const own = extras.filter(({ zoneId }) => zoneId === id || (k === 0 && !known.has(zoneId)));
    const lastSaid = own.reduce((latest, { at }) => (at > latest ? at : latest), '');
    const found = foundWhileOpen.get(id);
    const lacks: Lack[] = [
      ...(found && found.at > lastSaid ? [{ code: 'found, not answered' as const, value: found.count }] : []),
      ...own
        .filter(({ id: extraId, grows }) => grows && !answers.some((answer) => answer.extraId === extraId))
        .map(({ what }) => ({ code: 'owner not asked' as const, name: what })),
    ];
    if (own.length === 0 && !found) return [];
    const holds = plan.tasks
      .filter((task) => task.zoneId === id && !isDone(scene, task.id))
      .filter(({ what }) => !MAY_GO_ON.has(what))
      .map((task) => task.id);
    return [{ gate: 'owner', of: id, zoneId: id, name: id, lacks, holds, mayBeForced: false }];
  });
}
/** Looking further costs nothing and decides. */
const MAY_GO_ON: ReadonlySet<string> = new Set([
  'look inside',
  'take off',
  'clear',
  'part places',
  'photos before',
  'test',
]);
