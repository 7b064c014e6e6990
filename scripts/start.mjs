// npm start, npm run demo: install what is missing, build, start the one server.
import { build, install, runTs } from './lib.mjs';

install();
build();
process.exitCode = await runTs('server/src/main.ts', ['serve', ...process.argv.slice(2)]);
