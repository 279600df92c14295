import { COMMON_PRACTICE } from './source';

/**
 * Wax or oil inside a member, as it is sprayed through a wand: how thick it is wanted once dry, µm; what of the can stays on the wall as it dries; what of it
 * lands elsewhere. All common practice, no source: the can says its own.
 */
export const CAVITY_COAT = {
  filmUm: 100,
  solids: [0.4, 0.6],
  lost: 0.2,
  source: COMMON_PRACTICE,
} as const;

/** What an area takes, l: less with what is rich in solids, more with what is thin. */
export const coatLitres = (areaM2: number): { readonly low: number; readonly high: number } => {
  const wetLitres = (solids: number) =>
    (areaM2 * CAVITY_COAT.filmUm) / 1000 / solids / (1 - CAVITY_COAT.lost);
  return { low: wetLitres(CAVITY_COAT.solids[1]), high: wetLitres(CAVITY_COAT.solids[0]) };
};
