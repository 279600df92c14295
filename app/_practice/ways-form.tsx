'use client';

import { useState } from 'react';
import {
  APPROACHES,
  COATS,
  CRACK_WAYS,
  DRAINS,
  OPENINGS,
  SCHOOL_IDS,
  SEAMS,
  type Practice,
  type WaysPart,
} from '@/core/reference';
import { Pick } from '@/ui/controls';
import { AS, partOf, PLACE_WORDS, PLACES, withWay, type Place } from './changes';
import { APPROACH_WORDS, SCHOOL_WORDS, WAYS_WORDS } from '../_words/practice';

/** How the shop works where the trade disagrees; by wall class and family where it differs. */
export function WaysForm({
  practice,
  onChange,
}: {
  practice: Practice;
  onChange: (practice: Practice) => void;
}) {
  const [place, setPlace] = useState<Place>('everywhere');
  const part = partOf(practice, place);
  const isPart = place !== 'everywhere';
  function way<Value extends string>(
    key: keyof WaysPart,
    label: string,
    options: readonly Value[],
    words: (value: Value) => string,
  ) {
    const value = part[key] as Value | undefined;
    return (
      <Pick<Value | typeof AS>
        label={label}
        value={value ?? AS}
        options={isPart ? [AS, ...options] : options}
        onPick={(next) => onChange(withWay(practice, place, key, (next === AS ? undefined : next) as never))}
        words={(each) => (each === AS ? AS : words(each))}
      />
    );
  }
  const approach = part.approach ?? practice.ways.everywhere.approach;
  return (
    <section aria-label="Schools" className="border-b border-rule pb-3">
      <div className="grid grid-cols-1 gap-2 sm:grid-cols-2 lg:grid-cols-4">
        <Pick
          label="where"
          value={place}
          options={PLACES}
          onPick={setPlace}
          words={(each) => PLACE_WORDS[each] ?? `on ${each} frames`}
        />
        {way('approach', 'school', APPROACHES, (each) => APPROACH_WORDS[each][0])}
        {isPart ? (
          way('margin', 'edge of a plate', SCHOOL_IDS, (each) => SCHOOL_WORDS[each])
        ) : (
          <Pick
            label="edge of a plate"
            value={practice.school}
            options={SCHOOL_IDS}
            onPick={(school) => onChange({ ...practice, school })}
            words={(each) => SCHOOL_WORDS[each]}
          />
        )}
        {way('opening', WAYS_WORDS.opening[0], OPENINGS, (each) => WAYS_WORDS.opening[1][each])}
        {way('seams', WAYS_WORDS.seams[0], SEAMS, (each) => WAYS_WORDS.seams[1][each])}
        {way('cracks', WAYS_WORDS.cracks[0], CRACK_WAYS, (each) => WAYS_WORDS.cracks[1][each])}
        {way('drains', WAYS_WORDS.drains[0], DRAINS, (each) => WAYS_WORDS.drains[1][each])}
        {way('coat', WAYS_WORDS.coat[0], COATS, (each) => WAYS_WORDS.coat[1][each])}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <label className="plain">
          <input
            type="checkbox"
            className="size-5 accent-[var(--ink)]"
            checked={part.plugs ?? practice.ways.everywhere.plugs}
            onChange={(event) => onChange(withWay(practice, place, 'plugs', event.target.checked))}
          />{' '}
          plug welds in the side overlap as well
        </label>
        <p className="caption flex-1">
          {APPROACH_WORDS[approach][0]}: {APPROACH_WORDS[approach][1]}. Common practice, no source; the trade
          disagrees.
        </p>
      </div>
    </section>
  );
}
