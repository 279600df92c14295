import type { Complaint, ModelMovement } from '../walk';
import type { FlexShapes, FrameDemand } from './demand';

/** Play elsewhere, at a hanger or a pin, is none that the steering gear's push explains. */
const AT_THE_STEERING = /steer|gear|pitman|column/i;

/**
 * What the model moves where an owner feels it, as built and as found; undefined for what beams cannot tell (a squeak, a jammed door).
 * Play at the steering: the gear under the shop's push. Gap: the front wall's lean, hitched against on legs. Sag or rubbing: how far the
 * complaint's members hang below the straight line of the whole, standing.
 */
export function modelMovement(
  complaint: Pick<Complaint, 'what' | 'where' | 'memberIds'>,
  built: FrameDemand | undefined,
  found: FrameDemand | undefined,
): ModelMovement | undefined {
  if (!built || !found) return undefined;
  const felt = (id: string, from: string): ModelMovement | undefined => {
    const [one, two] = [built, found].map(
      (demand) => demand.felt.find((each) => each.id === id && each.quantity === 'length')?.value,
    );
    return one === undefined || two === undefined ? undefined : { builtMm: one, foundMm: two, from };
  };
  switch (complaint.what) {
    case 'play':
      return AT_THE_STEERING.test(complaint.where)
        ? felt('steering gear under a push', 'steering gear under a push')
        : undefined;
    case 'gap':
      return felt('front wall, hitched against on legs', 'front wall, hitched against on legs');
    case 'sag':
    case 'rubs': {
      const [one, two] = [sagMm(built.shapes, complaint.memberIds), sagMm(found.shapes, complaint.memberIds)];
      return one === undefined || two === undefined
        ? undefined
        : { builtMm: one, foundMm: two, from: 'standing, below the line of the whole' };
    }
    case 'squeak':
    case 'jammed door':
    case 'pulls to one side':
      return undefined;
    default:
      return complaint.what satisfies never;
  }
}

/** Between the highest and the lowest of their nodes, standing, the tilt of the whole taken out. */
function sagMm(shapes: FlexShapes, memberIds: readonly string[]): number | undefined {
  const standing = shapes.cases.find((each) => each.id === 'standing');
  const nodes = shapes.members
    .filter((member) => memberIds.includes(member.id))
    .flatMap((member) => member.nodes);
  if (!standing || nodes.length === 0) return undefined;
  const levels = nodes.map((node) => standing.movedMm[3 * node + 2]!);
  return Math.max(...levels) - Math.min(...levels);
}
