/**
 * Decides the figures of the release model: one table, from which every check value has to come out.
 *
 * A row is a guess until the log corrects it, unless it is marked otherwise. Anyone who asks what a figure does
 * (docs/model.md has the answer for each) computes with `figuresWith`; nobody else changes one.
 */
import { COMMON_PRACTICE, GUESS, type Source } from '../quantity/index.ts';

export interface FigureRow {
  readonly value: number;
  readonly unit: string;
  readonly what: string;
  readonly source: Source;
}

const guess = (value: number, unit: string, what: string): FigureRow => ({ value, unit, what, source: GUESS });
const practice = (value: number, unit: string, what: string): FigureRow => ({
  value,
  unit,
  what,
  source: COMMON_PRACTICE,
});

export const FIGURE_ROWS = {
  // what the hands do
  effectPerPass: guess(1.2, 'a pass', 'how fast passes tell: one pass does 1 − exp(−1.2) of what a tool can do'),
  lineMm: guess(60, 'mm', 'long hair is worked in lines: time doubles for every so much guard hair'),
  soapSlows: guess(1.2, '×', 'soap is worked area by area and put back where it ran off'),
  mostPasses: guess(8, 'passes', 'nobody works one zone longer with one piece'),
  leastPasses: guess(0.2, 'passes', 'less is not worth picking a tool up for'),
  proofPasses: guess(0.5, 'passes', 'passes of the comb that prove a zone that was loose or packed'),
  proofTakes: guess(0.25, '×', 'what a comb takes that is let fall through against one that works'),
  proofShare: practice(0.1, 'share', 'of the hand minutes, the most that the comb takes as the proof'),
  proofPerM2: guess(4.4, 'min/m²', 'the comb as the proof over a coat that hardly needed hands'),
  openingPasses: guess(0.4, 'passes', 'fewest passes of the pin brush that open the lines of a long coat'),
  clippedSlows: practice(
    1.6,
    '×',
    'hand work in a coat that was clipped before: under and over coat grow back together',
  ),
  // what the skin and the topcoat bear
  bareSkin: guess(1.8, '×', 'load of a pass on bare skin against shielded skin'),
  soapSkin: guess(0.75, '×', 'load under lather against dry'),
  keptForProof: guess(0.12, 'share', 'of what the skin bears, kept for the comb'),
  wearPerPass: guess(0.45, '×', 'topcoat wear of a pass, of what a full dry working of long hair frays'),
  wearLengthMm: guess(60, 'mm', 'guard hair as long as this shows every frayed end'),
  wearWet: guess(0.65, '×', 'wear of damp or soapy guard hair against dry'),
  wearPet: guess(0.35, 'share', 'topcoat wear a pet bears in one visit'),
  wearClipped: guess(0.25, 'share', 'topcoat wear a coat that was clipped before bears'),
  wearShow: guess(0.18, 'share', 'topcoat wear a show coat bears'),
  // ties
  knotMinutes: guess(2, 'min', 'a knot in one zone, with the comb'),
  matMinutes: guess(6, 'min', 'a mat in one zone, with the comb'),
  peltMinutes: guess(12, 'min', 'a pelt in one zone, with the comb'),
  splitterTime: guess(0.6, '×', 'time of the splitter against the comb'),
  clipperTime: guess(0.3, '×', 'time of the clipper against the comb'),
  clipPerM2: guess(35, 'min/m²', 'clipping by a vet’s order, over the surface'),
  sprayTime: guess(0.85, '×', 'time of the comb with detangling spray'),
  wetTieTime: guess(1.6, '×', 'time in a tie that got wet first'),
  // water
  bathFixed: guess(3, 'min', 'bath: dog in and out of the tub'),
  bathPerM2: guess(5.5, 'min/m²', 'bath: soap and hands over the surface'),
  bathPerMl: practice(0.01, 'min/mL', 'bath: water in and out of the coat; a packed giant by hand is about 30 min'),
  plateSlows: guess(0.25, '×', 'bath: how much longer where all of the surface is packed'),
  batherShare: practice(0.5, '×', 'bath with a recirculating bather: about half'),
  rewashShare: guess(0.55, '×', 'second wash after work in soap, of a bath without plates'),
  heldByLoad: guess(0.3, '×', 'a full load of loose wool holds so much more water than a bare coat'),
  mistFixed: guess(1, 'min', 'mist: mix and start'),
  mistPerM2: guess(2, 'min/m²', 'mist over the surface'),
  towelFixed: guess(1.5, 'min', 'towel: wrap and start'),
  towelPerM2: guess(2.5, 'min/m²', 'towel over the surface'),
  towelLeaves: guess(0.6, 'share', 'of the water in a wet coat, left by the towel'),
  waterTells: guess(3, 'a bath', 'how fast minutes of water and air tell: three quarters of the time do 94 %'),
  // air
  dryFixed: guess(2, 'min', 'drying: set up, hood, first touch'),
  forceMl: guess(48, 'mL/min', 'water a force dryer drives out'),
  standMl: guess(17, 'mL/min', 'water a stand dryer drives out'),
  roomMlPerHour: guess(120, 'mL/h', 'water that a towelled coat gives off in a warm room'),
  humiditySlows: guess(0.006, 'a point', 'slower drying for each point of humidity over 50 %'),
  airFixed: guess(2, 'min', 'blow-out: set up'),
  airPerM2: guess(9, 'min/m²', 'blow-out over the surface'),
  // what is aimed at
  combGlides: guess(0.24, 'share', 'the comb falls through where no more of the class’s full load than this stands'),
  worthOfFall: guess(1.3, '×', 'a gram that keeps the comb from falling through counts so many times more'),
  stopYield: guess(0.08, 'g/min', 'work stops where a minute more would take less, in a house of usual weights'),
  // two at one dog
  teamHands: guess(0.62, '×', 'clock of hand work where two work'),
  teamWater: guess(0.78, '×', 'clock of bath, towel and mist where one holds'),
  teamAir: guess(0.7, '×', 'clock of drying where two dry or one turns the dog'),
  teamTies: guess(0.8, '×', 'clock of ties where one holds the skin'),
  // whole columns of the tables, so that each can be asked about
  columnFree: guess(1, '×', 'column: free hair a tool takes'),
  columnDeep: guess(1, '×', 'column: deep hair a tool takes'),
  columnOpen: guess(1, '×', 'column: packed hair a tool opens'),
  columnSkin: guess(1, '×', 'column: skin load of a tool'),
  columnPace: guess(1, '×', 'column: pace of a tool'),
  columnFray: guess(1, '×', 'column: guard hair a tool frays'),
  columnLoad: guess(1, '×', 'column: full load of a coat class'),
  columnHeld: guess(1, '×', 'column: water a coat class holds'),
} satisfies Readonly<Record<string, FigureRow>>;

export type FigureKey = keyof typeof FIGURE_ROWS;
export type Figures = Readonly<Record<FigureKey, number>>;

const keys = Object.keys(FIGURE_ROWS).filter((k): k is FigureKey => k in FIGURE_ROWS);
export const FIGURE_KEYS: readonly FigureKey[] = keys;

const usual: Partial<Record<FigureKey, number>> = {};
for (const key of keys) usual[key] = FIGURE_ROWS[key].value;
const complete = (f: Partial<Record<FigureKey, number>>): f is Record<FigureKey, number> =>
  keys.every((k) => f[k] !== undefined);
if (!complete(usual)) throw new TypeError('every figure has a value');

/** The figures as they stand. */
export const FIGURES: Figures = usual;

/** The figures with some of them changed, to ask what they do. */
export const figuresWith = (changed: Partial<Figures>): Figures => ({ ...FIGURES, ...changed });
