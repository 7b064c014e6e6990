import { type AddressInfo } from 'node:net';
import { type Server } from 'node:http';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { makeApp } from './http/app.ts';
import { backUp, databaseFolder } from './store/backup.ts';
import { openDatabase } from './store/database.ts';
import { takeFolder } from './store/lock.ts';
import { PlanStore } from './store/plan-store.ts';

export type Running = { port: number; store: PlanStore; close: () => Promise<void> };

const WEB = fileURLToPath(new URL('../../web/dist', import.meta.url));

/**
 * Opens a data folder and serves it on 127.0.0.1.
 * @param port 0 takes any free one
 * @throws FolderInUse; an error with code EADDRINUSE when the port is taken
 */
export async function serve({
  dataFolder,
  port,
  web = WEB,
}: {
  dataFolder: string;
  port: number;
  web?: string;
}): Promise<Running> {
  const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2));
  const letGo = takeFolder(dataFolder, port);
  try {
    const db = await openDatabase(
      databaseFolder(dataFolder),
      async (open) => void (await backUp(open, dataFolder, '-before-migration')),
    );
    const store = new PlanStore(db);
    const app = makeApp({ store, log, backUp: () => backUp(db, dataFolder), web });
    const server = await listen(app.listen.bind(app), port).catch(async (error: unknown) => {
      await db.close();
      throw error;
    });
    return {
      port: (server.address() as AddressInfo).port,
      store,
      close: async () => {
        server.closeAllConnections();
        await new Promise((resolve) => server.close(resolve));
        await db.close();
        letGo();
      },
    };
  } catch (error) {
    letGo();
    throw error;
  }
}

function listen(start: (port: number, host: string) => Server, port: number): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = start(port, '127.0.0.1');
    server.once('listening', () => resolve(server));
    server.once('error', reject);
  });
}
