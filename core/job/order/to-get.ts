import { consumed, usualSpool } from '../../join';
import type { OrderScene, Plan, ScenePart, SceneWork } from '../../order';
import { blankFigures, isOfThickness, liesOnShelf, type Blank } from '../../shape';
import { stands, type JobFile } from '../records';
import { jobLedger, weldTotals } from '../seams';
import { flatsOf } from '../planned-flat';
import { toBuy, toCut } from '../to-cut';
import type { JobToGet, KitFor, ToGet } from './got';
import { steelKey, type Works } from './scene';

/** Everything a job takes: steel by its thickness, lengths, what goes with what is taken apart, kits that would do, wire and gas. */
export function toGet(
  file: JobFile,
  works: Works,
  { scene, plan }: { readonly scene: OrderScene; readonly plan: Plan },
): JobToGet {
  const off = new Set(plan.tasks.flatMap(({ what, of }) => (what === 'take off' ? [of.id] : [])));
  const decided = [...works.values()].flatMap(({ repairs }) =>
    flatsOf(repairs).filter(({ isProposal }) => !isProposal),
  );
  return {
    parts: [
      ...sheets(
        toCut(decided, file).map(({ blank }) => blank),
        file,
      ),
      ...toBuy(file).map((each) => ({
        key: `length ${each.name} ${each.for}`.slice(0, 120),
        is: 'length' as const,
        name: each.name,
        for: each.for,
        count: each.count,
        lengthMm: each.lengthMm,
        thicknessMm: each.wallMm,
        massKg: each.massKg,
        cost: priced(each.massKg, file),
      })),
      ...companions(
        scene.parts.filter(({ id }) => off.has(id)),
        scene.works,
      ),
    ],
    kits: kitsFor(file, works),
    consumed: consumed(
      weldTotals(jobLedger(file, [...works.values()])),
      usualSpool([...(file.scrapTests ?? []), ...stands(file, 'scrap test')]),
    ),
  };
}

const priced = (massKg: number, { practice }: JobFile): readonly [number, number] => [
  massKg * practice.money.steelPerKg[0],
  massKg * practice.money.steelPerKg[1],
];

const eachFlat = (blank: Blank) => Array.from({ length: blank.count }, () => blankFigures(blank));

/** Sheet by its thickness; whether every blank of it lies on a piece of the shelf, one way round or the other. */
function sheets(blanks: readonly Blank[], file: JobFile): ToGet[] {
  const by = new Map<string, Blank[]>();
  for (const blank of blanks) {
    const key = steelKey(blank.thicknessMm);
    by.set(key, [...(by.get(key) ?? []), blank]);
  }
  return [...by].map(([key, all]): ToGet => {
    const thicknessMm = all[0]!.thicknessMm;
    const massKg = all.reduce((sum, blank) => sum + blankFigures(blank).massKg * blank.count, 0);
    return {
      key,
      is: 'steel',
      name: 'sheet',
      for: [...new Set(all.map(({ name }) => name))].slice(0, 3).join(', '),
      count: all.reduce((sum, { count }) => sum + count, 0),
      thicknessMm,
      massKg,
      onShelf: liesOnShelf(file.shelf ?? [], thicknessMm, all.flatMap(eachFlat)),
      cost: priced(massKg, file),
    };
  });
}

/** What goes with something that is taken apart: not put back used (common practice, no source). */
const COMPANIONS: Partial<Record<ScenePart['kind'], readonly string[]>> = {
  'spring hanger': ['eye bolts, bushings'],
  'spring seat': ['U-bolts, new'],
  'spring bucket': ['spring isolators'],
  'control arm': ['bushings: press on the outer shell; bolts as a set'],
  'shock mount': ['shock bushings'],
  'body mount': ['mount rubber and bolt'],
  'bed mount': ['bed bolts'],
  'captive mount': ['bolts as a set'],
  'tank strap': ['straps and bolts'],
  tank: ['clips, seals'],
  line: ['clips, unions'],
  exhaust: ['gasket, hanger rubbers, clamps'],
  'skid-plate mount': ['bolts, captive nuts'],
  'steering gear': ['bolts as a set, to the maker’s grade'],
  panel: ['screws, sealant'],
};

function companions(parts: readonly ScenePart[], works: readonly SceneWork[]): ToGet[] {
  const apart = [
    ...parts,
    ...works.flatMap(({ hostId, name, fitting }) => (fitting ? [{ id: hostId, name, kind: fitting }] : [])),
  ];
  const once = new Map(apart.map((each) => [each.id, each]));
  return [...once.values()].flatMap(({ id, name, kind }) =>
    (COMPANIONS[kind] ?? []).map((companion): ToGet => ({
      key: `with ${id} ${companion}`.slice(0, 120),
      is: 'companion',
      name: companion,
      for: name,
      count: 1,
    })),
  );
}

/** Kits of the shop's catalogue long enough and thick enough for what a repair covers. */
function kitsFor({ kits = [], frame }: JobFile, works: Works): KitFor[] {
  return [...works.values()].flatMap(({ picture: { member }, repairs }) =>
    repairs
      .filter(({ isProposal }) => !isProposal)
      .flatMap(({ repair }): KitFor[] => {
        const longMm = Math.max(...repair.pieces.map(({ startMm, endMm }) => endMm - startMm));
        const thickMm = Math.max(...repair.pieces.map(({ thicknessMm }) => thicknessMm));
        const fits = kits.filter(
          ({ coversMm, pieces = 1, thicknessMm, family }) =>
            pieces * coversMm >= longMm &&
            (thicknessMm >= thickMm || isOfThickness(thicknessMm, thickMm)) &&
            (family === '' || family === frame.family),
        );
        return fits.length > 0 ? [{ key: `kit ${repair.id}`, for: member.name, kits: fits }] : [];
      }),
  );
}
