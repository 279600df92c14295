'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { UnitSystem } from '@/core/quantity';
import type { Practice } from '@/core/reference';
import { changeShop } from '../../_client';
import { useUnitTurn } from '../../_parts/turned';
import { PRACTICE_SECTIONS, readPractice } from '../../_practice/fields';
import { Figures, turnedFigures, type FiguresTyped } from '../../_practice/figures';
import { LegalForm } from '../../_practice/legal-form';
import { WaysForm } from '../../_practice/ways-form';
import { ChangedBy } from './changed-by';

/** The shop's practice, whole: schools, legal profile and every figure, kept as the next revision. */
export function ShopPracticeForm({
  revision,
  practice,
  system,
}: {
  revision: number;
  practice: Practice;
  system: UnitSystem;
}) {
  const router = useRouter();
  const [draft, setDraft] = useState(practice);
  const [typed, setTyped] = useState<FiguresTyped>({});
  const [by, setBy] = useState('');
  const [problem, setProblem] = useState<{ at?: string | undefined; words: string }>();
  useUnitTurn(system, (as) => setTyped(turnedFigures(typed, as)));
  const keep = async () => {
    const next = readPractice(draft, typed, system);
    if (!next.ok) return setProblem({ at: next.at, words: next.reason });
    if (by.trim() === '') return setProblem({ at: 'by', words: 'say who changes the shop’s practice' });
    const stamp = { by: by.trim(), at: new Date().toISOString() };
    const answer = await changeShop({ basedOn: revision, to: next.value, ...stamp });
    if (!answer.ok) return setProblem({ words: `${answer.problem.message}. ${answer.problem.kept}` });
    setProblem(undefined);
    toast.success('The shop’s practice is kept', { description: 'Jobs that are there keep to theirs.' });
    router.refresh();
  };
  return (
    <form
      aria-label="The shop’s practice"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <h2 className="border-b border-ink text-lg font-semibold">
        How we work{' '}
        <span className="caption">
          {revision === 0 ? 'as the product starts: nobody has changed it yet' : `revision ${revision}`}
        </span>
      </h2>
      <WaysForm practice={draft} onChange={setDraft} />
      <LegalForm practice={draft} system={system} onChange={setDraft} />
      <Figures
        sections={PRACTICE_SECTIONS}
        practice={draft}
        typed={typed}
        system={system}
        problemAt={problem?.at}
        onType={(key, text) => setTyped({ ...typed, [key]: text })}
      />
      <ChangedBy by={by} onBy={setBy} keep="Keep the shop’s practice" problem={problem?.words} />
    </form>
  );
}
