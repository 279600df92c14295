import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { JobFile } from '@/core/job';
import { refused, written, type Written } from '@/data';
import type { Answered, TaskName, Tasks } from '@/workers/office';

/** Work waiting beyond this is turned away: whoever asks is told, and nobody's readings wait behind it. */
const MOST_WAITING = 12;
/** Nothing a shop has takes so long. */
const LIMIT_MS = 180_000;

interface Waiting {
  readonly id: number;
  readonly task: TaskName;
  readonly file: JobFile;
  readonly settle: (outcome: Written<unknown>) => void;
}
interface Office {
  child?: ChildProcess | undefined;
  readonly queue: Waiting[];
  at?: Waiting | undefined;
  timer?: NodeJS.Timeout | undefined;
  last: number;
}
/** On globalThis because the development server loads modules anew. */
const held = globalThis as typeof globalThis & { ossaturaOffice?: Office };
const office = (): Office => (held.ossaturaOffice ??= { queue: [], last: 0 });

const UNDONE = 'Nothing was changed; everything recorded before stands.';

/**
 * Has something worked out in a process of its own, one thing after another: requests go on being answered meanwhile. Turned away where too
 * much waits already, and where it takes longer than anything should.
 */
export function askOffice<Task extends TaskName>(
  task: Task,
  file: Parameters<Tasks[Task]>[0] & JobFile,
): Promise<Written<ReturnType<Tasks[Task]>>> {
  const here = office();
  if (here.queue.length >= MOST_WAITING)
    return Promise.resolve(
      refused('too-many', 'too much is being worked out already; ask again in a moment', UNDONE),
    );
  return new Promise((resolve) => {
    const settle = resolve as (outcome: Written<unknown>) => void;
    here.queue.push({ id: ++here.last, task, file, settle });
    next();
  });
}

function next(): void {
  const here = office();
  if (here.at) return;
  here.at = here.queue.shift();
  if (!here.at) return;
  const { id, task, file } = here.at;
  here.timer = setTimeout(() => end('it took longer than anything should'), LIMIT_MS);
  child().send({ id, task, file });
}

function child(): ChildProcess {
  const here = office();
  if (here.child) return here.child;
  const started = spawn(process.execPath, program(), {
    serialization: 'advanced',
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  started.on('message', (answer: Answered) => answer.id === here.at?.id && done(outcomeOf(answer)));
  started.on('exit', () => {
    if (here.child === started) end('what works things out ended');
  });
  started.on('error', () => end('what works things out does not start'));
  // It must not keep a server alive that is told to stop.
  started.unref();
  started.channel?.unref();
  here.child = started;
  return started;
}

/** In one file as the build made it; while the program is being written, as it is written. */
function program(): string[] {
  const built = join(process.cwd(), '.next', 'office.cjs');
  return process.env.NODE_ENV === 'production' && existsSync(built)
    ? [built]
    : ['--import', 'tsx', join(process.cwd(), 'workers', 'office.ts')];
}

const outcomeOf = (answer: Answered): Written<unknown> =>
  answer.ok ? written(answer.value) : refused('failed', answer.reason, UNDONE);

function done(outcome: Written<unknown>): void {
  const here = office();
  clearTimeout(here.timer);
  const settled = here.at;
  here.at = undefined;
  settled?.settle(outcome);
  next();
}

/** Ends the process; what it had in hand is answered so, the next thing starts another. */
function end(why: string): void {
  const here = office();
  const ended = here.child;
  here.child = undefined;
  ended?.kill('SIGKILL');
  done(refused('failed', `${why}: nothing was worked out`, UNDONE));
}
