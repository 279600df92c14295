'use client';

import Link from 'next/link';
import { toast } from 'sonner';
import { bentSection, brokenRules } from '@/core/job';
import {
  BOW_BAND,
  followed,
  laidRuns,
  MOST_PLANNED,
  planOf,
  tacksOf,
  weldBasis,
  weldRuns,
  type WeldPlan,
} from '@/core/join';
import { percent, printLength } from '@/core/quantity';
import { useReader, useRecords, useStamp, useWork } from '../../../_desk';
import type { Judged, Sequence } from '@/workers/sequencer';
import { waitWords } from '../../../../_words/rail';
import { TakeOver } from './take-over';
import type { JoinDesk } from './use-join';
import { useSequencer } from './use-sequencer';

/** The order the runs are laid in: looked for, kept, and followed at the rail. */
export function SequencePart({ join }: { join: JoinDesk }) {
  const { current, plan, done, member, work, file } = join;
  const { system } = useReader();
  const { states } = useWork();
  const { keep } = useRecords();
  const stamp = useStamp();
  const search = useSequencer();
  if (!current || !work) return null;
  const { lines } = current.joined;
  const broken = brokenRules(current).length;
  const runs = weldRuns(
    member.shape,
    lines,
    (id) => current.repair.pieces.find((piece) => piece.id === id)!.thicknessMm,
  );
  if (runs.length === 0)
    return <p className="mt-3 text-lg">Nothing to lay here: {nothingWords(current.repair)}.</p>;
  if (runs.length > MOST_PLANNED)
    return (
      <p className="mt-3 text-lg">
        {runs.length} runs are more than anybody follows: weld the edges continuously, or with longer runs
        (Shop), or fewer plugs.
      </p>
    );
  if (current.isProposal) return <TakeOver join={join} worked={current} what="its runs are put in order" />;
  const section = bentSection({ picture: work.picture, states }, current);
  const find = () =>
    section &&
    void search.begin({ shape: member.shape, runs, section, laid: laidRuns(runs, done, Date.now()) });
  const take = (found: Sequence) => {
    const ofId = current.repair.id;
    keep({
      kind: 'weld plan',
      ...stamp(),
      memberId: member.id,
      ofId,
      note: '',
      ...planOf(runs, found.order, found.waitsS, { tacks: tacksOf(lines), lines }),
    });
    toast.success('Every page and phone follows this order');
    search.drop();
  };
  const { sequencing } = search;
  const isRunning = sequencing && !sequencing.found && !sequencing.problem;
  const stands = plan && followed(plan, done, weldBasis(lines));
  return (
    <section aria-label="Order of runs" className="mt-3">
      <h2 className="text-2xl font-semibold">
        {runs.length} runs on {lines.length} seams
      </h2>
      {broken > 0 && (
        <p className="font-semibold text-oxide">Not to be welded like this: rules broken, {broken}.</p>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button type="button" className="solid" disabled={!section || isRunning} onClick={find}>
          {stands ? 'Plan it anew' : 'Find an order'}
        </button>
        {isRunning && (
          <>
            <progress aria-label="How far the search is" max={1} value={sequencing.share} />
            <button type="button" className="plain" onClick={search.stop}>
              Enough
            </button>
          </>
        )}
        {plan && stands && !stands.isStale && (
          <Link
            className="plain"
            href={`/jobs/${file.job.id}/join/rail?member=${member.id}&repair=${plan.ofId}`}
          >
            At the rail
          </Link>
        )}
        <a
          className="plain"
          download
          href={`/api/jobs/${file.job.id}/weld-sheets/${current.repair.id}?unit=${system}`}
        >
          Weld sheet, PDF
        </a>
      </div>
      {!section && <p className="caption">The metal here was never found: read it first.</p>}
      {sequencing?.problem && (
        <p role="alert" className="font-semibold text-oxide">
          {sequencing.problem}
        </p>
      )}
      {sequencing?.found && <Found found={sequencing.found} onTake={take} />}
      {plan && stands && <PlanStands plan={plan} stands={stands} />}
      <p className="caption mt-2">
        Heat: superposed line sources in a thin plate; it orders and spaces runs and promises no degrees: a
        thermometer or the hand decides. Bow: 0.005 A d L²/I, half to twice (Blodgett, from memory), all of it
        tacked first.
      </p>
    </section>
  );
}

const nothingWords = ({ bolts }: { bolts?: unknown }): string =>
  bolts ? 'it is bolted' : 'no edge lands, or every seam is left open';

const HEADS = ['', 'warmest start', 'shrinkage ahead of itself', 'bow on the way', 'bow in the end', 'waits'];

/** What the order found comes to, beside the rule's and seam after seam. */
function Found({ found, onTake }: { found: Sequence; onTake: (found: Sequence) => void }) {
  return (
    <div className="mt-2">
      <table className="w-full text-[16px]" aria-label="What the order comes to">
        <thead>
          <tr className="caption text-left">
            {HEADS.map((head) => (
              <th key={head} scope="col" className="pr-2 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">
          <JudgedRow name="this order" judged={found.found} plain={found.plain} isBold />
          <JudgedRow name="skipping by rule" judged={found.byRule} plain={found.plain} />
          <JudgedRow name="seam after seam" judged={found.plain} plain={found.plain} />
        </tbody>
      </table>
      <button type="button" className="solid mt-2" onClick={() => onTake(found)}>
        Keep this order
      </button>
    </div>
  );
}

function JudgedRow({
  name,
  judged,
  plain,
  isBold,
}: {
  name: string;
  judged: Judged;
  plain: Judged;
  isBold?: boolean;
}) {
  const { system } = useReader();
  const bow = (mm: number) =>
    `${printLength(BOW_BAND[0] * mm, system, 'thickness')} to ${printLength(BOW_BAND[1] * mm, system, 'thickness')}`;
  const share = (of: number, whole: number) => (whole > 0 ? percent(of / whole) : 'none');
  return (
    <tr className={isBold ? 'font-semibold' : ''}>
      <th scope="row" className="pr-2 text-left font-normal">
        {name}
      </th>
      <td>{share(judged.warmestK, plain.warmestK)}</td>
      <td>{share(judged.uneven, plain.uneven)}</td>
      <td>{bow(judged.bow.worstMm)}</td>
      <td>{bow(judged.bow.endMm)}</td>
      <td>{waitWords(judged.waitS)}</td>
    </tr>
  );
}

function PlanStands({ plan, stands }: { plan: WeldPlan; stands: ReturnType<typeof followed> }) {
  const { system } = useReader();
  const laid = stands.runs.filter(({ done }) => done).length;
  return (
    <section className="mt-3" aria-label="The order kept">
      <h3 className="text-lg font-semibold">
        Kept by {plan.by}: {laid} of {stands.runs.length} laid
      </h3>
      {stands.isStale && (
        <p className="font-semibold text-oxide">
          The plates or their seams were changed since: these numbers no longer mean them. Plan it anew.
        </p>
      )}
      {stands.outOfTurn > 0 && !stands.isStale && (
        <p className="font-semibold">
          {stands.outOfTurn} laid out of turn since: plan the rest anew, so that what is warm is left alone.
        </p>
      )}
      <p>
        <span className="font-semibold">Tacks first:</span> {plan.tacks.map(({ mark }) => mark).join(', ')}.
      </p>
      <ol className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-[16px]">
        {stands.runs.map(({ run, number, done }) => (
          <li key={number} className={done ? 'line-through opacity-60' : ''}>
            <span className="font-bold tabular-nums">{number}</span> {run.mark}.{run.nth}
            <span className="caption">
              {' '}
              {run.lengthMm > 0 ? printLength(run.lengthMm, system, 'length') : 'plug'}
              {run.waitS > 0 && `, wait ${waitWords(run.waitS)}`}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
