/**
 * The calibration table: every check value of common practice from one set of figures, and the ways in which the
 * schools differ for the reasons that those who follow and those who dislike them give.
 */
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { expect } from 'chai';
import {
  coatIn,
  jobOf,
  openMethod,
  PHASE_IDS,
  PHASES,
  planVisit,
  workScript,
  type MethodPlan,
  type PhaseId,
  type PlanRequest,
  type Script,
} from '../../core/bench/index.ts';
import type { ZoneFindings } from '../../core/check/index.ts';
import { COAT_CLASSES, coatRow, ZONES, type CoatClass, type Dog, type ZoneId } from '../../core/dog/index.ts';
import { DEFAULT_HOUSE, SLICKERS, type HouseRules, type Tool } from '../../core/kit/index.ts';
import { addDays, day, sum } from '../../core/quantity/index.ts';
import { dogModel, pulseShare, ratesOf, rhythm } from '../../core/tide/index.ts';
import { checkOf, dogOf, FULL_KIT, HAND_KIT, kitOf } from '../core/examples.ts';
import { dossierRows } from '../dossier.ts';

const felt = (finger: 0 | 1 | 2 | 3 | 4, tug: 0 | 1 | 2 | 3, comb: 'glides' | 'drags' | 'stops'): ZoneFindings => ({
  finger,
  tug,
  comb,
  tie: 'none',
  skin: 'clear',
});
const LOOSE = felt(2, 2, 'drags');
const PACKED = felt(3, 2, 'stops');
const PLATE = felt(4, 3, 'stops');
const KEPT = felt(1, 1, 'glides');
const TIES: Partial<Record<ZoneId, ZoneFindings>> = {
  'ears.left': { ...PACKED, tie: 'knot' },
  'armpit.left': { ...PACKED, tie: 'mat' },
  'breeches.left': { ...PACKED, tie: 'mat' },
};

interface More {
  readonly dog?: Partial<Dog>;
  readonly zones?: Partial<Record<ZoneId, ZoneFindings>>;
  readonly kit?: readonly Tool[];
  readonly house?: Partial<HouseRules>;
}
const requestFor = (coat: CoatClass, kg: number, mm: number, all: ZoneFindings, more: More = {}): PlanRequest => ({
  dog: dogOf(coat, kg, more.dog),
  check: checkOf(kg, mm, all, more.zones),
  kit: more.kit ?? HAND_KIT,
  house: { ...DEFAULT_HOUSE, ...more.house },
});
function by(method: string, ...of: Parameters<typeof requestFor>): MethodPlan {
  const found = openMethod(planVisit(requestFor(...of)), method);
  if (!found) throw new Error(`${method} is not open`);
  return found;
}

