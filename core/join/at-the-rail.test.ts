import type { WeldLine } from '.';
import {
  followed,
  laidByLog,
  laidOf,
  laidRuns,
  planOf,
  tacksOf,
  weldBasis,
  weldRuns,
  type RunDone,
  type SeamLog,
  type WeldPlan,
} from '.';

const line = (key: string, u: number): WeldLine => ({
  id: key,
  key,
  pieceId: 'p',
  kind: 'fillet',
  type: 'lap',
  place: 'upper edge',
  face: 'web',
  path: [
    [0, u],
    [400, u],
  ],
  fromMm: 0,
  toMm: 400,
  lengthMm: 400,
  legMm: 4,
  minimumLegMm: 3,
  maximumLegMm: 5,
  thinnerMm: 5,
  wallMm: 6,
  style: 'continuous',
  position: 'horizontal',
  access: 'good',
  fillerNPerMm: 500,
  baseNPerMm: 600,
});
const LINES = [line('A1', 100), line('A2', 180)];
const SHAPE = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 } as const;
const RUNS = weldRuns(SHAPE, LINES, () => 5);
const ORDER = [2, 5, 0, 7, 3, 4, 1, 6];
const PLAN: WeldPlan = {
  kind: 'weld plan',
  id: 'plan',
  memberId: 'm',
  ofId: 'r',
  by: 'RK',
  at: '2026-11-20T08:00:00Z',
  note: '',
  ...planOf(
    RUNS,
    ORDER,
    ORDER.map((_, k) => 15 * k),
    { tacks: tacksOf(LINES), lines: LINES },
  ),
};
const laid = (run: number, minute: number): RunDone => ({
  kind: 'run',
  id: `${run} ${minute}`,
  memberId: 'm',
  ofId: 'r',
  by: 'TM',
  at: `2026-11-20T08:${String(minute).padStart(2, '0')}:00Z`,
  note: '',
  seam: RUNS[run]!.seam,
  mark: RUNS[run]!.mark,
  nth: RUNS[run]!.nth,
  is: 'run',
});
const follow = (done: RunDone[], lines = LINES) => followed(PLAN, done, weldBasis(lines));

test('a plan keeps its order, its waits and where each run starts', () => {
  expect(PLAN.runs.map(({ mark, nth }) => `${mark}.${nth}`)).toEqual(
    ORDER.map((run) => `${RUNS[run]!.mark}.${RUNS[run]!.nth}`),
  );
  expect(PLAN.runs[3]!.waitS).toBe(45);
  expect(PLAN.runs[0]!.path[0]).toEqual([...RUNS[2]!.path[0]!]);
});

test('what is laid is crossed off; the next is the first that is not', () => {
  expect(follow([]).next!.number).toBe(1);
  const state = follow([laid(2, 1), laid(5, 2)]);
  expect(state.next!.number).toBe(3);
  expect(state.outOfTurn).toBe(0);
  expect(follow(ORDER.map(laid)).next).toBeUndefined();
});

test('another one laid is done too, and said to be out of turn; a tack is no run', () => {
  const state = follow([laid(2, 1), laid(3, 2), laid(5, 3)]);
  expect(state.runs.filter(({ done }) => done).map(({ number }) => number)).toEqual([1, 2, 5]);
  expect(state.outOfTurn).toBe(1);
  expect(state.next!.number).toBe(3);
  expect(follow([{ ...laid(2, 1), is: 'tack' }]).next!.number).toBe(1);
  expect(follow([{ ...laid(2, 1), seam: 'gone' }]).outOfTurn).toBe(1);
  expect(follow([laid(2, 1), laid(2, 2)]).outOfTurn).toBe(0);
});

test('what was laid before the plan was made is done, and not out of turn', () => {
  const before = { ...laid(3, 0), at: '2026-11-20T07:00:00Z' };
  const state = follow([before, laid(2, 1)]);
  expect(state.outOfTurn).toBe(0);
  expect(state.runs.filter(({ done }) => done)).toHaveLength(2);
});

test('other lines, another length, another way of laying: the plan no longer fits; a gap leaves it', () => {
  expect(follow([]).isStale).toBe(false);
  expect(follow([], [LINES[0]!]).isStale).toBe(true);
  expect(follow([], [LINES[0]!, { ...LINES[1]!, lengthMm: 420 }]).isStale).toBe(true);
  expect(
    follow([], [LINES[0]!, { ...LINES[1]!, style: 'skip', runs: { lengthMm: 40, pitchMm: 90 } }]).isStale,
  ).toBe(true);
  expect(follow([], [LINES[0]!, { ...LINES[1]!, leftOpen: 'drains there' }]).isStale).toBe(true);
  expect(follow([], [LINES[0]!, { ...LINES[1]!, gapMm: 2, legMm: 6, access: 'poor' }]).isStale).toBe(false);
});

test('heat is reckoned from when it was ticked; a clock that was put back makes nothing colder', () => {
  const now = Date.parse('2026-11-20T08:10:00Z');
  expect(laidRuns(RUNS, [laid(2, 1), laid(5, 9)], now)).toEqual([
    { run: 2, endedAgoS: 540 },
    { run: 5, endedAgoS: 60 },
  ]);
  expect(laidRuns(RUNS, [laid(2, 11)], now)).toEqual([{ run: 2, endedAgoS: 0 }]);
  expect(laidRuns(RUNS, [{ ...laid(2, 1), nth: 99 }], now)).toEqual([]);
});

describe('the log and the rail are one', () => {
  const welded = (more: Partial<SeamLog> = {}): SeamLog => ({
    kind: 'seam log',
    id: 'log',
    memberId: 'm',
    ofId: 'r',
    by: 'RK',
    at: '2026-11-20T09:00:00Z',
    note: '',
    seam: 'A1',
    mark: 'A1',
    what: 'welded',
    ...more,
  });
  test('a seam logged as welded has its runs done, those ticked before once', () => {
    const ticked = [laid(2, 1)];
    const heard = laidByLog(PLAN, [welded()], ticked);
    expect(heard.map(({ seam, nth }) => `${seam}.${nth}`).sort()).toEqual(['A1.1', 'A1.2', 'A1.4']);
    const state = follow([...ticked, ...heard]);
    expect(state.runs.filter(({ done }) => done)).toHaveLength(4);
    expect(state.next!.run.seam).toBe('A2');
  });
  test('a look, another repair’s weld, and one from before the plan say nothing of its runs', () => {
    for (const entry of [
      welded({ what: 'looked at', defects: [] }),
      welded({ ofId: 'another' }),
      welded({ at: '2026-11-20T07:59:59Z' }),
    ])
      expect(laidByLog(PLAN, [entry], [])).toEqual([]);
  });
  test('what was ticked of a seam: how many of how many, when the last; twice ticked is once', () => {
    expect(laidOf(PLAN, [], 'A1')).toBeUndefined();
    expect(laidOf(undefined, [laid(2, 1)], 'A1')).toBeUndefined();
    expect(laidOf(PLAN, [{ ...laid(2, 1), is: 'tack' }], 'A1')).toBeUndefined();
    expect(laidOf(PLAN, [laid(2, 1), laid(2, 3), laid(0, 2), laid(5, 9)], 'A1')).toEqual({
      runs: 2,
      of: 4,
      at: '2026-11-20T08:03:00Z',
    });
  });
});
