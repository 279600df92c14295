import {
  defaultFrame,
  FAMILY_IDS,
  familyOf,
  isClosed,
  placementOf,
  referencePoint,
  solveCases,
  solveOnStands,
  structureOf,
  surfaceOf,
  typicalLoads,
  usualStands,
  type Family,
  type Frame,
  type Member,
} from '@/core/frame';
import { beamProfile, plainProfile, withThickness } from '@/core/mechanics';
import type { BeamElement, BeamModel, CaseResult, EndForces, LoadCase } from '@/core/mechanics';
import { DEFAULT_LOAD_FACTORS } from '@/core/reference';
import { against, PYTHON, run } from './programs';

/**
 * Every load case of every family, solved again by SciPy's sparse LU from the same beams, springs and loads. Both leave warping and shear flexibility
 * out and keep each section's axes on the reference line: what is compared is offsets, pins, springs, equalisers, floors, loads laid on.
 */
interface Case {
  readonly model: BeamModel;
  readonly load: LoadCase;
  readonly result: CaseResult;
}
const mockSolved: Case[] = [];
jest.mock('../../core/mechanics', () => {
  const mechanics = jest.requireActual<typeof import('@/core/mechanics')>('../../core/mechanics');
  return {
    ...mechanics,
    prepareFrame: (model: BeamModel) => {
      const prepared = mechanics.prepareFrame(model);
      if (!('solve' in prepared)) return prepared;
      return {
        ...prepared,
        solve: (loads: readonly LoadCase[]) => {
          const solved = prepared.solve(loads);
          if (solved.ok)
            solved.cases.forEach((result, k) => mockSolved.push({ model, load: loads[k]!, result }));
          return solved;
        },
      };
    },
  };
});

/** A member's own area and stiffnesses, its axes drawn onto the reference line. */
const drawnOn = (frame: Frame) => (member: Member) => {
  const surface = surfaceOf(member.shape);
  const wall = Float64Array.from(surface.rowFace, (face) => face.wallMm);
  const seat = { ...referencePoint(member.shape), mirrored: placementOf(frame, member).mirrored };
  return plainProfile(beamProfile(withThickness(surface.midline, wall), seat, !isClosed(member.shape))!);
};

function framed(family: Family): Frame {
  const { typical } = familyOf(family);
  const frame = defaultFrame({ ...typical, family, steel: 'a36', datum: 'front hole' });
  const loaded = { ...frame, loads: { items: typicalLoads(frame, typical.grossKg) } };
  return { ...loaded, loads: { ...loaded.loads, stands: usualStands(loaded) } };
}

/** Short stubs beside long rails cost either solver some digits: the worst seen is 9e-5, on the unibody in a ditch. */
const ALIKE = 2e-4;
const NOWHERE = [0, 0, 0] as const;
const HELD = [false, false, false, false, false, false] as const;
const asEnd = ({ node, offsetMm, released }: BeamElement['from']) => ({
  node,
  offset: offsetMm ?? NOWHERE,
  released: released ?? HELD,
});
const asJson = (model: BeamModel, cases: readonly Case[]) => ({
  youngs: model.youngsMpa,
  shear: model.shearMpa,
  nodes: model.nodes,
  elements: model.elements.map(({ from, to, upGlobal, profile }) => ({
    up: upGlobal,
    section: {
      area: profile.areaMm2,
      iyy: profile.iyyMm4,
      izz: profile.izzMm4,
      j: profile.jMm4,
    },
    from: asEnd(from),
    to: asEnd(to),
  })),
  // JSON has no infinity: what is held fast becomes null.
  supports: model.supports.map(({ node, offsetMm, stiffness }) => ({
    node,
    offset: offsetMm ?? NOWHERE,
    stiffness,
  })),
  cases: cases.map(({ load }) => ({
    nodeLoads: load.nodeLoads.map(({ node, forceN, momentNmm, offsetMm }) => ({
      node,
      force: forceN,
      moment: momentNmm ?? NOWHERE,
      offset: offsetMm ?? NOWHERE,
    })),
    lineLoads: load.lineLoads.map(({ element, perMmN, lineYz }) => ({
      element,
      perMm: perMmN,
      line: lineYz ?? [0, 0],
    })),
  })),
});

