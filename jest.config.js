import { readFileSync } from 'node:fs';

/** Folders of the core by their public names, as its package says. */
const { exports } = JSON.parse(readFileSync(new URL('core/package.json', import.meta.url), 'utf8'));
const faces = Object.fromEntries(
  Object.entries(exports).map(([name, face]) => [
    `^@heronstone/core/${name.slice(2)}$`,
    `<rootDir>/core/${face.slice(2)}`,
  ]),
);

const base = {
  transform: {
    '^.+\\.tsx?$': [
      '<rootDir>/scripts/jest-swc.mjs',
      { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' }, module: { type: 'es6' } },
    ],
  },
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  moduleNameMapper: faces,
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
