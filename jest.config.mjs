/** @type {import('jest').Config} */
export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/demo', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.(t|j)sx?$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' } }],
  },
  transformIgnorePatterns: ['/node_modules/(?!uuid/)'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
};
