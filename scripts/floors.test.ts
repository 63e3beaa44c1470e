import { spawnSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import ts from 'typescript';

/** Lints pieces of code, each as if it stood in that file, and gives the rules each breaks. */
function complaints(rows: readonly (readonly [string, string])[]): string[][] {
  const house = mkdtempSync(join(tmpdir(), 'kokyu-floors-'));
  try {
    symlinkSync(resolve('node_modules'), join(house, 'node_modules'));
    copyFileSync('oxlint.config.mjs', join(house, 'oxlint.config.mjs'));
    for (const { name } of stations) mkdirSync(join(house, 'src', 'stations', name), { recursive: true });
    // A name of its own for each: some would stand in the same file.
    const files = rows.map(([path], i) => path.replace(/(?=\.)/, String(i)));
    rows.forEach(([, code], i) => {
      mkdirSync(dirname(join(house, files[i]!)), { recursive: true });
      writeFileSync(join(house, files[i]!), code);
    });
    const { stdout, stderr } = spawnSync(
      join(house, 'node_modules', '.bin', 'oxlint'),
      ['-c', 'oxlint.config.mjs', '--format', 'json', 'src'],
      { cwd: house, encoding: 'utf8' },
    );
    if (!stdout.startsWith('{')) throw new Error(stdout + stderr);
    const { diagnostics, number_of_files } = JSON.parse(stdout) as {
      diagnostics: { filename: string; code: string }[];
      number_of_files: number;
    };
    // A file that was passed over would be in order whatever it says.
    if (number_of_files !== rows.length) throw new Error(`${number_of_files} of ${rows.length} files were looked at`);
    return files.map((file) => diagnostics.filter(({ filename }) => filename === file).map(({ code }) => code));
  } finally {
    rmSync(house, { recursive: true });
  }
}

const stations = readdirSync('src/stations', { withFileTypes: true }).filter((entry) => entry.isDirectory());

/** The floor rule is worth something only if a wrong import fails: each row is one. */
const wrong = [
  ['src/core/x/a.ts', "import 'react';"],
  ['src/core/x/a.ts', "import 'zod';"],
  ['src/core/x/a.ts', "import 'node:fs';"],
  ['src/core/x/a.ts', "import '@/store';"],
  ['src/core/x/a.ts', "import '../../parts/Button';"],
  ['src/core/x/a.ts', 'export const now = Date.now();'],
  ['src/core/x/a.ts', 'export const now = new Date();'],
  ['src/core/x/a.ts', 'export const luck = Math.random();'],
  ['src/core/x/a.ts', 'export const width = window.innerWidth;'],
  ['src/core/track/a.ts', "export const at = () => new Intl.DateTimeFormat('en', { hour: '2-digit' }).format(0);"],
  ['src/parts/A.tsx', "export const at = () => new Intl.DateTimeFormat('en', { hour: '2-digit' }).format(0);"],
  [
    'src/core/x/a.ts',
    'export const changed = (all: string[]) => all.filter((one) => one.startsWith(forms.noPause.says));',
  ],
  ['src/core/x/a.ts', "export const nameOf = (part: string) => { const [name] = part.split(', '); return name; };"],
  ['src/stations/look/A.tsx', "export const isThrough = (what: string) => what.startsWith('out ');"],
  ['src/app/a.ts', "export const short = (words: string) => words.split(', in /')[0];"],
  ['src/parts/A.tsx', "import '@/store';"],
  ['src/parts/A.tsx', "import 'next/link';"],
  ['src/parts/A.tsx', "import '@/stations/look/LookStation';"],
  ['src/stations/look/A.tsx', "import '@/store';"],
  ['src/stations/look/A.tsx', "import '../../store/schema';"],
  ['src/stations/look/A.tsx', "import '@/core/look/quietRate';"],
  ['src/stations/look/A.tsx', "import '../coach/CoachStation';"],
  ['src/stations/look/A.tsx', "import '@/stations/coach/CoachStation';"],
  ['src/stations/live/A.tsx', "import '../coach/CoachStation';"],
  ['src/stations/A.tsx', "import './coach/CoachStation';"],
  ['src/stations/week/A.tsx', 'export const A = () => useSensor(Mouse, { activationConstraint: { distance: 6 } });'],
  ['src/store/a.ts', "import '@/parts/Button';"],
  ['src/workers/a.worker.ts', "import '@/store';"],
  ['src/keep/a.ts', "import '@/store';"],
  ['src/app/a.ts', "import '@/store/schema';"],
  ['src/door/a.ts', "import '@/store';"],
  ['src/core/x/a.test.ts', 'for (const a of []) if (a) expect(a).toBe(1);'],
  ['src/core/x/a.test.ts', 'for (const a of []) if (a) { expect(a).toBe(1); }'],
  ['src/parts/A.test.tsx', 'for (const a of []) if (a) for (const b of a) expect(b).not.toBe(1);'],
] as const;

const right = [
  ['src/core/x/a.test.ts', 'for (const a of []) if (met(a)) expect(a).toBe(1);'],
  ['src/core/x/a.ts', "import 'zod/mini';\nimport '../cadence';\nexport const day = new Date(0);"],
  [
    'src/stations/look/A.tsx',
    "import '@/core/look';\nimport '@/parts/Button';\nimport '../live/Tick';\nimport '../useShown';\nimport './LookStation';",
  ],
  ['src/app/a.ts', "import '@/store';"],
] as const;

/** What becomes of a command must be looked at: each row is a way not to. */
const unheeded = [
  "keep('visit.end', {});",
  "void keep('visit.end', {});",
  "async function a() { await keep('visit.end', {}); }",
  "keep('visit.end', {}).then(() => refresh());",
  "void keep('visit.end', {}).then(() => refresh());",
  "keep('visit.end', {}).catch(() => undefined);",
  "const a = () => keep('visit.end', {});",
  "say('Done.', () => void keep('visit.end', {}));",
] as const;
const heeded = [
  "async function a() { const outcome = await keep('visit.end', {}); show(outcome); }",
  "void keep('visit.end', {}).then((outcome) => show(outcome));",
  "async function a() { const { state } = await keep('visit.end', {}); return state; }",
  "send('visit.end', {});",
] as const;

test('an answer to a command that is not looked at is caught, by whatever way it is left alone', () => {
  const inStation = (code: string) => ['src/stations/look/A.tsx', `export const x = 1;\n${code}`] as const;
  const [bad, good] = [complaints(unheeded.map(inStation)), complaints(heeded.map(inStation))];
  unheeded.forEach((code, i) =>
    expect([code, bad[i]!.some((rule) => rule.includes('no-restricted-syntax'))]).toEqual([code, true]),
  );
  heeded.forEach((code, i) =>
    expect([code, good[i]!.some((rule) => rule.includes('no-restricted-syntax'))]).toEqual([code, false]),
  );
});

test('a wrong import, a clock and a random source are caught, each by a rule', () => {
  const found = complaints(wrong);
  wrong.forEach(([filePath, code], i) =>
    expect([filePath, code, found[i]!.length > 0]).toEqual([filePath, code, true]),
  );
});

test('what lies below may be imported', () => {
  expect(complaints(right)).toEqual(right.map(() => []));
});

/** The files of a folder and what each imports of the others, types among it: a reader has to follow those as well. */
function importsIn(folder: string): Map<string, string[]> {
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((file) => join(folder, file))
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file));
  const fileOf = (from: string, name: string) => {
    const base = name.startsWith('@/') ? join(folder, name.slice(2)) : join(dirname(from), name);
    return ['.ts', '.tsx', '/index.ts', '']
      .map((end) => base + end)
      .find((path) => /\.tsx?$/.test(path) && existsSync(path));
  };
  const imported = (file: string) =>
    ts
      .preProcessFile(readFileSync(file, 'utf8'))
      .importedFiles.flatMap(({ fileName }) => (/^(@\/|\.)/.test(fileName) ? (fileOf(file, fileName) ?? []) : []));
  return new Map(files.map((file) => [file, imported(file)]));
}

