import { readFileSync } from 'node:fs';
import { withThickness } from '../mechanics';
import {
  CASE_IDS,
  defaultFrame,
  familyOf,
  FAMILY_IDS,
  isRaised,
  solveCases,
  surfaceOf,
  typicalLoads,
  type CaseId,
  type Family,
  type Member,
} from '../frame';
import { DEFAULT_LOAD_FACTORS } from '../reference';
import { preparedDemand, type WallAt } from './demand';

/**
 * As new, as sold: a frame that its maker rated has been carrying what it was rated for. Every family's usual frame, of 36 ksi steel, under its usual
 * loads, stays within what it may carry in every case; how much of it each case uses stands in docs/methods.md, and is checked there.
 */
const made: WallAt = (member: Member) => {
  const surface = surfaceOf(member.shape);
  const wallMm = Float64Array.from(surface.rowFace, (face) => face.wallMm);
  return { surface, section: withThickness(surface.midline, wallMm), wallMm };
};

/** The most that any member uses in each case. */
function asNew(family: Family): ReadonlyMap<CaseId, number> {
  const { typical } = familyOf(family);
  const bare = defaultFrame({ ...typical, family, steel: 'presumed-mild', datum: 'front hole' });
  const frame = { ...bare, loads: { items: typicalLoads(bare, typical.grossKg) } };
  const { structure, demandOf } = preparedDemand({ frame, factors: DEFAULT_LOAD_FACTORS, wallAt: made });
  const solved = solveCases(structure, DEFAULT_LOAD_FACTORS);
  const level = solved.cases.filter(({ id }) => id === 'standing');
  return new Map(
    CASE_IDS.flatMap((id) => {
      const cases = solved.cases.filter((each) => each.id === id);
      if (cases.length === 0) return [];
      // A ditch is judged by how far it swings from standing, which by itself asks less.
      const beside = id === 'one wheel in a ditch' ? level : [];
      const members = demandOf({ ...solved, cases: [...cases, ...beside] });
      const all = members.flatMap((each) => (isRaised(id) ? (each.lifted ?? []) : each.along));
      const own = all.filter(({ caseId }) => caseId === id);
      return [[id, Math.max(0, ...own.map(({ utilisation }) => utilisation))] as const];
    }),
  );
}

/** Stands are for a frame that is cut open. */
const DRIVEN = CASE_IDS.filter((id) => id !== 'on stands');
const table = new Map(FAMILY_IDS.map((family) => [family, asNew(family)]));
const printed = (family: Family): string =>
  `| ${[family, ...DRIVEN.map((id) => table.get(family)!.get(id)?.toFixed(2) ?? '–')].join(' | ')} |`;

test.each(FAMILY_IDS)(
  '%s as new, at its usual loads, is within what it may carry in every case',
  (family) => {
    const over = [...table.get(family)!].filter(([, used]) => used > 1);
    expect(over).toEqual([]);
    expect(table.get(family)!.size).toBeGreaterThan(6);
    // Built for its load, not for three times as much: a limit that nothing comes near to is none.
    expect(Math.max(...table.get(family)!.values())).toBeGreaterThan(0.8);
  },
);

test.each(FAMILY_IDS)('the table of the methods says what is computed: %s', (family) =>
  expect(
    readFileSync('docs/methods.md', 'utf8')
      .split('\n')
      .find((row) => row.startsWith(`| ${family} |`)),
  ).toBe(printed(family)),
);

test('twice its load is over, in every family', () => {
  for (const family of FAMILY_IDS) expect(2 * table.get(family)!.get('bump')!).toBeGreaterThan(1);
});
