import { randomLcg } from 'd3-random';
import { defaultFrame, evenWall, FAMILY_IDS, familyOf, surfaceOf, type Member } from '../../frame';
import { stressField, type EndForces } from '../../mechanics';
import { wallSection } from '../wall-section';
import { cutOf, type Cut } from './cut';
import { fieldAt, peakOf } from './fibres';

/** One member of every shape that the families are made of, each with its own draw of holes and thin spots. */
const members = new Map<string, Member>();
for (const family of FAMILY_IDS)
  for (const member of defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' })
    .members)
    members.set(member.shape.kind + member.shape.thicknessMm, member);

const worn = (member: Member, random: () => number): Cut => {
  const surface = surfaceOf(member.shape);
  const wallMm = evenWall(surface, member.shape.thicknessMm).map((mm) =>
    random() < 0.1 ? 0 : mm * (0.5 + random() / 2),
  );
  const wall = { surface, section: wallSection(surface, wallMm), wallMm };
  return cutOf(member, wall, { mirrored: random() < 0.5, unbracedMm: 800 })!;
};

const anyForces = (random: () => number): EndForces => {
  const between = (most: number) => (2 * random() - 1) * most;
  return {
    axialN: between(5e4),
    shearYN: 0,
    shearZN: 0,
    torqueNmm: 0,
    stVenantNmm: 0,
    momentYNmm: between(2e7),
    momentZNmm: between(4e6),
    bimomentNmm2: between(2e8),
  };
};

/** Node after node of all that have metal: the greatest stress of either sign, and the greatest share of a limit used. */
function byEveryNode(cut: Cut, forces: EndForces) {
  const { y, z, omega, strength, edgesOfFace } = cut;
  const at = fieldAt(cut, stressField(cut.profile, forces));
  const stress = (node: number) => at(y[node]!, z[node]!, omega[node]!);
  const lateral = strength.lateralMpa(1);
  let [greatest, used, worst] = [0, 0, 0];
  cut.hasMetal.forEach((has, node) => {
    if (!has) return;
    const here = stress(node);
    const face = edgesOfFace[cut.faceOfNode[node]!];
    const edges = face ? [stress(face.first), stress(face.last)] : [0, 0];
    const worse = Math.min(...edges);
    const wall = face && worse < 0 ? strength.wallMpa.get(face.id)!(Math.max(...edges) / worse) : Infinity;
    const limit = here >= 0 ? strength.yieldMpa : Math.min(wall, lateral, strength.yieldMpa);
    greatest = Math.max(greatest, Math.abs(here));
    if (Math.abs(here) / (0.6 * limit) <= used) return;
    used = Math.abs(here) / (0.6 * limit);
    worst = here;
  });
  return { greatest, used, worst };
}

describe('the nodes looked at', () => {
  test.each([...members.keys()])('hold the worst of all, %s', (kind) => {
    const random = randomLcg(20261130 + kind.length);
    for (let draw = 0; draw < 12; draw++) {
      const cut = worn(members.get(kind)!, random);
      for (let load = 0; load < 20; load++) {
        const forces = anyForces(random);
        const { greatestMpa, peak } = peakOf(cut, forces, { share: 0.6, gradient: 1 });
        const { greatest, used, worst } = byEveryNode(cut, forces);
        expect(Math.abs(greatestMpa / greatest - 1)).toBeLessThan(1e-9);
        expect(Math.abs(peak.utilisation / used - 1)).toBeLessThan(1e-9);
        expect(Math.abs(peak.stressMpa / worst - 1)).toBeLessThan(1e-9);
      }
    }
  });
  test('are the two edges of each face where the wall is straight and whole', () => {
    const member = [...members.values()].find(({ shape }) => shape.kind === 'channel')!;
    const surface = surfaceOf(member.shape);
    const wallMm = evenWall(surface, member.shape.thicknessMm);
    const cut = cutOf(
      member,
      { surface, section: wallSection(surface, wallMm), wallMm },
      { mirrored: false, unbracedMm: 800 },
    )!;
    expect(cut.fibres.map(({ face, nodes }) => [face!.id, [...nodes]])).toEqual(
      cut.edgesOfFace.map(({ id, first, last }) => [id, [first, last]]),
    );
  });
});
