// npm run build: the server and the app, from the sources as they are.
import { build } from './lib/project.mjs';

build();
