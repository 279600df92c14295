import { spawn } from 'node:child_process';
import { createReadStream, createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import type { Readable, Writable } from 'node:stream';

/** A gauge on a line: this is where a real one plugs in. */
export interface GaugeStream {
  readonly write: (line: string) => void;
  readonly close: () => void;
}
export interface GaugeEars {
  readonly onLine: (line: string) => void;
  readonly onGone: (why: string) => void;
}

/** The device named in OSSATURA_GAUGE, else the stand-in that ships. */
export const openGauge = (ears: GaugeEars): GaugeStream =>
  process.env.OSSATURA_GAUGE ? openDevice(process.env.OSSATURA_GAUGE, ears) : openStandIn(ears);
export const isStandIn = (): boolean => !process.env.OSSATURA_GAUGE;

function openStandIn(ears: GaugeEars): GaugeStream {
  const child = spawn(
    process.execPath,
    [
      join(process.cwd(), 'node_modules', 'tsx', 'dist', 'cli.mjs'),
      join(process.cwd(), 'stand-ins', 'thickness-gauge', 'main.ts'),
    ],
    { stdio: ['pipe', 'pipe', 'ignore'] },
  );
  child.on('exit', () => ears.onGone('the gauge is gone'));
  child.on('error', () => ears.onGone('the gauge does not start'));
  return { ...onStreams(child.stdout, child.stdin, ears), close: () => void child.kill() };
}

/** A serial port or any other file that speaks lines. */
function openDevice(path: string, ears: GaugeEars): GaugeStream {
  const [input, output] = [createReadStream(path, 'utf8'), createWriteStream(path)];
  input
    .on('error', () => ears.onGone(`${path} cannot be read`))
    .on('close', () => ears.onGone('the gauge is gone'));
  output.on('error', () => ears.onGone(`${path} cannot be written to`));
  return {
    ...onStreams(input, output, ears),
    close: () => {
      input.destroy();
      output.end();
    },
  };
}

function onStreams(input: Readable, output: Writable, ears: GaugeEars): Pick<GaugeStream, 'write'> {
  createInterface({ input }).on('line', ears.onLine);
  output.on('error', () => ears.onGone('the gauge does not take what is said to it'));
  return { write: (line) => void (output.writable && output.write(`${line}\n`)) };
}
