'use client';

import Link from 'next/link';
import { keepStartingFrame, newId } from '../../../../_client';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import {
  changeMember,
  frameSchema,
  moveMember,
  ROLES,
  withMember,
  type Frame,
  type Member,
  type Role,
} from '@/core/frame';
import { printLength } from '@/core/quantity';
import { practiceSchema, type Practice } from '@/core/reference';
import type { SkeletonProps } from '@/ui/skeleton';
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
import { useFrameDraft } from './use-frame-draft';

/** The frame as built, and the shop's judgements for this job. Nothing changes until it is kept; another tab's change is not overwritten. */
export function FrameBench() {
  const { file, changeFrame, changePractice } = useRecords();
  const { system } = useReader();
  const { chosenId, choose } = useChosen();
  const draft = useFrameDraft();
  const { frame, set: setDraft } = draft;
  const [past, setPast] = useState<readonly Frame[]>([]);
  const [inStep, setInStep] = useState(true);
  const [role, setRole] = useState<Role>('crossmember');
  const dragging = useRef<string | undefined>(undefined);
  const [practice, setPractice] = useState<Practice>(file.practice);
  const [problem, setProblem] = useState<string>();
  const [practisedOn, setPractisedOn] = useState(file.practiceRevision);
  if (practisedOn !== file.practiceRevision) {
    setPractisedOn(file.practiceRevision);
    setPractice(file.practice);
  }
  const setFrame = (next: Frame) => {
    dragging.current = undefined;
    setPast([...past.slice(-49), frame]);
    setDraft(next);
  };
  /** A drag is one step back, however many places it went through. */
  const move: NonNullable<SkeletonProps['onMove']> = ({ kind, id }, stationMm) => {
    const rounded = Math.round(stationMm / 5) * 5;
    const next =
      kind === 'member'
        ? moveMember(frame, id, rounded, inStep)
        : {
            ...frame,
            fittings: frame.fittings.map((mark) => (mark.id === id ? { ...mark, stationMm: rounded } : mark)),
          };
    if (dragging.current !== id) setPast([...past.slice(-49), frame]);
    dragging.current = id;
    setDraft(next);
  };
  const undo = () => {
    dragging.current = undefined;
    setDraft(past[past.length - 1]!);
    setPast(past.slice(0, -1));
  };
  const changed = draft.isChanged || JSON.stringify(practice) !== JSON.stringify(file.practice);
  const setMember = (id: string, to: Partial<Member>) => setFrame(changeMember(frame, id, to, inStep));
  const chosen = frame.members.find((each) => each.id === chosenId);

  const addMember = () => {
    const added = withMember(frame, role, inStep);
    setFrame(added.frame);
    choose(added.ids[0]!);
  };
  const keep = async () => {
    const parsed = frameSchema.safeParse(frame);
    if (!parsed.success) return setProblem(parsed.error.issues[0]!.message);
    const sound = practiceSchema.safeParse(practice);
    if (!sound.success)
      return setProblem(`${sound.error.issues[0]!.path.join('.')}: ${sound.error.issues[0]!.message}`);
    const refused = (await changeFrame(parsed.data)) ?? (await changePractice(sound.data));
    setProblem(refused && `${refused.message}. ${refused.kept}`);
    if (!refused) draft.drop();
    if (!refused) toast.success('Frame kept; what rests on it is worked out anew');
  };

  return (
    <Bench slice={false} draft={frame} onMove={move}>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-2xl font-semibold">
          Frame: {frame.family}, {printLength(frame.lengthMm, system, 'length')} long,{' '}
          {printLength(frame.widthMm, system, 'length')} over the rails
        </h1>
        <div className="flex flex-wrap gap-2">
          <button type="button" className="plain" disabled={past.length === 0} onClick={undo}>
            Undo
          </button>
          <button
            type="button"
            className="plain"
            disabled={!changed}
            onClick={() => {
              draft.drop();
              setPast([]);
              setPractice(file.practice);
              setProblem(undefined);
            }}
          >
            Put back
          </button>
          <button
            type="button"
            className="solid"
            disabled={!changed || draft.isBehind}
            onClick={() => void keep()}
          >
            Keep the frame
          </button>
        </div>
      </div>
      {draft.isBehind && (
        <TwoFrames
          mine={frame}
          kept={file.frame}
          onMine={draft.putOnTop}
          onKept={() => {
            draft.drop();
            setPast([]);
          }}
        />
      )}
      {problem && (
        <p role="alert" className="mt-2 border-l-[6px] border-oxide pl-3 font-semibold text-oxide">
          {problem}
        </p>
      )}
      {frame.presumed && <Presumed onTaken={() => setFrame(measured(frame))} />}
      <Entry
        label="Stations are measured from (a hole or crossmember that stays)"
        className="mt-3 max-w-xl"
        value={frame.datum}
        maxLength={120}
        onChange={(event) => setFrame({ ...frame, datum: event.target.value })}
      />

      <section className="mt-4" aria-label="Members">
        <div className="flex items-center justify-between border-b border-ink">
          <h2 className="text-lg font-semibold">Members</h2>
          <div className="flex items-end gap-2">
            <Pick label="role" value={role} options={ROLES} onPick={setRole} />
            <button type="button" className="hit underline" onClick={addMember}>
              Add a member
            </button>
          </div>
        </div>
        <label className="hit inline-flex items-center gap-2">
          <input
            type="checkbox"
            className="size-6"
            checked={inStep}
            onChange={(event) => setInStep(event.target.checked)}
          />
          Left and right are kept in step. A member added comes in a pair. Crossmembers and mounts can be
          dragged along the Skeleton.
        </label>
        <MembersTable
          frame={frame}
          inStep={inStep}
          chosenId={chosenId}
          onChoose={choose}
          onFrame={setFrame}
          onMember={setMember}
        />
        {chosen && <MemberDetail member={chosen} onChange={(change) => setMember(chosen.id, change)} />}
      </section>

      <FittingsTable frame={frame} onFrame={setFrame} />
      <PanelsTable frame={frame} onFrame={setFrame} />
      <PocketsTable frame={frame} onFrame={setFrame} />
      <LoadsForm frame={frame} onFrame={setFrame} />
      <StandsForm frame={frame} onFrame={setFrame} />
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
