import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
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
