/** Reasons in words: every rule, measure, fit, due and effect reads as a sentence, with no hole in it. */
import { expect } from 'chai';
import fc from 'fast-check';
import { COAT_CLASSES, REGIONS, DOG_TRAITS } from '../../core/dog/index.ts';
import { CONDITION_KINDS, FINGER_GRADES, SKIN_FINDINGS } from '../../core/check/index.ts';
import {
  DEFAULT_QUARRELS,
  fitTool,
  FIT_MEASURES,
  rankTools,
  reasonsOf,
  RULES,
  SEVERITIES,
  SHOP,
  TOOL_KINDS,
  WETNESS,
  type Tool,
} from '../../core/kit/index.ts';
import { day } from '../../core/quantity/index.ts';
import { DATE_FORMS } from '../../web/app/view.ts';
import { fromToday } from '../../web/words/dates.ts';
import { money } from '../../web/words/figures.ts';
import {
  badlyText,
  dueText,
  loserText,
  MEASURE_WORDS,
  measuresText,
  partText,
  SEVERITY_WORDS,
  whereText,
} from '../../web/words/kit.ts';
import { shownBy } from '../on-device.ts';

const HOLES = /undefined|NaN|null|\[object|Infinity/;

describe('money in words', () => {
  it('is said as the device’s forms have it, cents only where there are some, whatever was said before', () => {
    const amounts = [0, 5, 1200, 123_450, 9_999_999, -350];
    for (const dates of [...DATE_FORMS, ...DATE_FORMS]) {
      shownBy({ dates }, () => {
        for (const currency of ['EUR', 'USD', 'JPY', 'SEK'])
          for (const cents of amounts) {
            const whole = cents % 100 === 0;
            const form = new Intl.NumberFormat(dates, {
              style: 'currency',
              currency,
              minimumFractionDigits: whole ? 0 : 2,
            });
            expect(money(cents, currency)).to.equal(form.format(cents / 100));
          }
        expect(money(1250, 'EUR')).to.match(/12[.,]50/);
        expect(money(1200, 'EUR')).to.not.match(/[.,]00/);
      });
    }
  });
});

describe('the kit in words', () => {
  it('says of every rule where it applies, what and why', () => {
    for (const r of RULES) {
      expect(whereText(r), r.id).to.not.match(HOLES);
      expect(whereText(r).length, r.id).to.be.greaterThan(2);
      expect(`${r.statement} ${r.reason}`, r.id).to.match(/^[A-Z].*[.]$/);
    }
    for (const s of SEVERITIES) expect(SEVERITY_WORDS[s]).to.match(/^[A-Z]/);
    for (const m of FIT_MEASURES) expect(MEASURE_WORDS[m]).to.match(/^[a-z]/);
  });

  it('says each part of any fit in any zone, and what it beat', () => {
    const context = fc.record({
      region: fc.constantFrom(...REGIONS.map((r) => r.region)),
      wetness: fc.constantFrom(...WETNESS),
      coatClass: fc.constantFrom(...COAT_CLASSES),
      condition: fc.constantFrom(...CONDITION_KINDS),
      grade: fc.constantFrom(...FINGER_GRADES),
      tie: fc.constant('none' as const),
      skin: fc.constantFrom(...SKIN_FINDINGS),
      traits: fc.subarray([...DOG_TRAITS], { maxLength: 2 }),
      guardMm: fc.integer({ min: 2, max: 180 }),
      house: fc.constant(DEFAULT_QUARRELS),
    });
    let said = 0;
    fc.assert(
      fc.property(context, fc.subarray([...SHOP], { minLength: 1 }), (here, kit) => {
        for (const tool of kit) {
          const f = fitTool(tool, here);
          if (f.kind !== 'fits') continue;
          for (const p of Object.values(f.parts)) {
            said++;
            expect(partText(p)).to.not.match(HOLES);
            expect(loserText(p)).to.not.match(HOLES);
            // A measured reason: a figure with its unit.
            if (p.measure !== 'speed' || p.value > 0) expect(partText(p)).to.match(/\d|bottom/);
          }
        }
        const { chosen, beaten } = reasonsOf(rankTools(kit, TOOL_KINDS, here));
        if (chosen) expect(partText(chosen.because.winner)).to.match(/\d/);
        for (const b of beaten) expect(loserText(b.by.loser).length).to.be.greaterThan(4);
      }),
      { numRuns: 400, seed: 12 },
    );
    expect(said).to.be.greaterThan(2000);
  });

  it('says the measures of a piece, and only those that were taken', () => {
    const bare: Tool = { id: 'b', kind: 'rake', name: 'b' };
    expect(measuresText(bare)).to.equal('');
    const full: Tool = {
      ...bare,
      pinMm: 22,
      spacingMm: 4.5,
      rows: 2,
      widthMm: 95,
      tip: 'rounded',
      turning: true,
      flexing: true,
      wetSafe: false,
      material: 'metal',
    };
    expect(measuresText(full).replaceAll('\u00a0', ' ')).to.equal(
      '22 mm pins, 4.5 mm apart, 2 rows, 95 mm wide, rounded tips, turning pins, flexing head, keep dry, metal',
    );
    const dryer: Tool = {
      id: 'd',
      kind: 'force-dryer',
      name: 'd',
      airLps: 55,
      dbA: 88,
      heat: 'cool',
      nozzles: ['flat', 'cone'],
    };
    expect(measuresText(dryer).replaceAll('\u00a0', ' ')).to.equal(
      '55 l/s of air, 88 dB(A), cool air, flat and cone nozzle',
    );
  });

  it('says what is due and what is served badly', () => {
    expect(
      dueText({ act: 'sharpened', used: 90, bears: 720, unit: 'minutes', day: day(1) }).replaceAll('\u00a0', ' '),
    ).to.equal('Sharpen: 2 h of 12 h');
    expect(dueText({ act: 'disinfected', used: 1, bears: 1, unit: 'dogs', day: day(1) })).to.equal(
      '1 dog since it was disinfected',
    );
    for (const why of ['nothing-allowed', 'never-proved', 'slow'] as const) {
      const text = badlyText({
        region: 'tail',
        coatClass: 'long-double',
        zones: 3,
        minutesOver: 4,
        why,
        rule: 'thin-no-rake',
      });
      expect(text).to.match(/^Tail of long double coats: .*\.$/);
    }
  });

  it('says spans of days as people do', () => {
    const today = 20_000;
    const said = [0, 1, -1, 5, -5, 30, 500, -1200].map((days) => fromToday(today + days, today));
    expect(said).to.deep.equal([
      'today',
      'tomorrow',
      'yesterday',
      'in 5 days',
      '5 days ago',
      'in 4 weeks',
      'in a year',
      '3 years ago',
    ]);
  });
});
