/** The stairs changed by hand: edits, faults and what mends them, best again, splits, holds, ties, rivals, the log. */
import { expect } from 'chai';
import {
  applyEdit,
  bathesIn,
  bandAbout,
  bestAgain,
  careOf,
  coatAfter,
  coatIn,
  faultsOf,
  isLegal,
  jobOf,
  openMethod,
  planByHand,
  planVisit,
  rivals,
  scriptOf,
  stepsFor,
  workMinutes,
  workScript,
  wholeOf,
  worksite,
  type Edit,
  type Fault,
  type FaultCode,
  type MethodPlan,
  type PlanRequest,
  type Script,
} from '../../core/bench/index.ts';
import type { ZoneFindings } from '../../core/check/index.ts';
import type { CoatClass, DogTrait, ZoneId } from '../../core/dog/index.ts';
import { sum } from '../../core/quantity/index.ts';
import { DEFAULT_HOUSE, type HouseRules, type Tool } from '../../core/kit/index.ts';
import { checkOf, dogOf, FULL_KIT, HAND_KIT } from './examples.ts';

const LOOSE: ZoneFindings = { finger: 2, tug: 2, comb: 'drags', tie: 'none', skin: 'clear' };
const PACKED: ZoneFindings = { finger: 3, tug: 2, comb: 'stops', tie: 'none', skin: 'clear' };

interface More {
  readonly traits?: readonly DogTrait[];
  readonly zones?: Partial<Record<ZoneId, ZoneFindings>>;
  readonly kit?: readonly Tool[];
  readonly house?: Partial<HouseRules>;
}
const requestFor = (coat: CoatClass, kg: number, mm: number, all: ZoneFindings, more: More = {}): PlanRequest => ({
  dog: dogOf(coat, kg, { traits: [...(more.traits ?? [])] }),
  check: checkOf(kg, mm, all, more.zones),
  kit: more.kit ?? FULL_KIT,
  house: { ...DEFAULT_HOUSE, ...more.house },
});

function bench(request: PlanRequest, method: string) {
  const plan = planVisit(request);
  const open = openMethod(plan, method);
  if (!open) throw new Error(`${method} is not open`);
  const { found, job } = worksite(request);
  const script = scriptOf(open.steps);
  return { plan, open, found, job, script, faults: (s: Script): readonly Fault[] => faultsOf(s, found, job) };
}
const idOf = (script: Script, phase: string): string => script.find((s) => s.phase === phase)?.id ?? '';
const place = (script: Script, phase: string): number => script.findIndex((s) => s.phase === phase);

const SMOOTH = requestFor('smooth-double', 30, 26, LOOSE);
const LONG = requestFor('long-double', 28, 80, LOOSE, {
  zones: { 'armpit.left': { ...PACKED, tie: 'mat' }, 'ears.right': { ...PACKED, tie: 'knot' } },
});

