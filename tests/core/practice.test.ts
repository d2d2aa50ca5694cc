import { expect } from 'chai';
import fc from 'fast-check';
import { FIGURES, planVisit, PHASES, scriptOf, workScript, worksite } from '../../core/bench/index.ts';
import { COAT_CLASSES, ZONE_IDS } from '../../core/dog/index.ts';
import { forbiddenBy, rule, TOOL_KINDS } from '../../core/kit/index.ts';
import {
  askCard,
  BOX_DAYS,
  boxesOf,
  boutOf,
  DRILL_CARDS,
  dueCards,
  FEEL_TESTS,
  HARDNESS,
  LADDER,
  LADDER_CASES,
  ladderCase,
  madeCase,
  minutesFor,
  MISTAKES,
  NEW_A_DAY,
  openCase,
  pastCase,
  phaseFor,
  rackOf,
  rightAnswer,
  verdictOf,
  type Act,
  type Opened,
} from '../../core/practice/index.ts';
import { day, sum } from '../../core/quantity/index.ts';
import { checks, dogs, houses, kits } from './random-case.ts';
import { bungled, byTheBook } from './practice-hands.ts';

const opened = new Map<string, Opened>();
const open = (id: string): Opened => {
  const known = opened.get(id);
  if (known) return known;
  const found = ladderCase(id);
  if (!found) throw new RangeError(id);
  const o = openCase(found);
  opened.set(id, o);
  return o;
};

describe('practice: tools', () => {
  it('says of every kind what it is taken to a coat for', () => {
    const o = open(LADDER_CASES[0]?.id ?? '');
    for (const kind of TOOL_KINDS) expect(PHASES, kind).to.have.property(phaseFor({ kind }, o.site.found.zones, false));
    const dryers = TOOL_KINDS.filter((kind) => /^(air|drying)$/.test(phaseFor({ kind }, o.site.found.zones, false)));
    expect(dryers).to.deep.equal(['force-dryer', 'stand-dryer']);
    expect(dryers.map(rackOf)).to.deep.equal(['air', 'air']);
  });
});

describe('practice: the ladder', () => {
  it('holds each case once, each with a lesson', () => {
    expect(new Set(LADDER_CASES.map((c) => c.id)).size).to.equal(LADDER_CASES.length);
    for (const r of LADDER) expect(r.lesson).to.match(/\.$/);
  });

  for (const { id } of LADDER_CASES) {
    it(`${id}: hands that go by the book reach nine tenths of the best stair, and break nothing`, () => {
      const o = open(id);
      const verdict = verdictOf(o, boutOf(o, byTheBook(o)));
      expect(verdict.share).to.be.at.least(0.9);
      for (const m of verdict.mistakes) expect(m.cost, m.code).to.be.below(0.1);
    });

    it(`${id}: a bungler is told the three worst mistakes, and is better off without each`, () => {
      const o = open(id);
      const acts = bungled(o);
      const bout = boutOf(o, acts);
      const { share, mistakes } = verdictOf(o, bout);
      expect(share).to.be.below(0.35);
      const costs = mistakes.map((m) => m.cost);
      expect(costs).to.deep.equal([...costs].sort((a, b) => b - a));
      for (const m of mistakes) {
        expect(MISTAKES[m.code].why).to.match(/\.$/);
        if (m.rule !== undefined) expect(rule(m.rule).reason).to.match(/\.$/);
      }
      const codes = mistakes.map((m) => m.code);
      if (o.best) {
        expect(codes.slice(0, 3)).to.include('left-untouched');
        expect(codes.slice(0, 3)).to.include('home-wet');
        expect(codes).to.include('not-felt');
        if (bout.coat.zones.some((z) => z.readings.tie !== 'none')) expect(codes).to.include('tie-wetted');
      } else if (o.case.goal === 'read') expect(codes[0]).to.equal('not-read');
      else expect(codes[0]).to.equal('worked-a-stopped-dog');
    });
  }

  it('scores the best stair itself at one, and nothing done at nothing', () => {
    for (const { id } of LADDER_CASES) {
      const o = open(id);
      if (!o.best) continue;
      const feel: Act[] = [{ kind: 'look' }, { kind: 'feel', tests: FEEL_TESTS, zones: ZONE_IDS }];
      const work = scriptOf(o.best.steps).map(({ phase, toolId, zones }): Act => ({
        kind: 'work',
        phase,
        toolId,
        zones,
      }));
      // A long visit is broken by rests, as the dog asks for them.
      const rested = work.flatMap((a): Act[] => [a, { kind: 'rest', minutes: 5 }]);
      const bout = boutOf(o, [...feel, ...rested, { kind: 'end' }]);
      expect(bout.script.length, id).to.equal(o.best.steps.length);
      const { share, mistakes } = verdictOf(o, bout);
      const late = sum(mistakes.filter((m) => m.code === 'over-the-clock').map((m) => m.cost));
      expect(share + late, id).to.be.closeTo(1, 0.02);
      expect(verdictOf(o, boutOf(o, [...feel, { kind: 'end' }])).share, id).to.be.closeTo(0, 0.02);
    }
  });

  it('never calls a stair best that a plan beats, nor one that breaks a rule', () => {
    for (const { id } of LADDER_CASES) {
      const o = open(id);
      if (!o.best) continue;
      for (const m of o.plan.methods) {
        if (m.kind !== 'open') continue;
        expect(o.bar.of(m.method, scriptOf(m.steps)).score, `${id} ${m.method}`).to.be.at.most(o.best.score + 1e-9);
      }
    }
  });
});

