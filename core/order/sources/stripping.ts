import { burns, type FittingKind } from '../../frame';
import { COOL_H, share, SMALL, STRIP_SHARES } from '../hours';
import type { OrderScene, ScenePart } from '../scene';
import { taskId, type Task, type Test } from '../task';
import type { Zone } from '../zones';
import { inZone, onMember, UNIT, type TaskSource } from './source';

/** How what goes back is tried, whether something usually breaks as it comes off, and how much of a strip-down it is (common practice, no source). */
interface Strips {
  readonly weight: number;
  readonly test: Test;
  readonly breaks?: true;
}
const STRIPS: Partial<Record<FittingKind | 'panel', Strips>> = {
  tank: { weight: 4, test: 'leak' },
  'tank strap': { weight: 1, test: 'function', breaks: true },
  line: { weight: 2, test: 'leak', breaks: true },
  harness: { weight: 1.5, test: 'light' },
  exhaust: { weight: 2, test: 'leak', breaks: true },
  'spare carrier': { weight: 1, test: 'function', breaks: true },
  'skid-plate mount': { weight: 1, test: 'function', breaks: true },
  panel: { weight: 3, test: 'leak', breaks: true },
};
/** What locates an axle goes back before its twin is touched. */
export const locatesAxle = ({ kind }: Pick<ScenePart, 'kind'>): boolean => LOCATES_AXLE.has(kind);
/** Whatever comes off because a plate lies under it. */
const AS_A_BRACKET: Strips = { weight: 2, test: 'function', breaks: true };
/** What comes off wherever it hangs in a stripped stretch; the rest only where a plate asks for it. */
export const ALWAYS_OFF: ReadonlySet<ScenePart['kind']> = new Set<ScenePart['kind']>([
  'tank',
  'tank strap',
  'line',
  'harness',
  'exhaust',
  'spare carrier',
  'skid-plate mount',
  'panel',
]);
const LOCATES_AXLE: ReadonlySet<ScenePart['kind']> = new Set<ScenePart['kind']>([
  'spring hanger',
  'spring seat',
  'spring bucket',
  'equaliser',
  'control arm',
  'captive mount',
]);
/** A battery comes off before any arc; a unit without an engine has its own for lights or house. */
const HAS_BATTERY: ReadonlySet<string> = new Set(['engine', 'cab', 'house']);

const isOff = (scene: OrderScene, part: ScenePart): boolean =>
  ALWAYS_OFF.has(part.kind) || scene.repairs.some(({ offAndBack }) => offAndBack.includes(part.id));

/** What comes off before anything is reached, and goes back and is tried after: once, however many zones it hangs in. Fuel comes out wherever it hangs. */
export const stripping: TaskSource = (scene, zones) => {
  if (zones.length === 0) return [];
  const done = new Set<string>();
  const isHot = zones.some(strikesArc);
  const zoned = zones.flatMap((zone) => {
    const parts = zone.parts.filter((part) => isOff(scene, part) && !done.has(part.id));
    parts.forEach(({ id }) => done.add(id));
    return ofZone(scene, zone, parts);
  });
  const fuel = isHot ? scene.parts.filter(({ isFuel, id }) => isFuel && !done.has(id)) : [];
  return [
    ...(isHot ? batteries(scene) : []),
    ...loads(scene),
    ...zoned,
    ...fuel.flatMap((part) => offAndBack(scene, part, { hours: share(scene.norms.stripDown, 0.4) })),
  ];
};

export const strikesArc = ({ repairs, cracks, works, renewals }: Zone): boolean =>
  repairs.some(({ isBolted }) => !isBolted) ||
  cracks.length > 0 ||
  renewals.length > 0 ||
  works.some(({ weldM }) => weldM > 0);

function batteries({ frame }: OrderScene): Task[] {
  if (!frame.loads?.items.some(({ kind }) => HAS_BATTERY.has(kind))) return [];
  return (['battery off', 'battery on'] as const).map((what) => ({
    id: taskId(what, 'unit'),
    what,
    of: { is: 'part', id: 'battery', name: 'Battery' },
    hours: SMALL.battery!,
    hands: 1,
    ...(what === 'battery on' && { test: 'light' as const }),
  }));
}

