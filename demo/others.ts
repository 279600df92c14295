import {
  defaultFrame,
  familyOf,
  placementOf,
  typicalLoads,
  type Family,
  type Frame,
  type Unit,
} from '@/core/frame';
import { inchesToMm, milesToKm, poundsToKg } from '@/core/quantity';
import { DEFAULT_PRACTICE, type SteelId } from '@/core/reference';
import type { JobBundle } from '@/core/exchange';
import type { Reading } from '@/core/probe';
import type { Crack, CrackLook, TemporaryRepair, Trip } from '@/core/trace';
import { diversCounter, libraryCounter, vanCounter } from './counter';
import { seeded, seededId } from './seeded';
import { every, survey } from './survey';
import type { RustPatch } from './truth';
import { libraryMeasured, vanMeasured } from './measured';
import { libraryWorks } from './specified';
import { libraryWalk, diversWalk, vanWalk, vanWalkBefore } from './walked';
import type { Evidence } from '@/core/job';

interface Story {
  readonly seed: number;
  readonly unit: Omit<Unit, 'id' | 'grossMassKg'> & { readonly grossLb: number };
  readonly family: Family;
  readonly steel: SteelId;
  readonly datum: string;
  readonly title: string;
  readonly complaint: string;
  readonly purpose: JobBundle['job']['purpose'];
  readonly openedAt: string;
  readonly by: string;
  readonly notices: readonly string[];
  readonly readings: (frame: Frame, random: () => number) => Reading[];
  readonly cracks?: (frame: Frame, random: () => number) => (Crack | CrackLook | Trip | TemporaryRepair)[];
  readonly walk: (frame: Frame) => Evidence[];
}

/** A unit told from its family's own frame. */
function told(story: Story): JobBundle {
  const random = seeded(story.seed);
  const { grossLb, ...about } = story.unit;
  const made = defaultFrame({
    ...familyOf(story.family).typical,
    family: story.family,
    steel: story.steel,
    datum: story.datum,
  });
  const frame = { ...made, loads: { items: typicalLoads(made, poundsToKg(grossLb)) } };
  const unitId = seededId(random);
  return {
    format: 'ossatura job',
    frame,
    practice: DEFAULT_PRACTICE,
    strikes: [],
    repairs: [],
    unit: { id: unitId, ...about, grossMassKg: poundsToKg(grossLb) },
    notices: story.notices.map((words) => ({
      id: seededId(random),
      unitId,
      words,
      by: story.by,
      at: story.openedAt,
    })),
    evidence: [
      ...story.readings(frame, random),
      ...(story.cracks?.(frame, random) ?? []),
      ...story.walk(frame),
    ],
    job: {
      id: seededId(random),
      unitId,
      title: story.title,
      purpose: story.purpose,
      complaint: story.complaint,
      openedBy: story.by,
      openedAt: story.openedAt,
    },
  };
}

const member = (frame: Frame, id: string) => frame.members.find((each) => each.id === id)!;
const lengthIn = (frame: Frame, id: string) => member(frame, id).lengthMm / inchesToMm(1);
/** A station of the left rail level with another member, inches. */
const besideIn = (frame: Frame, id: string) =>
  (placementOf(frame, member(frame, id)).from[0] - (member(frame, 'rail-left').startMm ?? 0)) / inchesToMm(1);

const ALONG_BEAM = [
  ['web', 8],
  ['web', 5],
  ['web', 1.5],
  ['bottom', 1],
  ['bottom', 3],
  ['top', 2],
] as const;

/** The library trailer: sound beams, a crack in the left beam's lower flange at an outrigger's weld. */
export const libraryTrailer = (): JobBundle =>
  told({
    seed: 11,
    family: 'I-beam trailer',
    steel: 'hot-rolled-50',
    datum: 'coupler pin',
    by: 'RK',
    openedAt: '2026-11-12T09:00:00Z',
    purpose: 'follow-up',
    unit: {
      tag: 'BK-1',
      description: 'Library trailer on I-beams',
      kind: 'trailer',
      exposure: 'road salt',
      duty: 'towing',
      grossLb: 8200,
    },
    title: 'Crack at an outrigger, third look',
    complaint: 'Floor dips beside the door',
    notices: ['Crack in the left beam watched since spring: no use until looked at'],
    walk: (frame) => [
      ...libraryCounter(),
      ...libraryWalk(frame),
      ...libraryMeasured(frame),
      ...libraryWorks(frame),
    ],
    readings: (frame, random) =>
      (['rail-left', 'rail-right'] as const).flatMap((id) =>
        survey(
          member(frame, id),
          [{ centreIn: 170, halfLengthIn: 20, tideIn: 0.6, worstFraction: 0.82 }],
          {
            by: 'RK',
            startedAt: '2026-11-12T09:30:00Z',
            stationsIn: every(24, 6, lengthIn(frame, id) - 2),
            spots: ALONG_BEAM,
          },
          random,
        ),
      ),
    cracks: watchedCrack,
  });

