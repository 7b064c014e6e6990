import { type AddressInfo } from 'node:net';
import { type Server } from 'node:http';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { makeApp } from './http/app.ts';
import { DataFolder } from './store/data-folder.ts';
import { type PlanStore } from './store/plan-store.ts';
import { Trouble } from './store/trouble.ts';

export type Running = { port: number; folder: DataFolder; readonly store: PlanStore; close: () => Promise<void> };

/** Milliseconds an idle connection is kept: longer than any client of ours keeps one, or a question can meet a connection just being closed. */
const KEPT_IDLE = 75_000;

const WEB = fileURLToPath(new URL('../../web/dist', import.meta.url));

/**
 * Opens a data folder and serves it on 127.0.0.1. Where its plans cannot be opened, what is served says so and offers the backups.
 * @param port 0 takes any free one
 * @throws FolderInUse; FolderNewer; Trouble in plain words
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
  const folder = await DataFolder.open(dataFolder, (words) => log.warn(words));
  try {
    const app = makeApp({ folder, log, web });
    const server = await listen(app.listen.bind(app), port);
    const taken = (server.address() as AddressInfo).port;
    folder.setPort(taken);
    folder.backUpDaily();
    return {
      port: taken,
      folder,
      get store() {
        return folder.store;
      },
      close: async () => {
        server.closeAllConnections();
        await new Promise((resolve) => server.close(resolve));
        await folder.close();
      },
    };
  } catch (error) {
    await folder.close();
    throw error;
  }
}

function listen(start: (port: number, host: string) => Server, port: number): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = start(port, '127.0.0.1');
    server.keepAliveTimeout = KEPT_IDLE;
    server.headersTimeout = KEPT_IDLE + 5_000;
    server.once('listening', () => resolve(server));
    server.once('error', (error: NodeJS.ErrnoException) => reject(portTrouble(error, port)));
  });
}

function portTrouble(error: NodeJS.ErrnoException, port: number): Error {
  if (error.code === 'EADDRINUSE')
    return new Trouble(`Port ${port} is taken. Stop what runs there, or say another: --port 4400.`);
  if (error.code === 'EACCES')
    return new Trouble(`Port ${port} is one that only the system may use. Say one above 1023: --port 4400.`);
  return error;
}
