import {
  ALL_HOLDS,
  axlesOf,
  defaultFrame,
  familyOf,
  placementOf,
  referencePoint,
  solveCases,
  structureOf,
  surfaceOf,
  typicalLoads,
  type Frame,
  type Member,
  type MeshedMember,
  type SolvedCase,
} from '@/core/frame';
import {
  beamProfile,
  normalStress,
  warping,
  withThickness,
  type EndForces,
  type Section,
} from '@/core/mechanics';
import { DEFAULT_LOAD_FACTORS, YOUNGS_MODULUS_MPA } from '@/core/reference';
import { against } from './programs';
import { ccx, shellMesh, type Point } from './shells';

/**
 * One wheel in a ditch, on a ladder truck: what the ground does (it falls, and pulls nowhere) is solved on beams; how the frame takes that is solved again by
 * CalculiX shells, contact replaced by what each wheel stands with. From standing to the ditch the weight is the same: only the wheels' change is laid on.
 *
 *     hangers  ↓      ↑           ↑      ↓        left rail
 *              ↑      ↓           ↓      ↑        right rail
 */
const T = 6;
const RAIL = { kind: 'channel', depthMm: 206, flangeMm: 78, thicknessMm: T } as const;
const RUNG = { kind: 'channel', depthMm: 154, flangeMm: 52, thicknessMm: 4 } as const;
const [LENGTH, STEP] = [6100, 50];
const RUNGS_MM = [250, 1200, 2300, 3250, 4500, 5850];
/** Hangers and axles moved onto the shells' grid. */
const STATIONS_MM: Readonly<Record<string, number>> = {
  'Front axle': 1000,
  'Front spring, front hanger': 500,
  'Front spring, rear hanger': 1500,
  'Rear axle': 4700,
  'Rear spring, front hanger': 4000,
  'Rear spring, rear hanger': 5350,
};

function truck(): Frame {
  const { typical } = familyOf('open-channel ladder');
  const made = defaultFrame({ ...typical, family: 'open-channel ladder', steel: 'a36', datum: 'hole' });
  const rungs = made.members.filter(({ role }) => role === 'crossmember').map(({ id }) => id);
  const frame: Frame = {
    ...made,
    lengthMm: LENGTH,
    members: made.members.map((member) =>
      member.role === 'rail'
        ? { ...member, lengthMm: LENGTH, shape: RAIL }
        : { ...member, shape: RUNG, atMm: RUNGS_MM[rungs.indexOf(member.id)]! },
    ),
    fittings: made.fittings.map((each) => ({ ...each, stationMm: STATIONS_MM[each.name] ?? each.stationMm })),
  };
  return { ...frame, loads: { items: typicalLoads(frame, typical.grossKg) } };
}

const frame = truck();
const railY = -placementOf(
  frame,
  frame.members.find(({ id }) => id === 'rail-left')!,
).from[1];
const sectionOf = ({ shape }: Member): Section => {
  const surface = surfaceOf(shape);
  return withThickness(
    surface.midline,
    Float64Array.from(surface.rowFace, (face) => face.wallMm),
  );
};
const profileOf = (warps: boolean) => (member: Member) =>
  beamProfile(
    sectionOf(member),
    { ...referencePoint(member.shape), mirrored: placementOf(frame, member).mirrored },
    warps,
  );

