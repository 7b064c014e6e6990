import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

export const root = new URL('..', import.meta.url).pathname;
const stampFolder = join(root, 'node_modules', '.cache', 'heronstone');

/** Runs a program with its output on our stderr; ends the process when it fails. */
function mustRun(program, args) {
  const done = spawnSync(program, args, { cwd: root, stdio: ['ignore', process.stderr, process.stderr] });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

/** Whether something named was last done with these inputs. */
function isDone(name, hash) {
  const file = join(stampFolder, name);
  return existsSync(file) && readFileSync(file, 'utf8') === hash;
}

function setDone(name, hash) {
  mkdirSync(stampFolder, { recursive: true });
  writeFileSync(join(stampFolder, name), hash);
}

/** `npm ci` when node_modules is not what the lock file says. */
export function install() {
  const hash = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (isDone('installed', hash)) return;
  if (!existsSync(join(root, 'node_modules', '.package-lock.json')) || existsSync(join(stampFolder, 'installed'))) {
    console.error('Installing what is missing …');
    mustRun('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error']);
  }
  setDone('installed', hash);
}

function* files(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist') continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* files(path);
    else if (!/\.test\.ts$/.test(entry.name)) yield path;
  }
}

/** Builds the web app when a source file of it or of the core is newer than the last build. */
export function build() {
  const hash = createHash('sha256');
  // pages and pictures of the guide are in the app
  for (const folder of ['web', 'core/src', 'docs/guide', 'docs/screenshots'])
    for (const file of files(join(root, folder)))
      hash.update(`${file} ${statSync(file).size} ${createHash('md5').update(readFileSync(file)).digest('hex')}\n`);
  for (const file of ['core/package.json', 'package-lock.json']) hash.update(readFileSync(join(root, file)));
  const stamp = hash.digest('hex');
  if (isDone('built', stamp) && existsSync(join(root, 'web', 'dist', 'index.html'))) return;
  console.error('Building …');
  mustRun(process.execPath, [
    join(root, 'node_modules', 'vite', 'bin', 'vite.js'),
    'build',
    'web',
    '--logLevel',
    'warn',
  ]);
  setDone('built', stamp);
}

/** Starts a TypeScript program of ours; resolves with its exit code. */
export function runTs(file, args) {
  const child = spawn(process.execPath, [join(root, 'scripts', 'program.mjs'), file, ...args], {
    cwd: process.env.INIT_CWD ?? root,
    stdio: 'inherit',
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  return new Promise((resolve) => child.on('exit', (code, signal) => resolve(signal ? 0 : (code ?? 1))));
}
