import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  resolve: { conditions: ['@blue-ledge/source', 'module', 'browser', 'development|production'] },
  server: { port: 4601, proxy: { '/api': { target: 'http://127.0.0.1:4600', changeOrigin: false } } },
  build: { outDir: 'dist', emptyOutDir: true, chunkSizeWarningLimit: 900 },
  worker: { format: 'es' },
});
