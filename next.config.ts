import type { NextConfig } from 'next';
import { OLD_PATHS } from './src/features/view/oldAddresses';

const config: NextConfig = {
  agentRules: false,
  experimental: { agentUpgrade: false },
  serverExternalPackages: ['better-sqlite3', 'pdfkit', 'qrcode', 'yazl', 'yauzl'],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // Pictures are shown as they are kept; nothing is fetched and worked on for a page.
  images: { unoptimized: true },
  // Types are checked apart, of the tests and scripts as well; a build for use does not wait for them.
  typescript: { ignoreBuildErrors: true },
  redirects: async () => OLD_PATHS.map((path) => ({ ...path, permanent: true })),
};

export default config;
