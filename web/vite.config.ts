import react from '@vitejs/plugin-react';
import type { Plugin } from 'vite';
import { defineConfig } from 'vite';

/** Names the files of a build, and the one that comes first: by them a page knows whether the server has a newer program. */
const partsList = (): Plugin => ({
  name: 'parts-list',
  generateBundle(_, bundle) {
    const chunks = Object.values(bundle);
    const entry = chunks.find((chunk) => chunk.type === 'chunk' && chunk.isEntry)?.fileName;
    const files = chunks.map(({ fileName }) => fileName).filter((name) => /\.(js|css)$/.test(name));
    this.emitFile({ type: 'asset', fileName: 'parts.json', source: JSON.stringify({ entry, files }) });
  },
});

export default defineConfig({
  plugins: [react(), partsList()],
  resolve: { conditions: ['@blue-ledge/source', 'module', 'browser', 'development|production'] },
  server: { port: 4601, proxy: { '/api': { target: 'http://127.0.0.1:4600', changeOrigin: false } } },
  build: { outDir: 'dist', emptyOutDir: true, chunkSizeWarningLimit: 900 },
  worker: { format: 'es' },
});
