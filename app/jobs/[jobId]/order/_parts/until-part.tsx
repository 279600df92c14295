'use client';

import { useMemo, useState } from 'react';
import { Link } from '@/app/_parts/link';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { lastTold, toldUntil, watchedCracks } from '@/core/job';
import { interimKind, type Interim } from '@/core/order';
import { kmToMiles, parseDistanceKm, printDistance, type UnitSystem } from '@/core/quantity';
import { isStricter, MOVE_ANSWERS } from '@/core/trace';
import { Pick, today, TypedEntry, TypedRecordForm, useTypedForm } from '@/ui/controls';
import { figureTyped, readIfTyped, useFieldsTurn } from '../../../../_parts/typed';
import { lookDueWords } from '../../../../_words/dates';
import { moveReasonWords, MOVE_WORDS } from '../../../../_words/trace';
import { notKept, useKeepChecked, useMayMove, useReader, useRecords, useWork } from '../../../_desk';

/** Whether it may be used until its turn comes, what its owner was told, and when it is looked at again. */
export function UntilPart() {
  const { file } = useRecords();
  const { system } = useReader();
  const { isWorking } = useWork();
  const { answer, reasons } = useMayMove();
  const [isTelling, setTelling] = useState(false);
  const told = lastTold(file);
  const isTooMild = told !== undefined && isStricter(answer, told.answer);
  return (
    <section aria-label="Until its turn" className="mt-4 border-t border-rule pt-3">
      <h2 className="text-2xl font-semibold">Until its turn</h2>
      <p>
        The records say: <b>{MOVE_WORDS[answer]}</b>
        {reasons[0] && `: ${moveReasonWords(reasons[0], { frame: file.frame, system })}`}
        {reasons.length > 1 && `, and ${reasons.length - 1} more`}.{' '}
        <Link className="underline" href={`/jobs/${file.job.id}/trace`}>
          every reason
        </Link>
        {isWorking && <span className="caption"> still working it out</span>}
      </p>
      {told ? <Told told={told} /> : <p className="caption">Its owner was told nothing yet.</p>}
      {isTooMild && (
        <p role="alert" className="text-lg font-semibold text-oxide">
          What the owner was told is milder than what the records say now: tell it anew.
        </p>
      )}
      {isTelling ? (
        <TellForm told={told} onClose={() => setTelling(false)} />
      ) : (
        <button type="button" className="plain mt-1" onClick={() => setTelling(true)}>
          {told ? 'Told anew' : 'What the owner is told'}
        </button>
      )}
    </section>
  );
}

function Told({ told }: { told: Interim }) {
  const { file } = useRecords();
  const { system } = useReader();
  const due = toldUntil(file, today())?.due;
  return (
    <p>
      Told by {told.by}: <b>{MOVE_WORDS[told.answer]}</b>
      {told.advice && `; ${told.advice}`}.{' '}
      {due && (
        <span className={due.isOver ? 'font-semibold text-oxide' : ''}>{lookDueWords(due, system)}</span>
      )}
    </p>
  );
}

const distanceTyped = (km: number | undefined, system: UnitSystem): string =>
  km === undefined ? '' : String(Number((system === 'in' ? kmToMiles(km) : km).toFixed(2)));

const typedInterim = (system: UnitSystem) =>
  z.object({
    answer: z.enum(MOVE_ANSWERS),
    advice: z.string(),
    days: figureTyped,
    far: readIfTyped((text) => parseDistanceKm(text, system)),
  });

/** What the records allow at most, and whether all of them are worked out. */
function useLeast() {
  const { file } = useRecords();
  const { isWorking, summaries } = useWork();
  const { answer: least } = useMayMove();
  return { least, isKnown: !isWorking && summaries.size >= file.frame.members.length };
}

function TellForm({ told, onClose }: { told: Interim | undefined; onClose: () => void }) {
  const { system } = useReader();
  const { least, isKnown } = useLeast();
  const keepChecked = useKeepChecked();
  const schema = typedInterim(system);
  const form = useTypedForm(schema, {
    answer: told && !isStricter(least, told.answer) ? told.answer : least,
    advice: told?.advice ?? '',
    days: String(told?.everyDays ?? ''),
    far: distanceTyped(told?.everyKm, system),
  });
  useFieldsTurn(form, system, { far: 'distance' });
  const picked = useWatch({ control: form.control, name: 'answer' });
  // What is found while the form is open holds back at once.
  const answer = isStricter(least, picked) ? least : picked;
  const keepIt = ({ advice, days, far }: z.infer<typeof schema>) =>
    isKnown
      ? (keepChecked(interimKind, {
          answer,
          advice,
          ...(days !== undefined && { everyDays: days }),
          ...(far !== undefined && { everyKm: far }),
        }) ?? onClose())
      : notKept('it is still being worked out: in a moment');
  return (
    <TypedRecordForm
      form={form}
      label="Until its turn"
      keep="This was told"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-end gap-2">
        <Pick
          label="it may (no milder than the records)"
          className="w-72"
          value={answer}
          options={MOVE_ANSWERS.filter((each) => !isStricter(least, each))}
          words={(each) => MOVE_WORDS[each]}
          onPick={(answer) => form.setValue('answer', answer)}
        />
        <TypedEntry
          name="advice"
          label="how: load, speed, roads, what to watch"
          className="min-fit-60 flex-1"
          maxLength={400}
        />
        <TypedEntry name="days" label="looked at again after, days" className="w-44" inputMode="numeric" />
        <TypedEntry
          name="far"
          label={`or after, ${system === 'in' ? 'mi' : 'km'}`}
          className="w-32"
          inputMode="decimal"
        />
      </div>
      <WatchedCrack />
    </TypedRecordForm>
  );
}

function WatchedCrack() {
  const { file } = useRecords();
  const { system } = useReader();
  const { demand } = useWork();
  const watched = useMemo(() => watchedCracks(file, demand)[0], [file, demand]);
  return watched ? (
    <p className="caption">
      The crack in {watched.name} asks for a look every {printDistance(watched.everyKm, system, 2)}, if it
      goes on as it went.
    </p>
  ) : null;
}
