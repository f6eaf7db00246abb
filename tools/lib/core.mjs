import path from 'node:path';
import { root } from './project.mjs';

/** Where the core's sources are. */
export const core = {
  name: 'core',
  setup(builder) {
    builder.onResolve({ filter: /^@glossarion\/core\// }, ({ path: name }) => ({
      path: path.join(root, 'core/src', name.slice('@glossarion/core/'.length), 'index.ts'),
      // What is not used of it is left out.
      sideEffects: false,
    }));
  },
};

/** Of the app's modules only what is asked for, and nothing of packages. */
export const partsAlone = {
  name: 'parts alone',
  setup(builder) {
    builder.onResolve({ filter: /^[^.]/ }, ({ path: name, kind }) =>
      kind === 'entry-point' ? undefined : { path: name, external: true, sideEffects: false },
    );
    builder.onResolve({ filter: /^\./ }, async ({ path: name, pluginData, ...asked }) => {
      if (pluginData === partsAlone) return undefined;
      const { kind, importer, resolveDir } = asked;
      const found = await builder.resolve(name, { kind, importer, resolveDir, pluginData: partsAlone });
      return { ...found, sideEffects: false };
    });
  },
};
