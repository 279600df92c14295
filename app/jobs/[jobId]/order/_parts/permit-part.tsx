'use client';

import { Controller } from 'react-hook-form';
import { z } from 'zod';
import type { JobOrder } from '@/core/job';
import { openChecks, PERMIT_CHECKS, type Gate, type LackCode, type PermitCheck } from '@/core/order';
import { legalOf, printSource, WATCH_SOURCE, watchMinutes } from '@/core/reference';
import {
  FieldProblem,
  Settling,
  TypedChoice,
  TypedEntry,
  TypedForm,
  TypedProblem,
  useTypedForm,
  When,
} from '@/ui/controls';
import { CAUTIONS } from '../../../../_words/cautions';
import { CHECK_WORDS } from '../../../../_words/order';
import { useNow, useReader, useRecords, useStamp } from '../../../_desk';

/** The hot-work permit of one zone: given check by check, the arc out, the watch with its clock. */
export function PermitPart({ gate, order, onClose }: { gate: Gate; order: JobOrder; onClose: () => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { permit } = gate;
  const isRunning =
    permit && permit.arcOutAt === undefined && !gate.lacks.some(({ code }) => code.startsWith('permit'));
  return (
    <div className="my-2 border-y-2 border-ink bg-sheet px-3 py-3">
      <p className="caution mb-2">{CAUTIONS.permit}</p>
      {permit && (
        <p>
          Given by {permit.permit.by}, <When at={permit.permit.at} />; {permit.permit.helper} helps; watched
          for {permit.permit.watchMin} min after.{' '}
          <a
            className="underline"
            download
            href={`/api/jobs/${file.job.id}/permits/${permit.permit.id}?unit=${system}`}
          >
            Permit, PDF
          </a>
        </p>
      )}
      <Settling of={`${permit?.permit.id} ${permit?.arcOutAt} ${isRunning}`}>
        {isRunning && <ArcOut gate={gate} />}
        {permit?.arcOutAt !== undefined && <Watch gate={gate} />}
        {(!isRunning || gate.lacks.some(({ code }) => ASKS_ANOTHER.has(code))) && (
          <GiveForm gate={gate} order={order} onClose={onClose} />
        )}
      </Settling>
    </div>
  );
}

/** The permit stands, and no longer for what is to be welded. */
const ASKS_ANOTHER: ReadonlySet<LackCode> = new Set<LackCode>([
  'check open',
  'seams changed',
  'watch too short',
]);

function useSay(gate: Gate) {
  const { keep } = useRecords();
  const stamp = useStamp();
  return (is: 'arc out' | 'watched' | 'withdrawn', note = '') =>
    keep({
      kind: 'permit',
      ...stamp(),
      note,
      zoneId: gate.of,
      is,
      permitId: gate.permit!.permit.id,
      checks: [],
      none: [],
      helper: '',
    });
}

function ArcOut({ gate }: { gate: Gate }) {
  const say = useSay(gate);
  return (
    <div className="mt-2 flex flex-wrap gap-2">
      <button type="button" className="solid" onClick={() => say('arc out')}>
        Last arc is out: watch begins
      </button>
      <button type="button" className="plain" onClick={() => say('withdrawn')}>
        Withdraw the permit
      </button>
    </div>
  );
}

/** How long is still watched, counted down; over only when somebody says that nothing glows. */
function Watch({ gate }: { gate: Gate }) {
  const say = useSay(gate);
  const now = useNow();
  const { watchUntilMs = 0, watchedAt, arcOutAt } = gate.permit!;
  const left = Math.max(0, watchUntilMs - now);
  const minutes = Math.floor(left / 60_000);
  const seconds = Math.floor((left % 60_000) / 1000);
  if (watchedAt !== undefined)
    return (
      <p className="mt-1">
        Watched to the end, <When at={watchedAt} />.
      </p>
    );
  return (
    <div className="mt-2">
      <p className="text-3xl font-semibold tabular-nums" role="timer" aria-label="Fire watch">
        {left > 0
          ? `${minutes}:${String(seconds).padStart(2, '0')} to watch`
          : 'The time is over: look once more'}
      </p>
      <p className="caption">
        Since <When at={arcOutAt!} />. Behind the metal, in the cavity, under the floor; the hand on the far
        side.
      </p>
      <button type="button" className="solid mt-2" disabled={left > 0} onClick={() => say('watched')}>
        Nothing smokes, nothing glows
      </button>
    </div>
  );
}

const WATCHES = ['30', '60', '120'] as const;
const answerSchema = z.enum(['done', 'none']);
type Answer = z.infer<typeof answerSchema>;

/** A permit as it is given: every check answered, a helper who is not the welder, a watch as long as the profile asks. */
const typedPermit = (by: string, leastMin: number) =>
  z.object({
    answers: z.partialRecord(z.enum(PERMIT_CHECKS), answerSchema.optional()).transform((answers, context) => {
      const said = (which: Answer) => PERMIT_CHECKS.filter((each) => answers[each] === which);
      const [checks, none] = [said('done'), said('none')];
      const open = openChecks({ checks, none }).map((each) => CHECK_WORDS[each].toLowerCase());
      if (open.length === 0) return { checks, none };
      context.addIssue({
        code: 'custom',
        message: `not looked at yet: ${open.join('; ')}. Nothing was kept.`,
      });
      return z.NEVER;
    }),
    helper: z
      .string()
      .trim()
      .max(40)
      .refine((helper) => helper !== '' && helper.toLowerCase() !== by.trim().toLowerCase(), {
        message: 'a helper who is not you stands beside it; nothing was kept',
      }),
    watchMin: z
      .enum(WATCHES)
      .transform(Number)
      .refine((min) => min >= leastMin, {
        message: `this profile asks for ${leastMin} min of watch; nothing was kept`,
      }),
  });

function GiveForm({ gate, order, onClose }: { gate: Gate; order: JobOrder; onClose: () => void }) {
  const { file, keep } = useRecords();
  const { by } = useReader();
  const stamp = useStamp();
  const least = watchMinutes(legalOf(file.practice.legal));
  const schema = typedPermit(by, least);
  const form = useTypedForm(schema, { answers: {}, helper: '', watchMin: least <= 30 ? '30' : '60' });
  const near = order.plan.zones.find(({ id }) => id === gate.of)?.parts ?? [];
  const give = ({ answers, helper, watchMin }: z.infer<typeof schema>) => {
    keep({
      kind: 'permit',
      ...stamp(),
      note: '',
      zoneId: gate.of,
      is: 'given',
      ...answers,
      helper,
      watchMin,
    });
    onClose();
  };
  return (
    <TypedForm form={form} onKeep={give} label={`Permit, zone ${gate.of}`} className="mt-2">
      {near.length > 0 && (
        <p>
          Near these seams hang: <b>{near.map(({ name }) => name.toLowerCase()).join(', ')}</b>.
        </p>
      )}
      <Checks />
      <div className="mt-2 flex flex-wrap items-start gap-3">
        <TypedEntry name="helper" label="helper" className="w-40" maxLength={40} />
        <div>
          <p className="caption">watched after, min ({printSource(WATCH_SOURCE)})</p>
          <TypedChoice name="watchMin" label="Watched after" options={WATCHES} />
          <FieldProblem name="watchMin" />
        </div>
        <button type="submit" className="solid mt-[1.3rem]">
          Give the permit
        </button>
      </div>
      <FieldProblem name="answers" />
      <TypedProblem className="mt-1" />
    </TypedForm>
  );
}

/** Each check seen to, or none there; said twice it is taken back. */
const Checks = () => (
  <ul className="ruled mt-1">
    {PERMIT_CHECKS.map((check) => (
      <li key={check} className="flex flex-wrap items-center gap-2 py-1">
        <span className="min-fit-60 flex-1">{CHECK_WORDS[check]}</span>
        <Controller
          name={`answers.${check}`}
          render={({ field: { value, onChange } }) => (
            <Answers
              label={CHECK_WORDS[check]}
              value={value as Answer | undefined}
              mayBeNone={!ALWAYS.has(check)}
              onAnswer={(answer) => onChange(value === answer ? undefined : answer)}
            />
          )}
        />
      </li>
    ))}
  </ul>
);

/** Somebody stands there with an extinguisher whatever the unit is. */
const ALWAYS: ReadonlySet<PermitCheck> = new Set([
  'coatings off',
  'cavity',
  'extinguisher',
  'ventilation',
  'helper',
  'draught',
]);

function Answers({
  label,
  value,
  mayBeNone,
  onAnswer,
}: {
  label: string;
  value: Answer | undefined;
  mayBeNone: boolean;
  onAnswer: (answer: Answer) => void;
}) {
  return (
    <span className="flex" role="group" aria-label={label}>
      <button
        type="button"
        className="plain"
        aria-pressed={value === 'done'}
        onClick={() => onAnswer('done')}
      >
        seen to
      </button>
      {mayBeNone && (
        <button
          type="button"
          className="plain -ml-px"
          aria-pressed={value === 'none'}
          onClick={() => onAnswer('none')}
        >
          none there
        </button>
      )}
    </span>
  );
}
