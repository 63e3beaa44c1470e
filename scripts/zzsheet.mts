import { openedRegions } from '../src/core/sequence/gains';
import { writeFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { drills } from '../src/core/catalogue/index';
import { specOf } from '../src/core/body/index';
import { BodyFigure } from '../src/parts/figures/body/BodyFigure';
const css = (await import('node:fs')).readFileSync('src/app/globals.css', 'utf8');
void css;
const mode = process.argv[2] ?? 'first';
const size = Number(process.argv[3] ?? 200);
const cols = Number(process.argv[4] ?? 6);
const perSheet = Number(process.argv[5] ?? 30);
const out = process.argv[6] ?? '/tmp/sheet';
const only = process.argv[7]?.split(',');
const cells: [string, string][] = [];
for (const drill of drills) {
  if (only && !only.includes(drill.id)) continue;
  const positions = mode === 'all' ? drill.positions : mode === 'rest' ? drill.positions.slice(1) : drill.positions.slice(0, 1);
  for (const position of positions) {
    const html = renderToStaticMarkup(createElement(BodyFigure, { spec: specOf(drill, position as never), opened: openedRegions(drill as never, 'left'), small: size < 150, paint: (process.env.PAINT ?? 'screen') as never }));
    cells.push([`${drill.id} · ${position}`, html]);
  }
}
console.log(cells.length);
const root = (await import('node:fs')).readFileSync('src/app/globals.css', 'utf8').match(/:root\s*{[^}]*}/g)?.join('\n') ?? '';
for (let at = 0; at * perSheet < cells.length; at += 1) {
  const part = cells.slice(at * perSheet, (at + 1) * perSheet);
  const html = `<!doctype html><style>${root} body{margin:0;background:var(--paper,#fff);font:10px sans-serif;display:grid;grid-template-columns:repeat(${cols},${size}px);gap:4px}div{overflow:hidden}svg{width:${size}px;height:${Math.round(size*0.78)}px;display:block}</style>${part.map(([name, svg]) => `<div>${svg}${name}</div>`).join('')}`;
  writeFileSync(`${out}${at}.html`, html);
  const rows = Math.ceil(part.length / cols);
  execFileSync('/usr/bin/chromium', ['--headless', '--no-sandbox', '--disable-gpu', '--hide-scrollbars', `--window-size=${cols * (size + 4)},${rows * Math.round(size * 0.78 + 18)}`, `--screenshot=${out}${at}.png`, `file://${out}${at}.html`], { stdio: 'ignore' });
}
process.exit(0);
