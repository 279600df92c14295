'use client';

import { Link } from '@/app/_parts/link';
import { useState } from 'react';
import { z } from 'zod';
import type { JobProof } from '@/core/job';
import {
  leftUndoneKind,
  MAY_STAND,
  type MayStand,
  snagAnswerKind,
  snagKind,
  type Answered,
  type OpenCode,
} from '@/core/prove';
import { Settling, TypedEntry, TypedForm, TypedProblem, TypedRecordForm, useTypedForm } from '@/ui/controls';
import { answerWords, itemWords, MAY_WORDS, OPEN_WORDS, openLine } from '../../../../_words/prove';
import { useKeepChecked, useReader, useRecords } from '../../../_desk';

/** Where each kind of open thing is done. */
const DONE_IN: Readonly<Partial<Record<OpenCode, string>>> = {
  'off or untried': 'order?part=off',
  'begun and not finished': 'order?part=plan',
  'seam not finished': 'join?part=log',
  'seam not looked at': 'join?part=log',
  'landing not read': 'probe',
  'closed in': 'shape',
  'bolts not tightened': 'join?part=bolts',
  'bolts not settled': 'join?part=bolts',
  'gate shut': 'order?part=gates',
  'temporary not released': 'trace',
  'proof failed': 'prove?part=tried',
  'out of true': 'weigh',
  moved: 'prove?part=measured',
  'not measured again': 'weigh',
  'complaint open': 'prove?part=measured',
  'cause stays': 'prove?part=tried',
  'nothing decided': 'shape',
  'not judged': 'walk',
  'not begun': 'order?part=plan',
  'stage open': 'order?part=plan',
  'no look booked': 'prove?part=tried',
};

/** Everything open, what nobody may sign away first; the owner's word where it is the owner's; snags of the walk-through. */
export function OpenPart({ proof }: { proof: JobProof }) {
  return (
    <section aria-label="What is open">
      <h2 className="text-2xl font-semibold">
        {proof.items.length === 0
          ? 'Nothing on record is open'
          : `${proof.items.length} open, ${proof.holds.length} of them in the way of signing off`}
      </h2>
      <Settling of={proof.items.map(({ item }) => item.key).join()}>
        {MAY_STAND.map((may) => (
          <OpenTo key={may} may={may} items={proof.items.filter(({ item }) => item.may === may)} />
        ))}
      </Settling>
      <SnagForm />
    </section>
  );
}

function OpenTo({ may, items }: { may: MayStand; items: readonly Answered[] }) {
  if (items.length === 0) return null;
  return (
    <div className="mt-3">
      <h3 className="border-b border-ink text-lg font-semibold">{MAY_WORDS[may]}</h3>
      <ul className="ruled" aria-label={MAY_WORDS[may]}>
        {items.map((each) => (
          <Item key={each.item.key} each={each} />
        ))}
      </ul>
    </div>
  );
}

function Item({ each }: { each: Answered }) {
  const { file } = useRecords();
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const [isLeaving, setLeaving] = useState(false);
  const { item, left } = each;
  const to = DONE_IN[item.code];
  const member = item.memberId === undefined ? '' : `${to?.includes('?') ? '&' : '?'}member=${item.memberId}`;
  const said = answerWords(each);
  const words = itemWords(file.frame, item, system);
  const { about } = item;
  const snag = typeof about === 'object' && 'kind' in about && about.kind === 'snag' ? about : undefined;
  return (
    <li className="py-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className={`min-fit-60 flex-1 ${item.may === 'nobody' ? 'font-semibold text-oxide' : ''}`}>
          {OPEN_WORDS[item.code]}
          {words && (
            <>
              : <b>{words}</b>
            </>
          )}
        </span>
        {to && (
          <Link
            className="hit inline-flex items-center underline"
            href={`/jobs/${file.job.id}/${to}${member}`}
          >
            do it
          </Link>
        )}
        {snag && (
          <button
            type="button"
            className="plain"
            onClick={() => keepChecked(snagAnswerKind, { snagId: snag.id, is: 'put right' })}
          >
            put right
          </button>
        )}
        {item.may === 'the owner' && !isLeaving && (
          <button type="button" className="plain" onClick={() => setLeaving(true)}>
            {left ? 'the owner says otherwise' : 'left with the owner’s word'}
          </button>
        )}
      </div>
      {said && <p>{said}</p>}
      {isLeaving && <LeaveForm each={each} onClose={() => setLeaving(false)} />}
    </li>
  );
}

const leftTyped = z.object({ why: z.string(), owner: z.string(), how: z.string() });

function LeaveForm({ each: { item, left }, onClose }: { each: Answered; onClose: () => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const form = useTypedForm(leftTyped, {
    why: left?.why ?? '',
    owner: left?.owner ?? 'owner',
    how: left?.how ?? '',
  });
  const keepIt = (typed: z.infer<typeof leftTyped>) =>
    keepChecked(leftUndoneKind, {
      of: item.key,
      what: openLine(file.frame, item, system).slice(0, 300),
      ...(item.memberId !== undefined && { memberId: item.memberId }),
      ...typed,
    }) ?? onClose();
  return (
    <TypedRecordForm
      form={form}
      label="Left with the owner’s word"
      keep="Signed for"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap gap-2">
        <TypedEntry name="why" label="why it stays" className="min-fit-60 flex-1" maxLength={300} />
        <TypedEntry name="owner" label="who of the owner’s side" className="w-44" maxLength={40} />
        <TypedEntry name="how" label="how: on paper, by telephone" className="w-56" maxLength={80} />
      </div>
    </TypedRecordForm>
  );
}

const snagTyped = z.object({ what: z.string() });

/** What is seen on the walk-through, as it is seen. */
function SnagForm() {
  const keepChecked = useKeepChecked();
  const form = useTypedForm(snagTyped, { what: '' });
  const note = (typed: z.infer<typeof snagTyped>) => keepChecked(snagKind, typed) ?? form.reset();
  return (
    <TypedForm form={form} onKeep={note} label="A snag" className="mt-4 flex flex-wrap items-end gap-2">
      <TypedEntry
        name="what"
        label="walk-through: what is not as it should be"
        className="min-fit-60 flex-1"
        maxLength={300}
      />
      <button type="submit" className="plain">
        Note the snag
      </button>
      <TypedProblem className="basis-full" />
    </TypedForm>
  );
}
