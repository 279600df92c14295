'use client';

import { useState } from 'react';
import { z } from 'zod';
import { choiceOf, stands } from '@/core/job';
import { hoursTakenKind, WAYS_OUT, type HoursTaken, type Priced, type WayOut } from '@/core/weigh';
import { TypedEntry, TypedPick, TypedRecordForm, useTypedForm, When } from '@/ui/controls';
import { figureTyped } from '../../../../_parts/typed';
import { hoursTimes, WAY_OUT_WORDS } from '../../../../_words/ways-out';
import { notKept, StrikeSheet, useKeepChecked, useRecords } from '../../../_desk';

/** What the job took in hours, once it is done: closed jobs correct the shop's norms. */
export function HoursTakenPart({ ways }: { ways: readonly Priced[] }) {
  const { file } = useRecords();
  const [isOpen, setOpen] = useState(false);
  const [striking, setStriking] = useState<HoursTaken>();
  const taken = stands(file, 'hours taken');
  return (
    <section aria-label="Hours it took" className="mt-3 border-t border-rule pt-2">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="text-lg font-semibold">Hours it took</h3>
        {!isOpen && (
          <button type="button" className="plain" onClick={() => setOpen(true)}>
            Record the hours
          </button>
        )}
      </div>
      {file.hoursLearnt && <p className="caption">{hoursTimes(file.hoursLearnt)}</p>}
      {isOpen && <HoursForm ways={ways} onDone={() => setOpen(false)} />}
      <ul className="ruled">
        {taken.map((each) => (
          <li key={each.id} className="flex flex-wrap items-center gap-x-4 py-1">
            <span className="font-semibold">
              {WAY_OUT_WORDS[each.way][0]}: {each.hours} h
            </span>
            <span>
              the norms by themselves: {Math.round(each.foreseen[0])} to {Math.round(each.foreseen[1])} h
            </span>
            <span className="caption">
              {each.by}, <When at={each.at} only="day" />
            </span>
            <button type="button" className="hit ml-auto px-2 underline" onClick={() => setStriking(each)}>
              strike
            </button>
          </li>
        ))}
      </ul>
      <StrikeSheet
        struck={striking && { id: striking.id, words: `The hours of ${striking.at.slice(0, 10)}` }}
        onClose={() => setStriking(undefined)}
      />
    </section>
  );
}

const hoursTyped = z.object({
  way: z.enum(WAYS_OUT),
  hours: figureTyped.pipe(z.number('say how many hours, such as 34').gt(0, 'say how many hours, such as 34')),
});

function HoursForm({ ways, onDone }: { ways: readonly Priced[]; onDone: () => void }) {
  const { file } = useRecords();
  const keepChecked = useKeepChecked();
  const chosen = choiceOf(file)?.chosen;
  const form = useTypedForm(hoursTyped, {
    way: WAYS_OUT.find((each) => each === chosen) ?? 'mend',
    hours: '',
  });
  const keepIt = ({ way, hours }: z.infer<typeof hoursTyped>) => {
    const foreseen = foreseenHours(ways, way, file.hoursLearnt?.factor ?? 1);
    if (!foreseen) return notKept('the norms foresee no hours for that way: choose the one that was worked');
    return keepChecked(hoursTakenKind, { way, hours, foreseen }) ?? onDone();
  };
  return (
    <TypedRecordForm form={form} label="Hours" keep="Keep the hours" onKeep={keepIt} onLeave={onDone}>
      <div className="grid grid-cols-1 items-start gap-2 sm:grid-cols-3">
        <TypedPick
          name="way"
          label="way it went"
          options={WAYS_OUT}
          words={(each) => WAY_OUT_WORDS[each][0]}
        />
        <TypedEntry name="hours" label="hours, all hands" inputMode="decimal" maxLength={8} />
      </div>
      <p className="caption">Counts for the shop’s next prices once this job is closed.</p>
    </TypedRecordForm>
  );
}

/** Hours that the norms by themselves foresee for a way, what closed jobs corrected taken out again. */
function foreseenHours(ways: readonly Priced[], way: WayOut, factor: number): [number, number] | undefined {
  const priced = ways.find((each) => each.way === way);
  return priced?.ok && priced.hours.low > 0
    ? [priced.hours.low / factor, priced.hours.high / factor]
    : undefined;
}
