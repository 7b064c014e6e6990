import { run } from './run.ts';

const result = await run(process.argv.slice(2));
if (result.out) process.stdout.write(result.out);
if (result.error) process.stderr.write(`${result.error}\n`);
process.exitCode = result.code;
