import type { OrderScene, PlannedRepair } from './scene';

/** What is missing or wrong of what an open frame rests on. */
export type StandTrouble =
  | { readonly is: 'no stands' }
  | {
      readonly is: 'no stand ahead' | 'no stand behind';
      readonly repairId: string;
      readonly memberId: string;
    }
  | {
      readonly is: 'stand under the cut';
      readonly repairId: string;
      readonly memberId: string;
      readonly atMm: number;
    };

/**
 * A frame that is cut rests on something on both sides of the cut, and on nothing beneath it. A stand in the middle, under what runs across, holds
 * both sides. Cuts at a member's very end need nothing beyond it.
 */
export function standTroubles({ frame, repairs, renewals }: OrderScene): StandTrouble[] {
  const cuts = repairs.filter(
    ({ isCutOut, memberId }) => isCutOut && frame.members.find(({ id }) => id === memberId)?.role === 'rail',
  );
  if (cuts.length === 0 && renewals.length === 0) return [];
  const stands = frame.loads?.stands ?? [];
  if (stands.length === 0) return [{ is: 'no stands' }];
  return cuts.flatMap((cut) => {
    const held = stands.filter(({ side }) => side === 'centre' || side === cut.side);
    const of = { repairId: cut.id, memberId: cut.memberId };
    const under = stands.filter(
      ({ side, stationMm }) => side === cut.side && stationMm > cut.fromMm && stationMm < cut.toMm,
    );
    return [
      ...(held.some(({ stationMm }) => stationMm <= cut.fromMm) || !hasMetalAhead(frame, cut)
        ? []
        : [{ is: 'no stand ahead' as const, ...of }]),
      ...(held.some(({ stationMm }) => stationMm >= cut.toMm) || !hasMetalBehind(frame, cut)
        ? []
        : [{ is: 'no stand behind' as const, ...of }]),
      ...under.map(({ stationMm }) => ({ is: 'stand under the cut' as const, ...of, atMm: stationMm })),
    ];
  });
}

/** Less of a rail than this beyond a cut holds itself, mm (ours: 1 ft). */
const HOLDS_ITSELF_MM = 305;
const railOf = (frame: OrderScene['frame'], { memberId }: PlannedRepair) =>
  frame.members.find(({ id }) => id === memberId)!;
const hasMetalAhead = (frame: OrderScene['frame'], cut: PlannedRepair): boolean =>
  cut.fromMm - (railOf(frame, cut).startMm ?? 0) > HOLDS_ITSELF_MM;
const hasMetalBehind = (frame: OrderScene['frame'], cut: PlannedRepair): boolean => {
  const { startMm = 0, lengthMm } = railOf(frame, cut);
  return startMm + lengthMm - cut.toMm > HOLDS_ITSELF_MM;
};
