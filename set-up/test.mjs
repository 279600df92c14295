// The whole of the project's tests, from a fresh clone. Prints each runner's totals and, last, `N passed, N failed`.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureDebianPackages, fetchNpmPackages } from './machine.mjs';

const began = Date.now();
// Fetching waits for the network, compiling takes one core: meanwhile the rest goes on that can do without.
const debian = ensureDebianPackages();
const { compiled } = await fetchNpmPackages();

const folder = mkdtempSync(join(tmpdir(), 'ossatura-totals-'));
const environment = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
const totals = [];
const say = (name, passed, failed, skipped, since) => {
  totals.push({ name, passed, failed, skipped });
  console.log(
    `— ${name}: ${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''} (${Math.round((Date.now() - since) / 1000)} s)\n`,
  );
};

/** A step that either holds or doesn't. */
function single(name, command, ...words) {
  const since = Date.now();
  const held = spawnSync(command, words, { stdio: 'inherit', env: environment }).status === 0;
  say(name, held ? 1 : 0, held ? 0 : 1, 0, since);
  return held;
}

/** Steps that either hold or don't, side by side: each keeps at most one core busy. What they print comes when each is done. */
function sideBySide(...steps) {
  const since = Date.now();
  return Promise.all(
    steps.map(
      ([name, command, ...words]) =>
        new Promise((resolve) => {
          const child = spawn(command, words, { env: environment });
          let printed = '';
          for (const stream of [child.stdout, child.stderr])
            stream.on('data', (chunk) => {
              printed += chunk;
            });
          child.on('error', (error) => {
            printed += error.message;
          });
          child.on('close', (status) => {
            process.stdout.write(printed);
            say(name, status === 0 ? 1 : 0, status === 0 ? 0 : 1, 0, since);
            resolve();
          });
        }),
    ),
  );
}

/** A runner with a JSON report; a run that leaves no report, or none of whose tests ran, has failed. */
function runner(name, count, file, env, command, ...words) {
  const since = Date.now();
  const run = spawnSync(command, words, { stdio: 'inherit', env: { ...environment, ...env } });
  let counted = { passed: 0, failed: 1, skipped: 0 };
  try {
    counted = count(JSON.parse(readFileSync(file, 'utf8')));
  } catch (error) {
    console.error(`${name} left no report: ${error.message}`);
  }
  const ran = counted.passed + counted.failed + counted.skipped > 0;
  say(
    name,
    counted.passed,
    counted.failed + (counted.failed === 0 && (run.status !== 0 || !ran) ? 1 : 0),
    counted.skipped,
    since,
  );
}
const jestCount = (report) => ({
  passed: report.numPassedTests,
  failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  skipped: report.numPendingTests,
});
const playwrightCount = ({ stats }) => ({
  passed: stats.expected,
  failed: stats.unexpected + stats.flaky,
  skipped: stats.skipped,
});
/** Room for what is made and dropped at once: with Node's own 16 MB a tenth of a run is spent on clearing it away. */
const YOUNG = '--max-semi-space-size=128';
const jest = (name, project) => {
  const file = join(folder, `${project}.json`);
  runner(
    name,
    jestCount,
    file,
    { NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} ${YOUNG}`.trim() },
    'npx',
    'jest',
    '--selectProjects',
    project,
    '--json',
    '--outputFile',
    file,
    '--silent',
  );
};

await sideBySide(
  ['lint', 'npm', 'run', '--silent', 'lint:rules'],
  ['types', 'npm', 'run', '--silent', 'types'],
  ['format', 'npm', 'run', '--silent', 'lint:format'],
);
const [missing] = await Promise.all([debian, compiled]);
if (missing.length > 0) {
  console.log(
    `\nNot installed on this machine: ${missing.join(' ')}. The outside checks that need them ${process.env.CI ? 'fail, since CI is set' : 'are skipped'}; the journeys need Chromium (or CHROMIUM=path).`,
  );
  console.log(`On Debian or Ubuntu: sudo apt-get install ${missing.join(' ')}\n`);
}
jest('core, data and codebase', 'together');
jest('outside checks', 'outside');
if (single('build', 'npm', 'run', '--silent', 'build')) {
  const file = join(folder, 'journeys.json');
  runner(
    'journeys',
    playwrightCount,
    file,
    { PLAYWRIGHT_JSON_OUTPUT_NAME: file },
    'npx',
    'playwright',
    'test',
    '--reporter=list,json',
  );
} else say('journeys', 0, 1, 0, Date.now());

rmSync(folder, { recursive: true, force: true });
const sum = (key) => totals.reduce((whole, each) => whole + each[key], 0);
for (const each of totals)
  console.log(
    `${each.name.padEnd(24)} ${each.passed} passed, ${each.failed} failed${each.skipped ? `, ${each.skipped} skipped` : ''}`,
  );
console.log(`whole run ${Math.round((Date.now() - began) / 1000)} s`);
console.log(
  `${sum('passed')} passed, ${sum('failed')} failed${sum('skipped') ? `, ${sum('skipped')} skipped` : ''}`,
);
process.exit(sum('failed') === 0 ? 0 : 1);
