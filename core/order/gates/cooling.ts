import { COOL_H, CURE_H } from '../hours';
import { COOL_C } from '../dew';
import type { Task } from '../task';
import { forcedSince, isDone, lastSaid, lookName, type Gate, type GateScene, type Lack } from './gate';

const HOUR_MS = 3_600_000;
const hoursSince = (at: string | undefined, nowMs: number): number =>
  at === undefined ? 0 : (nowMs - Date.parse(at)) / HOUR_MS;

/** A weld is looked at and coated once it is cool: by a thermometer, or by the clock where nobody has one. */
export function coolDown(scene: GateScene): Gate[] {
  const { plan, progress, nowMs } = scene;
  return plan.tasks
    .filter(({ what }) => what === 'look at welds' || what === 'look at crack')
    .flatMap((look): Gate[] => {
      const weld = plan.tasks.find(
        ({ what, of }) => (what === 'weld' || what === 'crack weld') && of.id === look.of.id,
      );
      // Nothing is warm before it is welded.
      if (!weld || !isDone(scene, weld.id) || isDone(scene, look.id)) return [];
      const doneAt = progress.get(weld.id)?.doneAt;
      const said = lastSaid(scene, 'cool', look.of.id);
      const measured = said?.is === 'measured' && said.at >= (doneAt ?? '9') ? said.surfaceC : undefined;
      const waited = hoursSince(doneAt, nowMs);
      const lacks: Lack[] =
        measured !== undefined
          ? measured > COOL_C
            ? [{ code: 'too hot', value: measured, limit: COOL_C }]
            : []
          : waited < COOL_H
            ? [{ code: 'still warm', value: Math.max(0, COOL_H - waited), limit: COOL_H }]
            : [];
      return [
        {
          gate: 'cool',
          of: look.of.id,
          ...(look.zoneId !== undefined && { zoneId: look.zoneId }),
          name: lookName(look),
          lacks,
          holds: [look.id],
          mayBeForced: false,
          ...(said && { said }),
        },
      ];
    });
}

/** What was coated is touched and covered once it is hard: the coat's own hours from its last one. */
export function cure(scene: GateScene): Gate[] {
  const { plan, progress, nowMs } = scene;
  return plan.zones.flatMap(({ id }): Gate[] => {
    const here = plan.tasks.filter(({ zoneId }) => zoneId === id);
    const coats = here.filter(({ what }) => what === 'outside coat' || what === 'inside coat');
    const holds = here.filter(({ what }) => what === 'put back').map((task) => task.id);
    if (coats.length === 0 || holds.length === 0) return [];
    const coated = coats.map((coat: Task) => progress.get(coat.id)?.doneAt);
    const last = coated.reduce((latest, at) => ((at ?? '') > (latest ?? '') ? at : latest), undefined);
    const isAll = coats.every((coat) => isDone(scene, coat.id));
    const waited = hoursSince(last, nowMs);
    const lacks: Lack[] =
      !isAll || (last !== undefined && waited < CURE_H)
        ? [{ code: 'not cured', value: isAll ? CURE_H - waited : CURE_H, limit: CURE_H }]
        : [];
    const forced = forcedSince(scene, 'cure', id, last ?? '9');
    return [
      {
        gate: 'cure',
        of: id,
        zoneId: id,
        name: id,
        lacks,
        ...(forced && { forced }),
        holds,
        mayBeForced: true,
      },
    ];
  });
}
