/** Reasons of dogs, plans and forecasts in words: every code is a sentence with its figures and without a hole. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  FAULT_CODES,
  METHODS,
  PHASE_IDS,
  type Change,
  type Comparison,
  type Edit,
  type Fault,
  type MethodRuling,
  type PlanNote,
  type Rival,
} from '../../core/bench/index.ts';
import { INSPECTION, type Contradiction, type DogStop } from '../../core/check/index.ts';
import {
  DOG_TRAITS,
  PAIRED_REGIONS,
  ZONE_IDS,
  type Region,
  type ZoneId,
  zone,
  zoneName,
} from '../../core/dog/index.ts';
import { RULES, TOOLS } from '../../core/kit/index.ts';
import { addDays, dayFromCivil } from '../../core/quantity/index.ts';
import { TIDES, type Advice, type Lesson, type NeedReason, type DueReason } from '../../core/tide/index.ts';
import { bandText, breaksText, faultText, mendText, priceBand, rivalText } from '../../web/words/bench.ts';
import { BOTH_WORDS, whereText, zonesShort } from '../../web/words/places.ts';
import { stepName, stepWord } from '../../web/words/steps.ts';
import {
  against,
  comparison,
  dogStop,
  needText,
  dueReason,
  planNote,
  questionText,
  ruling,
} from '../../web/words/reasons.ts';
import { adviceText, lessonText, shedWord, shiftText, spanText, startText } from '../../web/words/tide.ts';

const HOLES = /undefined|NaN|null|\[object|Infinity|\(\)| {2}|\.\./;
const TODAY = dayFromCivil({ year: 2031, month: 4, dayOfMonth: 9 });

/** A sentence to act on: begins large, ends with a stop or a question, holds no hole. */
function isSentence(text: string, what: string): void {
  expect(text, what).to.not.match(HOLES);
  expect(text, what).to.match(/^[A-Z×\d].*[.?]$/s);
}

describe('reasons of a dog in words', () => {
  it('say of every need what to do', () => {
    const needs: readonly NeedReason[] = [
      { code: 'never-checked' },
      { code: 'never-worked', checked: addDays(TODAY, -3) },
      { code: 'vet-first', since: addDays(TODAY, -3) },
      { code: 'overdue', days: 21 },
      ...TIDES.map((tide): NeedReason => ({ code: 'blow-unbooked', tide, due: addDays(TODAY, 20) })),
      { code: 'due-soon', due: addDays(TODAY, 4) },
      { code: 'booked-late', booked: addDays(TODAY, 40), due: addDays(TODAY, 9) },
      { code: 'booked', booked: TODAY },
      { code: 'booked', booked: addDays(TODAY, 6) },
      { code: 'rests', due: addDays(TODAY, 30) },
    ];
    const said = needs.map((n) => needText(n, TODAY));
    for (const [i, text] of said.entries()) isSentence(text, needs[i]?.code ?? '');
    expect(new Set(said).size, 'no two needs sound the same').to.equal(said.length);
  });

  it('say why a visit falls where it falls', () => {
    const reasons: readonly DueReason[] = [
      ...([...TIDES, 'baseline'] as const).map((tide): DueReason => ({ code: 'load', share: 0.34, tide })),
      { code: 'longest', days: 63 },
      { code: 'rest', days: 28 },
      { code: 'packed', found: TODAY },
      { code: 'season', days: 12 },
      { code: 'season', days: -1 },
      { code: 'home', days: 5 },
      { code: 'home', days: -2 },
      { code: 'left-last-time', share: 0.24 },
    ];
    for (const r of reasons) isSentence(dueReason(r), r.code);
    expect(new Set(reasons.map(dueReason)).size).to.equal(reasons.length);
    expect(dueReason({ code: 'load', share: 0.34, tide: 'spring' })).to.match(/spring blow.*34\s%/);
    expect(dueReason({ code: 'left-last-time', share: 0.24 })).to.match(/24\s%/);
    expect(dueReason({ code: 'season', days: 12 })).to.include('12 days forward');
    expect(dueReason({ code: 'season', days: -1 })).to.include('a day later');
  });

  it('ask about findings that do not go together, and name the place', () => {
    const at = 'rump' as const;
    const asked: readonly Contradiction[] = [
      { code: 'plate-glides', zone: at },
      { code: 'plate-gives-nothing', zone: at },
      { code: 'skin-but-stops', zone: at },
      { code: 'tie-but-glides', zone: at },
      { code: 'pelt-but-skin', zone: at },
      { code: 'skin-but-handful', zone: at },
      { code: 'no-undercoat-but-plate', zone: at },
      { code: 'sides-differ', zone: 'hip.left', grades: 3 },
      { code: 'weight-jump', kg: 22, lastKg: 27 },
      { code: 'length-not-of-class', mm: 110, low: 10, high: 30 },
    ];
    for (const q of asked) {
      isSentence(questionText(q), q.code);
      if ('zone' in q) expect(questionText(q).toLowerCase(), q.code).to.include(zoneName(q.zone).toLowerCase());
    }
  });

  it('say what stops a dog', () => {
    const stops: readonly DogStop[] = [
      ...INSPECTION.map((row): DogStop => ({ code: 'inspection', item: row.item })),
      { code: 'parasites', zones: 5 },
      { code: 'parasites', zones: 1 },
      { code: 'wide-pelt-frail', surfaceShare: 0.4 },
    ];
    for (const s of stops) isSentence(dogStop(s), s.code);
  });
});

