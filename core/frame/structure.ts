import { minus } from '../geometry';
import { type BeamElement, type Vector3, type WarpTie, type WorkedElements } from '../mechanics';
import type { Fitting } from './fitting';
import type { Frame, Member } from './frame';
import { placementOf } from './placement';
import { type Beam, size, jointsOf } from './beam-joints';
import {
  type MeshedMember,
  type StructureProblem,
  type ProfileAt,
  type Mesh,
  meshMember,
  meshStations,
  sharedNodes,
} from './beam-mesh';

/** The frame as beams: its members meshed and joined; no supports yet. */
export interface Structure {
  readonly frame: Frame;
  readonly nodes: readonly Vector3[];
  readonly elements: readonly BeamElement[];
  readonly warpTies: readonly WarpTie[];
  readonly members: readonly MeshedMember[];
  readonly problems: readonly StructureProblem[];
  readonly holds: Holds;
  /** Its elements as they are worked out, for all models that it stands in. */
  readonly worked: WorkedElements;
}

/** What still holds of a frame's joints and fittings, as found. */
export interface Holds {
  /** Whether an end of a member is still joined to what it stands on. */
  readonly joint: (member: Member, end: 'start' | 'end') => boolean;
  readonly fitting: (fitting: Fitting, side: 'left' | 'right') => boolean;
  /** Whether the floor above is still one: it keeps the rails square. */
  readonly floor: boolean;
}
export const ALL_HOLDS: Holds = { joint: () => true, fitting: () => true, floor: true };
/** A flat plate set into a beam stiffens it where it stands; it is no beam of its own. */
export const isBeam = (member: Member): boolean => !(member.role === 'plate' && member.shape.kind === 'flat');

/** The mesh is the same whatever was found: what one state asks of an element can be held against another. */
export function structureOf(frame: Frame, profileAt: ProfileAt, holds: Holds = ALL_HOLDS): Structure {
  const beams = frame.members
    .filter(isBeam)
    .map((member) => ({ member, placement: placementOf(frame, member) }));
  const joints = jointsOf(beams);
  const stations = beams.map(({ member, placement }, k) =>
    meshStations(
      frame,
      member,
      placement,
      joints.flatMap((joint) => [
        ...(joint.one === k ? [joint.oneMm] : []),
        ...(joint.other === k ? [joint.otherMm] : []),
      ]),
    ),
  );
  const holding = joints.filter(
    ({ one, oneMm, other, otherMm }) =>
      endHolds(beams[one]!, oneMm, holds) && endHolds(beams[other]!, otherMm, holds),
  );
  const { nodeOf, nodes } = sharedNodes(beams, stations, holding);
  const mesh: Mesh = { beams, joints: holding, nodes, elements: [], warpTies: [], problems: [] };
  const members = beams.map((_, k) =>
    meshMember(mesh, k, { own: stations[k]!, nodeOf: nodeOf[k]! }, profileAt),
  );
  return {
    frame,
    nodes,
    elements: mesh.elements,
    warpTies: mesh.warpTies,
    members,
    problems: mesh.problems,
    holds,
    worked: new WeakMap(),
  };
}

/** A joint at a member's end lets go with that end; one somewhere along it is another member's. */
function endHolds({ member, placement }: Beam, mm: number, holds: Holds): boolean {
  if (member.role === 'rail') return true;
  const length = size(minus(placement.to, placement.from));
  if (mm < JOINT_END_SHARE * length) return holds.joint(member, 'start');
  return mm > (1 - JOINT_END_SHARE) * length ? holds.joint(member, 'end') : true;
}
/** So near its end, as a share of its length, a member is joined by its end. */
const JOINT_END_SHARE = 0.05;