/** A way through the imports that comes back to where it began, or null. */
function circleIn(imports: ReadonlyMap<string, readonly string[]>): string[] | null {
  const done = new Set<string>();
  const from = (file: string, way: readonly string[]): string[] | null => {
    if (way.includes(file)) return [...way.slice(way.indexOf(file)), file];
    if (done.has(file)) return null;
    for (const next of imports.get(file) ?? []) {
      const circle = from(next, [...way, file]);
      if (circle) return circle;
    }
    done.add(file);
    return null;
  };
  for (const file of imports.keys()) {
    const circle = from(file, []);
    if (circle) return circle;
  }
  return null;
}

test('no file imports itself by way of others, types included', () => {
  expect(
    circleIn(
      new Map([
        ['a', ['b']],
        ['b', ['c']],
        ['c', ['b']],
      ]),
    ),
  ).toEqual(['b', 'c', 'b']);
  const imports = importsIn('src');
  expect(imports.get(join('src', 'core', 'look', 'raw.ts'))).toContain(
    join('src', 'core', 'look', 'protocols', 'index.ts'),
  );
  expect(circleIn(imports)).toBeNull();
});

/** What is written in one place: how it looks wherever else it is written again, and where it may stand. */
const once: readonly (readonly [what: string, again: RegExp, at: readonly string[]])[] = [
  [
    'a first letter made large or small',
    /([\w.[\]]+)(\.charAt\(0\)|\[0\]!?)\.to(Upper|Lower)Case\(\)\W+\1\.slice\(1\)/,
    ['core/reasons/words.ts'],
  ],
  ['a full stop taken away', /\.replace\(\/\\\.\$\//, ['core/reasons/words.ts']],
  ['a count and what it counts', /\{([\w.()]+)\}[^{}]{0,12}\{(' '\}\s*\{)?\1 === 1 \? '([\w ]*)' : '/, []],
  ['once or so many times', /=== 1 \? '(\w+ )?once' : `/, ['core/reasons/words.ts']],
  ['days between two days', /Date\.parse\([^;]{1,60}- Date\.parse\([^;]{1,60}(86_400_000|dayMs)/, []],
  ['the phases of a breath', /'inhale',\s*'topPause',\s*'exhale',\s*'bottomPause'/, ['core/cadence/cadence.ts']],
  ['the moments of a look', /\['before', 'after'\][^\]}]*(as const|\))/, ['core/look/records.ts']],
  ['a length in centimetres, whatever the studio’s unit', /toFixed\(\d\)\} cm\b/, []],
  ['what a change is called', /`clearly \$\{/, ['core/track/figures.ts']],
  ['a weight in kilograms, whatever the studio’s unit', /\} kg(?!=)\b/, []],
];

test.each(once)('%s is written once', (_what, again, at) => {
  const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter(
    (file) => /\.tsx?$/.test(file) && !/\.(test|fixtures)\./.test(file),
  );
  expect(files.length).toBeGreaterThan(700);
  expect(files.filter((file) => again.test(readFileSync(join('src', file), 'utf8')))).toEqual(at);
});

test('what stands in for something in tests is used by tests alone', () => {
  const standIn = /from '[^']*(?:[./](?:fixtures|fakes)|\/fixtures\/[^']*)'/;
  const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter((file) => /\.tsx?$/.test(file));
  const using = files.filter((file) => standIn.test(readFileSync(join('src', file), 'utf8')));
  expect(using.length).toBeGreaterThan(60);
  expect(using.filter((file) => !/(\.test|\.fixtures|\.fakes|\/fixtures)(\/\w+)?\.tsx?$/.test(file))).toEqual([]);
});
