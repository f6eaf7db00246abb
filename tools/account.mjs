// npm run account -- --pages 20000 [--data DIR]: a made account of any size, for measuring.
import { build, runBuilt } from './lib/project.mjs';

build(['server']);
runBuilt('account', process.argv.slice(2), { GLOSSARION_LOG: 'warn' });
