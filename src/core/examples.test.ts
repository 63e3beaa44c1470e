import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { standIns } from './examples.fixtures';

const home = 'src/core';
const files = readdirSync(home, { recursive: true, encoding: 'utf8' }).filter(
  (file) => file.endsWith('.ts') && !/\.(test|fixtures)\.ts$/.test(file),
);
const rooms = [...new Set(files.map((file) => file.split('/')[0]!))];

interface Example {
  file: string;
  code: string;
  /** What it gives, as it is written; null where it is only shown. */
  gives: string | null;
}

/** Examples as readers see them: an expression, and after two strokes its value; what follows a semicolon is said to people. */
const examples = files.flatMap((file) =>
  readFileSync(join(home, file), 'utf8')
    .split('\n')
    .flatMap((line): Example[] => {
      const text = /@example (.*?)(?: \*\/)?$/.exec(line)?.[1]?.trim();
      if (!text) return [];
      const at = text.indexOf(' // ');
      return [{ file, code: at < 0 ? text : text.slice(0, at), gives: at < 0 ? null : text.slice(at + 4) }];
    }),
);

class Begins {
  constructor(readonly with_: string) {}
}
class About {
  constructor(
    readonly value: number,
    readonly within: number,
  ) {}
}
const more = Symbol('…');

const semicolons = (text: string) => [...text.matchAll(/; /g)].map(({ index }) => index);

/** A value as it is written, `…` standing for what was left out: of a text, of digits, of a list, of an object. */
function written(gives: string): unknown {
  // What people are told after a semicolon: outside of a text, that is after an even number of its marks.
  const told = [...semicolons(gives)].find((at) => (gives.slice(0, at).match(/(?<!\\)'/g)?.length ?? 0) % 2 === 0);
  const value = gives.slice(0, told);
  const code = value
    .replace(/'((?:[^'\\]|\\.)*)…'/g, "begins('$1')")
    .replace(/(-?\d+(?:\.(\d+))?)…/g, (_, number: string, digits = '') => `about(${number}, 1e-${digits.length})`)
    .replace(/, …\]/g, ', more]')
    .replace(/, … \}/g, ', [more]: true }');
  const begins = (start: string) => new Begins(start);
  const about = (number: number, within: number) => new About(number, within);
  return new Function('begins', 'about', 'more', `return (${code})`)(begins, about, more) as unknown;
}

const isObject = (value: unknown): value is Record<PropertyKey, unknown> => typeof value === 'object' && value !== null;

function matches(actual: unknown, wanted: unknown): boolean {
  if (wanted instanceof Begins) return typeof actual === 'string' && actual.startsWith(wanted.with_);
  if (wanted instanceof About) return typeof actual === 'number' && Math.abs(actual - wanted.value) < wanted.within;
  if (typeof wanted === 'number') return typeof actual === 'number' && Math.abs(actual - wanted) < 1e-9;
  if (!isObject(wanted)) return actual === wanted;
  if (Array.isArray(wanted)) {
    const open = wanted.at(-1) === more;
    const list = open ? wanted.slice(0, -1) : wanted;
    return (
      Array.isArray(actual) &&
      (open || actual.length === list.length) &&
      list.every((value, i) => matches(actual[i], value))
    );
  }
  if (!isObject(actual)) return false;
  const keys = Object.keys(wanted);
  const there = Object.keys(actual).filter((key) => actual[key] !== undefined);
  return (more in wanted || there.length === keys.length) && keys.every((key) => matches(actual[key], wanted[key]));
}

function load(path: string): object {
  // oxlint-disable-next-line typescript/no-require-imports
  return require(path) as object;
}
const doors = Object.assign(
  {},
  ...rooms.filter((room) => !room.includes('.')).map((room) => load(`./${room}`)),
) as object;

function run({ file, code }: Example): unknown {
  const own = standIns[file] ?? {};
  const scope = new Proxy(
    {},
    {
      has: (_, name) => typeof name === 'string' && name !== 'globalThis',
      get: (_, name) => {
        if (typeof name !== 'string') return undefined;
        for (const names of [own, load(`./${file.replace(/\.ts$/, '')}`), standIns.any!, doors, globalThis]) {
          if (name in names) return (names as Record<string, unknown>)[name];
        }
        throw new ReferenceError(`${name} stands for nothing here`);
      },
    },
  );
  const plain = ts.transpile(`(${code})`, { target: ts.ScriptTarget.ES2022 });
  return new Function('scope', `with (scope) { return ${plain.replace(/;\s*$/, '')} }`)(scope) as unknown;
}

test('there is an example to most of what the core can do', () => {
  expect(examples.length).toBeGreaterThan(200);
});

test.each(examples.map((one) => [one.file, one.code, one] as const))('%s: %s', (_, __, one) => {
  const actual = run(one);
  if (one.gives === null) return;
  const wanted = written(one.gives);
  // As the two would be told apart by a reader, where they differ.
  expect(matches(actual, wanted) ? wanted : actual).toEqual(wanted);
});

test('whatever a room of the core hands out that can be called says what it does', () => {
  const silent = rooms
    .filter((room) => !room.includes('.'))
    .flatMap((room) =>
      [
        ...readFileSync(join(home, room, 'index.ts'), 'utf8').matchAll(/export \{([^}]*)\} from '\.\/([^']+)'/g),
      ].flatMap(([, list, path]) => {
        const names = list!.split(',').map((name) => name.trim().split(' as ')[0]!);
        const plain = join(home, room, `${path}.ts`);
        const file = existsSync(plain) ? plain : join(home, room, path!, 'index.ts');
        const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
        return source.statements.flatMap((statement) => {
          const declared = ts.isVariableStatement(statement) ? statement.declarationList.declarations[0]! : statement;
          const called =
            ts.isFunctionDeclaration(declared) ||
            (ts.isVariableDeclaration(declared) && declared.initializer && ts.isArrowFunction(declared.initializer));
          const name = called ? (declared as ts.FunctionDeclaration | ts.VariableDeclaration).name!.getText() : '';
          return name !== '' && names.includes(name) && ts.getJSDocCommentsAndTags(statement).length === 0
            ? [`${file} ${name}`]
            : [];
        });
      }),
    );
  expect(silent).toEqual([]);
});
