import { createInterface } from 'node:readline';
import { simulatedGauge } from './gauge';

/** The gauge as a process of its own: lines on standard input, answers on standard output, one live line a quarter second. It ends when its input does. */
const gauge = simulatedGauge(Number(process.env.GAUGE_SEED ?? 1), Number(process.env.GAUGE_DRIFT ?? 0));
const say = (lines: readonly string[]) => process.stdout.write(`${lines.join('\n')}\n`);
const live = setInterval(() => say(gauge.receive('LIVE')), 250);
createInterface({ input: process.stdin })
  .on('line', (line) => say(gauge.receive(line)))
  .on('close', () => {
    clearInterval(live);
    process.exit(0);
  });
