import { createHash } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import react from '@vitejs/plugin-react';
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

/** Faces that the first line of every page is set in: asked for with the page, not when its styles have been read. */
const FIRST_FACES =
  /assets\/(atkinson-hyperlegible-next-latin-wght-normal|sorts-mill-goudy-latin-400-normal)-[\w-]+\.woff2$/;
/** Bytes of a script below which asking for it takes longer than it does. */
const WORTH_ASKING_EARLY = 8_000;
const FIRST = '<script type="module"';
/** Id of what stands last in a page: nothing is shown before it is there. */
const END = 'wt-end';
/**
 * The first script is run as soon as it is there and before anything is shown, as it says how. What it fetches later, the house
 * with all it imports, is on its way by then, but not yet read: reading it would keep the page from being shown. A plain
 * script at the page's end keeps it from being laid out before its styles are there.
 */
const firstThings = (): Plugin => ({
  name: 'woolly-tide-first',
  apply: 'build',
  transformIndexHtml: {
    order: 'post',
    handler: (html, { bundle, filename }) => {
      if (!filename.endsWith('index.html') || !bundle) return [];
      if (!html.includes(FIRST)) throw new Error('the page has no first script');
      const made = Object.values(bundle);
      const tags = [
        ...made
          .filter((f) => FIRST_FACES.test(f.fileName))
          .map((f) => ({ rel: 'preload', as: 'font', type: 'font/woff2', href: `/${f.fileName}`, crossorigin: true })),
        ...[...chunksFrom(bundle, 'house', (c) => c.imports)]
          .filter((c) => !html.includes(c.fileName) && c.code.length > WORTH_ASKING_EARLY)
          .map((c) => ({ rel: 'preload', as: 'script', href: `/${c.fileName}`, crossorigin: true })),
      ].map((attrs) => ({ tag: 'link', attrs, injectTo: 'head' as const }));
      const [placed] = chunksFrom(bundle, 'placed', () => []);
      if (placed?.imports.length !== 0) throw new Error('what stands at the end of a page is not of one piece');
      return {
        html: html.replace(FIRST, `${FIRST} async blocking="render"`),
        tags: [
          ...tags,
          {
            tag: 'link',
            attrs: { rel: 'preload', as: 'script', href: `/${placed.fileName}` },
            injectTo: 'head' as const,
          },
          { tag: 'link', attrs: { rel: 'expect', href: `#${END}`, blocking: 'render' }, injectTo: 'head' as const },
          { tag: 'script', attrs: { src: `/${placed.fileName}` }, injectTo: 'body' as const },
          { tag: 'template', attrs: { id: END }, injectTo: 'body' as const },
        ],
      };
    },
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

export default defineConfig({
  root: 'web',
  plugins: [react(), firstThings(), filesForWorker(), compressed()],
  // Bootstrap's own sources still use what the compiler will drop one day.
  css: {
    preprocessorOptions: {
      scss: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
    },
  },
  build: {
    outDir: '../dist',
    emptyOutDir: true,
    target: 'es2023',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1300,
    // A room's styles are fetched with it; what its scripts import they ask for themselves, which costs less than saying so.
    modulePreload: {
      resolveDependencies: (_, deps, { hostType }) =>
        hostType === 'js' ? deps.filter((d) => d.endsWith('.css')) : deps,
    },
    rollupOptions: {
      input: { main: 'web/index.html', owner: 'web/owner.html', sw: 'web/sw.ts', placed: 'web/placed.ts' },
      output: {
        entryFileNames: (chunk) => (chunk.name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js'),
        // What the owner's page shares with the house comes in a few files: on a slow phone link each costs its headers.
        codeSplitting: {
          groups: [
            {
              name: 'first',
              priority: 6,
              test: /preload-helper|web\/(data\/(asked|hand)|app\/(view|theme|look|on-device|served|held|first)\.ts)|contract\/page/,
            },
            { name: 'router', priority: 3, test: /node_modules\/(react-router|cookie|set-cookie-parser)\// },
            { name: 'query', priority: 3, test: /node_modules\/@tanstack\// },
            { name: 'react', priority: 5, test: /node_modules\/(react|react-dom|scheduler|prop-types)\// },
            {
              name: 'shared',
              priority: 2,
              test: /core\/(dog\/(zones|coats|dog|shapes|surface)|quantity\/(day|random|source|number|result|units|kept|ended)|check\/check|kit\/tools|home\/(parts|care|plan|card)|bench\/plan)\.ts|web\/(words\/(home|figures|post)|home\/paper\/HomeDog|data\/(photos|client))/,
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
