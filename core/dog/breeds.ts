/**
 * What a breed or mix usually is before anyone touches the dog: coat class, weight, shape, hair at the back.
 *
 * Classes and shapes are common practice; weights and lengths are usual values from memory, to be corrected by the
 * scale and the ruler (guesses). Names are those that owners say; a mix is named by what it looks like.
 */
import type { CoatClass } from './coats.ts';
import type { DogTrait } from './traits.ts';
import type { BodyShape } from './shapes.ts';

export interface BreedRow {
  readonly name: string;
  readonly coatClass: CoatClass;
  readonly weightKg: { readonly low: number; readonly high: number };
  readonly shape: BodyShape;
  /** Guard hair at the back, mm, of a coat that was never clipped. */
  readonly backMm: number;
  readonly traits: readonly DogTrait[];
}

const CLASS = {
  s1: 'smooth-single',
  s2: 'smooth-double',
  md: 'medium-double',
  ld: 'long-double',
  hd: 'heavy-double',
  wd: 'harsh-double',
  fl: 'fleece',
} as const satisfies Record<string, CoatClass>;
const SHAPE = {
  sp: 'spitz',
  re: 'retriever',
  co: 'collie',
  gu: 'guardian',
  ho: 'hound',
  sl: 'short-legged',
} as const satisfies Record<string, BodyShape>;

