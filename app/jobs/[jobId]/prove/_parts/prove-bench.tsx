'use client';

import { CAUTIONS } from '../../../../_words/cautions';
import { Bench, PartsNav, usePart, useProof } from '../../../_desk';
import { MeasuredPart } from './measured-part';
import { OpenPart } from './open-part';
import { PapersPart } from './papers-part';
import { SignPart } from './sign-part';
import { TriedPart } from './tried-part';

const PARTS = ['open', 'measured', 'tried', 'sign', 'papers'] as const;
type Part = (typeof PARTS)[number];
const PART_WORDS: Readonly<Record<Part, string>> = {
  open: 'What is open',
  measured: 'Before and after',
  tried: 'Tried, and looks',
  sign: 'Sign off',
  papers: 'Papers',
};

/** Is it right, and does it stay right: what is open, what was measured again, what was tried, who signs, what is printed. */
export function ProveBench() {
  const { proof, problem } = useProof();
  const part = usePart(PARTS);
  const counts: Partial<Record<Part, number>> = proof
    ? { open: proof.items.length, measured: proof.changes.length + proof.pairs.length }
    : {};
  return (
    <Bench slice={false} picker={false}>
      <PartsNav label="Parts of Prove" parts={PARTS} words={PART_WORDS} counts={counts} open={part} />
      {problem !== undefined && !proof && (
        <p role="alert" className="font-semibold text-oxide">
          What is open could not be worked out: {problem}. Its records are kept.
        </p>
      )}
      {!proof && problem === undefined && <p className="text-xl">working…</p>}
      {proof && part === 'open' && <OpenPart proof={proof} />}
      {proof && part === 'measured' && <MeasuredPart proof={proof} />}
      {proof && part === 'tried' && <TriedPart proof={proof} />}
      {proof && part === 'sign' && <SignPart proof={proof} />}
      {proof && part === 'papers' && <PapersPart proof={proof} />}
      <p className="caution mt-3">{CAUTIONS.prove}</p>
    </Bench>
  );
}
