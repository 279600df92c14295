import { beamProfile, withThickness } from '../../mechanics';
import { STANDARD_GRAVITY } from '../../quantity';
import { DEFAULT_LOAD_FACTORS } from '../../reference';
import {
  ALL_HOLDS,
  axlesOf,
  defaultFrame,
  familyOf,
  FAMILY_IDS,
  groundBelowMm,
  heightOfMm,
  isClosed,
  placementOf,
  referencePoint,
  sharesLoad,
  solveCases,
  structureOf,
  surfaceOf,
  typicalLoads,
  type CaseId,
  type Family,
  type Frame,
  type Load,
  type Member,
} from '..';
import { solveRaised, type Raised } from '../raised';
import { heldByFriction } from './by-friction';
import { gravityLoads } from './gravity';
import type { StoodOn } from './solved';

/** Every case by statics: forces and moments about a point, from what the frame carries and where, against what the solver's supports give. */

const made = (frame: Frame) => (member: Member) => {
  const surface = surfaceOf(member.shape);
  const wall = Float64Array.from(surface.rowFace, (face) => face.wallMm);
  const seat = { ...referencePoint(member.shape), mirrored: placementOf(frame, member).mirrored };
  return beamProfile(withThickness(surface.midline, wall), seat, !isClosed(member.shape));
};
const frames = new Map<Family, Frame>();
const framed = (family: Family): Frame => {
  const { typical } = familyOf(family);
  const bare = defaultFrame({ ...typical, family, steel: 'a36', datum: 'front hole' });
  // A gooseneck's upper deck lifts what nobody measured with it: there the heights are said.
  const said = family === 'gooseneck trailer' ? { heightMm: 1300 } : {};
  const items = typicalLoads(bare, typical.grossKg).map((item) => ({ ...item, ...said }));
  const frame = frames.get(family) ?? { ...bare, loads: { items } };
  frames.set(family, frame);
  return frame;
};
const solvedOf = (frame: Frame) => solveCases(structureOf(frame, made(frame)), DEFAULT_LOAD_FACTORS);
const solved = new Map<Family, ReturnType<typeof solvedOf>>();
const of = (family: Family) => {
  const known = solved.get(family) ?? solvedOf(framed(family));
  solved.set(family, known);
  return known;
};
const casesOf = (from: ReturnType<typeof solvedOf>, id: CaseId) =>
  from.cases.filter((each) => each.id === id);
const sum = (supports: readonly StoodOn[], of: (support: StoodOn) => number) =>
  supports.reduce((total, support) => total + of(support), 0);

/** What the loads and the steel do about the ground below the datum: first moments of weight and height, N and N·mm a g. */
function weighed(frame: Frame) {
  const structure = structureOf(frame, made(frame));
  const steelN = gravityLoads({ ...structure, frame: { ...frame, loads: { items: [] } } });
  let [weightN, alongNmm, highNmm] = [0, 0, 0];
  const add = (newtons: number, x: number, aboveGroundMm: number) => {
    weightN += newtons;
    alongNmm += newtons * x;
    highNmm += newtons * aboveGroundMm;
  };
  for (const { element, perMmN } of steelN.inDirection([0, 0, -1])) {
    const ends = (['from', 'to'] as const).map((end) => {
      const { node, offsetMm = [0, 0, 0] } = structure.elements[element]![end];
      return structure.nodes[node]!.map((at, k) => at + offsetMm[k]!);
    });
    const [a, b] = ends as [number[], number[]];
    add(
      -perMmN[2] * Math.hypot(...a.map((each, k) => b[k]! - each)),
      (a[0]! + b[0]!) / 2,
      (a[2]! + b[2]!) / 2 + groundBelowMm(frame),
    );
  }
  for (const item of frame.loads!.items)
    add(item.massKg * STANDARD_GRAVITY, (item.fromMm + item.toMm) / 2, heightOfMm(frame, item));
  return { weightN, alongNmm, highNmm };
}

