import { memberOf, type Frame } from '@/core/frame';

/** How the demo units' frames stand: twist, degrees a metre, and how far members bow in their middle, mm. What the simulated instruments read. */
interface Form {
  readonly twistDegPerM: number;
  readonly bows: Readonly<Record<string, { readonly up: number; readonly across: number }>>;
}
const STRAIGHT: Form = { twistDegPerM: 0.01, bows: {} };
const FORMS: Readonly<Record<string, Form>> = {
  'GR-7': { twistDegPerM: 0.03, bows: { 'rail-right': { up: -3, across: 2 } } },
  'BK-1': { twistDegPerM: 0.02, bows: { 'rail-left': { up: -24, across: 4 } } },
  'DV-3': { twistDegPerM: 0.04, bows: { 'rail-left': { up: -6, across: 19 } } },
};

/** Whether the demo knows how a unit's frame stands. */
export const hasDemoForm = (tag: string): boolean => tag in FORMS;

/** The angle across both rails at a station of the frame, degrees. */
export const demoAngleDeg = (tag: string, stationMm: number): number =>
  0.3 + ((FORMS[tag] ?? STRAIGHT).twistDegPerM * stationMm) / 1000;

/** How far a beam laid along a member stands off it at a station of its own, mm: the beam starts 100 mm off, and runs a little away. */
export function demoBeamMm(
  tag: string,
  frame: Frame,
  at: { readonly memberId: string; readonly stationMm: number; readonly direction: 'up' | 'across' },
): number {
  const lengthMm = memberOf(frame, at.memberId)?.lengthMm ?? frame.lengthMm;
  const bow = (FORMS[tag] ?? STRAIGHT).bows[at.memberId]?.[at.direction] ?? 1;
  const share = Math.min(1, Math.max(0, at.stationMm / lengthMm));
  return 100 + 6 * share - bow * 4 * share * (1 - share);
}