/** The swing of one quantity from standing to the ditch under the left rear wheel. */
function swung(warps = true) {
  // Without a floor, as the shells are: hangers are then all that pushes on the rails.
  const structure = structureOf(frame, profileOf(warps), { ...ALL_HOLDS, floor: false });
  const solved = solveCases(structure, DEFAULT_LOAD_FACTORS).cases;
  const standing = solved.find(({ id }) => id === 'standing')!;
  const wheelOf = (of: SolvedCase, name: string, side: 'left' | 'right') =>
    of.supports.find(
      ({ stand }) =>
        stand.on === 'tyre' &&
        stand.side === side &&
        axlesOf(frame).find(({ id }) => id === stand.axleId)!.name === name,
    )!.upN;
  const ditch = solved
    .filter(({ id }) => id === 'one wheel in a ditch')
    .sort((a, b) => wheelOf(a, 'Rear axle', 'left') - wheelOf(b, 'Rear axle', 'left'))[0]!;
  const upN = (name: string, side: 'left' | 'right') =>
    wheelOf(ditch, name, side) - wheelOf(standing, name, side);
  const hangsN = wheelOf(ditch, 'Rear axle', 'left');
  const moved = (node: number, dof: number) =>
    ditch.result.displacements[6 * node + dof]! - standing.result.displacements[6 * node + dof]!;
  return { structure, standing, ditch, upN, hangsN, moved };
}
type Swung = ReturnType<typeof swung>;

/** What a hanger puts on its rail, N and N·mm about the middle of the web, along, across and up. */
interface Pushed {
  readonly x: number;
  readonly side: -1 | 1;
  readonly forceN: Point;
  readonly momentNmm: Point;
}

/** The change in a rail's own forces past each hanger is what the hanger puts on it: nothing else stands there. */
function hangers({ structure, standing, ditch }: Swung): Pushed[] {
  return (['rail-left', 'rail-right'] as const).flatMap((id) => {
    const { stationsMm, elements } = memberOf(structure, id);
    const side = id === 'rail-left' ? -1 : 1;
    return hangerStations.map((x): Pushed => {
      const k = stationsMm.findIndex((mm) => Math.abs(mm - x) < 1);
      const [before, after] = [elements[k - 1]!, elements[k]!];
      const { centroid, shearCentre } = structure.elements[after]!.profile;
      const change = (name: keyof EndForces) =>
        [ditch, standing]
          .map(({ result, kept }) => result.to[kept[before]!]![name] - result.from[kept[after]!]![name])
          .reduce((swing, level) => swing - level);
      const forceN: Point = [change('axialN'), change('shearYN'), change('shearZN')];
      return {
        x,
        side,
        forceN,
        momentNmm: [
          change('torqueNmm') + shearCentre[0] * forceN[2] - shearCentre[1] * forceN[1],
          change('momentYNmm') + centroid[1] * forceN[0],
          change('momentZNmm') - centroid[0] * forceN[0],
        ],
      };
    });
  });
}

/** How far the frame is wound up between its axles, rad: the roll over the rear axle less that over the front one. */
const windUp = (downAt: (x: number, side: -1 | 1) => number): number => {
  const roll = (x: number) => (downAt(x, 1) - downAt(x, -1)) / (2 * railY);
  return roll(STATIONS_MM['Rear axle']!) - roll(STATIONS_MM['Front axle']!);
};

/** Away from where shells are pinched: rails by hangers and at their ends, rungs by the rails. */
const isClear = (x: number): boolean =>
  x > 200 && x < LENGTH - 200 && hangerStations.every((at) => Math.abs(at - x) > 150);
const hangerStations = Object.entries(STATIONS_MM).flatMap(([name, mm]) => (/hanger/.test(name) ? [mm] : []));
const isOffTheRails = (y: number): boolean => Math.abs(y) < railY - 60;