describe.each(FAMILY_IDS)('%s, every case in balance with what it carries', (family) => {
  const frame = framed(family);
  const { weightN, highNmm } = weighed(frame);

  test('braking: the wheels hold by what they stand with; weight goes forward by height over wheelbase', () => {
    const [level, brake] = (['standing', 'brake'] as const).map((id) => casesOf(of(family), id)[0]!.supports);
    const { brakeG } = DEFAULT_LOAD_FACTORS;
    expect(sum(brake!, ({ forceN }) => forceN[0]) / (brakeG * weightN)).toBeCloseTo(1, 2);
    expect(sum(brake!, ({ upN }) => upN) / weightN).toBeCloseTo(1, 2);
    // About the ground at the datum: what is pushed forward at a height is taken up by more in front and less behind.
    const about = (supports: readonly StoodOn[]) =>
      sum(supports, (support) => {
        const [x, , z] = support.atMm;
        return support.upN * x - support.forceN[0] * (z + groundBelowMm(frame));
      });
    expect((about(level!) - about(brake!)) / (brakeG * highNmm)).toBeGreaterThan(0.9);
    expect((about(level!) - about(brake!)) / (brakeG * highNmm)).toBeLessThan(1.1);
  });

  test('what is loaded alike on both sides stands alike on both, in every case that knows no side', () => {
    for (const id of ['standing', 'bump', 'brake', 'on a lift'] as const)
      for (const { supports } of casesOf(of(family), id))
        for (const { atMm, upN } of supports) {
          const beside = supports.find(
            (each) => Math.abs(each.atMm[0] - atMm[0]) < 1 && Math.abs(each.atMm[1] + atMm[1]) < 1,
          );
          expect(beside).toBeDefined();
          expect(beside!.upN / upN).toBeCloseTo(1, 2.3);
        }
  });

  test('a corner either way: sideways what was asked, over by height times push', () => {
    const { cornerG } = DEFAULT_LOAD_FACTORS;
    const ways = casesOf(of(family), 'corner');
    expect(ways).toHaveLength(2);
    ways.forEach(({ supports }, k) => {
      const sideN = sum(supports, ({ forceN }) => forceN[1]);
      expect(sideN / ((k === 0 ? -1 : 1) * cornerG * weightN)).toBeCloseTo(1, 2);
    });
    const over = ways.map(({ supports }) =>
      sum(supports, (support) => {
        const [, y, z] = support.atMm;
        return support.upN * y - support.forceN[1] * (z + groundBelowMm(frame));
      }),
    );
    const plate = frame.fittings.some(({ kind }) => kind === 'coupler plate');
    // A coupler plate takes some of it by itself: its moment is no force of a support.
    if (plate) expect(Math.abs(over[0]!)).toBeLessThan(cornerG * highNmm);
    else
      for (const each of over) {
        expect(Math.abs(each) / (cornerG * highNmm)).toBeGreaterThan(0.9);
        expect(Math.abs(each) / (cornerG * highNmm)).toBeLessThan(1.1);
      }
  });

  test('in a ditch, scrubbing, pulled out, steered: nothing pulls, nothing is left over', () => {
    const asked: readonly CaseId[] = ['one wheel in a ditch', 'tandem scrub', 'steering push'];
    for (const id of asked)
      for (const { supports } of casesOf(of(family), id)) {
        expect(Math.abs(sum(supports, ({ forceN }) => forceN[1])) / weightN).toBeLessThan(1e-4);
        expect(sum(supports, ({ upN }) => upN) / weightN).toBeCloseTo(1, 2);
      }
    for (const { supports } of casesOf(of(family), 'one wheel in a ditch'))
      for (const { upN, stand } of supports) if (stand.on === 'tyre') expect(upN).toBeGreaterThan(-1);
  });

  test('pulled out: the pull is held by the wheels, each by what it stands with', () => {
    const ways = casesOf(of(family), 'recovery pull');
    const coupler = frame.fittings.some(({ kind }) => kind === 'coupler');
    expect(ways).toHaveLength(coupler ? 1 : 2);
    const pullN = (DEFAULT_LOAD_FACTORS.recoveryShare * framedMassKg(frame) * STANDARD_GRAVITY) / weightN;
    for (const { supports } of ways) {
      const wheels = supports.filter(({ stand }) => stand.on === 'tyre');
      const heldN = Math.abs(sum(wheels, ({ forceN }) => forceN[0])) / weightN;
      expect(heldN / (coupler ? pullN : pullN * Math.cos(Math.PI / 12))).toBeCloseTo(1, 3);
      const across = Math.abs(sum(supports, ({ forceN }) => forceN[1])) / weightN;
      expect(across / pullN).toBeCloseTo(coupler ? 0 : Math.sin(Math.PI / 12), 3);
    }
  });
});

