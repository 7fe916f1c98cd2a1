import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { compression } from 'vite-plugin-compression2';
import { budget } from './budget';
import { askEarly } from './early';
import { frame } from './frame';
import { BOARD_CACHE, KEPT_ANSWERS, PAGE_CACHE } from './src/offline';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    react(),
    budget(),
    frame(),
    askEarly(),
    VitePWA({
      filename: 'offline.js',
      injectRegister: false,
      manifest: {
        name: 'Calm Tray',
        short_name: 'Calm Tray',
        display: 'standalone',
        background_color: '#F7F4EE',
        theme_color: '#1E5852',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          {
            src: '/icon-maskable-512.png',
            sizes: '512x512',
            type: 'image/png',
            purpose: 'maskable',
          },
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
      workbox: {
        globPatterns: ['assets/**/*.{js,css,woff2}', '*.{svg,png}'],
        maximumFileSizeToCacheInBytes: 8_000_000,
        // The page itself carries a nonce of its own: what came last is kept whole, with its headers.
        navigateFallback: null,
        inlineWorkboxRuntime: true,
        importScripts: ['push.js'],
        skipWaiting: true,
        clientsClaim: true,
        runtimeCaching: [
          {
            urlPattern: ({ request }) => request.mode === 'navigate',
            handler: 'NetworkFirst',
            options: {
              cacheName: PAGE_CACHE,
              networkTimeoutSeconds: 4,
              // Every address has the same page.
              plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve('/') }],
            },
          },
          {
            urlPattern: KEPT_ANSWERS,
            handler: 'NetworkFirst',
            options: {
              cacheName: BOARD_CACHE,
              networkTimeoutSeconds: 4,
              expiration: { maxEntries: 120, maxAgeSeconds: 14 * 86_400 },
              cacheableResponse: { statuses: [200] },
              // Marked as `KEPT_MARK`, which this cannot name: it runs where only its own text is.
              plugins: [
                {
                  cachedResponseWillBeUsed: ({ cachedResponse: kept }) => {
                    if (!kept) return Promise.resolve(null);
                    const headers = new Headers(kept.headers);
                    headers.set('calm-kept', 'yes');
                    return Promise.resolve(new Response(kept.body, { headers }));
                  },
                },
              ],
            },
          },
        ],
      },
    }),
    // What is sent a thousand times is made small once, as small as can be.
    compression({
      include: /^assets\/.*\.(js|css)$/,
      threshold: 1000,
      algorithms: ['brotliCompress', 'gzip'],
    }),
  ],
  html: { cspNonce: '__CSP_NONCE__' },
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    target: 'es2023',
    rolldownOptions: {
      output: {
        // Many small files cost more than they weigh: what most places share comes as one.
        codeSplitting: {
          groups: [{ name: 'common', test: /^(?!.*node_modules)/, minShareCount: 29 }],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
});
