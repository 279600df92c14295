import type { Imported, Stands } from '@/data';

const STANDS: Readonly<Record<Stands, string>> = {
  unit: 'the unit’s facts',
  frame: 'the frame',
  practice: 'the practice',
  repairs: 'repairs changed here',
};

/** What came of taking a bundle in: what was added, and what it said otherwise and did not change. */
export function importedWords({ wasHere, added, stands, picturesMissing }: Imported): {
  readonly title: string;
  readonly description: string;
} {
  const records = added === 1 ? '1 record was added' : `${added} records were added`;
  const parts = [
    wasHere ? (added > 0 ? `${records}.` : 'Nothing of it was new.') : `${records}.`,
    ...(stands.length
      ? [`Not changed, though the bundle says otherwise: ${stands.map((each) => STANDS[each]).join(', ')}.`]
      : []),
    ...(picturesMissing ? [`${picturesMissing} of its pictures did not come with it.`] : []),
  ];
  return { title: wasHere ? 'This job was already here' : 'Job taken in', description: parts.join(' ') };
}
