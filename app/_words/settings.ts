import type { ArcWhyNot } from '@/core/reference';
import type { Consumed } from '@/core/join';
import { printMass, type UnitSystem } from '@/core/quantity';

export const ARC_WHY_WORDS: Readonly<Record<ArcWhyNot, string>> = {
  'wire too thin': 'This wire does not carry so much: a thicker one',
  'wire too thick': 'This wire burns through metal so thin: a thinner one',
  'gas does not go with the wire': 'Solid wire wants gas; flux-cored wire of this kind wants none',
};

/** Wire fed: inches a minute, or metres a minute. */
export const feedWords = (mmPerS: number, system: UnitSystem): string =>
  system === 'in'
    ? `${Math.round((mmPerS * 60) / 25.4)} in/min of wire`
    : `${((mmPerS * 60) / 1000).toFixed(1)} m/min of wire`;

export const speedWords = (mmPerS: number, system: UnitSystem): string =>
  system === 'in' ? `${Math.round((mmPerS * 60) / 25.4)} in/min` : `${Math.round(mmPerS * 60)} mm/min`;

/** Gas as bottles of it are sold: cubic feet, or litres. */
const gasWords = (litres: number, system: UnitSystem): string =>
  system === 'in' ? `${Math.ceil(litres / 28.3168)} ft³` : `${Math.ceil(litres)} L`;

/** What seams take: 1.2 lb of wire, 9 ft³ of gas… Gas where the wire wants some, primer where plates lap. */
export const consumedWords = ({ wireKg, gasL, discs, primerMl }: Consumed, system: UnitSystem): string =>
  [
    `Wire ${printMass(wireKg, system)}`,
    ...(gasL > 0 ? [`gas ${gasWords(gasL, system)}`] : []),
    `${discs} flap ${discs === 1 ? 'disc' : 'discs'}`,
    ...(primerMl > 0 ? [`weld-through primer ${Math.ceil(primerMl)} ml`] : []),
  ].join(', ');
