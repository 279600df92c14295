import type { CaseResult } from '../../mechanics';
import { axleStationsMm, passes, type FittingKind, type SolvedFrame, type Structure } from '../../frame';
import type { Felt } from './demand';
import { caseOf, moved } from './moved';

/** What the trade feels of a frame, each where its cases are solved: steering gear, twist, the front wall, the tyre over a bump. */
export function feltNumbers(structure: Structure, solved: SolvedFrame): Felt[] {
  if (!caseOf(solved, 'standing')) return [];
  return [steeringFelt, twistFelt, wallFelt, tyreFelt].flatMap((feel) => feel(structure, solved) ?? []);
}

type Feel = (structure: Structure, solved: SolvedFrame) => Felt | undefined;

const stationOf = ({ frame }: Structure, kind: FittingKind): number | undefined =>
  frame.fittings.find((mark) => mark.kind === kind)?.stationMm;

/** The node of a rail nearest to a station of the frame. */
function railNode({ members }: Structure, side: 'left' | 'right', mm: number): number | undefined {
  const rail = members.find(
    ({ member }) => member.role === 'rail' && member.side === side && passes(member, mm),
  );
  if (!rail) return undefined;
  const own = mm - (rail.member.startMm ?? 0);
  const away = rail.stationsMm.map((stationMm) => Math.abs(stationMm - own));
  return rail.nodes[away.indexOf(Math.min(...away))];
}

const steeringFelt: Feel = (structure, solved) => {
  const gear = structure.frame.fittings.find((mark) => mark.kind === 'steering gear');
  const [push, standing] = [caseOf(solved, 'steering push'), caseOf(solved, 'standing')!];
  const node = gear && railNode(structure, gear.side === 'right' ? 'right' : 'left', gear.stationMm);
  if (!push || node === undefined) return undefined;
  const value = Math.abs(moved(push, node, 1) - moved(standing, node, 1));
  return { id: 'steering gear under a push', quantity: 'length', value };
};

/** How the frame rolls at a station: one rail's height less the other's, over their distance. */
function rollAt(structure: Structure, result: CaseResult, mm: number): number {
  const [left, right] = [railNode(structure, 'left', mm), railNode(structure, 'right', mm)];
  if (left === undefined || right === undefined) return 0;
  const apartMm = Math.abs(structure.nodes[left]![1] - structure.nodes[right]![1]);
  return (moved(result, left, 2) - moved(result, right, 2)) / apartMm;
}

const twistFelt: Feel = (structure, solved) => {
  const [ditch, standing] = [caseOf(solved, 'one wheel in a ditch'), caseOf(solved, 'standing')!];
  if (!ditch) return undefined;
  const axles = axleStationsMm(structure.frame);
  const first = stationOf(structure, 'coupler') ?? Math.min(...axles);
  const [front, rear] = [first, Math.max(...axles)].map(
    (mm) => rollAt(structure, ditch, mm) - rollAt(structure, standing, mm),
  );
  return { id: 'twist with one wheel in a ditch', quantity: 'angle', value: Math.abs(rear! - front!) };
};

const wallFelt: Feel = ({ members }, solved) => {
  const [hitched, legs] = [caseOf(solved, 'hitched'), caseOf(solved, 'on legs')];
  const upright = members.find(({ member }) => member.role === 'upright');
  if (!hitched || !legs || !upright) return undefined;
  const [foot, head] = [upright.nodes[0]!, upright.nodes[upright.nodes.length - 1]!];
  const lean = (result: CaseResult) => moved(result, head, 0) - moved(result, foot, 0);
  const value = Math.abs(lean(hitched) - lean(legs));
  return { id: 'front wall, hitched against on legs', quantity: 'length', value };
};

const tyreFelt: Feel = (structure, solved) => {
  const [bump, standing] = [caseOf(solved, 'bump'), caseOf(solved, 'standing')!];
  const wheel = solved.wheels[solved.wheels.length - 1];
  const node = railNode(structure, 'right', Math.max(...axleStationsMm(structure.frame)));
  if (!bump || !wheel || node === undefined) return undefined;
  const above = (result: CaseResult) => moved(result, node, 2) - moved(result, wheel.node, 2);
  const value = Math.abs(above(bump) - above(standing));
  return { id: 'tyre to body over a bump', quantity: 'length', value };
};
