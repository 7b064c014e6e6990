// Runs one of our TypeScript programs: node scripts/run.mjs [--build] FILE ARGS…
import { build, install, runTs } from './lib.mjs';

const args = process.argv.slice(2);
const wantsBuild = args[0] === '--build';
if (wantsBuild) args.shift();
const [file, ...rest] = args;
install();
if (wantsBuild) build();
process.exitCode = await runTs(file, rest);