/** name | class | kg low-high | shape | mm at the back | n: short-nosed */
const LINES = `
Samoyed | md | 20-30 | sp | 65
Siberian husky | md | 16-27 | sp | 45
Alaskan malamute | hd | 34-45 | sp | 62
Alaskan husky | md | 18-28 | sp | 35
Akita | md | 32-50 | sp | 45
American akita | md | 35-58 | sp | 48
Shiba | md | 8-11 | sp | 34
Hokkaido | md | 18-25 | sp | 42
Kai | md | 12-20 | sp | 38
Shikoku | md | 16-24 | sp | 38
Kishu | md | 14-26 | sp | 36
Jindo | md | 15-23 | sp | 38
Chow chow | hd | 20-32 | sp | 62 | n
Chow chow, smooth | md | 20-32 | sp | 40 | n
Keeshond | md | 15-20 | sp | 66
Pomeranian | md | 1.8-3.5 | sp | 55
German spitz, small | md | 5-8 | sp | 58
German spitz, medium | md | 7-11 | sp | 60
Eurasier | md | 18-32 | sp | 58
Norwegian elkhound | md | 19-25 | sp | 45
Norwegian buhund | md | 12-18 | sp | 42
Finnish spitz | md | 7-13 | sp | 45
Finnish lapphund | md | 15-24 | sp | 62
Swedish lapphund | md | 16-21 | sp | 55
Lapponian herder | md | 24-30 | sp | 48
Icelandic sheepdog | md | 9-14 | sp | 50
Greenland dog | hd | 27-45 | sp | 58
Canadian eskimo dog | hd | 27-45 | sp | 58
Japanese spitz | md | 5-9 | sp | 62
American eskimo dog | md | 5-16 | sp | 60
Volpino | md | 4-5 | sp | 55
Karelian bear dog | md | 17-28 | sp | 48
West Siberian laika | md | 16-23 | sp | 45
Schipperke | md | 4-9 | sp | 40
Norwegian lundehund | s2 | 6-9 | sp | 25
Basenji | s1 | 9-12 | ho | 12
German shepherd | md | 22-40 | sp | 45
German shepherd, long-haired | ld | 22-40 | sp | 70
White Swiss shepherd | md | 25-40 | sp | 50
Tervuren | ld | 20-30 | sp | 65
Groenendael | ld | 20-30 | sp | 65
Malinois | s2 | 20-30 | sp | 28
Laekenois | wd | 20-30 | sp | 50
Dutch shepherd | s2 | 22-32 | sp | 28
Swedish vallhund | md | 9-14 | sl | 38
Pembroke corgi | md | 10-14 | sl | 38
Cardigan corgi | md | 11-17 | sl | 36
Border collie | ld | 14-20 | co | 65
Border collie, smooth | s2 | 14-20 | co | 30
Rough collie | ld | 20-30 | co | 95
Smooth collie | s2 | 20-30 | co | 30
Shetland sheepdog | ld | 6-12 | co | 70
Australian shepherd | ld | 18-29 | co | 60
Miniature American shepherd | ld | 9-18 | co | 60
English shepherd | md | 18-28 | co | 45
Bearded collie | ld | 18-27 | co | 100
Old English sheepdog | ld | 27-45 | gu | 110
Australian cattle dog | s2 | 15-22 | co | 30
Kelpie | s2 | 14-20 | co | 24
Briard | ld | 30-45 | gu | 90
Pyrenean shepherd | ld | 7-14 | co | 70
Bouvier | wd | 27-40 | gu | 58
Puli | fl | 10-15 | co | 100
Komondor | fl | 40-60 | gu | 140
Golden retriever | ld | 25-36 | re | 62
Labrador | s2 | 25-36 | re | 28
Flat-coated retriever | ld | 25-36 | re | 62
Curly-coated retriever | fl | 25-40 | re | 35
Chesapeake Bay retriever | s2 | 25-36 | re | 32
Duck tolling retriever | ld | 17-23 | re | 60
English cocker spaniel | ld | 12-15 | re | 60
American cocker spaniel | fl | 10-14 | re | 60
Cocker spaniel | fl | 10-15 | re | 55
English springer spaniel | ld | 18-25 | re | 60
Welsh springer spaniel | ld | 16-20 | re | 60
Clumber spaniel | ld | 25-38 | gu | 60
Cavalier spaniel | ld | 5-8 | re | 60 | n
Brittany | ld | 14-20 | re | 60
Irish setter | ld | 24-32 | ho | 62
English setter | ld | 25-35 | ho | 62
Gordon setter | ld | 20-36 | ho | 62
Small Münsterländer | ld | 17-25 | re | 60
Hovawart | ld | 25-40 | re | 65
Vizsla | s1 | 20-30 | ho | 12
Weimaraner | s1 | 25-40 | ho | 14
Pointer | s1 | 20-34 | ho | 14
Smooth-haired pointer | s2 | 20-32 | ho | 18
German shorthaired pointer | s2 | 20-32 | ho | 18
German wirehaired pointer | wd | 27-32 | ho | 38
Wirehaired griffon | wd | 20-30 | ho | 45
Spinone | wd | 28-39 | ho | 48
Dalmatian | s2 | 20-32 | ho | 18
Portuguese water dog | fl | 16-27 | re | 60
Spanish water dog | fl | 14-22 | re | 60
Lagotto | fl | 11-16 | re | 50
Newfoundland | hd | 45-70 | gu | 75
Landseer | hd | 45-70 | gu | 72
Bernese mountain dog | ld | 35-55 | gu | 72
Greater Swiss mountain dog | s2 | 38-65 | gu | 32
Entlebucher | s2 | 21-28 | re | 26
Appenzeller | s2 | 22-32 | re | 30
Leonberger | hd | 41-75 | gu | 70
Saint Bernard, long-haired | hd | 54-82 | gu | 65
Saint Bernard, short-haired | md | 54-82 | gu | 38
Great Pyrenees | hd | 36-54 | gu | 85
Maremma | hd | 30-45 | gu | 80
Kuvasz | hd | 32-52 | gu | 75
Tatra sheepdog | hd | 36-60 | gu | 75
Akbash | hd | 34-64 | gu | 60
Caucasian shepherd | hd | 45-77 | gu | 90
Central Asian shepherd | md | 40-79 | gu | 50
Sarplaninac | hd | 30-45 | gu | 85
Tibetan mastiff | hd | 34-73 | gu | 85
Estrela mountain dog | ld | 35-60 | gu | 70
Kangal | s2 | 40-65 | gu | 34
Rottweiler | s2 | 35-60 | gu | 24
Mastiff | s2 | 54-100 | gu | 18 | n
Bullmastiff | s1 | 45-60 | gu | 15 | n
Cane corso | s2 | 40-50 | gu | 16
Great Dane | s1 | 45-90 | ho | 14
Boxer | s1 | 25-34 | ho | 13 | n
Beagle | s2 | 9-14 | ho | 20
Foxhound | s2 | 25-34 | ho | 20
Harrier | s2 | 18-27 | ho | 20
Coonhound | s2 | 20-36 | ho | 20
Bloodhound | s2 | 36-50 | ho | 20
Basset hound | s2 | 20-29 | sl | 22
Dachshund, smooth | s1 | 4-12 | sl | 12
Wire-haired dachshund | wd | 4-10 | sl | 32
Long-haired dachshund | ld | 4-10 | sl | 60
Whippet | s1 | 9-16 | ho | 9
Greyhound | s1 | 26-34 | ho | 10
Ridgeback | s1 | 29-41 | ho | 12
Borzoi | ld | 27-48 | ho | 70
Saluki | fl | 16-30 | ho | 35
Afghan hound | fl | 23-27 | ho | 120
Irish wolfhound | wd | 48-70 | ho | 55
Deerhound | wd | 34-50 | ho | 55
Otterhound | wd | 30-52 | ho | 58
Cairn terrier | wd | 6-8 | sl | 45
West Highland terrier | wd | 6-10 | sl | 50
Scottish terrier | wd | 8-10 | sl | 50
Norwich terrier | wd | 5-6 | sl | 40
Border terrier | wd | 5-7 | ho | 30
Airedale | wd | 20-29 | ho | 40
Russell terrier, smooth | s2 | 5-8 | ho | 20
Russell terrier, rough | wd | 5-8 | ho | 35
Rat terrier | s1 | 4-11 | ho | 12
Miniature schnauzer | wd | 5-9 | ho | 40
Schnauzer | wd | 14-26 | ho | 42
Giant schnauzer | wd | 25-48 | ho | 45
Yorkshire terrier | fl | 2-4 | sl | 120
Maltese | fl | 2-4 | sl | 120
Bichon | fl | 5-8 | sl | 60
Havanese | fl | 3-6 | sl | 100
Shih tzu | fl | 4-8 | sl | 110 | n
Lhasa apso | fl | 5-8 | sl | 120
Tibetan terrier | fl | 8-14 | co | 110
Tibetan spaniel | ld | 4-7 | sl | 60 | n
Pekingese | ld | 3.5-6 | sl | 65 | n
Japanese chin | ld | 2-4 | sl | 60 | n
Papillon | ld | 3-5 | co | 60
Poodle, toy | fl | 2-4 | ho | 40
Poodle, miniature | fl | 5-9 | ho | 45
Poodle, standard | fl | 20-32 | ho | 50
Pug | s2 | 6-9 | sl | 16 | n
French bulldog | s1 | 8-14 | sl | 12 | n
English bulldog | s1 | 18-25 | sl | 13 | n
Boston terrier | s1 | 5-11 | sl | 11 | n
Chihuahua, smooth | s2 | 1.5-3 | sl | 15
Chihuahua, long-haired | ld | 1.5-3 | sl | 60
Spitz mix | md | 6-25 | sp | 45
Husky mix | md | 16-30 | sp | 42
Shepherd mix | md | 20-38 | sp | 42
Husky and shepherd | md | 20-40 | sp | 45
Labrador mix | s2 | 18-36 | re | 28
Retriever mix | ld | 20-36 | re | 60
Collie mix | ld | 12-26 | co | 62
Sheepdog mix | ld | 18-40 | co | 85
Corgi mix | md | 9-16 | sl | 36
Guardian mix | hd | 35-65 | gu | 75
Mastiff mix | s2 | 30-60 | gu | 20
Hound mix | s2 | 12-32 | ho | 20
Pointer mix | s2 | 18-30 | ho | 18
Terrier mix | wd | 5-15 | ho | 36
Spaniel mix | ld | 8-20 | re | 60
Dachshund mix | s2 | 5-12 | sl | 22
Poodle mix | fl | 5-30 | re | 55
Miniature poodle mix | fl | 4-12 | re | 45
Retriever and poodle | fl | 20-36 | re | 60
Labrador and poodle | fl | 20-34 | re | 50
Spaniel and poodle | fl | 6-14 | re | 50
Mountain dog and poodle | fl | 25-45 | gu | 65
Small mix, smooth | s2 | 4-12 | sl | 20
Small mix, long | ld | 4-12 | sl | 60
`;

