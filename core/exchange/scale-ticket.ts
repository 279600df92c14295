import { fail, ok, poundsToKg, type Outcome } from '../quantity';
import type { ScaleTicket } from '../frame';

/**
 * An axle scale's ticket as text, one stand a line, front to rear:
 *
 *   AXLE 1;LEFT 2310 kg;RIGHT 2290 kg
 *   COUPLER;560 kg
 *
 * Pounds (`lb`) are read as well; lines that start with # are remarks. A line that is neither is named and nothing is taken.
 */
export function readScaleTicket(text: string): Outcome<Pick<ScaleTicket, 'axles' | 'couplerKg'>> {
  const axles: { leftKg: number; rightKg: number }[] = [];
  let couplerKg: number | undefined;
  for (const [k, line] of text.split(/\r?\n/).entries()) {
    const plain = line.trim();
    if (plain === '' || plain.startsWith('#')) continue;
    const axle = /^AXLE\s+(\d+)\s*;\s*LEFT\s+([\d.]+)\s*(kg|lb)\s*;\s*RIGHT\s+([\d.]+)\s*(kg|lb)$/i.exec(
      plain,
    );
    const coupler = /^COUPLER\s*;\s*([\d.]+)\s*(kg|lb)$/i.exec(plain);
    if (axle && Number(axle[1]) === axles.length + 1)
      axles.push({ leftKg: inKg(axle[2]!, axle[3]!), rightKg: inKg(axle[4]!, axle[5]!) });
    else if (coupler) couplerKg = inKg(coupler[1]!, coupler[2]!);
    else return fail(`line ${k + 1} is no stand of a scale ticket: ${plain.slice(0, 60)}`);
  }
  return axles.length
    ? ok({ axles, ...(couplerKg !== undefined && { couplerKg }) })
    : fail('the ticket names no axle');
}

const inKg = (digits: string, unit: string): number =>
  unit.toLowerCase() === 'lb' ? poundsToKg(Number(digits)) : Number(digits);

export const printScaleTicket = ({ axles, couplerKg }: Pick<ScaleTicket, 'axles' | 'couplerKg'>): string =>
  [
    ...axles.map(({ leftKg, rightKg }, k) => `AXLE ${k + 1};LEFT ${leftKg} kg;RIGHT ${rightKg} kg`),
    ...(couplerKg === undefined ? [] : [`COUPLER;${couplerKg} kg`]),
    '',
  ].join('\n');
