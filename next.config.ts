import { existsSync } from 'node:fs';
import type { NextConfig } from 'next';

const nextConfig: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'esbuild', 'sharp'],
  poweredByHeader: false,
  reactStrictMode: true,
  experimental: {
    // Asked of a server that is away just now, a page waits for it and keeps what is shown; the browser’s own page of failure would take its place.
    useOffline: true,
    // A quarter of the work of a build, for a start that is hardly quicker: what runs here is read from this disk.
    serverMinification: false,
    // A page is read when it is first asked for, in some hundredths of a second; all of them made a start twice as long.
    preloadEntriesOnStart: false,
    // The server would read them as it starts: half a second and 70 MB, for lines only a developer looks up. KOKYU_MAPS=yes builds with them.
    turbopackSourceMaps: process.env.KOKYU_MAPS === 'yes',
    // A build after another takes a third of the time; the first, which may stay the only one, needn't pay a sixth more for that.
    turbopackFileSystemCacheForBuild: existsSync('.next/BUILD_ID'),
  },
  // Only this machine asks: packing what never leaves it costs more than it saves.
  compress: false,
  // Pictures are shown as they are: a copy made smaller would lie in a cache of its own.
  images: { unoptimized: true },
  // Types are checked by npm test, once and for everything; a build needn't do it again.
  typescript: { tsconfigPath: 'tsconfig.json', ignoreBuildErrors: true },
};

export default nextConfig;
