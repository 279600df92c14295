import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'pino', '@react-pdf/renderer'],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // `npm run types` checks the types, once; the build need not do it again.
  typescript: { ignoreBuildErrors: true },
};

export default config;
