'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { stands, type JobFile, type JobProof } from '@/core/job';
import { lookBookedKind, proofKind, PROOFS, type ProofOf } from '@/core/prove';
import { parseDistanceKm, printDistance, type UnitSystem } from '@/core/quantity';
import {
  FieldProblem,
  TypedChoice,
  TypedEntry,
  TypedPick,
  TypedRecordForm,
  useTypedForm,
  When,
  type TypedFormOf,
} from '@/ui/controls';
import { figureTyped, readIfTyped, useFieldsTurn } from '../../../../_parts/typed';
import { dayWords } from '../../../../_words/dates';
import { PROOF_WORDS } from '../../../../_words/prove';
import { useKeepChecked, useReader, useRecords } from '../../../_desk';
import { PreservedPart } from './preserved-part';

/** What was tried and whether it held; when somebody looks again. */
export function TriedPart({ proof }: { proof: JobProof }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [form, setForm] = useState<'none' | 'tried' | 'look'>('none');
  const close = () => setForm('none');
  return (
    <section aria-label="Tried, and looks">
      <h2 className="text-2xl font-semibold">Tried</h2>
      <ul className="ruled" aria-label="Tried">
        {stands(file, 'proof').map(({ id, of, place, held, note, by, at, filmUm, askedUm }) => (
          <li key={id} className="py-1">
            {PROOF_WORDS[of]}: {place}
            {filmUm !== undefined && `, ${filmUm} µm of ${askedUm} asked`}:{' '}
            <b className={held ? '' : 'text-oxide'}>{held ? 'held' : 'did not hold'}</b>
            {note && `, ${note}`}{' '}
            <span className="caption">
              {by}, <When at={at} />
            </span>
          </li>
        ))}
      </ul>
      {form === 'tried' ? (
        <TriedForm proof={proof} onClose={close} />
      ) : (
        <button type="button" className="plain mt-1" onClick={() => setForm('tried')}>
          Something was tried
        </button>
      )}
      <h2 className="mt-4 text-2xl font-semibold">Looked at again</h2>
      <ul className="ruled" aria-label="Looked at again">
        {stands(file, 'look booked').map(({ id, what, on, afterKm }) => (
          <li key={id} className="py-1">
            {what}:{' '}
            {[on && dayWords(on), afterKm !== undefined && `after ${printDistance(afterKm, system)}`]
              .filter(Boolean)
              .join(' or ')}
          </li>
        ))}
      </ul>
      {form === 'look' ? (
        <LookForm onClose={close} />
      ) : (
        <button type="button" className="plain mt-1" onClick={() => setForm('look')}>
          Book a look
        </button>
      )}
      <PreservedPart />
    </section>
  );
}

const HELD = ['held', 'did not hold'] as const;
const triedTyped = z.object({
  of: z.enum(PROOFS),
  memberId: z.string(),
  place: z.string(),
  film: figureTyped,
  asked: figureTyped,
  held: z.enum(HELD, 'did it hold, or not?'),
  note: z.string(),
});
type Tried = TypedFormOf<z.input<typeof triedTyped>, z.output<typeof triedTyped>>;

function TriedForm({ proof, onClose }: { proof: JobProof; onClose: () => void }) {
  const { file } = useRecords();
  const keepChecked = useKeepChecked();
  const causes = proof.items.filter(({ item }) => item.code === 'cause stays');
  const form: Tried = useTypedForm(triedTyped, {
    of: (causes.length > 0 ? 'the cause is gone' : PROOFS[0]) as ProofOf,
    memberId: causes[0]?.item.memberId ?? file.frame.members[0]!.id,
    place: '',
    film: '',
    asked: '',
    held: '' as (typeof HELD)[number],
    note: '',
  });
  const keepIt = ({ of, memberId, place, film, asked, held, note }: z.infer<typeof triedTyped>) =>
    keepChecked(proofKind, {
      note,
      of,
      place: isCause(of) ? memberName(file, memberId) : place,
      held: held === 'held',
      ...(isCause(of) && { memberId }),
      ...(of === 'dry film' && { filmUm: film, askedUm: asked }),
    }) ?? onClose();
  return (
    <TypedRecordForm form={form} label="Something was tried" keep="Keep it" onKeep={keepIt} onLeave={onClose}>
      <TriedFields form={form} />
      <FieldProblem name="held" />
    </TypedRecordForm>
  );
}

const isCause = (of: ProofOf): boolean => of === 'the cause is gone';
const memberName = ({ frame }: JobFile, id: string) =>
  frame.members.find((member) => member.id === id)?.name ?? id;

function TriedFields({ form }: { form: Tried }) {
  const { file } = useRecords();
  const of = useWatch({ control: form.control, name: 'of' });
  return (
    <div className="flex flex-wrap items-end gap-2">
      <TypedPick
        name="of"
        label="what"
        options={PROOFS}
        words={(each) => PROOF_WORDS[each]}
        className="w-72"
      />
      {isCause(of) ? (
        <TypedPick
          name="memberId"
          label="of which member"
          options={file.frame.members.map(({ id }) => id)}
          words={(id) => memberName(file, id)}
          className="w-52"
        />
      ) : (
        <TypedEntry name="place" label="where" className="min-fit-44 flex-1" maxLength={120} />
      )}
      {of === 'dry film' && (
        <>
          <TypedEntry name="film" label="read, µm" className="w-28" />
          <TypedEntry name="asked" label="asked, µm" className="w-28" />
        </>
      )}
      <div>
        <p className="caption">it</p>
        <TypedChoice name="held" label="Held" options={HELD} />
      </div>
      <TypedEntry
        name="note"
        label={isCause(of) ? 'what it was, and what became of it' : 'what did not hold'}
        className="min-fit-60 flex-1"
        maxLength={300}
      />
    </div>
  );
}

const typedLook = (system: UnitSystem) =>
  z.object({
    what: z.string(),
    on: z.string(),
    far: readIfTyped((text) => parseDistanceKm(text, system)),
  });

function LookForm({ onClose }: { onClose: () => void }) {
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const schema = typedLook(system);
  const form = useTypedForm(schema, { what: 'torque, seams, drains', on: '', far: '' });
  useFieldsTurn(form, system, { far: 'distance' });
  const book = ({ what, on, far }: z.infer<typeof schema>) =>
    keepChecked(lookBookedKind, {
      what,
      ...(on && { on }),
      ...(far !== undefined && { afterKm: far }),
    }) ?? onClose();
  return (
    <TypedRecordForm form={form} label="Book a look" keep="Book it" onKeep={book} onLeave={onClose}>
      <div className="flex flex-wrap items-start gap-2">
        <TypedEntry name="what" label="what is looked at" className="min-fit-60 flex-1" maxLength={200} />
        <TypedEntry name="on" label="on" type="date" className="w-44" />
        <TypedEntry name="far" label={`or after, ${system === 'in' ? 'mi' : 'km'}`} className="w-32" />
      </div>
    </TypedRecordForm>
  );
}