describe('reasons of a plan in words', () => {
  const SOME: readonly ZoneId[] = ['rump', 'hip.left', 'hip.right', 'tail', 'belly'];

  it('name few zones and count many', () => {
    expect(zonesShort(['rump'])).to.equal('rump');
    expect(zonesShort(['rump', 'tail'])).to.equal('rump and tail');
    expect(zonesShort(SOME.slice(0, 3))).to.not.include('more');
    expect(zonesShort(SOME)).to.match(/ and 2 more$/);
  });

  /** Parts of a dog as people name them, written apart from the words under test. */
  const PARTS: Readonly<Record<string, readonly Region[]>> = {
    'whole back half': ['hip', 'rump', 'breeches', 'hindleg', 'hindfoot', 'tail', 'groin', 'belly', 'ribs', 'back'],
    'whole front half': ['face', 'ears', 'ruff', 'throat', 'chest', 'shoulder', 'foreleg', 'forefoot', 'armpit'],
    hindquarters: ['hip', 'rump', 'breeches', 'hindleg', 'hindfoot', 'tail', 'groin'],
    torso: ['shoulder', 'back', 'ribs', 'hip'],
    underside: ['belly', 'armpit', 'groin'],
    legs: ['foreleg', 'hindleg'],
    feet: ['forefoot', 'hindfoot'],
    head: ['face', 'ears'],
  };
  const NAMES: readonly (readonly [name: string, zones: readonly ZoneId[]])[] = [
    ...Object.entries(PARTS).map(
      ([word, regions]) => [word, ZONE_IDS.filter((z) => regions.includes(zone(z).region))] as const,
    ),
    ...ZONE_IDS.map((z) => [zoneName(z), [z]] as const),
    ...PAIRED_REGIONS.map((r) => [BOTH_WORDS[r], ZONE_IDS.filter((z) => zone(z).region === r)] as const),
  ];
  const LONGEST_FIRST = [...NAMES].sort((a, b) => b[0].length - a[0].length);

  /** The zones that a sentence of places names. */
  function meantBy(said: string): ReadonlySet<ZoneId> {
    const zones = new Set<ZoneId>();
    let rest = said;
    for (const [name, own] of LONGEST_FIRST)
      while (rest.includes(name)) {
        rest = rest.replace(name, '·');
        for (const z of own) zones.add(z);
      }
    expect(rest, said).to.match(/^[·, ]*( and )?[· ]*$/);
    return zones;
  }

  it('say where so that it can be read back as exactly the zones that are meant', () => {
    let parts = 0;
    const bySide = fc.constantFrom(...['left', 'right'].map((side) => ZONE_IDS.filter((z) => zone(z).side === side)));
    const byPart = fc.constantFrom(...NAMES.map(([, zones]) => [...new Set(zones)]));
    const some = fc.oneof(fc.subarray([...ZONE_IDS], { minLength: 1 }), bySide, byPart);
    fc.assert(
      fc.property(some, fc.oneof(fc.constant([...ZONE_IDS]), fc.subarray([...ZONE_IDS])), (meant, more) => {
        const workable = ZONE_IDS.filter((z) => meant.includes(z) || more.includes(z));
        const said = whereText(meant, workable);
        expect(said).to.not.match(HOLES);
        const rest = workable.filter((z) => !meant.includes(z));
        if (rest.length === 0) {
          expect(said).to.match(/^(whole dog|every zone that may be worked)$/);
        } else if (said.endsWith(' side only')) {
          const side = said.split(' ')[0];
          const own = workable.filter((z) => zone(z).side === side);
          expect(own.every((z) => meant.includes(z))).to.equal(true);
          expect(meant.every((z) => zone(z).side === side)).to.equal(true);
        } else {
          if (Object.keys(PARTS).some((p) => said.includes(p))) parts++;
          const named = meantBy(said.replace('all but ', ''));
          expect([...named].sort(), said).to.deep.equal([...(said.startsWith('all but ') ? rest : meant)].sort());
        }
      }),
      { numRuns: 800, seed: 21 },
    );
    expect(parts).to.be.greaterThan(30);
  });

  it('call a step by what is done with its piece, never against it', () => {
    for (const phase of PHASE_IDS)
      for (const { kind, name } of TOOLS)
        expect(stepWord(phase, kind), `${phase} ${kind}`)
          .to.match(/^[A-Z][^.]+$/)
          .and.not.equal(name);
    expect(stepWord('dry-slicker', 'rubber')).to.equal('Rubber, dry');
    expect(stepWord('dry-rake', 'comb')).to.equal('Combing, dry');
    expect(stepWord('ties', 'clipper')).to.equal('Clipping');
    expect(stepName({ phase: 'comb', tool: { id: 'c', kind: 'comb', name: 'Steel comb' } })).to.equal(
      'Comb-through: steel comb',
    );
  });

  it('say of every fault what is wrong, and of every edit what one tap does', () => {
    for (const code of FAULT_CODES)
      for (const zones of [[], SOME]) {
        const fault: Fault = { code, severity: 'never', step: 's', zones, rule: RULES[0]?.id, wetness: 'damp' };
        isSentence(faultText(fault), code);
      }
    const edits: readonly Edit[] = [
      { kind: 'move', id: 's', to: 1 },
      { kind: 'minutes', id: 's', minutes: 0.2 },
      { kind: 'swap', id: 's', toolId: 'rake' },
      { kind: 'drop', id: 's' },
      { kind: 'add', steps: [], at: 0 },
      { kind: 'leave-out', id: 's', zones: SOME },
      { kind: 'set-zones', id: 's', zones: [] },
      { kind: 'pin', id: 's', pinned: false },
    ];
    const taps = edits.map((e) => mendText(e, (id) => `long ${id}`));
    for (const [i, text] of taps.entries()) expect(text, edits[i]?.kind).to.match(/^[A-Z][^.]+$/);
    expect(taps[1]).to.match(/1\smin/);
    expect(taps[2]).to.include('long rake');
  });

  it('compare two ways by each measure, and say what speaks against the worse', () => {
    const measures: readonly Comparison['measure'][] = ['hair-left', 'minutes', 'skin', 'dryer', 'dust', 'visits'];
    for (const measure of measures) {
      const share = measure === 'hair-left' || measure === 'skin';
      const c: Comparison =
        measure === 'visits'
          ? { measure, value: 1, than: 2 }
          : { measure, value: share ? 0.1 : 40, than: share ? 0.3 : 55 };
      const better = comparison(c, 'wet first');
      expect(better, measure)
        .to.match(measure === 'visits' ? /one.*wet first.*2/ : share ? /10\s%.*wet first.*30\s%/ : /40.*wet first.*55/)
        .and.not.match(HOLES);
      expect(against(c), measure)
        .to.match(/longer|more|2 visits/)
        .and.not.match(HOLES);
    }
    expect(against({ measure: 'minutes', value: 40, than: 55 })).to.match(/^15\smin longer$/);
  });

  it('say why a method is not open, for each method and reason', () => {
    const whys: readonly MethodRuling[] = [
      { code: 'not-for-class' },
      ...DOG_TRAITS.map((t): MethodRuling => ({ code: 'for-traits', traits: [t] })),
      { code: 'nothing-tied' },
      { code: 'for-outdoor-dogs' },
      { code: 'needs-force-dryer' },
      { code: 'needs-dryer' },
      { code: 'needs-minutes', minutes: 70, most: 45 },
      ...PHASE_IDS.map((phase): MethodRuling => ({ code: 'needs-tool', phase })),
      { code: 'ties-unsettled', zones: ['tail', 'belly'] },
      { code: 'no-dryer-may', refused: [{ name: 'Hot dryer', rule: 'no-hot-air' }], zones: ['tail'], roomHours: 3.6 },
      { code: 'for-clean-coats' },
      { code: 'nothing-to-work-with' },
      { code: 'not-needed' },
    ];
    for (const why of whys) isSentence(ruling(why), why.code);
  });

  it('note what was given up, assumed or capped', () => {
    const notes: readonly PlanNote[] = [
      { code: 'clean' },
      { code: 'flaking' },
      {
        code: 'clip-ordered',
        order: { day: dayFromCivil({ year: 2027, month: 3, dayOfMonth: 2 }), who: 'the vet', why: 'vet', zones: SOME },
      },
      { code: 'over-visits', visits: 3, bears: 60 },
      { code: 'clipped-before' },
      { code: 'cut-short', full: 120, minutes: 90, for: 'time' },
      { code: 'cut-short', full: 120, minutes: 90, for: 'dog' },
      { code: 'zones-assumed', zones: 7 },
      { code: 'blade-capped', minutes: 10 },
      { code: 'bathed-lately', days: 1, gap: 21 },
    ];
    for (const n of notes) isSentence(planNote(n), n.code);
    expect(planNote({ code: 'over-visits', visits: 3, bears: 60 })).to.match(/3 visits.*1\sh/);
  });

  it('say what a change would come to, better, worse or the same', () => {
    const changes: readonly Change[] = ['strong-dryer', 'bather', 'helper', 'lies-down', 'no-dryer'];
    const method = METHODS[0]?.id ?? 'wet-first';
    for (const change of changes)
      for (const saves of [-12, 0, 12])
        for (const cleaner of [-0.08, 0, 0.08])
          for (const flips of [false, true]) {
            const rival: Rival = { change, method, minutes: 60, saves, cleaner, flips };
            const said = rivalText(rival);
            isSentence(said, change);
            expect(said).to.include(saves > 0 ? 'saves' : saves < 0 ? 'costs' : 'takes as long');
            expect(said.includes('would be taken')).to.equal(flips);
            expect(/more (out|in)/.exec(said)?.[1]).to.equal(cleaner > 0 ? 'out' : cleaner < 0 ? 'in' : undefined);
          }
  });

  it('say breaks and bands', () => {
    const care = { supports: [], steps: [], turns: 2, breaks: [{ atMinute: 30, minutes: 5 }] };
    expect(breaksText(care)).to.match(
      /^A break of 5\smin after 30\smin\. Turned 2 times: .* then all of them on the other\.$/,
    );
    const two = [...care.breaks, { atMinute: 60, minutes: 5 }];
    expect(breaksText({ ...care, breaks: two, turns: 0 })).to.match(/^2 breaks of 5\smin, the first after 30\smin\.$/);
    expect(breaksText({ ...care, breaks: [], turns: 1 })).to.match(/^No break is needed\. Turned once: /);
    expect(bandText({ low: 3, likely: 3, high: 3 }, String)).to.equal('3');
    expect(priceBand({ low: 4000, likely: 4500, high: 5250 }, 'EUR')).to.match(/40 to .*52[.,]50/);
  });
});

