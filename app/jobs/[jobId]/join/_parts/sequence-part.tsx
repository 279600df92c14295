'use client';

import { Link } from '@/app/_parts/link';
import { toast } from 'sonner';
import type { Member } from '@/core/frame';
import { bentSection, brokenRules, type WorkedRepair } from '@/core/job';
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
  type WeldRun,
} from '@/core/join';
import { percent, printLength } from '@/core/quantity';
import { useReader, useRecords, useStamp, useWork } from '../../../_desk';
import type { Judged, Sequence } from '@/workers/sequencer';
import { waitWords } from '../../../../_words/rail';
import { TakeOver } from './take-over';
import type { JoinDesk } from './use-join';
import { useSequencer } from './use-sequencer';

/** What is welded of a repair, run by run. */
const runsOf = ({ shape }: Member, { repair, joined }: WorkedRepair): WeldRun[] =>
  weldRuns(shape, joined.lines, (id) => repair.pieces.find((piece) => piece.id === id)!.thicknessMm);

/** The order the runs are laid in: looked for, kept, and followed at the rail. */
export function SequencePart({ join }: { join: JoinDesk }) {
  const { current, member, work } = join;
  if (!current || !work) return null;
  const runs = runsOf(member, current);
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
  return <OrderOfRuns join={join} current={current} work={work} runs={runs} />;
}

interface Ordering {
  readonly join: JoinDesk;
  readonly current: WorkedRepair;
  readonly work: NonNullable<JoinDesk['work']>;
  readonly runs: readonly WeldRun[];
}

/** Looks for an order of the runs, and keeps the one that is taken. */
function useOrderOfRuns({ join: { done, member }, current, work, runs }: Ordering) {
  const { states } = useWork();
  const { keep } = useRecords();
  const stamp = useStamp();
  const { sequencing, begin, stop, drop } = useSequencer();
  const { lines } = current.joined;
  const section = bentSection({ picture: work.picture, states }, current);
  return {
    sequencing,
    stop,
    isRunning: sequencing !== undefined && !sequencing.found && !sequencing.problem,
    find:
      section &&
      (() => void begin({ shape: member.shape, runs, section, laid: laidRuns(runs, done, Date.now()) })),
    take: ({ order, waitsS }: Sequence) => {
      keep({
        kind: 'weld plan',
        ...stamp(),
        memberId: member.id,
        ofId: current.repair.id,
        note: '',
        ...planOf(runs, order, waitsS, { tacks: tacksOf(lines), lines }),
      });
      toast.success('Every page and phone follows this order');
      drop();
    },
  };
}

function OrderOfRuns(props: Ordering) {
  const { join, current, runs } = props;
  const { plan, done } = join;
  const { lines } = current.joined;
  const { sequencing, stop, isRunning, find, take } = useOrderOfRuns(props);
  const broken = brokenRules(current).length;
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
        <button type="button" className="solid" disabled={!find || isRunning} onClick={find}>
          {stands ? 'Plan it anew' : 'Find an order'}
        </button>
        {isRunning && (
          <>
            <progress aria-label="How far the search is" max={1} value={sequencing!.share} />
            <button type="button" className="plain" onClick={stop}>
              Enough
            </button>
          </>
        )}
        <Onward join={join} current={current} isFollowed={stands !== undefined && !stands.isStale} />
      </div>
      {!find && <p className="caption">The metal here was never found: read it first.</p>}
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

/** To the rail, where the plan can be followed; and on paper. */
function Onward({
  join: { plan, member, file },
  current,
  isFollowed,
}: Pick<Ordering, 'join' | 'current'> & { readonly isFollowed: boolean }) {
  const { system } = useReader();
  return (
    <>
      {plan && isFollowed && (
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
    </>
  );
}

const nothingWords = ({ bolts }: { bolts?: unknown }): string =>
  bolts ? 'it is bolted' : 'no edge lands, or every seam is left open';

const HEADS = ['', 'warmest start', 'shrinkage ahead of itself', 'bow on the way', 'bow in the end', 'waits'];

/** What the order found comes to, beside the rule's and seam after seam. */
function Found({ found, onTake }: { found: Sequence; onTake: (found: Sequence) => void }) {
  return (
    <div className="mt-2">
      <table className="w-full letters-16" aria-label="What the order comes to">
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
      <ol className="mt-1 flex flex-wrap gap-x-4 gap-y-1 letters-16">
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
