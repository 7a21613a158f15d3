import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['pg', 'pino', 'graphile-worker', 'pdfkit', 'prom-client', 'rate-limiter-flexible'],
  poweredByHeader: false,
  // The web process packs what is worth it: see `src/server/web`.
  compress: false,
  devIndicators: false,
  // What is built is type-checked; tests are by the checks of the source.
  typescript: { tsconfigPath: 'tsconfig.build.json' },
};

export default config;
