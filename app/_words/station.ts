import { startsAtMm, type Member } from '@/core/frame';
import {
  fail,
  lengthDigits,
  ok,
  parseLengthMm,
  printLength,
  type Outcome,
  type UnitSystem,
} from '@/core/quantity';

type Begins = Pick<Member, 'startMm' | 'line'>;

/** A place along a member as everybody reads it: from the datum named on the page, wherever the member itself begins. */
export const stationDigits = (member: Begins, stationMm: number, system: UnitSystem): string =>
  lengthDigits(startsAtMm(member) + stationMm, system, 'length');
export const printStation = (member: Begins, stationMm: number, system: UnitSystem): string =>
  printLength(startsAtMm(member) + stationMm, system, 'length');

/** A station as it is typed, from the datum, as the member's own. */
export function parseStationMm(
  text: string,
  member: Begins & Pick<Member, 'name'>,
  system: UnitSystem,
): Outcome<number> {
  const typed = parseLengthMm(text, system);
  if (!typed.ok) return typed;
  const own = typed.value - startsAtMm(member);
  return own >= 0
    ? ok(own)
    : fail(`${member.name} begins at station ${printStation(member, 0, system)}, counted from the datum`);
}
