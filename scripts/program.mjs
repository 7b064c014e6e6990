// Runs one of our TypeScript programs in this process: node scripts/program.mjs FILE ARGS…
// It is bundled once and kept until a source of it changes: translating its two hundred files at every start took two seconds, this takes none.
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { basename, dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const kept = join(root, 'node_modules', '.cache', 'heronstone', 'programs');

/** What tells one state of a source from another; null: it is not there. */
function stateOf(path) {
  const stat = statSync(join(root, path), { throwIfNoEntry: false });
  return stat ? `${stat.mtimeMs} ${stat.size}` : null;
}

/** The bundle of a program as it was last made, when all its sources are as they were. */
function known(list) {
  if (!existsSync(list)) return null;
  const { script, sources } = JSON.parse(readFileSync(list, 'utf8'));
  const same = Object.entries(sources).every(([path, state]) => stateOf(path) === state);
  return same && existsSync(join(kept, script)) ? join(kept, script) : null;
}

async function bundled(file) {
  const name = `${basename(file, '.ts')}-${createHash('sha256').update(relative(root, file)).digest('hex').slice(0, 8)}`;
  const list = join(kept, `${name}.json`);
  const before = known(list);
  if (before) return before;
  const { build } = await import('esbuild');
  mkdirSync(kept, { recursive: true });
  const half = mkdtempSync(join(kept, 'half-'));
  // what a source finds beside itself it finds from where it stands
  const where = {
    name: 'where',
    setup(b) {
      b.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
        kind === 'entry-point' || path.startsWith('@heronstone/') ? undefined : { path, external: true },
      );
      b.onLoad({ filter: /\.ts$/ }, ({ path }) => ({
        loader: 'ts',
        contents: readFileSync(path, 'utf8')
          .replaceAll('import.meta.url', JSON.stringify(pathToFileURL(path).href))
          .replaceAll('import.meta.dirname', JSON.stringify(dirname(path))),
      }));
    },
  };
  const { metafile } = await build({
    absWorkingDir: root,
    entryPoints: { main: file },
    outdir: half,
    ...{ bundle: true, splitting: true, format: 'esm', platform: 'node', target: 'node20' },
    ...{ metafile: true, sourcemap: 'linked', plugins: [where], logLevel: 'error' },
  });
  const sources = Object.fromEntries(Object.keys(metafile.inputs).map((path) => [path, stateOf(path)]));
  const hash = createHash('sha256').update(JSON.stringify(sources)).digest('hex').slice(0, 16);
  const folder = `${name}-${hash}`;
  try {
    renameSync(half, join(kept, folder));
  } catch {
    // another process was quicker
    rmSync(half, { recursive: true, force: true });
  }
  const script = join(folder, 'main.js');
  const written = `${list}.${process.pid}`;
  writeFileSync(written, JSON.stringify({ script, sources }));
  renameSync(written, list);
  // earlier ones may still be run by somebody; not for longer than a day
  for (const old of readdirSync(kept)) {
    const age = Date.now() - statSync(join(kept, old), { throwIfNoEntry: false })?.mtimeMs;
    if (old.startsWith(`${name}-`) && old !== folder && age > 86_400_000)
      rmSync(join(kept, old), { recursive: true, force: true });
  }
  return join(kept, script);
}

const [node, , file, ...args] = process.argv;
const script = await bundled(resolve(root, file));
process.argv = [node, resolve(root, file), ...args];
process.setSourceMapsEnabled(true);
await import(pathToFileURL(script).href);
