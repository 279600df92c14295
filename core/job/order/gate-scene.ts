import type { Compared, GateScene, GeometrySince, Plan, TaskProgress, Zone } from '../../order';
import { changesFrom, type Change } from '../../prove';
import type { Saying } from '../../metal';
import { keyOfMeasure, type Geometry, type GeometryMeasure } from '../../weigh';
import { legalOf, watchMinutes, type GeometryPractice } from '../../reference';
import { lastLift, liftBasis } from '../lift';
import { stands, type JobFile } from '../records';
import { heldSeams, type LedgerSeam } from '../seams';
import { firstCutAt } from './facts';
import type { Works } from './scene';

/** Everything a plan's gates are asked on, from the records as they stand at an instant. */
export function gateScene(
  { file, works }: { readonly file: JobFile; readonly works: Works },
  plan: Plan,
  progress: readonly TaskProgress[],
  ledger: readonly LedgerSeam[],
  nowMs: number,
): GateScene {
  const lift = lastLift(file);
  const held = new Map<string, number>();
  for (const { ofId, stands: how } of heldSeams(ledger))
    if (how !== 'not welded') held.set(ofId, (held.get(ofId) ?? 0) + 1);
  const byId = new Map(progress.map((each) => [each.task.id, each]));
  return {
    plan,
    progress: byId,
    removals: stands(file, 'removal'),
    said: stands(file, 'gate'),
    permits: stands(file, 'permit'),
    extras: stands(file, 'extra'),
    answers: stands(file, 'extra answer'),
    foundWhileOpen: new Map(
      plan.zones.flatMap((zone) => {
        const found = foundIn({ file, works }, plan, zone, byId);
        return found ? [[zone.id, found] as const] : [];
      }),
    ),
    ...(lift && {
      lift: { answer: lift.answer, isStale: lift.basis !== liftBasis(file, file.notices), at: lift.at },
    }),
    geometry: geometrySince(file, plan, byId),
    heldSeams: held,
    logged: new Set(ledger.filter(({ log, laid }) => log.length > 0 || laid).map(({ ofId }) => ofId)),
    photographed: new Set(
      stands(file, 'photo').flatMap(({ spotId }) => (spotId?.startsWith('task ') ? [spotId.slice(5)] : [])),
    ),
    watchMin: watchMinutes(legalOf(file.practice.legal)),
    nowMs,
  };
}

/** Claims that speak against metal. */
const AGAINST: ReadonlySet<Saying['claim']> = new Set<Saying['claim']>([
  'gone',
  'parted',
  'unsound',
  'doubtful',
]);

/** When bad metal was noted on these members by whoever stood there, and bad things of what hangs on them. */
function notedBad(file: JobFile, works: Works, members: ReadonlySet<string>): string[] {
  const records = [...members].flatMap((id) =>
    (works.get(id)?.picture.account.sayings ?? [])
      .filter(({ claim, by, isRound }) => AGAINST.has(claim) && by !== 'told' && !isRound)
      .map(({ recordId, at }) => [recordId, at] as const),
  );
  const finds = stands(file, 'find')
    .filter(({ state, memberIds }) => !ANSWERED.has(state.is) && memberIds.some((id) => members.has(id)))
    .map(({ id, at }) => [id, at] as const);
  return [...new Map([...records, ...finds]).values()].flatMap((at) => at ?? []);
}
const ANSWERED: ReadonlySet<string> = new Set(['sound', 'put right']);

/** Bad metal recorded on a zone's members after it was opened, and before it was coated. */
function foundIn(
  { file, works }: { readonly file: JobFile; readonly works: Works },
  { tasks }: Plan,
  zone: Zone,
  progress: ReadonlyMap<string, TaskProgress>,
): { count: number; at: string } | undefined {
  const here = tasks.filter(({ zoneId }) => zoneId === zone.id);
  const doneAt = (whats: readonly string[]) =>
    here.filter(({ what }) => whats.includes(what)).flatMap(({ id }) => progress.get(id)?.doneAt ?? []);
  const opened = doneAt(['opening cut', 'old out', 'bright metal', 'clear']).sort()[0];
  if (opened === undefined) return undefined;
  const closed = doneAt(['outside coat']).sort().at(-1) ?? '9';
  const members = new Set(
    [...zone.repairs, ...zone.cracks, ...zone.works, ...zone.renewals].map(({ memberId }) => memberId),
  );
  const found = notedBad(file, works, members).filter((at) => at > opened && at < closed);
  const last = found.reduce((latest, at) => (at > latest ? at : latest), '');
  return found.length > 0 ? { count: found.length, at: last } : undefined;
}

