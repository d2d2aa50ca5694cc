import { expect } from 'chai';
import {
  cautionsFor,
  DEFAULT_QUARRELS,
  dogStopRule,
  fitTool,
  forbiddenBy,
  RAKES,
  rankTools,
  reachOf,
  reasonsOf,
  RULES,
  SEVERITIES,
  TOOLS,
  type Fit,
  type RuleContext,
  type ToolKind,
  type ToolMeasures,
} from '../../core/kit/index.ts';
import { INSPECTION } from '../../core/check/index.ts';
import { kitOf } from './examples.ts';

describe('rules', () => {
  const base: RuleContext & { readonly tool: ToolKind } = {
    tool: 'blade-comb',
    region: 'back',
    wetness: 'dry',
    coatClass: 'smooth-double',
    condition: 'loose',
    tie: 'none',
    skin: 'clear',
    traits: [],
    guardMm: 25,
    grade: 2,
    house: DEFAULT_QUARRELS,
  };
  const cases: readonly [string, Partial<typeof base>, string | undefined][] = [
    ['a blade on a dry smooth back', {}, undefined],
    ['damp', { wetness: 'damp' }, 'blade-dry-only'],
    ['tail', { region: 'tail' }, 'blade-torso-only'],
    ['show coat', { traits: ['show-coat'] }, 'blade-not-show'],
    ['pink skin', { skin: 'pink' }, 'blade-sound-skin'],
    ['41 mm hair', { guardMm: 41 }, 'blade-not-long'],
    ['40 mm hair', { guardMm: 40 }, undefined],
    ['a house without blades', { house: { ...DEFAULT_QUARRELS, blade: 'never' } }, 'house-no-blade'],
    ['smooth doubles only, medium coat', { coatClass: 'medium-double' }, 'house-blade-smooth'],
    ['a stopped zone', { condition: 'stop', skin: 'wound' }, 'stop-wound'],
    ['rake on the face', { tool: 'rake', region: 'face' }, 'face-comb-only'],
    ['rake in soap', { tool: 'rake', wetness: 'soapy' }, 'rake-not-sopping'],
    ['bath over a tie', { tool: 'hand-bath', wetness: 'soapy', condition: 'matted', tie: 'mat' }, 'no-bath-tied'],
    ['dryer at the ears', { tool: 'force-dryer', region: 'ears' }, 'dryer-not-head'],
    [
      'dryer at the ruff of a head-shy dog',
      { tool: 'force-dryer', region: 'ruff', traits: ['head-shy'] },
      'dryer-head-shy',
    ],
    ['comb on a show coat', { tool: 'comb', traits: ['show-coat'] }, undefined],
    ['clipper on a knot', { tool: 'clipper', condition: 'knotted', tie: 'knot' }, 'clip-pelts-only'],
  ];
  for (const [what, change, id] of cases) {
    it(`${what}: ${id ?? 'allowed'}`, () =>
      expect(forbiddenBy({ kind: change.tool ?? base.tool }, { ...base, ...change })?.id).to.equal(id));
  }
  it('look at the piece itself, the air of the day and the last bath', () => {
    const dryer = { kind: 'force-dryer' as const, dbA: 92, heat: 'hot' as const };
    const here = { ...base, condition: 'packed' as const, wetness: 'wet' as const, airC: 30 };
    expect(cautionsFor(dryer, here).map((r) => r.id)).to.include.members(['warn-hot-day', 'warn-loud']);
    expect(cautionsFor({ ...dryer, dbA: 84 }, { ...here, airC: 20 }).map((r) => r.id)).to.not.include.members([
      'warn-hot-day',
      'warn-loud',
    ]);
    expect(forbiddenBy(dryer, { ...here, traits: ['senior'] })?.id).to.equal('no-hot-air');
    expect(forbiddenBy({ kind: 'bristle', wetSafe: false }, { ...here, wetness: 'damp' })?.id).to.equal('not-wet-safe');
    const weekly = { ...here, wetness: 'soapy' as const, house: { ...DEFAULT_QUARRELS, bath: 'weekly' as const } };
    const bath = (daysSinceBath: number): readonly string[] =>
      cautionsFor({ kind: 'hand-bath' }, { ...weekly, daysSinceBath }).map((r) => r.id);
    expect(bath(6)).to.include('warn-bath-again');
    expect(bath(7)).to.not.include('warn-bath-again');
  });
  it('are at least 60, of every severity, each whole-dog stop with a row', () => {
    expect(RULES.length).to.be.at.least(60);
    expect(new Set(RULES.map((r) => r.severity))).to.have.all.keys(...SEVERITIES);
    for (const { item, onTrouble } of INSPECTION) {
      if (onTrouble === 'stop-dog') expect(dogStopRule({ code: 'inspection', item }).severity).to.equal('stop');
    }
  });
  it('have unique ids, a reason each, and name only what exists', () => {
    expect(new Set(RULES.map((r) => r.id)).size).to.equal(RULES.length);
    for (const r of RULES) expect(r.reason.length, r.id).to.be.greaterThan(3);
  });
});