describe('a script changed by hand', () => {
  it('is as it was planned until it is changed, and any edit makes another one', () => {
    const { script, open } = bench(SMOOTH, 'smooth');
    expect(planByHand(SMOOTH, 'smooth', script)).to.deep.include({ minutes: open.minutes, gramsOut: open.gramsOut });
    const kept = structuredClone(script);
    const edits: readonly Edit[] = [
      { kind: 'move', id: idOf(script, 'bath'), to: 0 },
      { kind: 'minutes', id: idOf(script, 'bath'), minutes: 40 },
      { kind: 'drop', id: idOf(script, 'edge') },
      { kind: 'leave-out', id: idOf(script, 'dry-rubber'), zones: ['belly'] },
      { kind: 'pin', id: idOf(script, 'bath'), pinned: true },
    ];
    for (const edit of edits) expect(applyEdit(script, edit), edit.kind).to.not.deep.equal(script);
    expect(script).to.deep.equal(kept);
    expect(applyEdit(script, { kind: 'drop', id: 'nobody' })).to.equal(script);
  });

  it('works the coat in the state in which each step finds it', () => {
    const { script, found, job } = bench(SMOOTH, 'smooth');
    const wetAt = (n: number): number => coatAfter(script, n, found, job).filter((z) => z.wetness !== 'dry').length;
    const bath = place(script, 'bath');
    expect(wetAt(bath)).to.equal(0);
    expect(wetAt(bath + 1)).to.equal(32);
    expect(wetAt(place(script, 'drying') + 1)).to.equal(0);
    const first = coatAfter(script, 0, found, job);
    const last = coatAfter(script, script.length, found, job);
    for (const [i, z] of last.entries()) expect(z.grade).to.be.at.most(first[i]?.grade ?? 0);
  });

  it('takes less by the same dry work once the coat has been worked, and more through soap than dry', () => {
    const { found, job } = bench(requestFor('medium-double', 25, 50, PACKED), 'wet-first');
    const slick = (id: string, phase: 'dry-slicker' | 'soapy-work'): Script[number] => ({
      id,
      phase,
      toolId: 'firm-slicker',
      zones: [{ zone: 'ribs.left', minutes: 1 }],
    });
    const bath: Script[number] = {
      id: 'bath',
      phase: 'bath',
      toolId: 'bather',
      zones: [{ zone: 'ribs.left', minutes: 1 }],
    };
    const out = (script: Script): number => workScript(script, found, job).steps.at(-1)?.gramsOut ?? 0;
    expect(out([slick('a', 'dry-slicker'), slick('b', 'dry-slicker')])).to.be.below(out([slick('a', 'dry-slicker')]));
    expect(out([bath, slick('a', 'soapy-work')])).to.be.greaterThan(0);
    const left = (script: Script): number =>
      workScript(script, found, job).coat.zones.find((z) => z.id === 'ribs.left')?.pools.packedG ?? 0;
    expect(left([bath, slick('a', 'soapy-work')])).to.be.below(left([slick('a', 'dry-slicker'), bath]));
  });

  it('has no fault as planned, in any method of any of these dogs', () => {
    for (const request of [SMOOTH, LONG, requestFor('heavy-double', 50, 70, PACKED, { traits: ['senior'] })]) {
      for (const m of planVisit(request).methods) {
        if (m.kind !== 'open') continue;
        const faults = faultsOf(scriptOf(m.steps), coatIn(request), jobOf(request));
        expect(
          faults.filter((f) => f.severity === 'never').map((f) => `${m.method} ${f.code} ${f.rule}`),
        ).to.deep.equal([]);
      }
    }
  });
});

