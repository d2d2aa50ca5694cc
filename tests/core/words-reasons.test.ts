/** Reasons of dogs, plans and forecasts in words: every code is a sentence with its figures and without a hole. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  FAULT_CODES,
  METHOD_IDS,
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
import { DOG_TRAITS, mirrorZone, regionRow, zone, ZONE_IDS, zoneName, type ZoneId } from '../../core/dog/index.ts';
import { RULES } from '../../core/kit/index.ts';
import { addDays, dayFromCivil } from '../../core/quantity/index.ts';
import { TIDES, type Advice, type Lesson, type NeedReason, type DueReason } from '../../core/tide/index.ts';
import {
  bandText,
  breaksText,
  faultText,
  mendText,
  priceBand,
  rivalText,
  whereText,
  zonesShort,
} from '../../web/words/bench.ts';
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
      { code: 'heavy-parasites', zones: 5 },
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
    expect(zonesShort(SOME)).to.match(/ and 3 more$/);
  });

  it('say where so that each zone meant is named, by itself, with its other side, or by what is left out', () => {
    fc.assert(
      fc.property(fc.subarray([...ZONE_IDS], { minLength: 1 }), fc.subarray([...ZONE_IDS]), (meant, more) => {
        const workable = ZONE_IDS.filter((z) => meant.includes(z) || more.includes(z));
        const said = whereText(meant, workable);
        expect(said).to.not.match(HOLES);
        const rest = workable.filter((z) => !meant.includes(z));
        if (rest.length === 0) {
          expect(said).to.match(/^(whole dog|every zone that may be worked)$/);
          return;
        }
        const [named, silent] = said.startsWith('all but ') ? [rest, meant] : [meant, rest];
        const words = said.replace('all but ', '');
        for (const z of named) {
          const both = zone(z).side !== 'mid' && named.includes(mirrorZone(z));
          expect(words, z).to.include(both ? regionRow(zone(z).region).name : zoneName(z));
        }
        for (const z of silent) expect(words.split(/, | and /), z).to.not.include(zoneName(z));
      }),
      { numRuns: 500, seed: 21 },
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
    const measures: readonly Comparison['measure'][] = ['hair-left', 'minutes', 'skin', 'dryer', 'dust', 'standing'];
    for (const measure of measures) {
      const share = measure === 'hair-left' || measure === 'skin';
      const c: Comparison = { measure, value: share ? 0.1 : 40, than: share ? 0.3 : 55 };
      const better = comparison(c, 'wet first');
      expect(better, measure)
        .to.match(share ? /10\s%.*wet first.*30\s%/ : /40.*wet first.*55/)
        .and.not.match(HOLES);
      expect(against(c), measure)
        .to.match(/longer|more/)
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
    ];
    for (const id of METHOD_IDS) for (const why of whys) isSentence(ruling(why, id), `${id} ${why.code}`);
  });

  it('note what was given up, assumed or capped', () => {
    const notes: readonly PlanNote[] = [
      { code: 'over-standing', minutes: 95, bears: 60 },
      { code: 'cut-short', full: 120, minutes: 90, for: 'time' },
      { code: 'cut-short', full: 120, minutes: 90, for: 'dog' },
      { code: 'zones-assumed', zones: 7 },
      { code: 'blade-capped', minutes: 10 },
      { code: 'bathed-lately', days: 1, gap: 21 },
    ];
    for (const n of notes) isSentence(planNote(n), n.code);
    expect(planNote({ code: 'over-standing', minutes: 95, bears: 60 })).to.match(/1\sh\s35.*1\sh\)/);
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
    expect(breaksText(care)).to.match(/^A break of 5\smin every 30\smin: 1 in all\. Turned 2 times\.$/);
    expect(breaksText({ ...care, breaks: [], turns: 1 })).to.equal('No break is needed. Turned once.');
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
