import type { WorkFinding } from './work';

type Said = readonly [
  weight: WorkFinding['weight'],
  quantity: WorkFinding['quantity'],
  source?: WorkFinding['source'],
];
const said = (code: string, [weight, quantity, source = 'practice']: Said): WorkFinding => ({
  code,
  weight,
  quantity,
  source,
});
/** A finding where something is so. */
export const when = (isSo: boolean, code: string, as: Said): WorkFinding[] => (isSo ? [said(code, as)] : []);
/** A finding where a value is under its limit, or over it. */
export const under = (value: number, limit: number, code: string, as: Said): WorkFinding[] =>
  value < limit - 1e-6 ? [{ ...said(code, as), value, limit }] : [];
export const over = (value: number, limit: number, code: string, as: Said): WorkFinding[] =>
  value > limit + 1e-6 ? [{ ...said(code, as), value, limit }] : [];
