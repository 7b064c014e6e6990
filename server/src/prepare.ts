import { exitCodeOf, type Lineage, prepare, type Start } from './store/prepare.ts';

/** Makes a database ready, in a process of its own: a step a line; ends with the reason where that fails. */
process.umask(0o077);
const [dataFolder, start, lineage] = process.argv.slice(2);
try {
  await prepare(dataFolder!, JSON.parse(start!) as Start, lineage as Lineage, (step) =>
    process.stdout.write(`${step}\n`),
  );
  process.exit(0);
} catch (error) {
  process.stderr.write(`${(error as Error).message.split('\n')[0]!}\n`);
  process.exit(exitCodeOf(error));
}
