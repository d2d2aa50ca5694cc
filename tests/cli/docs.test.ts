/** docs/operating.md says only what a test shows: each test it names is there, and no section that promises is without one. */
import { existsSync, readFileSync } from 'node:fs';
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
