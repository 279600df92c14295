'use client';

import { useEffect } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { toast } from 'sonner';
import { FITTING_KINDS, ROLES } from '@/core/frame';
import { fail, lengthDigits, ok, parseLengthMm } from '@/core/quantity';
import { WALK_PROFILES, type WalkProfile } from '@/core/reference';
import { TOURS, type SpotRule } from '@/core/walk';
import { Sheet, TypedEntry, TypedForm, TypedPick, TypedProblem, useTypedForm } from '@/ui/controls';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { askSpots, changeSpots, type SpotList, newId } from '../../../../_client';
import { TOUR_WORDS } from '../../../../_words/walk';
import { useReader, useRecords, useStamp } from '../../../_desk';
import { readBy, useFieldsTurn } from '../../../../_parts/typed';

const FROM_WORDS: Readonly<Record<SpotRule['from'], string>> = {
  trade: '',
  shop: 'the shop’s own',
  learned: 'learned from closed jobs',
};

const SPOTS = ['spots'];

/** The shop's list, asked for while the sheet is open. */
function useSpotList(open: boolean): SpotList | undefined {
  const { data } = useQuery({ queryKey: SPOTS, queryFn: askSpots, enabled: open });
  useEffect(() => {
    if (data && !data.ok)
      toast.error('The list cannot be reached', { description: 'What the frame shows stands.' });
  }, [data]);
  return data?.ok ? data.value : undefined;
}

type ChangeSpot = (ruleId: string, does: 'add' | 'drop' | 'restore', rule?: SpotRule) => Promise<boolean>;

/** Changes the shop's list; what rests on it is asked for anew. False where it was refused, and said so. */
function useSpotChange(): ChangeSpot {
  const { refresh } = useRecords();
  const stamp = useStamp();
  const queries = useQueryClient();
  return async (ruleId, does, rule) => {
    const answer = await changeSpots({ ...stamp(), ruleId, does, ...(rule && { rule }) });
    if (!answer.ok) {
      toast.error(answer.problem.message, { description: answer.problem.kept });
      return false;
    }
    await queries.invalidateQueries({ queryKey: SPOTS });
    await refresh();
    return true;
  };
}