const trip = (random: () => number, miles: number, at: string, by: string, note: string): Trip => ({
  kind: 'trip',
  id: seededId(random),
  km: milesToKm(miles),
  by,
  at,
  note,
});

/** Three looks since spring: at the weld's toe, past it, and a third of the way across the flange; the gap opens with the shelves full. */
function watchedCrack(frame: Frame, random: () => number) {
  const crack: Crack = {
    kind: 'crack',
    id: seededId(random),
    memberId: 'rail-left',
    seenBy: 'dye penetrant',
    startsAt: 'weld toe',
    depth: 'through',
    signs: ['rust in it', 'opens under load'],
    startFound: true,
    finishFound: true,
    by: 'RK',
    at: '2026-04-14T10:00:00Z',
    note: 'from the outrigger’s weld toe inward',
    path: [
      [0, 0.05],
      [0.2, 0.6],
    ].map(([off, height]) => ({
      stationMm: inchesToMm(besideIn(frame, 'outrigger-left-4') + off!),
      face: 'bottom' as const,
      heightMm: inchesToMm(height!),
    })),
  };
  const look = (at: string, grownIn: number, openMm: readonly [number, number], note: string): CrackLook => ({
    kind: 'crack look',
    id: seededId(random),
    crackId: crack.id,
    memberId: crack.memberId,
    startMm: 0,
    finishMm: inchesToMm(grownIn),
    startFound: true,
    finishFound: true,
    seenBy: 'dye penetrant',
    gapUnloadedMm: openMm[0],
    gapLoadedMm: openMm[1],
    loadedBy: 'shelves full, standing on its wheels',
    by: 'RK',
    at,
    note,
  });
  return [
    crack,
    look('2026-07-30T14:00:00Z', 0.22, [0, 0.3], 'streak below it'),
    look('2026-11-12T11:00:00Z', 0.6, [0.1, 0.8], 'sealant above torn'),
    trip(random, 4100, '2026-07-29T17:00:00Z', 'RK', 'spring round'),
    trip(random, 4350, '2026-11-10T17:00:00Z', 'RK', 'autumn round'),
  ];
}

/** The divers' gooseneck: an old square-ended plate on the left beam cracked at its end. */
export const diversTrailer = (): JobBundle =>
  told({
    seed: 13,
    family: 'gooseneck trailer',
    steel: 'a36',
    datum: 'front face of the knee',
    by: 'TM',
    openedAt: '2026-11-18T08:00:00Z',
    purpose: 'repair',
    unit: {
      tag: 'DV-3',
      description: 'Divers’ gooseneck cabin trailer',
      kind: 'gooseneck',
      exposure: 'sea air',
      duty: 'towing',
      grossLb: 11_500,
    },
    title: 'Plate end cracked, left beam',
    complaint: 'Front wall gap opens when hitched',
    notices: ['Clamp plate on the left beam: not over 30 miles, no faster than 40 mph'],
    walk: (frame) => [...diversCounter(), ...diversWalk(frame)],
    readings: (frame, random) => [
      ...survey(
        member(frame, 'rail-left'),
        [{ centreIn: 60, halfLengthIn: 26, tideIn: 1.4, worstFraction: 0.85 }],
        {
          by: 'TM',
          startedAt: '2026-11-18T08:40:00Z',
          stationsIn: every(18, 6, lengthIn(frame, 'rail-left') - 2),
          spots: ALONG_BEAM,
        },
        random,
      ),
      ...survey(
        member(frame, 'upright-left'),
        [{ centreIn: 3, halfLengthIn: 8, tideIn: 1, worstFraction: 0.75 }],
        {
          by: 'TM',
          startedAt: '2026-11-18T10:40:00Z',
          stationsIn: [3, 10, 20, 30, 40],
          spots: [
            ['outer', 2],
            ['inner', 2],
            ['top', 1.5],
            ['bottom', 1.5],
          ],
        },
        random,
      ),
    ],
    cracks: (_frame, random) => [
      {
        kind: 'crack',
        id: seededId(random),
        memberId: 'rail-left',
        seenBy: 'eye',
        startFound: true,
        finishFound: false,
        by: 'TM',
        at: '2026-11-18T09:50:00Z',
        note: 'at the square end of the old plate',
        path: [
          [78, 'bottom', 0.2],
          [78.2, 'bottom', 1.4],
        ].map(([station, face, height]) => ({
          stationMm: inchesToMm(station as number),
          face: face as 'bottom',
          heightMm: inchesToMm(height as number),
        })),
      },
      {
        kind: 'temporary repair',
        id: seededId(random),
        memberId: 'rail-left',
        stationMm: inchesToMm(78),
        form: 'clamp',
        limitKm: milesToKm(30),
        slowerThanKmh: milesToKm(40),
        by: 'TM',
        at: '2026-11-18T12:30:00Z',
        note: 'clamp plate over the crack, four bolts through the web',
      },
      trip(random, 12, '2026-11-18T16:00:00Z', 'TM', 'slip to the shop’s yard'),
    ],
  });

