'use client';

import { proxy, wrap, type Remote } from 'comlink';
import { startTransition, useCallback, useEffect, useMemo, useReducer, useRef } from 'react';
import { toast } from 'sonner';
import type {
  Candidate,
  JobDemand,
  JobFile,
  JobOrder,
  JobProof,
  LiftReply,
  LiftTried,
  RecordsChange,
} from '@/core/job';
import type { LiftPlan } from '@/core/walk';
import type { Firmness, Priced } from '@/core/weigh';
import type { JobWorker } from '@/workers/job.worker';
import type { MemberSummary, Report, Run, WorkView } from '@/workers/job-engine';

/** What the engine has reported so far. */
interface Reported {
  readonly summaries: ReadonlyMap<string, MemberSummary>;
  readonly views: ReadonlyMap<string, WorkView>;
  readonly demand: JobDemand | undefined;
  readonly isWorking: boolean;
  readonly progress: { readonly done: number; readonly of: number };
}

/** The job engine as a page has it. */
export interface Engine extends Reported {
  readonly hear: (change: RecordsChange) => void;
  readonly show: (memberId: string) => void;
  readonly stop: () => void;
  readonly askLift: (plan: LiftPlan) => Promise<LiftReply>;
  readonly tryLifts: () => Promise<LiftTried[]>;
  readonly waysOut: () => Promise<Priced[]>;
  readonly firmness: () => Promise<ReadonlyMap<string, Firmness>>;
  readonly forms: (memberId: string, run: Run) => Promise<Candidate[]>;
  readonly order: (nowMs: number) => Promise<JobOrder>;
  readonly proof: (nowMs: number, today: string) => Promise<JobProof>;
}

const NOTHING_YET: Reported = {
  summaries: new Map(),
  views: new Map(),
  demand: undefined,
  isWorking: true,
  progress: { done: 0, of: 0 },
};

/** What is known after one more report. */
export function heardReport(known: Reported, report: Report): Reported {
  switch (report.kind) {
    case 'summary':
      return {
        ...known,
        summaries: new Map(known.summaries).set(report.summary.memberId, report.summary),
      };
    case 'view':
      return { ...known, views: new Map(known.views).set(report.view.picture.member.id, report.view) };
    case 'progress':
      return {
        ...known,
        isWorking: report.of > 0,
        progress: { done: report.done, of: report.of },
      };
    case 'frame':
      return { ...withVerdicts(known, report.verdicts), demand: report.demand };
    case 'failed':
      return known;
    default:
      return report satisfies never;
  }
}

function withVerdicts(known: Reported, verdicts: Extract<Report, { kind: 'frame' }>['verdicts']): Reported {
  const summaries = new Map(known.summaries);
  const views = new Map(known.views);
  for (const [id, verdict] of verdicts) {
    const [summary, view] = [summaries.get(id), views.get(id)];
    if (summary) summaries.set(id, { ...summary, verdict });
    if (view) views.set(id, { ...view, verdict });
  }
  return { ...known, summaries, views };
}

/** Starts the job engine in a worker of this page's own, and holds what it reports. */
export function useEngine(initial: JobFile, firstId: string): Engine {
  const [reported, hearReport] = useReducer(heardReport, NOTHING_YET);
  const begun = useRef({ file: initial, memberId: firstId });
  const worker = useRef<Remote<JobWorker> | undefined>(undefined);
  const held = useRef<((engine: Remote<JobWorker>) => void)[]>([]);

  useEffect(() => {
    const thread = new Worker(new URL('../../../workers/job.worker.ts', import.meta.url), { type: 'module' });
    const engine = wrap<JobWorker>(thread);
    worker.current = engine;
    const hear = (report: Report) => {
      if (report.kind === 'failed')
        toast.error(`${report.what} could not be worked out: ${report.reason}`, {
          description: 'Its records are kept.',
        });
      startTransition(() => hearReport(report));
    };
    void engine.open(proxy(hear), process.env.NEXT_PUBLIC_BUILD ?? 'unbuilt');
    void engine.begin(begun.current.file, begun.current.memberId);
    for (const tell of held.current.splice(0)) tell(engine);
    return () => {
      worker.current = undefined;
      thread.terminate();
    };
  }, []);

  /** What is said before the worker stands is told it afterwards, in order. */
  const tell = useCallback((say: (engine: Remote<JobWorker>) => void) => {
    if (worker.current) say(worker.current);
    else held.current.push(say);
  }, []);
  const hear = useCallback((change: RecordsChange) => tell((engine) => void engine.hear(change)), [tell]);
  const show = useCallback((memberId: string) => tell((engine) => void engine.show(memberId)), [tell]);
  const stop = useCallback(() => tell((engine) => void engine.stop()), [tell]);
  /** What is asked before the worker stands is asked then. */
  const ask = useCallback(
    <Reply>(question: (engine: Remote<JobWorker>) => Promise<Reply>): Promise<Reply> =>
      new Promise((resolve, reject) => tell((engine) => void question(engine).then(resolve, reject))),
    [tell],
  );
  const questions = useMemo(
    () => ({
      askLift: (plan: LiftPlan) => ask((engine) => engine.askLift(plan)),
      tryLifts: () => ask((engine) => engine.tryLifts()),
      waysOut: () => ask((engine) => engine.waysOut()),
      firmness: () => ask((engine) => engine.firmness()),
      forms: (memberId: string, run: Run) => ask((engine) => engine.forms(memberId, run)),
      order: (nowMs: number) => ask((engine) => engine.order(nowMs)),
      proof: (nowMs: number, today: string) => ask((engine) => engine.proof(nowMs, today)),
    }),
    [ask],
  );
  return useMemo(
    () => ({ ...reported, hear, show, stop, ...questions }),
    [reported, hear, show, stop, questions],
  );
}
