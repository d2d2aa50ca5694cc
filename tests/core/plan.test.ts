import { expect } from 'chai';
import { openMethod, planVisit, priceCents, type MethodPlan, type Plan } from '../../core/bench/index.ts';
import type { CoatClass, Dog, ZoneId } from '../../core/dog/index.ts';
import type { ZoneFindings } from '../../core/check/index.ts';
import { DEFAULT_HOUSE, type HouseRules, type Tool } from '../../core/kit/index.ts';
import { checkOf, dogOf, HAND_KIT, kitOf } from './examples.ts';

const LOOSE: ZoneFindings = { finger: 2, tug: 2, comb: 'drags', tie: 'none', skin: 'clear' };
const PACKED: ZoneFindings = { finger: 3, tug: 2, comb: 'stops', tie: 'none', skin: 'clear' };
const PLATE: ZoneFindings = { finger: 4, tug: 3, comb: 'stops', tie: 'none', skin: 'clear' };
const KEPT: ZoneFindings = { finger: 1, tug: 1, comb: 'glides', tie: 'none', skin: 'clear' };

interface More {
  readonly dog?: Partial<Dog>;
  readonly zones?: Partial<Record<ZoneId, ZoneFindings>>;
  readonly kit?: readonly Tool[];
  readonly house?: Partial<HouseRules>;
}

const planFor = (coat: CoatClass, kg: number, mm: number, all: ZoneFindings, more: More = {}): Plan =>
  planVisit({
    dog: dogOf(coat, kg, more.dog),
    check: checkOf(kg, mm, all, more.zones),
    kit: more.kit ?? HAND_KIT,
    house: { ...DEFAULT_HOUSE, ...more.house },
  });

function mustOpen(plan: Plan, id: string): MethodPlan {
  const found = openMethod(plan, id);
  if (!found) throw new Error(`${id} is not open`);
  return found;
}

describe('the recommendation', () => {
  it('is wet first for a packed heavy double and the smooth school for a smooth double', () => {
    expect(planFor('heavy-double', 50, 80, PLATE).recommended?.method).to.equal('wet-first');
    expect(planFor('smooth-double', 30, 26, LOOSE).recommended?.method).to.equal('smooth');
  });

  it('says what it beats and by how much, and what speaks against each other open method', () => {
    const plan = planFor('heavy-double', 50, 80, PLATE);
    expect(plan.recommended?.because).to.not.have.length(0);
    for (const m of plan.methods) {
      if (m.kind === 'open' && m.method !== plan.recommended?.method) expect(m.against, m.method).to.not.have.length(0);
    }
  });

  it('tries at least three methods on every coat and says why each other one is ruled out', () => {
    const plan = planFor('fleece', 10, 50, KEPT);
    expect(plan.methods.length).to.be.at.least(3);
    expect(plan.methods.find((m) => m.method === 'dry-first')).to.deep.include({
      kind: 'ruled-out',
      why: { code: 'not-for-class' },
    });
  });

  it('follows the house: with dust weighed alone, the least dusty method wins', () => {
    const weights = { hairOut: 0, minutes: 0, skin: 0, comfort: 0, dust: 1 };
    const plan = planFor('medium-double', 25, 50, PACKED, { house: { weights } });
    const open = plan.methods.flatMap((m) => (m.kind === 'open' ? [m] : []));
    const least = Math.min(...open.map((m) => m.dustG));
    expect(mustOpen(plan, plan.recommended?.method ?? '').dustG).to.equal(least);
  });

  it('bathes nobody whom nothing dries, and names what is missing', () => {
    const plan = planFor('medium-double', 25, 50, LOOSE, { kit: kitOf(['rake', 'firm-slicker', 'comb', 'hand-bath']) });
    const why = plan.methods.flatMap((m) => (m.kind === 'ruled-out' ? [`${m.method} ${m.why.code}`] : []));
    expect(why).to.include('dry-first needs-dryer');
    expect(why).to.include('wet-first needs-force-dryer');
  });
});

