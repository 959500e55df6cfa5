import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020.js';
import standaloneModule from 'ajv/dist/standalone/index.js';
import { defineConfig, type Plugin } from 'vite';
import { define } from './vite.version.ts';

const SCHEMA = 'docs/job-file.schema.json';

// Node gives the whole CommonJS module, a bundler what it exports.
const standalone =
  (standaloneModule as unknown as { default?: typeof standaloneModule }).default ?? standaloneModule;

/** Compiles the schema of job files once, while building: at every call it would cost two seconds. */
function compiledSchema(): Plugin {
  const name = 'virtual:check-job-file';
  return {
    name: 'compiled-schema',
    resolveId: (id) => (id === name ? id : null),
    load(id) {
      if (id !== name) return null;
      this.addWatchFile(SCHEMA);
      const ajv = new Ajv2020({
        allErrors: true,
        strict: false,
        validateFormats: false,
        code: { source: true, esm: true },
      });
      return standalone(ajv, ajv.compile(JSON.parse(readFileSync(SCHEMA, 'utf8'))));
    },
  };
}

/** The command is bundled like the server: Node 20 cannot run TypeScript. */
export default defineConfig({
  plugins: [compiledSchema()],
  define,
  ssr: { noExternal: [/^ajv/] },
  build: {
    ssr: 'src/cli/main.ts',
    outDir: 'dist/cli',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'margin.js' } },
  },
});
