'use client';

import { useState } from 'react';
import type { JobProof } from '@/core/job';
import { partsOf, signOffKind } from '@/core/prove';
import { Entry, When } from '@/ui/controls';
import { openLine } from '../../../../_words/prove';
import { openPart, useChecked, useReader, useRecords } from '../../../_desk';

/** By name and by a second pair of eyes; what two names may let stand, each with its reason. Nothing is signed while something holds it. */
export function SignPart({ proof }: { proof: JobProof }) {
  const { signOff, isSignedOff, holds } = proof;
  return (
    <section aria-label="Sign off">
      <h2 className="text-2xl font-semibold">
        {isSignedOff ? 'Signed off' : signOff ? 'Signed off before what is open now' : 'Not signed off'}
      </h2>
      {signOff && (
        <p className={isSignedOff ? '' : 'font-semibold text-oxide'}>
          {signOff.by} and {signOff.second}, walked round with {signOff.walkedWith}, <When at={signOff.at} />
          {!isSignedOff && ': it no longer stands'}.
        </p>
      )}
      {holds.length > 0 ? (
        <>
          <p className="mt-2 text-lg font-semibold text-oxide" role="alert">
            {holds.length === 1 ? 'One thing is' : `${holds.length} things are`} in the way: done first, or
            left with the owner’s word where it may be.
          </p>
          <button type="button" className="plain mt-1" onClick={() => openPart('open')}>
            What is open
          </button>
        </>
      ) : (
        !isSignedOff && <SignForm proof={proof} />
      )}
    </section>
  );
}

function SignForm({ proof }: { proof: JobProof }) {
  const { file } = useRecords();
  const { by, system } = useReader();
  const toPass = proof.items.filter(({ item }) => item.may === 'two names');
  const [second, setSecond] = useState('');
  const [walkedWith, setWalked] = useState('');
  const [whys, setWhys] = useState<Readonly<Record<string, string>>>({});
  const { problem, refuse, keepChecked } = useChecked();
  const keepIt = () => {
    if (by.trim() === '') return refuse('who signs? By, at the top');
    keepChecked(signOffKind, {
      second,
      walkedWith,
      passed: toPass.map(({ item }) => ({
        key: item.key,
        parts: [...partsOf(item)],
        name: openLine(file.frame, item, system).slice(0, 300),
        why: whys[item.key] ?? '',
      })),
    });
  };
  return (
    <form
      aria-label="Sign off"
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        keepIt();
      }}
    >
      {toPass.map(({ item }) => (
        <Entry
          key={item.key}
          label={`${openLine(file.frame, item, system)}. It stands because`}
          className="mb-2"
          maxLength={300}
          value={whys[item.key] ?? ''}
          onChange={(event) => setWhys({ ...whys, [item.key]: event.target.value })}
        />
      ))}
      <div className="flex flex-wrap items-end gap-2">
        <p className="pb-3">
          signed by <b>{by || 'nobody named'}</b>, and
        </p>
        <Entry
          label="second pair of eyes"
          className="w-44"
          maxLength={40}
          value={second}
          onChange={(event) => setSecond(event.target.value)}
        />
        <Entry
          label="walked round with (role)"
          className="w-44"
          maxLength={40}
          value={walkedWith}
          onChange={(event) => setWalked(event.target.value)}
        />
        <button type="submit" className="solid">
          Sign off
        </button>
      </div>
      {problem && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          {problem}
        </p>
      )}
    </form>
  );
}
