import { expose } from 'comlink';
import { nester, type Nester, type NestReport } from './nester';

/** The door to the nester: who hears how far it is. */
export interface NestWorker extends Nester {
  readonly open: (report: (report: NestReport) => void) => void;
}

const channel = new MessageChannel();
/** Messages that came meanwhile are heard: a stop is one. */
const breathe = () =>
  new Promise<void>((resolve) => {
    channel.port1.onmessage = () => resolve();
    channel.port2.postMessage(null);
  });

let at: Nester | undefined;
const opened = (): Nester => {
  if (!at) throw new Error('the nester was not opened');
  return at;
};

expose({
  open: (report) => {
    at = nester({ report: (each) => void report(each), breathe, now: () => performance.now() });
  },
  begin: (job) => opened().begin(job),
  stop: () => opened().stop(),
} satisfies NestWorker);
