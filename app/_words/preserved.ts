import { memberOf, type Frame } from '@/core/frame';
import { coatOf, type DebrisSays, type DebrisTrend, type Preserved } from '@/core/prove';
import { printMass, printVolume, type UnitSystem } from '@/core/quantity';
import { CAVITY_COAT } from '@/core/reference';
import { dayWords } from './dates';

const DEBRIS_WORDS: Readonly<Record<DebrisSays, string>> = {
  more: 'MORE COMES IN THAN BEFORE: look at its drains, and for what opened',
  less: 'less comes in than before',
  'as before': 'as much comes in as before',
  'can’t say': 'too little to say whether more comes in',
};

const nameOf = (frame: Frame, memberId: string): string => memberOf(frame, memberId)?.name ?? memberId;

/** What came out of one member over the visits, and what that says. */
export function debrisWords(
  frame: Frame,
  { memberId, visits, rates, says }: DebrisTrend,
  system: UnitSystem,
): string {
  const out = visits.map(
    ({ at, kg }) => `${kg > 0 ? printMass(kg, system) : 'nothing'} on ${dayWords(at.slice(0, 10))}`,
  );
  const last = rates.at(-1);
  const rate = last
    ? `; ${printMass(last.kgPerMonth, system)} a month (± ${printMass(last.plusMinus, system)}) since the visit before`
    : visits.every(({ kg }) => kg === 0)
      ? ''
      : '; how long that had gathered nobody knows';
  return `${nameOf(frame, memberId)}: ${out.join(', ')} came out${rate}${says ? `; ${DEBRIS_WORDS[says]}` : ''}.`;
}

/** What a coat of a member takes, in words. */
export function coatTakesWords(frame: Frame, memberId: string, system: UnitSystem): string | undefined {
  const member = memberOf(frame, memberId);
  if (!member) return undefined;
  const { low, high } = coatOf(member);
  return `All of ${member.name} takes ${printVolume(low, system)} to ${printVolume(high, system)} for ${CAVITY_COAT.filmUm} µm once dry, by what of the can stays on the wall`;
}

/** One visit to one member. */
export function visitWords(frame: Frame, visit: Preserved, system: UnitSystem): string {
  const { memberId, washed, debrisKg, coat, note } = visit;
  const member = memberOf(frame, memberId);
  const short =
    coat && member && coatOf(member, coat).isShort
      ? ', LESS THAN COVERS ALL OF IT (coat what was missed)'
      : '';
  const done = [
    washed && 'washed',
    debrisKg !== undefined && (debrisKg > 0 ? `${printMass(debrisKg, system)} came out` : 'nothing came out'),
    coat && `${printVolume(coat.litres, system)} of ${coat.product}${short}`,
  ].filter(Boolean);
  return `${nameOf(frame, memberId)}: ${done.join('; ')}${note ? `; ${note}` : ''}`;
}
