import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['pg', 'pino', 'graphile-worker', 'pdfkit', 'prom-client', 'rate-limiter-flexible'],
  poweredByHeader: false,
  // The web process packs what is worth it: see `src/server/web`.
  compress: false,
  devIndicators: false,
  typescript: { ignoreBuildErrors: true },
};

export default config;
