/**
 * Worked cases as a groomer would settle them: the condition, the stops, and the first piece taken in hand.
 *
 * Every expectation is common practice, written down from the trade before the program was asked, not from its output.
 * Rules of the table: each speaks in at least one case and is silent in at least one.
 */
import { expect } from 'chai';
import { openMethod, planVisit, rulesSpoken, type PlanRequest } from '../../core/bench/index.ts';
import { wholeCondition, zoneConditions, type ConditionKind, type ZoneFindings } from '../../core/check/index.ts';
import { coatRow, type CoatClass, type Dog, type DogTrait, type ZoneId } from '../../core/dog/index.ts';
import {
  DEFAULT_HOUSE,
  RULES,
  TOOL_KINDS,
  toolRow,
  type HouseRules,
  type Tool,
  type ToolKind,
} from '../../core/kit/index.ts';
import { checkOf, dogOf } from '../core/examples.ts';

/** A well-stocked wall, with pieces whose own measures matter to a rule. */
const WALL: readonly Tool[] = [
  ...TOOL_KINDS.filter((k) => k !== 'bather').map((kind): Tool => ({ id: kind, kind, name: kind })),
  { id: 'loud-dryer', kind: 'force-dryer', name: 'loud dryer', dbA: 97 },
  { id: 'hot-dryer', kind: 'stand-dryer', name: 'hot dryer', heat: 'hot' },
  { id: 'wooden', kind: 'bristle', name: 'wooden bristle', wetSafe: false },
  { id: 'pointed', kind: 'firm-slicker', name: 'pointed slicker', tip: 'pointed' },
  { id: 'plastic', kind: 'plastic-blade-comb', name: 'plastic edge', material: 'plastic' },
  { id: 'plastic-comb', kind: 'comb', name: 'plastic comb', material: 'plastic' },
];

const CLEAR: ZoneFindings = { finger: 0, tug: 0, comb: 'glides' };
const KEPT: ZoneFindings = { finger: 1, tug: 1, comb: 'glides' };
const SHEDS: ZoneFindings = { finger: 1, tug: 2, comb: 'glides' };
const LOOSE: ZoneFindings = { finger: 2, tug: 2, comb: 'drags' };
const LIVE: ZoneFindings = { finger: 3, tug: 0, comb: 'glides' };
const PACKED: ZoneFindings = { finger: 3, tug: 2, comb: 'stops' };
const PLATE: ZoneFindings = { finger: 4, tug: 3, comb: 'stops' };
const KNOT: ZoneFindings = { ...LOOSE, tie: 'knot' };
const MAT: ZoneFindings = { finger: 3, tug: 0, comb: 'stops', tie: 'mat' };
const PELT: ZoneFindings = { finger: 4, tug: 0, comb: 'stops', tie: 'pelt' };

const RAKE: readonly ToolKind[] = ['rake', 'rotating-rake'];
const SLICKER: readonly ToolKind[] = ['soft-slicker', 'firm-slicker', 'long-slicker'];
const BLADE: readonly ToolKind[] = ['blade-comb', 'plastic-blade-comb'];

interface Case {
  readonly what: string;
  readonly coat: readonly [CoatClass, kg: number, backMm: number];
  readonly all: ZoneFindings;
  readonly zones?: Partial<Record<ZoneId, ZoneFindings>>;
  readonly traits?: readonly DogTrait[];
  readonly dog?: Partial<Dog>;
  readonly house?: Partial<HouseRules>;
  readonly kit?: readonly Tool[];
  readonly inspection?: PlanRequest['check']['inspection'];
  readonly airC?: number;
  readonly daysSinceBath?: number;
  /** What the coat is called as a whole. */
  readonly is: ConditionKind;
  /** Zones that are called otherwise. */
  readonly zonesAre?: Partial<Record<ZoneId, ConditionKind>>;
  /** Zones left alone; 'dog' when nothing is done today. */
  readonly stops?: readonly ZoneId[] | 'dog';
  /** First piece in hand on this dog, or in a zone of it; none where nobody works. */
  readonly first?: readonly ToolKind[];
  readonly at?: ZoneId;
  /** Schools that a groomer would expect to be recommended. */
  readonly school?: readonly string[];
}

