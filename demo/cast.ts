/** Made-up dogs, owners and tools of the demo salon; nobody here exists. */
import type { CoatClass, DogTrait } from '../core/dog/index.ts';
import type { Tool } from '../core/kit/index.ts';

export interface CastDog {
  readonly name: string;
  readonly breed: string;
  readonly coatClass: CoatClass;
  readonly weightKg: number;
  readonly backMm: number;
  readonly years: number;
  readonly owner: string;
  readonly traits: readonly DogTrait[];
  readonly outdoorShare: number;
  /** It stands longer than others of its kind. */
  readonly standingMinutes?: number;
  /** Its last visit was so many days ago, whatever its rhythm. */
  readonly lastDaysAgo?: number;
  /** A season so many days ago, and a blow that it began before anybody thought. */
  readonly inSeasonDaysAgo?: number;
  readonly blowDaysAgo?: number;
  /** ISO weekdays on which its owner can come; absent: any. */
  readonly weekdays?: readonly number[];
}

const d = (
  name: string,
  breed: string,
  coatClass: CoatClass,
  weightKg: number,
  backMm: number,
  years: number,
  owner: string,
  traits: readonly DogTrait[] = [],
  outdoorShare = 0.25,
): CastDog => ({ name, breed, coatClass, weightKg, backMm, years, owner, traits, outdoorShare });

/** Owners who work away from home all week, and those who are free on Fridays. */
const ON_SATURDAYS = ['Pilot', 'Harbour', 'Bollard', 'Marram', 'Rowan', 'Osprey', 'Tar', 'Linnet', 'Gannet'];
const ON_FRIDAYS = ['Thrift', 'Wick', 'Ferro', 'Quill', 'Scout', 'Squall'];
/** What is on purpose in some: when they were brought last, what came early, how long they stand. */
const PASTS: Readonly<Record<string, Partial<CastDog>>> = {
  Kelda: { lastDaysAgo: 30, standingMinutes: 210 },
  Anchor: { lastDaysAgo: 43 },
  Mist: { lastDaysAgo: 150 },
  Juniper: { lastDaysAgo: 44 },
  Velvet: { lastDaysAgo: 62, inSeasonDaysAgo: 68, blowDaysAgo: 10 },
};

