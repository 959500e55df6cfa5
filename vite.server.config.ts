import { defineConfig } from 'vite';
import { define } from './vite.version.ts';

/** Packages that look for files beside themselves, or are made for the machine. */
const OUTSIDE = ['sharp', 'pino', 'connect-pg-simple', 'pg-native'];

/**
 * Server build: Node 20 cannot run TypeScript, so the server is bundled. Its packages are, too: reading
 * them one by one took half of its start.
 */
export default defineConfig({
  define,
  ssr: { noExternal: true, external: OUTSIDE },
  build: {
    ssr: true,
    outDir: 'dist/server',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: {
      input: {
        main: 'src/server/main.ts',
        passphrase: 'src/server/passphraseMain.ts',
        backup: 'src/server/backupMain.ts',
        restore: 'src/server/restoreMain.ts',
      },
      output: { entryFileNames: '[name].js' },
    },
  },
});
