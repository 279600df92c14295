// One command from a fresh clone to the demo: installs, builds, seeds, serves. Usage: npm run demo [-- --port 3000 --host 127.0.0.1 --db var/demo.db --fresh]
import { existsSync, mkdirSync, renameSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { ensureBuild, ensureNpmPackages } from './machine.mjs';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '3000' },
    host: { type: 'string', default: '127.0.0.1' },
    fresh: { type: 'boolean', default: false },
    db: { type: 'string', default: 'var/demo.db' },
  },
});

await ensureNpmPackages();
if (!ensureBuild()) {
  console.error('The build failed; what it said is above.');
  process.exit(1);
}
const { seed, serve, servedBy } = await import('./server.mjs');
const { openToTheShop } = await import('./shop-network.mjs');
mkdirSync('var', { recursive: true });
const running = servedBy(values.db);
if (values.fresh && running !== undefined) {
  console.error(`${values.db} is open in process ${running}: stop that first. Nothing was put away.`);
  process.exit(1);
}
if (values.fresh && existsSync(values.db)) {
  // Put away, not thrown away: somebody may have worked in it.
  const away = `${values.db}.until-${new Date().toISOString().replace(/[-:]|\.\d+/g, '')}`;
  for (const end of ['', '-wal', '-shm', '-photos'])
    if (existsSync(values.db + end)) renameSync(values.db + end, away + end);
  console.log(`What was recorded until now is put away: ${away}`);
}
if (!existsSync(values.db)) {
  console.log(`Seeding ${values.db}`);
  seed(values.db);
}
const shop = openToTheShop(values.host, Number(values.port));
const server = await serve(values.db, {
  port: Number(values.port),
  host: values.host,
  env: { OSSATURA_DEMO: '1', ...shop.env },
}).catch((error) => {
  console.error(`${error.message}\nIf another program has port ${values.port}: npm run demo -- --port 3001`);
  process.exit(1);
});
console.log(
  `\nOssatura is at ${server.url}   (records in ${values.db}; stop with Ctrl-C; start afresh with npm run demo -- --fresh)` +
    `\nA copy of everything recorded: npm run copy -- folder --db ${values.db}`,
);
await shop.print();
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.stop();
    process.exit(0);
  });
server.child.on('exit', (code) => process.exit(code ?? 0));
