// npm run bench [-- sections|frames|states|maps|next-reading|cracks|repairs|nesting|runs|schedule|csv|screens|papers|typing|yard|faults …]: figures of this machine, now; compare within one run only.
import { spawnSync } from 'node:child_process';
import { ensureBuild, ensureNpmPackages } from '../set-up/machine.mjs';

await ensureNpmPackages();
const asked = process.argv.slice(2);
const wants = (name) => asked.length === 0 || asked.includes(name);
// Bundled as the browser gets it: module by module, every import is a look-up that the product does not pay for.
for (const name of [
  'sections',
  'frames',
  'states',
  'maps',
  'next-reading',
  'cracks',
  'repairs',
  'nesting',
  'runs',
  'schedule',
].filter(wants)) {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [`bench/${name}.ts`],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile: `var/bench/${name}.mjs`,
    logLevel: 'error',
  });
  spawnSync('node', [`var/bench/${name}.mjs`], { stdio: 'inherit' });
}
// The database opens on the server only.
if (wants('csv'))
  spawnSync('npx', ['tsx', '--conditions=react-server', 'bench/csv.ts'], { stdio: 'inherit' });
if (wants('screens') || wants('typing') || wants('papers')) {
  if (!ensureBuild()) process.exit(1);
  const { serveDemo } = await import('../set-up/server.mjs');
  const server = await serveDemo();
  try {
    if (wants('screens')) await (await import('./screens.mjs')).benchScreens(server);
    if (wants('papers')) await (await import('./papers.mjs')).benchPapers(server);
    if (wants('typing')) await (await import('./typing.mjs')).benchTyping(server);
  } finally {
    server.stop();
  }
}
if (wants('yard') || wants('faults')) {
  if (!ensureBuild()) process.exit(1);
  if (wants('yard')) await (await import('./yard.mjs')).benchYard();
  if (wants('faults')) await (await import('./faults.mjs')).benchFaults();
}
