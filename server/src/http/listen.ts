import { type Server } from 'node:http';
import { type AddressInfo } from 'node:net';
import { Trouble } from '../store/trouble.ts';

/** Milliseconds an idle connection is kept: longer than any client of ours keeps one, or a question can meet a connection just being closed. */
const KEPT_IDLE = 75_000;

export const portOf = (server: Server): number => (server.address() as AddressInfo).port;

/** Ends a listener and every connection to it. */
export function ended(server: Server): Promise<void> {
  server.closeAllConnections();
  return new Promise((resolve) => server.close(() => resolve()));
}

/** Listens. @param port 0 takes any free one @throws Trouble in plain words when the port cannot be had */
export function listen(server: Server, port: number, host: string): Promise<Server> {
  return new Promise((resolve, reject) => {
    server.keepAliveTimeout = KEPT_IDLE;
    server.headersTimeout = KEPT_IDLE + 5_000;
    server.once('listening', () => resolve(server));
    server.once('error', (error: NodeJS.ErrnoException) => reject(portTrouble(error, port)));
    server.listen(port, host);
  });
}

function portTrouble(error: NodeJS.ErrnoException, port: number): Error {
  if (error.code === 'EADDRINUSE')
    return new Trouble(`Port ${port} is taken. Stop what runs there, or say another: --port 4400.`);
  if (error.code === 'EACCES')
    return new Trouble(`Port ${port} is one that only the system may use. Say one above 1023: --port 4400.`);
  return error;
}