/** Loads that somebody said come off before anything is cut open. A tank among them that also hangs as a fitting comes off once, as that. */
function loads({ frame, parts }: OrderScene): Task[] {
  const { items = [], takenOff = [] } = frame.loads ?? {};
  return items
    .filter(({ id, kind }) => takenOff.includes(id) || takenOff.includes(kind))
    .filter(({ kind }) => !(kind === 'tank' && parts.some((part) => part.kind === 'tank')))
    .flatMap(({ id, name, kind, holds }) =>
      (['take off load', 'put back load'] as const).map((what): Task => ({
        id: taskId(what, id),
        what,
        of: { is: 'part', id: `load ${id}`, name },
        hours: SMALL.load!,
        hands: 2,
        ...(kind === 'tank' && burns(holds) && what === 'take off load' && { isFuel: true as const }),
        ...(kind === 'tank' && what === 'put back load' && { test: 'leak' as const }),
      })),
    );
}

/** A zone's norm is shared among what comes off by how much of it each is; a share is for what is on nobody's list. */
const UNLISTED_WEIGHT = 1;
function ofZone(scene: OrderScene, zone: Zone, parts: readonly ScenePart[]): Task[] {
  const { norms } = scene;
  const weightOf = ({ kind }: ScenePart) => (STRIPS[kind] ?? AS_A_BRACKET).weight;
  const whole = UNLISTED_WEIGHT + parts.reduce((sum, part) => sum + weightOf(part), 0);
  const heaviest = [...parts].sort((a, b) => weightOf(b) - weightOf(a))[0];
  const tail = { chance: norms.seizedChance, hours: norms.seized };
  const at = zone.repairs[0] ?? zone.works[0] ?? zone.cracks[0];
  return [
    {
      id: taskId('clear', zone.id),
      what: 'clear',
      of: { ...UNIT, id: `zone ${zone.id}`, name: zone.id },
      ...inZone(zone),
      ...(at && onMember(scene, at.memberId, at.fromMm)),
      hours: share(norms.stripDown, UNLISTED_WEIGHT / whole),
      hands: 1,
      ...(!heaviest && { tail }),
    },
    ...parts.flatMap((part) =>
      offAndBack(scene, part, {
        zone,
        hours: share(norms.stripDown, weightOf(part) / whole),
        ...(part === heaviest && { tail }),
      }),
    ),
  ];
}

function offAndBack(
  scene: OrderScene,
  part: ScenePart,
  {
    zone,
    hours,
    tail,
  }: { readonly zone?: Zone; readonly hours: readonly [number, number]; readonly tail?: Task['tail'] },
): Task[] {
  const strips = STRIPS[part.kind] ?? AS_A_BRACKET;
  const shared = {
    of: { is: 'part', id: part.id, name: part.name } as const,
    ...(zone && inZone(zone)),
    ...(part.memberIds[0] !== undefined && onMember(scene, part.memberIds[0], part.fromMm)),
    hands: part.kind === 'tank' || part.kind === 'panel' ? (2 as const) : (1 as const),
  };
  const off: Task = {
    ...shared,
    id: taskId('take off', part.id),
    what: 'take off',
    hours: share(hours, STRIP_SHARES.off),
    ...(tail && { tail }),
    ...(strips.breaks && { breaks: true }),
    ...(part.isFuel && { isFuel: true }),
    ...(part.isWelded && { isHot: true }),
    ...(LOCATES_AXLE.has(part.kind) && { axleOut: true }),
  };
  const test: Task = {
    ...shared,
    id: taskId('test', part.id),
    what: 'test',
    hours: share(hours, STRIP_SHARES.test),
    hands: 1,
    test: strips.test,
  };
  const back = share(hours, STRIP_SHARES.back);
  // What holds position, or is welded, goes back before the coat and before its twin is touched.
  if (!part.isWelded && !LOCATES_AXLE.has(part.kind))
    return [
      off,
      { ...shared, id: taskId('put back', part.id), what: 'put back', hours: back, covers: true },
      test,
    ];
  return [off, ...refixed(part, shared, back), test];
}

function refixed(
  part: ScenePart,
  shared: Omit<Task, 'id' | 'what' | 'hours'>,
  hours: readonly [number, number],
): Task[] {
  const refix: Task = { ...shared, id: taskId('refix', part.id), what: 'refix', hours, covers: true };
  if (!part.isWelded) return [refix];
  return [
    { ...refix, isHot: true, needsWelder: true, hands: 2, thenWaitH: COOL_H },
    { ...shared, id: taskId('look at welds', part.id), what: 'look at welds', hours: SMALL.look!, hands: 1 },
  ];
}
