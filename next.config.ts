import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'pino', '@react-pdf/renderer'],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
};

export default config;
