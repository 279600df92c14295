import {
  crossingsOn,
  defaultFrame,
  familyOf,
  FAMILY_IDS,
  frameSchema,
  fittingsOn,
  lineLengthMm,
  placementOf,
  shapeSchema,
  twinOf,
  carriedByMember,
  type Family,
  type Frame,
  type Member,
} from '.';

const frameOf = (family: Family): Frame =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const issues = (frame: unknown): string[] => {
  const parsed = frameSchema.safeParse(frame);
  return parsed.success ? [] : parsed.error.issues.map((issue) => issue.message);
};

describe.each(FAMILY_IDS)('%s', (family) => {
  const frame = frameOf(family);

  test('every member has a place as long as it says, and left and right are mirror images', () => {
    for (const member of frame.members) {
      const placement = placementOf(frame, member);
      expect(Math.abs(lineLengthMm(placement) - member.lengthMm)).toBeLessThan(
        member.role === 'crossmember' ? 60 : 1,
      );
      const twin = twinOf(frame, member);
      if (!member.side) expect(twin).toBeUndefined();
      else {
        const other = placementOf(frame, twin!);
        expect(other.from).toEqual([placement.from[0], -placement.from[1], placement.from[2]]);
        expect(other.mirrored).toBe(!placement.mirrored);
        expect(twinOf(frame, twin!)!.id).toBe(member.id);
      }
    }
  });

  test('somebody carries the axles, and every mount that carries something stands on a rail', () => {
    const carried = frame.members.flatMap((member) => carriedByMember(frame, member));
    expect(carried).toContain('axle location');
    expect(frame.fittings.filter((mark) => mark.kind === 'axle').length).toBeGreaterThanOrEqual(
      family.includes('trailer') ? 2 : 2,
    );
  });
});

test.each<Frame['members'][number]['shape']>([
  { kind: 'box', depthMm: 100, widthMm: 60, thicknessMm: 2 },
  { kind: 'hat', depthMm: 60, widthMm: 70, lipMm: 20, thicknessMm: 2 },
  { kind: 'channel', depthMm: 120, flangeMm: 50, thicknessMm: 3 },
  { kind: 'tube', depthMm: 76, thicknessMm: 3 },
])(
  'a unibody’s floor rails and crossmembers meet its rails’ own line, whatever these are: %j',
  (railShape) => {
    const frame = defaultFrame({
      ...{ ...familyOf('unibody').typical, railShape },
      ...{ family: 'unibody', steel: 'a36', datum: 'hole' },
    });
    const at = (id: string) =>
      placementOf(
        frame,
        frame.members.find((member) => member.id === id)!,
      );
    const rail = frame.members.find(({ role, side, line }) => role === 'rail' && side === 'left' && !line)!;
    const [, y] = at(rail.id).from;
    const lines = frame.members.filter(({ id }) => /^(cross-front|cross-tail|carrier)$/.test(id));
    expect(lines.length).toBeGreaterThan(0);
    for (const { id } of lines) expect(at(id).from[1]).toBeCloseTo(y, 9);
  },
);

test('a rail that starts behind the datum has its mounts and crossmembers at stations of its own', () => {
  const mixed = frameOf('mixed ladder');
  const rear = mixed.members.find((member) => member.id === 'rail-left-rear')!;
  const axle = mixed.fittings.find((mark) => mark.name === 'Rear axle')!;
  expect(fittingsOn(mixed, rear).find((mark) => mark.id === axle.id)!.stationMm).toBeCloseTo(
    axle.stationMm - rear.startMm!,
    9,
  );
  const crossing = crossingsOn(mixed, rear);
  expect(crossing.length).toBeGreaterThan(1);
  for (const { member, stationMm } of crossing) {
    expect(stationMm).toBeCloseTo(member.atMm! - rear.startMm!, 9);
    expect(stationMm).toBeLessThanOrEqual(rear.lengthMm);
  }
  const front = mixed.members.find((member) => member.id === 'rail-left-front')!;
  expect(fittingsOn(mixed, front).some((mark) => mark.id === axle.id)).toBe(false);
  expect(front.lengthMm).toBeGreaterThan(rear.startMm!);
});

describe('what cannot be is said', () => {
  const trailer = frameOf('I-beam trailer');
  const changed = (id: string, change: Partial<Member>) => ({
    ...trailer,
    members: trailer.members.map((member) => (member.id === id ? { ...member, ...change } : member)),
  });
  test('a member without a place; a hole off its face; a load that ends before it starts; an axle rated at nothing', () => {
    const { line: _line, ...nowhere } = trailer.members.find((member) => member.id === 'tongue-left')!;
    expect(_line).toBeDefined();
    expect(
      issues({
        ...trailer,
        members: trailer.members.map((member) => (member.id === 'tongue-left' ? nowhere : member)),
      }),
    ).toContain('Left A-frame leg has no place: from where to where?');
    expect(
      issues(
        changed('rail-left', {
          holes: [{ id: 'h', stationMm: 100, face: 'web', heightMm: 900, diameterMm: 14 }],
        }),
      )[0],
    ).toContain('height is off');
    const load = {
      id: 'a',
      kind: 'payload',
      name: 'Sand',
      massKg: 500,
      fromMm: 3000,
      toMm: 1000,
      leftShare: 0.5,
    };
    expect(issues({ ...trailer, loads: { items: [load] } })).toContain('it ends ahead of where it starts');
    expect(issues({ ...trailer, loads: { items: [{ ...load, toMm: 4000, massKg: -1 }] } })).toContain(
      'a load weighs something',
    );
    expect(
      issues({
        ...trailer,
        fittings: trailer.fittings.map((mark) => (mark.kind === 'axle' ? { ...mark, ratingKg: 1 } : mark)),
      }),
    ).toContain('an axle rating under 50 kg is none');
  });
  test.each([
    [{ kind: 'I', depthMm: 200, flangeMm: 100, thicknessMm: 5, flangeThicknessMm: 80 }],
    [{ kind: 'tube', depthMm: 60, thicknessMm: 30 }],
    [{ kind: 'hat', depthMm: 60, widthMm: 80, lipMm: 2, thicknessMm: 2 }],
    [{ kind: 'flat', depthMm: 60, thicknessMm: -1 }],
  ])('%j is no section', (shape) => expect(shapeSchema.safeParse(shape).success).toBe(false));
});