const PLAIN_CAST: readonly CastDog[] = [
  d('Bollard', 'Samoyed', 'medium-double', 27, 62, 4, 'Ansa Merrivik', [], 0.4),
  d('Kelda', 'Newfoundland', 'heavy-double', 44, 75, 6, 'Rurik Sandhamn', [], 0.3),
  d('Puffin', 'Border collie', 'long-double', 19, 70, 3, 'Tove Klippholm'),
  d('Anchor', 'Labrador', 'smooth-double', 31, 26, 5, 'Oskari Vell'),
  d('Marram', 'Rough collie', 'long-double', 26, 95, 8, 'Ines Torpare', ['senior']),
  d('Sisu', 'Finnish lapphund', 'medium-double', 19, 60, 2, 'Kaarin Ullhage', [], 0.5),
  d('Gannet', 'Alaskan malamute', 'heavy-double', 41, 65, 5, 'Bo Fyrtorn', [], 0.7),
  d('Thrift', 'Pembroke corgi', 'medium-double', 12, 38, 4, 'Signy Hallonskar'),
  d('Skerry', 'Siberian husky', 'medium-double', 23, 48, 7, 'Mikael Ostrand', [], 0.6),
  d('Juniper', 'Golden retriever', 'long-double', 29, 65, 3, 'Elna Bryggare'),
  d('Tar', 'Flat-coated retriever', 'long-double', 32, 60, 9, 'Henning Stagg', ['senior', 'sore-joints']),
  d('Pilot', 'German shepherd', 'medium-double', 34, 45, 6, 'Ulla Vinterfjord', ['dryer-shy'], 0.4),
  d('Osprey', 'Bernese mountain dog', 'long-double', 44, 75, 4, 'Paavo Granlund'),
  d('Biscuit', 'Beagle', 'smooth-double', 14, 20, 5, 'Rikke Sundmar'),
  d('Ferro', 'Great Pyrenees', 'heavy-double', 48, 85, 7, 'Alarik Holmsten', [], 0.8),
  d('Linnet', 'Shetland sheepdog', 'long-double', 9, 68, 5, 'Maia Kobb'),
  d('Dorey', 'Pug', 'smooth-double', 9, 16, 4, 'Sture Almlund', ['short-nosed']),
  d('Rowan', 'Keeshond', 'medium-double', 19, 65, 3, 'Vendela Rask'),
  d('Mist', 'Leonberger', 'heavy-double', 57, 70, 3, 'Torkel Vikare', ['head-shy']),
  d('Cobble', 'Cairn terrier', 'harsh-double', 7.5, 45, 6, 'Maia Kobb'),
  d('Barley', 'Labrador mix', 'smooth-double', 27, 28, 2, 'Nils Aker'),
  d('Fathom', 'Whippet', 'smooth-single', 14, 9, 4, 'Sanna Ekvik'),
  d('Pebble', 'Spitz mix', 'medium-double', 8, 35, 0.6, 'Jorun Tallund', ['puppy-coat']),
  d('Squall', 'Akita', 'medium-double', 38, 50, 5, 'Edvin Morn', ['bites'], 0.4),
  d('Heather', 'Miniature poodle mix', 'fleece', 8, 45, 3, 'Lovisa Tegel'),
  d('Drift', 'Sheepdog mix', 'long-double', 30, 100, 6, 'Gunnel Sjoholm', ['previously-clipped']),
  d('Ember', 'Vizsla', 'smooth-single', 23, 11, 4, 'Aksel Brandt'),
  d('Wick', 'Chow chow', 'heavy-double', 27, 60, 8, 'Berit Klang', ['senior', 'short-nosed']),
  d('Coral', 'Cocker spaniel', 'fleece', 13, 55, 5, 'Dagny Femtorp'),
  d('Scout', 'Australian shepherd', 'long-double', 24, 62, 3, 'Einar Lovdal', [], 0.5),
  d('Nettle', 'Wire-haired dachshund', 'harsh-double', 9, 32, 7, 'Frida Sandell'),
  d('Harbour', 'Pomeranian', 'medium-double', 3.4, 55, 4, 'Greta Ny', ['show-coat']),
  d('Quill', 'Norwegian elkhound', 'medium-double', 22, 45, 5, 'Ingvar Stormark', [], 0.7),
  d('Saffron', 'Shiba', 'medium-double', 10, 36, 2, 'Jette Palmskar'),
  d('Grebe', 'Smooth-haired pointer', 'smooth-double', 26, 18, 6, 'Klara Dunlund'),
  d('Velvet', 'Tervuren', 'long-double', 25, 65, 4, 'Leif Orrbacka', [], 0.4),
];
export const CAST: readonly CastDog[] = PLAIN_CAST.map((dog) => ({
  ...dog,
  ...PASTS[dog.name],
  ...(ON_SATURDAYS.includes(dog.name) && { weekdays: [6] }),
  ...(ON_FRIDAYS.includes(dog.name) && { weekdays: [5, 6] }),
}));

/** What is here on purpose: the house is walked through, and its lists shown, with these. */
export const ON_PURPOSE = {
  /** A hot spot in its newest check: nobody grooms there today. */
  held: 'Juniper',
  /** Its home found a knot and asks. */
  reported: 'Rowan',
  /** Nobody has brought it for long. */
  late: 'Mist',
  /** Blows before its time, after a season. */
  early: 'Velvet',
  /** Looked at today; the first is fuller than was thought when it was booked. They must not meet. */
  today: ['Kelda', 'Anchor'],
  /** Newest clients, without any history. */
  newcomers: ['Skerry', 'Barley'],
  /** Were asked for a date a week ago and have not said yes. */
  undecided: ['Sisu', 'Biscuit', 'Fathom', 'Drift', 'Scout', 'Saffron'],
} as const;

/** A piece of the demo with what it cost and how long it has been in use. */
export interface DemoTool extends Tool {
  readonly costCents: number;
  readonly daysInUse: number;
}

