import type { NextConfig } from 'next';

const config: NextConfig = {
  agentRules: false,
  experimental: { agentUpgrade: false },
  serverExternalPackages: ['better-sqlite3'],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
};

export default config;
