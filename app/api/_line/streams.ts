import { spawn } from 'node:child_process';
import { createReadStream, createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import type { Readable, Writable } from 'node:stream';

/** Instruments that speak lines: each with the variable that names its device, and the stand-in that ships. This is where a real one plugs in. */
export const INSTRUMENTS_ON_A_LINE = {
  gauge: { device: 'OSSATURA_GAUGE', standIn: 'thickness-gauge', name: 'gauge' },
  'angle-finder': { device: 'OSSATURA_ANGLE_FINDER', standIn: 'angle-finder', name: 'angle finder' },
  laser: { device: 'OSSATURA_LASER', standIn: 'laser', name: 'laser' },
} as const;
export type OnALine = keyof typeof INSTRUMENTS_ON_A_LINE;

/** An instrument on its line. */
export interface LineStream {
  readonly write: (line: string) => void;
  readonly close: () => void;
}
export interface LineEars {
  readonly onLine: (line: string) => void;
  readonly onGone: (why: string) => void;
}

const deviceOf = (which: OnALine): string | undefined => process.env[INSTRUMENTS_ON_A_LINE[which].device];

/** The device named for it, else the stand-in that ships. */
export function openLine(which: OnALine, ears: LineEars): LineStream {
  const device = deviceOf(which);
  return device ? openDevice(device, which, ears) : openStandIn(which, ears);
}
export const isStandIn = (which: OnALine): boolean => !deviceOf(which);

function openStandIn(which: OnALine, ears: LineEars): LineStream {
  const { standIn, name } = INSTRUMENTS_ON_A_LINE[which];
  const child = spawn(
    process.execPath,
    [
      join(process.cwd(), 'node_modules', 'tsx', 'dist', 'cli.mjs'),
      join(process.cwd(), 'stand-ins', standIn, 'main.ts'),
    ],
    { stdio: ['pipe', 'pipe', 'ignore'] },
  );
  child.on('exit', () => ears.onGone(`the ${name} is gone`));
  child.on('error', () => ears.onGone(`the ${name} does not start`));
  return { ...onStreams(child.stdout, child.stdin, which, ears), close: () => void child.kill() };
}

/** A serial port or any other file that speaks lines. */
function openDevice(path: string, which: OnALine, ears: LineEars): LineStream {
  const [input, output] = [createReadStream(path, 'utf8'), createWriteStream(path)];
  input
    .on('error', () => ears.onGone(`${path} cannot be read`))
    .on('close', () => ears.onGone(`the ${INSTRUMENTS_ON_A_LINE[which].name} is gone`));
  output.on('error', () => ears.onGone(`${path} cannot be written to`));
  return {
    ...onStreams(input, output, which, ears),
    close: () => {
      input.destroy();
      output.end();
    },
  };
}

function onStreams(
  input: Readable,
  output: Writable,
  which: OnALine,
  ears: LineEars,
): Pick<LineStream, 'write'> {
  createInterface({ input }).on('line', ears.onLine);
  output.on('error', () =>
    ears.onGone(`the ${INSTRUMENTS_ON_A_LINE[which].name} does not take what is said to it`),
  );
  return { write: (line) => void (output.writable && output.write(`${line}\n`)) };
}
