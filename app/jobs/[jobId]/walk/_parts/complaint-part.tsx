'use client';

import { useMemo, useState } from 'react';
import { memberOf } from '@/core/frame';
import { explainComplaint, stands } from '@/core/job';
import { parseLengthMm, printLength } from '@/core/quantity';
import { COMPLAINTS, type Complaint, type SpotState } from '@/core/walk';
import { Entry, Pick, When } from '@/ui/controls';
import { EXPLANATION_WORDS } from '../../../../_words/walk';
import { StrikeSheet, useReader, useRecords, useWork, useStamp } from '../../../_desk';
import { useUnitTurn } from '../../../../_parts/turned';

/** What the owner feels, and whether what is on record accounts for it. */
export function ComplaintPart({ states }: { states: readonly SpotState[] }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { summaries, demand, isWorking } = useWork();
  const [striking, setStriking] = useState<Complaint>();
  const complaints = useMemo(() => stands(file, 'complaint'), [file]);
  return (
    <div>
      {file.job.complaint && (
        <p className="mb-2 border-l-[6px] border-here pl-3 text-lg">“{file.job.complaint}”</p>
      )}
      {complaints.length === 0 && (
        <p className="text-xl">
          Nothing put down yet. Say what is felt, how far it moves, and which members carry it; then what is
          found can be held against it.
        </p>
      )}
      <ul className="ruled">
        {complaints.map((complaint) => (
          <Explained
            key={complaint.id}
            complaint={complaint}
            onStrike={() => setStriking(complaint)}
            explanation={isWorking ? undefined : explainComplaint(file, summaries, demand, complaint)}
          />
        ))}
      </ul>
      <ComplaintForm />
      {states.length > 0 && (
        <p className="caption mt-2">
          Movement by the frame model: beams, nominal at brackets; a measured one counts as accounted for up
          to a quarter over it.
        </p>
      )}
      <StrikeSheet
        struck={
          striking && {
            id: striking.id,
            words: `${striking.what}, ${striking.where}${striking.movementMm === undefined ? '' : `, ${printLength(striking.movementMm, system, 'length')}`}`,
          }
        }
        onClose={() => setStriking(undefined)}
      />
    </div>
  );
}

function Explained({
  complaint,
  explanation,
  onStrike,
}: {
  complaint: Complaint;
  explanation: ReturnType<typeof explainComplaint> | undefined;
  onStrike: () => void;
}) {
  const { file } = useRecords();
  const { system } = useReader();
  const long = (mm: number) => printLength(mm, system, 'length');
  const open =
    explanation && explanation.standing !== 'accounted for' && explanation.standing !== 'moves so as made';
  return (
    <li className="py-2">
      <p className="flex flex-wrap items-center gap-x-3">
        <span className="text-xl font-semibold">
          {complaint.what}, {complaint.where}
        </span>
        {complaint.movementMm !== undefined && <span>moves {long(complaint.movementMm)}</span>}
        <span className="caption">
          {complaint.memberIds.map((id) => memberOf(file.frame, id)?.name.toLowerCase() ?? id).join(', ')};{' '}
          {complaint.by} <When at={complaint.at} only="day" />
          {complaint.note && `; ${complaint.note}`}
        </span>
        <button type="button" className="hit ml-auto px-2 underline" onClick={onStrike}>
          strike
        </button>
      </p>
      {!explanation && (
        <p className="caption" role="status">
          working…
        </p>
      )}
      {explanation && (
        <>
          <p className={`text-lg font-bold ${open ? 'text-oxide' : ''}`}>
            {EXPLANATION_WORDS[explanation.standing]}.
          </p>
          {explanation.broken.length > 0 && <p>Found broken there: {explanation.broken.join(', ')}.</p>}
          {explanation.movement && (
            <p>
              By the model ({explanation.movement.from}) it moves {long(explanation.movement.foundMm)} as
              found, {long(explanation.movement.builtMm)} as made
              {explanation.leftOverMm !== undefined && explanation.leftOverMm > 0
                ? `: ${long(explanation.leftOverMm)} is left over`
                : ''}
              .
            </p>
          )}
          {open &&
            (explanation.unseen.length > 0 ? (
              <p>
                <span className="font-semibold">Still unseen on that path:</span>{' '}
                {explanation.unseen
                  .slice(0, 8)
                  .map((state) => state.spot.title)
                  .join('; ')}
                {explanation.unseen.length > 8 && ` and ${explanation.unseen.length - 8} more`}.
              </p>
            ) : (
              <p>
                Every spot on that path was looked at: joints, bolts and springs beyond the list are next.
              </p>
            ))}
        </>
      )}
    </li>
  );
}

function ComplaintForm() {
  const { file, keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [form, setForm] = useState({ what: 'sag' as Complaint['what'], where: '', movement: '', note: '' });
  const [memberIds, setMemberIds] = useState<readonly string[]>([]);
  useUnitTurn(system, (as) => setForm({ ...form, movement: as(form.movement) }));
  const [problem, setProblem] = useState<string>();
  const submit = () => {
    const movement = form.movement.trim() === '' ? undefined : parseLengthMm(form.movement, system);
    if (form.where.trim().length < 2) return setProblem('where is it felt?');
    if (movement && !movement.ok) return setProblem(`moves: ${movement.reason}`);
    if (movement && !(movement.value > 0))
      return setProblem('moves: leave it open where nothing was measured');
    if (memberIds.length === 0) return setProblem('which members carry it? Tick at least one');
    keep({
      kind: 'complaint',
      ...stamp(),
      what: form.what,
      where: form.where.trim(),
      memberIds: [...memberIds],
      note: form.note.trim(),
      ...(movement && { movementMm: movement.value }),
    });
    setForm({ ...form, where: '', movement: '', note: '' });
    setMemberIds([]);
    setProblem(undefined);
  };
  const toggle = (id: string) =>
    setMemberIds(memberIds.includes(id) ? memberIds.filter((each) => each !== id) : [...memberIds, id]);
  return (
    <form
      className="mt-4 border-y-2 border-ink bg-sheet px-3 py-3"
      aria-label="New complaint"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-4">
        <Pick
          label="what is felt"
          value={form.what}
          options={COMPLAINTS}
          onPick={(what) => setForm({ ...form, what })}
        />
        <Entry
          label="where"
          className="sm:col-span-2"
          value={form.where}
          maxLength={120}
          onChange={(event) => setForm({ ...form, where: event.target.value })}
        />
        <Entry
          label="moves, measured"
          unit={system}
          value={form.movement}
          placeholder="may stay open"
          onChange={(event) => setForm({ ...form, movement: event.target.value })}
        />
      </div>
      <fieldset className="mt-2">
        <legend className="caption">members in its load path</legend>
        <div className="flex max-h-[190px] flex-wrap gap-1.5 overflow-y-auto">
          {file.frame.members.map((member) => (
            <label key={member.id} className="plain">
              <input
                type="checkbox"
                className="size-5"
                checked={memberIds.includes(member.id)}
                onChange={() => toggle(member.id)}
              />{' '}
              {member.name}
            </label>
          ))}
        </div>
      </fieldset>
      <Entry
        label="how it was measured"
        className="mt-2"
        value={form.note}
        maxLength={300}
        onChange={(event) => setForm({ ...form, note: event.target.value })}
      />
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-oxide">
          {problem}
        </p>
      )}
      <p className="mt-3">
        <button type="submit" className="solid">
          Keep the complaint
        </button>
      </p>
    </form>
  );
}
