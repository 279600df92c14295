'use client';

import { useState } from 'react';
import type { Notice } from '@/core/frame';
import { Entry, Sheet, When } from '@/ui/controls';
import { liftNotice } from '../../../../_client';
import { useReader, useRecords, useStamp } from '../../../_desk';

/** What stands on the unit, each to be lifted with a reason. */
export function StandingNotices() {
  const { file } = useRecords();
  const [lifting, setLifting] = useState<Notice>();
  if (file.notices.length === 0) return null;
  return (
    <section aria-label="Notices that stand" className="mt-5">
      <h2 className="text-lg font-semibold">Standing notices on {file.unit.tag}</h2>
      <ul className="ruled">
        {file.notices.map((notice) => (
          <li key={notice.id} className="flex flex-wrap items-center gap-x-4 py-1">
            <span className="font-semibold">{notice.words}</span>
            <span className="caption">
              {notice.by}, <When at={notice.at} only="day" />
            </span>
            <button type="button" className="hit ml-auto px-2 underline" onClick={() => setLifting(notice)}>
              it no longer stands
            </button>
          </li>
        ))}
      </ul>
      {lifting && <LiftSheet key={lifting.id} notice={lifting} onClose={() => setLifting(undefined)} />}
    </section>
  );
}

function LiftSheet({ notice, onClose }: { notice: Notice; onClose: () => void }) {
  const { refresh } = useRecords();
  const { by } = useReader();
  const stamp = useStamp();
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<string>();
  const lift = async () => {
    if (why.trim().length < 3) return setProblem('say why it no longer stands');
    const answer = await liftNotice(notice.unitId, { ...stamp(), noticeId: notice.id, why });
    if (!answer.ok) return setProblem(`${answer.problem.message}; the notice stands`);
    await refresh();
    onClose();
  };
  return (
    <Sheet title="Lift this notice" describe={notice.words} open onOpenChange={(next) => !next && onClose()}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void lift();
        }}
      >
        <Entry
          label="Why it no longer stands"
          value={why}
          maxLength={200}
          autoFocus
          {...(problem && { problem })}
          onChange={(event) => setWhy(event.target.value)}
        />
        <p className="caption">Kept with {by.trim() || 'no name'} and today’s date.</p>
        <button className="solid" type="submit">
          Lift the notice
        </button>
      </form>
    </Sheet>
  );
}
