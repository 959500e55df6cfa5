import { defineConfig } from 'vite';

/** Server build: Node 20 cannot run TypeScript, so the server is bundled, its packages left outside. */
export default defineConfig({
  build: {
    ssr: 'src/server/main.ts',
    outDir: 'dist/server',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'main.js' } },
  },
});
