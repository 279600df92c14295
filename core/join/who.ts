import type { Legal, Person, Steel } from '../reference';

/** Why an arc is not struck here yet, by what is missing. */
export const WELD_WHY_NOT = [
  'aluminium',
  'not this steel',
  'steel unknown',
  'nobody named',
  'does not weld',
  'no paper',
  'no leave of the maker',
] as const;
export type WeldWhyNot = (typeof WELD_WHY_NOT)[number];

/** What stands against welding: the metal first, then who would, then the maker's leave. Empty: nothing on record does. */
export function whyNotWeld(
  steel: Pick<Steel, 'id' | 'weldRepair' | 'youngsMpa'>,
  legal: Pick<Legal, 'weldAsMaker' | 'welderQualified'>,
  {
    welder,
    person,
    makersLeave,
  }: { readonly welder: string; readonly person?: Person | undefined; readonly makersLeave: string },
): WeldWhyNot[] {
  const isNamed = welder.trim() !== '';
  return [
    ...(steel.youngsMpa !== undefined
      ? (['aluminium'] as const)
      : steel.weldRepair !== 'yes'
        ? [steel.id === 'unknown' ? ('steel unknown' as const) : ('not this steel' as const)]
        : []),
    ...(isNamed ? [] : (['nobody named'] as const)),
    ...(person && !person.welds ? (['does not weld'] as const) : []),
    ...(isNamed && legal.welderQualified && !person?.qualification ? (['no paper'] as const) : []),
    ...(legal.weldAsMaker && makersLeave.trim() === '' ? (['no leave of the maker'] as const) : []),
  ];
}
