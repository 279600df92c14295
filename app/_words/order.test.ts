import {
  GATE_IDS,
  GATE_LACKS,
  PERMIT_CHECKS,
  REASONS,
  TASK_PHASES,
  type Task,
  type TaskWhat,
} from '@/core/order';
import { CHECK_WORDS, GATE_OPENERS, GATE_WORDS, lackWords, REASON_WORDS, taskWords } from './order';

const whole = (words: string) => {
  expect(words.length).toBeGreaterThan(3);
  expect(words).not.toMatch(/undefined|NaN|\[object/);
};

test('every task, reason, gate and check has words with no hole in them', () => {
  for (const what of Object.keys(TASK_PHASES) as TaskWhat[]) {
    const task: Task = {
      id: what,
      what,
      of: { is: 'part', id: 'x', name: 'Left beam' },
      zoneId: 'A',
      hours: [1, 2],
      hands: 1,
    };
    whole(taskWords(task));
  }
  for (const why of REASONS) whole(REASON_WORDS[why]);
  for (const gate of GATE_IDS) {
    whole(GATE_WORDS[gate]);
    whole(GATE_OPENERS[gate]);
  }
  for (const check of PERMIT_CHECKS) whole(CHECK_WORDS[check]);
});
test.each(['in', 'mm'] as const)('what a gate lacks is said in %s', (system) => {
  for (const code of GATE_LACKS)
    whole(lackWords({ code, name: 'Left beam', value: 2.5, limit: 3, check: 'battery' }, system));
});
test('what moved since the tack is said as it was measured: millimetres finer than the tape, angles in degrees', () => {
  const moved = { code: 'moved since before', name: 'level across', value: 0.6, limit: 0.5 } as const;
  expect(lackWords({ ...moved, quantity: 'angle' }, 'in')).toBe('level across moved 0.6°, at most 0.5°');
  expect(lackWords({ ...moved, value: 3.3, limit: 3.175 }, 'mm')).toBe(
    'level across moved 3.3 mm, at most 3.2 mm',
  );
});
test('minutes where it is less than an hour, Fahrenheit where inches are used', () => {
  expect(lackWords({ code: 'still warm', value: 0.25 }, 'in')).toBe('cools for another 15 min');
  expect(lackWords({ code: 'too hot', value: 60, limit: 52 }, 'in')).toBe(
    '140 °F on the wall, at most 126 °F',
  );
  expect(lackWords({ code: 'too hot', value: 60, limit: 52 }, 'mm')).toBe('60 °C on the wall, at most 52 °C');
  expect(lackWords({ code: 'not cured', value: 24, limit: 24 }, 'in')).toBe('not coated yet');
});
