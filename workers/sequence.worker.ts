import { expose } from 'comlink';
import { sequencer, type Sequencer } from './sequencer';

/** The door to the sequencer: who hears how far it is. */
export interface SequenceWorker extends Sequencer {
  readonly open: (report: (share: number) => void) => void;
}

const channel = new MessageChannel();
/** Messages that came meanwhile are heard: a stop is one. */
const breathe = () =>
  new Promise<void>((resolve) => {
    channel.port1.onmessage = () => resolve();
    channel.port2.postMessage(null);
  });

let at: Sequencer | undefined;
const opened = (): Sequencer => {
  if (!at) throw new Error('the sequencer was not opened');
  return at;
};

expose({
  open: (report) => {
    at = sequencer({ report: (share) => void report(share), breathe });
  },
  begin: (job) => opened().begin(job),
  stop: () => opened().stop(),
} satisfies SequenceWorker);
