/** The build of the tests: each module a file of its own, in the folders it has, so that what looks beside itself finds it. */
import { cpSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig } from 'vite';

const OUT = 'node_modules/.cache/woolly-tide-tests';

const within = (folder: string, end: string): readonly string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith(end))
    .map((name) => join(folder, name));

export default defineConfig({
  publicDir: false,
  plugins: [
    {
      name: 'woolly-tide-migrations',
      closeBundle: () => cpSync('server/db/migrations', `${OUT}/server/db/migrations`, { recursive: true }),
    },
  ],
  build: {
    ssr: true,
    outDir: OUT,
    emptyOutDir: true,
    target: 'node20',
    sourcemap: true,
    rollupOptions: {
      // How long each plug-in took is of no use here.
      checks: { pluginTimings: false },
      input: [...within('tests', '.test.ts'), 'tests/fill-demo.ts', ...within('server', '-thread.ts')],
      output: { preserveModules: true, preserveModulesRoot: '.', entryFileNames: '[name].js' },
    },
  },
});
