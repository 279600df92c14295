/** Six jobs of 33 tasks each, three people, two bays: 2,000 draws of all of them, against one schedule of them. */
import { randomLcg } from 'd3-random';
import { shopDates, type PlannedTask, type ShopJob } from '@/core/order';
import { DEFAULT_WEEK } from '@/core/reference';

const random = randomLcg(0.37);
const tasks = (): PlannedTask[] =>
  Array.from({ length: 33 }, (_, k): PlannedTask => {
    const least = 0.2 + random();
    return {
      id: `t${k}`,
      title: `task ${k}`,
      hours: [least, least * (1.5 + 2 * random())],
      ...(random() < 0.1 && { tail: { chance: 0.5, hours: [0.5, 4] as [number, number] } }),
      hands: random() < 0.25 ? 2 : 1,
      ...(random() < 0.3 && { welds: true as const }),
      ...(random() < 0.1 && { thenWaitH: 24 }),
      after: [k - 1, k - 2, k - 7].filter((before) => before >= 0 && random() < 0.6),
    };
  });
const jobs: ShopJob[] = Array.from({ length: 6 }, (_, k) => ({
  id: `j${k}`,
  tasks: tasks(),
  done: [],
  slot: { startOn: `2026-12-0${k + 1}`, chance: 0.8 },
}));
const people = ['RK', 'TM', 'AL'].map((name, k) => ({
  name,
  role: 'fitter',
  welds: k < 2,
  qualification: '',
}));
const run = (draws: number): number => {
  const begun = performance.now();
  shopDates(
    {
      jobs,
      people,
      bays: ['North', 'South'].map((name) => ({ name, hasLift: true })),
      week: DEFAULT_WEEK,
      today: '2026-11-30',
      draws,
    },
    randomLcg(0.5),
  );
  return performance.now() - begun;
};
run(200);
const [one, many] = [run(1), run(2000)];
console.log(
  `schedule: 198 tasks, 6 jobs, 2,000 draws in ${Math.round(many)} ms; ${Math.round((many / 2000 / Math.max(one, 0.01)) * 100) / 100} of one schedule a draw`,
);
