'use client';

import { useState } from 'react';
import { stands, type JobOrder } from '@/core/job';
import { handoverKind } from '@/core/order';
import { Entry, RecordForm, When } from '@/ui/controls';
import { taskWords } from '../../../../_words/order';
import { useReader, useRecords, useStamp } from '../../../_desk';

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

function HandoverForm({ order, onClose }: { order: JobOrder; onClose: () => void }) {
  const { keep } = useRecords();
  const stamp = useStamp();
  const begun = order.progress.filter(({ state }) => state === 'started');
  const [to, setTo] = useState('');
  const [words, setWords] = useState('');
  const [half, setHalf] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string>();
  const keepIt = () => {
    const checked = handoverKind.schema.safeParse({
      kind: 'handover',
      ...stamp(),
      note: '',
      to,
      words,
      halfDone: begun.map(({ task }) => ({ taskId: task.id, words: half[task.id] ?? '' })),
    });
    if (!checked.success) return setProblem(`${checked.error.issues[0]!.message}; nothing was kept`);
    keep(checked.data);
    onClose();
  };
  return (
    <RecordForm label="Hand over" problem={problem} keep="Handed over" onKeep={keepIt} onLeave={onClose}>
      <div className="flex flex-wrap gap-2">
        <Entry
          label="to"
          className="w-32"
          maxLength={40}
          value={to}
          onChange={(event) => setTo(event.target.value)}
        />
        <Entry
          label="what the next one must know, and must not do"
          className="min-w-60 flex-1"
          maxLength={600}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </div>
      {begun.map(({ task }) => (
        <Entry
          key={task.id}
          label={`half done: ${taskWords(task)}`}
          className="mt-2"
          maxLength={200}
          value={half[task.id] ?? ''}
          onChange={(event) => setHalf({ ...half, [task.id]: event.target.value })}
        />
      ))}
    </RecordForm>
  );
}