describe('forecasts in words', () => {
  const april = (dayOfMonth: number) => dayFromCivil({ year: 2031, month: 4, dayOfMonth });

  it('say spans as short as they can be said', () => {
    expect(spanText({ low: april(3), high: april(14) })).to.equal('3–14 April');
    expect(spanText({ low: april(3) + 0.3, high: april(3) - 0.2 })).to.equal('3 April');
    expect(spanText({ low: april(1) - 4, high: april(9) })).to.equal('28 March–9 April');
    const newYear = dayFromCivil({ year: 2031, month: 12, dayOfMonth: 30 });
    expect(spanText({ low: newYear, high: newYear + 370 })).to.include('–');
  });

  it('say what starts, what has begun, and after what', () => {
    const starts = { key: 'spring 2031', tide: 'spring', low: april(3), likely: april(8), high: april(14) } as const;
    expect(startText(starts, april(5))).to.equal('spring blow starts 3–14 April');
    expect(startText(starts, april(20))).to.equal('spring blow since about 8 April, by estimate');
    expect(startText({ ...starts, seen: april(6) }, april(20))).to.equal('spring blow seen to start on 6 April');
    expect(startText({ ...starts, low: april(1), high: april(22) }, april(1))).to.match(/, known to 3 weeks$/);
    for (const key of ['season 1', 'litter 1', 'illness 1', 'puppy-coat', 'moult 1'])
      expect(shedWord({ key, tide: 'life' })).to.match(/shed|change/);
  });

  it('say early, late and as usual, never more surely than the band allows', () => {
    const shift = (days: number, sd: number): string =>
      shiftText({ key: 'spring 2031', tide: 'spring', year: 2031, days, sd });
    expect(shift(-9, 3)).to.equal('Spring is running 9 days early in town, give or take 4.');
    expect(shift(1.2, 0.3)).to.equal('Spring is running a day late in town, give or take 1.');
    expect(shift(2, 5)).to.equal('Spring is about as usual in town, give or take 6 days.');
    expect(shift(0.2, 0.1)).to.equal('Spring is about as usual in town, give or take a day.');
  });

  it('say every lesson with its band', () => {
    const lessons: readonly Lesson[] = (
      [
        ['spring-start', -5, -8, -2],
        ['spring-start', 0.2, -3, 2],
        ['autumn-start', 1, -3, 2],
        ['autumn-start', 6, 2, 9],
        ['length', 41, 36, 47],
        ['seasonal', 0.62, 0.5, 0.71],
        ['loss', 1.3, 1.1, 1.6],
        ['loss', 1.01, 0.9, 1.1],
        ['handful', 0.7, 0.6, 0.9],
        ['handful', 1, 0.9, 1.1],
      ] as const
    ).map(([what, value, low, high]) => ({ what, value, low, high, doubtLeft: 0.5 }));
    for (const l of lessons) isSentence(lessonText(l), `${l.what} ${l.value}`);
    const [early, , late] = lessons.map(lessonText);
    expect(early).to.equal('It starts its spring blow 5 days before the town (80 %: 2 to 8 before).');
    expect(late).to.equal('It starts its autumn blow a day after the town (80 %: 3 before to 2 after).');
    const advice: readonly Advice[] = [
      'weigh-a-visit',
      'weigh-at-home',
      'say-when-it-starts',
      'first-visit-only-a-range',
      'light-gives-none',
    ];
    for (const a of advice) isSentence(adviceText(a), a);
  });
});
