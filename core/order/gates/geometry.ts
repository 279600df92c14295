import { forcedSince, isDone, type Gate, type GateScene, type Lack } from './gate';

/** Tacked, and measured against the baseline before the rest is laid: a tack is ground off, a weld is not. */
export function geometryLock(scene: GateScene): Gate[] {
  const { plan, progress, geometry } = scene;
  return plan.tasks
    .filter(({ what, of }) => what === 'weld' && opens(scene, of.id))
    .map((weld): Gate => {
      const tack = plan.tasks.find(({ what, of }) => what === 'tack' && of.id === weld.of.id);
      const tackedAt = (tack && progress.get(tack.id)?.doneAt) ?? '';
      const since = geometry.get(weld.of.id);
      const over = [...(since?.moved ?? []), ...(since?.alsoMoved ?? [])].filter(
        ({ movedBy, limit }) => movedBy > limit,
      );
      const lacks: Lack[] = [
        ...(!tack || !isDone(scene, tack.id) || !since || since.since === 0
          ? [{ code: 'no measure since tack' } as const]
          : since.moved.length === 0
            ? [{ code: 'no measure before' } as const]
            : []),
        ...over.map(({ name, movedBy, limit, quantity }) => ({
          code: 'moved since before' as const,
          name,
          value: movedBy,
          limit,
          ...(quantity === 'angle' && { quantity }),
        })),
      ];
      // Signed for is what was known: measured worse since, it is shut anew. Welded, it stays on record that it was signed for.
      const known = isDone(scene, weld.id) ? [] : over.flatMap(({ seenOverAt }) => seenOverAt ?? []);
      const from = [tackedAt || '9', ...known].reduce((last, at) => (at > last ? at : last));
      const forced = forcedSince(scene, 'geometry', weld.of.id, from);
      return {
        gate: 'geometry',
        of: weld.of.id,
        ...(weld.zoneId !== undefined && { zoneId: weld.zoneId }),
        name: weld.of.name,
        lacks,
        ...(forced && { forced }),
        holds: [weld.id],
        mayBeForced: true,
      };
    });
}

/** Things whose metal is cut through, or that hold something in its place: an overlay pulls a sound rail little. */
const opens = ({ plan: { tasks } }: GateScene, ofId: string): boolean =>
  tasks.some(({ what, of }) => of.id === ofId && (what === 'opening cut' || what === 'old out'));
