import { createHash } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import react from '@vitejs/plugin-react';
import type { AcceptedPlugin } from 'postcss';
import { defineConfig, type Plugin } from 'vite';

/** Pages by their entry: the word in the service worker's code that stands for their files, and files that keep their name. */
const PAGES = [
  {
    page: 'main',
    word: 'self.__WT_FILES',
    unhashed: ['/index.html', '/mark.svg', '/mark-192.png', '/mark-512.png', '/app.webmanifest'],
  },
  { page: 'owner', word: 'self.__WT_OWNER_FILES', unhashed: ['/owner.html', '/mark.svg', '/owner.webmanifest'] },
] as const;

const brotli = promisify(brotliCompress);
/** Near the best; the best takes four times as long for a hundredth less. */
const BROTLI_QUALITY = 10;

type Bundle = Parameters<Extract<Plugin['generateBundle'], (...args: never[]) => unknown>>[1];

type Chunk = Extract<Bundle[string], { type: 'chunk' }>;

/** The chunk of a name and all that it leads to by what `next` says of each. Throws where no chunk has that name. */
function chunksFrom(bundle: Bundle, name: string, next: (chunk: Chunk) => readonly string[]): ReadonlySet<Chunk> {
  const chunks = new Set<Chunk>();
  const walk = (file: string): void => {
    const made = bundle[file];
    if (made?.type !== 'chunk' || chunks.has(made)) return;
    chunks.add(made);
    next(made).forEach(walk);
  };
  for (const made of Object.values(bundle)) if (made.type === 'chunk' && made.name === name) walk(made.fileName);
  if (chunks.size === 0) throw new Error(`the build has no chunk ${name}`);
  return chunks;
}

/** Files that a page is made of: its chunks with all they import, now or later, their styles and fonts. */
const filesOf = (bundle: Bundle, page: string): ReadonlySet<string> =>
  new Set(
    [...chunksFrom(bundle, page, (c) => [...c.imports, ...c.dynamicImports])].flatMap((c) => [
      c.fileName,
      ...(c.viteMetadata?.importedCss ?? []),
      ...(c.viteMetadata?.importedAssets ?? []),
    ]),
  );

/** Tells the service worker which files each page is made of. */
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
    // Lists of words that passphrases are made of: large, and of use only where the salon's computer answers.
    const needLink = new Set(
      made
        .filter((f) => f.type === 'chunk' && f.moduleIds.some((id) => id.includes('/@zxcvbn-ts/')))
        .map((f) => f.fileName),
    );
    const owner = filesOf(bundle, 'owner');
    const main = filesOf(bundle, 'main');
    for (const { page, word, unhashed } of PAGES) {
      const own = made
        .map((f) => f.fileName)
        .filter((f) => !needLink.has(f))
        .filter((f) => f.startsWith('assets/') && (page === 'owner' ? owner.has(f) : main.has(f) || !owner.has(f)));
      const files = [
        ...unhashed.map((url) => ({ url, revision })),
        ...own.map((f) => ({ url: `/${f}`, revision: null })),
      ];
      worker.code = worker.code.replace(word, JSON.stringify(files));
    }
  },
});

/** Beside each file its compressed twin, so that nobody waits while it is made. */
const compressed = (): Plugin => ({
  name: 'woolly-tide-compressed',
  apply: 'build',
  enforce: 'post',
  async writeBundle({ dir }, bundle) {
    if (!dir) throw new Error('the build goes into no folder');
    const files = Object.keys(bundle).filter((file) => /\.(js|css|svg|webmanifest)$/.test(file));
    await Promise.all(
      files.map(async (file) => {
        const twin = await brotli(await readFile(join(dir, file)), {
          params: { [constants.BROTLI_PARAM_QUALITY]: BROTLI_QUALITY },
        });
        await writeFile(join(dir, `${file}.br`), twin);
      }),
    );
  },
});

