import { gritterCounter } from './counter';
import { defaultFrame, typicalLoads, type Frame, type Notice, type Strike, type Unit } from '@/core/frame';
import { inchesToMm, poundsToKg } from '@/core/quantity';
import { DEFAULT_PRACTICE } from '@/core/reference';
import type { JobBundle } from '@/core/exchange';
import type { Reading } from '@/core/probe';
import type { Crack } from '@/core/trace';
import { seeded, seededId } from './seeded';
import { every, survey } from './survey';
import type { RustPatch } from './truth';
import { gritterMeasured } from './measured';
import { gritterWalk } from './walked';

/** GR-7's right rail: rust behind the hopper, a smaller patch at the rear spring. */
export const GRITTER_RIGHT: readonly RustPatch[] = [
  { centreIn: 108, halfLengthIn: 27, tideIn: 3, worstFraction: 0.28 },
  { centreIn: 178, halfLengthIn: 13, tideIn: 1.2, worstFraction: 0.5 },
];
export const GRITTER_LEFT: readonly RustPatch[] = [
  { centreIn: 112, halfLengthIn: 14, tideIn: 0.3, worstFraction: 0.9 },
];
const WEB_AND_FLANGES = [
  ['web', 7],
  ['web', 5.5],
  ['web', 4.5],
  ['web', 3.5],
  ['web', 2.5],
  ['web', 1.5],
  ['web', 0.5],
  ['bottom', 0.75],
  ['bottom', 2],
  ['top', 1.5],
] as const;
const COARSE = [
  ['web', 6],
  ['web', 4],
  ['web', 2],
  ['web', 0.5],
  ['bottom', 0.75],
  ['bottom', 2],
  ['top', 1.5],
] as const;

function gritterFrame(): Frame {
  const shape = {
    kind: 'channel',
    depthMm: inchesToMm(8),
    flangeMm: inchesToMm(2.75),
    thicknessMm: inchesToMm(1 / 4),
  } as const;
  const frame = defaultFrame({
    family: 'open-channel ladder',
    railShape: shape,
    steel: 'hot-rolled-50',
    lengthMm: inchesToMm(240),
    widthMm: inchesToMm(34),
    datum: 'front gauge hole in the left rail web',
  });
  const ratings: Readonly<Record<string, number>> = { 'Front axle': 7000, 'Rear axle': 12500 };
  return {
    ...frame,
    fittings: frame.fittings.map((mark) =>
      ratings[mark.name] ? { ...mark, ratingKg: poundsToKg(ratings[mark.name]!) } : mark,
    ),
    loads: { items: typicalLoads(frame, poundsToKg(15500)), takenOff: ['payload', 'tank'] },
  };
}

/** The gritting truck: right rail thin behind the hopper, a crossmember gone at its left end, a crack beside the rear hanger. */
export function gritter(): JobBundle {
  const random = seeded(7);
  const frame = gritterFrame();
  const member = (id: string) => frame.members.find((each) => each.id === id)!;
  const unit: Unit = {
    id: seededId(random),
    tag: 'GR-7',
    description: 'Gritting truck, salt spreader body',
    kind: 'truck',
    exposure: 'salt load',
    duty: 'work',
    grossMassKg: poundsToKg(15500),
  };
  const notices: Notice[] = [
    {
      id: seededId(random),
      unitId: unit.id,
      words: 'Do not lift on the right rail behind the cab',
      by: 'RK',
      at: '2026-11-16T08:20:00Z',
    },
    {
      id: seededId(random),
      unitId: unit.id,
      words: 'Old flat bar welded under the right rail, stations 95 to 110: suspect',
      by: 'RK',
      at: '2026-11-16T08:40:00Z',
    },
  ];
  const readings = [
    ...survey(
      member('rail-right'),
      GRITTER_RIGHT,
      {
        by: 'TM',
        startedAt: '2026-11-17T09:00:00Z',
        stationsIn: [...every(12, 6, 66), ...every(6, 72, 144), ...every(12, 156, 156)],
        spots: WEB_AND_FLANGES,
      },
      random,
    ),
    ...survey(
      member('rail-right'),
      GRITTER_RIGHT,
      {
        by: 'TM',
        startedAt: '2026-11-17T13:10:00Z',
        stationsIn: [...every(6, 162, 192), ...every(12, 204, 234)],
        spots: WEB_AND_FLANGES,
      },
      random,
    ),
    ...survey(
      member('rail-left'),
      GRITTER_LEFT,
      { by: 'RK', startedAt: '2026-11-18T08:30:00Z', stationsIn: every(12, 6, 234), spots: COARSE },
      random,
    ),
    ...survey(
      member('cross-4'),
      [{ centreIn: 0, halfLengthIn: 14, tideIn: 4.5, worstFraction: 0.12 }],
      {
        by: 'RK',
        startedAt: '2026-11-18T11:00:00Z',
        stationsIn: [1, 4, 8, 13, 20, 27, 32],
        spots: [
          ['web', 5],
          ['web', 3],
          ['web', 1],
          ['bottom', 1],
          ['top', 1],
        ],
      },
      random,
    ),
    ...survey(
      member('cross-3'),
      [],
      {
        by: 'RK',
        startedAt: '2026-11-18T11:30:00Z',
        stationsIn: [2, 9, 17, 25, 32],
        spots: [
          ['web', 5],
          ['web', 3],
          ['web', 1],
          ['bottom', 1],
          ['top', 1],
        ],
      },
      random,
    ),
  ];
  const cracks: Crack[] = [
    {
      kind: 'crack',
      id: seededId(random),
      memberId: 'rail-right',
      seenBy: 'dye penetrant',
      startFound: true,
      finishFound: true,
      by: 'TM',
      at: '2026-11-17T14:05:00Z',
      note: 'beside the rear spring front hanger, clean after developer',
      path: [
        [158.2, 'bottom', 0.6],
        [158.4, 'web', 0],
        [159.1, 'web', 1.1],
        [158.8, 'web', 1.9],
      ].map(([station, face, height]) => ({
        stationMm: inchesToMm(station as number),
        face: face as 'web',
        heightMm: inchesToMm(height as number),
      })),
    },
  ];
  const slipped: Reading = {
    ...readings[20]!,
    id: seededId(random),
    thicknessMm: inchesToMm(0.061),
    at: '2026-11-17T09:05:00Z',
  };
  const strikes: Strike[] = [
    {
      id: seededId(random),
      evidenceId: slipped.id,
      why: 'gauge slipped off the couplant',
      by: 'TM',
      at: '2026-11-17T13:00:00Z',
    },
  ];
  return {
    format: 'ossatura job',
    unit,
    notices,
    frame,
    practice: DEFAULT_PRACTICE,
    evidence: [
      ...gritterCounter(),
      ...readings,
      slipped,
      ...cracks,
      ...gritterWalk(frame),
      ...gritterMeasured(frame),
    ],
    strikes,
    repairs: [],
    job: {
      id: seededId(random),
      unitId: unit.id,
      title: 'Right rail behind the hopper',
      purpose: 'repair',
      complaint: 'Sags when loaded, body rubs the cab; flakes fall out of the right rail',
      openedBy: 'RK',
      openedAt: '2026-11-16T08:15:00Z',
    },
  };
}
