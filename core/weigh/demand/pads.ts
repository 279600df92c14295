import { isLifted, type MeshedMember, type SolvedFrame, type Structure } from '../../frame';
import { steel } from '../../reference';
import { webBearingN, faceMeanMm, webAtBearingMm } from '../strength';
import type { Cut } from './cut';
import type { PadDemand } from './demand';

/** Pads and jacks under a member, each against what its web may take there. */
export function padsOn(
  structure: Structure,
  mesh: MeshedMember,
  solved: SolvedFrame,
  cutAt: (element: number) => Cut | undefined,
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
          // A pad in the middle of its bearing leans on the metal on both sides of it.
          const cuts = [at - 1, at].flatMap((k) =>
            k >= 0 && k < mesh.elements.length ? (cutAt(k) ?? []) : [],
          );
          if (cuts.length === 0) return [];
          const capacityN = Math.min(
            ...cuts.map(({ surface, leastMm }) => {
              const web = webAtBearingMm(surface, leastMm);
              const flange = faceMeanMm(surface, leastMm).get('bottom') ?? web;
              return webBearingN(member.shape, web, flange, steel(member.steel).yieldMpa);
            }),
          );
          return [
            {
              caseId: id,
              stand: support.stand,
              stationMm: mesh.stationsMm[at]!,
              upN: support.upN,
              capacityN,
            },
          ];
        }),
    );
}
