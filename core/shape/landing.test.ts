import { defaultFrame, facesOf, familyOf, type FaceId } from '../frame';
import type { Reading } from '../probe';
import { DEFAULT_PRACTICE } from '../reference';
import { memberPicture } from '../weigh';
import { landingsAt, pieceSchema, type Repair } from '.';

const semi = defaultFrame({
  ...familyOf('semi trailer').typical,
  ...{ family: 'semi trailer', steel: 'hot-rolled-50', datum: 'kingpin' },
});
const beam = semi.members.find(({ id }) => id === 'rail-left')!;
const AT = 3000;

/** The beam read in columns round a place: so much of each face's own wall. */
const readWith = (kept: Partial<Record<FaceId, number>>): Reading[] =>
  [-450, -300, -150, 0, 150, 300, 450].flatMap((beside) =>
    facesOf(beam.shape).flatMap((face) =>
      [0.1, 0.3, 0.5, 0.7, 0.9].map(
        (up) =>
          ({
            ...{ kind: 'reading', id: `${beside} ${face.id} ${up}`, memberId: beam.id, method: 'ultrasonic' },
            ...{ stationMm: AT + beside, face: face.id, heightMm: up * face.widthMm },
            ...{
              thicknessMm: (kept[face.id] ?? 1) * face.wallMm,
              by: 'RK',
              at: '2026-01-01T00:00:00Z',
              note: '',
            },
          }) as Reading,
      ),
    ),
  );
const landsOn = (face: 'top' | 'bottom', kept: number, bolts?: Repair['bolts']) => {
  const piece = pieceSchema.parse({
    ...{ id: 'p', kind: 'cover plate', face, startMm: AT - 300, endMm: AT + 300, taperMm: 0 },
    ...{ thicknessMm: 12, lowerEdgeMm: 30, upperEdgeMm: 120 },
  });
  const repair = { pieces: [piece], ...(bolts && { bolts }) };
  const picture = memberPicture({
    ...{ frame: semi, member: beam, practice: DEFAULT_PRACTICE, cracks: [] },
    readings: readWith({ [face]: kept }),
  });
  return landingsAt(picture, repair, piece, AT).map(({ lands, why }) => (lands ? 'lands' : why));
};

describe('a weld lands on a flange that is sound by its own thickness, not by the thinner web’s', () => {
  test.each<['top' | 'bottom', number, string]>([
    ['bottom', 0.5, 'unsound'],
    ['bottom', 0.78, 'unsound'],
    ['bottom', 0.83, 'lands'],
    ['top', 0.5, 'unsound'],
    ['top', 0.83, 'lands'],
  ])('%s flange, %d of it left: %s', (face, kept, expected) =>
    expect(landsOn(face, kept)).toEqual([expected, expected]),
  );
  const bolts = { diameterMm: 16, marks: 3, pitchMm: 80 } as const;
  test.each([
    [0.5, 'unsound'],
    [0.83, 'lands'],
  ])('so does a bolt’s washer, with %d of the flange left: %s', (kept, expected) => {
    const rows = landsOn('bottom', kept, bolts);
    expect(rows.length).toBeGreaterThan(0);
    expect(new Set(rows)).toEqual(new Set([expected]));
  });
});
