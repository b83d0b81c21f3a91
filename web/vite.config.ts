import { basename } from 'node:path';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** The name of a class in the page: its module and its own name. */
const scopedName = (name: string, file: string) => `${basename(file.split('?')[0], '.module.css')}__${name}`;

export default defineConfig({
  css: { modules: { localsConvention: 'camelCaseOnly', generateScopedName: scopedName } },
  // The builds of the libraries that need no Node.
  resolve: {
    alias: {
      qrcode: 'qrcode/lib/browser.js',
      'csv-stringify/sync': 'csv-stringify/browser/esm/sync',
      'csv-parse/sync': 'csv-parse/browser/esm/sync',
    },
  },
  plugins: [
    react(),
    // The app itself is kept on the device, so that the scanner and houses already opened work without a connection.
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: null,
      workbox: {
        globPatterns: ['**/*.{js,css,html,woff2,svg,png}'],
        globIgnores: ['**/*vietnamese*'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        cleanupOutdatedCaches: true,
      },
      manifest: {
        name: 'Dusky Spool',
        short_name: 'Spool',
        start_url: '/projects',
        display: 'standalone',
        background_color: '#f7f2e8',
        theme_color: '#231d2e',
        icons: [{ src: '/spool.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
    }),
  ],
  build: {
    target: 'es2023',
    sourcemap: false,
    assetsInlineLimit: 0,
    manifest: true,
    chunkSizeWarningLimit: 1500,
    modulePreload: { polyfill: false },
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4410', ws: true } } },
});