function byShells(forces: readonly Pushed[]) {
  const mesh = shellMesh(YOUNGS_MODULUS_MPA, 0.3);
  for (const [set, side] of [
    ['LEFT', -1],
    ['RIGHT', 1],
  ] as const) {
    const y = side * railY;
    mesh.patch(`${set}WEB`, [0, y, -100], [LENGTH, 0, 0], LENGTH / STEP, [0, 0, 200], 8, () => T);
    for (const z of [-100, 100])
      mesh.patch(`RAILFLANGE`, [0, y, z], [LENGTH, 0, 0], LENGTH / STEP, [0, -75 * side, 0], 3, () => T);
  }
  for (const x of RUNGS_MM) {
    mesh.patch('RUNGWEB', [x, -railY, -75], [0, 2 * railY, 0], 24, [0, 0, 150], 6, () => 4);
    for (const z of [-75, 75])
      mesh.patch('RUNGFLANGE', [x, -railY, z], [0, 2 * railY, 0], 24, [-50, 0, 0], 2, () => 4);
  }
  const web = (x: number, side: number) =>
    mesh.nodesWhere((p: Point) => p[0] === x && Math.abs(p[1] - side * railY) < 1e-6 && Math.abs(p[2]) < 101);
  const middle = (x: number, side: number) => mesh.node([x, side * railY, 0]);
  const pushes = new Map<string, number>();
  const push = (node: number, axis: number, newtons: number) =>
    pushes.set(`${node}, ${axis}`, (pushes.get(`${node}, ${axis}`) ?? 0) + newtons);
  for (const { x, side, forceN, momentNmm } of forces) {
    const nodes = web(x, side);
    for (const node of nodes) forceN.forEach((newtons, axis) => push(node, axis + 1, newtons / nodes.length));
    // Moments as couples: over the web's depth, and along the rail.
    const couple = (from: Point, to: Point, axis: number, newtons: number) => {
      push(mesh.node(from), axis, -newtons);
      push(mesh.node(to), axis, newtons);
    };
    const [y, depth] = [side * railY, 200];
    couple([x, y, depth / 2], [x, y, -depth / 2], 2, momentNmm[0] / depth);
    couple([x, y, -depth / 2], [x, y, depth / 2], 1, momentNmm[1] / depth);
    couple([x - STEP, y, 0], [x + STEP, y, 0], 2, momentNmm[2] / (2 * STEP));
  }
  const solved = ccx(
    mesh.write([
      // Held as a table stands, where what is laid on balances by itself: nothing of it goes there.
      '*BOUNDARY',
      `${middle(500, -1)}, 1, 3`,
      `${middle(500, 1)}, 3, 3`,
      `${middle(5350, -1)}, 2, 3`,
      '*STEP',
      '*STATIC',
      '*CLOAD',
      ...[...pushes].map(([place, newtons]) => `${place}, ${newtons.toFixed(3)}`),
      '*NODE PRINT, NSET=ALL',
      'U',
      '*EL PRINT, ELSET=RAILFLANGE',
      'S',
      '*EL PRINT, ELSET=RUNGFLANGE',
      'S',
      '*END STEP',
    ]),
  );
  const up = (x: number, side: number) => solved.moved.get(middle(x, side))![2]!;
  const most = (of: ReadonlyMap<number, number>, wanted: (centre: Point) => boolean) =>
    Math.max(...[...of].filter(([element]) => wanted(mesh.centre(element))).map(([, mpa]) => Math.abs(mpa)));
  return {
    wound: windUp((x, side) => -up(x, side)),
    railMpa: most(
      solved.alongMpa,
      ([x, y]) => Math.abs(y) > railY - 80 && isClear(x) && Math.abs(y) < railY + 1,
    ),
    rungMpa: most(
      solved.acrossMpa,
      ([x, y, z]) => Math.abs(Math.abs(z) - 75) < 1 && isOffTheRails(y) && x > 0,
    ),
  };
}

/** A shell tells the mean of its width: of a flange's outermost strip what its middle bears, so far from the web, mm. */
const SEEN_MM = { rail: 75 - 12.5, rung: 50 - 12.5 };

