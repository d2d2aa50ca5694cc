/** What a device decides by itself: how it shows things, which day somebody means, what fits a room; towns of the gazetteer. */
import { expect } from 'chai';
import { ROOMS, roomsFor } from '../../web/app/rooms.ts';
import { asOn, isTrueHere, keptHere } from '../../web/app/on-device.ts';
import { theme } from '../../web/app/theme.ts';
import { forgetView, usualView, view, viewFrom } from '../../web/app/view.ts';
import { massText } from '../../web/words/units.ts';
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

describe('a page made for another device', () => {
  const WAYS = { kept: { 'woolly-tide.theme': 'dark' }, dark: false, contrast: true, languages: ['en-US', 'en'] };
  it('is made by its ways, writes down what it was told of it, and leaves this one as it was', async () => {
    const { made, told } = await asOn(WAYS, () => {
      forgetView();
      const seen = {
        theme: theme(),
        contrast: view().contrast,
        weighs: massText(10),
        draft: keptHere('woolly-tide.check.x'),
      };
      return Promise.resolve(seen);
    });
    forgetView();
    expect(made).to.deep.equal({ theme: 'dark', contrast: 'high', weighs: '22\u00a0lb', draft: null });
    expect(told).to.include({ 'woolly-tide.theme': 'dark', 'woolly-tide.view': null, 'woolly-tide.check.x': null });
    expect(massText(10)).to.equal('10\u00a0kg');
    expect(keptHere('woolly-tide.theme')).to.equal(null);
  });
  it('is true where the device would say the same, and not where one thing is otherwise', async () => {
    const look = () => {
      forgetView();
      return Promise.resolve([theme(), view(), keptHere('woolly-tide.check.x')]);
    };
    // A device without a page keeps nothing and speaks the English of Britain.
    const plain = { kept: {}, dark: false, contrast: false, languages: ['en-GB'] };
    const toldOf = async (ways: typeof WAYS | typeof plain) => (await asOn(ways, look).finally(forgetView)).told;
    expect(isTrueHere(await toldOf(plain))).to.equal(true);
    for (const other of [{ dark: true }, { contrast: true }, { languages: ['en-US'] }, { kept: WAYS.kept }])
      expect(isTrueHere(await toldOf({ ...plain, ...other })), JSON.stringify(other)).to.equal(false);
    // What was not asked about cannot be wrong.
    expect(isTrueHere({})).to.equal(true);
  });
  it('lets go of the other device when making it fails', async () => {
    const failed = await asOn(WAYS, () => Promise.reject(new Error('it broke'))).catch((e: Error) => e.message);
    expect(failed).to.equal('it broke');
    expect(keptHere('woolly-tide.theme')).to.equal(null);
  });
});
