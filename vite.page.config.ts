/** The build by which the salon's computer makes first pages: one file for Node, with all it needs inside. */
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'web',
  publicDir: false,
  plugins: [react()],
  ssr: { noExternal: true },
  define: { 'process.env.NODE_ENV': '"production"' },
  build: {
    ssr: 'page.tsx',
    outDir: '../dist.page',
    emptyOutDir: true,
    target: 'node20',
    assetsInlineLimit: 0,
    rollupOptions: { output: { codeSplitting: false } },
  },
});
