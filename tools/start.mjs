// npm start: serves the person's own notes, kept in GLOSSARION_DATA (a folder named data here when not set).
import { build, runBuilt } from './lib/project.mjs';

build();
runBuilt('main', [], { NODE_ENV: 'production' });