const CASES: readonly Case[] = [
  // Packed, loose, clear: reading the coat.
  {
    what: 'a giant in full blow, plates all over',
    coat: ['heavy-double', 50, 80],
    all: PLATE,
    is: 'packed',
    school: ['wet-first'],
    first: ['firm-slicker', 'long-slicker'],
  },
  {
    what: 'the same giant without a bather or strong air',
    coat: ['heavy-double', 50, 80],
    all: PLATE,
    kit: WALL.filter((t) => t.kind !== 'force-dryer'),
    is: 'packed',
    school: ['dry-first', 'damp-line'],
    first: [...RAKE, 'pin-brush'],
  },
  {
    what: 'a guardian that lives outdoors, packed',
    coat: ['heavy-double', 48, 85],
    all: PACKED,
    dog: { outdoorShare: 0.9 },
    is: 'packed',
    school: ['wet-first', 'air-first'],
  },
  {
    what: 'a plush spitz at the start of its blow',
    coat: ['medium-double', 25, 55],
    all: LOOSE,
    is: 'loose',
    first: [...RAKE, ...SLICKER],
  },
  {
    what: 'packed at ruff, breeches and tail only',
    coat: ['medium-double', 25, 55],
    all: LOOSE,
    zones: {
      'ruff.left': PACKED,
      'ruff.right': PACKED,
      'breeches.left': PACKED,
      'breeches.right': PACKED,
      tail: PACKED,
    },
    is: 'packed',
    zonesAre: { back: 'loose', tail: 'packed' },
  },
  {
    what: 'a full live winter coat, nothing comes',
    coat: ['medium-double', 25, 55],
    all: LIVE,
    is: 'dense',
    first: [...RAKE, ...SLICKER],
  },
  { what: 'a coat kept well at home', coat: ['long-double', 28, 90], all: KEPT, is: 'clear' },
  { what: 'just de-shed, skin at a touch', coat: ['smooth-double', 30, 26], all: CLEAR, is: 'clear' },
  {
    what: 'a smooth double in blow',
    coat: ['smooth-double', 30, 26],
    all: LOOSE,
    is: 'loose',
    school: ['smooth'],
    first: ['rubber'],
  },
  {
    what: 'fine pass on a smooth double: the blade on the torso',
    coat: ['smooth-double', 40, 26],
    all: LOOSE,
    house: { blade: 'smooth-doubles' },
    is: 'loose',
    school: ['smooth'],
  },
  {
    what: 'a smooth single: rubber and bristle',
    coat: ['smooth-single', 22, 10],
    all: SHEDS,
    is: 'loose',
    school: ['smooth'],
    first: ['rubber', 'bristle'],
  },
  {
    what: 'a harsh coat, loose',
    coat: ['harsh-double', 8, 40],
    all: LOOSE,
    is: 'loose',
    first: [...RAKE, ...SLICKER, 'rubber'],
  },
  {
    what: 'a long single coat: the comb decides',
    coat: ['fleece', 10, 60],
    all: KEPT,
    is: 'clear',
    first: ['pin-brush', 'comb', ...SLICKER],
  },
  {
    what: 'a long coat between baths, maintained',
    coat: ['long-double', 24, 70],
    all: KEPT,
    house: { weights: { hairOut: 10, minutes: 70, skin: 10, comfort: 10, dust: 0 } },
    is: 'clear',
    school: ['damp-line'],
    first: ['pin-brush'],
  },

  // Tied hair: decided before any water.
  {
    what: 'one knot behind an ear',
    coat: ['long-double', 24, 70],
    all: KEPT,
    zones: { 'ears.left': KNOT },
    is: 'clear',
    zonesAre: { 'ears.left': 'knotted' },
    at: 'ears.left',
    first: ['comb'],
  },
  {
    what: 'a mat in each armpit, worked out',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    zones: { 'armpit.left': MAT, 'armpit.right': MAT },
    is: 'loose',
    zonesAre: { 'armpit.left': 'matted' },
    at: 'armpit.left',
    first: ['comb'],
  },
  {
    what: 'a mat at the breeches in a house that splits',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    zones: { 'breeches.left': MAT },
    house: { mats: 'split' },
    is: 'loose',
    at: 'breeches.left',
    first: ['mat-splitter'],
  },
  {
    what: 'the same in a house that clips',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    zones: { 'breeches.left': MAT },
    house: { mats: 'clip' },
    is: 'loose',
    at: 'breeches.left',
    first: ['clipper'],
  },
  {
    what: 'a mat on a show coat is never cut',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    zones: { 'breeches.left': MAT },
    traits: ['show-coat'],
    house: { mats: 'clip' },
    is: 'loose',
    at: 'breeches.left',
    first: ['comb'],
  },
  {
    what: 'felted behind an ear',
    coat: ['fleece', 10, 60],
    all: KEPT,
    zones: { 'ears.right': PELT },
    is: 'clear',
    zonesAre: { 'ears.right': 'pelted' },
    at: 'ears.right',
    first: ['clipper'],
  },
  {
    what: 'knots with a house that sprays',
    coat: ['long-double', 24, 70],
    all: KEPT,
    zones: { 'foreleg.left': KNOT },
    house: { spray: 'spray' },
    is: 'clear',
    at: 'foreleg.left',
    first: ['comb'],
  },
  { what: 'matted over half the dog', coat: ['long-double', 20, 80], all: MAT, is: 'matted', first: ['comb'] },
  { what: 'a plate is not a mat', coat: ['long-double', 28, 90], all: PLATE, is: 'packed' },

  // Stops.
  {
    what: 'a hot spot on the hip',
    coat: ['long-double', 29, 65],
    all: LOOSE,
    zones: { 'hip.left': { ...LOOSE, skin: 'hot-spot' } },
    is: 'loose',
    zonesAre: { 'hip.left': 'stop' },
    stops: ['hip.left'],
    at: 'hip.left',
    first: [],
  },
  {
    what: 'a wound on the foreleg',
    coat: ['medium-double', 20, 50],
    all: LOOSE,
    zones: { 'foreleg.right': { skin: 'wound' } },
    is: 'loose',
    stops: ['foreleg.right'],
  },
  {
    what: 'a lump nobody knew',
    coat: ['smooth-double', 30, 26],
    all: KEPT,
    zones: { 'ribs.left': { ...KEPT, skin: 'new-lump' } },
    is: 'clear',
    stops: ['ribs.left'],
  },
  {
    what: 'a lump the owner knows',
    coat: ['smooth-double', 30, 26],
    all: LOOSE,
    zones: { 'ribs.left': { ...LOOSE, skin: 'lump' } },
    is: 'loose',
    stops: [],
  },
  {
    what: 'ticks in one place',
    coat: ['smooth-double', 30, 26],
    all: KEPT,
    zones: { 'ears.left': { ...KEPT, skin: 'parasites' } },
    is: 'clear',
    stops: ['ears.left'],
  },
  {
    what: 'fleas everywhere: isolate',
    coat: ['smooth-double', 30, 26],
    all: { ...KEPT, skin: 'parasites' },
    is: 'clear',
    stops: 'dog',
  },
  {
    what: 'lame today',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    kit: [],
    inspection: { stance: 'trouble' },
    is: 'loose',
    stops: 'dog',
  },
  {
    what: 'pain at the hips',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    inspection: { joints: 'trouble' },
    is: 'loose',
    stops: 'dog',
  },
  {
    what: 'hard breathing',
    coat: ['heavy-double', 60, 70],
    all: PACKED,
    inspection: { breathing: 'trouble' },
    is: 'packed',
    stops: 'dog',
  },
  {
    what: 'a torn nail is noted, the coat is worked',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    inspection: { nails: 'trouble' },
    is: 'loose',
    stops: [],
    first: [...RAKE, ...SLICKER],
  },
  { what: 'felted all over, old', coat: ['fleece', 12, 50], all: PELT, traits: ['senior'], is: 'pelted', stops: 'dog' },
  {
    what: 'felted all over, young and sound: the clipper, by agreement',
    coat: ['fleece', 12, 50],
    all: PELT,
    is: 'pelted',
    stops: [],
    first: ['clipper'],
  },

  // Skin, and dogs that need care.
  {
    what: 'pink skin on the back: no rake, no slicker',
    coat: ['medium-double', 25, 50],
    all: LOOSE,
    zones: { back: { ...LOOSE, skin: 'pink' } },
    is: 'loose',
    at: 'back',
    first: ['comb', 'rubber', 'pin-brush', 'bristle'],
  },
  {
    what: 'dander under a packed coat',
    coat: ['heavy-double', 45, 75],
    all: { ...PACKED, skin: 'dander' },
    is: 'packed',
    stops: [],
    first: ['firm-slicker', 'long-slicker'],
  },
  {
    what: 'skin trouble: no blade anywhere',
    coat: ['smooth-double', 30, 26],
    all: LOOSE,
    traits: ['skin-trouble', 'medicines'],
    is: 'loose',
    first: ['rubber'],
  },
  {
    what: 'an old dog with sore joints',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    traits: ['senior', 'sore-joints'],
    is: 'loose',
    first: ['rotating-rake', 'soft-slicker', 'long-slicker', 'rubber'],
  },
  {
    what: 'puppy coat',
    coat: ['medium-double', 9, 35],
    all: SHEDS,
    traits: ['puppy-coat'],
    is: 'loose',
    first: ['rotating-rake', 'soft-slicker', 'rubber', 'rake'],
  },
  {
    what: 'short-nosed, a hot room',
    coat: ['smooth-double', 11, 16],
    all: SHEDS,
    traits: ['short-nosed'],
    airC: 31,
    is: 'loose',
    first: ['rubber'],
  },
  {
    what: 'head-shy: nothing blows at the head',
    coat: ['heavy-double', 55, 70],
    all: PACKED,
    traits: ['head-shy', 'dryer-shy'],
    is: 'packed',
  },
  { what: 'may bite', coat: ['medium-double', 36, 50], all: LOOSE, traits: ['bites', 'nervous'], is: 'loose' },
  {
    what: 'a show coat in blow: no blade, nothing cut',
    coat: ['medium-double', 20, 60],
    all: LOOSE,
    traits: ['show-coat'],
    is: 'loose',
    first: [...RAKE, ...SLICKER],
  },
  {
    what: 'clipped last summer: no blade on the regrowth',
    coat: ['medium-double', 30, 30],
    all: LOOSE,
    traits: ['previously-clipped'],
    house: { blade: 'any-legal' },
    is: 'loose',
    first: [...RAKE, ...SLICKER, 'rubber'],
  },
  {
    what: 'clipped to the skin: hair of 6 mm',
    coat: ['long-double', 30, 6],
    all: KEPT,
    traits: ['previously-clipped'],
    is: 'clear',
    first: ['rubber', 'soft-slicker', 'comb', 'fine-comb', 'rotating-rake', 'rake', 'bristle'],
  },

  // Houses.
  {
    what: 'a house without blades',
    coat: ['smooth-double', 40, 26],
    all: LOOSE,
    house: { blade: 'never' },
    is: 'loose',
    first: ['rubber'],
  },
  {
    what: 'a house that brushes nothing wet',
    coat: ['heavy-double', 50, 80],
    all: PACKED,
    house: { wetBrushing: 'never' },
    is: 'packed',
    school: ['dry-first'],
    first: RAKE,
  },
  {
    what: 'a house that brushes damp only',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    house: { wetBrushing: 'damp-only' },
    is: 'loose',
    school: ['dry-first', 'damp-line'],
    first: [...RAKE, 'pin-brush'],
  },
  {
    what: 'slicker first, then rake',
    coat: ['medium-double', 25, 50],
    all: LOOSE,
    house: { slickerOrder: 'slicker-first', wetBrushing: 'never' },
    is: 'loose',
    school: ['dry-first'],
    first: SLICKER,
  },
  {
    what: 'bathed four days ago in a weekly house',
    coat: ['smooth-double', 30, 26],
    all: LOOSE,
    house: { bath: 'weekly' },
    daysSinceBath: 4,
    is: 'loose',
    first: ['rubber'],
  },

  // Kits.
  {
    what: 'no rake on the wall: the comb stands in',
    coat: ['medium-double', 25, 50],
    all: LOOSE,
    kit: WALL.filter((t) => !RAKE.includes(t.kind)),
    house: { wetBrushing: 'never' },
    is: 'loose',
    first: ['comb'],
  },
  {
    what: 'no blade on the wall: the close-tooth comb stands in',
    coat: ['smooth-double', 40, 26],
    all: LOOSE,
    kit: WALL.filter((t) => !BLADE.includes(t.kind)),
    is: 'loose',
    first: ['rubber'],
  },
  {
    what: 'a beginner with rubber, bristle and a tub',
    coat: ['smooth-single', 20, 12],
    all: SHEDS,
    kit: WALL.filter(
      (t) => ['rubber', 'hand-bath', 'towel'].includes(t.kind) || t.id === 'bristle' || t.id === 'stand-dryer',
    ),
    is: 'loose',
    school: ['smooth'],
    first: ['rubber'],
  },
  {
    what: 'a bather in the tub',
    coat: ['heavy-double', 50, 80],
    all: PLATE,
    kit: [...WALL, { id: 'bather', kind: 'bather', name: 'bather' }],
    is: 'packed',
    school: ['wet-first'],
  },
];

