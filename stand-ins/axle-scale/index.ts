import { axlesOf, totalKg, type Frame, type WheelLoad } from '@/core/frame';
import { printScaleTicket } from '@/core/exchange';

/** The scale's smallest step, kg. */
const STEP_KG = 20;

/**
 * A simulated axle scale: what the unit really weighs (a little more than was listed, and further back and to the right, differently for
 * every unit), read wheel by wheel in the scale's own steps. Answers the ticket's text, as a real one would come over a wire.
 */
export function weighOnScale(
  frame: Frame,
  wheels: readonly WheelLoad[],
  couplerKg: number | undefined,
  seed: string,
): string {
  const [more, back, right] = [0, 1, 2].map((k) => share(seed, k)) as [number, number, number];
  const axles = axlesOf(frame);
  const load = (axleId: string, side: 'left' | 'right') =>
    wheels
      .filter((wheel) => wheel.axleId === axleId && wheel.side === side)
      .reduce((sum, wheel) => sum + wheel.loadKg, 0);
  const onScale = (kg: number, place: number, side: 'left' | 'right') =>
    step(
      kg *
        (1.02 + 0.08 * more) *
        (1 + 0.1 * back * (place - 0.5)) *
        (1 + 0.03 * right * (side === 'right' ? 1 : -1)),
    );
  return `# simulated axle scale, ${totalKg(frame) > 0 ? 'loaded' : 'empty'}\n${printScaleTicket({
    axles: axles.map((axle, k) => ({
      leftKg: onScale(load(axle.id, 'left'), axles.length > 1 ? k / (axles.length - 1) : 1, 'left'),
      rightKg: onScale(load(axle.id, 'right'), axles.length > 1 ? k / (axles.length - 1) : 1, 'right'),
    })),
    ...(couplerKg !== undefined && { couplerKg: step(couplerKg * (1.02 + 0.08 * more)) }),
  })}`;
}

const step = (kg: number): number => Math.max(0, Math.round(kg / STEP_KG) * STEP_KG);

/** A number from 0 to 1 that a unit's name decides. */
function share(seed: string, salt: number): number {
  let state = 2166136261 ^ salt;
  for (const letter of seed) state = Math.imul(state ^ letter.charCodeAt(0), 16777619);
  return ((state >>> 0) % 1000) / 1000;
}
