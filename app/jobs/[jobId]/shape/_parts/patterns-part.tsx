'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { brokenRules, stands, type JobOrder, type WorkedRepair } from '@/core/job';
import {
  layPattern,
  MOST_PHOTOS,
  patternOf,
  patternSchema,
  suits,
  tallyOf,
  type ListedPattern,
} from '@/core/patterns';
import { lieOver, type Repair } from '@/core/shape';
import { TypedEntry, TypedRecordForm, useTypedForm } from '@/ui/controls';
import { keepPattern } from '../../../../_client';
import { fromWords, madeOfWords, tallyWords, unlikeWords } from '../../../../_words/patterns';
import { notKept, useMember, useOrder, useReader, useRecords, useStamp } from '../../../_desk';
import { PhotoPicks } from './photo-picks';

/** The shop's own repairs for such a member: laid here by its landmarks, then judged by every rule on its own metal. */
export function PatternsPart({ onLay }: { onLay: (laid: Repair) => void }) {
  const { file } = useRecords();
  const { member } = useMember();
  const listed = (file.patterns ?? []).filter(({ pattern }) => suits(pattern, file.frame, member));
  if (listed.length === 0) return null;
  return (
    <section aria-label="The shop’s patterns" className="mt-4 border-t border-rule pt-2">
      <h2 className="text-xl font-semibold">The shop’s patterns for such a {member.role}</h2>
      <p className="caption">
        Laid by this member’s own brackets and ends. What it is worth here is judged on the metal here.
      </p>
      <ul className="ruled">
        {listed.map((each) => (
          <Offered key={each.pattern.id} listed={each} onLay={onLay} />
        ))}
      </ul>
    </section>
  );
}

function Offered({ listed, onLay }: { listed: ListedPattern; onLay: (laid: Repair) => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const { pattern, uses } = listed;
  const laid = layPattern(pattern, file.frame, member);
  const tally = tallyOf(uses);
  const isTaken = laid.ok && file.repairs.some((kept) => lieOver(kept, laid.value.repair));
  return (
    <li className="py-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="min-w-0 flex-1">
          <span className="font-semibold">{pattern.name}</span>: {madeOfWords(pattern.repair)}{' '}
          <span className="caption">{fromWords(listed)}</span>
        </span>
        {laid.ok && !isTaken && (
          <button type="button" className="plain" onClick={() => onLay(laid.value.repair)}>
            Lay it here
          </button>
        )}
      </div>
      <p className={tally.failed > 0 ? 'font-semibold text-oxide' : 'caption'}>{tallyWords(tally)}</p>
      {pattern.note && <p>{pattern.note}</p>}
      {laid.ok ? (
        <ul className="caption">
          {laid.value.unlike.map((unlike, k) => (
            <li key={k}>{unlikeWords(unlike, pattern.repair, system)}</li>
          ))}
        </ul>
      ) : (
        <p className="font-semibold">It cannot lie here: {laid.reason}.</p>
      )}
      {isTaken && (
        <p className="font-semibold">
          A repair that was kept lies there already: take that out of the plan first.
        </p>
      )}
    </li>
  );
}

/** A repair that somebody kept, kept as the shop's own for the next one. */
export function KeepPattern({ worked }: { worked: WorkedRepair }) {
  const [isOpen, setOpen] = useState(false);
  const [kept, setKept] = useState<string>();
  if (worked.isProposal) return null;
  const broken = brokenRules(worked).length;
  if (isOpen)
    return (
      <KeepForm
        worked={worked}
        onKept={(name) => {
          setKept(name);
          setOpen(false);
        }}
        onLeave={() => setOpen(false)}
      />
    );
  return (
    <p className="mt-3 flex flex-wrap items-baseline gap-x-4">
      <button type="button" className="plain" disabled={broken > 0} onClick={() => setOpen(true)}>
        Keep it as a pattern
      </button>
      {broken > 0 && <span className="caption">not while it breaks rules: {broken}</span>}
      {kept !== undefined && <span role="status">{kept} is among the shop’s patterns.</span>}
    </p>
  );
}

const keptTyped = z.object({ name: z.string(), note: z.string(), photoIds: z.array(z.string()) });

/** Hours logged on the tasks of one repair. */
const hoursOn = (order: JobOrder | undefined, repairId: string): number =>
  (order?.progress ?? [])
    .filter(({ task }) => task.of.is === 'repair' && task.of.id === repairId)
    .reduce((sum, each) => sum + each.workedH, 0);

/** What a pattern of a repair may take along, and how it is kept. */
function usePatternOf(repair: Repair, onKept: (name: string) => void) {
  const { file, refresh } = useRecords();
  const { member } = useMember();
  const stamp = useStamp();
  const { order } = useOrder();
  const { by } = useReader();
  // One id however often it is sent: a second try after a lost answer is the same pattern.
  const [{ id, at }] = useState(stamp);
  const photos = stands(file, 'photo').filter(
    ({ picture, memberId }) => picture !== undefined && memberId === member.id,
  );
  const workedH = hoursOn(order, repair.id);
  const keepIt = async ({ name, note, photoIds }: z.infer<typeof keptTyped>) => {
    const pattern = patternOf(file.frame, member, repair, {
      id,
      at,
      by: by.trim() || 'unnamed',
      name,
      note,
      from: { jobId: file.job.id, tag: file.unit.tag },
      photos: photos
        .filter((photo) => photoIds.includes(photo.id))
        .map(({ picture, caption }) => ({ hash: picture!.hash, caption })),
      ...(workedH > 0 && { workedH }),
    });
    const checked = patternSchema.safeParse(pattern);
    if (!checked.success) return notKept(checked.error.issues[0]!.message);
    const answer = await keepPattern(checked.data);
    if (!answer.ok) return { message: `${answer.problem.message}. ${answer.problem.kept}` };
    await refresh();
    return onKept(checked.data.name);
  };
  return { photos, workedH, keepIt };
}

function KeepForm({
  worked: { repair },
  onKept,
  onLeave,
}: {
  worked: WorkedRepair;
  onKept: (name: string) => void;
  onLeave: () => void;
}) {
  const { photos, workedH, keepIt } = usePatternOf(repair, onKept);
  const form = useTypedForm(keptTyped, { name: '', note: '', photoIds: [] as string[] });
  const picked = useWatch({ control: form.control, name: 'photoIds' });
  return (
    <TypedRecordForm
      form={form}
      label="Keep as a pattern"
      keep={form.formState.isSubmitting ? 'Keeping it…' : 'Keep the pattern'}
      onKeep={keepIt}
      onLeave={onLeave}
    >
      <div className="flex flex-wrap gap-2">
        <TypedEntry name="name" label="name of it" className="min-fit-60 flex-1" maxLength={80} />
        <TypedEntry
          name="note"
          label="what the next one should know"
          className="min-fit-60 flex-1"
          maxLength={500}
        />
      </div>
      <p className="caption mt-1">
        Its places are kept by this member’s brackets, crossmembers and ends.{' '}
        {workedH > 0 ? `${workedH.toFixed(1)} h are logged on it.` : 'No hours are logged on its tasks.'}
      </p>
      <PhotoPicks
        photos={photos}
        picked={picked}
        most={MOST_PHOTOS}
        onPick={(ids) => form.setValue('photoIds', [...ids])}
      />
    </TypedRecordForm>
  );
}
