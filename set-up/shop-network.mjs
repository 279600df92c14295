import { randomInt } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import QRCode from 'qrcode';

const KEY_FILE = 'var/shop-key';
/** Read out loud and typed with gloves on: no letters that look like figures. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const LENGTH = 12;

/** The shop's key, made once. */
function shopKey() {
  if (process.env.OSSATURA_KEY) return process.env.OSSATURA_KEY;
  if (!existsSync(KEY_FILE)) {
    const key = Array.from({ length: LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('');
    writeFileSync(KEY_FILE, key, { mode: 0o600 });
  }
  return readFileSync(KEY_FILE, 'utf8').trim();
}

const isLoopback = (host) => host === 'localhost' || host === '::1' || host.startsWith('127.');

/** Where another device on the shop's network finds a server that listens on `host`. */
function addresses(host, port) {
  if (host !== '0.0.0.0' && host !== '::') return [`http://${host}:${port}`];
  return Object.values(networkInterfaces())
    .flat()
    .filter((each) => each.family === 'IPv4' && !each.internal)
    .map((each) => `http://${each.address}:${port}`);
}

/** What a server needs to be reached from other devices, and how they are told: each address once, with a code for a tablet's camera. */
export function openToTheShop(host, port) {
  if (isLoopback(host)) return { env: {}, print: async () => undefined };
  const key = shopKey();
  return {
    env: { OSSATURA_KEY: key },
    print: async () => {
      console.log(
        `\nThe shop's key is ${key}. Each device is asked for it once; the addresses below bring it along.`,
      );
      console.log('The network carries everything unencrypted: use it inside the shop only.\n');
      for (const address of addresses(host, port)) {
        const withKey = `${address}/?key=${key}`;
        console.log(withKey);
        console.log(await QRCode.toString(withKey, { type: 'terminal', small: true }));
      }
    },
  };
}
