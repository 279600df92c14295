'use client';

import { useState } from 'react';
import { readPractice } from '../../../../_practice/fields';
import { Figures, type FiguresTyped } from '../../../../_practice/figures';
import { useReader, useRecords } from '../../../_desk';

/** Rate, prices and norms of the shop as this job uses them; every figure may be changed. */
export function NormsForm() {
  const { file, changePractice } = useRecords();
  const { system } = useReader();
  const [typed, setTyped] = useState<FiguresTyped>({});
  const [problem, setProblem] = useState<{ at?: string | undefined; words: string }>();
  const keep = async () => {
    const read = readPractice(file.practice, typed, system);
    if (!read.ok) return setProblem({ at: read.at, words: read.reason });
    const refused = await changePractice(read.value);
    if (refused) return setProblem({ words: `${refused.message}. ${refused.kept}` });
    setTyped({});
    setProblem(undefined);
  };
  return (
    <form
      aria-label="Rate, prices and norms"
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <Figures
        sections={['money and hours']}
        practice={file.practice}
        typed={typed}
        system={system}
        problemAt={problem?.at}
        onType={(key, text) => setTyped({ ...typed, [key]: text })}
      />
      {problem && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          {problem.words}
        </p>
      )}
      {Object.keys(typed).length > 0 && (
        <button type="submit" className="solid mt-2">
          Keep these figures
        </button>
      )}
    </form>
  );
}
