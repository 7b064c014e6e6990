const base = {
  transform: {
    '^.+\\.tsx?$': [
      '<rootDir>/scripts/jest-swc.mjs',
      { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' }, module: { type: 'es6' } },
    ],
  },
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  moduleNameMapper: { '^@heronstone/([a-z]+)/([a-z]+)$': '<rootDir>/$1/src/$2/index.ts' },
  rootDir: import.meta.dirname,
};
const project = (displayName, folder) => ({ ...base, displayName, testMatch: [`<rootDir>/${folder}/**/*.test.ts`] });

/** @type {import('jest').Config} */
export default {
  projects: [
    project('core', 'core/src'),
    project('server', 'server/src'),
    project('web', 'web/src'),
    project('cli', 'cli/src'),
    project('demo', 'demo/src'),
    project('browser', 'e2e/src'),
  ],
  // two at a time: while one waits for a browser or a disk the other works
  maxWorkers: 2,
  // a limit, not a wait: on a machine eight times slower every test still ends by itself
  testTimeout: 1_200_000,
};
