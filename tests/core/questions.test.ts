/** What is asked in the finder in people's own words: each question finds its room, and a visit to book its dog, day and time. */
import { expect } from 'chai';
import { day, parseDay, type Day } from '../../core/quantity/index.ts';
import { answersTo, type Asking } from '../../web/find/questions.ts';

/** A Wednesday. */
const TODAY: Day = parseDay('2026-12-02') ?? day(0);
const ASKING: Asking = {
  dogs: [
    { id: 'birk', name: 'Birk', ownerName: 'Siv Lund' },
    { id: 'old-tom', name: 'Old Tom', ownerName: '' },
  ],
  today: TODAY,
  dayFirst: true,
  dayText: (d) => `day ${d - TODAY}`,
  timeText: (m) => `${Math.floor(m / 60)}:${String(m % 60).padStart(2, '0')}`,
};
const to = (text: string): string | undefined => answersTo(text, ASKING)[0]?.to;
const name = (text: string): string | undefined => answersTo(text, ASKING)[0]?.name;

describe('questions in the finder', () => {
  it('book a dog on a day at a time, in any of these forms', () => {
    const friday = '/desk/calendar/new?dog=birk&day=2026-12-04&time=840';
    for (const text of ['book Birk friday 2pm', 'Book birk on friday at 14:00', 'book birk 4 Dec 14:00'])
      expect(to(text), text).to.equal(friday);
    expect(name('book Birk friday 2pm')).to.equal('Book Birk: day 2, 14:00');
    expect(to('book old tom tomorrow')).to.equal('/desk/calendar/new?dog=old-tom&day=2026-12-03');
    expect(to('book birk')).to.equal('/desk/calendar/new?dog=birk');
    expect(to('book')).to.equal('/desk/calendar/new');
    // A dog that is not known is looked for there.
    expect(to('book fleur')).to.equal('/desk/calendar/new?find=fleur');
  });

  it('find the one room that answers each', () => {
    for (const [text, at] of [
      ['when will Birk blow', '/desk/dogs/birk/tide'],
      ['why this tool', '/desk/reports/plans'],
      ['what if no dryer', '/desk/reports/plans?with=no-dryer'],
      ['what did we take in May', '/desk/reports?view=takings&month=2026-05'],
      ['what did we take in December?', '/desk/reports?view=takings&month=2026-12'],
      ['which brush should the owner buy', '/desk/dogs'],
      ['which brush should Birk’s owner buy', '/desk/dogs/birk#brushes'],
      ['what does grade 3 mean', '/desk/help/grades'],
      ['who is overdue', '/desk/dogs'],
      ['who can come Thursday', `/desk/calendar?show=day&day=${TODAY + 1}`],
      ['what is in the tub today', '/desk/today/tub'],
      ['somebody is ill', '/desk/calendar/ill'],
    ] as const)
      expect(to(text), text).to.equal(at);
  });

  it('leave alone what is no question', () => {
    for (const text of ['birk', 'rake', 'siv lund', 'blow', 'steel comb', '9 apr'])
      expect(answersTo(text, ASKING), text).to.deep.equal([]);
  });
});
