import { createHash } from 'node:crypto';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** Files that keep their name from build to build: they are told apart by what is in them. */
const UNHASHED = ['/index.html', '/mark.svg'];

/** Tells the service worker which files this build is made of. */
const filesForWorker = (): Plugin => ({
  name: 'woolly-tide-files',
  apply: 'build',
  enforce: 'post',
  generateBundle(_, bundle) {
    const made = Object.values(bundle);
    const worker = made.find((f) => f.type === 'chunk' && f.fileName === 'sw.js');
    if (worker?.type !== 'chunk') throw new Error('the build has no service worker');
    const build = createHash('sha256');
    for (const f of made) build.update(f.fileName);
    const revision = build.digest('hex').slice(0, 16);
    const files = [
      ...UNHASHED.map((url) => ({ url, revision })),
      ...made.filter((f) => f.fileName.startsWith('assets/')).map((f) => ({ url: `/${f.fileName}`, revision: null })),
    ];
    worker.code = worker.code.replace('self.__WT_FILES', JSON.stringify(files));
  },
});

export default defineConfig({
  root: 'web',
  plugins: [react(), filesForWorker()],
  build: {
    outDir: '../dist',
    emptyOutDir: true,
    target: 'es2023',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1200,
    rollupOptions: {
      input: { main: 'web/index.html', sw: 'web/sw.ts' },
      output: { entryFileNames: (chunk) => (chunk.name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js') },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
