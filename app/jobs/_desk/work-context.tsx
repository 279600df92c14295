'use client';

import { createContext, useContext, useMemo, type ReactNode } from 'react';
import type { Candidate, JobDemand, JobOrder, JobProof, LiftReply, LiftTried } from '@/core/job';
import { memberStates, type MemberState } from '@/core/shape';
import type { LiftPlan } from '@/core/walk';
import type { Firmness, Priced } from '@/core/weigh';
import type { MemberSummary, Run, WorkView } from '@/workers/job-engine';
import { useMember } from './place-context';
import type { Engine } from './use-engine';

export type { MemberSummary, WorkView } from '@/workers/job-engine';
/** What every member came to, in few words. */
export type Summaries = ReadonlyMap<string, MemberSummary>;

/** How many of the members are worked out; 0 of 0 at rest. */
export interface Progress {
  readonly done: number;
  readonly of: number;
}

/** What was worked out from the records. */
export interface Work {
  readonly summaries: Summaries;
  /** The member in sight, whole; undefined until it is worked out. */
  readonly work: WorkView | undefined;
  /** Members known whole: the one in sight and its twin. */
  readonly views: ReadonlyMap<string, WorkView>;
  readonly states: readonly MemberState[];
  /** What the frame asks of its members; absent until it is worked out. */
  readonly demand: JobDemand | undefined;
  readonly isWorking: boolean;
  readonly progress: Progress;
  /** Ends what is being worked out; records are untouched. */
  readonly stopWork: () => void;
  /** Whether the unit may be raised so, worked out on the sections found. */
  readonly askLift: (plan: LiftPlan) => Promise<LiftReply>;
  /** The usual ways of lifting, tried. */
  readonly tryLifts: () => Promise<LiftTried[]>;
  /** Every way out with its price. */
  readonly waysOut: () => Promise<Priced[]>;
  /** How firm the decision on each member is. */
  readonly firmness: () => Promise<ReadonlyMap<string, Firmness>>;
  /** Every form that could answer damage on a member, ranked. */
  readonly forms: (memberId: string, run: Run) => Promise<Candidate[]>;
  /** Every task in its order, with its gates, as of an instant. */
  readonly order: (nowMs: number) => Promise<JobOrder>;
  /** What is open before it is signed off. */
  readonly proof: (nowMs: number, today: string) => Promise<JobProof>;
}

const WorkContext = createContext<Work | undefined>(undefined);

export function useWork(): Work {
  const work = useContext(WorkContext);
  if (!work) throw new Error('useWork is used outside a job');
  return work;
}

export function WorkProvider({ engine, children }: { engine: Engine; children: ReactNode }) {
  const { member } = useMember();
  const work = engine.views.get(member.id);
  const states = useMemo(
    () =>
      work
        ? memberStates(
            work.picture,
            work.repairs.map((each) => each.repair),
            work.letIn,
          )
        : [],
    [work],
  );
  const value = useMemo<Work>(
    () => ({
      summaries: engine.summaries,
      views: engine.views,
      work,
      states,
      demand: engine.demand,
      isWorking: engine.isWorking,
      progress: engine.progress,
      stopWork: engine.stop,
      askLift: engine.askLift,
      tryLifts: engine.tryLifts,
      waysOut: engine.waysOut,
      firmness: engine.firmness,
      forms: engine.forms,
      order: engine.order,
      proof: engine.proof,
    }),
    [engine, work, states],
  );
  return <WorkContext.Provider value={value}>{children}</WorkContext.Provider>;
}
