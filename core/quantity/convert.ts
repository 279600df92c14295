import { MM_PER_INCH } from './gauge';

/** Exact or defined conversions, used where a source states a number in customary units. */
export const inchesToMm = (inches: number): number => inches * MM_PER_INCH;
export const mmToInches = (mm: number): number => mm / MM_PER_INCH;
/** 1 ksi = 6.894757293168 MPa. */
export const ksiToMpa = (ksi: number): number => ksi * 6.894757293168;
export const poundsToKg = (pounds: number): number => pounds * 0.45359237;
export const kgToPounds = (kg: number): number => kg / 0.45359237;
export const STANDARD_GRAVITY = 9.80665;

/** 1 lbf, exactly. */
const N_PER_LBF = 4.4482216152605;
export const newtonsToLbf = (newtons: number): number => newtons / N_PER_LBF;
export const lbfToNewtons = (lbf: number): number => lbf * N_PER_LBF;

/** The statute mile, exactly. */
const KM_PER_MILE = 1.609344;
export const milesToKm = (miles: number): number => miles * KM_PER_MILE;
export const kmToMiles = (km: number): number => km / KM_PER_MILE;
