'use client';

import { useState } from 'react';
import { toast } from 'sonner';
import type { Answered, Question } from '@/core/job';
import { addNotice } from '../../../../_client';
import { proposedNotice } from '../../../../_words/answers';
import { useReader, useRecords, useStamp } from '../../../_desk';

/** A *no* proposes a standing notice: one tap keeps it on the unit. */
export function NoticeOffer({ question, answered }: { question: Question; answered: Answered }) {
  const { file, refresh } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [isBusy, setBusy] = useState(false);
  if (file.notices.some(({ about }) => about === question))
    return <span className="caption self-center">a standing notice says so</span>;
  const words = proposedNotice(question, answered, { frame: file.frame, system });
  const keep = async () => {
    setBusy(true);
    const answer = await addNotice({ ...stamp(), unitId: file.unit.id, words, about: question });
    if (answer.ok) await refresh();
    else toast.error(`The notice was not kept: ${answer.problem.message}`);
    setBusy(false);
  };
  return (
    <button type="button" className="plain" disabled={isBusy} onClick={() => void keep()}>
      Keep as a standing notice
    </button>
  );
}
