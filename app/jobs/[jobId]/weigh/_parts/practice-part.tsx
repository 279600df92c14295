'use client';

import { useState } from 'react';
import { dequal } from 'dequal';
import type { Problem } from '@/core/exchange';
import type { Tried } from '@/core/job';
import type { Practice } from '@/core/reference';
import { Entry } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { askNewestPractice, tryPractice } from '../../../../_client';
import {
  differingFields,
  readPractice,
  typedFigure,
  withFieldOf,
  type PracticeField,
} from '../../../../_practice/fields';
import { Figures, turnedFigures, type FiguresTyped } from '../../../../_practice/figures';
import { LegalForm } from '../../../../_practice/legal-form';
import { WaysForm } from '../../../../_practice/ways-form';
import { useReader, useRecords } from '../../../_desk';
import { TriedWords } from './tried-words';

/** How this job is judged: by its shop's practice at one revision, and where it differs, with the reason; tried before it is kept. */
export function PracticePart() {
  const { file } = useRecords();
  const shop = file.shop;
  return (
    <section aria-label="How this job is judged">
      <h1 className="text-2xl font-bold leading-tight">How this job is judged</h1>
      {shop && (
        <p className="caption">
          By the shop’s practice, revision {shop.revision}. What is changed here holds for this job alone.
        </p>
      )}
      {shop && shop.newest > shop.revision && <TakeUp />}
      <Differences />
      {/* A change kept elsewhere starts the form anew. */}
      <JobPracticeForm key={file.practiceRevision} />
    </section>
  );
}

/** The shop has changed since: what it would do here, and taking it up. What this job says otherwise stays. */
function TakeUp() {
  const { file, changePractice } = useRecords();
  const [tried, setTried] = useState<{ shopRevision: number; practice: Practice; tried: Tried }>();
  const [isTrying, setTrying] = useState(false);
  const [problem, setProblem] = useState<string>();
  const shop = file.shop!;
  const failed = ({ message, kept }: Problem) => {
    setTrying(false);
    setProblem(`${message}. ${kept}`);
  };
  const look = async () => {
    setTrying(true);
    const newest = await askNewestPractice(file.job.id);
    if (!newest.ok) return failed(newest.problem);
    const answer = await tryPractice(file.job.id, newest.value.practice);
    if (!answer.ok) return failed(answer.problem);
    setTrying(false);
    setProblem(undefined);
    setTried({ ...newest.value, tried: answer.value });
  };
  const take = async () => {
    if (!tried) return;
    const refused = await changePractice(tried.practice, { shopRevision: tried.shopRevision });
    if (refused) setProblem(`${refused.message}. ${refused.kept}`);
  };
  return (
    <div className="my-2 border-l-[6px] border-here bg-sheet px-3 py-2" role="status">
      <p className="font-semibold">
        The shop has changed since: revision {shop.newest}. This job keeps to revision {shop.revision} until
        somebody takes the new one up.
      </p>
      {tried && <TriedWords tried={tried.tried} />}
      {problem && (
        <p role="alert" className="font-semibold text-oxide">
          {problem}
        </p>
      )}
      <div className="mt-1 flex flex-wrap gap-3">
        <button type="button" className="plain" disabled={isTrying} onClick={() => void look()}>
          {isTrying ? 'working it out…' : 'See what would change here'}
        </button>
        {tried && (
          <button type="button" className="solid" onClick={() => void take()}>
            Take it up
          </button>
        )}
      </div>
    </div>
  );
}

