import { existsSync, readFileSync, readdirSync } from 'node:fs';

/** The rooms of the core. A test loads of a room only what it touches: its door names some fifty things, and no module acts by being imported. */
const rooms = readdirSync('src/core').filter((name) => existsSync(`src/core/${name}/index.ts`));
const behindDoors = rooms.flatMap((room) =>
  [...readFileSync(`src/core/${room}/index.ts`, 'utf8').matchAll(/from '([^']+)'/g)].map(([, path]) => path),
);

/** How a file is made plain script; what is named here is loaded only once it is used. */
const plain = (lazy) => [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
      target: 'es2022',
    },
    module: { type: 'commonjs', lazy: [...new Set(lazy)] },
  },
];

/** @type {import('jest').Config} */
export default {
  testEnvironment: 'node',
  // Generous: a machine with two cores may be busy with something else.
  testTimeout: 30_000,
  // Both of two cores: nothing else runs while the unit tests do.
  maxWorkers: '100%',
  roots: ['<rootDir>/src', '<rootDir>/demo', '<rootDir>/scripts', '<rootDir>/bench'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  // What is never another thing in a test: handed to each module, it needn't be asked of the test's own world at every use, which takes a fifth of the time. Not those a package has a thing of its own by the name of (Boolean, Map, Set).
  sandboxInjectedGlobals: [
    'Array',
    'Float64Array',
    'Int32Array',
    'JSON',
    'Math',
    'Number',
    'Object',
    'Promise',
    'Reflect',
    'RegExp',
    'String',
    'Symbol',
    'Uint8Array',
    'WeakMap',
  ],
  setupFilesAfterEnv: ['<rootDir>/scripts/unitSetup.ts'],
  transform: {
    '/src/core/[^/]+/index\\.ts$': plain(behindDoors),
    '^.+\\.(t|j)sx?$': plain(rooms.flatMap((room) => [`@/core/${room}`, `../${room}`])),
  },
  transformIgnorePatterns: ['/node_modules/(?!uuid/|age-encryption/|@noble/|@scure/)'],
  moduleNameMapper: {
    // Every element of the development one takes a stack of its own; a fourth of what a test of a part takes.
    '^react/jsx-runtime$': '<rootDir>/node_modules/react/cjs/react-jsx-runtime.production.js',
    // As the app's router has it: it waits, as pages do.
    '^next/dynamic$': 'next/dist/shared/lib/app-dynamic',
    '^@/(.*)$': '<rootDir>/src/$1',
  },
};