const framedMassKg = (frame: Frame) => frame.loads!.items.reduce((total, { massKg }) => total + massKg, 0);

test('the foremost axle of a tandem scrubs with what it stands with times the tyres’ grip, on both sides, either way', () => {
  const { wheels } = of('I-beam trailer');
  const first = wheels[0]!.axleId;
  const [right, left] = casesOf(of('I-beam trailer'), 'tandem scrub').map(({ supports }) =>
    sum(
      supports.filter(({ stand }) => stand.on === 'tyre' && stand.axleId === first),
      ({ forceN }) => forceN[1],
    ),
  );
  const stands = sum(
    casesOf(of('I-beam trailer'), 'standing')[0]!.supports.filter(
      ({ stand }) => stand.on === 'tyre' && stand.axleId === first,
    ),
    ({ upN }) => upN,
  );
  expect(right! / (DEFAULT_LOAD_FACTORS.scrubShare * stands)).toBeCloseTo(1, 6);
  expect(left! / right!).toBeCloseTo(-1, 6);
});
test('one axle does not scrub against itself', () => {
  expect(casesOf(of('open-channel ladder'), 'tandem scrub')).toEqual([]);
  expect(of('open-channel ladder').unsolved).toContainEqual({
    id: 'tandem scrub',
    why: { kind: 'not for this frame' },
  });
});
test('two axles 2 m apart scrub, a little farther they are no tandem', () => {
  const apart = (spreadMm: number) => {
    const { typical } = familyOf('I-beam trailer');
    const bare = defaultFrame({
      ...typical,
      spreadMm,
      family: 'I-beam trailer',
      steel: 'a36',
      datum: 'hole',
    });
    return casesOf(solvedOf({ ...bare, loads: { items: typicalLoads(bare, 3000) } }), 'tandem scrub').length;
  };
  expect([apart(1990), apart(2010)]).toEqual([2, 0]);
});

describe('heights', () => {
  const truck = framed('open-channel ladder');
  const with_ = (heightMm: number | undefined, kind: Load['kind'] = 'payload'): Frame => ({
    ...truck,
    loads: {
      items: truck.loads!.items.map((item) =>
        item.kind === kind ? { ...item, ...(heightMm !== undefined && { heightMm }) } : item,
      ),
    },
  });
  const rightCornering = (frame: Frame) =>
    sum(
      casesOf(solvedOf(frame), 'corner')[0]!.supports.filter(
        ({ stand }) => stand.on === 'tyre' && stand.side === 'right',
      ),
      ({ upN }) => upN,
    );
  test('said, the centre counts where it is: half a metre higher puts push × 0.5 m over the track on the outer wheels', () => {
    const payloadN = truck.loads!.items.find(({ kind }) => kind === 'payload')!.massKg * STANDARD_GRAVITY;
    const y = casesOf(of('open-channel ladder'), 'corner')[0]!.supports[0]!.atMm[1];
    const more = rightCornering(with_(1770)) - rightCornering(with_(1270));
    expect(more / ((DEFAULT_LOAD_FACTORS.cornerG * payloadN * 500) / (2 * Math.abs(y)))).toBeCloseTo(1, 2);
  });
  test('not said, it counts as usual for its kind: a body at 50 in, an engine between the rails', () => {
    expect(rightCornering(with_(1270)) / rightCornering(with_(undefined))).toBeCloseTo(1, 6);
    expect(
      heightOfMm(
        truck,
        truck.loads!.items.find(({ kind }) => kind === 'engine')!,
      ),
    ).toBe(groundBelowMm(truck));
    const van = framed('unibody');
    expect(
      heightOfMm(
        van,
        van.loads!.items.find(({ kind }) => kind === 'payload')!,
      ),
    ).toBeCloseTo(711.2, 6);
  });
  test('standing level, heights do nothing', () => {
    const [low, high] = [with_(700), with_(2500)].map((frame) => solvedOf(frame).wheels);
    low!.forEach((wheel, k) => expect(wheel.loadKg).toBeCloseTo(high![k]!.loadKg, 6));
  });
});

