'use client';

import { Link } from '@/app/_parts/link';
import { keepStartingFrame, newId } from '../../../../_client';
import { useState } from 'react';
import { toast } from 'sonner';
import { frameSchema, ROLES, withMember, type Frame, type Role } from '@/core/frame';
import { printLength } from '@/core/quantity';
import { practiceSchema, type Practice } from '@/core/reference';
import { Entry, Pick } from '@/ui/controls';
import { Bench, useMember, useReader, useRecords } from '../../../_desk';
import { PanelsTable, PocketsTable } from './enclosed-tables';
import { FactorsForm } from './factors-form';
import { FittingsTable } from './fittings-table';
import { LoadsForm } from './loads-form';
import { StandsForm } from './stands-form';
import { MemberDetail } from './member-detail';
import { MembersTable } from './members-table';
import { TwoFrames } from './two-frames';
import { useFrameDraft, type FrameDraft } from './use-frame-draft';
import { useFrameEdit, type FrameEdit } from './use-frame-edit';

/** The practice of this job as it is being changed; another tab's change takes its place. */
function usePracticeDraft() {
  const { file } = useRecords();
  const [practice, setPractice] = useState<Practice>(file.practice);
  const [practisedOn, setPractisedOn] = useState(file.practiceRevision);
  if (practisedOn !== file.practiceRevision) {
    setPractisedOn(file.practiceRevision);
    setPractice(file.practice);
  }
  const isChanged = JSON.stringify(practice) !== JSON.stringify(file.practice);
  return { practice, setPractice, isChanged, drop: () => setPractice(file.practice) };
}

/** Keeps frame and practice, or says why neither was. */
function useKeeping(draft: FrameDraft, practice: Practice) {
  const { changeFrame, changePractice } = useRecords();
  const [problem, setProblem] = useState<string>();
  const keep = async () => {
    const parsed = frameSchema.safeParse(draft.frame);
    if (!parsed.success) return setProblem(parsed.error.issues[0]!.message);
    const sound = practiceSchema.safeParse(practice);
    if (!sound.success)
      return setProblem(`${sound.error.issues[0]!.path.join('.')}: ${sound.error.issues[0]!.message}`);
    const refused = (await changeFrame(parsed.data)) ?? (await changePractice(sound.data));
    setProblem(refused && `${refused.message}. ${refused.kept}`);
    if (refused) return;
    draft.drop();
    toast.success('Frame kept; what rests on it is worked out anew');
  };
  return { problem, keep, forget: () => setProblem(undefined) };
}

/** The frame as built, and the shop's judgements for this job. Nothing changes until it is kept; another tab's change is not overwritten. */
export function FrameBench() {
  const { file } = useRecords();
  const draft = useFrameDraft();
  const { frame } = draft;
  const edit = useFrameEdit(draft);
  const { practice, setPractice, ...practised } = usePracticeDraft();
  const { problem, keep, forget } = useKeeping(draft, practice);
  const dropFrame = () => {
    draft.drop();
    edit.forget();
  };
  const putBack = () => {
    dropFrame();
    practised.drop();
    forget();
  };
  return (
    <Bench slice={false} draft={frame} onMove={edit.move}>
      <Head
        frame={frame}
        isChanged={draft.isChanged || practised.isChanged}
        isBehind={draft.isBehind}
        onUndo={edit.undo}
        onPutBack={putBack}
        onKeep={() => void keep()}
      />
      {draft.isBehind && (
        <TwoFrames mine={frame} kept={file.frame} onMine={draft.putOnTop} onKept={dropFrame} />
      )}
      {problem && (
        <p role="alert" className="mt-2 border-l-[6px] border-oxide pl-3 font-semibold text-oxide">
          {problem}
        </p>
      )}
      {frame.presumed && <Presumed onTaken={() => edit.set(measured(frame))} />}
      <Entry
        label="Stations are measured from (a hole or crossmember that stays)"
        className="mt-3 max-w-xl"
        value={frame.datum}
        maxLength={120}
        onChange={(event) => edit.set({ ...frame, datum: event.target.value })}
      />
      <MembersSection frame={frame} edit={edit} />
      <OnTheFrame frame={frame} onFrame={edit.set} />
      <FactorsForm
        factors={practice.loadFactors}
        onChange={(loadFactors) => setPractice({ ...practice, loadFactors })}
      />
      <p className="caption mt-4">
        What counts as sound, where a verdict starts, schools and legal profile:{' '}
        <Link className="underline" href={`/jobs/${file.job.id}/weigh?part=practice`}>
          how this job is judged
        </Link>
        .
      </p>
      <StartingForm frame={frame} />
    </Bench>
  );
}

/** What the frame carries, encloses and stands on. */
const OnTheFrame = (of: { frame: Frame; onFrame: (frame: Frame) => void }) => (
  <>
    <FittingsTable {...of} />
    <PanelsTable {...of} />
    <PocketsTable {...of} />
    <LoadsForm {...of} />
    <StandsForm {...of} />
  </>
);

