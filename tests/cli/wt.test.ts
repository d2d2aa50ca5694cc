/** The command line on the shipped example cases, as a groomer would read its plans, and on bad input. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { openMethod, type MethodPlan, type Plan } from '../../core/bench/index.ts';
import { zone } from '../../core/dog/index.ts';

/** As people call it. */
const npmWt = (...args: string[]) => spawnSync('npm', ['run', '--silent', 'wt', '--', ...args], { encoding: 'utf8' });
/** The same program without npm's own start-up. */
const wt = (...args: string[]) => spawnSync(process.execPath, ['scripts/run.cjs', 'wt', ...args], { encoding: 'utf8' });

function planOf(file: string): Plan {
  const { status, stdout, stderr } = npmWt('plan', file);
  expect(stderr.replace(/^npm warn.*\n/gm, '')).to.equal('');
  expect(status).to.equal(0);
  const { format, version, plan } = JSON.parse(stdout);
  expect({ format, version }).to.deep.equal({ format: 'woolly-tide/plan', version: 1 });
  return plan;
}

function recommended(plan: Plan): MethodPlan {
  const found = plan.recommended && openMethod(plan, plan.recommended.method);
  if (!found) throw new Error('nothing is recommended');
  return found;
}

const phases = (m: MethodPlan): readonly string[] => [...new Set(m.steps.map((s) => s.phase))];

describe('wt plan on the shipped cases', () => {
  it('a packed heavy double: water and soap open it, air takes it out, the comb proves it', () => {
    const plan = planOf('examples/packed-heavy-double.json');
    const best = recommended(plan);
    expect(best.method).to.equal('wet-first');
    expect(phases(best)).to.deep.equal(['bath', 'soapy-work', 'rewash', 'towel', 'drying', 'comb']);
    expect(plan.conditions.filter((c) => c.kind === 'packed').length).to.be.greaterThan(8);
    expect(plan.notes.map((n) => n.code)).to.include('over-visits');
    expect(best.steps.find((s) => s.phase === 'soapy-work')?.cautions).to.include('warn-slicker');
    expect(best.minutes).to.be.within(120, 200);
    expect(plan.methods.filter((m) => m.kind === 'open').length).to.be.at.least(3);
  });

  it('a smooth double: rubber dry and in the lather, then a short fine pass on the dry torso', () => {
    const plan = planOf('examples/smooth-double.json');
    const best = recommended(plan);
    expect(best.method).to.equal('smooth');
    expect(best.steps[0]).to.deep.include({ phase: 'dry-rubber', wetness: 'dry' });
    const blade = best.steps.filter((s) => s.tool.kind === 'blade-comb');
    expect(blade).to.have.length(1);
    for (const s of blade) {
      expect(s.minutes).to.be.at.most(5);
      expect(s.wetness).to.equal('dry');
      for (const z of s.zones) expect(zone(z.zone).region).to.be.oneOf(['shoulder', 'back', 'ribs', 'hip']);
    }
    expect(best.shareLeft).to.be.below(0.2);
    expect(best.minutes).to.be.within(40, 90);
  });

  it('a hot spot: no step of any method touches it, a vet should look, and the knot comes before the water', () => {
    const plan = planOf('examples/hot-spot.json');
    expect(plan.stops.zones).to.deep.equal([{ zone: 'hip.left', finding: 'hot-spot' }]);
    let steps = 0;
    for (const m of plan.methods) {
      if (m.kind !== 'open') continue;
      for (const s of m.steps) {
        steps++;
        expect(s.zones.map((z) => z.zone)).to.not.include('hip.left');
      }
    }
    expect(steps).to.be.greaterThan(15);
    const best = recommended(plan);
    expect(best.steps[0]).to.deep.include({ phase: 'ties' });
    expect(best.steps[0]?.zones.map((z) => z.zone)).to.deep.equal(['ears.right']);
    expect(best.steps[0]?.cautions).to.include('warn-comb-ties');
  });

  it('prints the same to the same case', () => {
    expect(wt('plan', 'examples/hot-spot.json').stdout).to.equal(wt('plan', 'examples/hot-spot.json').stdout);
  });
});

describe('wt on bad input', () => {
  const dir = mkdtempSync(join(tmpdir(), 'woolly-tide-case-'));
  const good = JSON.parse(readFileSync('examples/smooth-double.json', 'utf8'));
  const caseFile = (text: string): string => {
    const file = join(dir, 'case.json');
    writeFileSync(file, text);
    return file;
  };
  const refusals: readonly (readonly [string, () => readonly string[], RegExp])[] = [
    ['no command', () => [], /^Usage: /],
    ['an unknown command', () => ['groom', 'x.json'], /^Usage: /],
    ['a second case', () => ['plan', 'a.json', 'b.json'], /^Usage: /],
    ['a file that is not there', () => ['plan', join(dir, 'none.json')], /Cannot read .*none\.json/],
    ['broken JSON', () => ['plan', caseFile('{"format": ')], /is not JSON/],
    ['a list', () => ['plan', caseFile('[]')], /case must be of type object/],
    ['another version', () => ['plan', caseFile(JSON.stringify({ ...good, version: 2 }))], /version must be \[1\]/],
    ['no kit', () => ['plan', caseFile(JSON.stringify({ ...good, kit: undefined }))], /kit is required: please add it/],
    [
      'a day that does not exist',
      () => ['plan', caseFile(JSON.stringify({ ...good, day: '2031-02-29' }))],
      /day must be a date that exists.*2031-02-29/,
    ],
    [
      'two tools of one id',
      () => ['plan', caseFile(JSON.stringify({ ...good, kit: [good.kit[0], good.kit[0]] }))],
      /kit\[1\] contains a duplicate value/,
    ],
    [
      'a key nobody knows',
      () => ['plan', caseFile(JSON.stringify({ ...good, tail: 'long' }))],
      /tail is not allowed: please leave it out/,
    ],
  ];
  for (const [what, args, says] of refusals) {
    it(`${what}: exit 2 and one sentence`, () => {
      const { status, stdout, stderr } = wt(...args());
      expect(status).to.equal(2);
      expect(stdout).to.equal('');
      const said = stderr.trim();
      expect(said).to.match(says);
      expect(said.split('\n')).to.have.length(1);
    });
  }
});
