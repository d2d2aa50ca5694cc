/** No module needs itself by way of others, not even for its types: what two need lies beneath both. */
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { expect } from 'chai';

const IMPORTED = /^(?:import|export)\b[^;]*?from '(\.[^']+)'/gm;

/** Modules of a storey with the modules they import by name; what is fetched when it is wanted does not count. */
function modulesOf(storeys: readonly string[]): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, readonly string[]>();
  for (const storey of storeys)
    for (const file of readdirSync(storey, { recursive: true, encoding: 'utf8' })) {
      if (!/\.tsx?$/.test(file)) continue;
      const path = join(storey, file);
      const text = readFileSync(path, 'utf8');
      found.set(
        path,
        [...text.matchAll(IMPORTED)].map(([, to = '']) => join(dirname(path), to)),
      );
    }
  return found;
}

/** Circles, each by the modules on it: the strongly connected components of more than one (Tarjan 1972). */
function circlesIn(modules: ReadonlyMap<string, readonly string[]>): readonly (readonly string[])[] {
  const circles: string[][] = [];
  const stack: string[] = [];
  const at = new Map<string, { readonly index: number; low: number; open: boolean }>();
  const visit = (name: string): { low: number } => {
    const own = { index: at.size, low: at.size, open: true };
    at.set(name, own);
    stack.push(name);
    for (const to of modules.get(name) ?? []) {
      if (!modules.has(to)) continue;
      const there = at.get(to);
      if (!there) own.low = Math.min(own.low, visit(to).low);
      else if (there.open) own.low = Math.min(own.low, there.index);
    }
    if (own.low === own.index) {
      const part = stack.splice(stack.indexOf(name));
      for (const member of part) {
        const there = at.get(member);
        if (there) there.open = false;
      }
      if (part.length > 1) circles.push(part);
    }
    return own;
  };
  for (const name of modules.keys()) if (!at.has(name)) visit(name);
  return circles;
}

describe('modules', () => {
  it('need each other in no circle', () => {
    const modules = modulesOf(['core', 'contract', 'server', 'web', 'demo', 'cli']);
    expect(modules.size).to.be.above(400);
    expect(circlesIn(modules)).to.deep.equal([]);
  });

  it('that stand in a circle are found', () => {
    const ring = new Map([
      ['a', ['b', 'd']],
      ['b', ['c']],
      ['c', ['a']],
      ['d', []],
    ]);
    expect(circlesIn(ring)).to.deep.equal([['a', 'b', 'c']]);
  });
});
