import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Body } from '../quantity';
import { openEvidence } from '.';

/** Every limit a record is held to at the door, with a case on either side. */
const sample = (name: string, version: number): Body =>
  JSON.parse(readFileSync(join('core', 'job', 'stored', `${name}.${version}.json`), 'utf8')) as Body;
type Draft = Record<string, unknown>;

/** The sample with one thing said otherwise; `undefined` takes it away. */
function otherwise(body: Body, path: string, value: unknown): Body {
  const draft = structuredClone(body) as Draft;
  const steps = path.split('.');
  const last = steps.pop()!;
  const home = steps.reduce<Draft>((at, step) => (at[step] ??= {}) as Draft, draft);
  home[last] = value;
  return draft;
}
const words = (length: number) => 'x'.repeat(length);
const list = <Item>(count: number, item: (k: number) => Item) =>
  Array.from({ length: count }, (_, k) => item(k));
const spot = (k: number) => ({ stationMm: 10 + k, face: 'web', heightMm: 20 });
const step = { madeMm: 2.5, readMm: 2.5 };
const tap = { ringMs: 120, toneHz: 880 };
const liftPoint = (k: number) => ({ id: `p${k}`, side: 'left', stationMm: 500 });

type Limit = readonly [path: string, inside: readonly unknown[], outside: readonly unknown[]];
const number = (path: string, least: number, most: number, step = 0.01): Limit => [
  path,
  [least, most],
  [least - step, most + step, NaN, 'six'],
];
const LIMITS: Readonly<Record<string, { sample: Body; limits: readonly Limit[] }>> = {
  reading: {
    sample: sample('reading', 2),
    limits: [
      number('thicknessMm', 0, 50),
      ['note', ['', words(300), undefined], [words(301)]],
      ['memberId', [words(40)], ['', words(41)]],
      ['method', ['feel', 'ultrasonic'], ['guess']],
      ['face', ['web', 'top'], ['side']],
      ['by', ['RK'], ['']],
      ['at', ['2026-11-17T09:00:14Z'], ['yesterday', '2026-13-01T00:00:00Z']],
    ],
  },
  crack: {
    sample: sample('crack', 2),
    limits: [
      ['path', [list(2, spot), list(60, spot)], [[], list(1, spot), list(61, spot)]],
      ['seenBy', ['eye', 'scope'], ['nose']],
      ['startFound', [true, false], ['yes']],
      ['note', [words(300)], [words(301)]],
    ],
  },
  'crack look': {
    sample: sample('crack-look', 1),
    limits: [
      number('startMm', 0, 5000),
      number('finishMm', 0, 5000),
      number('gapLoadedMm', 0, 200),
      number('usedKm', 0, 1e7, 1),
      number('usedHours', 0, 1e6, 1),
      ['seenBy', ['eye', 'told'], ['nose']],
      ['loadedBy', ['', words(80)], [words(81)]],
      ['note', [words(300)], [words(301)]],
    ],
  },
  trip: {
    sample: sample('trip', 1),
    limits: [
      ['km', [0.1, 1e6], [0, -1, 1e6 + 1, 'far']],
      ['note', [words(300)], [words(301)]],
    ],
  },
  alignment: {
    sample: sample('alignment', 1),
    limits: [
      number('acrossMm', -500, 500, 1),
      number('upMm', -500, 500, 1),
      number('angleDeg', -45, 45, 1),
      ['diagonalsMm', [[1, 2], undefined], [[0, 2], [1], [1, 20_001]]],
      ['note', [words(300)], [words(301)]],
    ],
  },
  'load test': {
    sample: sample('load-test', 1),
    limits: [
      ['purpose', ['find what moves', 'prove the repair'], ['pass the time']],
      ['places.0.name', ['x', words(80)], ['', '  ', words(81)]],
      number('readings.0.mm', -500, 500, 1),
      ['note', [words(300)], [words(301)]],
    ],
  },
  'temporary repair': {
    sample: sample('temporary-repair', 1),
    limits: [
      ['limitKm', [0.1, 2000], [0, 2000.1]],
      ['slowerThanKmh', [0.1, 120, undefined], [0, 120.1]],
      ['until', ['2026-12-05', undefined], ['soon', '2026-13-01']],
      ['form', ['clamp', 'stitch weld'], ['tape']],
      ['note', [words(300)], [words(301)]],
    ],
  },
  'felt edge': {
    sample: sample('felt-edge', 1),
    limits: [
      ['lowerMm', [0, 45], [-0.01]],
      ['upperMm', [20], [-0.01]],
      ['stationMm', [0, 5000], [-0.01]],
      ['note', [words(300)], [words(301)]],
    ],
  },
  calibration: {
    sample: sample('calibration', 1),
    limits: [
      ['steps', [list(2, () => step), list(12, () => step)], [[step], list(13, () => step)]],
      ['steps.0.madeMm', [0.01, 50], [0, 50.01]],
      number('steps.0.readMm', 0, 60),
      number('velocityMps', 3000, 8000, 1),
      number('temperatureC', -40, 200, 1),
      ['gauge', ['x', words(60)], ['', '  ', words(61)]],
    ],
  },
  look: {
    sample: sample('look', 1),
    limits: [
      ['spotId', [words(120)], ['', words(121)]],
      ['title', [words(120)], ['', words(121)]],
      ['stationMm', [0, undefined], [-0.01]],
      ['ways', [['eye']], [[], ['nose'], list(20, () => 'eye')]],
      ['result', ['surface rust'], ['fine']],
      ['note', [words(300)], [words(301)]],
    ],
  },
  complaint: {
    sample: sample('complaint', 1),
    limits: [
      ['where', ['ab', words(120)], ['a', words(121)]],
      ['movementMm', [0.01, 1000, undefined], [0, 1000.01]],
      ['memberIds', [['rail-left'], list(60, String)], [[], list(61, String)]],
      ['note', [words(500)], [words(501)]],
    ],
  },
  claim: {
    sample: sample('claim', 1),
    limits: [
      ['words', ['abc', words(160)], ['ab', words(161)]],
      ['note', [words(500)], [words(501)]],
    ],
  },
  photo: {
    sample: sample('photo', 1),
    limits: [
      ['caption', ['', words(160)], [words(161)]],
      ['stationMm', [0], [-0.01]],
      ['spotId', [words(120), undefined], [words(121)]],
    ],
  },
  tap: {
    sample: sample('tap', 1),
    limits: [
      ['goodTaps', [[], list(40, () => tap)], [list(41, () => tap)]],
      ['doubtfulTaps', [list(40, () => tap)], [list(41, () => tap)]],
      ['goodTaps.0.ringMs', [0.1, 10_000], [0, 10_001]],
      ['goodTaps.0.toneHz', [0.1, 24_000], [0, 24_001]],
    ],
  },
  lift: {
    sample: sample('lift', 1),
    limits: [
      ['plan.points', [[], list(12, liftPoint)], [list(13, liftPoint), [liftPoint(1), liftPoint(1)]]],
      [
        'plan.points',
        [[{ ...liftPoint(1), stationMm: 40_000, ratingN: 1e6 }]],
        [[{ ...liftPoint(1), stationMm: 40_001 }]],
      ],
      [
        'plan.points',
        [[liftPoint(1)]],
        [[{ ...liftPoint(1), ratingN: 0 }], [{ ...liftPoint(1), ratingN: 1e6 + 1 }]],
      ],
      ['plan.wheelsDown', [list(24, String)], [list(25, String)]],
      ['plan.hoistRatingN', [1, 1e7, undefined], [0, 1e7 + 1]],
      number('plan.slopeAlongDeg', -15, 15),
      number('plan.slopeAcrossDeg', -15, 15),
      ['basis', ['x', words(120)], ['', words(121)]],
      ['answer', ['Lift here'], ['probably fine']],
    ],
  },
  sign: {
    sample: sample('sign', 1),
    limits: [
      [
        'detail',
        [{ sign: 'layers', counted: 1, expected: 9 }],
        [{ sign: 'layers', counted: 0, expected: 2 }],
      ],
      [
        'detail',
        [{ sign: 'layers', counted: 9, expected: 1 }],
        [{ sign: 'layers', counted: 10, expected: 2 }],
      ],
      [
        'detail',
        [{ sign: 'layers', counted: 2, expected: 2 }],
        [{ sign: 'layers', counted: 2, expected: 10 }],
      ],
      [
        'detail',
        [{ sign: 'layers', counted: 2, expected: 2 }],
        [{ sign: 'layers', counted: 2, expected: 0 }],
      ],
      [
        'detail',
        [{ sign: 'layers', counted: 2, expected: 2 }],
        [{ sign: 'layers', counted: 1.5, expected: 2 }],
      ],
      ['detail', [{ sign: 'debris', full: 0, wet: 'wet' }], [{ sign: 'debris', full: -0.01, wet: 'wet' }]],
      ['detail', [{ sign: 'debris', full: 1, wet: 'wet' }], [{ sign: 'debris', full: 1.01, wet: 'wet' }]],
      [
        'detail',
        [{ sign: 'debris', full: 1, wet: 'dry', outKg: 500, waterLineMm: 5000 }],
        [
          { sign: 'debris', full: 1, wet: 'dry', outKg: 501 },
          { sign: 'debris', full: 1, wet: 'dry', waterLineMm: 5001 },
        ],
      ],
      ['detail', [{ sign: 'dent', deepMm: 0, acrossMm: 1 }], [{ sign: 'dent', deepMm: -1, acrossMm: 1 }]],
      [
        'detail',
        [{ sign: 'dent', deepMm: 5000, acrossMm: 5000 }],
        [{ sign: 'dent', deepMm: 5001, acrossMm: 1 }],
      ],
      ['detail', [{ sign: 'hole', acrossMm: 0.1 }], [{ sign: 'hole', acrossMm: 0 }]],
    ],
  },
};

describe.each(Object.entries(LIMITS))('%s', (_, { sample: body, limits }) => {
  test('stands as it is', () => expect(openEvidence(body).ok).toBe(true));

  test.each(limits)('is held to the limits of its %s', (path, inside, outside) => {
    const opens = (value: unknown) => openEvidence(otherwise(body, path, value)).ok;
    expect(inside.filter((value) => !opens(value))).toEqual([]);
    expect(outside.filter(opens)).toEqual([]);
  });

  test('names the place where a record breaks a limit', () => {
    const [path, , outside] = limits[0]!;
    const answer = openEvidence(otherwise(body, path, outside[0]));
    expect(!answer.ok && answer.reason).toBeTruthy();
    expect(!answer.ok && answer.at).toContain(path.split('.')[0]);
  });
});
