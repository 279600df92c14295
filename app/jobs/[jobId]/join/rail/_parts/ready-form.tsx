'use client';

import { Link } from '@/app/_parts/link';
import { useState } from 'react';
import { stands } from '@/core/job';
import { READY_CHECKS, whyNotWeld, type Ready, type ReadyCheck, type WeldPlan } from '@/core/join';
import { legalOf } from '@/core/reference';
import { Entry } from '@/ui/controls';
import { READY_WORDS, WHY_NOT_WORDS } from '../../../../../_words/rail';
import { lackWords } from '../../../../../_words/order';
import { useMember, useOrder, useReader, useRecords, useStamp, useWork } from '../../../../_desk';

/**
 * What the hot-work gate of this repair lacks. It holds the arc where permits are given in this job, or where fuel was recorded as off and not out of the
 * building; a shop that gives none is told, and not held up.
 */
function useFireGate(ofId: string): { readonly words: readonly string[]; readonly isHolding: boolean } {
  const { file } = useRecords();
  const { system } = useReader();
  const { order } = useOrder();
  const weld = order?.plan.tasks.find(({ what, of }) => what === 'weld' && of.id === ofId);
  const gate = weld && order?.gates.find((each) => each.gate === 'hot work' && each.holds.includes(weld.id));
  if (!gate) return { words: [], isHolding: false };
  const isBegun = stands(file, 'permit').some(({ zoneId }) => zoneId === gate.of);
  return {
    words: gate.lacks.map((lack) => lackWords(lack, system)),
    isHolding: gate.lacks.some(({ code }) => isBegun || code === 'fuel not outside'),
  };
}

/** Who welds, by what paper and whose leave, what was looked at, and what stands against striking an arc. */
function useReady(plan: WeldPlan, before: Ready | undefined) {
  const { file, keep } = useRecords();
  const { member } = useMember();
  const { work } = useWork();
  const { by } = useReader();
  const stamp = useStamp();
  const [checks, setChecks] = useState<readonly ReadyCheck[]>([]);
  const [welder, setWelder] = useState(before?.welder ?? by.trim());
  const [leave, setLeave] = useState(before?.makersLeave ?? '');
  const person = file.people?.find(({ name }) => name.toLowerCase() === welder.trim().toLowerCase());
  const legal = legalOf(file.practice.legal);
  const against = work ? whyNotWeld(work.picture.steel, legal, { welder, person, makersLeave: leave }) : [];
  const fire = useFireGate(plan.ofId);
  return {
    checks,
    turn: (each: ReadyCheck) =>
      setChecks(checks.includes(each) ? checks.filter((other) => other !== each) : [...checks, each]),
    welder,
    setWelder,
    person,
    /** Asked for where whoever welds takes the maker's place before the law. */
    leave: legal.weldAsMaker ? leave : undefined,
    setLeave,
    against,
    fire,
    isReady: READY_CHECKS.every((each) => checks.includes(each)) && against.length === 0 && !fire.isHolding,
    keepIt: () =>
      keep({
        kind: 'ready to weld',
        ...stamp(),
        memberId: member.id,
        ofId: plan.ofId,
        checks: [...checks],
        welder: welder.trim(),
        qualification: person?.qualification ?? '',
        makersLeave: leave.trim(),
        note: '',
      }),
  };
}
type Readiness = ReturnType<typeof useReady>;

/** Ready to weld: each check by itself, nobody's arc is struck before. Nothing is ticked for anybody. */
export function ReadyForm({ plan, before }: { plan: WeldPlan; before: Ready | undefined }) {
  const ready = useReady(plan, before);
  const { isReady, keepIt } = ready;
  return (
    <form
      aria-label="Ready to weld"
      className="mt-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (isReady) keepIt();
      }}
    >
      <h2 className="text-xl font-semibold">Ready to weld?</h2>
      {before && <p className="caption">The last look holds no longer: it was made over 12 hours ago.</p>}
      <Checks ready={ready} />
      <WhoWelds ready={ready} />
      <Against ready={ready} />
      <button type="submit" className="solid mt-3 text-lg" disabled={!isReady}>
        Ready: show the first run
      </button>
    </form>
  );
}

const Checks = ({ ready: { checks, turn } }: { ready: Readiness }) => (
  <ul className="mt-1 grid gap-2">
    {READY_CHECKS.map((each) => (
      <li key={each}>
        <button
          type="button"
          className="plain w-full justify-start! py-3 text-left text-lg"
          aria-pressed={checks.includes(each)}
          onClick={() => turn(each)}
        >
          <span aria-hidden className="mr-2 inline-block w-5 shrink-0 text-center font-bold">
            {checks.includes(each) ? '✓' : '·'}
          </span>
          {READY_WORDS[each]}
        </button>
      </li>
    ))}
  </ul>
);

const WhoWelds = ({ ready: { welder, setWelder, person, leave, setLeave } }: { ready: Readiness }) => (
  <div className="mt-3 flex flex-wrap gap-3">
    <Entry
      label="who welds it"
      className="w-40"
      maxLength={40}
      value={welder}
      onChange={(event) => setWelder(event.target.value)}
      {...(person && { hint: person.qualification || `${person.role}; no paper on record` })}
    />
    {leave !== undefined && (
      <Entry
        label="the maker’s leave: where it stands"
        className="min-w-[240px] grow"
        maxLength={200}
        value={leave}
        onChange={(event) => setLeave(event.target.value)}
      />
    )}
  </div>
);

function Against({ ready: { against, fire } }: { ready: Readiness }) {
  const { file } = useRecords();
  return (
    <>
      {against.length > 0 && (
        <ul className="mt-2 font-semibold text-oxide" aria-label="What stands against it">
          {against.map((why) => (
            <li key={why}>{WHY_NOT_WORDS[why]}.</li>
          ))}
        </ul>
      )}
      {fire.words.length > 0 && (
        <p className={`mt-2 ${fire.isHolding ? 'font-semibold text-oxide' : ''}`}>
          Hot work: {fire.words.join('; ')}.{' '}
          <Link
            className="hit inline-flex items-center underline"
            href={`/jobs/${file.job.id}/order?part=gates`}
          >
            Order, Gates
          </Link>
        </p>
      )}
    </>
  );
}
