// npm start: serves the person's own notes, kept in GLOSSARION_DATA (a folder named data here when not set). Only the
// first account can be made, unless GLOSSARION_SIGN_UP says otherwise.
import { build, runBuilt } from './lib/project.mjs';

build();
runBuilt('main', [], {
  NODE_ENV: 'production',
  GLOSSARION_SIGN_UP: process.env.GLOSSARION_SIGN_UP ?? 'first',
});
