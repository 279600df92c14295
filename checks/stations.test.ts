import { readdirSync, readFileSync } from 'node:fs';

/**
 * A place along a member is told from the datum, wherever the member begins: by `printStation`, or with its start added. Files that tell places along
 * the whole frame are named here, with what stands in them.
 */
const ALONG_THE_FRAME: Readonly<Record<string, string>> = {
  'app/_words/before-cutting.ts': 'stands',
  'app/_words/order.ts': 'stands and what is held together',
  'app/_words/flats.ts': 'ticks of a flat, which have their start in them',
  'app/_words/geometry.ts': 'a mark of a member that is no longer on the frame',
  'app/_words/walk.ts': 'points of a lift',
  'app/jobs/[jobId]/order/_parts/off-part.tsx': 'where a thing sat',
  'app/jobs/[jobId]/walk/_parts/lift-drawing.tsx': 'points of a lift',
  'app/jobs/[jobId]/walk/_parts/lift-form.ts': 'points of a lift',
  'app/jobs/[jobId]/walk/_parts/lift-answer.tsx': 'points of a lift',
  'app/jobs/[jobId]/walk/_parts/lift-part.tsx': 'points of a lift',
  'app/jobs/[jobId]/weigh/_parts/while-cut.tsx': 'stands',
};
const PRINTED =
  /\b(?:printLength|lengthDigits)\(\s*([^,]*\b(?:stationMm|fromMm|toMm|startMm|endMm|atMm)\b[^,]*),/g;
const IS_LENGTH = /-/;
const HAS_START = /startsAtMm|StartsMm|startMm \?\? 0|startMm \+|fromMm \+ valueMm/;

const barePlaces = (text: string): string[] =>
  [...text.matchAll(PRINTED)]
    .map(([, printed]) => printed!.trim())
    .filter((printed) => !IS_LENGTH.test(printed) && !HAS_START.test(printed));

const files = ['app', 'ui']
  .flatMap((room) =>
    readdirSync(room, { recursive: true, encoding: 'utf8' }).map((path) => `${room}/${path}`),
  )
  .filter((path) => /\.tsx?$/.test(path) && !path.endsWith('.test.ts'));

test('no page prints a member’s own station as a place on the frame', () => {
  const found = files
    .filter((path) => !(path in ALONG_THE_FRAME))
    .flatMap((path) => barePlaces(readFileSync(path, 'utf8')).map((printed) => `${path}: ${printed}`));
  expect(found).toEqual([]);
});
test('what is let through still prints places, and the check sees one that is not', () => {
  for (const path of Object.keys(ALONG_THE_FRAME))
    expect([path, barePlaces(readFileSync(path, 'utf8')).length > 0]).toEqual([path, true]);
  expect(barePlaces("printLength(crack.stationMm, system, 'length')")).toEqual(['crack.stationMm']);
  expect(barePlaces("printLength(piece.endMm - piece.startMm, system, 'length')")).toEqual([]);
  expect(barePlaces("lengthDigits(startsAtMm(member) + piece.startMm, system, 'length')")).toEqual([]);
});
