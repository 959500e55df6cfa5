import { defineConfig } from 'vite';

/** Server build: Node 20 cannot run TypeScript, so the server is bundled, its packages left outside. */
export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist/server',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: {
      input: { main: 'src/server/main.ts', passphrase: 'src/server/passphrase.ts' },
      output: { entryFileNames: '[name].js' },
    },
  },
});
