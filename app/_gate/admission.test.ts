import { hostname } from 'node:os';
import { admission, gateFrom, isKey, isOwnHost } from './admission';

const gate = gateFrom({ OSSATURA_NAMES: 'shop.test, Bench-PC' });
const ask = (
  headers: Record<string, string>,
  pathname = '/api/jobs',
  said: { cookie?: string; address?: string } = {},
  key?: string,
) =>
  admission(
    { headers: new Headers({ host: '127.0.0.1:3000', ...headers }), pathname },
    { cookie: said.cookie, address: said.address },
    { ...gate, key },
  );

test.each([
  ['127.0.0.1:3000', true],
  ['localhost', true],
  ['192.168.1.20:3000', true],
  ['[::1]:3000', true],
  ['shop.test:3000', true],
  ['bench-pc', true],
  [`${hostname()}:3000`, true],
  ['rebound.example', false],
  ['127.0.0.1.rebound.example', false],
  ['localhost.rebound.example:3000', false],
  ['', false],
])('asked for by the name %s', (host, isOwn) => expect(isOwnHost(host, gate)).toBe(isOwn));
test('no name at all', () => expect(isOwnHost(null, gate)).toBe(false));

test('a name of another’s making reads and writes nothing', () => {
  expect(ask({ host: 'rebound.example' })).toBe('not this host');
  expect(ask({ host: 'rebound.example' }, '/')).toBe('not this host');
});

test.each([
  [
    'an API by another site’s page',
    { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'cors' },
    '/api/jobs',
    'another site',
  ],
  [
    'an API by a link elsewhere',
    { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' },
    '/api/jobs',
    'another site',
  ],
  [
    'a page inside another’s',
    { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' },
    '/',
    'another site',
  ],
  ['a page by a link elsewhere', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }, '/', 'in'],
  ['its own page', { 'sec-fetch-site': 'same-origin', 'sec-fetch-mode': 'cors' }, '/api/jobs', 'in'],
  ['a plain program', {}, '/api/jobs', 'in'],
])('%s', (_, headers, pathname, expected) => expect(ask(headers, pathname)).toBe(expected));

test('an escape that stands for nothing is no address', () => {
  expect(ask({}, '/jobs/%ff')).toBe('no address');
  expect(ask({}, '/jobs/%C3%A9')).toBe('in');
});

test('open to the shop, every device is asked for the key: in the address once, then it keeps it', () => {
  expect(ask({}, '/', {}, 'abc')).toBe('key wanted');
  expect(ask({}, '/', { address: 'abd' }, 'abc')).toBe('key wanted');
  expect(ask({}, '/', { cookie: 'abd' }, 'abc')).toBe('key wanted');
  expect(ask({}, '/', { address: 'abc' }, 'abc')).toBe('key brought');
  expect(ask({}, '/', { cookie: 'abc' }, 'abc')).toBe('in');
  expect(ask({}, '/', {}, undefined)).toBe('in');
  expect(isKey(undefined, 'abc')).toBe(false);
  expect(gateFrom({ OSSATURA_KEY: '' }).key).toBeUndefined();
});
