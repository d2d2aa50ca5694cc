import { expect } from 'chai';
import { BODY_SHAPES, BREEDS, breedOf, COAT_CLASSES, coatRow, findBreeds } from '../../core/dog/index.ts';

describe('the breeds', () => {
  it('are 120 or more, each named once, of every class and every shape', () => {
    expect(BREEDS.length).to.be.at.least(120);
    expect(new Set(BREEDS.map((b) => b.name.toLowerCase())).size).to.equal(BREEDS.length);
    expect(new Set(BREEDS.map((b) => b.coatClass)).size).to.equal(COAT_CLASSES.length);
    expect(new Set(BREEDS.map((b) => b.shape)).size).to.equal(BODY_SHAPES.length);
  });

  it('have hair within the range of their class, and a weight band', () => {
    for (const b of BREEDS) {
      const { low, high } = coatRow(b.coatClass).guardMm;
      expect(b.backMm, b.name).to.be.within(low, high);
      expect(b.weightKg.high, b.name).to.be.at.least(b.weightKg.low);
    }
  });

  const searches: readonly (readonly [typed: string, first: string | undefined])[] = [
    ['samoyed', 'Samoyed'],
    ['lab', 'Labrador'],
    ['LABRADOR MIX', 'Labrador mix'],
    ['munster', 'Small Münsterländer'],
    ['short pointer', 'German shorthaired pointer'],
    ['bern', 'Bernese mountain dog'],
    ['poodle retriever', 'Retriever and poodle'],
    ['cat', 'Australian cattle dog'],
    ['samoyd', 'Samoyed'],
    ['golden retreiver', 'Golden retriever'],
    ['siberian huskie', 'Siberian husky'],
    ['zebra', undefined],
    ['   ', undefined],
  ];
  for (const [typed, first] of searches) {
    it(`"${typed}" finds ${first ?? 'nothing'}`, () => expect(findBreeds(typed)[0]?.name).to.equal(first));
  }

  it('are known by their whole name only, whatever its case', () => {
    expect(breedOf('ROUGH collie')?.coatClass).to.equal('long-double');
    expect(breedOf('collie')).to.equal(undefined);
  });
});
