import { chromium } from '@playwright/test';
import { chromium as where } from './chromium.mjs';
import { testServer } from '../e2e/support/server';
import { spawnSync } from 'node:child_process';
const server = testServer(4391, 'demo');
spawnSync(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'demo/load.ts'], { stdio: 'ignore', env: { ...process.env, KOKYU_DATA: server.dataDir, TZ: 'Europe/London' } });
await server.start();
const browser = await chromium.launch({ executablePath: where(), args: ['--no-sandbox','--disable-gpu'] });
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
page.on('pageerror', (e) => console.log('pageerror', e.message)); page.on('console', (m) => m.type() === 'error' && console.log('console', m.text().slice(0, 200)));
try {
  const [, , ...paths] = process.argv;
  await page.goto(server.url); 
  for (const [i, path] of paths.entries()) { await page.goto(server.url + path); await page.waitForTimeout(700); await page.screenshot({ path: `/tmp/m/shot${i}.png`, fullPage: path.includes('full') }); console.log(i, page.url()); }
} finally { await browser.close(); await server.close(); }