function byBeams({ structure, standing, ditch, moved }: Swung) {
  const nodeAt = (x: number, side: -1 | 1) => {
    const { stationsMm, nodes } = memberOf(structure, side < 0 ? 'rail-left' : 'rail-right');
    return nodes[stationsMm.findIndex((mm) => Math.abs(mm - x) < 1)]!;
  };
  const most = (mesh: MeshedMember, isIn: (mm: number) => boolean) => {
    const section = sectionOf(mesh.member);
    const omega = warping(section)!.omegaMm2;
    const { xMm: seatX, yMm: seatY } = referencePoint(mesh.member.shape);
    const hand = mesh.placement.mirrored ? -1 : 1;
    return Math.max(
      0,
      ...mesh.elements.flatMap((element, k) => {
        if (!isIn((mesh.stationsMm[k]! + mesh.stationsMm[k + 1]!) / 2)) return [];
        return (['from', 'to'] as const).flatMap((end) => {
          const change = Object.fromEntries(
            Object.entries(ditch.result[end][ditch.kept[element]!]!).map(([name, value]) => [
              name,
              value - standing.result[end][standing.kept[element]!]![name as 'axialN'],
            ]),
          ) as never;
          return [...section.xMm].map((x, node) =>
            x - Math.min(...section.xMm) > SEEN_MM[mesh.member.role === 'rail' ? 'rail' : 'rung']
              ? 0
              : Math.abs(
                  normalStress(
                    structure.elements[element]!.profile,
                    change,
                    hand * (x - seatX),
                    section.yMm[node]! - seatY,
                    hand * omega[node]!,
                  ).totalMpa,
                ),
          );
        });
      }),
    );
  };
  const meshes = structure.members;
  return {
    wound: windUp((x, side) => -moved(nodeAt(x, side), 2)),
    railMpa: Math.max(
      ...meshes.filter(({ member }) => member.role === 'rail').map((mesh) => most(mesh, isClear)),
    ),
    rungMpa: Math.max(
      ...meshes
        .filter(({ member }) => member.role === 'crossmember')
        .map((mesh) => most(mesh, (mm) => isOffTheRails(mm - railY))),
    ),
  };
}

const memberOf = ({ members }: Swung['structure'], id: string): MeshedMember =>
  members.find(({ member }) => member.id === id)!;

against(['shells'], 'one wheel in a ditch, against shells (CalculiX S8R)', () => {
  const swing = swung();
  const forces = hangers(swing);
  const shells = byShells(forces);
  const beams = byBeams(swing);

  test('the wheel over the ditch stands with less; what the hangers then do balances by itself, and is mostly twist', () => {
    expect(swing.upN('Rear axle', 'left')).toBeLessThan(-500);
    const sum = (of: (each: Pushed) => number) => forces.reduce((total, each) => total + of(each), 0);
    const most = Math.max(...forces.map(({ forceN }) => Math.abs(forceN[2])));
    for (const axis of [0, 1, 2] as const)
      expect(Math.abs(sum(({ forceN }) => forceN[axis]))).toBeLessThan(0.01 * most);
    const about = [
      sum(({ side, forceN, momentNmm }) => momentNmm[0] + side * railY * forceN[2]),
      sum(({ x, forceN, momentNmm }) => momentNmm[1] - x * forceN[2]),
      sum(({ x, side, forceN, momentNmm }) => momentNmm[2] + x * forceN[1] - side * railY * forceN[0]),
    ];
    for (const moment of about) expect(Math.abs(moment)).toBeLessThan(0.01 * most * railY);
  });

  test('wound up as far as shells within a tenth, its rails and rungs stressed as much or a little more', () => {
    expect(Math.abs(beams.wound / shells.wound - 1)).toBeLessThan(0.1);
    for (const mpa of ['railMpa', 'rungMpa'] as const) {
      expect(beams[mpa] / shells[mpa]).toBeGreaterThan(0.95);
      expect(beams[mpa] / shells[mpa]).toBeLessThan(1.3);
    }
  });

  test('the comparison can tell: a tenth of what the wheels do, or a frame without warping, would not pass', () => {
    // Shells are as linear as beams: under a tenth they wind up a tenth.
    expect(Math.abs(beams.wound / (shells.wound / 10) - 1)).toBeGreaterThan(0.1);
    const soft = swung(false);
    expect(byBeams(soft).wound / byShells(hangers(soft)).wound).toBeGreaterThan(1.2);
  });
});