/** What a short key of a line stands for. */
const standsFor = <T>(table: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.entries(table).find(([own]) => own === key)?.[1];

/** "12-20" as a range above 0; undefined where it is none. */
function rangeOf(text: string): BreedRow['weightKg'] | undefined {
  const [low = NaN, high = NaN] = text.split('-').map(Number);
  return low > 0 && low <= high ? { low, high } : undefined;
}

function row(line: string): BreedRow {
  const cells = line.split('|').map((part) => part.trim());
  const cell = (at: number): string => cells[at] ?? '';
  const coatClass = standsFor(CLASS, cell(1));
  const weightKg = rangeOf(cell(2));
  const shape = standsFor(SHAPE, cell(3));
  const backMm = Number(cell(4));
  if (!coatClass || !shape || !weightKg || !(backMm > 0)) throw new TypeError(`a breed line cannot be read: ${line}`);
  return { name: cell(0), coatClass, weightKg, shape, backMm, traits: cell(5) === 'n' ? ['short-nosed'] : [] };
}

export const BREEDS: readonly BreedRow[] = LINES.trim().split('\n').map(row);

/** Letters and digits of a name, lower case, accents off, in words. */
const wordsOf = (text: string): readonly string[] =>
  text
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '')
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((w) => w !== '');

const INDEX = BREEDS.map((breed) => ({ breed, words: wordsOf(breed.name) }));