describe('stops, ties and limits', () => {
  it('leave a hot spot out of every step, water and air included', () => {
    const plan = planFor('long-double', 29, 65, LOOSE, { zones: { 'hip.left': { ...LOOSE, skin: 'hot-spot' } } });
    expect(plan.stops.zones).to.deep.equal([{ zone: 'hip.left', finding: 'hot-spot' }]);
    for (const m of plan.methods) {
      if (m.kind === 'open') for (const s of m.steps) expect(s.zones.map((z) => z.zone)).to.not.include('hip.left');
    }
  });

  it('open no method when the whole dog stops', () => {
    const check = { ...checkOf(30, 50, LOOSE), inspection: { stance: 'trouble' as const } };
    const plan = planVisit({ dog: dogOf('medium-double', 30), check, kit: HAND_KIT, house: DEFAULT_HOUSE });
    expect(plan.stops.dog).to.deep.equal([{ code: 'inspection', item: 'stance' }]);
    expect(plan.methods).to.have.length(0);
    expect(plan.recommended).to.equal(undefined);
  });

  it('work ties before any water', () => {
    const plan = planFor('long-double', 28, 90, LOOSE, { zones: { 'armpit.left': { ...LOOSE, tie: 'mat' } } });
    expect(mustOpen(plan, 'wet-first').steps[0]?.phase).to.equal('ties');
  });

  it('bathe nobody over a pelt that no tool may settle: it is left, and the rest is worked dry', () => {
    const zones: More['zones'] = { 'armpit.left': { ...LOOSE, tie: 'pelt' } };
    const show = planFor('long-double', 28, 90, LOOSE, { zones, dog: { traits: ['show-coat'] } });
    const best = mustOpen(show, show.recommended?.method ?? '');
    expect(best.left).to.deep.equal([{ zone: 'armpit.left', why: 'tie', leftTo: 'breeder' }]);
    expect(best.steps.some((s) => s.phase === 'bath')).to.equal(false);
    expect(show.methods.flatMap((m) => (m.kind === 'ruled-out' ? [m.why.code] : []))).to.include('ties-unsettled');
  });

  it('settle a mat in the way of the house', () => {
    const zones: More['zones'] = { 'breeches.left': { ...LOOSE, tie: 'mat' } };
    const tieTool = (mats: HouseRules['mats']): string | undefined =>
      mustOpen(planFor('long-double', 28, 90, LOOSE, { zones, house: { mats } }), 'dry-first').steps[0]?.tool.kind;
    expect([tieTool('brush-out'), tieTool('split'), tieTool('clip')]).to.deep.equal([
      'comb',
      'mat-splitter',
      'clipper',
    ]);
  });

  it('keep blade minutes under the house rule, and out of a house that uses none', () => {
    const blade = (more: More): number =>
      mustOpen(planFor('smooth-double', 40, 26, LOOSE, more), 'smooth')
        .steps.filter((s) => s.tool.kind === 'blade-comb')
        .reduce((t, s) => t + s.minutes, 0);
    expect(blade({ house: { bladeMinutes: 2 } })).to.be.within(1, 2);
    expect(blade({ house: { bladeMinutes: 0 } })).to.equal(0);
    expect(blade({ house: { blade: 'never' } })).to.equal(0);
  });

  it('put the usual caution beside each step that can hurt', () => {
    const m = mustOpen(planFor('medium-double', 25, 50, PACKED), 'dry-first');
    const harmless = new Set(['towel', 'bristle', 'mister']);
    for (const s of m.steps) if (!harmless.has(s.tool.kind)) expect(s.cautions, s.id).to.not.have.length(0);
  });

  it('say when one visit is more than the dog bears, and when zones were not felt', () => {
    const plan = planVisit({
      dog: dogOf('heavy-double', 55, { traits: ['sore-joints'] }),
      check: { ...checkOf(55, 80, PLATE), zones: { back: PLATE } },
      kit: HAND_KIT,
      house: DEFAULT_HOUSE,
    });
    expect(plan.notes.map((n) => n.code)).to.include.members(['over-visits', 'zones-assumed']);
  });

  it('rather leave out a bath that the house finds too soon, and say so', () => {
    const at = (daysSinceBath: number | undefined, bath: HouseRules['bath']): Plan =>
      planVisit({
        dog: dogOf('long-double', 24),
        check: checkOf(24, 70, KEPT),
        kit: HAND_KIT,
        house: { ...DEFAULT_HOUSE, bath },
        daysSinceBath,
      });
    const bathes = (plan: Plan): boolean =>
      mustOpen(plan, plan.recommended?.method ?? '').steps.some((s) => s.phase === 'bath');
    expect([bathes(at(4, 'weekly')), bathes(at(4, 'each-visit')), bathes(at(9, 'weekly'))]).to.deep.equal([
      false,
      true,
      true,
    ]);
    expect(at(4, 'weekly').notes.map((n) => n.code)).to.include('bathed-lately');
    expect(at(undefined, 'monthly').notes.map((n) => n.code)).to.not.include('bathed-lately');
  });

  it('dry longer in damp air', () => {
    const minutes = (humidityPct: number): number => {
      const check = { ...checkOf(50, 80, PLATE), air: { humidityPct } };
      const plan = planVisit({ dog: dogOf('heavy-double', 50), check, kit: HAND_KIT, house: DEFAULT_HOUSE });
      return mustOpen(plan, 'wet-first')
        .steps.filter((s) => s.phase === 'drying')
        .reduce((t, s) => t + s.minutes, 0);
    };
    expect(minutes(90)).to.be.greaterThan(minutes(40));
  });

  it('follow the house in the order of rake and slicker, and in how deep the slicker goes', () => {
    const dry = (house: Partial<HouseRules>): MethodPlan =>
      mustOpen(planFor('medium-double', 25, 50, PACKED, { house }), 'dry-first');
    const hands = (m: MethodPlan): readonly string[] => [
      ...new Set(m.steps.map((s) => s.phase).filter((p) => p === 'dry-rake' || p === 'dry-slicker')),
    ];
    expect(hands(dry({}))).to.deep.equal(['dry-rake', 'dry-slicker']);
    expect(hands(dry({ slickerOrder: 'slicker-first' }))).to.deep.equal(['dry-slicker', 'dry-rake']);
    const slickered = (m: MethodPlan): number =>
      m.steps.filter((s) => s.phase === 'dry-slicker').reduce((t, s) => t + s.gramsOut, 0);
    expect(slickered(dry({ slickerDepth: 'lift-only' }))).to.be.lessThan(slickered(dry({})));
    expect(slickered(dry({ stroke: 'against' }))).to.be.greaterThan(slickered(dry({ stroke: 'with' })));
  });

  it('choose each tool with a measure and what it beat', () => {
    const m = mustOpen(planFor('heavy-double', 50, 80, PLATE), 'dry-first');
    const slicker = m.steps.find((s) => s.phase === 'dry-slicker');
    expect(slicker?.chosen.beat?.fit).to.be.at.most(slicker?.chosen.fit ?? 0);
  });
});

describe('price', () => {
  const rates = { currency: 'EUR', perHourCents: 4800, minimumCents: 3200, roundToCents: 100 };
  it('goes by the minute, from the minimum, rounded up', () => {
    expect(priceCents(10, rates)).to.equal(3200);
    expect(priceCents(60, rates)).to.equal(4800);
    expect(priceCents(61, rates)).to.equal(4900);
    expect(priceCents(75, { ...rates, roundToCents: 500 })).to.equal(6000);
  });
});
