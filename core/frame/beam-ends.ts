import { minus } from '../geometry';
import {
  webTieStiffness,
  webTurnStiffness,
  type ElementEnd,
  type EndWarping,
  type Releases,
  type Vector3,
  type WarpTie,
} from '../mechanics';
import { YOUNGS_MODULUS_MPA } from '../reference';
import type { Member } from './frame';
import { type Placement } from './placement';
import { breadthMm, isClosed } from './shape';
import { type Beam, along, size } from './beam-joints';

const PIN: Releases = [false, false, false, false, true, true];

export function elementEnd({
  member,
  placement,
  stationMm,
  node,
  nodes,
  host,
  warpTies,
}: {
  member: Member;
  placement: Placement;
  stationMm: number;
  node: number;
  nodes: readonly Vector3[];
  host: Beam | undefined;
  warpTies: WarpTie[];
}): ElementEnd {
  const length = size(minus(placement.to, placement.from));
  const atStart = stationMm < length / 2;
  const joint = host && (member.joint ?? 'web');
  // Lapped over the host's flange, the last stretch turns with it.
  const lapMm =
    joint === 'flange' && host!.member.shape.kind === 'channel'
      ? Math.min(breadthMm(host!.member.shape), length / 4)
      : 0;
  const point = along(placement, (stationMm + (atStart ? lapMm : -lapMm)) / length);
  const offset = minus(point, nodes[node]!);
  const end = { node, ...(size(offset) > 1e-6 && { offsetMm: offset }) };
  if (joint === 'pin') return { ...end, warping: { kind: 'free' }, released: PIN };
  const released = host && joint === 'web' ? turnsOnWeb(member, host.member) : undefined;
  return { ...end, warping: endWarping(member, node, host, joint, warpTies), ...(released && { released }) };
}

/** A crossmember or outrigger joined to a rail's upright wall turns with that wall as far as it gives. */
function turnsOnWeb(member: Member, { shape }: Member): Releases | undefined {
  if (member.role !== 'crossmember' && member.role !== 'outrigger') return undefined;
  const stiffness = webTurnStiffness(YOUNGS_MODULUS_MPA, {
    webHighMm: shape.depthMm,
    webMm: shape.thicknessMm,
    deepMm: member.shape.depthMm,
    broadMm: breadthMm(member.shape),
  });
  return [false, false, false, false, false, stiffness];
}

function endWarping(
  member: Member,
  node: number,
  host: Beam | undefined,
  joint: 'web' | 'flange' | undefined,
  warpTies: WarpTie[],
): EndWarping {
  const own: EndWarping = { kind: 'shared', key: member.id, ratio: 1 };
  if (!host || isClosed(member.shape)) return own;
  if (isClosed(host.member.shape)) return { kind: 'fixed' };
  if (joint === 'flange')
    return { kind: 'shared', key: host.member.id, ratio: host.member.shape.depthMm / member.shape.depthMm };
  warpTies.push({
    node,
    keys: [member.id, host.member.id],
    stiffness: webTieStiffness(YOUNGS_MODULUS_MPA, host.member.shape.thicknessMm, member.shape.depthMm),
  });
  return own;
}
