/**
 * The walks of docs/contributing.md, gone in a copy of the house: where a new kind is named, the compiler asks for it in just the
 * files that its walk names; and a new page is one row and one folder.
 */
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { expect } from 'chai';
import { itInFull } from '../samples.ts';

const TSC = resolve('node_modules/typescript-native/bin/tsc');
const CONTRIBUTING = readFileSync('docs/contributing.md', 'utf8');
/** The text of a walk. */
const walk = (title: string): string => CONTRIBUTING.split(`\n## ${title}\n`)[1]?.split('\n## ')[0] ?? '';

describe('the walks of docs/contributing.md', function () {
  this.timeout(240_000);
  let house = '';
  before(() => {
    house = mkdtempSync(join(tmpdir(), 'walk-'));
    for (const part of ['core', 'contract', 'web', 'tests/browser/room-list.ts', 'tests/browser/stage.ts'])
      cpSync(part, join(house, part), { recursive: true });
    for (const file of ['tsconfig.base.json', 'package.json']) cpSync(file, join(house, file));
    symlinkSync(resolve('node_modules'), join(house, 'node_modules'));
  });
  after(() => rmSync(house, { recursive: true, force: true }));

  /** Files of the copy in which the compiler finds something. */
  function filesAtFault(): readonly string[] {
    const { stdout } = spawnSync(process.execPath, [TSC, '-p', 'web', '--pretty', 'false'], {
      cwd: house,
      encoding: 'utf8',
    });
    return [...new Set([...stdout.matchAll(/^(\S+?)\(\d+,\d+\): error/gm)].map(([, file = '']) => file))].sort();
  }
  /** What the compiler asks for while some files of the copy are changed. */
  function whileChanged(changes: Readonly<Record<string, (text: string) => string>>): readonly string[] {
    const before = Object.keys(changes).map((file) => [file, readFileSync(join(house, file), 'utf8')] as const);
    try {
      for (const [file, text] of before) {
        const after = changes[file]?.(text) ?? text;
        expect(after, file).not.to.equal(text);
        writeFileSync(join(house, file), after);
      }
      return filesAtFault();
    } finally {
      for (const [file, text] of before) writeFileSync(join(house, file), text);
    }
  }
  const named = (list: string) => (text: string) => text.replace(`export const ${list} = [`, `$&'new-one', `);
  /** Title of the walk, the file and its list of kinds, and how many places ask for a new one at least. */
  const KINDS = [
    ['A tool kind', 'core/kit/tools.ts', 'TOOL_KINDS', 3],
    ['A method', 'core/bench/methods.ts', 'METHOD_IDS', 0],
    ['A phase', 'core/bench/methods.ts', 'PHASE_IDS', 2],
    ['A body shape', 'core/dog/shapes.ts', 'BODY_SHAPES', 3],
    ['A coat class', 'core/dog/coats.ts', 'COAT_CLASSES', 3],
  ] as const;

  itInFull('begin where nothing is at fault', () => expect(filesAtFault()).to.deep.equal([]));

  it('a kind of each: the compiler asks where a walk says, and nowhere else', () => {
    const all: Record<string, (text: string) => string> = {};
    for (const [, file, list] of KINDS) {
      const before = all[file];
      all[file] = (text) => named(list)(before ? before(text) : text);
    }
    const asked = whileChanged(all);
    expect(asked.length).to.be.at.least(Math.max(...KINDS.map(([, , , least]) => least)));
    const walks = KINDS.map(([title]) => walk(title)).join('\n');
    for (const place of asked) expect(walks, `something asks for ${place}`).to.contain(`\`${place}\``);
  });

  for (const [title, file, list, least] of KINDS)
    itInFull(`${title}: the compiler asks for it where the walk says, and nowhere else`, () => {
      const asked = whileChanged({ [file]: named(list) });
      expect(asked).to.have.length.at.least(least);
      expect(walk(title), title).to.contain(`\`${file}\``);
      for (const place of asked) expect(walk(title), `${title} asks for ${place}`).to.contain(`\`${place}\``);
    });

  it('A screen: one row and one folder, and every list of pages has it', () => {
    const room = join(house, 'web/desk/attic');
    mkdirSync(room);
    writeFileSync(join(room, 'AtticRoom.tsx'), 'export const AtticRoom = () => <h1>Attic</h1>;\n');
    const row = `  {
    path: '/desk/attic-room',
    title: 'Attic',
    menu: 'salon',
    roles: ['owner'],
    find: 'boxes roof',
    code: async () => (await import('./desk/attic/AtticRoom.tsx')).AtticRoom,
    help: { what: 'What is kept above.', how: ['Climb up.'] },
  },
`;
    const withRow = (text: string): string => {
      const changed = text.replace(/(export const PAGES: readonly Page\[\] = \[\n)/, `$1${row}`);
      writeFileSync(join(house, 'web/pages.ts'), changed);
      const script = `
        import { PAGES, pageAt, pagesFor } from './web/pages.ts';
        import { HELP_PAGES } from './web/help/help-pages.ts';
        import { ROOM_LIST } from './tests/browser/room-list.ts';
        const at = '/desk/attic-room';
        console.log(JSON.stringify({
          routes: PAGES.some((p) => p.path === at),
          head: pageAt(at)?.title,
          owner: pagesFor('owner').some((p) => p.path === at),
          bather: pagesFor('bather').some((p) => p.path === at),
          help: HELP_PAGES.some((p) => p.path === at),
          tests: ROOM_LIST.some(([name]) => name === 'Attic'),
        }));`;
      writeFileSync(join(house, 'lists.ts'), script);
      const run = spawnSync(process.execPath, ['--import', 'tsx', 'lists.ts'], { cwd: house, encoding: 'utf8' });
      expect(run.stderr, run.stderr).to.equal('');
      expect(JSON.parse(run.stdout)).to.deep.equal({
        routes: true,
        head: 'Attic',
        owner: true,
        bather: false,
        help: true,
        tests: true,
      });
      return changed;
    };
    expect(whileChanged({ 'web/pages.ts': withRow })).to.deep.equal([]);
  });
});
