import { readConfig } from './config';
import { start } from './start';
import { stopOnSignal } from './stop';

const config = readConfig(process.env);
const running = await start(config);
stopOnSignal(running);
running.services.log.info(`Glossarion is open at http://${config.host}:${running.port}`);
