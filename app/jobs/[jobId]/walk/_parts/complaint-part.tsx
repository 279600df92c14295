'use client';

import { useMemo, useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { z } from 'zod';
import { memberOf } from '@/core/frame';
import { explainComplaint, stands } from '@/core/job';
import { parseLengthMm, printLength, type UnitSystem } from '@/core/quantity';
import { complaintKind, COMPLAINTS, type Complaint, type SpotState } from '@/core/walk';
import {
  FieldProblem,
  TypedEntry,
  TypedForm,
  TypedPick,
  TypedProblem,
  useTypedForm,
  When,
} from '@/ui/controls';
import { EXPLANATION_WORDS } from '../../../../_words/walk';
import { StrikeSheet, useKeepChecked, useReader, useRecords, useWork } from '../../../_desk';
import { readIfTyped, useFieldsTurn } from '../../../../_parts/typed';

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
  explanation: Explaining | undefined;
  onStrike: () => void;
}) {
  const { file } = useRecords();
  const { system } = useReader();
  const long = (mm: number) => printLength(mm, system, 'length');
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
      {explanation && <Explanation explanation={explanation} long={long} />}
    </li>
  );
}

type Explaining = ReturnType<typeof explainComplaint>;

/** Whether what is on record accounts for it, by how much, and what of its path nobody looked at. */
function Explanation({ explanation, long }: { explanation: Explaining; long: (mm: number) => string }) {
  const { standing, broken, movement, leftOverMm, unseen } = explanation;
  const isOpen = standing !== 'accounted for' && standing !== 'moves so as made';
  return (
    <>
      <p className={`text-lg font-bold ${isOpen ? 'text-oxide' : ''}`}>{EXPLANATION_WORDS[standing]}.</p>
      {broken.length > 0 && <p>Found broken there: {broken.join(', ')}.</p>}
      {movement && (
        <p>
          By the model ({movement.from}) it moves {long(movement.foundMm)} as found, {long(movement.builtMm)}{' '}
          as made
          {leftOverMm !== undefined && leftOverMm > 0 ? `: ${long(leftOverMm)} is left over` : ''}.
        </p>
      )}
      {isOpen && <StillUnseen unseen={unseen} />}
    </>
  );
}

const StillUnseen = ({ unseen }: Pick<Explaining, 'unseen'>) =>
  unseen.length > 0 ? (
    <p>
      <span className="font-semibold">Still unseen on that path:</span>{' '}
      {unseen
        .slice(0, 8)
        .map((state) => state.spot.title)
        .join('; ')}
      {unseen.length > 8 && ` and ${unseen.length - 8} more`}.
    </p>
  ) : (
    <p>Every spot on that path was looked at: joints, bolts and springs beyond the list are next.</p>
  );

const typedComplaint = (system: UnitSystem) =>
  z.object({
    what: z.enum(COMPLAINTS),
    where: z.string().trim().min(2, 'where is it felt?'),
    movement: readIfTyped((text) => parseLengthMm(text, system)).refine(
      (mm) => mm === undefined || mm > 0,
      'leave it open where nothing was measured',
    ),
    memberIds: z.array(z.string()).min(1, 'which members carry it? Tick at least one'),
    note: z.string(),
  });

function ComplaintForm() {
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const schema = typedComplaint(system);
  const nothing = { where: '', movement: '', memberIds: [] as string[], note: '' };
  const form = useTypedForm(schema, { what: 'sag' as Complaint['what'], ...nothing });
  useFieldsTurn(form, system, { movement: 'length' });
  const keepIt = ({ movement, ...complaint }: z.infer<typeof schema>) => {
    const refusal = keepChecked(complaintKind, {
      ...complaint,
      ...(movement !== undefined && { movementMm: movement }),
    });
    if (!refusal) form.reset({ what: complaint.what, ...nothing });
    return refusal;
  };
  return (
    <TypedForm
      form={form}
      onKeep={keepIt}
      label="New complaint"
      className="mt-4 border-y-2 border-ink bg-sheet px-3 py-3"
    >
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-4">
        <TypedPick name="what" label="what is felt" options={COMPLAINTS} />
        <TypedEntry name="where" label="where" className="sm:col-span-2" maxLength={120} />
        <TypedEntry name="movement" label="moves, measured" unit={system} placeholder="may stay open" />
      </div>
      <LoadPath />
      <FieldProblem name="memberIds" />
      <TypedEntry name="note" label="how it was measured" className="mt-2" maxLength={300} />
      <TypedProblem className="mt-2" />
      <p className="mt-3">
        <button type="submit" className="solid">
          Keep the complaint
        </button>
      </p>
    </TypedForm>
  );
}

const LoadPath = () => {
  const { members } = useRecords().file.frame;
  const { register } = useFormContext();
  return (
    <fieldset className="mt-2">
      <legend className="caption">members in its load path</legend>
      <div className="flex max-h-[190px] flex-wrap gap-1.5 overflow-y-auto">
        {members.map((member) => (
          <label key={member.id} className="plain">
            <input type="checkbox" className="size-5" value={member.id} {...register('memberIds')} />{' '}
            {member.name}
          </label>
        ))}
      </div>
    </fieldset>
  );
};
