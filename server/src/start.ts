import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { makeApp } from './app';
import type { Config } from './config';
import { openServices, type Services } from './services';
import { serveSocket } from './socket/socket';

export interface Running {
  services: Services;
  port: number;
  stop: () => Promise<void>;
}

/** How often attachments that nothing refers to are looked for, in milliseconds. */
const SWEEP_EVERY = 60 * 60 * 1000;

/** Opens the data and serves it; `stop` lets what was begun end first. */
export async function start(config: Config): Promise<Running> {
  const log = pino({ level: config.logLevel });
  const services = await openServices(config, log);
  const server = createServer(makeApp(services));
  const stopSocket = serveSocket(server, services);
  const sweep = () => void services.attachments.sweep().catch((error: unknown) => log.error(error));
  const sweeping = setInterval(sweep, SWEEP_EVERY).unref();
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(config.port, config.host, resolve);
  });
  const { port } = server.address() as AddressInfo;
  const stop = async () => {
    clearInterval(sweeping);
    stopSocket();
    server.closeIdleConnections();
    await new Promise<void>((resolve) => {
      server.close(() => resolve());
      setTimeout(() => server.closeAllConnections(), 2000).unref();
    });
    await services.background.close();
    await services.database.close();
  };
  return { services, port, stop };
}
