import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import { sharedChunks } from './vite.chunks.ts';
import { define } from './vite.version.ts';

export default defineConfig({
  root: 'src/web',
  define,
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Margin',
        short_name: 'Margin',
        description: 'Sets up suspension in as few rounds as possible, and shows how much margin is left.',
        start_url: '/',
        display: 'standalone',
        background_color: '#ebeee8',
        theme_color: '#ebeee8',
        icons: [192, 512].map((size) => ({
          src: `/icon-${size}.png`,
          sizes: `${size}x${size}`,
          type: 'image/png',
          purpose: 'any maskable',
        })),
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
        // The chart library is large and seldom asked for: kept once it was.
        globIgnores: ['**/plotly*', 'doorstep.html'],
        navigateFallbackDenylist: [/^\/api\//, /^\/s\//, /^\/instruments\//, /^\/licences/],
        runtimeCaching: [
          {
            // What was read is shown again while the server is away, for as long as a device may show it.
            urlPattern: ({ url, sameOrigin }) =>
              sameOrigin && /^\/api\/(jobs|book|rack|kits|floors|photos|shop)\b/.test(url.pathname),
            handler: 'NetworkFirst',
            options: {
              cacheName: 'shop',
              networkTimeoutSeconds: 4,
              cacheableResponse: { statuses: [200] },
              expiration: { maxEntries: 1000, maxAgeSeconds: 7 * 86_400 },
            },
          },
          {
            urlPattern: ({ url, sameOrigin }) => sameOrigin && /\/assets\/plotly/.test(url.pathname),
            handler: 'CacheFirst',
            options: { cacheName: 'charts', expiration: { maxEntries: 3 } },
          },
        ],
      },
    }),
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
