'use client';

import type { Tried } from '@/core/job';
import { memberOf } from '@/core/frame';
import { QUESTION_WORDS } from '../../../../_words/answers';
import { useRecords } from '../../../_desk';

/** What another practice would change, before it is kept: verdicts and answers. */
export function TriedWords({ tried: { members, answers } }: { tried: Tried }) {
  const { file } = useRecords();
  if (members.length + answers.length === 0)
    return (
      <p role="status" className="mt-2 font-semibold">
        No verdict and no answer of this job would change.
      </p>
    );
  return (
    <div role="status" className="mt-2">
      <p className="font-semibold">It would change:</p>
      <ul className="ruled" aria-label="What would change">
        {answers.map(({ question, from, to }) => (
          <li key={question}>
            {QUESTION_WORDS[question]} {from} → <span className="font-semibold">{to}</span>
          </li>
        ))}
        {members.map(({ memberId, from, to }) => (
          <li key={memberId}>
            {memberOf(file.frame, memberId)?.name ?? memberId}: {from} →{' '}
            <span className="font-semibold">{to}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
