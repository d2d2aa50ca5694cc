/** Styles: tokens only, a module beside each part and room, and no room that styles another. */
import { readdirSync, readFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { expect } from 'chai';
import postcss, { type Declaration, type Root } from 'postcss';

const filesOf = (end: RegExp): readonly string[] =>
  readdirSync('web', { recursive: true, encoding: 'utf8' })
    .filter((f) => end.test(f))
    .map((f) => join('web', f));

const styles: ReadonlyMap<string, Root> = new Map(
  filesOf(/\.css$/).map((f) => [f, postcss.parse(readFileSync(f, 'utf8'))]),
);
const modules = [...styles].filter(([f]) => f.endsWith('.module.css'));
const TOKENS = 'web/ui/tokens.css';

/** Declarations outside the file of tokens, each with where it stands. */
function declared(of: RegExp, wrong: (value: string) => boolean): readonly string[] {
  const found: string[] = [];
  for (const [file, root] of styles)
    if (file !== TOKENS)
      root.walkDecls((d: Declaration) => {
        if (of.test(d.prop) && wrong(d.value)) found.push(`${file}: ${d.prop}: ${d.value}`);
      });
  return found;
}

const camel = (name: string): string => name.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());

/** Classes that a module gives names to. */
function classesIn(root: Root): ReadonlySet<string> {
  const names = new Set<string>();
  root.walkRules(({ selector }) => {
    for (const [, name = ''] of selector
      .replace(/:global\((?:[^()]|\([^()]*\))*\)/g, '')
      .matchAll(/\.([a-zA-Z][\w-]*)/g))
      names.add(camel(name));
  });
  return names;
}

const sources = filesOf(/\.tsx?$/).map((f) => ({ f, text: readFileSync(f, 'utf8') }));
const IMPORT = /import (\w+) from '(\.[^']*\.module\.css)';/g;

/** What a room may import of others: parts, drawings, the head of the house, and the table's common things. */
const SHARED = ['web/ui', 'web/drawing', 'web/app', 'web/table', 'web/home/paper'];

describe('styles', () => {
  it('take letters, radii, colours and gaps from the tokens', () => {
    const unlike = (ok: RegExp) => (value: string) => !ok.test(value);
    // A letter's own unit scales with what stands around it; the root's is the reader's choice.
    expect(declared(/^font-size$/, unlike(/^var\(--wt-(text|choice)-|^inherit$|^[\d.]+em$|^\d+%$/))).to.deep.equal([]);
    expect(declared(/^font$/, unlike(/var\(--wt-text-|^inherit$/))).to.deep.equal([]);
    const round = /^(0|50%.*|(var\(--wt-round-[a-z]+\)|0)( (var\(--wt-round-[a-z]+\)|0))*)$/;
    expect(declared(/^border(-\w+)*-radius$/, unlike(round))).to.deep.equal([]);
    // Paper is white and its ink black, whatever the hour.
    const colour = /#[0-9a-f]{3,8}\b|rgba?\(/i;
    expect(declared(/^(?!--bs-)/, (v) => colour.test(v.replace(/#000\b|url\([^)]*\)/g, '')))).to.deep.equal([]);
    expect(
      declared(/^((margin|padding)(-\w+)*|(row-|column-)?gap)$/, (v) =>
        /(?<![\w.(])[0-2](\.\d+)?rem\b/.test(v.replace(/(var|calc)\([^)]*\)/g, '')),
      ),
    ).to.deep.equal([]);
    const tokens = readFileSync(TOKENS, 'utf8');
    expect(new Set(tokens.match(/--wt-text-\w+/g)).size, 'sizes of letters').to.equal(7);
    expect(new Set(tokens.match(/--wt-round-\w+/g)).size, 'radii').to.equal(4);
  });

  it('know three widths of screens', () => {
    const widths = new Set<string>();
    for (const [, root] of styles)
      root.walkAtRules('media', ({ params }) => {
        for (const [, px = ''] of params.matchAll(/width: (\d+)px/g)) widths.add(px);
      });
    expect([...widths].sort()).to.deep.equal(['1150', '1151', '480', '760', '761']);
  });

  it('are modules beside what they style; little holds everywhere, and there is not more of it than there was', () => {
    const lines = (files: readonly string[]): number =>
      files.reduce((n, f) => n + readFileSync(f, 'utf8').split('\n').length - 1, 0);
    expect(lines(['web/ui/house.css', 'web/owner/base.css']), 'global').to.be.below(400);
    // This number only goes down.
    expect(lines(filesOf(/\.(css|scss)$/)), 'in all').to.be.at.most(4_880);
    expect(new Set(modules.map(([f]) => basename(f))).size, 'each has a name of its own').to.equal(modules.length);
  });

  it('have no class that nothing wears, and no name that is not there', () => {
    const faults: string[] = [];
    const worn = new Map<string, string>();
    for (const { f, text } of sources)
      for (const [, name = '', path = ''] of text.matchAll(IMPORT)) {
        const file = join(dirname(f), path);
        const has = classesIn(styles.get(file) ?? postcss.root());
        worn.set(file, (worn.get(file) ?? '') + text);
        for (const [, asked = ''] of text.matchAll(new RegExp(`\\b${name}\\.(?!module\\b)(\\w+)`, 'g')))
          if (!has.has(asked)) faults.push(`${f} asks for ${asked}, which ${path} has not`);
        const [home, own] = [dirname(file), dirname(f)];
        if (home !== own && !SHARED.includes(home)) faults.push(`${f} wears the styles of ${home}`);
      }
    for (const [file, root] of modules)
      for (const name of classesIn(root))
        // Names that end in a number, and those of a dog's features, are put together.
        if (
          !new RegExp(`\\.${name}\\b`).test(worn.get(file) ?? '') &&
          !/\d$|^(nose|eye|glint|brow|main|usual|plain|chosen|caution|stop|good|pill|line)$/.test(name)
        )
          faults.push(`${file}: nobody wears ${name}`);
    expect(faults).to.deep.equal([]);
  });
});
