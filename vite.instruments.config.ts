import { defineConfig } from 'vite';
import { define } from './vite.version.ts';

/** Instruments are programs of their own, bundled like the server. */
export default defineConfig({
  define,
  build: {
    ssr: 'src/instruments/main.ts',
    outDir: 'dist/instruments',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'main.js' } },
  },
});
