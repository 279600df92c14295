'use client';

import { Link } from '@/app/_parts/link';
import { isOpen } from '@/core/order';
import { stands } from '@/core/job';
import { CAUTIONS } from '../../../../_words/cautions';
import { Bench, PartsNav, useMember, useOrder, usePart, useRecords } from '../../../_desk';
import { BuyPart } from './buy-part';
import { DatesPart } from './dates-part';
import { FoundPart } from './found-part';
import { GatesPart } from './gates-part';
import { OffPart } from './off-part';
import { PapersPart } from './papers-part';
import { PlanPart } from './plan-part';

const PARTS = ['plan', 'gates', 'off', 'found', 'dates', 'buy', 'papers'] as const;
type Part = (typeof PARTS)[number];
const PART_WORDS: Readonly<Record<Part, string>> = {
  plan: 'Plan',
  gates: 'Gates',
  off: 'Off and back',
  found: 'More found',
  dates: 'Dates',
  buy: 'To buy',
  papers: 'Papers',
};

/** What comes first: tasks in their order, gates before them, what is off, what was found on the way, days, what is bought, papers. */
export function OrderBench() {
  const { file } = useRecords();
  const { member } = useMember();
  const { order, problem } = useOrder();
  const part = usePart(PARTS);
  const counts: Partial<Record<Part, number>> = order
    ? {
        plan: order.progress.filter(({ state }) => state === 'open' || state === 'started').length,
        gates: order.gates.filter((gate) => !isOpen(gate)).length,
        off: order.refits.length,
        found: stands(file, 'extra').filter(({ grows }) => grows).length,
      }
    : {};
  return (
    <Bench slice={false} picker={false}>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
        <PartsNav label="Parts of Order" parts={PARTS} words={PART_WORDS} counts={counts} open={part} />
        <Link className="solid shrink-0" href={`/jobs/${file.job.id}/order/rail?member=${member.id}`}>
          At the truck
        </Link>
      </div>
      {problem !== undefined && !order && (
        <p role="alert" className="font-semibold text-oxide">
          The order could not be worked out: {problem}. Its records are kept.
        </p>
      )}
      {!order && problem === undefined && <p className="text-xl">working…</p>}
      {order && part === 'plan' && <PlanPart order={order} />}
      {order && part === 'gates' && <GatesPart order={order} />}
      {order && part === 'off' && <OffPart order={order} />}
      {order && part === 'found' && <FoundPart order={order} />}
      {order && part === 'dates' && <DatesPart order={order} />}
      {order && part === 'buy' && <BuyPart order={order} />}
      {order && part === 'papers' && <PapersPart order={order} />}
      <p className="caution mt-3">{CAUTIONS.order}</p>
    </Bench>
  );
}