export const DEMO_KIT: readonly DemoTool[] = [
  {
    id: 'long-rake',
    kind: 'rake',
    name: 'Long rake, 22 mm pins',
    pinMm: 22,
    spacingMm: 5,
    tip: 'rounded',
    widthMm: 95,
    rows: 1,
    material: 'metal',
    costCents: 2400,
    daysInUse: 610,
  },
  {
    id: 'turning-rake',
    kind: 'rotating-rake',
    name: 'Turning rake, 25 mm pins',
    pinMm: 25,
    spacingMm: 5,
    tip: 'rounded',
    widthMm: 100,
    material: 'metal',
    costCents: 3100,
    daysInUse: 420,
  },
  {
    id: 'firm-slicker',
    kind: 'firm-slicker',
    name: 'Firm slicker',
    spacingMm: 3,
    widthMm: 110,
    flexing: false,
    costCents: 1900,
    daysInUse: 300,
  },
  {
    id: 'long-slicker',
    kind: 'long-slicker',
    name: 'Long-pin slicker',
    pinMm: 26,
    spacingMm: 3.5,
    widthMm: 105,
    flexing: true,
    costCents: 4400,
    daysInUse: 240,
  },
  { id: 'soft-slicker', kind: 'soft-slicker', name: 'Soft slicker', widthMm: 110, costCents: 1700, daysInUse: 520 },
  {
    id: 'pin-brush',
    kind: 'pin-brush',
    name: 'Pin brush, oval',
    pinMm: 25,
    tip: 'rounded',
    wetSafe: true,
    costCents: 2300,
    daysInUse: 700,
  },
  {
    id: 'steel-comb',
    kind: 'comb',
    name: 'Steel comb, two pitches',
    pinMm: 32,
    widthMm: 190,
    material: 'metal',
    costCents: 2200,
    daysInUse: 900,
  },
  { id: 'fine-comb', kind: 'fine-comb', name: 'Close-tooth comb', spacingMm: 1, costCents: 900, daysInUse: 430 },
  {
    id: 'blade-comb',
    kind: 'blade-comb',
    name: 'Blade comb, 60 mm',
    widthMm: 60,
    material: 'metal',
    costCents: 4600,
    daysInUse: 200,
  },
  { id: 'curry', kind: 'rubber', name: 'Rubber curry, soft nubs', material: 'rubber', costCents: 1100, daysInUse: 350 },
  {
    id: 'bristle',
    kind: 'bristle',
    name: 'Bristle brush, beech back',
    material: 'natural',
    wetSafe: false,
    costCents: 1900,
    daysInUse: 800,
  },
  { id: 'splitter', kind: 'mat-splitter', name: 'Mat splitter', material: 'metal', costCents: 1600, daysInUse: 640 },
  { id: 'clipper', kind: 'clipper', name: 'Clipper, blunt blade', material: 'metal', costCents: 18900, daysInUse: 980 },
  { id: 'tub', kind: 'hand-bath', name: 'Tub by the window', costCents: 145000, daysInUse: 2100 },
  {
    id: 'force-dryer',
    kind: 'force-dryer',
    name: 'Force dryer, flat nozzle',
    airLps: 55,
    dbA: 88,
    heat: 'cool',
    nozzles: ['flat', 'cone'],
    costCents: 32900,
    daysInUse: 760,
  },
  {
    id: 'stand-dryer',
    kind: 'stand-dryer',
    name: 'Stand dryer',
    airLps: 40,
    dbA: 68,
    heat: 'warm',
    costCents: 21900,
    daysInUse: 1500,
  },
];

/** Brushes that lie in the homes of some dogs, by the dog's name. */
export const HOME_BRUSHES: readonly (readonly [string, Omit<Tool, 'id'>])[] = [
  ['Bollard', { kind: 'rake', name: 'Rake from the pet shop, 12 mm pins', pinMm: 12 }],
  ['Bollard', { kind: 'comb', name: 'Comb' }],
  ['Marram', { kind: 'pin-brush', name: 'Pin brush, long pins', pinMm: 27 }],
  ['Anchor', { kind: 'rubber', name: 'Rubber mitt' }],
  ['Puffin', { kind: 'soft-slicker', name: 'Soft slicker, small' }],
];

/** What was done to keep the demo's pieces: piece, act, days ago. */
export const DEMO_UPKEEP = [
  ['blade-comb', 'sharpened', 300],
  ['clipper', 'sharpened', 60],
  ['firm-slicker', 'replaced', 300],
  ...['long-rake', 'turning-rake', 'firm-slicker', 'long-slicker', 'soft-slicker', 'pin-brush'].map(
    (id) => [id, 'disinfected', 1] as const,
  ),
  ...['steel-comb', 'fine-comb', 'blade-comb', 'curry', 'bristle'].map((id) => [id, 'disinfected', 1] as const),
] as const;
