import { FAMILY_IDS } from '@/core/frame';
import type { Legal, Practice, WaysPart } from '@/core/reference';

/** Where ways hold: everywhere, on sheet or plate, or on one family of frames. */
export const AS = 'as everywhere';
export const PLACES = ['everywhere', 'sheet', 'plate', ...FAMILY_IDS] as const;
export type Place = (typeof PLACES)[number];
export const PLACE_WORDS: Partial<Record<Place, string>> = {
  everywhere: 'everywhere',
  sheet: 'on sheet, walls under 1/8 in',
  plate: 'on plate, walls of 1/8 in and more',
};

export const partOf = ({ ways }: Practice, place: Place): WaysPart =>
  place === 'everywhere'
    ? ways.everywhere
    : place === 'sheet' || place === 'plate'
      ? (ways[place] ?? {})
      : (ways.families[place] ?? {});

/** The practice with one way put otherwise at a place; undefined: as everywhere. */
export function withWay<Key extends keyof WaysPart>(
  practice: Practice,
  place: Place,
  key: Key,
  value: WaysPart[Key] | undefined,
): Practice {
  const { [key]: _, ...rest } = partOf(practice, place);
  const next = (value === undefined ? rest : { ...rest, [key]: value }) as WaysPart;
  const { ways } = practice;
  if (place === 'everywhere') {
    const everywhere = { ...ways.everywhere, ...next } as typeof ways.everywhere;
    if (value === undefined) delete everywhere[key];
    return { ...practice, ways: { ...ways, everywhere } };
  }
  if (place === 'sheet' || place === 'plate') return { ...practice, ways: { ...ways, [place]: next } };
  return { ...practice, ways: { ...ways, families: { ...ways.families, [place]: next } } };
}

/** The practice with one of its legal profiles changed. */
export const withLegal = (practice: Practice, id: string, change: Partial<Legal>): Practice => ({
  ...practice,
  legal: {
    ...practice.legal,
    profiles: practice.legal.profiles.map((each) => (each.id === id ? { ...each, ...change } : each)),
  },
});
/** A copy of a profile, to be made one's own, chosen. */
export function withCopy(practice: Practice, from: Legal): Practice {
  const count = practice.legal.profiles.filter(({ basis }) => basis === 'own').length;
  const copy: Legal = {
    ...from,
    id: `own-${count + 1}-${from.id}`.slice(0, 40),
    basis: 'own',
    name: `Ours, from ${from.name}`.slice(0, 80),
  };
  return { ...practice, legal: { profiles: [...practice.legal.profiles, copy], chosen: copy.id } };
}