describe('check values of common practice', () => {
  it('dry first on a short dense double takes about 90 % out', () => {
    expect(1 - by('dry-first', 'smooth-double', 30, 28, LOOSE).shareLeft).to.be.within(0.85, 0.95);
  });

  it('every stage of dry first still yields, and what is left falls strictly', () => {
    for (const [coat, mm] of [
      ['smooth-double', 28],
      ['medium-double', 50],
      ['long-double', 90],
    ] as const) {
      const m = by('dry-first', coat, 25, mm, PACKED);
      const stages = ['dry-rake', 'dry-slicker', 'bath', 'drying', 'comb'].map((phase) =>
        sum(m.steps.filter((s) => s.phase === phase).map((s) => s.gramsOut)),
      );
      for (const [i, grams] of stages.entries()) expect(grams, `${coat}, stage ${i}`).to.be.greaterThan(0.1);
    }
  });

  it('wet, soapy slickering of a packed coat takes about half out', () => {
    const { steps } = by('wet-first', 'medium-double', 25, 50, PACKED);
    const last = steps.findLastIndex((s) => s.phase === 'soapy-work');
    expect(steps[last]?.shareLeft).to.be.within(0.4, 0.6);
    // And alone, on a wet and soapy coat, without the bath before it: what it takes of what it finds.
    const first = steps.findIndex((s) => s.phase === 'soapy-work');
    const found = steps[first - 1]?.shareLeft ?? 1;
    expect((found - (steps[last]?.shareLeft ?? 0)) / found).to.be.within(0.35, 0.6);
  });

  it('blade comb, de-shed wash and conditioner on a smooth double take up to about 80 % out where a blade may go', () => {
    const request = requestFor('smooth-double', 30, 26, LOOSE, { kit: FULL_KIT, house: { bladeMinutes: 20 } });
    const torso = ZONES.filter((z) => ['shoulder', 'back', 'ribs', 'hip'].includes(z.region)).map((z) => z.id);
    const step = (phase: Script[number]['phase'], toolId: string, minutes: number): Script[number] => ({
      id: phase,
      phase,
      toolId,
      zones: torso.map((zone) => ({ zone, minutes })),
    });
    const script = [
      step('edge', 'blade-comb', 1.2),
      step('bath', 'hand-bath', 1),
      step('condition', 'always-conditioner', 0.3),
    ];
    const { coat } = workScript(script, coatIn(request), jobOf(request), { waterAsNeeded: true });
    const own = coat.zones.filter((z) => torso.includes(z.id));
    const left = sum(own.map((z) => z.pools.freeG + z.pools.deepG + z.pools.packedG)) / sum(own.map((z) => z.startG));
    expect(1 - left).to.be.within(0.7, 0.85);
  });

  it('a single-row rake with bath, dryer and comb takes up to about 90 % out of a medium double', () => {
    const kit = kitOf(['rake', 'soft-slicker', 'comb', 'fine-comb', 'hand-bath', 'towel', 'force-dryer', 'bristle']);
    const oneRow = kit.map((t) => (t.kind === 'rake' ? { ...t, rows: 1 } : t));
    expect(1 - by('dry-first', 'medium-double', 25, 50, LOOSE, { kit: oneRow }).shareLeft).to.be.within(0.85, 0.93);
  });

  it('a neglected long double of 28 kg takes 120 to 180 minutes, maintained 60 to 90', () => {
    for (const id of ['dry-first', 'wet-first']) {
      expect(by(id, 'long-double', 28, 90, PACKED, { zones: TIES }).minutes, id).to.be.within(120, 180);
      expect(by(id, 'long-double', 28, 90, KEPT).minutes, id).to.be.within(60, 90);
    }
  });

  it('a packed giant is bathed by hand in about 30 minutes, with a bather in about half', () => {
    const bath = (kit: readonly Tool[]): number =>
      by('dry-first', 'heavy-double', 50, 80, PLATE, { kit, dog: { standingMinutes: 400 } }).steps.find(
        (s) => s.phase === 'bath',
      )?.minutes ?? 0;
    expect(bath(HAND_KIT)).to.be.within(26, 36);
    expect(bath(FULL_KIT) / bath(HAND_KIT)).to.be.within(0.4, 0.6);
  });

  it('a strongly seasonal blow takes 4 to 6 weeks, heaviest early; spring is the larger; indoors it is nearly flat', () => {
    const from = day(20_819); // 1 January 2027
    const usualOf = (outdoorShare: number) => {
      const dog = { coatClass: 'medium-double', weightKg: 25, outdoorShare, homeCare: 'none', life: [] } as const;
      const model = dogModel(dog, { latitudeDeg: 55, longitudeDeg: 10 }, [], from, addDays(from, 365));
      const { sheds } = ratesOf(model, model.mean);
      return model.sheds
        .map((s, i) => ({ tide: s.tide, lengthDays: s.lengthDays, grams: sheds[i]?.grams ?? 0 }))
        .slice(-2);
    };
    const [spring, autumn] = usualOf(0.9);
    expect([spring?.tide, autumn?.tide]).to.deep.equal(['spring', 'autumn']);
    for (const p of usualOf(0.9)) expect(p.lengthDays, p.tide).to.be.within(28, 42);
    expect(spring?.grams ?? 0).to.be.greaterThan(autumn?.grams ?? 0);
    expect(sum(usualOf(0).map((p) => p.grams))).to.be.below(0.5 * sum(usualOf(0.9).map((p) => p.grams)));
  });

  it('an indoor dog sheds nearly flat: its peak is under 2.5 times the mean of its year', () => {
    const from = day(20_819);
    for (const coatClass of COAT_CLASSES) {
      const dog = { coatClass, weightKg: 25, outdoorShare: 0, homeCare: 'none', life: [] } as const;
      const model = dogModel(dog, { latitudeDeg: 55, longitudeDeg: 10 }, [], from, addDays(from, 365));
      const { baseG, sheds } = ratesOf(model, model.mean);
      const released = Array.from({ length: 365 }, (_, i) => {
        const share = (s: (typeof sheds)[number]): number =>
          pulseShare(from + i + 1 - s.onset, s.lengthDays) - pulseShare(from + i - s.onset, s.lengthDays);
        return baseG + sum(sheds.map((s) => s.grams * share(s)));
      });
      expect(Math.max(...released) / (sum(released) / 365), coatClass).to.be.below(2.5);
    }
  });

  it('a home that does nothing comes after four to six weeks, one that does its share after eight to twelve', () => {
    for (const coat of COAT_CLASSES) {
      const dog = dogOf(coat, 25);
      const [none, steady] = [rhythm(dog, 'none'), rhythm(dog, 'steady')];
      expect([none.shortest >= 28, none.longest <= 42], coat).to.deep.equal([true, true]);
      expect(steady.longest, coat).to.be.within(56, 84);
    }
  });

  it('keeps the salon’s and the home’s rhythm', () => {
    for (const coat of ['medium-double', 'long-double', 'heavy-double'] as const) {
      expect(coatRow(coat).rhythmDays.shortest, coat).to.equal(28);
      expect(coatRow(coat).rhythmDays.longest, coat).to.be.within(42, 63);
    }
    const bouts = (coat: CoatClass) => coatRow(coat).home;
    expect(bouts('smooth-double').boutsPerWeek).to.be.within(2, 3);
    expect(bouts('medium-double').boutsPerWeek).to.be.at.least(4);
    expect(bouts('long-double').boutsPerWeek).to.equal(7);
    expect(bouts('heavy-double').boutsPerWeekInBlow).to.equal(7);
  });
});