/** Pairs of neighbouring letters, a blank before and after. */
const pairsOf = (name: string): readonly string[] =>
  Array.from({ length: name.length + 1 }, (_, i) => ` ${name} `.slice(i, i + 2));

/** How much two names look alike, 0..1: pairs in common over pairs in all (Dice's coefficient). */
function likeness(a: readonly string[], b: readonly string[]): number {
  const rest = [...b];
  let common = 0;
  for (const pair of a) {
    const i = rest.indexOf(pair);
    if (i < 0) continue;
    rest.splice(i, 1);
    common++;
  }
  return (2 * common) / (a.length + b.length);
}
/** Names less alike than this are another breed, not a slip of the pen. Guess. */
const LEAST_LIKENESS = 0.6;

/**
 * Breeds that a typed text may mean, best first: every typed word must begin a word of the name.
 * An exact name comes first, then names that begin with the text, then the shortest. Where no name has such words,
 * those that are spelt nearly so.
 */
export function findBreeds(text: string, most = 8): readonly BreedRow[] {
  const typed = wordsOf(text);
  if (typed.length === 0) return [];
  const whole = typed.join(' ');
  const rank = (words: readonly string[]): number => {
    const name = words.join(' ');
    return name === whole ? 0 : name.startsWith(whole) ? 1 : 2;
  };
  const begun = INDEX.filter(({ words }) => typed.every((t) => words.some((w) => w.startsWith(t)))).sort(
    (a, b) => rank(a.words) - rank(b.words) || a.words.length - b.words.length,
  );
  const pairs = pairsOf(whole);
  const found =
    begun.length > 0
      ? begun
      : INDEX.map((i) => ({ ...i, alike: likeness(pairs, pairsOf(i.words.join(' '))) }))
          .filter((i) => i.alike >= LEAST_LIKENESS)
          .sort((a, b) => b.alike - a.alike);
  return found.slice(0, most).map(({ breed }) => breed);
}

/** The row whose name is exactly this, whatever its case and accents; undefined when nobody knows it. */
export const breedOf = (text: string): BreedRow | undefined => {
  const whole = wordsOf(text).join(' ');
  return INDEX.find(({ words }) => words.join(' ') === whole)?.breed;
};
