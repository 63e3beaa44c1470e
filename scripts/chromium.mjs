import { existsSync } from 'node:fs';

/** Debian's packages of it: the small build without windows starts and draws in two thirds of the time, and installs with less. */
const packages = { 'chromium-headless-shell': '/usr/bin/chromium-headless-shell', chromium: '/usr/bin/chromium' };

/** What to install where it is not. */
export const chromiumPackage = 'chromium-headless-shell';

/** Where a Chromium is, the small one first, or where one is looked for when there is none. */
export const chromium = () =>
  process.env.KOKYU_CHROMIUM ?? Object.values(packages).find((path) => existsSync(path)) ?? packages[chromiumPackage];

/** Whether there is nothing better to install. */
export const hasSmallOne = () => Boolean(process.env.KOKYU_CHROMIUM) || existsSync(packages[chromiumPackage]);
