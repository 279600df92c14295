'use client';

import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { JobDemand, JobFile, LiftReply } from '@/core/job';
import { twinOf } from '@/core/frame';
import type { LiftPlan } from '@/core/walk';
import type { WorkReport, WorkAsked, WorkView } from '@/workers/member.worker';

export type Works = ReadonlyMap<string, WorkView>;

/** What a member's work depends on; when this changes it is computed anew. Evidence is append-only, so counts and ids suffice. */
function dependsOn(file: JobFile, memberId: string): string {
  const readings = file.readings.filter((each) => each.memberId === memberId);
  const cracks = file.cracks.filter((each) => each.memberId === memberId);
  const member = file.frame.members.find((each) => each.id === memberId);
  const twinId = member && twinOf(file.frame, member)?.id;
  // What was looked at on its twin counts here too: both sides, always.
  const walked = file.walk.filter(
    (each) =>
      each.kind === 'leave' ||
      ((each.kind === 'look' || each.kind === 'sign') &&
        (each.memberId === memberId || each.memberId === twinId)),
  );
  const felt = file.survey.filter((each) => each.kind === 'felt edge' && each.memberId === memberId);
  const own = new Set([...readings, ...cracks, ...walked, ...felt].map((each) => each.id));
  const strikes = file.strikes.filter((each) => own.has(each.evidenceId)).length;
  const repairs = file.repairs.filter((each) => each.memberId === memberId);
  return JSON.stringify([
    file.revision,
    readings.length,
    readings.at(-1)?.id,
    cracks.length,
    walked.length,
    walked.at(-1)?.id,
    felt.length,
    strikes,
    repairs,
  ]);
}

/** How many of the members that were asked for are worked out. */
export interface Progress {
  readonly done: number;
  readonly of: number;
}

/** While readings are being typed the map waits for a pause this long, but never longer than the second. */
const PAUSE_MS = 350;
const LONGEST_WAIT_MS = 2500;

/**
 * Every member's work, computed in a web worker; the member in sight first. Members whose evidence did not change are not computed again.
 * The worker is given one order at a time, made from what is on record when it comes free: typing fast queues nothing up.
 */
export function useWork(
  file: JobFile,
  memberId: string,
): {
  works: Works;
  demand: JobDemand | undefined;
  isWorking: boolean;
  progress: Progress;
  stop: () => void;
  askLift: (plan: LiftPlan) => Promise<LiftReply>;
} {
  const [works, setWorks] = useState<Works>(new Map());
  const [demand, setDemand] = useState<JobDemand>();
  const [isWorking, setIsWorking] = useState(true);
  const [progress, setProgress] = useState<Progress>({ done: 0, of: 0 });
  const latest = useRef({ file, memberId });
  const foreman = useRef<
    | { offer: (pauseMs: number) => void; stop: () => void; ask: (plan: LiftPlan) => Promise<LiftReply> }
    | undefined
  >(undefined);

  useEffect(() => {
    const started = () => new Worker(new URL('../../../workers/member.worker.ts', import.meta.url));
    let worker = started();
    const ordered = new Map<string, string>();
    let isBusy = false;
    const order = () => {
      const { file: records, memberId: first } = latest.current;
      const ids = [first, ...records.frame.members.map((member) => member.id).filter((id) => id !== first)];
      const memberIds = ids.filter((id) => ordered.get(id) !== dependsOn(records, id));
      if (isBusy || memberIds.length === 0) return;
      isBusy = true;
      setIsWorking(true);
      setProgress({ done: 0, of: memberIds.length });
      for (const id of memberIds) ordered.set(id, dependsOn(records, id));
      worker.postMessage({ kind: 'members', records, memberIds } satisfies WorkAsked);
    };
    let timer: ReturnType<typeof setTimeout> | undefined;
    let waitingSince: number | undefined;
    // Handing the records over takes a while: what was typed is painted first.
    const offer = (pauseMs: number) => {
      clearTimeout(timer);
      waitingSince ??= performance.now();
      const left = Math.max(0, Math.min(pauseMs, LONGEST_WAIT_MS - (performance.now() - waitingSince)));
      timer = setTimeout(() => {
        waitingSince = undefined;
        order();
      }, left);
    };
    // The worker answers in turn: a question waits until the members before it are worked out.
    const asked = new Map<string, { resolve: (reply: LiftReply) => void; reject: (reason: Error) => void }>();
    const ask = async (plan: LiftPlan) => {
      // What changed while the worker was busy is worked out first: a lift is never answered on older evidence.
      while (isBusy) await new Promise((resolve) => setTimeout(resolve, 60));
      order();
      return new Promise<LiftReply>((resolve, reject) => {
        const id = crypto.randomUUID();
        asked.set(id, { resolve, reject });
        worker.postMessage({
          kind: 'lift',
          id,
          records: latest.current.file,
          notices: latest.current.file.notices,
          plan,
        } satisfies WorkAsked);
      });
    };
    const hear = ({ data }: MessageEvent<WorkReport>) => {
      if (data.kind === 'lift') {
        if (data.reply) asked.get(data.id)?.resolve(data.reply);
        else asked.get(data.id)?.reject(new Error(data.reason ?? 'it could not be worked out'));
        return void asked.delete(data.id);
      }
      if (data.kind === 'failed')
        return void toast.error(`${data.what} could not be worked out: ${data.reason}`, {
          description: 'Its records are kept.',
        });
      if (data.kind === 'member') setProgress((before) => ({ ...before, done: before.done + 1 }));
      if (data.kind === 'member')
        return startTransition(() => setWorks((before) => new Map(before).set(data.memberId, data.work)));
      startTransition(() => {
        setDemand(data.demand);
        setIsWorking(false);
        setWorks((before) => {
          const after = new Map(before);
          for (const [id, verdict] of data.verdicts)
            if (after.has(id)) after.set(id, { ...after.get(id)!, verdict });
          return after;
        });
      });
      isBusy = false;
      offer(0);
    };
    worker.onmessage = hear;
    /** Ends what is being worked out; the next change, or the next question, has everything worked out anew. */
    const stop = () => {
      worker.terminate();
      worker = started();
      worker.onmessage = hear;
      ordered.clear();
      isBusy = false;
      asked.forEach(({ reject }) => reject(new Error('it was stopped')));
      asked.clear();
      setIsWorking(false);
    };
    foreman.current = { offer, stop, ask };
    offer(0);
    return () => {
      clearTimeout(timer);
      worker.terminate();
    };
  }, []);

  useEffect(() => {
    const isTyping = file.readings.length > latest.current.file.readings.length;
    latest.current = { file, memberId };
    foreman.current?.offer(isTyping ? PAUSE_MS : 0);
  }, [file, memberId]);

  const askLift = useCallback(
    (plan: LiftPlan) => foreman.current?.ask(plan) ?? Promise.reject(new Error('the page is still starting')),
    [],
  );
  const stop = useCallback(() => foreman.current?.stop(), []);
  return { works, demand, isWorking, progress, stop, askLift };
}
