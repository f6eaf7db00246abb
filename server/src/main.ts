import { readConfig } from './config';
import { start } from './start';
import { orTell } from './startError';
import { stopOnSignal } from './stop';

const { config, running } = await orTell(async () => {
  const config = readConfig(process.env);
  return { config, running: await start(config) };
});
stopOnSignal(running);
running.services.log.info(`Glossarion is open at http://${config.host}:${running.port}`);
