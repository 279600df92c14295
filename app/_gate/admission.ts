import { timingSafeEqual } from 'node:crypto';
import { isIP } from 'node:net';
import { hostname } from 'node:os';

/** What a request is let in by; read once from the environment. */
export interface Gate {
  /** Names this server goes by, beside its addresses. */
  readonly names: readonly string[];
  /** Asked for where the server is reached from other devices. */
  readonly key: string | undefined;
}

export const gateFrom = (env: Readonly<Record<string, string | undefined>>): Gate => ({
  names: (env.OSSATURA_NAMES ?? '')
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean),
  key: env.OSSATURA_KEY || undefined,
});

/** A page of another site can point a name of its own at this machine, never one of these nor a bare address. */
export function isOwnHost(host: string | null, { names }: Pick<Gate, 'names'>): boolean {
  if (host === null) return false;
  const name = host.replace(/:\d+$/, '').toLowerCase();
  const machine = hostname().toLowerCase();
  const own = ['localhost', machine, `${machine}.local`, ...names];
  return own.includes(name) || isIP(name.replace(/^\[|\]$/g, '')) !== 0;
}

export const KEY_COOKIE = 'ossatura-key';

/** Compared in the same time whatever was typed. */
export function isKey(said: string | undefined, key: string): boolean {
  const [one, other] = [Buffer.from(said ?? ''), Buffer.from(key)];
  return one.length === other.length && timingSafeEqual(one, other);
}

export type Admission = 'in' | 'no address' | 'not this host' | 'another site' | 'key wanted' | 'key brought';

/** What is answered to a request that is not let in. */
export const TURNED_AWAY: Readonly<
  Record<Exclude<Admission, 'in' | 'key brought'>, { readonly status: number; readonly message: string }>
> = {
  'no address': { status: 400, message: 'this is no address' },
  'another site': { status: 403, message: 'this was asked for by another site’s page' },
  'key wanted': { status: 401, message: 'this server asks for the shop’s key' },
  'not this host': { status: 421, message: 'this server does not go by that name' },
};

/** Every escape in it stands for something. */
function isAddress(pathname: string): boolean {
  try {
    decodeURIComponent(pathname);
    return true;
  } catch {
    return false;
  }
}

/** Whether a request is let in. `said` is what it brings: the key as a cookie, and as it stands in the address. */
export function admission(
  request: { readonly headers: Headers; readonly pathname: string },
  said: { readonly cookie: string | undefined; readonly address: string | undefined },
  gate: Gate,
): Admission {
  if (!isOwnHost(request.headers.get('host'), gate)) return 'not this host';
  if (!isAddress(request.pathname)) return 'no address';
  const isPage = request.headers.get('sec-fetch-mode') === 'navigate';
  const isApi = request.pathname.startsWith('/api/');
  if (request.headers.get('sec-fetch-site') === 'cross-site' && (isApi || !isPage)) return 'another site';
  if (gate.key === undefined || isKey(said.cookie, gate.key)) return 'in';
  return isKey(said.address, gate.key) ? 'key brought' : 'key wanted';
}
