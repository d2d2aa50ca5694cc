/** Forms: every room's goes through the one way, and what can be wrong with a field has a sentence that a person says. */
import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';
import Joi from 'joi';
import { readTime, shownTime } from '../../web/ui/form/clock-text.ts';
import { readDay, shownDay } from '../../web/ui/form/day-text.ts';
import { readNumber, shownNumber } from '../../web/ui/form/number-text.ts';
import { SENTENCES } from '../../web/ui/form/sentences.ts';

const rooms = readdirSync('web', { recursive: true, encoding: 'utf8' })
  .filter((f) => /\.tsx?$/.test(f) && !f.startsWith('ui/'))
  // The owner's page has no library under it, and its one form nothing that can be refused.
  .filter((f) => !f.startsWith('owner/'))
  .map((f) => ({ f, text: readFileSync(`web/${f}`, 'utf8') }));

describe('forms', () => {
  it('are sent in one way: no room has a form, a check or a date field of its own', () => {
    const own = /<form\b|<Form\b|\buseForm\b|joiResolver|type="(date|time|number)"/;
    expect(rooms.filter(({ text }) => own.test(text)).map(({ f }) => f)).to.deep.equal([]);
    expect(rooms.filter(({ text }) => text.includes('<SchemaForm')).length).to.be.at.least(15);
  });

  it('have a sentence for each fault that a schema can find, without a field’s name and with one number at most', () => {
    const odd = Joi.object({
      name: Joi.string().max(3).required(),
      many: Joi.array().items(Joi.string()).min(1).required(),
      count: Joi.number().integer().min(1).max(5).required(),
      mail: Joi.string().email({ tlds: false }).required(),
      one: Joi.string().valid('a').required(),
    });
    for (const values of [
      {},
      { name: 'long', many: [], count: 9, mail: 'x', one: 'b' },
      { name: '', many: 'x', count: 'x', mail: '', one: '' },
      { name: 3, many: [], count: 1.5, mail: 'a@b.cd', one: 'a' },
    ]) {
      const { error } = odd.validate(values, {
        abortEarly: false,
        convert: false,
        errors: { label: false },
        messages: SENTENCES,
      });
      for (const { type, message } of error?.details ?? []) {
        expect(SENTENCES, type).to.have.property(type);
        expect(message).to.not.match(/["{]|must|\bmany\b/);
        expect(message.match(/\d+/g)?.length ?? 0).to.be.at.most(1);
      }
    }
    const { error } = Joi.string()
      .max(60)
      .validate('x'.repeat(61), { errors: { label: false }, messages: SENTENCES });
    expect(error?.message).to.equal('at most 60 letters');
  });

  it('read numbers with either sign before the parts, and thousands as they are parted', () => {
    for (const [typed, number] of [
      ['12.5', 12.5],
      ['12,5', 12.5],
      ['0,25', 0.25],
      ['0.125', 0.125],
      ['1,250', 1250],
      ['1.250', 1.25],
      ['1 250', 1250],
      ['1,250.5', 1250.5],
      ['1.250,5', 1250.5],
      ['1,250,000', 1250000],
      ['-3,5', -3.5],
      ['7.', 7],
      ['.5', 0.5],
      ['', undefined],
      ['seven', undefined],
      ['3 kg', undefined],
      ['--3', undefined],
    ] as const)
      expect(readNumber(typed), typed).to.equal(number);
    for (let n = 0; n < 4000; n += 0.25)
      for (const point of ['.', ',']) expect(readNumber(shownNumber(n, point, 2))).to.equal(n);
  });

  it('read days as the device writes them, as they are kept, and with the month as a word', () => {
    const near = new Date(2031, 5, 1, 12);
    for (const [typed, locale, kept] of [
      ['2031-04-09', 'en-GB', '2031-04-09'],
      ['09/04/2031', 'en-GB', '2031-04-09'],
      ['04/09/2031', 'en-US', '2031-04-09'],
      ['2031/04/09', 'en-ZA', '2031-04-09'],
      ['9 Apr 2031', 'en-GB', '2031-04-09'],
      ['9.4.2031', 'en-IE', '2031-04-09'],
      ['9 April', 'en-AU', '2031-04-09'],
      ['31/02/2031', 'en-GB', undefined],
      ['9', 'en-GB', undefined],
      ['soon', 'en-GB', undefined],
    ] as const)
      expect(readDay(typed, locale, near), `${typed} in ${locale}`).to.equal(kept);
    for (const locale of ['en-GB', 'en-US', 'en-CA', 'en-AU', 'en-NZ', 'en-IE', 'en-ZA'])
      for (let day = 1; day <= 28; day++) {
        const kept = `2031-02-${String(day).padStart(2, '0')}`;
        expect(readDay(shownDay(kept, locale), locale, near), locale).to.equal(kept);
      }
    expect(shownDay('no day', 'en-GB')).to.equal('no day');
  });

  it('read times of day with twelve hours and with twenty-four', () => {
    for (const [typed, minute] of [
      ['9', 540],
      ['9:30', 570],
      ['0930', 570],
      ['9.30 pm', 1290],
      ['12 am', 0],
      ['12:05 p.m.', 725],
      ['24:00', undefined],
      ['13 pm', undefined],
      ['9:75', undefined],
      ['noon', undefined],
    ] as const)
      expect(readTime(typed), typed).to.equal(minute);
    for (let minute = 0; minute < 1440; minute++)
      for (const clock of ['24', '12'] as const) expect(readTime(shownTime(minute, clock))).to.equal(minute);
  });
});
