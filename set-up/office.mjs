// After a build: the server's own process for what takes long, in one file. Module by module it takes a second longer to start.
import { build } from 'esbuild';

await build({
  entryPoints: ['workers/office.ts'],
  outfile: '.next/office.cjs',
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  logLevel: 'error',
});
