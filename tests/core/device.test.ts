/** What a device decides by itself: how it shows things, which day somebody means, what fits a room; towns of the gazetteer. */
import { expect } from 'chai';
import { theme } from '../../web/app/theme.ts';
import { usualView, view, viewFrom } from '../../web/app/view.ts';
import { massText } from '../../web/words/units.ts';
import { dayTyped } from '../../web/find/dates.ts';
import { HELP_PAGES } from '../../web/help/help-pages.ts';
import { GLOSSARY } from '../../web/help/words.ts';
import { isWhole, labelOf, pageAt, PAGES, pagesFor } from '../../web/pages.ts';
import { formatDay, parseDay, type Day } from '../../core/quantity/index.ts';
import { findPlaces } from '../../server/gazetteer.ts';
import { onDevice } from '../on-device.ts';

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

describe('the list of pages', () => {
  it('has no address twice, no name twice in what one may open, and help for each page that hangs anywhere', () => {
    expect(new Set(PAGES.map((p) => p.path)).size).to.equal(PAGES.length);
    const names = PAGES.filter(isWhole).map(labelOf);
    expect(new Set(names).size).to.equal(names.length);
    for (const p of PAGES) if (p.menu && p.path !== '/desk/help') expect(p.help?.how.length, p.path).to.be.above(0);
  });
  it('hangs only what can be opened by its address alone', () => {
    for (const p of PAGES) if (p.menu || p.views) expect(isWhole(p), p.path).to.equal(true);
  });
  it('tells a page by its own name before one that takes any', () => {
    expect(pageAt('/desk/practice/drills')?.path).to.equal('/desk/practice/drills');
    expect(pageAt('/desk/practice/old-giant')?.path).to.equal('/desk/practice/:caseId');
    expect(pageAt('/desk/dogs/new')?.path).to.equal('/desk/dogs/new');
    expect(pageAt('/desk/attic')).to.equal(undefined);
    for (const p of PAGES) expect(pageAt(p.path.replaceAll(':', 'some-'))?.path, p.path).to.equal(p.path);
  });
  it('is found with a stroke more at the end of an address, and with capitals', () => {
    for (const address of ['/desk/kit/', '/desk/Kit', '/desk/kit'])
      expect(pageAt(address)?.path, address).to.equal('/desk/kit');
    expect(pageAt('/')).to.equal(undefined);
    expect(pageAt('')).to.equal(undefined);
  });
  it('shows nobody a page that is not for them', () => {
    expect(pagesFor('bather').some((p) => p.path === '/desk/safe')).to.equal(false);
    expect(pagesFor('owner')).to.have.length(PAGES.length);
  });
  it('says each help text once, also where pages share it', () => {
    const texts = HELP_PAGES.map((p) => p.help.what);
    expect(new Set(texts).size).to.equal(texts.length);
    for (const p of PAGES) if (p.help) expect(texts, p.path).to.include(p.help.what);
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

describe('what a device keeps', () => {
  it('is how it shows things, until it keeps something else', () => {
    const kept = { 'woolly-tide.theme': 'dark', 'woolly-tide.view': JSON.stringify({ mass: 'lb', contrast: 'high' }) };
    const look = () => ({ theme: theme(), contrast: view().contrast, weighs: massText(10) });
    expect(onDevice(kept, look)).to.deep.equal({ theme: 'dark', contrast: 'high', weighs: '22\u00a0lb' });
    expect(look()).to.deep.equal({ theme: 'light', contrast: 'usual', weighs: '10\u00a0kg' });
  });
  it('may be anything: what cannot be read is as usual', () => {
    for (const text of ['', '{', '3', 'null', '[]', '{"mass":3}'])
      expect(
        onDevice({ 'woolly-tide.theme': text, 'woolly-tide.view': text }, () => [theme(), view()]),
        text,
      ).to.deep.equal(['light', usualView(['en-GB'], false)]);
  });
});