describe('the comb, the finish and the schools as they are worked', () => {
  /** A strong dryer, and slickers whose heads give way. */
  const STRONG = FULL_KIT.map((t) =>
    t.kind === 'force-dryer' ? { ...t, airLps: 80 } : SLICKERS.includes(t.kind) ? { ...t, flexing: true } : t,
  );
  const HANDS = PHASE_IDS.filter((p) => PHASES[p].work === 'hands');
  const handsIn = (steps: MethodPlan['steps'], phases: readonly PhaseId[] = HANDS): number =>
    sum(steps.filter((s) => phases.includes(s.phase)).flatMap((s) => s.zones.map((z) => z.minutes)));
  const packedDogs = [
    ['medium-double', 25, 50],
    ['long-double', 28, 90],
    ['heavy-double', 40, 70],
    ['heavy-double', 50, 80],
  ] as const;
  const packed = (id: string, [coat, kg, mm]: (typeof packedDogs)[number]): MethodPlan =>
    by(id, coat, kg, mm, PACKED, { kit: STRONG, dog: { standingMinutes: 400 } });

  it('wet first takes a third fewer hand minutes than dry first on a packed coat, and no more time in all', () => {
    for (const dog of packedDogs) {
      const [dry, wet] = [packed('dry-first', dog), packed('wet-first', dog)];
      expect(handsIn(wet.steps) / handsIn(dry.steps), dog[0]).to.be.within(0.58, 0.75);
      expect(wet.minutes, dog[0]).to.be.at.most(dry.minutes);
      // After its dryer there is next to no hand work, and the comb falls through.
      const after = wet.steps.slice(wet.steps.findIndex((s) => s.phase === 'drying') + 1);
      expect(handsIn(after) / handsIn(wet.steps), dog[0]).to.be.below(0.2);
      expect(wet.falls, dog[0]).to.be.above(0.9);
    }
  });

  it('the comb proves: a tenth of the hand minutes, under 5 % of what comes out, minutes by the size of the dog', () => {
    for (const id of ['dry-first', 'wet-first'])
      for (const dog of packedDogs) {
        const m = packed(id, dog);
        const comb = handsIn(m.steps, ['comb']);
        expect(comb / handsIn(m.steps), `${id} ${dog[1]} kg`).to.be.at.most(0.1 + 1e-9);
        expect(sum(m.steps.filter((s) => s.phase === 'comb').map((s) => s.gramsOut)) / m.gramsOut).to.be.below(0.05);
      }
    const combed = (kg: number, coat: CoatClass, mm: number): number =>
      handsIn(by('dry-first', coat, kg, mm, PACKED, { kit: STRONG, dog: { standingMinutes: 400 } }).steps, ['comb']);
    expect(combed(9, 'medium-double', 40)).to.be.within(1.8, 4);
    expect(combed(22, 'medium-double', 50)).to.be.within(3, 6);
    expect(combed(50, 'heavy-double', 80)).to.be.within(6, 12);
  });

  it('what comes after the comb is a light finish of five minutes at most', () => {
    for (const dog of packedDogs) {
      const { steps } = packed('dry-first', dog);
      const after = steps.slice(steps.findLastIndex((s) => s.phase === 'comb') + 1);
      expect(handsIn(after)).to.be.at.most(5 + 1e-9);
      for (const s of after) expect(s.tool.kind).to.equal('bristle');
    }
  });

  it('a double coat that was clipped before takes a quarter to a half more minutes', () => {
    for (const [coat, kg, mm] of packedDogs) {
      const minutes = (traits: Dog['traits']): number =>
        by('wet-first', coat, kg, mm, PACKED, { kit: STRONG, dog: { standingMinutes: 400, traits } }).minutes;
      expect(minutes(['previously-clipped']) / minutes([]), coat).to.be.within(1.25, 1.5);
    }
  });
});

