import { lastWord } from '../../frame';
import { PERMIT_CHECKS, type Permit } from '../records';
import type { Task } from '../task';
import type { Zone } from '../zones';
import { isDone, type Gate, type GateScene, type Lack, type PermitState } from './gate';

/** A permit is for one shift, h (ours). */
export const PERMIT_H = 12;
const HOUR_MS = 3_600_000;

/** Leave to strike an arc or a disc in a zone. What hangs near is asked one by one; fuel must be recorded as out of the building, ticked or not. */
export function hotWork(scene: GateScene): Gate[] {
  const hotZones = scene.plan.zones.filter(({ id }) =>
    scene.plan.tasks.some((task) => task.zoneId === id && task.isHot),
  );
  return hotZones.map(({ id, repairs }): Gate => {
    const state = permitState(scene, id, repairs);
    return {
      gate: 'hot work',
      of: id,
      zoneId: id,
      name: id,
      lacks: [...permitLacks(state, scene, repairs), ...fuelLacks(scene)],
      holds: scene.plan.tasks.filter((task) => task.zoneId === id && task.isHot).map((task) => task.id),
      mayBeForced: false,
      ...(state && { permit: state }),
    };
  });
}

/** The last permit of a zone with what was said of it since. Where two devices disagree which that was, one that is over or lacks most. */
function permitState(
  { permits, ...scene }: GateScene,
  zoneId: string,
  repairs: Zone['repairs'],
): PermitState | undefined {
  const own = permits.filter((each) => each.zoneId === zoneId);
  const given = lastWord(
    own.filter(({ is }) => is === 'given'),
    (permit) => strictness(permitLacks(saidOf(permit, own), scene, repairs)),
  );
  return given && saidOf(given, own);
}
/** Over or withdrawn is stricter than anything a permit that runs may lack. */
const strictness = (lacks: readonly Lack[]): number =>
  lacks.some(({ code }) => code.startsWith('permit')) ? Infinity : lacks.length;

function saidOf(permit: Permit, own: readonly Permit[]): PermitState {
  const since = own.filter(({ permitId }) => permitId === permit.id);
  const arcOut = since
    .filter(({ is }) => is === 'arc out')
    .reduce<Permit | undefined>((last, each) => (last && last.at > each.at ? last : each), undefined);
  const isWithdrawn = since.some(({ is }) => is === 'withdrawn');
  const untilMs = arcOut && Date.parse(arcOut.at) + (permit.watchMin ?? 60) * 60_000;
  // Said before its time is over, nothing was watched to the end.
  const watched = since.findLast(
    ({ is, at }) => is === 'watched' && untilMs !== undefined && Date.parse(at) >= untilMs,
  );
  return {
    permit,
    ...(isWithdrawn && { isWithdrawn: true }),
    ...(arcOut && untilMs !== undefined && { arcOutAt: arcOut.at, watchUntilMs: untilMs }),
    ...(watched && { watchedAt: watched.at }),
  };
}

function permitLacks(
  state: PermitState | undefined,
  { nowMs, watchMin }: Pick<GateScene, 'nowMs' | 'watchMin'>,
  repairs: Zone['repairs'],
): Lack[] {
  if (!state) return [{ code: 'no permit' }];
  const { permit, arcOutAt, isWithdrawn } = state;
  if (isWithdrawn) return [{ code: 'permit withdrawn' }];
  if (arcOutAt !== undefined || nowMs - Date.parse(permit.at) >= PERMIT_H * HOUR_MS)
    return [{ code: 'permit over' }];
  const given = permit.watchMin ?? 0;
  return [
    ...openChecks(permit).map((check) => ({ code: 'check open' as const, check })),
    // Other seams, other things beside them.
    ...(repairs.some(({ at }) => at > permit.at) ? [{ code: 'seams changed' as const }] : []),
    ...(given < watchMin ? [{ code: 'watch too short' as const, value: given, limit: watchMin }] : []),
  ];
}

/** Checks that are neither done nor said to be of nothing there. */
export const openChecks = ({ checks, none }: Pick<Permit, 'checks' | 'none'>) =>
  PERMIT_CHECKS.filter((check) => !checks.includes(check) && !none.includes(check));

/** Fuel on the plan that nobody recorded as carried out of the building since it came off. */
function fuelLacks(scene: GateScene): Lack[] {
  const { plan, removals } = scene;
  const isFuel = (task: Task) => task.isFuel === true;
  return plan.tasks.filter(isFuel).flatMap((task): Lack[] => {
    const own = removals.filter(({ partId }) => partId === task.of.id);
    const removal = lastWord(own, ({ isOutside }) => Number(!isOutside));
    const off = own.reduce((last, { at }) => (at > last ? at : last), '');
    const back = plan.tasks.find(({ what, of }) => PUT_BACK.has(what) && of.id === task.of.id);
    const isBack = back !== undefined && (scene.progress.get(back.id)?.doneAt ?? '') > (off || '9');
    if (isBack || (!isDone(scene, task.id) && !removal))
      return [{ code: 'fuel not off', name: task.of.name }];
    return removal?.isOutside ? [] : [{ code: 'fuel not outside', name: task.of.name }];
  });
}
const PUT_BACK: ReadonlySet<string> = new Set(['put back', 'put back load']);