const requestOf = (c: Case): PlanRequest => ({
  dog: dogOf(c.coat[0], c.coat[1], { traits: c.traits ?? [], ...c.dog }),
  check: {
    ...checkOf(c.coat[1], c.coat[2], c.all, c.zones),
    inspection: c.inspection ?? {},
    ...(c.airC !== undefined && { air: { temperatureC: c.airC } }),
  },
  kit: c.kit ?? WALL,
  house: { ...DEFAULT_HOUSE, ...c.house },
  daysSinceBath: c.daysSinceBath,
});

describe('worked cases (common practice)', () => {
  it('are at least 40', () => expect(CASES.length).to.be.at.least(40));

  for (const c of CASES) {
    it(c.what, () => {
      const request = requestOf(c);
      const plan = planVisit(request);
      const conditions = zoneConditions(request.check, coatRow(request.dog.coatClass));
      expect(wholeCondition(conditions).kind, 'the coat as a whole').to.equal(c.is);
      for (const [id, kind] of Object.entries(c.zonesAre ?? {})) {
        expect(conditions.find((z) => z.zone === id)?.kind, id).to.equal(kind);
      }
      if (c.stops === 'dog') {
        expect(plan.stops.dog, 'stops the dog').to.not.have.length(0);
        expect(plan.methods).to.have.length(0);
        return;
      }
      expect(plan.stops.dog, 'goes on').to.have.length(0);
      if (c.stops) expect(plan.stops.zones.map((s) => s.zone)).to.deep.equal(c.stops);
      const best = plan.recommended && openMethod(plan, plan.recommended.method);
      if (!best) throw new Error('no method is open');
      if (c.school) expect(c.school, 'school').to.include(best.method);
      if (!c.first) return;
      const byHand = best.steps.filter((s) => toolRow(s.tool.kind).cm2PerMinute > 0);
      const first = byHand.find((s) => !c.at || s.zones.some((z) => z.zone === c.at));
      if (c.first.length === 0) expect(first, 'nothing is taken in hand there').to.equal(undefined);
      else expect(c.first, `${best.method} begins with ${first?.tool.kind ?? 'nothing'}`).to.include(first?.tool.kind);
    });
  }

  it('make every rule speak in at least one and be silent in at least one', () => {
    const counts = new Map(RULES.map((r) => [r.id, 0]));
    for (const c of CASES) {
      for (const id of rulesSpoken(requestOf(c)).keys()) counts.set(id, (counts.get(id) ?? 0) + 1);
    }
    const mute = [...counts].filter(([, n]) => n === 0).map(([id]) => id);
    const always = [...counts].filter(([, n]) => n === CASES.length).map(([id]) => id);
    expect(mute, 'rules that never speak').to.deep.equal([]);
    expect(always, 'rules that are never silent').to.deep.equal([]);
  });
});
