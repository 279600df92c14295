import { defaultFrame, facesOf, type Member } from '@/core/frame';
import type { Reading } from '@/core/probe';
import { DEFAULT_PRACTICE, schoolMarginMm } from '@/core/reference';
import {
  isJudged,
  leftOfPlan,
  memberPicture,
  nextReadings,
  surveyPlan,
  type MemberPicture,
} from '@/core/weigh';
import { normal, seeded } from '@/demo/seeded';
import { trueThicknessMm, type RustPatch } from '@/demo/truth';

/**
 * A hundred seeded rails: how many readings each way of choosing the next place needs until the cut decision (repair or not; does the margin hold)
 * is right and stays right. All begin with the same coarse plan.
 */
const RAILS = Number(process.env.RAILS ?? 100);
const MOST = 60;
const shape = { kind: 'channel', depthMm: 203.2, flangeMm: 70, thicknessMm: 6.35 } as const;
const frame = defaultFrame({
  family: 'open-channel ladder',
  railShape: shape,
  steel: 'a36',
  lengthMm: 4800,
  widthMm: 860,
  datum: 'hole',
});
const rail: Member = frame.members[0]!;
const web = facesOf(shape).find((face) => face.id === 'web')!;

interface Decision {
  readonly repair: boolean;
  readonly short: boolean;
}
const wantedMm = schoolMarginMm(DEFAULT_PRACTICE.school);

/** By the truth itself: the tide line's height everywhere. */
function truthOf(patches: readonly RustPatch[]): Decision {
  let tideMm = 0,
    thinnest = 1;
  for (let stationMm = 0; stationMm <= rail.lengthMm; stationMm += 10)
    for (let heightMm = 0; heightMm <= web.widthMm; heightMm += 3) {
      const kept = trueThicknessMm(rail, patches, stationMm, 'web', heightMm) / shape.thicknessMm;
      if (kept < 0.8) tideMm = Math.max(tideMm, heightMm);
      thinnest = Math.min(thinnest, kept);
    }
  return { repair: thinnest < 0.8, short: web.widthMm - tideMm < wantedMm };
}

function decided(picture: MemberPicture): Decision {
  const margins = picture.edges.flatMap((edge) =>
    edge.columns
      .filter((column) => column.kind === 'bracketed' || column.kind === 'no sound metal read')
      .map(
        (column) => edge.faceHeightMm - (column.kind === 'bracketed' ? column.upperMm : column.lowerMm + 1.5),
      ),
  );
  // A column whose only reading is unsound, far below the limit, has not decided about the margin yet.
  const weak = picture.sections.some(
    (section) =>
      isJudged(section) &&
      Math.min(section.kept.modulusTop!.value, section.kept.modulusBottom!.value) <
        DEFAULT_PRACTICE.leaveFraction,
  );
  return { repair: weak || picture.zones.length > 0, short: margins.some((margin) => margin < wantedMm) };
}

type Chooser = (
  picture: MemberPicture,
  taken: readonly Reading[],
  k: number,
) => { stationMm: number; face: Reading['face']; heightMm: number } | undefined;

const evenGrid: Chooser = (_picture, taken) => {
  for (const step of [800, 400, 200]) {
    const left = leftOfPlan(surveyPlan(rail, step), taken).filter(
      (place) =>
        !taken.some(
          (each) =>
            each.face === place.face &&
            Math.abs(each.stationMm - place.stationMm) < step / 3 &&
            Math.abs(each.heightMm - place.heightMm) < 20,
        ),
    );
    if (left[0]) return left[0];
  }
  return undefined;
};
const largestVariance: Chooser = ({ map, surface }) => {
  let best = 0;
  map!.errorMm.forEach((error, cell) => {
    if (error > map!.errorMm[best]!) best = cell;
  });
  const [row, column] = [Math.floor(best / map!.stationsMm.length), best % map!.stationsMm.length];
  const face = surface.rowFace[row]!;
  return {
    stationMm: map!.stationsMm[column]!,
    face: face.id,
    heightMm: Math.min(face.widthMm - 1, Math.max(1, heightOf(face, surface.uMm[row]!))),
  };
};
const heightOf = (face: ReturnType<typeof facesOf>[number], uMm: number): number =>
  face.upright ? face.uStartMm + face.widthMm - uMm : uMm - face.uStartMm;
const nextOne: Chooser = (picture) => nextReadings(picture, 1)[0];

const WAYS: Readonly<Record<string, Chooser>> = {
  'next reading': nextOne,
  'largest variance': largestVariance,
  'even grid': evenGrid,
};
const results = new Map<string, number[]>(Object.keys(WAYS).map((way) => [way, []]));
const asked: number[] = [];

for (let seed = 1; seed <= RAILS; seed++) {
  const story = seeded(seed * 7919);
  const patches: RustPatch[] =
    story() < 0.25
      ? []
      : [
          {
            centreIn: 12 + 165 * story(),
            halfLengthIn: 8 + 20 * story(),
            tideIn: 0.6 + 7.6 * story(),
            worstFraction: 0.1 + 0.6 * story(),
          },
        ];
  const truth = truthOf(patches);
  for (const [way, choose] of Object.entries(WAYS)) {
    const random = seeded(seed * 31);
    const readings: Reading[] = [];
    const take = (place: { stationMm: number; face: Reading['face']; heightMm: number }) =>
      readings.push({
        kind: 'reading',
        id: `${readings.length}`,
        memberId: rail.id,
        ...place,
        thicknessMm: Math.max(
          0,
          trueThicknessMm(rail, patches, place.stationMm, place.face, place.heightMm) + 0.13 * normal(random),
        ),
        method: 'ultrasonic',
        by: 'RK',
        at: '2026-01-01T00:00:00Z',
        note: '',
      });
    surveyPlan(rail, 1600).forEach(({ stationMm, face, heightMm }) => take({ stationMm, face, heightMm }));
    let rightSince: number | undefined;
    while (readings.length <= MOST) {
      const picture = memberPicture({
        frame,
        member: rail,
        readings,
        cracks: [],
        practice: DEFAULT_PRACTICE,
      });
      const now = decided(picture);
      const right = now.repair === truth.repair && now.short === truth.short;
      rightSince = right ? (rightSince ?? readings.length) : undefined;
      const next = choose(picture, readings, readings.length);
      if (!next) {
        if (way === 'next reading') asked.push(readings.length);
        break;
      }
      take({ stationMm: next.stationMm, face: next.face, heightMm: next.heightMm });
    }
    results.get(way)!.push(rightSince ?? Infinity);
  }
}
const middle = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
for (const [way, counts] of results) {
  const reached = counts.filter(Number.isFinite);
  console.log(
    `${way.padEnd(17)} right and stays right on ${reached.length} of ${RAILS} rails within ${MOST} readings; mean ${(counts.reduce((sum, each) => sum + Math.min(each, MOST), 0) / RAILS).toFixed(1)}, middle ${middle(counts.map((each) => Math.min(each, MOST)))}`,
  );
}
console.log(
  `next reading stopped asking by itself on ${asked.length} of ${RAILS} rails, after ${middle(asked)} readings in the middle`,
);
