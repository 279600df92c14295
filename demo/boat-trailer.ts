import { boatTrailerCounter } from './counter';
import { defaultFrame } from '@/core/frame';
import { inchesToMm, poundsToKg } from '@/core/quantity';
import { DEFAULT_PRACTICE } from '@/core/reference';
import type { JobBundle } from '@/core/exchange';
import { seeded, seededId } from './seeded';
import { every, survey } from './survey';
import type { RustPatch } from './truth';
import { boatTrailerWalk } from './walked';

export const BOAT_TRAILER_LEFT: readonly RustPatch[] = [
  { centreIn: 150, halfLengthIn: 40, tideIn: 2.6, worstFraction: 0.35 },
];

/** The boat-moving trailer: tube rails rotting from inside, survey begun on the left rail only. */
export function boatTrailer(): JobBundle {
  const random = seeded(2);
  const shape = {
    kind: 'box',
    depthMm: inchesToMm(6),
    widthMm: inchesToMm(3),
    thicknessMm: inchesToMm(3 / 16),
  } as const;
  const choice = {
    family: 'boxed ladder' as const,
    railShape: shape,
    steel: 'a36' as const,
    lengthMm: inchesToMm(216),
    widthMm: inchesToMm(60),
    datum: 'front face of crossmember 1',
  };
  const ladder = defaultFrame(choice);
  // A trailer rides on leaf springs.
  const onLeaves = defaultFrame({ ...choice, family: 'open-channel ladder' });
  const keep = new Set(['axle', 'spring hanger', 'hitch']);
  const frame = {
    ...ladder,
    fittings: [
      { id: 'mark-coupler', kind: 'coupler' as const, name: 'Coupler', side: 'both' as const, stationMm: 0 },
      ...onLeaves.fittings.filter((mark) => keep.has(mark.kind) && !mark.name.startsWith('Front')),
    ],
    loads: {
      items: [
        {
          id: 'payload',
          kind: 'payload' as const,
          name: 'Boat on its cradle',
          massKg: poundsToKg(4600),
          fromMm: inchesToMm(60),
          toMm: inchesToMm(200),
          leftShare: 0.5,
        },
      ],
    },
  };
  const unitId = seededId(random);
  const left = frame.members[0]!;
  return {
    format: 'ossatura job',
    frame,
    practice: { ...DEFAULT_PRACTICE, school: 'one inch left' },
    strikes: [],
    repairs: [],
    unit: {
      id: unitId,
      tag: 'BM-2',
      description: 'Boat-moving trailer, dips in the sea',
      kind: 'trailer',
      exposure: 'dips in the sea',
      duty: 'work',
      grossMassKg: poundsToKg(6400),
      builtYear: 2011,
    },
    notices: [
      {
        id: seededId(random),
        unitId,
        words: 'Drains found plugged on both rails',
        by: 'TM',
        at: '2026-11-20T10:00:00Z',
      },
    ],
    evidence: [
      ...survey(
        left,
        BOAT_TRAILER_LEFT,
        {
          by: 'TM',
          startedAt: '2026-11-20T10:30:00Z',
          stationsIn: every(12, 6, 198),
          spots: [
            ['outer', 5],
            ['outer', 3.5],
            ['outer', 2],
            ['outer', 0.75],
            ['bottom', 1.5],
            ['inner', 4],
            ['inner', 1.5],
            ['top', 1.5],
          ],
        },
        random,
      ),
      ...boatTrailerCounter(),
      ...boatTrailerWalk(frame),
    ],
    job: {
      id: seededId(random),
      unitId,
      title: 'Both rails from inside',
      purpose: 'repair',
      complaint: 'Rust water runs out on the ramp',
      openedBy: 'TM',
      openedAt: '2026-11-20T09:50:00Z',
    },
  };
}
