'use client';

import { useState } from 'react';
import { z } from 'zod';
import { stands, type JobOrder } from '@/core/job';
import { handoverKind } from '@/core/order';
import { TypedEntry, TypedRecordForm, useTypedForm, When } from '@/ui/controls';
import { taskWords } from '../../../../_words/order';
import { useKeepChecked, useReader, useRecords } from '../../../_desk';

const PAPERS = [
  ['plan', 'Plan of the job'],
  ['tags', 'Strip-down tags'],
  ['change-note', 'Change note'],
  ['handover', 'Handover'],
] as const;

/** Papers of the order, and the handover from one pair of hands to the next. Permits hang at their gates. */
export function PapersPart({ order }: { order: JobOrder }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [isTelling, setTelling] = useState(false);
  const handovers = stands(file, 'handover');
  return (
    <section aria-label="Papers">
      <h2 className="text-2xl font-semibold">For the wall, the bag, the owner, the next one</h2>
      <div className="mt-2 flex flex-wrap gap-2">
        {PAPERS.map(([which, words]) => (
          <a
            key={which}
            className="plain"
            download
            href={`/api/jobs/${file.job.id}/order-papers/${which}?unit=${system}`}
          >
            {words}, PDF
          </a>
        ))}
      </div>
      <h3 className="mt-4 border-b border-ink text-lg font-semibold">Handover</h3>
      <button type="button" className="plain my-2" onClick={() => setTelling(true)}>
        Hand over to somebody
      </button>
      {isTelling && <HandoverForm order={order} onClose={() => setTelling(false)} />}
      <ul className="ruled">
        {[...handovers].reverse().map((each) => (
          <li key={each.id} className="py-1">
            <b>
              {each.by} to {each.to}
            </b>{' '}
            <span className="caption">
              <When at={each.at} />
            </span>
            <p>{each.words}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

const handoverTyped = z.object({ to: z.string(), words: z.string(), half: z.array(z.string()) });

function HandoverForm({ order, onClose }: { order: JobOrder; onClose: () => void }) {
  const keepChecked = useKeepChecked();
  const [begun] = useState(() => order.progress.filter(({ state }) => state === 'started'));
  const form = useTypedForm(handoverTyped, { to: '', words: '', half: begun.map(() => '') });
  const keepIt = ({ to, words, half }: z.infer<typeof handoverTyped>) =>
    keepChecked(handoverKind, {
      to,
      words,
      halfDone: begun.map(({ task }, k) => ({ taskId: task.id, words: half[k]! })),
    }) ?? onClose();
  return (
    <TypedRecordForm form={form} label="Hand over" keep="Handed over" onKeep={keepIt} onLeave={onClose}>
      <div className="flex flex-wrap gap-2">
        <TypedEntry name="to" label="to" className="w-32" maxLength={40} />
        <TypedEntry
          name="words"
          label="what the next one must know, and must not do"
          className="min-fit-60 flex-1"
          maxLength={600}
        />
      </div>
      {begun.map(({ task }, k) => (
        <TypedEntry
          key={task.id}
          name={`half.${k}`}
          label={`half done: ${taskWords(task)}`}
          className="mt-2"
          maxLength={200}
        />
      ))}
    </TypedRecordForm>
  );
}