/** Where this job differs from its shop, why, and the way back, figure by figure. */
function Differences() {
  const { file, changePractice } = useRecords();
  const { system } = useReader();
  const shop = file.shop;
  if (!shop) return null;
  const figures = differingFields(shop.practice, file.practice);
  const isOtherwise = (key: 'ways' | 'legal' | 'school') => !dequal(shop.practice[key], file.practice[key]);
  const kinds = (['ways', 'school', 'legal'] as const).filter(isOtherwise);
  if (figures.length + kinds.length === 0)
    return <p className="py-1">It differs from its shop in nothing.</p>;
  const back = (to: Practice) => void changePractice(to, { why: shop.why });
  const printed = (field: PracticeField, practice: Practice) => typedFigure(field, practice, system) || '–';
  return (
    <div className="my-2">
      <p>It differs from its shop{shop.why && <span className="font-semibold">: {shop.why}</span>}</p>
      <ul className="ruled" aria-label="Where this job differs from its shop">
        {kinds.map((key) => (
          <li key={key} className="flex flex-wrap items-center gap-x-4">
            <span>{{ ways: 'schools', school: 'edge of a plate', legal: 'legal profile' }[key]}</span>
            <button
              type="button"
              className="hit ml-auto px-2 underline"
              onClick={() => back({ ...file.practice, [key]: shop.practice[key] })}
            >
              back to the shop’s
            </button>
          </li>
        ))}
        {figures.map((field) => (
          <li key={field.path.join('.')} className="flex flex-wrap items-center gap-x-4">
            <span>
              {field.label}: {printed(field, file.practice)}
            </span>
            <span className="caption">the shop’s: {printed(field, shop.practice)}</span>
            <button
              type="button"
              className="hit ml-auto px-2 underline"
              onClick={() => back(withFieldOf(file.practice, shop.practice, field))}
            >
              back to the shop’s
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** A practice of this job as it is being changed; looked at before it is kept, kept with a reason. */
function useJobPractice() {
  const { file, changePractice } = useRecords();
  const { system } = useReader();
  const [draft, setDraft] = useState(file.practice);
  const [typed, setTyped] = useState<FiguresTyped>({});
  const [tried, setTried] = useState<Tried>();
  const [isTrying, setTrying] = useState(false);
  const [problem, setProblem] = useState<{ at?: string | undefined; words: string }>();
  useUnitTurn(system, (as) => setTyped(turnedFigures(typed, as)));
  const read = () => {
    const next = readPractice(draft, typed, system);
    setProblem(next.ok ? undefined : { at: next.at, words: next.reason });
    return next.ok ? next.value : undefined;
  };
  return {
    draft,
    typed,
    tried,
    isTrying,
    problem,
    change: (next: Practice) => {
      setDraft(next);
      setTried(undefined);
    },
    type: (key: string, text: string) => {
      setTyped({ ...typed, [key]: text });
      setTried(undefined);
    },
    look: async () => {
      const to = read();
      if (!to) return;
      setTrying(true);
      const answer = await tryPractice(file.job.id, to);
      setTrying(false);
      if (answer.ok) setTried(answer.value);
      else setProblem({ words: `${answer.problem.message}. ${answer.problem.kept}` });
    },
    keep: async (why: string) => {
      const to = read();
      if (!to) return;
      if (why.length < 3) return setProblem({ at: 'why', words: 'say why this job differs' });
      const refused = await changePractice(to, { why });
      if (refused) setProblem({ words: `${refused.message}. ${refused.kept}` });
    },
  };
}

/** Another school, profile or figure for this job: what it would change is seen before it is kept, with a reason. */
function JobPracticeForm() {
  const { system } = useReader();
  const { draft, typed, tried, isTrying, problem, change, type, look, keep } = useJobPractice();
  const [why, setWhy] = useState('');
  return (
    <form
      aria-label="Practice of this job"
      className="mt-3 border-t-2 border-ink pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        void keep(why.trim());
      }}
    >
      <WaysForm practice={draft} onChange={change} />
      <LegalForm practice={draft} system={system} onChange={change} />
      <Figures
        sections={['metal', 'hand and eye', 'geometry', 'load cases', 'plates']}
        practice={draft}
        typed={typed}
        system={system}
        problemAt={problem?.at}
        onType={type}
      />
      {tried && <TriedWords tried={tried} />}
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-oxide">
          {problem.words}
        </p>
      )}
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <button type="button" className="plain" disabled={isTrying} onClick={() => void look()}>
          {isTrying ? 'working it out…' : 'See what would change'}
        </button>
        <Entry
          label="why this job differs from its shop"
          className="min-fit-64 flex-1"
          value={why}
          maxLength={300}
          onChange={(event) => setWhy(event.target.value)}
        />
        <button type="submit" className="solid">
          Keep for this job
        </button>
      </div>
    </form>
  );
}
