/** A table of clients: its heads, its dates, its lines, and why some cannot be taken. */
import { expect } from 'chai';
import fc from 'fast-check';
import { dateOrder, guessColumns, readDate, readIntake } from '../../core/formats/index.ts';
import { breedOf } from '../../core/dog/index.ts';
import { day, formatDay, parseDay } from '../../core/quantity/index.ts';

const TODAY = parseDay('2031-04-09') ?? day(0);
const COLUMNS = {
  owner: 'Owner',
  dog: 'Dog',
  breed: 'Breed',
  phone: 'Phone',
  visitDay: 'Visit',
  weightKg: 'kg',
  born: 'Born',
  sex: 'Sex',
};
const line = (more: Record<string, string> = {}) => ({
  Owner: 'Ada Vik',
  Dog: 'Tansy',
  Breed: 'Samoyed',
  Phone: '1',
  ...more,
});
const problemOf = (more: Record<string, string>): string | undefined =>
  readIntake([line(more)], COLUMNS, [], TODAY).lines[0]?.problem;

describe('a table of clients', () => {
  it('is matched by the heads of its columns, each once', () => {
    expect(guessColumns(['Client Name', 'MOBILE', 'pet', 'Date of birth', 'Weight (kg)', 'Colour'])).to.deep.equal({
      owner: 'Client Name',
      phone: 'MOBILE',
      dog: 'pet',
      born: 'Date of birth',
      weightKg: 'Weight (kg)',
    });
    expect(guessColumns(['Dog', 'Owner', 'owner'])).to.deep.equal({ owner: 'Owner', dog: 'Dog' });
  });

  it('tells day from month by what its own dates allow, and asks where nothing does', () => {
    expect(dateOrder(['3/4/2031', '25/4/2031'])).to.equal('day-first');
    expect(dateOrder(['3/4/2031', '4/25/2031'])).to.equal('month-first');
    expect(dateOrder(['3/4/2031', '4/5/2031'])).to.equal('unsure');
    expect(dateOrder(['25/4/2031', '4/25/2031'])).to.equal('unsure');
    expect(dateOrder(['3.4.2031'])).to.equal('day-first');
    expect(readDate('3/4/2031', 'unsure')).to.deep.include({ ok: false });
    expect(readDate('4/4/2031', 'unsure')).to.deep.include({ ok: true });
  });

  it('reads every day that exists in each of the ways it is written, and no other (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000 }), (n) => {
        const iso = formatDay(day(n));
        const [y = '', m = '', d = ''] = iso.split('-');
        expect(readDate(iso, 'unsure')).to.deep.equal({ ok: true, value: n });
        expect(readDate(`${+d}.${+m}.${y}`, 'day-first')).to.deep.equal({ ok: true, value: n });
        expect(readDate(`${m}/${d}/${y}`, 'month-first')).to.deep.equal({ ok: true, value: n });
      }),
    );
    for (const none of ['30.2.2031', '2031-02-30', '0/1/2031', 'yesterday', '1/1/31'])
      expect(readDate(none, 'day-first').ok, none).to.equal(false);
  });

  it('makes one dog of lines that name it twice, and knows those that are here', () => {
    const known = [{ id: 'k', name: 'tansy', owner: 'ada vik', phone: '0 1' }];
    const table = [
      line({ Phone: '01', Visit: '2031-02-01' }),
      line({ Dog: 'Burr', Visit: '2030-12-01' }),
      line({ Dog: 'burr', Visit: '2031-03-01' }),
    ];
    const { dogs, lines } = readIntake(table, COLUMNS, known, TODAY);
    expect(dogs.map((d) => d.name)).to.deep.equal(['Burr']);
    expect(lines.map((l) => l.dog)).to.deep.equal(['k', 0, 0]);
    expect(lines.map((l) => l.newDog)).to.deep.equal([false, true, false]);
    expect(lines.every((l) => l.visit && l.problem === undefined)).to.equal(true);
    const twins = [...known, { id: 'm', name: 'Tansy', owner: 'Ada Vik', phone: '' }];
    expect(readIntake([line({ Phone: '' })], COLUMNS, twins, TODAY).lines[0]?.problem).to.match(
      /two dogs called Tansy/,
    );
  });

  it('takes the coat and weight of a breed that leaves no doubt, and guesses none', () => {
    const [dog] = readIntake([line({ Sex: 'spayed' })], COLUMNS, [], TODAY).dogs;
    expect(dog).to.include({
      breed: 'Samoyed',
      coatClass: breedOf('Samoyed')?.coatClass,
      sex: 'female',
      neutered: true,
    });
    for (const [more, says] of [
      [{ Breed: 'something woolly' }, /does not tell the coat/],
      [{ Dog: '' }, /names no dog/],
      [{ Owner: '' }, /owner of Tansy/],
      [{ kg: 'heavy' }, /"heavy" must be a number from 0.5 to 120 kg/],
      [{ Visit: '2031-04-10' }, /still to come/],
      [{ Visit: '31.4.2031' }, /not a date that exists/],
      [{ Born: '2032-01-01' }, /still to come/],
      [{ Sex: 'perhaps' }, /"perhaps" is not known/],
      [{ Owner: 'x'.repeat(81) }, /longer than can be kept/],
    ] as const)
      expect(problemOf(more)).to.match(says);
    expect(problemOf({ kg: '22,5 kg' })).to.equal(undefined);
  });
});
