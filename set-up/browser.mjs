import { existsSync } from 'node:fs';

/** Debian's Chromium: the one made to run without a window draws none of its own, and a page costs a fifth less. */
const installed = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** How the browser is started everywhere: cut off from anything but this machine. */
export const CHROMIUM = process.env.CHROMIUM ?? installed.find((path) => existsSync(path)) ?? installed[0];
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  // Pictures in the round are drawn without a graphics card.
  '--enable-unsafe-swiftshader',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--host-resolver-rules=MAP shop.test 127.0.0.1, MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost',
];
