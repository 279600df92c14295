/** The development server's own tools evaluate text. */
const IN_DEVELOPMENT = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';

/** What a page may load and do, and who may frame it: itself and nobody. Scripts carry the page's own nonce; charts and drawings set styles. */
export const contentPolicy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${IN_DEVELOPMENT}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "font-src 'self' data:",
    "worker-src 'self' blob:",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

export const SAFE_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'x-frame-options': 'DENY',
  // This program's own word, for what a device may keep.
  'x-ossatura': '1',
};
