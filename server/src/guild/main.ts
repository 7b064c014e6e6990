import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { Refusal } from '../store/store.ts';
import { diskTrouble, FolderNewer, Trouble } from '../store/trouble.ts';
import { Households } from './households.ts';
import { type Role } from './members.ts';
import { migrateGuild } from './migrate.ts';
import { startTrouble } from './trouble.ts';

const root = fileURLToPath(new URL('../../../', import.meta.url));
const SAY = `Say
  trial [--port N] [--folder F]                 all of a guild on this machine, to try it
  migrate                                       make the tables, or bring them up to date
  household add NAME [--id WORD]                a new household; prints the invitation of its first keeper
  household list
  household invite WORD NAME [--role keeper]    one more invitation, for when no keeper can
  household limits WORD [--plans N] [--pictures N] [--megabytes N] [--changes N]
  household export WORD FILE                    everything it has, in one file
  household import FILE [--id WORD]
  household erase WORD --yes                    everything it has, for good
  household from-folder FOLDER NAME [--id WORD] a house's data folder becomes a household
  household to-folder WORD FOLDER               a household becomes a data folder
  restored                                      after a backup was put back: windows read their plans anew
All but trial need DATABASE_OWNER_URL (the role the tables belong to); invitations are printed for --origin URL.`;

process.umask(0o077);
try {
  await main();
} catch (thrown) {
  const url = process.env.DATABASE_OWNER_URL ?? process.env.DATABASE_URL;
  const error = (url && startTrouble(thrown, url)) || thrown;
  const plain = error instanceof Trouble || error instanceof FolderNewer || error instanceof Refusal;
  console.error(plain ? error.message : (diskTrouble(error, 'asked for')?.message ?? (error as Error).stack));
  process.exit(1);
}

function said() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        port: { type: 'string' },
        folder: { type: 'string' },
        id: { type: 'string' },
        role: { type: 'string' },
        origin: { type: 'string' },
        yes: { type: 'boolean' },
        plans: { type: 'string' },
        pictures: { type: 'string' },
        megabytes: { type: 'string' },
        changes: { type: 'string' },
      },
    });
  } catch (error) {
    throw new Trouble(`${(error as Error).message.split('\n')[0]!}\n${SAY}`);
  }
}

async function main(): Promise<void> {
  const { positionals, values } = said();
  const [what = 'trial', verb, ...rest] = positionals;
  const path = (file: string) => resolve(process.env.INIT_CWD ?? '.', file);
  if (what === 'trial') {
    const { trial } = await import('./trial.ts');
    return trial(
      values.folder ? path(values.folder) : resolve(root, 'guild-data'),
      number(values.port, '--port') ?? 4380,
    );
  }
  if (!['migrate', 'household', 'restored'].includes(what)) throw new Trouble(SAY);
  const ownerUrl = process.env.DATABASE_OWNER_URL ?? process.env.DATABASE_URL;
  if (!ownerUrl) throw new Trouble('Set DATABASE_OWNER_URL to the database, as the role the tables belong to.');
  if (what === 'migrate') {
    const run = await migrateGuild(ownerUrl);
    return console.log(run === 0 ? 'The tables are up to date.' : `${run} migrations were run.`);
  }
  const households = Households.open(ownerUrl);
  const need = (...words: (string | undefined)[]): string[] => {
    if (words.some((w) => w === undefined || w.trim() === '')) throw new Trouble(SAY);
    return words as string[];
  };
  const invitation = (secret: string) =>
    `Invitation (one use, a week): ${values.origin ?? 'http://127.0.0.1:4377'}/come#${secret}`;
  const id = values.id === undefined ? [] : [values.id];
  try {
    if (what === 'restored') {
      await households.restored();
      return console.log('Windows read their plans anew.');
    }
    switch (verb) {
      case 'add': {
        const made = await households.add(need(rest[0])[0]!, ...id);
        return console.log(`${made.id} is there.\n${invitation(made.secret)}`);
      }
      case 'list':
        for (const h of await households.list())
          console.log(`${h.id.padEnd(24)} ${h.name.padEnd(32)} ${h.plans} plans, ${h.members} people`);
        return;
      case 'invite': {
        const [word, name] = need(rest[0], rest[1]);
        return console.log(invitation(await households.invite(word!, name!, roleOf(values.role))));
      }
      case 'limits': {
        const [word] = need(rest[0]);
        await households.setLimits(word!, {
          ...of('plans', number(values.plans, '--plans')),
          ...of('pictures', number(values.pictures, '--pictures')),
          ...of('megabytes', number(values.megabytes, '--megabytes')),
          ...of('changes', number(values.changes, '--changes')),
        });
        return console.log('Set.');
      }
      case 'export': {
        const [word, file] = need(rest[0], rest[1]);
        const sum = await households.export(word!, path(file!));
        return console.log(`${rowsOf(sum)} rows are in ${path(file!)}.`);
      }
      case 'import': {
        const made = await households.import(path(need(rest[0])[0]!), ...id);
        return console.log(`${made.id} is there: ${rowsOf(made.sum)} rows.\n${invitation(made.secret)}`);
      }
      case 'erase': {
        const [word] = need(rest[0]);
        if (!values.yes) throw new Trouble(`Everything ${word} has goes for good. Say it once more with --yes.`);
        const left = Object.entries(await households.erase(word!));
        console.log(`Rows of ${word} that are left, table by table:`);
        for (const [table, rows] of left) console.log(`  ${table.padEnd(20)} ${rows}`);
        return console.log('Backups made before still have it until they are thrown away.');
      }
      case 'from-folder': {
        const [folder, name] = need(rest[0], rest[1]);
        const made = await households.fromFolder(path(folder!), name!, ...id);
        return console.log(
          `${made.id} is there: ${rowsOf(made.sum)} rows, compared one by one.\n${invitation(made.secret)}`,
        );
      }
      case 'to-folder': {
        const [word, folder] = need(rest[0], rest[1]);
        const sum = await households.toFolder(word!, path(folder!));
        return console.log(
          `${rowsOf(sum)} rows are in ${path(folder!)}, compared one by one. Start it: npm start -- --data ${path(folder!)}`,
        );
      }
      default:
        throw new Trouble(SAY);
    }
  } finally {
    await households.close();
  }
}

const rowsOf = (sum: Record<string, { rows: number }>) => Object.values(sum).reduce((n, { rows }) => n + rows, 0);

const of = <K extends string>(key: K, value: number | undefined) =>
  (value === undefined ? {} : { [key]: value }) as Partial<Record<K, number>>;

function number(text: string | undefined, what: string): number | undefined {
  if (text === undefined) return undefined;
  const n = Number(text);
  if (text.trim() === '' || !Number.isInteger(n) || n < 0 || n > 1e9)
    throw new Trouble(`${what} is a whole number, not “${text}”.`);
  return n;
}

function roleOf(text = 'keeper'): Role {
  if (text !== 'keeper' && text !== 'helper' && text !== 'guest')
    throw new Trouble(`A role is keeper, helper or guest, not “${text}”.`);
  return text;
}