describe('faults', () => {
  /** An edit that breaks something; one tap must mend it, and bring no other harm. */
  const breaks: readonly {
    readonly what: string;
    readonly request: PlanRequest;
    readonly method: string;
    readonly edit: (script: Script) => Edit;
    readonly code: FaultCode;
    readonly mend: Edit['kind'];
  }[] = [
    {
      what: 'a blade on a damp coat',
      request: SMOOTH,
      method: 'smooth',
      edit: (s) => ({ kind: 'move', id: s.find((x) => x.toolId === 'blade-comb')?.id ?? '', to: place(s, 'drying') }),
      code: 'forbidden',
      mend: 'move',
    },
    {
      what: 'a firm slicker on an ear',
      request: requestFor('medium-double', 25, 50, LOOSE),
      method: 'dry-first',
      edit: () => ({
        kind: 'add',
        at: 0,
        steps: [
          { id: 'ear', phase: 'dry-slicker', toolId: 'firm-slicker', zones: [{ zone: 'ears.left', minutes: 1 }] },
        ],
      }),
      code: 'forbidden',
      mend: 'swap',
    },
    {
      what: 'more blade than the house allows',
      request: SMOOTH,
      method: 'smooth',
      edit: (s) => ({ kind: 'minutes', id: s.find((x) => x.toolId === 'blade-comb')?.id ?? '', minutes: 12 }),
      code: 'blade-minutes',
      mend: 'minutes',
    },
    {
      what: 'an hour of slicker',
      request: requestFor('medium-double', 25, 50, LOOSE),
      method: 'dry-first',
      edit: (s) => ({ kind: 'minutes', id: idOf(s, 'dry-slicker'), minutes: 60 }),
      code: 'skin',
      mend: 'set-zones',
    },
    {
      what: 'a tie under water',
      request: LONG,
      method: 'dry-first',
      edit: (s) => ({ kind: 'drop', id: idOf(s, 'ties') }),
      code: 'tie-wetted',
      mend: 'add',
    },
    {
      what: 'a tie half worked',
      request: LONG,
      method: 'damp-line',
      edit: (s) => ({ kind: 'minutes', id: idOf(s, 'ties'), minutes: 2 }),
      code: 'half-tie',
      mend: 'minutes',
    },
    {
      what: 'soap left in',
      request: requestFor('medium-double', 25, 50, PACKED),
      method: 'wet-first',
      edit: (s) => ({ kind: 'drop', id: idOf(s, 'rewash') }),
      code: 'soap-left',
      mend: 'add',
    },
    {
      what: 'home wet, no dryer at all',
      request: requestFor('medium-double', 25, 50, LOOSE),
      method: 'dry-first',
      edit: (s) => ({ kind: 'drop', id: idOf(s, 'drying') }),
      code: 'home-wet',
      mend: 'add',
    },
    {
      what: 'home wet, dryer too short',
      request: requestFor('medium-double', 25, 50, LOOSE),
      method: 'dry-first',
      edit: (s) => ({ kind: 'minutes', id: idOf(s, 'drying'), minutes: 4 }),
      code: 'home-wet',
      mend: 'minutes',
    },
  ];

  for (const b of breaks) {
    it(`show ${b.what} at its step, and one edit mends it`, () => {
      const { script, faults } = bench(b.request, b.method);
      const broken = applyEdit(script, b.edit(script));
      const fault = faults(broken).find((f) => f.code === b.code);
      expect(fault, b.code).to.include({ severity: 'never' });
      expect(broken.some((s) => s.id === fault?.step)).to.equal(true);
      expect(fault?.mend?.kind).to.equal(b.mend);
      const mended = fault?.mend ? applyEdit(broken, fault.mend) : broken;
      expect(faults(mended).filter((f) => f.code === b.code && f.zones.join() === fault?.zones.join())).to.deep.equal(
        [],
      );
    });
  }

  it('say where a piece does nothing, where a zone is not worked, and where the proof is missing', () => {
    const hot = requestFor('medium-double', 25, 50, PACKED, { zones: { 'hip.left': { ...LOOSE, skin: 'hot-spot' } } });
    const { script, faults } = bench(hot, 'dry-first');
    const onIt = applyEdit(script, {
      kind: 'add',
      at: 0,
      steps: [{ id: 'x', phase: 'dry-slicker', toolId: 'soft-slicker', zones: [{ zone: 'hip.left', minutes: 2 }] }],
    });
    expect(faults(onIt).find((f) => f.step === 'x')).to.include({ code: 'stopped-zone' });
    const bathed = applyEdit(script, {
      kind: 'add',
      at: place(script, 'towel'),
      steps: [{ id: 'b', phase: 'finish', toolId: 'bristle', zones: [{ zone: 'back', minutes: 2 }] }],
    });
    expect(faults(bathed).find((f) => f.step === 'b')).to.include({ code: 'does-nothing', wetness: 'wet' });
    const short = script.filter((s) => s.phase === 'dry-rake');
    expect(faults(short).map((f) => f.code)).to.include('no-proof');
  });

  it('draw a tie tight when water gets to it', () => {
    const { script, found, job } = bench(LONG, 'dry-first');
    const dropped = applyEdit(script, { kind: 'drop', id: idOf(script, 'ties') });
    const after = coatAfter(dropped, dropped.length, found, job);
    expect(after.find((z) => z.zone === 'armpit.left')?.tie).to.equal('pelt');
    expect(after.find((z) => z.zone === 'ears.right')?.tie).to.equal('mat');
  });
});