function Head({
  frame,
  isChanged,
  isBehind,
  onUndo,
  onPutBack,
  onKeep,
}: {
  frame: Frame;
  isChanged: boolean;
  isBehind: boolean;
  /** Undefined while there is nothing to take back. */
  onUndo: (() => void) | undefined;
  onPutBack: () => void;
  onKeep: () => void;
}) {
  const { system } = useReader();
  return (
    <div className="flex flex-wrap items-center justify-between gap-3">
      <h1 className="text-2xl font-semibold">
        Frame: {frame.family}, {printLength(frame.lengthMm, system, 'length')} long,{' '}
        {printLength(frame.widthMm, system, 'length')} over the rails
      </h1>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="plain" disabled={!onUndo} onClick={onUndo}>
          Undo
        </button>
        <button type="button" className="plain" disabled={!isChanged} onClick={onPutBack}>
          Put back
        </button>
        <button type="button" className="solid" disabled={!isChanged || isBehind} onClick={onKeep}>
          Keep the frame
        </button>
      </div>
    </div>
  );
}

function MembersSection({ frame, edit }: { frame: Frame; edit: FrameEdit }) {
  const { chosenId, choose } = useChosen();
  const [role, setRole] = useState<Role>('crossmember');
  const chosen = frame.members.find((each) => each.id === chosenId);
  const add = () => {
    const added = withMember(frame, role, edit.inStep);
    edit.set(added.frame);
    choose(added.ids[0]!);
  };
  return (
    <section className="mt-4" aria-label="Members">
      <div className="flex flex-wrap items-center justify-between border-b border-ink">
        <h2 className="text-lg font-semibold">Members</h2>
        <div className="flex items-end gap-2">
          <Pick label="role" value={role} options={ROLES} onPick={setRole} />
          <button type="button" className="hit underline" onClick={add}>
            Add a member
          </button>
        </div>
      </div>
      <label className="hit inline-flex items-center gap-2">
        <input
          type="checkbox"
          className="size-6"
          checked={edit.inStep}
          onChange={(event) => edit.setInStep(event.target.checked)}
        />
        Left and right are kept in step. A member added comes in a pair. Crossmembers and mounts can be
        dragged along the Skeleton.
      </label>
      <MembersTable frame={frame} edit={edit} chosenId={chosenId} onChoose={choose} />
      {chosen && <MemberDetail member={chosen} onChange={(change) => edit.setMember(chosen.id, change)} />}
    </section>
  );
}

/** The member chosen here: the one in hand everywhere, or one that is not kept yet. */
function useChosen(): { chosenId: string; choose: (id: string) => void } {
  const { member, selectMember } = useMember();
  const [own, setOwn] = useState({ id: member.id, besideId: member.id });
  const chosenId = own.besideId === member.id ? own.id : member.id;
  const { file } = useRecords();
  return {
    chosenId,
    choose: (id) => {
      const isKept = file.frame.members.some((each) => each.id === id);
      setOwn({ id, besideId: isKept ? id : member.id });
      if (isKept) selectMember(id);
    },
  };
}

const measured = ({ presumed: _, ...frame }: Frame): Frame => frame;

/** Says whose the measures are, and takes somebody's word that they are this unit's. */
function Presumed({ onTaken }: { onTaken: () => void }) {
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3 border-l-[6px] border-here pl-3" role="note">
      <p className="flex-1">
        These measures are the family’s usual ones. Lay a tape on the unit: length, wheelbase, rail depth,
        flange and wall at least.
      </p>
      <button type="button" className="plain" onClick={onTaken}>
        They are taken from this unit
      </button>
    </div>
  );
}

/** Keeps the frame as it is drawn here as a starting point for new jobs; a name said again replaces what was under it. */
function StartingForm({ frame }: { frame: Frame }) {
  const { by } = useReader();
  const [name, setName] = useState('');
  const save = async () => {
    const { loads: _, ...bare } = frame;
    const answer = await keepStartingFrame({
      id: newId(),
      name,
      frame: bare,
      by,
      at: new Date().toISOString(),
    });
    if (!answer.ok) return void toast.error(answer.problem.message, { description: answer.problem.kept });
    toast.success(`${name.trim()} can be chosen when a job is opened`);
    setName('');
  };
  return (
    <section
      className="mt-5 flex flex-wrap items-end gap-3 border-t border-rule pt-3"
      aria-label="Starting point"
    >
      <Entry
        label="Save this frame as the shop’s starting point, named"
        className="w-80"
        value={name}
        maxLength={60}
        onChange={(event) => setName(event.target.value)}
      />
      <button type="button" className="plain" disabled={name.trim() === ''} onClick={() => void save()}>
        Save as a starting point
      </button>
    </section>
  );
}
