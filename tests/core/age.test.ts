/** What a birthday makes of a dog, and what somebody says in its place. */
import { expect } from 'chai';
import { traitsOn, usualStandingMinutes, type DogTrait } from '../../core/dog/index.ts';
import { addDays, day } from '../../core/quantity/index.ts';

const BORN = day(15_000);
const YEAR = 365.25;
const at = (years: number, weightKg: number, traits: readonly DogTrait[] = []): readonly DogTrait[] =>
  traitsOn({ born: BORN, weightKg, traits }, addDays(BORN, Math.ceil(years * YEAR)));

describe('the birthday of a dog', () => {
  it('makes it a puppy for a year, and a senior by its size: giants age sooner', () => {
    expect(at(0.5, 20)).to.deep.equal(['puppy-coat']);
    expect(at(1.01, 20)).to.deep.equal([]);
    // Common practice, years from memory: giants 7, large 8, medium 10, small 11.
    for (const [kg, years] of [
      [60, 7],
      [30, 8],
      [20, 10],
      [5, 11],
    ] as const) {
      expect(at(years - 0.1, kg), `${kg} kg`).to.deep.equal([]);
      expect(at(years + 0.1, kg), `${kg} kg`).to.deep.equal(['senior']);
    }
  });

  it('gives way to what is ticked, and says nothing where nobody knows it', () => {
    expect(at(12, 20, ['senior', 'bites'])).to.deep.equal(['senior', 'bites']);
    expect(at(12, 20, ['age-as-ticked'])).to.deep.equal(['age-as-ticked']);
    expect(at(0.5, 20, ['age-as-ticked', 'senior'])).to.deep.equal(['age-as-ticked', 'senior']);
    expect(traitsOn({ weightKg: 60, traits: [] }, day(20_000))).to.deep.equal([]);
    expect(at(-0.2, 20), 'a birthday to come').to.deep.equal([]);
  });

  it('shortens what the dog bears', () => {
    const stands = (years: number): number => usualStandingMinutes({ traits: at(years, 60) });
    expect([stands(0.5), stands(4), stands(9)]).to.deep.equal([45, 150, 90]);
    expect(usualStandingMinutes({ traits: ['puppy-coat', 'sore-joints'] }), 'the least of all').to.equal(45);
  });
});