describe('practice: what the coat answers', () => {
  it('is the release model of the bench: the same script leaves the same coat', () => {
    const o = open('mixed-day-2');
    const bout = boutOf(o, byTheBook(o));
    const site = worksite({ ...o.request, figures: FIGURES });
    const { coat } = workScript(bout.script, site.found, site.job);
    expect(bout.coat.zones.map((z) => [z.id, z.pools, z.skinLoad, z.wet, z.tie])).to.deep.equal(
      coat.zones.map((z) => [z.id, z.pools, z.skinLoad, z.wet, z.tie]),
    );
  });

  it('shows only what hands were laid on, and keeps what they found when the coat has moved on', () => {
    const o = open('packed-or-matted');
    const felt = boutOf(o, [{ kind: 'feel', tests: ['finger'], zones: ['back'] }]).felt;
    expect([...felt.keys()]).to.deep.equal(['back']);
    expect(Object.keys(felt.get('back') ?? {})).to.deep.equal(['finger']);
  });

  it('draws an unsettled tie tight in the bath, and says where', () => {
    const o = open('packed-or-matted');
    const bout = boutOf(o, [
      { kind: 'work', phase: 'bath', toolId: 'room-hand-bath', zones: ZONE_IDS.map((zone) => ({ zone, minutes: 1 })) },
    ]);
    expect(bout.told[0]?.tightened).to.have.members(['ears.left', 'armpit.right']);
    expect(bout.faults.map((f) => f.code)).to.include('tie-wetted');
  });

  it('lets a dog move away from too much, refuses work then, and comes back after rest', () => {
    const o = open('head-shy');
    const pull: Act = {
      kind: 'work',
      phase: 'dry-slicker',
      toolId: 'room-firm-slicker',
      zones: [{ zone: 'ears.left', minutes: 60 }],
    };
    const acts: Act[] = [pull, pull, pull];
    const bout = boutOf(o, [...acts, pull]);
    expect(bout.mood).to.equal('away');
    expect(bout.told.at(-1)?.refused).to.equal(true);
    const again = boutOf(o, [
      ...acts,
      pull,
      ...Array.from({ length: 6 }, (): Act => ({ kind: 'rest', minutes: 15 })),
      pull,
    ]);
    expect(again.told.at(-1)?.refused).to.equal(false);
    expect(again.wentAway).to.be.greaterThan(0);
  });

  it('asks of water the minutes it needs, of hands those of the passes', () => {
    const o = open('mixed-day-1');
    const { coat } = boutOf(o, []);
    const bath = minutesFor(o, coat, 'bath', 'room-hand-bath', ZONE_IDS, 1);
    expect(sum(bath.map((z) => z.minutes))).to.be.within(4, 15);
    const one = sum(minutesFor(o, coat, 'dry-rubber', 'room-rubber', ['back'], 1).map((z) => z.minutes));
    const three = sum(minutesFor(o, coat, 'dry-rubber', 'room-rubber', ['back'], 3).map((z) => z.minutes));
    expect(three / one).to.be.closeTo(3, 1e-9);
  });
});