describe('the schools differ for the reasons people give', () => {
  const plate = (method: string, more: More = {}): MethodPlan =>
    by(method, 'heavy-double', 40, 70, PACKED, {
      kit: FULL_KIT,
      dog: { outdoorShare: 0.8, standingMinutes: 400 },
      ...more,
    });
  const minutesIn = (m: MethodPlan, phase: string): number =>
    sum(m.steps.filter((s) => s.phase === phase).flatMap((s) => s.zones.map((z) => z.minutes)));

  it('dry first is dusty and hard on skin and guard hair; wet first is not', () => {
    const [dry, wet] = [plate('dry-first'), plate('wet-first')];
    expect(dry.dustG).to.be.greaterThan(3 * wet.dustG);
    expect(dry.wear).to.be.greaterThan(wet.wear);
    const half = sum(
      wet.steps.slice(0, wet.steps.findLastIndex((s) => s.phase === 'rewash') + 1).map((s) => s.gramsOut),
    );
    expect(half / wet.gramsOut, 'about half of what comes leaves in the tub').to.be.within(0.45, 0.75);
  });

  it('bulk that is out before the bath shortens bath and drying', () => {
    const [dry, wet] = [plate('dry-first'), plate('wet-first')];
    expect(minutesIn(dry, 'bath')).to.be.below(minutesIn(wet, 'bath'));
    expect(minutesIn(plate('air-first'), 'bath')).to.be.below(minutesIn(wet, 'bath'));
  });

  it('wet first needs its dryer, and a stronger one helps it', () => {
    const weak = FULL_KIT.map((t) => (t.kind === 'force-dryer' ? { ...t, airLps: 25 } : t));
    const strong = FULL_KIT.map((t) => (t.kind === 'force-dryer' ? { ...t, airLps: 80 } : t));
    expect(plate('wet-first', { kit: strong }).minutes).to.be.below(plate('wet-first', { kit: weak }).minutes - 10);
    const none = planVisit(
      requestFor('heavy-double', 40, 70, PACKED, { kit: HAND_KIT.filter((t) => t.kind !== 'force-dryer') }),
    );
    expect(none.methods.find((m) => m.method === 'wet-first')).to.deep.include({ why: { code: 'needs-force-dryer' } });
  });

  it('damp line frays less than a dry round and moves no bulk; air first flings most dirt', () => {
    const damp = plate('damp-line');
    const wearAMinute = (m: MethodPlan): number => m.wear / m.minutes;
    expect(wearAMinute(damp)).to.be.below(wearAMinute(plate('home-brush')));
    expect(damp.shareLeft).to.be.greaterThan(plate('wet-first').shareLeft + 0.15);
    const dust = (m: MethodPlan): number => sum(m.steps.filter((s) => s.phase === 'air').map((s) => s.gramsOut));
    expect(dust(plate('air-first'))).to.be.greaterThan(0);
  });

  it('the smooth way spares the skin of a short coat', () => {
    const skinOf = (method: string): number =>
      by(method, 'smooth-double', 30, 20, felt(1, 2, 'glides'), { kit: FULL_KIT }).skinLoad;
    expect(skinOf('smooth')).to.be.below(skinOf('dry-first'));
  });
});

describe('the dossier', () => {
  it('stands in docs/model.md as it is reckoned today, a row for every figure', function () {
    this.timeout(200_000);
    const text = readFileSync(resolve('docs/model.md'), 'utf8');
    for (const row of dossierRows()) expect(text, 'run npm run dossier').to.contain(row);
  });
});
