import fc from 'fast-check';
import { sectionProperties, withThickness } from '../mechanics';
import {
  defaultFrame,
  developedWidthMm,
  faceAtU,
  facesOf,
  frameSchema,
  heightOnFace,
  midlinePoint,
  shapeSchema,
  spotOnMember,
  surfaceOf,
  surfacePoint,
  twinOf,
  familyOf,
  uOnFace,
  FAMILY_IDS,
  standing,
  type MemberShape,
} from '.';

const channel: MemberShape = { kind: 'channel', depthMm: 200, flangeMm: 70, thicknessMm: 6 };
const box: MemberShape = { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 };
const frameOf = (family: (typeof FAMILY_IDS)[number]) =>
  defaultFrame({
    family,
    railShape: familyOf(family).typical.railShape,
    steel: 'a36',
    lengthMm: 6000,
    widthMm: 860,
    datum: 'front hole',
  });

describe('unrolled faces', () => {
  const every: readonly MemberShape[] = [
    channel,
    box,
    { kind: 'I', depthMm: 250, flangeMm: 100, thicknessMm: 5, flangeThicknessMm: 8 },
    { kind: 'angle', depthMm: 80, flangeMm: 60, thicknessMm: 6 },
    { kind: 'hat', depthMm: 70, widthMm: 80, lipMm: 20, thicknessMm: 2 },
    { kind: 'tube', depthMm: 90, thicknessMm: 4 },
    { kind: 'flat', depthMm: 100, thicknessMm: 8 },
    {
      kind: 'built-up',
      depthMm: 350,
      topMm: 120,
      bottomMm: 150,
      thicknessMm: 6,
      topThicknessMm: 12,
      bottomThicknessMm: 10,
    },
  ];
  test.each(every)(
    '$kind: height and developed coordinate are each other’s inverse on every face',
    (shape) => {
      fc.assert(
        fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (part) => {
          for (const face of facesOf(shape)) {
            const height = part * face.widthMm;
            expect(heightOnFace(face, uOnFace(face, height))).toBeCloseTo(height, 9);
          }
        }),
        { seed: 2, numRuns: 50 },
      );
    },
  );

  test('neighbouring faces meet at one corner of the surface', () => {
    for (const shape of [channel, box]) {
      const faces = facesOf(shape);
      faces.slice(1).forEach((face, k) => {
        const before = faces[k]!;
        expect(surfacePoint(shape, before, before.uStartMm + before.widthMm)).toEqual(
          surfacePoint(shape, face, face.uStartMm),
        );
      });
    }
    const faces = facesOf(box);
    const last = faces[faces.length - 1]!;
    expect(surfacePoint(box, last, last.uStartMm + last.widthMm)).toEqual(surfacePoint(box, faces[0]!, 0));
  });

  test('the developed width is what one would cut the section from, outside', () => {
    expect(developedWidthMm(channel)).toBe(340);
    expect(developedWidthMm(box)).toBe(450);
    expect(faceAtU(channel, 70).id).toBe('web');
    expect(midlinePoint(channel, facesOf(channel)[1]!, 70)).toEqual([3, 197]);
  });

  test('sections of every kind have the area and second moment of their plates', () => {
    const of = (shape: MemberShape) => {
      const surface = surfaceOf(shape);
      return sectionProperties(
        withThickness(
          surface.midline,
          Float64Array.from(surface.rowFace, (face) => face.wallMm),
        ),
      )!;
    };
    const beam = of(every[2]!);
    expect(beam.areaMm2).toBeCloseTo(2 * 100 * 8 + 242 * 5, 3);
    expect(beam.ixMm4 / (2 * ((100 * 8 ** 3) / 12 + 800 * 121 ** 2) + (5 * 242 ** 3) / 12)).toBeCloseTo(1, 6);
    const tube = of(every[5]!);
    expect(tube.jMm4 / (2 * Math.PI * 43 ** 3 * 4)).toBeCloseTo(1, 1);
    expect(of(every[4]!).areaMm2).toBeCloseTo(2 * (2 * 21 + 2 * 68 + 78), 3);
    expect(of(every[7]!).areaMm2).toBeCloseTo(120 * 12 + 150 * 10 + (350 - 11) * 6, 3);
    expect(of(every[6]!).ixMm4).toBeCloseTo((8 * 100 ** 3) / 12, 3);
    expect(of(every[3]!).areaMm2).toBeCloseTo(6 * (77 + 57), 3);
  });

  test('surface rows never straddle a fold and add up to the sheet', () => {
    for (const shape of every) {
      const surface = surfaceOf(shape);
      surface.rowFace.forEach((face, row) => {
        expect(surface.edgeUMm[row]!).toBeGreaterThanOrEqual(face.uStartMm - 1e-9);
        expect(surface.edgeUMm[row + 1]!).toBeLessThanOrEqual(face.uStartMm + face.widthMm + 1e-9);
      });
      expect(surface.edgeUMm[surface.edgeUMm.length - 1]).toBeCloseTo(developedWidthMm(shape), 9);
    }
  });
});