/** The shop's list of what to look at on frames of this family, and how far round a point it looks. */
export function SpotsSheet({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { file } = useRecords();
  const list = useSpotList(open);
  const change = useSpotChange();
  const here = (rule: SpotRule) => rule.families.includes(file.frame.family);
  const rows = [
    ...(list?.rules ?? []).filter(here).map((rule) => ({ rule, on: true })),
    ...(list?.dropped ?? []).filter(here).map((rule) => ({ rule, on: false })),
  ];
  return (
    <Sheet
      title={`What we look at: ${file.frame.family}`}
      describe="The trade’s list, the shop’s own spots, and places where closed jobs found something nobody had looked for. It holds for every job of this family."
      open={open}
      onOpenChange={onOpenChange}
    >
      <Reach />
      {!list && <p role="status">loading…</p>}
      <ul className="ruled border-y border-rule">
        {rows.map(({ rule, on }) => (
          <RuleLine
            key={rule.id}
            rule={rule}
            on={on}
            onTurn={() => void change(rule.id, on ? 'drop' : 'restore')}
          />
        ))}
      </ul>
      <AddSpot onAdd={change} />
    </Sheet>
  );
}

const RuleLine = ({ rule, on, onTurn }: { rule: SpotRule; on: boolean; onTurn: () => void }) => (
  <li className={`flex min-h-[44px] items-center gap-3 ${on ? '' : 'text-soft line-through'}`}>
    <span className="min-w-0 flex-1 leading-tight">
      {rule.title}{' '}
      <span className="caption">
        {TOUR_WORDS[rule.tour].toLowerCase()}
        {rule.critical && ', critical'}
        {rule.beforeBuying && ', before buying'}
        {FROM_WORDS[rule.from] &&
          `; ${FROM_WORDS[rule.from]}${rule.from === 'learned' ? ` (${rule.look})` : ''}`}
      </span>
    </span>
    <button type="button" className="hit px-2 underline" onClick={onTurn}>
      {on ? 'drop' : 'take up'}
    </button>
  </li>
);

const percent = z.string().transform(Number);
const typedSpot = z
  .object({
    title: z.string().trim().min(3, 'name the spot').max(80),
    look: z.string().trim().max(200),
    tour: z.enum(TOURS),
    critical: z.boolean(),
    on: z.enum(['bracket', 'member']),
    kind: z.enum(FITTING_KINDS),
    role: z.enum(ROLES),
    from: percent,
    to: percent,
  })
  .refine(({ on, from, to }) => on === 'bracket' || (from >= 0 && to > from && to <= 100), {
    path: ['to'],
    message: 'from and to are shares of the length, 0 to 100 %',
  });

/** A spot of the shop's own as its rule, for frames of one family. */
const ruleOf = (
  typed: z.infer<typeof typedSpot>,
  id: string,
  family: SpotRule['families'][number],
): SpotRule => {
  const { title, look, tour, critical, on, kind, role, from, to } = typed;
  return {
    ...{ id, title, look, tour, critical, from: 'shop' },
    families: [family],
    needs: [],
    beforeBuying: false,
    where:
      on === 'bracket'
        ? { on: 'fitting', kinds: [kind] }
        : { on: 'stretch', roles: [role], from: from / 100, to: to / 100 },
  };
};

function AddSpot({ onAdd }: { onAdd: ChangeSpot }) {
  const { file } = useRecords();
  const form = useTypedForm(typedSpot, {
    ...{ title: '', look: '', tour: 'beneath', critical: true, on: 'bracket' },
    ...{ kind: 'spring hanger', role: 'rail', from: '0', to: '100' },
  });
  const on = useWatch({ control: form.control, name: 'on' });
  const add = async (typed: z.infer<typeof typedSpot>) => {
    const id = `shop ${newId().slice(0, 8)}`;
    if (await onAdd(id, 'add', ruleOf(typed, id, file.frame.family)))
      form.reset({ ...form.getValues(), title: '', look: '' });
  };
  return (
    <TypedForm form={form} onKeep={add} label="Add a spot" className="mt-4 grid grid-cols-2 gap-2">
      <h3 className="col-span-2 text-lg font-semibold">Add one of our own</h3>
      <TypedEntry name="title" label="name" className="col-span-2" maxLength={80} />
      <TypedEntry name="look" label="what to look at" className="col-span-2" maxLength={200} />
      <TypedPick
        name="on"
        label="where"
        options={['bracket', 'member']}
        words={(each) => (each === 'bracket' ? 'at every bracket of a kind' : 'along members of a kind')}
      />
      {on === 'bracket' ? (
        <TypedPick name="kind" label="kind of bracket" options={FITTING_KINDS} />
      ) : (
        <>
          <TypedPick name="role" label="kind of member" options={ROLES} />
          <TypedEntry name="from" label="from, % of its length" />
          <TypedEntry name="to" label="to, %" />
        </>
      )}
      <TypedPick name="tour" label="when" options={TOURS} words={(tour) => TOUR_WORDS[tour]} />
      <label className="plain self-end">
        <input type="checkbox" className="size-5" {...form.register('critical')} /> critical
      </label>
      <button type="submit" className="solid col-span-2 justify-self-start">
        Add the spot
      </button>
    </TypedForm>
  );
}

/** How far round a point metal is looked at, by profile or typed; and how much may stay unseen. */
function Reach() {
  const { file, changePractice } = useRecords();
  const { system } = useReader();
  const { walk } = file.practice;
  const reachWords = lengthDigits(walk.reachMm, system, 'length');
  const shareWords = String(Math.round(walk.unseenShare * 100));
  // What nobody touched stays as it is: read back from its words it would be rounded.
  const schema = z.object({
    reachMm: readBy((text) => (text === reachWords ? ok(walk.reachMm) : parseLengthMm(text, system))),
    unseenShare: readBy((text) => {
      const share = text === shareWords ? walk.unseenShare : Number(text) / 100;
      return share >= 0 && share <= 1 ? ok(share) : fail('the share is 0 to 100 %');
    }),
  });
  const form = useTypedForm(schema, { reachMm: reachWords, unseenShare: shareWords });
  useFieldsTurn(form, system, { reachMm: 'length' }, { reachMm: reachWords, unseenShare: shareWords });
  const keep = async (change: Partial<typeof walk>) => {
    const problem = await changePractice({ ...file.practice, walk: { ...walk, ...change } });
    if (problem) return { message: `${problem.message}. ${problem.kept}` };
    const kept = { ...walk, ...change };
    form.reset({
      reachMm: lengthDigits(kept.reachMm, system, 'length'),
      unseenShare: String(Math.round(kept.unseenShare * 100)),
    });
  };
  return (
    <TypedForm
      form={form}
      onKeep={keep}
      label="Rules of the walk"
      className="mb-3 flex flex-wrap items-start gap-2"
    >
      {(Object.keys(WALK_PROFILES) as WalkProfile[]).map((profile) => (
        <button
          key={profile}
          type="button"
          className="plain mt-[1.3rem]"
          aria-pressed={Math.abs(walk.reachMm - WALK_PROFILES[profile].reachMm) < 0.5}
          onClick={() => void keep({ reachMm: WALK_PROFILES[profile].reachMm })}
        >
          {profile}
        </button>
      ))}
      <TypedEntry name="reachMm" label="looked at round a point" unit={system} className="w-32" />
      <TypedEntry name="unseenShare" label="may stay unseen, %" className="w-32" />
      <button type="submit" className="plain mt-[1.3rem]">
        Keep
      </button>
      <TypedProblem />
      <p className="caption w-full">
        {Object.values(WALK_PROFILES)
          .map((profile) => profile.source.document)
          .join('. ')}{' '}
        (from memory).
      </p>
    </TypedForm>
  );
}
