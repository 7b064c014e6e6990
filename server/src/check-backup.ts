import { checkBackup } from './store/check-backup.ts';

/** Opens the backup named on the command line whole; ends with 1 and the reason where that fails. */
try {
  await checkBackup(process.argv[2] ?? '');
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  process.exit(1);
}
