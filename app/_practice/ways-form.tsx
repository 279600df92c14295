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
  const of = { practice, place, onChange };
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
        <Way
          {...of}
          way="approach"
          label="school"
          options={APPROACHES}
          words={(each) => APPROACH_WORDS[each][0]}
        />
        <Margin {...of} />
        <Way {...of} way="opening" options={OPENINGS} {...wordsOf('opening')} />
        <Way {...of} way="seams" options={SEAMS} {...wordsOf('seams')} />
        <Way {...of} way="cracks" options={CRACK_WAYS} {...wordsOf('cracks')} />
        <Way {...of} way="drains" options={DRAINS} {...wordsOf('drains')} />
        <Way {...of} way="coat" options={COATS} {...wordsOf('coat')} />
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
          {APPROACH_WORDS[part.approach ?? practice.ways.everywhere.approach].join(': ')}. Common practice, no
          source; the trade disagrees.
        </p>
      </div>
    </section>
  );
}

interface OfPlace {
  readonly practice: Practice;
  readonly place: Place;
  readonly onChange: (practice: Practice) => void;
}

/** How a way is headed, and each of its values said. */
const wordsOf = (key: keyof typeof WAYS_WORDS) => {
  const [label, words]: readonly [string, Readonly<Record<string, string>>] = WAYS_WORDS[key];
  return { label, words: (each: string) => words[each]! };
};

/** One question of how it is done; where a place is chosen, it may be left as everywhere. */
function Way<Value extends string>({
  practice,
  place,
  onChange,
  way,
  label,
  options,
  words,
}: OfPlace & {
  way: keyof WaysPart;
  label: string;
  options: readonly Value[];
  words: (value: Value) => string;
}) {
  const value = partOf(practice, place)[way] as Value | undefined;
  return (
    <Pick<Value | typeof AS>
      label={label}
      value={value ?? AS}
      options={place === 'everywhere' ? options : [AS, ...options]}
      onPick={(next) => onChange(withWay(practice, place, way, (next === AS ? undefined : next) as never))}
      words={(each) => (each === AS ? AS : words(each))}
    />
  );
}

/** How far a plate reaches into sound metal: everywhere it is the shop's school. */
const Margin = ({ practice, place, onChange }: OfPlace) => {
  const asked = {
    label: 'edge of a plate',
    options: SCHOOL_IDS,
    words: (each: (typeof SCHOOL_IDS)[number]) => SCHOOL_WORDS[each],
  };
  return place === 'everywhere' ? (
    <Pick {...asked} value={practice.school} onPick={(school) => onChange({ ...practice, school })} />
  ) : (
    <Way {...{ practice, place, onChange }} way="margin" {...asked} />
  );
};
