'use client';

import { frameDifferences, type Difference, type Frame } from '@/core/frame';

const WORDS: Readonly<Record<'datum' | 'size' | 'loads', string>> = {
  datum: 'the datum',
  size: 'length or width',
  loads: 'the loads',
};
const words = (difference: Difference): string => {
  if (!('is' in difference)) return WORDS[difference.what];
  const where = { other: '', 'only here': ' (only on yours)', 'only there': ' (only on the kept one)' };
  return `${difference.name}${where[difference.is]}`;
};

/** Two frames of one job, yours and the one kept elsewhere meanwhile: what they say otherwise, and the choice. */
export function TwoFrames({
  mine,
  kept,
  onMine,
  onKept,
}: {
  mine: Frame;
  kept: Frame;
  onMine: () => void;
  onKept: () => void;
}) {
  const differences = frameDifferences(mine, kept);
  return (
    <section className="my-2 border-l-[6px] border-oxide pl-3" aria-label="Two frames">
      <p className="font-semibold">
        The frame was changed elsewhere meanwhile. Yours is still on this screen; nothing of either is lost.
      </p>
      <p>
        They differ in: {differences.slice(0, 12).map(words).join(', ')}
        {differences.length > 12 && ` and ${differences.length - 12} more`}.
      </p>
      <div className="flex flex-wrap gap-2 pt-1">
        <button type="button" className="plain" onClick={onMine}>
          Go on with mine
        </button>
        <button type="button" className="plain" onClick={onKept}>
          Take the kept one, drop mine
        </button>
      </div>
    </section>
  );
}
