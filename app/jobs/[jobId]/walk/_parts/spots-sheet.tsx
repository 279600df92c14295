'use client';

import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { FITTING_KINDS, ROLES, type FittingKind, type Role } from '@/core/frame';
import { parseLengthMm, printLength } from '@/core/quantity';
import { WALK_PROFILES, type WalkProfile } from '@/core/reference';
import { TOURS, type SpotRule, type Tour } from '@/core/walk';
import { Entry, Pick, Sheet } from '@/ui/controls';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { askSpots, changeSpots, type SpotList, newId } from '../../../../_client';
import { TOUR_WORDS } from '../../../../_words/walk';
import { useReader, useRecords, useStamp } from '../../../_desk';
import { useUnitTurn } from '../../../../_parts/turned';

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

/** The shop's list of what to look at on frames of this family, and how far round a point it looks. */
export function SpotsSheet({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { file, refresh } = useRecords();
  const stamp = useStamp();
  const list = useSpotList(open);
  const queries = useQueryClient();
  const change = async (
    ruleId: string,
    does: 'add' | 'drop' | 'restore',
    rule?: SpotRule,
  ): Promise<boolean> => {
    const answer = await changeSpots({ ...stamp(), ruleId, does, ...(rule && { rule }) });
    if (!answer.ok) {
      toast.error(answer.problem.message, { description: answer.problem.kept });
      return false;
    }
    await queries.invalidateQueries({ queryKey: SPOTS });
    await refresh();
    return true;
  };
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
          <li
            key={rule.id}
            className={`flex min-h-[44px] items-center gap-3 ${on ? '' : 'text-soft line-through'}`}
          >
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
            <button
              type="button"
              className="hit px-2 underline"
              onClick={() => void change(rule.id, on ? 'drop' : 'restore')}
            >
              {on ? 'drop' : 'take up'}
            </button>
          </li>
        ))}
      </ul>
      <AddSpot onAdd={change} />
    </Sheet>
  );
}

function AddSpot({ onAdd }: { onAdd: (ruleId: string, does: 'add', rule: SpotRule) => Promise<boolean> }) {
  const { file } = useRecords();
  const [form, setForm] = useState({
    title: '',
    look: '',
    tour: 'beneath' as Tour,
    critical: true,
    on: 'bracket' as 'bracket' | 'member',
    kind: 'spring hanger' as FittingKind,
    role: 'rail' as Role,
    from: '0',
    to: '100',
  });
  const [problem, setProblem] = useState<string>();
  const add = async () => {
    const [from, to] = [Number(form.from) / 100, Number(form.to) / 100];
    if (form.title.trim().length < 3) return setProblem('name the spot');
    if (form.on === 'member' && !(from >= 0 && to > from && to <= 1))
      return setProblem('from and to are shares of the length, 0 to 100 %');
    const id = `shop ${newId().slice(0, 8)}`;
    const rule: SpotRule = {
      id,
      title: form.title.trim(),
      look: form.look.trim(),
      families: [file.frame.family],
      tour: form.tour,
      critical: form.critical,
      needs: [],
      beforeBuying: false,
      from: 'shop',
      where:
        form.on === 'bracket'
          ? { on: 'fitting', kinds: [form.kind] }
          : { on: 'stretch', roles: [form.role], from, to },
    };
    setProblem(undefined);
    if (await onAdd(id, 'add', rule)) setForm({ ...form, title: '', look: '' });
  };
  return (
    <form
      className="mt-4 grid grid-cols-2 gap-2"
      aria-label="Add a spot"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <h3 className="col-span-2 text-lg font-semibold">Add one of our own</h3>
      <Entry
        label="name"
        className="col-span-2"
        value={form.title}
        maxLength={80}
        onChange={(event) => setForm({ ...form, title: event.target.value })}
      />
      <Entry
        label="what to look at"
        className="col-span-2"
        value={form.look}
        maxLength={200}
        onChange={(event) => setForm({ ...form, look: event.target.value })}
      />
      <Pick
        label="where"
        value={form.on}
        options={['bracket', 'member'] as const}
        words={(on) => (on === 'bracket' ? 'at every bracket of a kind' : 'along members of a kind')}
        onPick={(on) => setForm({ ...form, on })}
      />
      {form.on === 'bracket' ? (
        <Pick
          label="kind of bracket"
          value={form.kind}
          options={FITTING_KINDS}
          onPick={(kind) => setForm({ ...form, kind })}
        />
      ) : (
        <Pick
          label="kind of member"
          value={form.role}
          options={ROLES}
          onPick={(role) => setForm({ ...form, role })}
        />
      )}
      {form.on === 'member' && (
        <>
          <Entry
            label="from, % of its length"
            value={form.from}
            onChange={(event) => setForm({ ...form, from: event.target.value })}
          />
          <Entry
            label="to, %"
            value={form.to}
            onChange={(event) => setForm({ ...form, to: event.target.value })}
          />
        </>
      )}
      <Pick
        label="when"
        value={form.tour}
        options={TOURS}
        words={(tour) => TOUR_WORDS[tour]}
        onPick={(tour) => setForm({ ...form, tour })}
      />
      <label className="plain self-end">
        <input
          type="checkbox"
          className="size-5"
          checked={form.critical}
          onChange={(event) => setForm({ ...form, critical: event.target.checked })}
        />{' '}
        critical
      </label>
      {problem && (
        <p role="alert" className="col-span-2 font-semibold text-oxide">
          {problem}
        </p>
      )}
      <button type="submit" className="solid col-span-2 justify-self-start">
        Add the spot
      </button>
    </form>
  );
}

