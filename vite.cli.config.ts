import { defineConfig } from 'vite';

/** The command is bundled like the server: Node 20 cannot run TypeScript. */
export default defineConfig({
  build: {
    ssr: 'src/cli/main.ts',
    outDir: 'dist/cli',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'margin.js' } },
  },
});
