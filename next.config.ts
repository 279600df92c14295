import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'pino', 'pdfkit', 'fontkit', '@react-pdf/renderer', 'wawoff2'],
  poweredByHeader: false,
  // Names this build: what an earlier one worked out and kept in a browser is not taken up.
  env: { NEXT_PUBLIC_BUILD: new Date().toISOString() },
  reactStrictMode: true,
  devIndicators: false,
  // `npm run types` checks the types, once; the build need not do it again.
  typescript: { ignoreBuildErrors: true },
};

export default config;