describe('tandem', () => {
  const shifted = (family: Family, independent: boolean) => {
    const base = framed(family);
    return {
      ...base,
      ...(independent && { independentAxles: true as const }),
      loads: {
        items: base.loads!.items.map((item) =>
          item.kind === 'payload'
            ? { ...item, fromMm: 0.7 * base.lengthMm, toMm: 0.99 * base.lengthMm }
            : item,
        ),
      },
    };
  };
  const onAxles = (frame: Frame) => {
    const { wheels } = solvedOf(frame);
    return axlesOf(frame).map(({ id }) =>
      wheels.filter(({ axleId }) => axleId === id).reduce((total, { loadKg }) => total + loadKg, 0),
    );
  };
  test.each(['I-beam trailer', 'gooseneck trailer', 'semi trailer'] as const)(
    '%s: an equaliser shares whatever stands where; independent axles do not',
    (family) => {
      expect(sharesLoad(framed(family))).toBe(true);
      const [shared, alone] = [false, true].map((independent) => {
        const [first, last] = onAxles(shifted(family, independent)) as [number, number];
        return Math.abs(last / first - 1);
      });
      expect(shared).toBeLessThan(0.06);
      expect(alone).toBeGreaterThan(2 * shared!);
    },
  );
  test('one axle has nobody to share with', () =>
    expect(sharesLoad(framed('open-channel ladder'))).toBe(false));
});

test('a floor keeps rails square; once it has let go, side loads rack them', () => {
  const trailer = framed('I-beam trailer');
  const rackedMm = (floor: boolean) => {
    const structure = structureOf(trailer, made(trailer), { ...ALL_HOLDS, floor });
    const { displacements } = solveCases(structure, DEFAULT_LOAD_FACTORS).cases.find(
      ({ id }) => id === 'corner',
    )!.result;
    const { nodes } = structure.members.find(({ member }) => member.id === 'rail-right')!;
    const y = (node: number) => displacements[6 * node + 1]!;
    const [first, middle, last] = [0, 0.5, 1].map((share) => nodes[Math.round(share * (nodes.length - 1))]!);
    return Math.abs(y(middle!) - (y(first!) + y(last!)) / 2);
  };
  expect(rackedMm(false)).toBeGreaterThan(1.5 * rackedMm(true));
});

describe('on a lift and a jack', () => {
  test('the payload is off, everything else stays on', () => {
    const truck = framed('open-channel ladder');
    const payload = truck.loads!.items.find(({ kind }) => kind === 'payload')!;
    const up = (id: CaseId) => sum(casesOf(of('open-channel ladder'), id)[0]!.supports, ({ upN }) => upN);
    const offN = payload.massKg * STANDARD_GRAVITY;
    for (const id of ['on a lift', 'on a jack'] as const)
      expect((up('standing') - up(id)) / offN).toBeCloseTo(1, 3);
  });
  test('a van’s arms take its sills, not the ends of its rails', () => {
    const { cases } = of('unibody');
    const pads = cases.find(({ id }) => id === 'on a lift')!.supports;
    const sill = framed('unibody').members.find(({ id }) => id === 'sill-left')!;
    for (const { atMm } of pads) expect(Math.abs(atMm[1])).toBeCloseTo(Math.abs(sill.line!.from[1]), 3);
  });
});