/** How far round a point metal is looked at, by profile or typed; and how much may stay unseen. */
function Reach() {
  const { file, changePractice } = useRecords();
  const { system } = useReader();
  const { walk } = file.practice;
  const [typed, setTyped] = useState<{ reach?: string; share?: string }>({});
  useUnitTurn(system, (as) =>
    setTyped({ ...typed, ...(typed.reach !== undefined && { reach: as(typed.reach) }) }),
  );
  const keep = async (change: Partial<typeof walk>) => {
    const problem = await changePractice({ ...file.practice, walk: { ...walk, ...change } });
    if (problem) toast.error(problem.message, { description: problem.kept });
    else setTyped({});
  };
  const keepTyped = () => {
    const reach =
      typed.reach === undefined
        ? { ok: true as const, value: walk.reachMm }
        : parseLengthMm(typed.reach, system);
    const share = typed.share === undefined ? walk.unseenShare : Number(typed.share) / 100;
    if (!reach.ok) return void toast.error(`reach: ${reach.reason}`);
    if (!(share >= 0 && share <= 1)) return void toast.error('the share is 0 to 100 %');
    void keep({ reachMm: reach.value, unseenShare: share });
  };
  return (
    <form
      className="mb-3 flex flex-wrap items-end gap-2"
      aria-label="Rules of the walk"
      onSubmit={(event) => {
        event.preventDefault();
        keepTyped();
      }}
    >
      {(Object.keys(WALK_PROFILES) as WalkProfile[]).map((profile) => (
        <button
          key={profile}
          type="button"
          className="plain"
          aria-pressed={Math.abs(walk.reachMm - WALK_PROFILES[profile].reachMm) < 0.5}
          onClick={() => void keep({ reachMm: WALK_PROFILES[profile].reachMm })}
        >
          {profile}
        </button>
      ))}
      <Entry
        label="looked at round a point"
        unit={system}
        className="w-32"
        value={typed.reach ?? printLength(walk.reachMm, system, 'length').replace(/ (in|mm)$/, '')}
        onChange={(event) => setTyped({ ...typed, reach: event.target.value })}
      />
      <Entry
        label="may stay unseen, %"
        className="w-32"
        value={typed.share ?? String(Math.round(walk.unseenShare * 100))}
        onChange={(event) => setTyped({ ...typed, share: event.target.value })}
      />
      <button type="submit" className="plain">
        Keep
      </button>
      <p className="caption w-full">
        {Object.values(WALK_PROFILES)
          .map((profile) => profile.source.document)
          .join('. ')}{' '}
        (from memory).
      </p>
    </form>
  );
}