describe('practice: coats made', () => {
  it('draws the same dog from the same seed, and one that can be worked or sent to a vet', function () {
    fc.assert(
      fc.property(
        fc.nat(),
        fc.constantFrom(...COAT_CLASSES),
        fc.constantFrom(...HARDNESS),
        (seed, coatClass, hardness) => {
          const c = madeCase(seed, coatClass, hardness);
          expect(c).to.deep.equal(madeCase(seed, coatClass, hardness));
          const plan = planVisit({ dog: c.dog, check: c.truth, kit: c.kit, house: c.house });
          expect(plan.stops.dog.length > 0 || plan.recommended !== undefined).to.equal(true);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('hands by the book do well on drawn coats too', () => {
    const shares = [1, 2, 3, 4, 5, 6].map((seed) => {
      const o = openCase(madeCase(seed, COAT_CLASSES[seed] ?? 'medium-double', 'usual'));
      return verdictOf(o, boutOf(o, byTheBook(o))).share;
    });
    expect(sum(shares) / shares.length).to.be.at.least(0.85);
  });

  it('takes a coat of the past as its plan took it', () => {
    fc.assert(
      fc.property(dogs, checks, kits, houses, (dog, check, kit, house) => {
        const asked = { dog, check, kit, house };
        const made = pastCase('past', asked);
        const grams = (c: typeof check): number => worksite({ ...asked, check: c }).found.startG;
        expect(grams(made.truth)).to.be.closeTo(grams(check), 1e-9);
      }),
      { numRuns: 100 },
    );
  });
});

describe('practice: drills', () => {
  it('asks every card, the same question for the same seed, with a right answer among its options', () => {
    for (const { id } of DRILL_CARDS) {
      const rights = new Set<string>();
      for (let seed = 0; seed < 12; seed++) {
        const q = askCard(id, seed);
        expect(q).to.deep.equal(askCard(id, seed));
        rights.add(rightAnswer(q));
        if (q.kind === 'may') {
          // What is called right is what the rules say of that very scene.
          expect(q.right).to.equal(forbiddenBy({ kind: q.tool }, q.scene.context) === undefined);
        } else {
          expect(new Set(q.options).size, id).to.equal(q.options.length);
          expect([...q.options] as readonly string[], id).to.include(q.right);
          expect(q.options.length, id).to.be.at.least(2);
        }
      }
      if (id.startsWith('condition/')) expect([...rights]).to.deep.equal([id.slice('condition/'.length)]);
    }
  });

  it('asks of a rule both where it holds and where it does not', () => {
    const asked = Array.from({ length: 40 }, (_, seed) => rightAnswer(askCard('rule/blade-dry-only', seed)));
    expect(asked).to.include('yes');
    expect(asked).to.include('no');
  });

  it('never lets an option lead that a rule takes out', () => {
    for (const { id } of DRILL_CARDS.filter((c) => c.subject === 'tool')) {
      for (let seed = 0; seed < 20; seed++) {
        const q = askCard(id, seed);
        if (q.kind !== 'leads') continue;
        expect(TOOL_KINDS).to.include(q.right);
        expect(forbiddenBy({ kind: q.right }, q.scene.context), `${id} ${seed}`).to.equal(undefined);
        expect(PHASES[q.phase].tools.includes(q.right) || q.because !== undefined).to.equal(true);
      }
    }
  });

  it('moves a card on when it is right and due, back when it is wrong, and not at all before its time', () => {
    const card = DRILL_CARDS[0]?.id ?? '';
    const at = (answers: readonly (readonly [number, boolean])[]) =>
      boxesOf(answers.map(([d, right]) => ({ card, right, day: day(d) }))).get(card);
    expect(at([[0, true]])).to.include({ box: 1, due: 1 });
    expect(
      at([
        [0, true],
        [0, true],
      ]),
    ).to.include({ box: 1, due: 1 });
    expect(
      at([
        [0, true],
        [1, true],
        [4, true],
      ]),
    ).to.include({ box: 3, due: 11 });
    expect(
      at([
        [0, true],
        [1, true],
        [4, false],
      ]),
    ).to.include({ box: 0, due: 4, lastRight: false });
  });

  it('asks what is due first, a few new ones a day, and says when to come back', () => {
    const first = dueCards([], day(0));
    expect(first).to.include({ old: 0, fresh: NEW_A_DAY, known: 0 });
    expect(new Set(first.cards.slice(0, 4).map((c) => c.subject)).size).to.equal(4);
    const answers = first.cards.map((c) => ({ card: c.id, right: true, day: day(0) }));
    expect(dueCards(answers, day(0))).to.include({ old: 0, fresh: 0, next: 1 });
    const next = dueCards(answers, day(1));
    expect(next).to.include({ old: NEW_A_DAY, fresh: NEW_A_DAY });
    expect(BOX_DAYS.every((d, i) => i === 0 || d > (BOX_DAYS[i - 1] ?? 0))).to.equal(true);
  });
});