describe('fit', () => {
  const context = {
    region: 'ruff' as const,
    wetness: 'dry' as const,
    coatClass: 'heavy-double' as const,
    condition: 'packed' as const,
    tie: 'none' as const,
    skin: 'clear' as const,
    traits: [],
    guardMm: 100,
    grade: 3 as const,
    house: DEFAULT_QUARRELS,
  };
  it('falls when pins are too short to touch the bottom', () => {
    expect(reachOf({ kind: 'rake', pinMm: 12 }, 90)).to.be.lessThan(reachOf({ kind: 'rake', pinMm: 25 }, 90));
  });
  it('names the rule that rules a piece out, or the state in which it does nothing', () => {
    expect(fitTool({ id: 'b', kind: 'blade-comb', name: 'b' }, context).kind).to.equal('forbidden');
    expect(fitTool({ id: 'b', kind: 'bather', name: 'b' }, context)).to.deep.include({
      kind: 'useless',
      wetness: 'dry',
    });
  });
  it('lies within 0 and 1 for every kind', () => {
    for (const { kind } of TOOLS) {
      const f = fitTool({ id: 'x', kind, name: 'x' }, context);
      if (f.kind === 'fits') expect(f.fit).to.be.within(0, 1);
    }
  });
  it('moves with the measures of the piece: gap, tip, width, flexing head', () => {
    const of = (kind: ToolKind, more: ToolMeasures = {}, on: Partial<RuleContext> = {}): Fit => {
      const f = fitTool({ id: 'x', kind, name: 'x', ...more }, { ...context, ...on });
      if (f.kind !== 'fits') throw new Error(f.kind);
      return f;
    };
    expect(of('rake', { spacingMm: 2 }).parts.spacing.score).to.be.lessThan(of('rake').parts.spacing.score);
    expect(of('rake', { tip: 'pointed' }).parts.skin.score).to.be.lessThan(
      of('rake', { tip: 'rounded' }).parts.skin.score,
    );
    expect(of('firm-slicker', { flexing: true }).fit).to.be.greaterThan(of('firm-slicker').fit);
    expect(of('comb', { widthMm: 80 }).parts.speed.value).to.be.lessThan(of('comb').parts.speed.value);
    expect(of('rotating-rake').parts.topcoat.score).to.be.greaterThan(of('rake').parts.topcoat.score);
  });
  it('says in what the best leads each other piece, and what a stand-in gives up', () => {
    const ranking = rankTools(kitOf(['rake', 'rotating-rake', 'comb', 'blade-comb']), RAKES, context);
    const { chosen, beaten } = reasonsOf(ranking);
    expect(chosen?.because.winner.score).to.be.greaterThan(chosen?.because.loser?.score ?? 1);
    for (const b of beaten) expect(b.by.winner.score, b.fit.tool.id).to.be.at.least(b.by.loser.score);
    const alone = reasonsOf(rankTools(kitOf(['comb']), RAKES, context)).chosen;
    expect(alone?.fit.standsIn?.yield).to.be.greaterThan(alone?.fit.parts.yield.value ?? 1);
    expect(reasonsOf(rankTools(kitOf(['comb']), RAKES, { ...context, region: 'belly' })).chosen).to.equal(undefined);
  });
});
