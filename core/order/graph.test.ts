import { randomLcg } from 'd3-random';
import { circlesIn, criticalPath, inOrder, withoutCircles, type Edge, type Task } from '.';

const task = (k: number, hours = 1): Task => ({
  id: `t${k}`,
  what: 'own',
  of: { is: 'own', id: `t${k}`, name: '' },
  hours: [hours, hours],
  hands: 1,
});
const edge = (a: number, b: number): Edge => ({ before: `t${a}`, after: `t${b}`, why: 'own steps' });

/** Who reaches whom, by trying every way (Warshall). */
function reach(n: number, edges: readonly Edge[]): boolean[][] {
  const r = Array.from({ length: n }, () => Array<boolean>(n).fill(false));
  for (const { before, after } of edges) r[Number(before.slice(1))]![Number(after.slice(1))] = true;
  for (let k = 0; k < n; k++)
    for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) r[i]![j] ||= r[i]![k]! && r[k]![j]!;
  return r;
}

function randomGraph(seed: number, forwardOnly: boolean) {
  const random = randomLcg(seed);
  const n = 4 + Math.floor(random() * 12);
  const tasks = Array.from({ length: n }, (_, k) => task(k, 1 + Math.floor(random() * 9)));
  const edges: Edge[] = [];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      if (i !== j && (!forwardOnly || i < j) && random() < (forwardOnly ? 0.25 : 0.12))
        edges.push(edge(i, j));
  return { n, tasks, edges };
}
const SEEDS = Array.from({ length: 40 }, (_, k) => (k + 0.5) / 41);

test.each(SEEDS)('circles are the sets that reach each other (seed %d)', (seed) => {
  const { n, tasks, edges } = randomGraph(seed, false);
  const r = reach(n, edges);
  const circles = circlesIn(
    tasks.map(({ id }) => id),
    edges,
  );
  const inCircle = tasks.filter((_, k) => r[k]![k]).map(({ id }) => id);
  expect(circles.flatMap(({ ids }) => ids).sort()).toEqual(inCircle.sort());
  for (const { ids } of circles)
    for (const a of ids) for (const b of ids) expect(r[Number(a.slice(1))]![Number(b.slice(1))]).toBe(true);
  const left = withoutCircles(tasks, edges, circles);
  expect(
    circlesIn(
      tasks.map(({ id }) => id),
      left,
    ),
  ).toEqual([]);
  // What is in no circle is not cut.
  expect(
    edges
      .filter((each) => !circles.some(({ edges: own }) => own.includes(each)))
      .every((each) => left.includes(each)),
  ).toBe(true);
});

test.each(SEEDS)('the longest way, and its slack, by the max-plus powers of the graph (seed %d)', (seed) => {
  const { n, tasks, edges } = randomGraph(seed, true);
  const hours = (t: Task) => t.hours[0];
  const { startH, slackH, wholeH, ids } = criticalPath(inOrder(tasks, edges), edges, hours);
  // longest[i][j]: hours from the start of i to the start of j.
  const longest = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (_, j) =>
      i === j
        ? 0
        : edges.some((e) => e.before === `t${i}` && e.after === `t${j}`)
          ? tasks[i]!.hours[0]
          : -Infinity,
    ),
  );
  for (let k = 0; k < n; k++)
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++)
        longest[i]![j] = Math.max(longest[i]![j]!, longest[i]![k]! + longest[k]![j]!);
  const earliest = tasks.map((_, j) => Math.max(...tasks.map((_, i) => longest[i]![j]!)));
  const whole = Math.max(...tasks.map((t, i) => earliest[i]! + t.hours[0]));
  expect(wholeH).toBeCloseTo(whole, 9);
  tasks.forEach(({ id }, i) => {
    expect(startH.get(id)).toBeCloseTo(earliest[i]!, 9);
    const after = Math.max(...tasks.map((t, j) => longest[i]![j]! + t.hours[0]));
    expect(slackH.get(id)).toBeCloseTo(whole - earliest[i]! - after, 9);
    expect(ids.includes(id)).toBe(Math.abs(whole - earliest[i]! - after) < 1e-9);
  });
});

test('a wait after a task counts on the way', () => {
  const tasks = [{ ...task(0, 2), thenWaitH: 24 }, task(1, 3)];
  expect(criticalPath(tasks, [edge(0, 1)], (t) => t.hours[0]).wholeH).toBe(29);
});
