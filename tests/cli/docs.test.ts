/** The documents say what is there: files, words, commands; and docs/operating.md only what a test shows. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';

describe('docs/operating.md', () => {
  const text = readFileSync('docs/operating.md', 'utf8');
  const named = [...text.matchAll(/`(tests\/[\w/-]+\.test\.ts)`/g)].map(([, file]) => file ?? '');

  it('names tests that are there', () => {
    expect(new Set(named).size).to.be.greaterThan(10);
    expect(named.filter((file) => !existsSync(file))).to.deep.equal([]);
  });

  it('names one for each promise of its tables', () => {
    const rows = text
      .split('\n| promise | shown by |\n|---|---|\n')
      .slice(1)
      .flatMap((rest) => rest.split('\n\n')[0]?.split('\n') ?? []);
    expect(rows.length).to.be.greaterThan(25);
    for (const row of rows) {
      const shown = row.split(' | ').at(-1) ?? '';
      expect(shown, row).to.match(/`tests\/[\w/-]+\.test\.ts`|the same/);
    }
  });

  it('shows what its other sections say, but for advice', () => {
    const sections = text.split(/^## /m).slice(1);
    const advice = ['More than one salon'];
    for (const section of sections) {
      const title = section.slice(0, section.indexOf('\n'));
      if (!advice.includes(title)) expect(section, title).to.match(/`tests\/[\w/-]+\.test\.ts`/);
    }
  });
});

const DOCS = readdirSync('docs')
  .filter((name) => name.endsWith('.md'))
  .map((name) => ({ name, text: readFileSync(join('docs', name), 'utf8') }));
/** What stands between backticks and looks like a file of ours. */
const pathsIn = (text: string): readonly string[] => [
  ...new Set(
    [...text.matchAll(/`((?:core|contract|server|web|cli|bench|tests|scripts|docs|examples|study)\/[\w./-]+)`/g)].map(
      ([, path = '']) => path,
    ),
  ),
];
/** Names that stand for any file of a kind. */
const ANY = /NAME|…|\*/;

describe('the documents', () => {
  for (const { name, text } of DOCS)
    it(`name only files that are there: ${name}`, () => {
      const missing = pathsIn(text).filter((path) => !ANY.test(path) && !existsSync(path));
      expect(missing).to.deep.equal([]);
    });
  it('name enough of them for this to mean something', () => {
    expect(DOCS.flatMap(({ text }) => pathsIn(text)).length).to.be.above(60);
  });
  it('explain each word of the glossary once', () => {
    const glossary = DOCS.find(({ name }) => name === 'glossary.md')?.text ?? '';
    const words = [...glossary.matchAll(/^\| ([^|]+?) \|/gm)].map(([, word = '']) => word);
    const meant = words.filter((w) => w !== 'word' && !/^-+$/.test(w)).flatMap((w) => w.split(', '));
    expect(meant.length).to.be.above(35);
    expect(new Set(meant).size).to.equal(meant.length);
  });
  it('name only commands that package.json has', () => {
    const { scripts }: { scripts: Record<string, string> } = JSON.parse(readFileSync('package.json', 'utf8'));
    const texts = [...DOCS.map(({ text }) => text), readFileSync('README.md', 'utf8')];
    const named = texts.flatMap((text) =>
      [...text.matchAll(/`npm run (?:-s )?([\w:]+)/g)].map(([, name = '']) => name),
    );
    expect(named.length).to.be.above(5);
    for (const command of named) expect(Object.keys(scripts), command).to.include(command);
  });
});
