import { parseArgs } from 'node:util';
import { type Result, Trouble, type Values } from './input.ts';
import { VERBS } from './verbs/index.ts';

const USAGE = [...VERBS.values()].flatMap(({ usage }) => usage.map((line) => `heronstone ${line}\n`)).join('');

/** Flags that are there or not; all others say something. */
const SWITCHES: readonly string[] = ['find', 'trial', 'pictures', 'help'];
const OPTIONS = Object.fromEntries(
  ['help', ...[...VERBS.values()].flatMap(({ flags }) => flags)].map((flag) => [
    flag,
    { type: SWITCHES.includes(flag) ? ('boolean' as const) : ('string' as const) },
  ]),
);

/** Runs one command line. JSON on stdout; on bad input one line why on stderr and exit code 2. */
export async function run(args: string[]): Promise<Result> {
  try {
    const { command, file, to, values } = read(args);
    if (command === 'help') return { code: 0, out: USAGE };
    return await VERBS.get(command)!.run(file, values, to);
  } catch (error) {
    if (error instanceof Trouble) return { code: 2, error: `heronstone: ${error.message}` };
    throw error;
  }
}

function read(args: string[]): { command: string; file: string; to: string; values: Values } {
  let parsed;
  try {
    parsed = parseArgs({ args, allowPositionals: true, options: OPTIONS });
  } catch (error) {
    throw new Trouble((error as Error).message.split('\n')[0]!);
  }
  const values = parsed.values as Values;
  const [command, ...files] = parsed.positionals;
  if (values.help || command === 'help') return { command: 'help', file: '', to: '', values };
  const verb = VERBS.get(command ?? '');
  if (!command || !verb) {
    const names = [...VERBS.keys()];
    const all = `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`;
    throw new Trouble(`say ${all}${command ? `, not “${command}”` : ''}; --help tells more`);
  }
  const [least, most] = verb.files ?? [1, 1];
  if (files.length < least) throw new Trouble(`${command} needs a file`);
  if (files.length > most)
    throw new Trouble(`${most === 1 ? 'one file' : 'two files'} at a time, not also “${files[most]}”`);
  for (const flag of Object.keys(values))
    if (!verb.flags.some((known) => known === flag)) throw new Trouble(`${command} does not take --${flag}`);
  const [file = '', to = ''] = files;
  return { command, file, to, values };
}
