'use client';

import { stands } from '@/core/job';
import { ACTS, leaveTo, type Act } from '@/core/walk';
import { Choice } from '@/ui/controls';
import { useRecords, useStamp } from '../../../_desk';

const WORDS = ['given', 'refused', 'not asked'] as const;

/** The owner’s leave to hammer, scrape and drill. Refused, what only that would show counts as not seen. */
export function LeaveRow() {
  const { file, keep } = useRecords();
  const stamp = useStamp();
  const leaves = stands(file, 'leave');
  const word = (act: Act) => {
    const said = leaveTo(leaves, act);
    return said === undefined ? 'not asked' : said.given ? 'given' : 'refused';
  };
  return (
    <section className="mt-4 border-t border-rule pt-2" aria-label="Owner’s leave">
      <h3 className="font-semibold">
        Owner’s leave{' '}
        <span className="caption font-normal">refused, what only that would show counts as not seen</span>
      </h3>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1">
        {ACTS.map((act) => (
          <div key={act}>
            <p className="caption">to {act}</p>
            <Choice
              label={`Leave to ${act}`}
              value={word(act)}
              options={WORDS}
              onChange={(next) =>
                next !== 'not asked' &&
                next !== word(act) &&
                keep({ kind: 'leave', ...stamp(), act, given: next === 'given', note: '' })
              }
            />
          </div>
        ))}
      </div>
    </section>
  );
}