/** For each thing that is cut and tacked: what was measured before the first cut, what since its tack, and how far the same things moved. */
function geometrySince(
  file: JobFile,
  plan: Plan,
  progress: ReadonlyMap<string, TaskProgress>,
): ReadonlyMap<string, GeometrySince> {
  const all = stands(file, 'geometry').sort((a, b) => a.at.localeCompare(b.at));
  const cutAt = firstCutAt(file, plan);
  const before = all.filter(({ at }) => cutAt === undefined || at < cutAt);
  return new Map(
    plan.tasks
      .filter(({ what }) => what === 'tack')
      .flatMap((tack): [string, GeometrySince][] => {
        const tackedAt = progress.get(tack.id)?.doneAt;
        if (tackedAt === undefined) return [];
        const since = all.filter(({ at, measure }) => at > tackedAt && isOf(measure, tack.memberId));
        const locking = since.filter(({ measure }) => LOCKING.has(measure.of));
        const moved = (of: readonly Geometry[]) => movedSince(before, of, file.practice.geometry);
        const others = since.filter(({ measure }) => !LOCKING.has(measure.of));
        return [[tack.of.id, { since: locking.length, moved: moved(locking), alsoMoved: moved(others) }]];
      }),
  );
}

/** How far each thing moved, of which the last measure counts. */
function movedSince(
  before: readonly Geometry[],
  since: readonly Geometry[],
  limits: GeometryPractice,
): Compared[] {
  const told = new Map<string, MovedOnce[]>();
  for (const record of since)
    for (const each of movedBetween(before, record, limits)) {
      const key = `${keyOfMeasure(record.measure)} ${each.name}`.toLowerCase();
      told.set(key, [...(told.get(key) ?? []), each]);
    }
  return [...told.values()].map((inOrder) => {
    const { name, quantity, by, limit } = inOrder.at(-1)!;
    const seen = inOrder.find((each) => each.by > limit && each.by + each.plusMinus >= by);
    return { name, quantity, movedBy: by, limit, ...(seen && { seenOverAt: seen.at }) };
  });
}

interface MovedOnce extends Pick<Change, 'name' | 'quantity' | 'by' | 'plusMinus' | 'limit'> {
  readonly at: string;
}

/**
 * How far a thing moved between a measure of it and those before, beside what it may; of several marks the one that moved most. By what was read: a weld
 * is not ground off, so doubt of the instrument opens nothing here and shuts nothing. What its standing bends is compared only where it stood the same.
 */
function movedBetween(before: readonly Geometry[], is: Geometry, limits: GeometryPractice): MovedOnce[] {
  const furthest = new Map<string, MovedOnce>();
  for (const change of changesFrom(before, is, limits)) {
    const { name, quantity, plusMinus, limit, notSaid } = change;
    const by = Math.abs(change.by);
    if (notSaid === 'stood differently' || by < (furthest.get(name)?.by ?? 0)) continue;
    furthest.set(name, { name, quantity, by, plusMinus, limit, at: is.at });
  }
  return [...furthest.values()];
}

/** What shows that the whole is where it was; the others show only that they are not. */
const LOCKING: ReadonlySet<GeometryMeasure['of']> = new Set(['wheelbase', 'diagonals', 'line']);

/** A measure of the unit, or one along the member that is tacked: another member’s line says nothing of it. */
const isOf = (measure: GeometryMeasure, memberId: string | undefined): boolean =>
  !('memberId' in measure) || measure.memberId === memberId;
