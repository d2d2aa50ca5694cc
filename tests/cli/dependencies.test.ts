/** docs/dependencies.md names every package, and no other. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';

describe('docs/dependencies.md', () => {
  it('names every package that is depended on, and no other', () => {
    const {
      dependencies,
      devDependencies,
    }: Record<string, Record<string, string>> = JSON.parse(readFileSync('package.json', 'utf8'));
    const named = [...readFileSync('docs/dependencies.md', 'utf8').matchAll(/^\| (\S+) \| .+ \|$/gm)]
      .map(([, name]) => name ?? '')
      .filter((n) => n !== 'package');
    const wanted = [...Object.keys(dependencies ?? {}), ...Object.keys(devDependencies ?? {})].filter(
      (n) => !n.startsWith('@types/'),
    );
    expect(named.sort()).to.deep.equal(wanted.sort());
  });
});
