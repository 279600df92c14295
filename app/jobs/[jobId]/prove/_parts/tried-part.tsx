'use client';

import { useState } from 'react';
import { stands, type JobProof } from '@/core/job';
import { lookBookedKind, proofKind, PROOFS, type ProofOf } from '@/core/prove';
import { parseDistanceKm, printDistance } from '@/core/quantity';
import { Choice, Entry, Pick, RecordForm, When } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { dayWords } from '../../../../_words/dates';
import { PROOF_WORDS } from '../../../../_words/prove';
import { useChecked, useReader, useRecords } from '../../../_desk';
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

function TriedForm({ proof, onClose }: { proof: JobProof; onClose: () => void }) {
  const { file } = useRecords();
  const causes = proof.items.filter(({ item }) => item.code === 'cause stays');
  const [of, setOf] = useState<ProofOf>(causes.length > 0 ? 'the cause is gone' : PROOFS[0]);
  const [memberId, setMember] = useState(causes[0]?.item.memberId ?? file.frame.members[0]!.id);
  const [typed, setTyped] = useState({ place: '', note: '', film: '', asked: '' });
  const [held, setHeld] = useState<(typeof HELD)[number] | ''>('');
  const { problem, refuse, keepChecked } = useChecked(onClose);
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const isCause = of === 'the cause is gone';
  const nameOf = (id: string) => file.frame.members.find((member) => member.id === id)?.name ?? id;
  const keepIt = () => {
    if (held === '') return refuse('did it hold, or not?');
    const microns = (text: string) => (text.trim() ? Number(text.replace(',', '.')) : undefined);
    keepChecked(proofKind, {
      note: typed.note,
      of,
      place: isCause ? nameOf(memberId) : typed.place,
      held: held === 'held',
      ...(isCause && { memberId }),
      ...(of === 'dry film' && { filmUm: microns(typed.film), askedUm: microns(typed.asked) }),
    });
  };
  return (
    <RecordForm
      label="Something was tried"
      problem={problem}
      keep="Keep it"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-end gap-2">
        <Pick
          label="what"
          value={of}
          options={PROOFS}
          words={(each) => PROOF_WORDS[each]}
          onPick={setOf}
          className="w-72"
        />
        {isCause ? (
          <Pick
            label="of which member"
            value={memberId}
            options={file.frame.members.map(({ id }) => id)}
            words={nameOf}
            onPick={setMember}
            className="w-52"
          />
        ) : (
          <Entry
            label="where"
            className="min-w-44 flex-1"
            maxLength={120}
            value={typed.place}
            onChange={set('place')}
          />
        )}
        {of === 'dry film' && (
          <>
            <Entry label="read, µm" className="w-28" value={typed.film} onChange={set('film')} />
            <Entry label="asked, µm" className="w-28" value={typed.asked} onChange={set('asked')} />
          </>
        )}
        <div>
          <p className="caption">it</p>
          <Choice label="Held" value={held as (typeof HELD)[number]} options={HELD} onChange={setHeld} />
        </div>
        <Entry
          label={isCause ? 'what it was, and what became of it' : 'what did not hold'}
          className="min-w-60 flex-1"
          maxLength={300}
          value={typed.note}
          onChange={set('note')}
        />
      </div>
    </RecordForm>
  );
}

function LookForm({ onClose }: { onClose: () => void }) {
  const { system } = useReader();
  const [typed, setTyped] = useState({ what: 'torque, seams, drains', on: '', far: '' });
  const { problem, refuse, keepChecked } = useChecked(onClose);
  useUnitTurn(system, (as) => setTyped((before) => ({ ...before, far: as(before.far, 'distance') })));
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const keepIt = () => {
    const km = typed.far.trim() ? parseDistanceKm(typed.far, system) : undefined;
    if (km && !km.ok) return refuse(`${km.reason}`);
    keepChecked(lookBookedKind, {
      what: typed.what,
      ...(typed.on && { on: typed.on }),
      ...(km && { afterKm: km.value }),
    });
  };
  return (
    <RecordForm label="Book a look" problem={problem} keep="Book it" onKeep={keepIt} onLeave={onClose}>
      <div className="flex flex-wrap items-end gap-2">
        <Entry
          label="what is looked at"
          className="min-w-60 flex-1"
          maxLength={200}
          value={typed.what}
          onChange={set('what')}
        />
        <Entry label="on" type="date" className="w-44" value={typed.on} onChange={set('on')} />
        <Entry
          label={`or after, ${system === 'in' ? 'mi' : 'km'}`}
          className="w-32"
          value={typed.far}
          onChange={set('far')}
        />
      </div>
    </RecordForm>
  );
}