describe('raised, it is held sideways by friction alone', () => {
  const raised = (family: Family, more: Partial<Raised>): readonly StoodOn[] => {
    const frame = framed(family);
    const answer = solveRaised(structureOf(frame, made(frame)), {
      points: [],
      isDown: () => true,
      onCoupler: false,
      onLegs: false,
      slopeAlongDeg: 0,
      slopeAcrossDeg: 0,
      ...more,
    });
    if (!answer.ok) throw new Error(answer.reason);
    return answer.value.cases[0]!.supports;
  };
  const at = (family: Family, share: number, sides: readonly ('left' | 'right')[]) =>
    sides.map((side) => ({
      id: `${side} ${share}`,
      side,
      stationMm: share * framed(family).lengthMm,
    }));
  const pushes = (supports: readonly StoodOn[]) => supports.map(({ sideN, upN }) => sideN / upN);
  const tan = (deg: number) => Math.tan((deg * Math.PI) / 180);

  test.each(FAMILY_IDS)('%s: a jack holds where it is put, not where the mesh has a node', (family) => {
    const points = at(family, 0.317, ['left', 'right']).map((point) => ({
      ...point,
      stationMm: point.stationMm + 31,
    }));
    for (const { stand, atMm } of raised(family, { points, onCoupler: true }))
      if (stand.on === 'pad') expect(atMm[0]).toBeCloseTo(points[0]!.stationMm, 6);
  });

  test.each(FAMILY_IDS)('%s: level, a jack at any place is pushed by next to nothing', (family) => {
    for (const share of [0.3, 0.5, 0.8, 0.95])
      for (const sides of [['left'], ['right'], ['left', 'right']] as const) {
        const jacks = raised(family, { points: at(family, share, sides), onCoupler: true }).filter(
          ({ stand }) => stand.on === 'pad',
        );
        expect(jacks).toHaveLength(sides.length);
        for (const push of pushes(jacks)) expect(Math.abs(push)).toBeLessThan(0.02);
      }
  });

  test.each(FAMILY_IDS)('%s: on a slope every pad is pushed by its share, the light ones too', (family) => {
    const points = [...at(family, 0.3, ['left', 'right']), ...at(family, 0.85, ['left', 'right'])];
    const pads = { points, isDown: () => false };
    const [across, along] = [
      raised(family, { ...pads, slopeAcrossDeg: 5 }),
      raised(family, { ...pads, slopeAlongDeg: 7 }),
    ];
    expect(across).toHaveLength(4);
    for (const push of pushes(across)) expect(push / tan(5)).toBeCloseTo(1, 1);
    for (const push of pushes(along)) expect(push / tan(7)).toBeCloseTo(1, 1);
    const weights = across.map(({ upN }) => upN);
    expect(Math.max(...weights) / Math.min(...weights)).toBeGreaterThan(1.05);
  });

  test('a coupler is bolted: it holds what the pads would; without it they and the wheels hold alike', () => {
    const points = at('I-beam trailer', 0.25, ['left', 'right']);
    const [free, held] = [false, true].map((onCoupler) =>
      raised('I-beam trailer', { points, onCoupler, slopeAlongDeg: 6 }),
    );
    for (const push of pushes(free!)) expect(push / tan(6)).toBeCloseTo(1, 0);
    const pads = held!.filter(({ stand }) => stand.on === 'pad');
    for (const push of pushes(pads)) expect(push).toBeLessThan(0.2 * tan(6));
  });

  test('what one holds goes by what it carries, and never to nothing', () => {
    const pad = (pointId: string) => ({
      id: pointId,
      node: 0,
      stand: { on: 'pad', pointId } as const,
      stiffness: [1, 1, 20_000, 0, 0, 0] as const,
    });
    const coupler = { ...pad('c'), stand: { on: 'coupler' } as const };
    const sideways = (carriesN?: readonly number[]) =>
      heldByFriction([pad('a'), pad('b'), coupler], 3000, carriesN).map(({ stiffness }) => stiffness);
    const equalN = 1000 * STANDARD_GRAVITY;
    expect(sideways()[0]).toEqual([equalN / 1000, equalN / 1000, 20_000, 0, 0, 0]);
    const [light, lifted, bolted] = sideways([2000, -500, 10]);
    expect(light!.slice(0, 2)).toEqual([2, 2]);
    expect(lifted![0]).toBeCloseTo(equalN / 100_000, 9);
    expect(bolted).toEqual([1, 1, 20_000, 0, 0, 0]);
  });
});
