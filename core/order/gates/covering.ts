import { lastWord } from '../../frame';
import { ABOVE_DEW_K, dewPointC, TOO_COLD_C, TOO_DAMP } from '../dew';
import type { GateSaid } from '../records';
import { forcedSince, isDone, lookName, type Gate, type GateScene, type Lack } from './gate';

/** Nothing is coated or covered before every seam beneath has its look and its photo. */
export function lookFirst(scene: GateScene): Gate[] {
  const { plan, heldSeams, logged, photographed } = scene;
  return plan.zones.flatMap(({ id }): Gate[] => {
    const here = plan.tasks.filter(({ zoneId }) => zoneId === id);
    const looks = here.filter(({ what }) => what === 'look at welds' || what === 'look at crack');
    const holds = here
      .filter(({ what }) => what === 'outside coat' || what === 'inside coat' || what === 'put back')
      .map((task) => task.id);
    if (looks.length === 0 || holds.length === 0) return [];
    const lacks = looks.flatMap((look): Lack[] => {
      const held = heldSeams.get(look.of.id) ?? 0;
      if (held > 0) return [{ code: 'seam not looked at', name: lookName(look), value: held }];
      if (logged.has(look.of.id)) return [];
      if (!isDone(scene, look.id)) return [{ code: 'seam not looked at', name: lookName(look) }];
      return photographed.has(look.id) ? [] : [{ code: 'no photo', name: lookName(look) }];
    });
    return [{ gate: 'look', of: id, zoneId: id, name: id, lacks, holds, mayBeForced: false }];
  });
}

/** Air and steel are measured just before: weather turns within hours (ours), h. */
export const AIR_HOLDS_H = 4;

/** Coat now, or wait: steel temperature against the dew point of the air beside it. */
export function coatNow(scene: GateScene): Gate[] {
  const { plan, nowMs } = scene;
  return plan.zones.flatMap(({ id }): Gate[] => {
    const holds = plan.tasks
      .filter((task) => task.zoneId === id && (task.what === 'outside coat' || task.what === 'inside coat'))
      .filter((task) => !isDone(scene, task.id))
      .map((task) => task.id);
    if (holds.length === 0) return [];
    const said = lastMeasured(scene, id);
    const isFresh = said && nowMs - Date.parse(said.at) < AIR_HOLDS_H * 3_600_000;
    const forced = forcedSince(scene, 'coat', id, said?.at ?? '');
    return [
      {
        gate: 'coat',
        of: id,
        zoneId: id,
        name: id,
        lacks: isFresh ? airLacks(said) : [{ code: 'air not measured' }],
        ...(forced && nowMs - Date.parse(forced.at) < AIR_HOLDS_H * 3_600_000 && { forced }),
        holds,
        mayBeForced: true,
        ...(said && { said }),
      },
    ];
  });
}

const lastMeasured = ({ said }: GateScene, zoneId: string): GateSaid | undefined =>
  lastWord(
    said.filter(({ gate, of, is }) => gate === 'coat' && of === zoneId && is === 'measured'),
    (air) => airLacks(air).length,
  );

/** What speaks against coating in this air; at a limit it may be. */
export function airLacks({
  surfaceC,
  airC,
  humidity,
}: Pick<GateSaid, 'surfaceC' | 'airC' | 'humidity'>): Lack[] {
  if (surfaceC === undefined || airC === undefined || humidity === undefined)
    return [{ code: 'air not measured' }];
  const dewC = dewPointC(airC, humidity);
  if (dewC === undefined) return [{ code: 'air not measured' }];
  const above = surfaceC - dewC;
  return [
    ...(above < ABOVE_DEW_K - 1e-9
      ? [{ code: 'near dew point' as const, value: above, limit: ABOVE_DEW_K }]
      : []),
    ...(humidity > TOO_DAMP + 1e-9 ? [{ code: 'too damp' as const, value: humidity, limit: TOO_DAMP }] : []),
    ...(surfaceC < TOO_COLD_C ? [{ code: 'too cold' as const, value: surfaceC, limit: TOO_COLD_C }] : []),
  ];
}
