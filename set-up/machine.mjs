// What the project needs on a machine, and how it gets there.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Debian packages the journeys' browser comes in, the one wanted first; any that is there will do (browser.mjs takes them in this order). */
const BROWSERS = ['chromium-headless-shell', 'chromium'];
/** Debian packages of the programs the outside checks compare with. */
const COMPARED = [
  'cba',
  'z88',
  'z88-data',
  'calculix-ccx',
  'octave',
  'octave-stk',
  'units',
  'gmsh',
  'python3-gmsh',
  'python3-numpy',
  'python3-scipy',
  'python3-ezdxf',
  'python3-shapely',
  'python3-sympy',
  'librsvg2-bin',
  'qpdf',
  'poppler-utils',
];

const isInstalled = (name) =>
  spawnSync('dpkg-query', ['-W', '-f', '${Status}', name], { encoding: 'utf8' }).stdout?.includes(
    'ok installed',
  );
const isOffered = (name) => spawnSync('apt-cache', ['show', name]).status === 0;

/** What is not installed; all of it where there is no dpkg. One name that is not offered would keep apt from installing any. */
export function debianMissing() {
  const browser = BROWSERS.some(isInstalled) ? [] : [BROWSERS.find(isOffered) ?? BROWSERS.at(-1)];
  return [...browser, ...COMPARED.filter((name) => !isInstalled(name))];
}

/** Runs a command; answers how it ended. */
const ran = (command, words, { quiet = false, env }) =>
  new Promise((resolve) => {
    const stdio = quiet ? ['ignore', 'ignore', 'inherit'] : 'inherit';
    const child = spawn(command, words, { stdio, env: { ...process.env, ...env } });
    child.on('error', () => resolve(null));
    child.on('close', resolve);
  });

/** Installs what is missing where that is possible (root with apt). Answers what is still missing. */
export async function ensureDebianPackages() {
  const missing = debianMissing();
  const root = process.getuid?.() === 0;
  if (missing.length === 0 || !root || spawnSync('apt-get', ['--version']).status !== 0) return missing;
  console.log(`Installing Debian packages: ${missing.join(' ')}`);
  const apt = (...words) =>
    ran('apt-get', ['-o', 'DPkg::Lock::Timeout=300', '-qq', ...words], {
      quiet: true,
      env: { DEBIAN_FRONTEND: 'noninteractive' },
    });
  await apt('update');
  // What is offered is known only now.
  await apt('install', '-y', '--no-install-recommends', ...debianMissing());
  return debianMissing();
}

/**
 * `npm ci` when node_modules is absent or was made from another lock file, in two parts: what is fetched, and what is then compiled of it (the
 * database driver, where no ready-made one can be had: minutes on one core). Answers the second part's end.
 */
export async function fetchNpmPackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 9))
    throw new Error(`Ossatura needs Node 20.9 or later; this is Node ${process.versions.node}.`);
  const lock = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');
  const stamp = join('node_modules', '.made-from-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return { compiled: Promise.resolve() };
  console.log(
    'Installing npm packages (the database driver is compiled where no ready-made one can be had: a few minutes, once)',
  );
  const headers = existsSync('/usr/include/node') ? { npm_package_config_node_gyp_nodedir: '/usr' } : {};
  const cached = existsSync('/usr/lib/ccache') ? { PATH: `/usr/lib/ccache:${process.env.PATH}` } : {};
  const env = { ...headers, ...cached, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' };
  const npm = async (...words) => {
    if ((await ran('npm', [...words, '--no-audit', '--no-fund', '--loglevel=error'], { env })) !== 0)
      throw new Error(`npm ${words[0]} failed; what it said is above. Nothing of the project was changed.`);
  };
  await npm('ci', '--ignore-scripts');
  return { compiled: npm('rebuild').then(() => writeFileSync(stamp, lock)) };
}

/** All of the npm packages, ready to be used. */
export async function ensureNpmPackages() {
  const { compiled } = await fetchNpmPackages();
  await compiled;
}

const newest = (path) =>
  statSync(path).isDirectory()
    ? Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))))
    : statSync(path).mtimeMs;

/** Builds when a source is newer than the last build. Answers whether the build stands. */
export function ensureBuild() {
  const sources = [
    'app',
    'core',
    'data',
    'ui',
    'workers',
    'package-lock.json',
    'proxy.ts',
    'instrumentation.ts',
    'set-up/offline-worker.mjs',
    'set-up/office.mjs',
    'next.config.ts',
    'postcss.config.mjs',
    'tsconfig.json',
  ];
  const built = join('.next', 'offline-worker.js');
  if (existsSync(built) && statSync(built).mtimeMs > Math.max(...sources.map(newest))) return true;
  console.log('Building');
  return (
    spawnSync('npm', ['run', '--silent', 'build'], {
      stdio: 'inherit',
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
    }).status === 0
  );
}