describe('frames', () => {
  test.each(['open-channel ladder', 'boxed ladder'] as const)(
    'the %s default is a valid frame with twins, crossmembers and mounts',
    (family) => {
      const frame = frameSchema.parse(frameOf(family));
      expect(frame.members.filter((member) => member.role === 'crossmember')).toHaveLength(6);
      expect(twinOf(frame, frame.members[0]!)!.side).toBe('right');
      expect(twinOf(frame, frame.members[2]!)).toBeUndefined();
    },
  );

  test.each([
    [{ ...channel, thicknessMm: -1 }],
    [{ ...channel, thicknessMm: 45 }],
    [{ ...channel, thicknessMm: 30 }],
    [{ ...channel, depthMm: 0 }],
    [{ ...channel, flangeMm: NaN }],
    [{ ...box, widthMm: 5000 }],
    [{ ...box, kind: 'heart' }],
  ])('an impossible section is refused: %j', (shape) =>
    expect(shapeSchema.safeParse(shape).success).toBe(false),
  );

  test('a crossmember off the rails, a mount off the rails and a doubled id are named', () => {
    const frame = frameOf('open-channel ladder');
    const messages = (changed: unknown) => {
      const parsed = frameSchema.safeParse(changed);
      return parsed.success ? [] : parsed.error.issues.map((issue) => issue.message);
    };
    expect(
      messages({
        ...frame,
        members: frame.members.map((member) =>
          member.id === 'cross-2' ? { ...member, atMm: 7000 } : member,
        ),
      }),
    ).toContain('Crossmember 2 is off the rails');
    expect(messages({ ...frame, fittings: [{ ...frame.fittings[0]!, stationMm: 9000 }] })).toContain(
      'Front axle is off the rails',
    );
    expect(messages({ ...frame, members: [...frame.members, frame.members[0]!] })).toContain(
      'two members are called rail-left',
    );
  });

  test('spots off the member are refused with the limit', () => {
    const rail = frameOf('open-channel ladder').members[0]!;
    expect(spotOnMember(rail, { stationMm: 6001, face: 'web', heightMm: 10 })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('station is off'),
    });
    expect(spotOnMember(rail, { stationMm: 10, face: 'outer', heightMm: 10 })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('no outer face'),
    });
    expect(spotOnMember(rail, { stationMm: 10, face: 'web', heightMm: 204 })).toMatchObject({ ok: false });
    expect(spotOnMember(rail, { stationMm: NaN, face: 'web', heightMm: 1 }).ok).toBe(false);
    expect(spotOnMember(rail, { stationMm: 0, face: 'web', heightMm: 0 }).ok).toBe(true);
  });

  test('struck evidence is left out, everything else stands', () => {
    const strikes = [
      { id: crypto.randomUUID(), evidenceId: 'b', why: 'slip', by: 'RK', at: '2026-01-01T00:00:00Z' },
    ];
    expect(standing([{ id: 'a' }, { id: 'b' }], strikes)).toEqual([{ id: 'a' }]);
  });
});

test.each([
  [6000, true],
  [6001, false],
])('a stand at %d mm under rails of 6 m', (stationMm, fits) => {
  const frame = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel: 'a36',
    datum: 'hole',
    lengthMm: 6000,
  });
  const parsed = frameSchema.safeParse({
    ...frame,
    loads: { items: [], stands: [{ id: 's', side: 'left', stationMm }] },
  });
  expect(parsed.success).toBe(fits);
  if (!parsed.success) expect(parsed.error.issues[0]!.message).toContain('stand 1 is off the rails');
});
