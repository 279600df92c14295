'use client';

import { z } from 'zod';
import type { JobProof } from '@/core/job';
import { partsOf, signOffKind, signOffSchema } from '@/core/prove';
import { TypedEntry, TypedForm, TypedProblem, useTypedForm, When } from '@/ui/controls';
import { openLine } from '../../../../_words/prove';
import { notKept, openPart, useKeepChecked, useReader, useRecords } from '../../../_desk';

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

const { second, walkedWith, passed } = signOffSchema.shape;
/**
 * A reason stays with what it was given for, however many of them come or go while the form is open: each lies under its item's own key. Field
 * names part at dots and brackets.
 */
const nameOf = ({ key }: { readonly key: string }): string => key.replace(/[.[\]]/g, '_');
const typedSignature = (toPass: readonly { readonly key: string }[]) =>
  z.object({
    second,
    walkedWith,
    whys: z.object(Object.fromEntries(toPass.map((item) => [nameOf(item), passed.element.shape.why]))),
  });

function SignForm({ proof }: { proof: JobProof }) {
  const { file } = useRecords();
  const { by, system } = useReader();
  const toPass = proof.items.filter(({ item }) => item.may === 'two names');
  const keepChecked = useKeepChecked();
  const schema = typedSignature(toPass.map(({ item }) => item));
  const form = useTypedForm(schema, {
    second: '',
    walkedWith: '',
    whys: Object.fromEntries(toPass.map(({ item }) => [nameOf(item), ''])),
  });
  const sign = ({ whys, ...names }: z.infer<typeof schema>) => {
    if (by.trim() === '') return notKept('who signs? By, at the top');
    const stays = toPass.map(({ item }) => ({
      key: item.key,
      parts: [...partsOf(item)],
      name: openLine(file.frame, item, system).slice(0, 300),
      why: whys[nameOf(item)]!,
    }));
    return keepChecked(signOffKind, { ...names, passed: stays });
  };
  return (
    <TypedForm form={form} onKeep={sign} label="Sign off" className="mt-2">
      {toPass.map(({ item }) => (
        <TypedEntry
          key={item.key}
          name={`whys.${nameOf(item)}`}
          label={`${openLine(file.frame, item, system)}. It stands because`}
          className="mb-2"
          maxLength={300}
        />
      ))}
      <div className="flex flex-wrap items-start gap-2">
        <p className="pt-8">
          signed by <b>{by || 'nobody named'}</b>, and
        </p>
        <TypedEntry name="second" label="second pair of eyes" className="w-44" maxLength={40} />
        <TypedEntry name="walkedWith" label="walked round with (role)" className="w-44" maxLength={40} />
        <button type="submit" className="solid mt-[1.3rem]">
          Sign off
        </button>
      </div>
      <TypedProblem className="mt-1" />
    </TypedForm>
  );
}
