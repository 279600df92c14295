import type { Frame } from './frame';

/** One part of a frame that two versions of it say otherwise. */
export type Difference =
  | { readonly what: 'datum' | 'size' | 'loads' }
  | {
      readonly what: 'member' | 'bracket' | 'panel' | 'closed space';
      readonly name: string;
      readonly is: 'other' | 'only here' | 'only there';
    };

const same = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

/** What two versions of a frame say otherwise, `here` against `there`: part by part, by name. */
export function frameDifferences(here: Frame, there: Frame): Difference[] {
  return [
    ...(here.datum === there.datum ? [] : [{ what: 'datum' } as const]),
    ...(same([here.lengthMm, here.widthMm], [there.lengthMm, there.widthMm])
      ? []
      : [{ what: 'size' } as const]),
    ...listDifferences('member', here.members, there.members),
    ...listDifferences('bracket', here.fittings, there.fittings),
    ...listDifferences('panel', here.panels ?? [], there.panels ?? []),
    ...listDifferences('closed space', here.pockets ?? [], there.pockets ?? []),
    ...(same(here.loads, there.loads) ? [] : [{ what: 'loads' } as const]),
  ];
}

function listDifferences(
  what: Extract<Difference, { name: string }>['what'],
  here: readonly { readonly id: string; readonly name: string }[],
  there: readonly { readonly id: string; readonly name: string }[],
): Difference[] {
  const byId = new Map(there.map((each) => [each.id, each]));
  const mine = new Set(here.map((each) => each.id));
  return [
    ...here.flatMap((each): Difference[] => {
      const other = byId.get(each.id);
      if (!other) return [{ what, name: each.name, is: 'only here' }];
      return same(each, other) ? [] : [{ what, name: each.name, is: 'other' }];
    }),
    ...there.flatMap((each): Difference[] =>
      mine.has(each.id) ? [] : [{ what, name: each.name, is: 'only there' }],
    ),
  ];
}
