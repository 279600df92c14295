import { isDone, type Gate, type GateScene, type Lack } from './gate';

const OPENS = ['opening cut', 'final cut', 'old out'];
const SHUTS = ['look at welds', 'bolt up', 'bond'];

/** May it be raised, in the state it is in now: asked on what is on record today; never while it is cut open; anew once it was welded. */
export function raise(scene: GateScene): Gate[] {
  const { plan, lift } = scene;
  const taskOf = (what: string) => plan.tasks.find((task) => task.what === what);
  const [set, out] = [taskOf('set stands'), taskOf('stands out')];
  if (!set || !out) return [];
  const isSet = isDone(scene, set.id);
  const cutOpen = openThings(scene);
  const lacks: Lack[] = [
    ...(!lift ? [{ code: 'lift not asked' } as const] : []),
    ...(lift && (lift.isStale || (isSet && lift.at < lastWeld(scene)))
      ? [{ code: 'lift asked before' } as const]
      : []),
    ...(lift && lift.answer !== 'Lift here' ? [{ code: 'lift not here', name: lift.answer } as const] : []),
    ...cutOpen.map((name) => ({ code: 'cut open', name }) as const),
  ];
  return [
    { gate: 'raise', of: 'unit', name: 'unit', lacks, holds: [isSet ? out.id : set.id], mayBeForced: false },
  ];
}

/** Things cut and not yet closed again. */
function openThings(scene: GateScene): string[] {
  const { tasks } = scene.plan;
  const cut = tasks.filter(({ what, id }) => OPENS.includes(what) && isDone(scene, id));
  return [
    ...new Set(
      cut
        .filter(({ of }) =>
          tasks.some((task) => task.of.id === of.id && SHUTS.includes(task.what) && !isDone(scene, task.id)),
        )
        .map(({ of }) => of.name),
    ),
  ];
}

const lastWeld = ({ progress }: GateScene): string =>
  [...progress.values()]
    .filter(({ task }) => SHUTS.includes(task.what))
    .reduce((latest, { doneAt = '' }) => (doneAt > latest ? doneAt : latest), '');
