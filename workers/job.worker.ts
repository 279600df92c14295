import { expose } from 'comlink';
import { createStore, get, set } from 'idb-keyval';
import { jobEngine, type JobEngine, type KeptWork, type Report, type Shelf } from './job-engine';

/** The door to the job engine: what it is told, and who hears of it. */
export interface JobWorker extends JobEngine {
  /** `build` names the program: results of another one are not taken up. */
  readonly open: (report: (report: Report) => void, build: string) => void;
}

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
const channel = new MessageChannel();
/** Messages that came meanwhile are heard; a timer would wait four milliseconds. */
const breathe = () =>
  new Promise<void>((resolve) => {
    channel.port1.onmessage = () => resolve();
    channel.port2.postMessage(null);
  });

function shelfOf(build: string): Shelf {
  const store = createStore('ossatura-work', 'kept');
  type Labelled = KeptWork & { readonly build: string };
  return {
    get: async (jobId) => {
      const kept = await get<Labelled>(jobId, store);
      return kept?.build === build ? kept : undefined;
    },
    put: (jobId, kept) => set(jobId, { ...kept, build }, store),
  };
}

let engine: JobEngine | undefined;
const opened = (): JobEngine => {
  if (!engine) throw new Error('the engine was not opened');
  return engine;
};

expose({
  open: (report, build) => {
    engine = jobEngine({
      report: (each) => void report(each),
      shelf: shelfOf(build),
      breathe,
      wait,
      now: () => performance.now(),
    });
  },
  begin: (file, inSight) => opened().begin(file, inSight),
  hear: (change) => opened().hear(change),
  show: (memberId) => opened().show(memberId),
  askLift: (plan) => opened().askLift(plan),
  tryLifts: () => opened().tryLifts(),
  waysOut: () => opened().waysOut(),
  firmness: () => opened().firmness(),
  forms: (memberId, run) => opened().forms(memberId, run),
  order: (nowMs) => opened().order(nowMs),
  proof: (nowMs, today) => opened().proof(nowMs, today),
  stop: () => opened().stop(),
} satisfies JobWorker);
