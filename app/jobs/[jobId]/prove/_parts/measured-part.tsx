'use client';

import { Link } from '@/app/_parts/link';
import { useState, type ReactNode } from 'react';
import { z } from 'zod';
import { expectedFelt, stands, type JobProof } from '@/core/job';
import { flexKind, placeKey } from '@/core/prove';
import { parseMeasuredMm, type UnitSystem } from '@/core/quantity';
import { LOAD_STATES } from '@/core/trace';
import { TypedEntry, TypedPick, TypedRecordForm, useTypedForm } from '@/ui/controls';
import { readBy, useFieldsTurn } from '../../../../_parts/typed';
import {
  changeFigure,
  changeName,
  changeWords,
  expectedWords,
  FLEX_WORDS,
  MOVED_WORDS,
  NOT_SAID_WORDS,
  pairWords,
} from '../../../../_words/prove';
import { READ_HEADS, readRows, WORTH_HEADS, worthRows } from '../../../../_words/prove-papers';
import { useKeepChecked, useReader, useRecords, useWork } from '../../../_desk';
import { MovedChart } from './moved-chart';

const MOVED_HEADS = ['what', 'before', 'after', 'moved by, of what it may', ''] as const;

/** A table of this page: its heads small, a rule under each row. */
function Ruled({ label, heads, children }: { label: string; heads: readonly string[]; children: ReactNode }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-left letters-16" aria-label={label}>
        <thead>
          <tr className="caption border-b border-ink">
            {heads.map((head) => (
              <th key={head} scope="col" className="py-1 pr-4 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">{children}</tbody>
      </table>
    </div>
  );
}

/** What was measured before the first cut and after the last weld, and how far the same push moved the same place. */
export function MeasuredPart({ proof }: { proof: JobProof }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [isPushing, setPushing] = useState(false);
  return (
    <section aria-label="Before and after">
      <h2 className="text-2xl font-semibold">Measured again</h2>
      {proof.changes.length === 0 ? (
        <p className="max-w-prose">
          {proof.cutAt === undefined
            ? 'No metal is recorded as cut or welded yet: what is measured now is the baseline.'
            : 'Nothing was measured both before the first cut and after the last weld: straight is not said.'}{' '}
          <Link className="underline" href={`/jobs/${file.job.id}/weigh?part=geometry`}>
            Measure in Weigh
          </Link>
        </p>
      ) : (
        <Moved changes={proof.changes} />
      )}
      <Worth proof={proof} />
      <ReadTwice proof={proof} />
      <h2 className="mt-4 text-2xl font-semibold">The same push</h2>
      <ul className="ruled" aria-label="The same push">
        {proof.pairs.map((pair) => (
          <li key={`${pair.place} ${pair.push} ${pair.state}`} className="py-1">
            <b>{pair.place}</b>, {pair.push}, {pair.state}: {pairWords(pair, system)};{' '}
            <span className={pair.says === 'gives less' ? 'font-semibold' : 'font-semibold text-oxide'}>
              {FLEX_WORDS[pair.says]}
            </span>
          </li>
        ))}
      </ul>
      {proof.pairs.length === 0 && <p className="caption">No push is recorded.</p>}
      <Expected isKept={proof.isAllKept} />
      {isPushing ? (
        <PushForm proof={proof} onClose={() => setPushing(false)} />
      ) : (
        <button type="button" className="plain mt-1" onClick={() => setPushing(true)}>
          Record a push
        </button>
      )}
    </section>
  );
}

/** Each place as it was, as it is, and whether it moved; drawn below. */
function Moved({ changes }: { changes: JobProof['changes'] }) {
  const { frame } = useRecords().file;
  const { system } = useReader();
  return (
    <>
      <Ruled label="Measured before and after" heads={MOVED_HEADS}>
        {changes.map((change) => (
          <tr key={`${change.key} ${placeKey(change)}`}>
            <th scope="row" className="py-1 pr-4 font-normal">
              {changeName(frame, change, system)}
            </th>
            <td className="pr-4">{changeFigure(change.was, change, system)}</td>
            <td className="pr-4">{changeFigure(change.is, change, system)}</td>
            <td className="pr-4">{changeWords(change, system)}</td>
            <td className={change.says === 'moved' ? 'font-semibold text-oxide' : ''}>
              {MOVED_WORDS[change.says]}
              {change.notSaid && `: ${NOT_SAID_WORDS[change.notSaid]}`}
              {(change.before.simulated ?? change.after.simulated) && ', simulated'}
            </td>
          </tr>
        ))}
      </Ruled>
      <MovedChart frame={frame} changes={changes} system={system} />
    </>
  );
}

/** What the frame model expects, to hold beside what was pushed: it knows the metal on record and nothing of play in bushes and springs. */
function Expected({ isKept }: { isKept: boolean }) {
  const { system } = useReader();
  const { demand } = useWork();
  const expected = demand ? expectedFelt(demand, isKept) : [];
  if (expected.length === 0) return null;
  return (
    <>
      <p className="caption mt-2">
        What the frame model expects of it; play in bushes and springs is not in it:
      </p>
      <ul className="ruled" aria-label="What the frame model expects">
        {expected.map((each) => (
          <li key={each.id}>{expectedWords(each, system)}</li>
        ))}
      </ul>
    </>
  );
}

/** What each kept repair makes of the section where least was left. */
function Worth({ proof }: { proof: JobProof }) {
  const { file } = useRecords();
  const { system } = useReader();
  const rows = worthRows(file, proof, system);
  if (rows.length === 0) return null;
  return (
    <>
      <h2 className="mt-4 text-2xl font-semibold">What the section is worth</h2>
      <Ruled label="What the section is worth" heads={WORTH_HEADS}>
        {rows.map(([place, before, after]) => (
          <tr key={place}>
            <th scope="row" className="py-1 pr-4 font-normal">
              {place}
            </th>
            <td className="pr-4">{before}</td>
            <td>{after}</td>
          </tr>
        ))}
      </Ruled>
      <p className="caption">As specified holds where its welds are whole: see what was looked at.</p>
    </>
  );
}

/** How the metal was read where each part lies, before it was on and after. */
function ReadTwice({ proof }: { proof: JobProof }) {
  const { file } = useRecords();
  const { system } = useReader();
  const rows = readRows(file, proof, system);
  if (rows.length === 0) return null;
  return (
    <>
      <h2 className="mt-4 text-2xl font-semibold">Read before and after</h2>
      <Ruled label="Read before and after" heads={READ_HEADS}>
        {rows.map(([place, before, after, lands]) => (
          <tr key={place}>
            <th scope="row" className="py-1 pr-4 font-normal">
              {place}
            </th>
            <td className="pr-4">{before}</td>
            <td className="pr-4">{after}</td>
            <td className={lands!.startsWith('NOT') ? 'font-semibold text-oxide' : ''}>{lands}</td>
          </tr>
        ))}
      </Ruled>
    </>
  );
}

const typedPush = (system: UnitSystem) =>
  z.object({
    place: z.string(),
    push: z.string(),
    state: z.enum(LOAD_STATES),
    gave: readBy((text) => parseMeasuredMm(text, system)),
    plusMinus: readBy((text) => parseMeasuredMm(text, system)),
    complaintId: z.string(),
    changed: z.string(),
  });

function PushForm({ proof, onClose }: { proof: JobProof; onClose: () => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  // A push that was read before is read again in the same words.
  const first = proof.pairs.find(({ after }) => !after);
  const schema = typedPush(system);
  const form = useTypedForm(schema, {
    place: first?.place ?? '',
    push: first?.push ?? '',
    state: first?.state ?? LOAD_STATES[0],
    gave: '',
    plusMinus: '',
    complaintId: first?.complaintId ?? stands(file, 'complaint')[0]?.id ?? '',
    changed: '',
  });
  useFieldsTurn(form, system, { gave: 'length', plusMinus: 'length' });
  const keepIt = ({ gave, plusMinus, complaintId, ...push }: z.infer<typeof schema>) =>
    keepChecked(flexKind, {
      ...push,
      gaveMm: gave,
      ...(plusMinus !== undefined && { plusMinusMm: plusMinus }),
      ...(complaintId && { complaintId }),
    }) ?? onClose();
  return (
    <TypedRecordForm form={form} label="A push" keep="Keep the push" onKeep={keepIt} onLeave={onClose}>
      <PushFields />
    </TypedRecordForm>
  );
}

function PushFields() {
  const { file } = useRecords();
  const { system: unit } = useReader();
  const complaints = stands(file, 'complaint');
  const complaintWords = (id: string) => {
    const complaint = complaints.find((each) => each.id === id);
    return complaint ? `${complaint.what}, ${complaint.where}` : 'none';
  };
  return (
    <div className="flex flex-wrap items-end gap-2">
      <TypedEntry
        name="place"
        label="read where, against what"
        className="min-fit-60 flex-1"
        maxLength={120}
      />
      <TypedEntry
        name="push"
        label="what pushes: who, where, how hard"
        className="min-fit-60 flex-1"
        maxLength={120}
      />
      <TypedPick name="state" label="it stands" options={LOAD_STATES} className="w-52" />
      <TypedEntry name="gave" label={`it gave, ${unit}`} className="w-28" />
      <TypedEntry name="plusMinus" label={`give or take, ${unit}`} className="w-28" />
      {complaints.length > 0 && (
        <TypedPick
          name="complaintId"
          label="of which complaint"
          options={['', ...complaints.map(({ id }) => id)]}
          words={complaintWords}
          className="w-60"
        />
      )}
      <TypedEntry
        name="changed"
        label="what else was changed since it was read before"
        className="min-fit-60 flex-1"
        maxLength={200}
      />
    </div>
  );
}
