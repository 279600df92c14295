import { createInterface } from 'node:readline';

/** A device that is spoken to in lines. `LIVE` asks for what it shows now. */
export interface LineDevice {
  receive(line: string): readonly string[];
}

/** A device as a process of its own: lines on standard input, answers on standard output, one live line a quarter second. It ends when its input does. */
export function onALine(device: LineDevice): void {
  const say = (lines: readonly string[]) => process.stdout.write(`${lines.join('\n')}\n`);
  const live = setInterval(() => say(device.receive('LIVE')), 250);
  createInterface({ input: process.stdin })
    .on('line', (line) => say(device.receive(line)))
    .on('close', () => {
      clearInterval(live);
      process.exit(0);
    });
}
