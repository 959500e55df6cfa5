import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { sharedChunks } from './vite.chunks.ts';
import { define } from './vite.version.ts';

export default defineConfig({
  root: 'src/web',
  define,
  plugins: [
    react(),
    tailwindcss(),
    compression({
      include: /assets\/.*\.(js|css)$/,
      algorithms: [defineAlgorithm('gzip', { level: 9 }), defineAlgorithm('brotliCompress', {})],
    }),
  ],
  build: {
    outDir: '../../dist/web',
    emptyOutDir: true,
    license: { fileName: 'licences.md' },
    target: 'es2022',
    chunkSizeWarningLimit: 1600,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: sharedChunks(fileURLToPath(new URL('src/web/app/main.tsx', import.meta.url))),
        },
      },
    },
  },
});
