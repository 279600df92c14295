import { memberOver } from '../hosts';
import { standSupport, type Stand, type StandSupport } from '../stand';
import { attach } from '../standing-model';
import { type MeshedMember } from '../beam-mesh';
import { type Structure } from '../structure';
import { onRail, railAt } from '../undercarriage';

/** Stiff beside springs and tyres: what stands on pads hardly sinks (ours). Sideways they hold what friction does (`heldByFriction`). */
const PAD_N_PER_MM = 20_000;
const PAD_STIFFNESS = [0, 0, PAD_N_PER_MM, 0, 0, 0] as const;

/** A pad, jack or stand under a rail or sill; none where nothing runs there. */
export function padUnder(
  structure: Structure,
  side: 'left' | 'centre' | 'right',
  stationMm: number,
  stand: Stand,
): StandSupport[] {
  if (side === 'centre') return padInMiddle(structure, stationMm, stand);
  const carrier = railAt(structure, side, stationMm) ?? besideRails(structure, side, stationMm);
  if (!carrier) return [];
  const at =
    carrier.member.role === 'rail'
      ? onRail(structure, carrier, stationMm, 0)
      : attach(structure, [stationMm, carrier.placement.from[1], 0], (element) =>
          carrier.elements.includes(element),
        );
  return [standSupport(stand, { ...at, stiffness: PAD_STIFFNESS })];
}

/** Where no rail passes: the sill or, failing that, the floor rail of that side that does; else whatever rail is nearest. */
function besideRails(
  structure: Structure,
  side: 'left' | 'right',
  stationMm: number,
): MeshedMember | undefined {
  const own = structure.members.filter(({ member }) => member.side === side);
  const away = ({ placement: { from, to } }: MeshedMember) =>
    Math.max(from[0] - stationMm, stationMm - to[0], 0);
  const passing = (['sill', 'floor rail'] as const).flatMap((role) =>
    own.filter((mesh) => mesh.member.role === role && away(mesh) === 0),
  );
  return (
    passing[0] ?? own.filter(({ member }) => member.role === 'rail').sort((a, b) => away(a) - away(b))[0]
  );
}

/** Under the middle of what runs across; its mesh has a node there. */
function padInMiddle(structure: Structure, stationMm: number, stand: Stand): StandSupport[] {
  const over = memberOver(structure.frame, { side: 'centre', stationMm });
  const mesh = over && structure.members.find(({ member }) => member.id === over.member.id);
  if (!mesh) return [];
  const away = mesh.stationsMm.map((mm) => Math.abs(mm - over.stationMm));
  const node = mesh.nodes[away.indexOf(Math.min(...away))]!;
  return [standSupport(stand, { node, stiffness: PAD_STIFFNESS })];
}

/** Landing legs: their own feet where they are members, else pads under the rails where they are marked. */
export function legSupports(structure: Structure): StandSupport[] {
  const legs = structure.members.filter(({ member }) => member.role === 'leg');
  if (legs.length)
    return legs.map(({ member, nodes }) =>
      standSupport(
        { on: 'leg', legId: member.id },
        { node: nodes[nodes.length - 1]!, stiffness: PAD_STIFFNESS },
      ),
    );
  const mark = structure.frame.fittings.find((each) => each.kind === 'landing leg');
  return mark
    ? (['left', 'right'] as const).flatMap((side) =>
        padUnder(structure, side, mark.stationMm, { on: 'leg', legId: `leg ${side}` }),
      )
    : [];
}
