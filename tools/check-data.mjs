// npm run check-data [-- DIR …]: compares what is stored of the notes with what follows from their texts.
import { build, runBuilt } from './lib/project.mjs';

build(['server']);
runBuilt('checkData', process.argv.slice(2));
