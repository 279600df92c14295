import type { AsBuilt, NotAsBuilt, ShownAsBuilt } from '@/core/patterns';
import { dayWords } from './dates';

const DOUBTS: Readonly<Record<NotAsBuilt, string>> = {
  'found bad': 'bad metal was on record right there: it may not be as built',
  mended: 'a repair was on record right there: it may not be as built',
};

/** Of which unit a photo is. */
export const builtOnWords = ({ tag, builtYear, photo }: AsBuilt): string =>
  `${tag}${builtYear === undefined ? ', year not known' : `, built ${builtYear}`}; ${photo.by} ${dayWords(photo.at.slice(0, 10))}`;

export const builtDoubtWords = ({ doubt }: AsBuilt): string | undefined => doubt && DOUBTS[doubt];

/** What is to be minded by whoever takes a photo as a guide; a doubt of the picture itself is said apart. */
export function mindWords({ isThisUnit, isMirrored, yearsApart }: ShownAsBuilt): string {
  const years =
    yearsApart === undefined
      ? ''
      : yearsApart === 0
        ? ' of the same year'
        : ` ${yearsApart} ${yearsApart === 1 ? 'year' : 'years'} apart`;
  return [
    isThisUnit
      ? 'this unit, photographed in another job'
      : `another unit${years}: its maker may have built this one otherwise, measure here`,
    isMirrored && 'it shows the other side, as in a mirror',
  ]
    .filter(Boolean)
    .join('; ');
}
