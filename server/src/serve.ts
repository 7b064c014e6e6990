import { type Socket } from 'node:net';
import { createServer, type IncomingMessage, type RequestListener, type Server, type ServerResponse } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { type Access, House, keepIn, type KeptPassphrase, ownAddresses, ownMachine } from './access/index.ts';
import { makeApp } from './http/app.ts';
import { ended, listen, portOf } from './http/listen.ts';
import { accessRoutes } from './http/routes/access.ts';
import { backupRoutes } from './http/routes/backups.ts';
import { deviceRoutes } from './http/routes/devices.ts';
import { Streams } from './http/stream.ts';
import { DataFolder } from './store/data-folder.ts';
import { type Store } from './store/store.ts';
import { Trouble } from './store/trouble.ts';

export type Running = {
  port: number;
  /** the port in the house’s network; null when it does not listen there */
  housePort: number | null;
  /** where the house finds it */
  addresses: readonly string[];
  folder: DataFolder;
  readonly store: Store;
  close: () => Promise<void>;
};

const WEB = fileURLToPath(new URL('../../web/dist', import.meta.url));

/** How the house gets in: what is kept of the passphrase, a certificate of the maker’s own (PEM), and the port; 0 takes any free one. */
export type HouseParts = {
  passphrase: KeptPassphrase;
  /** whether it is kept with the data from now on; only who owns the folder writes into it */
  isNew?: boolean;
  tls?: { cert: Buffer; key: Buffer } | undefined;
  port: number;
  /** this machine’s own names; asked anew for every request, because networks come and go */
  hosts?: () => readonly string[];
};

/**
 * Opens a data folder and serves it on 127.0.0.1, and (with `house`) behind a passphrase in the house’s network. Where its plans cannot be opened,
 * what is served says so and offers the backups.
 * @param port 0 takes any free one
 * @throws FolderInUse; FolderNewer; Trouble in plain words
 */
export async function serve({
  dataFolder,
  port,
  web = WEB,
  house,
}: {
  dataFolder: string;
  port: number;
  web?: string;
  house?: HouseParts | undefined;
}): Promise<Running> {
  const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2));
  const folder = await DataFolder.open(dataFolder, (words) => log.warn(words));
  const listening: Server[] = [];
  try {
    if (house?.isNew) keepIn(folder.path, house.passphrase);
    const streams = new Streams();
    const hosts = house?.hosts ?? ownAddresses;
    const secure = house?.tls !== undefined;
    let housePort: number | null = null;
    const inTheHouse = () => ({
      addresses: housePort === null ? [] : hosts().map((h) => `${secure ? 'https' : 'http'}://${h}:${housePort}/`),
      secure,
    });
    const keeping = () => ({ store: folder.store, photos: folder.photoStore });
    const beside = { backups: backupRoutes(folder, streams), devices: deviceRoutes() };
    const appFor = (access: Access) => {
      const door = accessRoutes(access, inTheHouse, (who) => streams.dropOf(who));
      // who is not known yet says a passphrase and nothing longer
      return makeApp({ log, web, access, door, doorLimit: '2kb', keeping, streams, beside, folder: folder.path });
    };
    const own = await listen(createServer(appFor(ownMachine)), port, '127.0.0.1');
    listening.push(own);
    const taken = portOf(own);
    if (house) {
      const app = appFor(new House(house.passphrase, secure, hosts));
      const server = house.tls ? secureServer(house.tls, app) : createServer(app);
      capped(server);
      listening.push(await listen(server, house.port, '0.0.0.0'));
      housePort = portOf(server);
    }
    folder.setPort(taken);
    folder.backUpDaily();
    return {
      port: taken,
      housePort,
      addresses: inTheHouse().addresses,
      folder,
      get store() {
        return folder.store;
      },
      close: async () => {
        await Promise.all(listening.map(ended));
        await folder.close();
      },
    };
  } catch (error) {
    await Promise.all(listening.map(ended));
    await folder.close();
    throw error;
  }
}

/** Connections from one address and from all of the house together, and how long one may say nothing, ms (own assumptions). */
const FROM_ONE = 60;
const FROM_ALL = 300;
const SILENT = 60_000;

/** Whoever opens connections and says nothing takes neither the house’s nor the machine’s own from others. */
export function capped(server: Server, { fromOne = FROM_ONE, fromAll = FROM_ALL, silent = SILENT } = {}): void {
  const open = new Map<string, number>();
  let all = 0;
  server.setTimeout(silent);
  // who has said everything waits for us, however long that takes: guesses wait for each other
  server.on('request', (req: IncomingMessage, res: ServerResponse) => {
    const waits = () => void req.socket.setTimeout(0);
    if (req.headers['content-length'] === undefined && req.headers['transfer-encoding'] === undefined) waits();
    else req.once('end', waits);
    res.once('close', () => req.socket.setTimeout(silent));
  });
  server.on('connection', (socket: Socket) => {
    const from = socket.remoteAddress ?? '';
    const mine = open.get(from) ?? 0;
    if (mine >= fromOne || all >= fromAll) return void socket.destroy();
    open.set(from, mine + 1);
    all++;
    socket.once('close', () => {
      all--;
      const left = open.get(from)! - 1;
      if (left > 0) open.set(from, left);
      else open.delete(from);
    });
  });
}

function secureServer(tls: { cert: Buffer; key: Buffer }, app: RequestListener): Server {
  try {
    return createSecureServer({ ...tls, minVersion: 'TLSv1.2' }, app);
  } catch (error) {
    throw new Trouble(`The certificate and its key cannot be used: ${(error as Error).message}.`);
  }
}