/** A style's name in the page: that of its file and its own, so that a page can be read. */
export const STYLE_NAMES = {
  localsConvention: 'camelCaseOnly',
  generateScopedName: (name: string, file: string) => `wt-${basename(file).replace(/\.module\.css.*$/, '')}-${name}`,
} as const;

/** Later layers win over earlier ones, whatever their selectors: the library, the house, its parts, its rooms. */
const LAYERS = ['bootstrap', 'house', 'ui', 'rooms'] as const;

/** Lays each file of styles into its layer, by where it lies; every file says their order, whichever comes first. */
const layered: AcceptedPlugin = {
  postcssPlugin: 'woolly-tide-layers',
  OnceExit(root, { AtRule }) {
    const file = root.source?.input.file ?? '';
    if (!file.includes('/web/') || file.endsWith('tokens.css')) return;
    const layer = !file.includes('.module.')
      ? file.endsWith('.scss')
        ? 'bootstrap'
        : 'house'
      : file.includes('/web/ui/')
        ? 'ui'
        : 'rooms';
    // A sheet of paper is of the page, not of a layer.
    const paper = root.nodes.filter((n) => n.type === 'atrule' && n.name === 'page');
    const inside = new AtRule({ name: 'layer', params: layer, nodes: root.nodes.filter((n) => !paper.includes(n)) });
    root.removeAll();
    root.append(new AtRule({ name: 'layer', params: LAYERS.join(', ') }), ...paper, inside);
  },
};

export default defineConfig({
  root: 'web',
  plugins: [react(), filesForWorker(), compressed()],
  // Bootstrap's own sources still use what the compiler will drop one day.
  css: {
    modules: STYLE_NAMES,
    postcss: { plugins: [layered] },
    preprocessorOptions: {
      scss: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
    },
  },
  build: {
    outDir: '../dist',
    emptyOutDir: true,
    target: 'es2023',
    // Each browser that reads this language fetches ahead by itself.
    modulePreload: { polyfill: false },
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1300,
    rollupOptions: {
      input: { main: 'web/index.html', owner: 'web/owner.html', sw: 'web/sw.ts' },
      output: {
        entryFileNames: (chunk) => (chunk.name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js'),
        // What the owner's page shares with the house comes in a few files: on a slow phone link each costs its headers.
        codeSplitting: {
          groups: [
            // All styles of the house at once: a file for each room would cost a slow link more than its bytes.
            {
              name: 'styles',
              priority: 9,
              test: /web\/(drawing\/charts|(app|desk|door|find|help|home\/(card|dogs|visit)|table|ui)\/.*)\.module\.css/,
            },
            // What every room stands on: few files, as each costs a slow device more than some code that not every room needs.
            {
              name: 'base',
              priority: 3,
              test: /node_modules\/(react-router|cookie|set-cookie-parser|@tanstack|react-bootstrap|@restart|@popperjs|dom-helpers|classnames|uncontrollable)\//,
            },
            { name: 'react', priority: 5, test: /node_modules\/(react|react-dom|scheduler|prop-types)\// },
            {
              name: 'shared',
              priority: 2,
              test: /core\/(dog\/(zones|coats|dog|shapes|surface|mind|services|care-items)|quantity\/(day|random|source|number|result|units|kept|ended)|check\/check|kit\/tools|home\/(parts|care|plan|card|report)|bench\/plan)\.ts|@fontsource-variable\/|web\/(ui\/tokens|words\/(home|holds|figures|post|clock)|owner\/words|home\/paper\/HomeDog|app\/Fact|data\/(photos|client))/,
            },
            // What many rooms use is one file, not twenty.
            { name: 'rooms', priority: 1, test: /\/(web|core)\/(?!kit\/rule)/, minShareCount: 10 },
            { name: 'bench', priority: 0, test: /\/core\/(bench|kit|water|check|dog|quantity)\//, minShareCount: 3 },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
