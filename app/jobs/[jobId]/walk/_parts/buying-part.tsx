'use client';

import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { jobBuyersLook, stands } from '@/core/job';
import { CLAIM_STANDINGS, claimsStand, type Claim } from '@/core/walk';
import { Choice, Entry } from '@/ui/controls';
import { CAUTIONS } from '../../../../_words/cautions';
import { buyersWords, unseenWords } from '../../../../_words/walk';
import { useReader, useRecords, useWork, useStamp } from '../../../_desk';
import { LeaveRow } from './leave-row';
import { newId } from '../../../../_client';

/** For somebody who thinks of buying it: what is claimed, what was seen and not, what it would roughly cost, walk away or not. */
export function BuyingPart() {
  const { file } = useRecords();
  const { summaries, isWorking } = useWork();
  const look = useMemo(() => jobBuyersLook(file, [...summaries.values()]), [file, summaries]);
  const isPurpose = file.job.purpose === 'pre-purchase look';
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-2">
      <div className="min-w-0">
        {!isPurpose && (
          <p className="caption mb-2">
            This job is not a look before buying: fenders, floors and other body items are on the list of such
            jobs only.
          </p>
        )}
        <BuyersAnswer look={isWorking ? undefined : look} />
        <Claims />
        <LeaveRow />
        <Rate />
      </div>
      <div className="min-w-0">
        <h3 className="text-lg font-semibold">Found: {look.found.length}</h3>
        <ul className="ruled">
          {look.found.map((state) => (
            <li key={state.spot.id} className="py-1">
              {state.spot.title}: <span className="font-bold text-oxide">{state.result}</span>
            </li>
          ))}
        </ul>
        <h3 className="mt-3 text-lg font-semibold">
          Not seen, so nothing is said of them: {look.unseen.length}
        </h3>
        <ul className="ruled">
          {look.unseen.map((state) => (
            <li key={state.spot.id} className="flex flex-wrap justify-between gap-x-3 py-1">
              <span>{state.spot.title}</span>
              <span className="caption">{unseenWords(state.why!)}</span>
            </li>
          ))}
        </ul>
        <p className="caution mt-4">{CAUTIONS.buying}</p>
      </div>
    </div>
  );
}

/** Buy it or walk away, why, and what it would roughly cost; undefined while it is worked out. */
function BuyersAnswer({ look }: { look: ReturnType<typeof jobBuyersLook> | undefined }) {
  const { file } = useRecords();
  const { system } = useReader();
  return (
    <section className="border-2 border-ink bg-sheet p-3" aria-label="Answer for a buyer">
      {look ? (
        <>
          <p className="text-2xl font-bold leading-tight">{buyersWords.answer(look)}</p>
          <ul className="list-disc pl-5">
            {look.whys.map(buyersWords.why).map((why) => (
              <li key={why}>{why}</li>
            ))}
          </ul>
          <p className="mt-1 font-semibold">{buyersWords.cost(look, file.practice.money)}</p>
        </>
      ) : (
        <p role="status">working…</p>
      )}
      <p className="mt-2">
        <a className="solid" href={`/api/jobs/${file.job.id}/buyers-look?unit=${system}`}>
          One page, PDF
        </a>
      </p>
    </section>
  );
}

function Claims() {
  const { file, keep } = useRecords();
  const stamp = useStamp();
  const [words, setWords] = useState('');
  const claims = claimsStand(stands(file, 'claim'));
  const say = (claim: Claim, standing: Claim['standing']) =>
    standing !== claim.standing && keep({ ...claim, ...stamp(), standing });
  return (
    <section className="mt-4" aria-label="Claims">
      <h3 className="text-lg font-semibold">What is claimed</h3>
      <ul className="ruled">
        {claims.map((claim) => (
          <li key={claim.claimId} className="py-1">
            <p>
              “{claim.words}”{claim.note && <span className="caption"> {claim.note}</span>}
            </p>
            <Choice
              label={`Claim: ${claim.words}`}
              value={claim.standing}
              options={CLAIM_STANDINGS}
              onChange={(next) => say(claim, next)}
            />
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex items-end gap-2"
        aria-label="New claim"
        onSubmit={(event) => {
          event.preventDefault();
          if (words.trim().length < 3) return;
          keep({
            kind: 'claim',
            ...stamp(),
            claimId: newId(),
            words: words.trim(),
            standing: 'to be checked',
            note: '',
          });
          setWords('');
        }}
      >
        <Entry
          label="claimed to be done"
          className="flex-1"
          value={words}
          maxLength={160}
          onChange={(event) => setWords(event.target.value)}
        />
        <button type="submit" className="plain">
          Add
        </button>
      </form>
    </section>
  );
}

function Rate() {
  const { file, changePractice } = useRecords();
  const [typed, setTyped] = useState({
    rate: String(file.practice.money.ratePerHour),
    currency: file.practice.money.currency,
  });
  const keep = async () => {
    const ratePerHour = Number(typed.rate);
    if (!(ratePerHour >= 0) || typed.currency.trim() === '')
      return void toast.error('a rate is a number, with its currency');
    const problem = await changePractice({
      ...file.practice,
      money: { ...file.practice.money, ratePerHour, currency: typed.currency.trim() },
    });
    if (problem) toast.error(problem.message, { description: problem.kept });
  };
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-2 border-t border-rule pt-2"
      aria-label="Rate"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <Entry
        label="money an hour"
        className="w-28"
        inputMode="decimal"
        value={typed.rate}
        onChange={(event) => setTyped({ ...typed, rate: event.target.value })}
      />
      <Entry
        label="currency"
        className="w-20"
        value={typed.currency}
        maxLength={4}
        onChange={(event) => setTyped({ ...typed, currency: event.target.value })}
      />
      <button type="submit" className="plain">
        Keep the rate
      </button>
    </form>
  );
}
