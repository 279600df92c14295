// After a build: the worker that keeps the program on a device, with the list of everything the build made for browsers.
import { rmSync } from 'node:fs';
import { injectManifest } from '@serwist/build';
import { build } from 'esbuild';

const bundled = '.next/offline-worker.bundled.js';
await build({
  entryPoints: ['app/_offline/worker.ts'],
  outfile: bundled,
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  define: { 'process.env.NODE_ENV': '"production"' },
  logLevel: 'error',
});
const { count, size, warnings } = await injectManifest({
  swSrc: bundled,
  swDest: '.next/offline-worker.js',
  globDirectory: '.next/static',
  globPatterns: ['**/*.{js,css,woff2}'],
  modifyURLPrefix: { '': '/_next/static/' },
  maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
  // Next names every file of a build by its content or by the build.
  dontCacheBustURLsMatching: /./,
});
rmSync(bundled);
for (const warning of warnings) console.warn(warning);
console.log(`For use without the server: ${count} files, ${(size / 1e6).toFixed(1)} MB`);
