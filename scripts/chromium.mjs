import { existsSync } from 'node:fs';

/** Debian's packages of it: the small build without windows starts and draws quicker, and installs with less. */
const packages = { 'chromium-headless-shell': '/usr/bin/chromium-headless-shell', chromium: '/usr/bin/chromium' };

/** What to install where there is none. */
export const chromiumPackage = 'chromium-headless-shell';

/** Where a Chromium is, or where one is looked for when there is none. */
export const chromium = () =>
  process.env.KOKYU_CHROMIUM ?? Object.values(packages).find((path) => existsSync(path)) ?? packages[chromiumPackage];