interface Theirs {
  readonly reactions: readonly (readonly number[])[];
  readonly ends: readonly (readonly number[])[];
}
function solvedByThem(models: readonly object[]): Theirs[][] {
  const ran = run(PYTHON, [`${__dirname}/frame_statics.py`], JSON.stringify(models));
  if (ran.status !== 0) throw new Error(ran.err);
  return JSON.parse(ran.out) as Theirs[][];
}

const asRow = (sign: number, f: EndForces) =>
  [f.axialN, f.shearYN, f.shearZN, f.torqueNmm, f.momentYNmm, f.momentZNmm].map((value) => sign * value);

/** How far two tables of six figures a row are apart, forces and moments each as a share of the largest of its kind. */
function apart(ours: readonly (readonly number[])[], theirs: readonly (readonly number[])[]): number {
  const shares = [0, 3].map((first) => {
    const pairs = theirs.flatMap((row, k) =>
      row.flatMap((value, dof) => (dof % 6 >= first && dof % 6 < first + 3 ? [[ours[k]![dof]!, value]] : [])),
    );
    const largest = Math.max(...pairs.map(([, value]) => Math.abs(value!)));
    const off = Math.max(...pairs.map(([one, other]) => Math.abs(one! - other!)));
    return largest > 0 ? off / largest : off;
  });
  return Math.max(...shares);
}

/** Reactions and the forces and moments at both ends of every element, whole frames of them. */
const differs = ({ result }: Case, theirs: Theirs): number =>
  Math.max(
    apart(result.reactions, theirs.reactions),
    apart(
      result.from.map((from, k) => [...asRow(-1, from), ...asRow(1, result.to[k]!)]),
      theirs.ends,
    ),
  );

/** The cases of a family, by the model they were solved on, as they stand at last. */
function casesOf(family: Family): Map<BeamModel, Case[]> {
  mockSolved.length = 0;
  const frame = framed(family);
  const structure = structureOf(frame, drawnOn(frame));
  const last = [
    ...solveCases(structure, DEFAULT_LOAD_FACTORS).cases,
    ...solveOnStands(structure, frame.loads!.stands!).cases,
  ].map(({ result }) => result);
  const byModel = new Map<BeamModel, Case[]>();
  for (const each of mockSolved.filter(({ result }) => last.includes(result)))
    byModel.set(each.model, [...(byModel.get(each.model) ?? []), each]);
  return byModel;
}

against(['finite elements'], 'load cases by a second solver (SciPy)', () => {
  test.each(FAMILY_IDS)('%s: every case, what it stands on and what every beam of it carries', (family) => {
    const byModel = [...casesOf(family)];
    const theirs = solvedByThem(byModel.map(([model, cases]) => asJson(model, cases)));
    const ids = byModel.flatMap(([, cases]) => cases.map(({ load }) => load.id));
    expect(new Set(ids).size).toBeGreaterThanOrEqual(7);
    const off = byModel.flatMap(([, cases], m) =>
      cases.map((each, k) => [each.load.id, differs(each, theirs[m]![k]!)] as const),
    );
    expect(off.filter(([, share]) => !(share < ALIKE))).toEqual([]);
  });

  test('the comparison notices a spring a hundredth softer, a pin made fast, a load an inch off its place', () => {
    const [[model, cases]] = [...casesOf('I-beam trailer')] as [[BeamModel, Case[]]];
    const [k, pinned] = [0, model.elements.findIndex(({ from, to }) => (from.released ?? to.released)?.[4])];
    const whole = asJson(model, cases.slice(0, 1));
    const softer = {
      ...whole,
      supports: whole.supports.map((each, n) =>
        n === k ? { ...each, stiffness: each.stiffness.map((rate) => rate * 0.99) } : each,
      ),
    };
    const fast = {
      ...whole,
      elements: whole.elements.map((each, n) =>
        n === pinned
          ? { ...each, from: { ...each.from, released: HELD }, to: { ...each.to, released: HELD } }
          : each,
      ),
    };
    const moved = {
      ...whole,
      cases: whole.cases.map((each) => ({
        ...each,
        lineLoads: each.lineLoads.map((load) => ({ ...load, line: [25.4, 0] })),
      })),
    };
    const [same, ...wrong] = solvedByThem([whole, softer, fast, moved]).map(([one]) =>
      differs(cases[0]!, one!),
    );
    expect(same).toBeLessThan(ALIKE);
    for (const share of wrong) expect(share).toBeGreaterThan(5 * ALIKE);
  });
});
