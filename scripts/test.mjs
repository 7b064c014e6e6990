// npm test: install what is missing, then type check, lint, import rules, unit, server and browser tests.
// The last line says how many passed and failed.
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { chromiums } from './chromium.mjs';
import { build, install, root } from './lib.mjs';

function run(program, args, env = {}) {
  return spawnSync(program, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }).status === 0;
}

/** Runs a program beside others; what it says is shown when it failed. */
function aside(program, args) {
  return new Promise((resolve) => {
    const child = spawn(program, args, { cwd: root });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
    child.once('close', (code) => resolve({ ok: code === 0, said }));
  });
}

const mayInstall = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');

/** Debian’s package of a program that tests need, where it is missing and may be installed. */
function findDebians(name, isThere, what) {
  if (isThere()) return;
  if (!mayInstall) {
    console.error(`${what} need Debian’s ${name}: sudo apt-get install ${name}.`);
    return;
  }
  console.error(`Installing Debian’s ${name} …`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  if (run('apt-get', ['update', '-qq'], env))
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], env);
}

/** The programs of a PostgreSQL of 15 or newer, as the guild’s own look for them (server/src/guild/cluster.ts). */
function hasPostgres() {
  const folder = '/usr/lib/postgresql';
  const there =
    existsSync(folder) && readdirSync(folder).some((v) => Number(v) >= 15 && existsSync(join(folder, v, 'bin/initdb')));
  return there || spawnSync('pg_config', ['--bindir']).status === 0;
}

install();
build();
// the lighter of the two where it may be had, the whole browser where that is what there is
const [light] = chromiums;
if (mayInstall || !chromiums.some(existsSync))
  findDebians(basename(light), () => existsSync(light), 'The browser tests (or another one named in CHROMIUM)');
if (mayInstall) findDebians('chromium', () => chromiums.some(existsSync), 'The browser tests');
findDebians('postgresql', hasPostgres, 'The tests of a guild');

let passed = 0;
let failed = 0;
const count = (name, ok) => {
  console.log(`${ok ? 'passed' : 'FAILED'}: ${name}`);
  if (ok) passed++;
  else failed++;
};

const only = process.argv.slice(2);
if (only.length === 0) {
  const parts = ['core', 'server', 'web', 'cli', 'demo', 'e2e'];
  const checks = [
    ['types of the core', ['tsc', '-p', 'core']],
    ['types of everything', ['tsc', '-p', '.']],
    ['lint', ['eslint', '.']],
    ['format', ['prettier', '--check', '--log-level', 'warn', '.']],
    [
      'imports run one way, without cycles',
      ['depcruise', '--config', '.dependency-cruiser.cjs', '--output-type', 'err', ...parts],
    ],
  ];
  // none of them waits for another: as many at a time as there are cores to do them
  const results = await Promise.all(checks.map(([, args]) => aside('npx', args)));
  checks.forEach(([name], i) => {
    if (!results[i].ok) console.log(results[i].said);
    count(name, results[i].ok);
  });
}

/** Throw-away folders of tests lie in memory where there is room: a database is a thousand small files. */
const memory = '/dev/shm';
const inMemory = existsSync(memory) && statfsSync(memory).bavail * statfsSync(memory).bsize > 4e9;
const folder = mkdtempSync(join(inMemory ? memory : tmpdir(), 'heronstone-tests-'));
// PostgreSQL, which does not run as root, must get through to what is its own in there
chmodSync(folder, 0o711);

const report = join(tmpdir(), `heronstone-jest-${process.pid}.json`);
run(
  process.execPath,
  [
    '--experimental-vm-modules',
    // databases are opened by the hundred and live for seconds: making their WebAssembly fast takes longer than it saves
    '--liftoff-only',
    '--no-warnings',
    join(root, 'node_modules/jest/bin/jest.js'),
    '--ci',
    '--json',
    `--outputFile=${report}`,
    ...only,
  ],
  { HERONSTONE_TEST_FOLDER: folder },
);
rmSync(folder, { recursive: true, force: true });
if (existsSync(report)) {
  const result = JSON.parse(readFileSync(report, 'utf8'));
  passed += result.numPassedTests;
  // a file that could not even be loaded has no tests to count, yet it has failed
  failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
  rmSync(report);
} else failed++;

console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 || passed === 0 ? 1 : 0;
