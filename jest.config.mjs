/** @type {import('jest').Config} */
export default {
  testEnvironment: 'node',
  // Generous: a machine with two cores may be busy with something else.
  testTimeout: 30_000,
  // Both of two cores: nothing else runs while the unit tests do.
  maxWorkers: '100%',
  roots: ['<rootDir>/src', '<rootDir>/demo', '<rootDir>/scripts', '<rootDir>/bench'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  transform: {
    '^.+\\.(t|j)sx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
          target: 'es2022',
        },
      },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!uuid/)'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
};
