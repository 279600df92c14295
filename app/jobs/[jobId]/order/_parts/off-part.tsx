'use client';

import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { stands, type JobOrder } from '@/core/job';
import { isOver, type Removal, type TaskProgress } from '@/core/order';
import { printLength } from '@/core/quantity';
import { TEST_WORDS } from '../../../../_words/order';
import { useReader, useRecords } from '../../../_desk';
import { RemovalForm } from './removal-form';
import { TaskActs } from './task-acts';

/** What comes off: where it lies, its bag, whether it is back, whether it was tried. Every removal owes a refit and a test. */
export function OffPart({ order }: { order: JobOrder }) {
  const { file } = useRecords();
  const removals = stands(file, 'removal');
  const parts = order.progress.filter(
    ({ task }) => task.what === 'take off' || task.what === 'take off load' || task.what === 'battery off',
  );
  const off = parts.filter(({ state }) => state === 'done').length;
  return (
    <section aria-label="Off and back">
      <h2 className="text-2xl font-semibold">
        {parts.length === 0
          ? 'Nothing has to come off'
          : order.refits.length > 0
            ? `Not to be closed: ${order.refits.length} refits and tests are open`
            : off > 0
              ? 'Everything that came off is back and tried'
              : `${parts.length} to come off, none is off yet`}
      </h2>
      <ul className="ruled mt-2">
        {parts.map((at) => (
          <PartRow
            key={at.task.id}
            at={at}
            order={order}
            removal={removals.findLast(({ partId }) => partId === at.task.of.id)}
          />
        ))}
      </ul>
    </section>
  );
}

/** What brings a part back and tries it, as far as either is still to do. */
function openAfter({ task: { of } }: TaskProgress, order: JobOrder) {
  const own = order.progress.filter(({ task }) => task.of.is === 'part' && task.of.id === of.id);
  const openAt = (...whats: readonly string[]) => {
    const at = own.find(({ task }) => whats.includes(task.what));
    return at && !isOver(at.state) ? at : undefined;
  };
  return { back: openAt('put back', 'put back load', 'refix', 'battery on'), test: openAt('test') };
}

function standsWords({ state }: TaskProgress, { back, test }: ReturnType<typeof openAfter>): string {
  if (state === 'not needed') return 'stays on';
  if (state !== 'done') return 'still on';
  if (back) return 'off';
  return test ? `back, not tried: ${TEST_WORDS[test.task.test ?? 'function']}` : 'back, tried';
}

function PartRow({
  at,
  order,
  removal,
}: {
  at: TaskProgress;
  order: JobOrder;
  removal: Removal | undefined;
}) {
  const { system } = useReader();
  // A tag’s code names its part: its record opens by itself.
  const [isOpen, setOpen] = useState(useSearchParams().get('thing') === at.task.of.id);
  const isOff = at.state === 'done';
  const open = openAfter(at, order);
  const now = isOff ? (open.back ?? open.test) : undefined;
  return (
    <li className="py-1">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <button
          type="button"
          className="hit min-fit-52 flex-1 text-left text-lg font-semibold underline"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
        >
          {at.task.of.name}
        </button>
        <span className="min-w-40 flex-1">
          {removal
            ? removalWords(removal, system)
            : isOff && at.task.what !== 'battery off'
              ? 'off; nobody said where'
              : ''}
        </span>
        <span className={isOff && now ? 'w-44 font-semibold text-oxide' : 'w-44'}>
          {standsWords(at, open)}
        </span>
      </div>
      {removal && removal.place === '' && removal.fate !== 'scrap' && (
        <p className="font-semibold text-oxide">Nobody said where it lies.</p>
      )}
      {at.task.isFuel && isOff && !removal?.isOutside && (
        <p className="font-semibold text-oxide">Not recorded as out of the building: hot work stays shut.</p>
      )}
      {isOpen && <PartOpened at={at} now={now ?? at} order={order} removal={removal} />}
    </li>
  );
}

/** What may be done with a part now, and what more is known of where it lies. */
function PartOpened({
  at,
  now,
  order,
  removal,
}: {
  at: TaskProgress;
  /** The task that comes next for it. */
  now: TaskProgress;
  order: JobOrder;
  removal: Removal | undefined;
}) {
  const [isTelling, setTelling] = useState(false);
  if (isTelling)
    return (
      <RemovalForm task={at.task} {...(removal && { before: removal })} onClose={() => setTelling(false)} />
    );
  return (
    <div className="ml-2 border-l-2 border-rule pl-3">
      {at.state === 'done' && at.task.what !== 'battery off' && (
        <button type="button" className="plain mb-2" onClick={() => setTelling(true)}>
          It lies elsewhere, or something else is known
        </button>
      )}
      <TaskActs at={now} order={order} onRemoval={() => setTelling(true)} />
    </div>
  );
}

const removalWords = (
  { place, bag, fate, isOutside, level, broke, sat }: Removal,
  system: 'in' | 'mm',
): string =>
  [
    ...(place ? [place] : []),
    ...(bag ? [`bag ${bag}`] : []),
    ...(fate === 'goes back' ? [] : [fate]),
    ...(isOutside ? ['out of the building'] : []),
    ...(level ? [`was ${level} full`] : []),
    ...(broke ? [`broke: ${broke}`] : []),
    ...(sat ? [`sat at ${printLength(sat.stationMm, system, 'length')}`] : []),
  ].join(', ');
