import { fail, ok, type Outcome } from '../../quantity';

/**
 * Flat length of a bend, mm: BA = A (R + K t), A the bend angle in radians, R the inside radius, t the thickness.
 * K 0.41 is soft steel at 90° (0.64 t + 1.57 R); a shop corrects it with its own coupon. Source: sheet-metal practice.
 */
export const bendAllowanceMm = (
  angleRad: number,
  insideRadiusMm: number,
  thicknessMm: number,
  k: number,
): number => angleRad * (insideRadiusMm + k * thicknessMm);

/** A brake coupon: a strip of known flat length bent to 90° and its two legs measured over the outside. */
export interface BrakeCoupon {
  readonly flatMm: number;
  readonly legOneMm: number;
  readonly legTwoMm: number;
  readonly insideRadiusMm: number;
  readonly thicknessMm: number;
}

/** K as the brake makes it. Fails when the legs and the flat length cannot belong to one 90° bend. */
export function kFromCoupon(coupon: BrakeCoupon): Outcome<number> {
  const setBack = coupon.insideRadiusMm + coupon.thicknessMm;
  const bendMm = coupon.flatMm - (coupon.legOneMm - setBack) - (coupon.legTwoMm - setBack);
  const k = (bendMm / (Math.PI / 2) - coupon.insideRadiusMm) / coupon.thicknessMm;
  if (!(k >= 0.2 && k <= 0.6))
    return fail(
      `these legs and this flat length give K = ${Number.isFinite(k) ? k.toFixed(2) : 'none'}; a 90° bend lies between 0.2 and 0.6: measure the coupon again`,
    );
  return ok(k);
}
