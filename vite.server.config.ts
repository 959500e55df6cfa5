import { defineConfig } from 'vite';
import { define } from './vite.version.ts';

/** Server build: Node 20 cannot run TypeScript, so the server is bundled, its packages left outside. */
export default defineConfig({
  define,
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
