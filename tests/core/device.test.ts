/** What a device decides by itself: how it shows things, which day somebody means, what fits a room; towns of the gazetteer. */
import { expect } from 'chai';
import { ROOMS, roomsFor } from '../../web/app/rooms.ts';
import { usualView, viewFrom } from '../../web/app/view.ts';
import { dayTyped } from '../../web/find/dates.ts';
import { HELP_PAGES, helpFor } from '../../web/help/pages.ts';
import { GLOSSARY } from '../../web/help/words.ts';
import { formatDay, parseDay, type Day } from '../../core/quantity/index.ts';
import { findPlaces } from '../../server/places.ts';

const on = (text: string): Day => {
  const found = parseDay(text);
  if (found === undefined) throw new RangeError(text);
  return found;
};

describe('how a device shows things', () => {
  it('goes by the language it speaks', () => {
    expect(usualView(['en-US'], false)).to.include({ mass: 'lb', clock: '12', weekStart: 7, dates: 'en-US' });
    expect(usualView(['fi-FI', 'en-GB'], false)).to.include({ mass: 'kg', clock: '24', weekStart: 1, dates: 'en-GB' });
    expect(usualView(['de'], true)).to.include({ contrast: 'high', dates: 'en-GB', temperature: 'c' });
  });
  it('takes of what was kept only what it knows', () => {
    const usual = usualView(['en-GB'], false);
    expect(viewFrom({ text: 'huge', mass: 'lb', singleKeys: 'no', more: 1 }, usual)).to.deep.equal({
      ...usual,
      mass: 'lb',
    });
  });
});

describe('a day that somebody types', () => {
  const TODAY = on('2031-04-09'); // a Wednesday
  const CASES: readonly (readonly [string, string | undefined, boolean?])[] = [
    ['2031-12-24', '2031-12-24'],
    ['today', '2031-04-09'],
    ['Tomorrow', '2031-04-10'],
    ['yesterday', '2031-04-08'],
    ['fri', '2031-04-11'],
    ['wednesday', '2031-04-16'],
    ['next monday', '2031-04-14'],
    ['9 Apr', '2031-04-09'],
    ['8 april', '2032-04-08'],
    ['12th sept 2033', '2033-09-12'],
    ['June 3', '2031-06-03'],
    ['9.5.', '2031-05-09'],
    ['3/6', '2031-06-03', true],
    ['3/6', '2032-03-06', false],
    ['31 feb', undefined],
    ['bollard', undefined],
    ['we', undefined],
    ['32/13', undefined],
  ];
  for (const [text, day, dayFirst = true] of CASES) {
    it(`“${text}”, ${dayFirst ? 'day' : 'month'} first, is ${day ?? 'no day'}`, () => {
      const found = dayTyped(text, TODAY, dayFirst);
      expect(found && formatDay(found)).to.equal(day);
    });
  }
});

describe('rooms and help', () => {
  it('has a page for every room that hangs anywhere, and no address twice', () => {
    for (const r of ROOMS) {
      const [path = ''] = r.to.split('?');
      if (path !== '/desk/help') expect(helpFor(path), r.to).to.not.equal(undefined);
    }
    const all = HELP_PAGES.flatMap((p) => p.at);
    expect(new Set(all).size).to.equal(all.length);
    expect(new Set(ROOMS.map((r) => r.to)).size).to.equal(ROOMS.length);
  });
  it('tells a room by its own name before one that takes any', () => {
    expect(helpFor('/desk/practice/drills')?.id).to.equal('drills');
    expect(helpFor('/desk/practice/old-giant')?.id).to.equal('coat');
    expect(helpFor('/desk/attic')).to.equal(undefined);
  });
  it('shows nobody a room that is not for them', () => {
    expect(roomsFor('bather', () => true).some((r) => r.to === '/desk/safe')).to.equal(false);
    expect(roomsFor('owner', () => true)).to.have.length(ROOMS.length);
  });
  it('explains each word once', () => {
    expect(new Set(GLOSSARY.map((g) => g.word)).size).to.equal(GLOSSARY.length);
    for (const g of GLOSSARY) expect(g.says).to.match(/\.$/);
  });
});

describe('the gazetteer', () => {
  it('finds a town without its marks, with its clock and light; the largest of a name first', async () => {
    const [town] = await findPlaces('tromso');
    expect(town).to.include({ name: 'Tromsø', country: 'NO', timeZone: 'Europe/Oslo' });
    expect(town?.latitudeDeg).to.be.closeTo(69.65, 0.1);
    expect((await findPlaces('Hobart'))[0]).to.include({ country: 'AU', timeZone: 'Australia/Hobart' });
    expect((await findPlaces('portl')).map((p) => p.name)).to.include('Portland');
    expect(await findPlaces('x')).to.deep.equal([]);
    expect(await findPlaces('zzzzqq')).to.deep.equal([]);
  });
});
