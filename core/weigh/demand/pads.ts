import { isLifted, type MeshedMember, type SolvedFrame, type Structure } from '../../frame';
import { steel } from '../../reference';
import { cripplingN, faceMeanMm, webAtBearingMm } from '../strength';
import type { Cut } from './cut';
import type { PadDemand } from './demand';

/** Pads and jacks under a member, each against what its web may take there. */
export function padsOn(
  structure: Structure,
  mesh: MeshedMember,
  solved: SolvedFrame,
  cutAt: (mm: number) => Cut | undefined,
): PadDemand[] {
  const { member } = mesh;
  // A leg's own foot is no pad under a web.
  if (member.role === 'leg') return [];
  return solved.cases
    .filter(({ id }) => isLifted(id))
    .flatMap(({ id, supports }) =>
      supports
        .filter(({ stand }) => stand.on === 'pad' || stand.on === 'jack')
        .flatMap((support) => {
          const at = mesh.nodes.findIndex((node) => structure.nodes[node] === support.atMm);
          if (at < 0) return [];
          const k = Math.min(at, mesh.elements.length - 1);
          const cut = cutAt((mesh.stationsMm[k]! + mesh.stationsMm[k + 1]!) / 2);
          if (!cut) return [];
          const means = faceMeanMm(cut.surface, cut.wallMm);
          const web = webAtBearingMm(cut.surface, cut.wallMm);
          const flange = means.get('bottom') ?? web;
          return [
            {
              caseId: id,
              stand: support.stand,
              stationMm: mesh.stationsMm[at]!,
              upN: support.upN,
              capacityN: cripplingN(member.shape, web, flange, steel(member.steel).yieldMpa),
            },
          ];
        }),
    );
}
