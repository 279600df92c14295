'use client';

import { useEffect, useState } from 'react';
import { adviceOf, stands, type JobProof } from '@/core/job';
import type { PassportIssued } from '@/core/prove';
import { Entry, useOneByOne, When } from '@/ui/controls';
import { ask, tell, type Answer } from '../../../../_client';
import { useKeeping } from '../../../../_outbox';
import { adviceLines, isWarning } from '../../../../_words/advice';
import { useReader, useRecords, useStamp, useWork } from '../../../_desk';

/** The owner's closing report; the passport with the sum of the record; a paper held against the record, or against a file. */
export function PapersPart({ proof }: { proof: JobProof }) {
  const { file } = useRecords();
  const { system } = useReader();
  const issued = stands(file, 'passport').at(-1);
  const paper = (which: string) => `/api/jobs/${file.job.id}/prove-papers/${which}?unit=${system}`;
  useReady(paper('ready'));
  return (
    <section aria-label="Papers">
      <ul className="ruled border-y border-rule">
        <li className="flex flex-wrap items-center gap-4 py-2">
          <span className="min-fit-60 flex-1">
            Closing report for the owner: what was specified, measured, tried, what is left and why
          </span>
          <a className="plain" download href={paper('closing-report')}>
            Closing report
          </a>
        </li>
        <PhotoBookRow />
        <li className="flex flex-wrap items-center gap-4 py-2">
          <span className="min-fit-60 flex-1">
            Repair passport for the next inspector, with the sum of the record
            {issued && (
              <span className="caption block">
                issued by {issued.by}, <When at={issued.at} />: {issued.sha256.slice(0, 16)}…
              </span>
            )}
          </span>
          {issued && (
            <a className="plain" download href={paper('passport')}>
              Repair passport
            </a>
          )}
          <IssueButton proof={proof} issued={issued} />
        </li>
      </ul>
      <KeepsWhole isKept={proof.isAllKept} />
      <CheckForm />
    </section>
  );
}

/** Has the server work out what the papers print while somebody still reads; that it cannot is said when a paper is asked for. */
function useReady(address: string): void {
  useEffect(() => void fetch(address).catch(() => undefined), [address]);
}

/** All photos on paper, where there are any. */
function PhotoBookRow() {
  const { file } = useRecords();
  const { system } = useReader();
  const count = stands(file, 'photo').length;
  return (
    <li className="flex flex-wrap items-center gap-4 py-2">
      <span className="min-fit-60 flex-1">
        Photo book: every photo, member by member, before and after side by side
        <span className="caption block">{count === 0 ? 'no photo is on record' : `${count} on record`}</span>
      </span>
      {count > 0 && (
        <a className="plain" download href={`/api/jobs/${file.job.id}/photo-book?unit=${system}`}>
          Photo book
        </a>
      )}
    </li>
  );
}

/** What keeps this frame whole, as it was worked out; printed on the closing report too. */
function KeepsWhole({ isKept }: { isKept: boolean }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { demand } = useWork();
  const advice = demand && adviceOf(file, demand, isKept);
  return (
    <section aria-label="What keeps it whole" className="mt-4">
      <h2 className="text-xl font-semibold">What keeps it whole</h2>
      {advice ? (
        <ul className="ruled border-y border-rule">
          {adviceLines(file.frame, advice, system).map((line) => (
            <li key={line} className={isWarning(line) ? 'font-semibold text-oxide' : ''}>
              {line}
            </li>
          ))}
        </ul>
      ) : (
        <p className="caption">Nothing is known of the road before its loads are on record and worked out.</p>
      )}
    </section>
  );
}

function IssueButton({ proof, issued }: { proof: JobProof; issued: PassportIssued | undefined }) {
  const { file, keep } = useRecords();
  const stamp = useStamp();
  const { state } = useKeeping();
  const [problem, setProblem] = useState<string>();
  const issue = useOneByOne(async () => {
    if (state !== 'kept') return setProblem('something is on its way to the server yet: nothing was issued');
    if (!proof.isSignedOff) return setProblem('it is signed off first: nothing was issued');
    const stamped = stamp();
    const sum = await ask<{ sha256: string }>(
      `/api/jobs/${file.job.id}/passport?upTo=${encodeURIComponent(stamped.at)}`,
    );
    if (!sum.ok) return setProblem(`${sum.problem.message}; nothing was issued`);
    setProblem(undefined);
    keep({ kind: 'passport', ...stamped, note: '', sha256: sum.value.sha256 });
  });
  return (
    <>
      <button type="button" className="solid" onClick={() => void issue()}>
        {issued ? 'Issue it anew' : 'Issue the passport'}
      </button>
      {problem && (
        <p role="alert" className="basis-full font-semibold text-oxide">
          {problem}
        </p>
      )}
    </>
  );
}

type Found = Answer<{ isSame: boolean }>;

/** A passport's code held against this record, or against a job's file from elsewhere. */
function CheckForm() {
  const { file } = useRecords();
  const [code, setCode] = useState('');
  const [bundle, setBundle] = useState<File>();
  const [found, setFound] = useState<Found>();
  const check = async () =>
    setFound(
      bundle
        ? await tell('/api/passports', { code, bundle: await bundle.text() })
        : await ask(`/api/jobs/${file.job.id}/passport?code=${encodeURIComponent(code)}`),
    );
  return (
    <form
      aria-label="Hold a passport against the record"
      className="mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void check();
      }}
    >
      <Entry
        label="what the passport’s code says when it is scanned"
        className="min-fit-60 flex-1"
        maxLength={400}
        value={code}
        onChange={(event) => {
          setCode(event.target.value);
          setFound(undefined);
        }}
      />
      <label className="caption">
        against a job’s file instead of this record
        <input
          type="file"
          accept="application/json,.json"
          className="field block w-64"
          onChange={(event) => {
            setBundle(event.target.files?.[0]);
            setFound(undefined);
          }}
        />
      </label>
      <button type="submit" className="plain">
        Hold them together
      </button>
      {found && (
        <p
          role="status"
          className={`basis-full text-lg font-semibold ${found.ok && found.value.isSame ? '' : 'text-oxide'}`}
        >
          {!found.ok
            ? `${found.problem.message}.`
            : found.value.isSame
              ? 'The same record, as it stood then.'
              : 'Altered since: this is not the record that the paper was printed from.'}
        </p>
      )}
    </form>
  );
}