describe('best again', () => {
  it('keeps what is pinned, is legal, and is no worse than what it was given', () => {
    const { script, found, job } = bench(requestFor('medium-double', 25, 50, PACKED), 'dry-first');
    const id = idOf(script, 'dry-rake');
    const pinned = [
      { kind: 'minutes', id, minutes: 3 },
      { kind: 'pin', id, pinned: true },
    ] satisfies Edit[];
    const given = pinned.reduce<Script>(applyEdit, script);
    const again = bestAgain(given, found, job);
    expect(again.find((s) => s.id === id)).to.deep.equal(given.find((s) => s.id === id));
    expect(isLegal(again, found, job)).to.equal(true);
    const slickers = (s: Script): number => workMinutes(s.find((x) => x.phase === 'dry-slicker') ?? { zones: [] });
    expect(slickers(again), 'the slicker takes over').to.be.greaterThan(slickers(script));
  });

  it('gives back the plan where nothing was changed', () => {
    const { script, found, job, open } = bench(SMOOTH, 'dry-first');
    const again = planByHand(SMOOTH, 'dry-first', bestAgain(script, found, job));
    expect(again.gramsOut / open.gramsOut).to.be.closeTo(1, 0.01);
    expect(again.minutes).to.be.closeTo(open.minutes, 3);
  });

  it('adds a phase as habit would, and nothing where nothing can be done', () => {
    const { script, found, job } = bench(SMOOTH, 'smooth');
    expect(stepsFor('comb', script, script.length, found, job)).to.not.have.length(0);
    expect(stepsFor('ties', script, 0, found, job)).to.have.length(0);
    expect(stepsFor('drying', script, 0, found, job), 'a dry coat needs no dryer').to.have.length(0);
  });
});