/** The survey van: front rail end and sill rotted through their layers. */
export const surveyVan = (): JobBundle => {
  const rot: readonly RustPatch[] = [{ centreIn: 6, halfLengthIn: 14, tideIn: 3.6, worstFraction: 0.15 }];
  return told({
    seed: 17,
    family: 'unibody',
    steel: 'a36',
    datum: 'front face of the radiator crossmember',
    by: 'RK',
    openedAt: '2026-11-19T13:00:00Z',
    purpose: 'pre-purchase look',
    unit: {
      tag: 'SV-9',
      description: 'Harbour survey van',
      kind: 'van',
      exposure: 'sea air',
      duty: 'everyday',
      grossLb: 3100,
    },
    title: 'Front rail and sill',
    complaint: 'Passenger door catches',
    notices: ['Do not lift on the right front jacking point'],
    walk: (frame) => [...vanCounter(), ...vanWalk(frame), ...vanMeasured()],
    readings: (frame, random) => [
      ...survey(
        member(frame, 'rail-right-front'),
        rot,
        {
          by: 'RK',
          startedAt: '2026-11-19T13:20:00Z',
          stationsIn: every(6, 2, lengthIn(frame, 'rail-right-front') - 1),
          spots: [
            ['outer', 3.4],
            ['outer', 2],
            ['outer', 0.6],
            ['bottom', 1.2],
            ['inner', 2],
            ['inner', 0.6],
            ['top', 1.2],
          ],
        },
        random,
      ),
      ...survey(
        member(frame, 'sill-right'),
        [{ centreIn: 20, halfLengthIn: 18, tideIn: 2.4, worstFraction: 0.1 }],
        {
          by: 'RK',
          startedAt: '2026-11-19T14:20:00Z',
          stationsIn: every(8, 3, lengthIn(frame, 'sill-right') - 1),
          spots: [
            ['outer', 3.6],
            ['outer', 2],
            ['outer', 0.6],
            ['bottom', 1.5],
            ['top', 1.5],
          ],
        },
        random,
      ),
    ],
  });
};

/** The same van, two years before: the left sill patched, the job closed. */
export const surveyVanBefore = (): JobBundle => {
  const now = surveyVan();
  const random = seeded(19);
  const { frame } = now;
  const readings = [
    ...survey(
      member(frame, 'rail-right-front'),
      [{ centreIn: 6, halfLengthIn: 12, tideIn: 2.6, worstFraction: 0.5 }],
      {
        by: 'RK',
        startedAt: '2024-10-07T10:00:00Z',
        stationsIn: every(6, 2, lengthIn(frame, 'rail-right-front') - 1),
        spots: [
          ['outer', 2],
          ['outer', 0.6],
          ['bottom', 1.2],
        ],
      },
      random,
    ),
    ...survey(
      member(frame, 'sill-right'),
      [{ centreIn: 20, halfLengthIn: 14, tideIn: 1.6, worstFraction: 0.55 }],
      {
        by: 'RK',
        startedAt: '2024-10-07T11:00:00Z',
        stationsIn: every(8, 3, lengthIn(frame, 'sill-right') - 1),
        spots: [
          ['outer', 2],
          ['outer', 0.6],
          ['bottom', 1.5],
        ],
      },
      random,
    ),
  ];
  return {
    ...now,
    notices: [],
    repairs: [],
    strikes: [],
    evidence: [...readings, ...vanWalkBefore(frame)],
    job: {
      ...now.job,
      id: seededId(random),
      title: 'Left sill patched',
      purpose: 'repair',
      complaint: 'Sill soft under the jack',
      openedAt: '2024-10-07T08:00:00Z',
    },
  };
};
