import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { makeApp } from './app';
import type { Config } from './config';
import { StartError } from './startError';
import { openServices, type Services } from './services';
import { serveSocket } from './socket/socket';
import { endStillConnections } from './stillConnections';

export interface Running {
  services: Services;
  port: number;
  stop: () => Promise<void>;
}

/** How often attachments that nothing refers to are looked for, in milliseconds. */
const SWEEP_EVERY = 60 * 60 * 1000;

/** A connection on which nothing moves for so long is ended, in milliseconds. */
const STILL_AFTER = 120_000;

/**
 * A connection waits so long for its next request, in milliseconds: longer than browsers and proxies hold one, so that
 * it is never ended here at the moment at which something is asked on it.
 */
const KEPT_OPEN = 90_000;

const refusal = ({ host, port }: Config, { code, message }: NodeJS.ErrnoException): string => {
  if (code === 'EADDRINUSE') return `Port ${port} is in use already. Stop what uses it, or choose another with PORT.`;
  if (code === 'EACCES') return `Port ${port} may not be used here. Choose one above 1023 with PORT.`;
  if (code === 'EADDRNOTAVAIL' || code === 'ENOTFOUND') return `${host} is no address of this machine.`;
  return `Nothing can be served at ${host}:${port}: ${message}.`;
};

/**
 * Opens the data, makes what has to be there before anyone comes in, and serves it; `stop` lets what was begun end first.
 */
export async function start(
  config: Config,
  makeFirst: (services: Services) => Promise<void> = () => Promise.resolve(),
): Promise<Running> {
  const log = pino({ level: config.logLevel });
  const services = await openServices(config, log);
  await makeFirst(services);
  const server = createServer(makeApp(services));
  // A body may take as long as it moves: each route bounds it, and a connection on which nothing moves is ended.
  server.requestTimeout = 0;
  endStillConnections(server, STILL_AFTER);
  server.keepAliveTimeout = KEPT_OPEN;
  server.headersTimeout = KEPT_OPEN + 5_000;
  const stopSocket = serveSocket(server, services);
  const sweep = () => void services.attachments.sweep().catch((error: unknown) => log.error(error));
  const sweeping = setInterval(sweep, SWEEP_EVERY).unref();
  try {
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.listen(config.port, config.host, resolve);
    });
  } catch (error) {
    clearInterval(sweeping);
    stopSocket();
    services.works.close();
    await services.background.close();
    await services.database.close();
    throw new StartError(refusal(config, error as NodeJS.ErrnoException));
  }
  const { port } = server.address() as AddressInfo;
  const stop = async () => {
    clearInterval(sweeping);
    stopSocket();
    server.closeIdleConnections();
    await new Promise<void>((resolve) => {
      server.close(() => resolve());
      setTimeout(() => server.closeAllConnections(), 2000).unref();
    });
    services.works.close();
    await services.background.close();
    await services.threads.close();
    await services.database.close();
  };
  return { services, port, stop };
}