describe('time', () => {
  it('cuts the work to the time there is, dearest minutes first, or says that it cannot', () => {
    const full = bench(requestFor('medium-double', 25, 50, LOOSE), 'dry-first').open;
    const short = openMethod(
      planVisit({ ...requestFor('medium-double', 25, 50, LOOSE), appointmentMinutes: 50 }),
      'dry-first',
    );
    expect(short?.minutes).to.be.at.most(50);
    expect(short?.cut).to.deep.equal({ fullMinutes: full.minutes, for: 'time' });
    expect(short?.stopYield).to.be.greaterThan(full.stopYield);
    // Far less than it asks: today's part of several visits.
    const part = openMethod(
      planVisit({ ...requestFor('heavy-double', 50, 80, PACKED), appointmentMinutes: 40 }),
      'dry-first',
    );
    expect(part?.minutes).to.be.at.most(40);
    expect(part?.later).to.not.have.length(0);
  });

  it('is shorter with two, and a lying dog stands for less of it', () => {
    const request = requestFor('long-double', 28, 80, PACKED);
    const alone = bench(request, 'dry-first').open;
    const two = bench({ ...request, crew: { helper: true } }, 'dry-first').open;
    const lying = bench({ ...request, crew: { lying: true } }, 'dry-first').open;
    expect(two.minutes / alone.minutes).to.be.within(0.55, 0.85);
    expect(lying.standingMinutes).to.be.below(alone.standingMinutes / 2);
  });

  it('is spread over visits where the dog does not bear it in one: opened dry and bathed last, or a part of the dog a day', () => {
    const standing = (minutes: number, method: string): MethodPlan =>
      bench(
        {
          ...requestFor('heavy-double', 50, 80, PACKED, { kit: HAND_KIT }),
          dog: dogOf('heavy-double', 50, { standingMinutes: minutes }),
        },
        method,
      ).open;
    expect(standing(400, 'dry-first').later).to.have.length(0);
    const dry = standing(100, 'dry-first');
    const days = [dry.steps, ...dry.later.map((v) => v.steps)];
    expect(days.length).to.be.greaterThan(1);
    expect(days.map(bathesIn)).to.deep.equal([...days.slice(1).map(() => false), true]);
    const zones = days.flatMap((steps) => [
      ...new Set(steps.filter((s) => s.phase === 'dry-rake').flatMap((s) => s.zones.map((z) => z.zone))),
    ]);
    expect(new Set(zones).size, 'no zone is begun twice').to.equal(zones.length);
    expect(dry.gapDays?.most).to.equal(7);
    expect(wholeOf(dry).shareLeft).to.be.closeTo(standing(400, 'dry-first').shareLeft, 0.05);
    // Wet first has nothing to do before the water: half a dog a day.
    const wet = standing(80, 'wet-first');
    const parts = [wet.steps, ...wet.later.map((v) => v.steps)];
    expect(parts.length).to.be.greaterThan(1);
    expect(parts.every(bathesIn)).to.equal(true);
    for (const steps of parts) expect(sum(steps.map((s) => s.minutes))).to.be.at.most(80);
  });

  it('has breaks, supports and turns for an old dog', () => {
    const { open } = bench(
      requestFor('long-double', 28, 80, LOOSE, { traits: ['senior', 'short-nosed'] }),
      'dry-first',
    );
    const old = careOf(open.steps, dogOf('long-double', 28, { traits: ['senior', 'short-nosed'] }), undefined);
    expect(old.supports).to.include.members(['belly-strap', 'cool-air', 'mat']);
    expect(old.breaks[0]?.atMinute).to.be.at.least(20);
    expect(old.turns).to.be.greaterThan(0);
    expect(old.steps.find((s) => s.step === idOf(scriptOf(open.steps), 'bath'))?.position).to.equal('tub');
    const young = careOf(open.steps, dogOf('long-double', 28), { helper: true });
    expect(young.turns).to.equal(0);
    expect(young.steps.some((s) => s.hold === 'second-dryer')).to.equal(true);
  });
});

describe('reasons', () => {
  it('decide about each tie in the way of the house, or leave it for a vet', () => {
    const ways = (mats: HouseRules['mats'], traits: DogTrait[] = []): readonly string[] => {
      const request = requestFor('long-double', 28, 80, LOOSE, {
        house: { mats },
        traits,
        zones: { 'breeches.left': { ...PACKED, tie: 'mat' }, 'armpit.left': { ...PACKED, tie: 'pelt' } },
      });
      return worksite(request).ties.map((t) => `${t.zone} ${t.way} ${t.leftTo ?? ''}`.trim());
    };
    expect(ways('brush-out')).to.have.members(['breeches.left work-out', 'armpit.left clip']);
    expect(ways('split')).to.include('breeches.left split');
    expect(ways('clip', ['show-coat'])).to.include('armpit.left leave breeder');
  });

  it('say what would change the choice, and by how much', () => {
    const request = requestFor('heavy-double', 45, 70, PACKED, { kit: HAND_KIT });
    const plan = planVisit(request);
    const found = rivals(request, plan);
    const bather = found.find((r) => r.change === 'bather');
    expect(bather?.saves).to.be.greaterThan(5);
    expect(found.find((r) => r.change === 'no-dryer')?.flips).to.equal(plan.recommended?.method === 'wet-first');
    expect(found.find((r) => r.change === 'helper')?.saves).to.be.greaterThan(20);
  });
});

describe('the range about a value', () => {
  it('makes a band that holds eight in ten, lower and higher than the likely value', () => {
    const band = bandAbout(100, 0.04);
    expect(band.low).to.be.within(70, 80);
    expect(band.high).to.be.within(120, 132);
    expect(bandAbout(100, 0)).to.deep.equal({ low: 100, likely: 100, high: 100 });
  });
});
