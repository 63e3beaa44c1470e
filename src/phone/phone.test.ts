/** @jest-environment node */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { type PhoneData } from './data';
import { phonePage } from './page';
import { phoneStyle, phoneTokens } from './style';

const digest = (text: string) => createHash('sha256').update(text).digest('base64');
const data: PhoneData = {
  planId: 'plan',
  studio: 'Saltmarsh </script><b>Rooms & Co',
  from: '2026-11-26',
  manner: { dateLanguage: 'en-GB', weekStart: 'monday' },
  days: 14,
  wakes: '06:30',
  sleeps: '22:30',
  items: [],
  goes: [],
  stop: 'Stop.',
  notice: '</SCRIPT><script>alert(1)</script>',
};

test('the colours are those of the app, in both themes', () => {
  const css = readFileSync('src/app/globals.css', 'utf8');
  const [light, dark] = [':root {', ":root[data-theme='dark'] {"].map((start) => {
    const block = css.slice(css.indexOf(start) + start.length);
    return Object.fromEntries(
      [...block.slice(0, block.indexOf('}')).matchAll(/--(\w+):\s*([^;]+);/g)].map(([, name, value]) => [name, value]),
    );
  });
  for (const [name, value] of Object.entries(phoneTokens.light)) expect([name, value]).toEqual([name, light![name!]]);
  for (const [name, value] of Object.entries(phoneTokens.dark)) expect([name, value]).toEqual([name, dark![name!]]);
});

test('its own policy lets in its script and style by their digests and nothing else', () => {
  const page = phonePage(data, 'go()', digest);
  const [, policy] = /Content-Security-Policy" content="([^"]+)"/.exec(page)!;
  expect(policy).toContain("default-src 'none'");
  expect(policy).not.toMatch(/unsafe|https?:|\*/);
  const script = /<script>([\s\S]*?)<\/script>/.exec(page)![1]!;
  const style = /<style>([\s\S]*?)<\/style>/.exec(page)![1]!;
  expect(policy).toContain(`script-src 'sha256-${digest(script)}'`);
  expect(policy).toContain(`style-src 'sha256-${digest(style)}'`);
  expect(style).toBe(phoneStyle);
  expect(page).not.toMatch(/(?:src|href)=/);
  expect(page).not.toContain('@import');
  expect(phoneStyle).not.toContain('url(');
});

test('no words end the script they stand in, and all of them come back as they were', () => {
  const page = phonePage(data, 'go()', digest);
  expect(page.match(/<script/g)).toHaveLength(2);
  const [, json] = /id="data">([\s\S]*?)<\/script>/.exec(page)!;
  expect(JSON.parse(json!)).toEqual(data);
});
