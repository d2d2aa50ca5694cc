/** The kit in words: measures, fits and why one piece goes before another, wear and what is due. */
import type { BadlyServed } from '../../core/bench/index.ts';
import { regionRow, coatRow } from '../../core/dog/index.ts';
import {
  rule,
  toolRow,
  type Due,
  type FitMeasure,
  type FitPart,
  type Rule,
  type Severity,
  type Tool,
  type UpkeepAct,
  type Wetness,
} from '../../core/kit/index.ts';
import { unreachable } from '../../core/quantity/index.ts';
import { capital, listText, minutesText, percent } from './figures.ts';
import { lengthText, temperatureText } from './units.ts';

const NBSP = '\u00a0';
const mm = (value: number): string => lengthText(value >= 10 ? Math.round(value) : Math.round(value * 10) / 10);

export const SEVERITY_WORDS: Readonly<Record<Severity, string>> = {
  stop: 'Stop',
  never: 'Never',
  warn: 'Mind',
  prefer: 'Rather',
};
export const WETNESS_WORDS: Readonly<Record<Wetness, string>> = {
  dry: 'dry',
  damp: 'damp',
  soapy: 'soapy',
  wet: 'wet',
};
export const MEASURE_WORDS: Readonly<Record<FitMeasure, string>> = {
  reach: 'reach',
  spacing: 'spacing',
  topcoat: 'topcoat',
  skin: 'skin',
  speed: 'speed',
  yield: 'hair out',
};
export const UPKEEP_WORDS: Readonly<Record<UpkeepAct, string>> = {
  sharpened: 'sharpen',
  replaced: 'replace',
  disinfected: 'disinfect',
};

/** What was measured in a part of a fit. */
export function partText({ measure, value, against }: FitPart): string {
  switch (measure) {
    case 'reach':
      return value >= against
        ? `touches the bottom of the coat (${mm(against)} deep)`
        : `gets ${mm(value)} down of ${mm(against)}`;
    case 'spacing':
      return `gaps of ${mm(value)}, ${mm(against)} would suit this undercoat`;
    case 'topcoat':
      return `a working frays ${percent(value)} of the guard hair`;
    case 'skin':
      return `one pass loads the skin by ${percent(value)} of what it bears here`;
    case 'speed':
      return value === 0 ? 'no pace of its own' : `works ${Math.round(value)}${NBSP}cm² a minute`;
    case 'yield':
      return `a working moves ${percent(value)} of the loose hair`;
    default:
      return unreachable(measure);
  }
}

/** The measure of another piece, said after "the … ". */
export function loserText({ measure, value, against }: FitPart): string {
  switch (measure) {
    case 'reach':
      return value >= against ? 'touches it too' : `gets ${mm(value)} down`;
    case 'spacing':
      return `has ${mm(value)}`;
    case 'topcoat':
      return `frays ${percent(value)}`;
    case 'skin':
      return `loads it by ${percent(value)}`;
    case 'speed':
      return `works ${Math.round(value)}${NBSP}cm²`;
    case 'yield':
      return `moves ${percent(value)}`;
    default:
      return unreachable(measure);
  }
}

/** "22 mm pins, 5 mm apart, rounded tips, 88 dB(A)". */
export function measuresText(t: Tool): string {
  const said = [
    t.pinMm !== undefined && `${mm(t.pinMm)} pins`,
    t.spacingMm !== undefined && `${mm(t.spacingMm)} apart`,
    t.rows !== undefined && t.rows > 1 && `${t.rows} rows`,
    t.widthMm !== undefined && `${mm(t.widthMm)} wide`,
    t.tip && `${t.tip} tips`,
    t.turning && 'turning pins',
    t.flexing && 'flexing head',
    t.wetSafe === false && 'keep dry',
    t.material,
    t.airLps !== undefined && `${t.airLps}${NBSP}l/s of air`,
    t.dbA !== undefined && `${t.dbA}${NBSP}dB(A)`,
    t.heat && `${t.heat} air`,
    t.nozzles && t.nozzles.length > 0 && `${listText(t.nozzles)} nozzle`,
  ].filter((part) => typeof part === 'string');
  return said.join(', ');
}

const hours = (minutes: number): string =>
  minutes < 60 ? minutesText(Math.round(minutes)) : `${Math.round(minutes / 60)}${NBSP}h`;

/** How far a piece is worn towards what is due on it. */
export const dueText = (due: Due): string =>
  due.unit === 'dogs'
    ? `${due.used} ${due.used === 1 ? 'dog' : 'dogs'} since it was disinfected`
    : `${capital(UPKEEP_WORDS[due.act])}: ${hours(due.used)} of ${hours(due.bears)}`;

export function badlyText(b: BadlyServed): string {
  const where = `${capital(regionRow(b.region).name)} of ${coatRow(b.coatClass).name} coats`;
  switch (b.why) {
    case 'nothing-allowed':
      return `${where}: nothing in the kit may touch it.${b.rule ? ` ${rule(b.rule).statement}` : ''}`;
    case 'never-proved':
      return `${where}: what the kit has never takes enough out.`;
    case 'slow':
      return `${where}: what the kit has takes much longer than need be.`;
    default:
      return unreachable(b.why);
  }
}

/** What of a rule's place lies in the coat and the skin. */
const coatWords = ({ regions, wetness, classes, conditions, ties, skins }: Rule['when']) => [
  regions && listText(regions.map((r) => regionRow(r).name)),
  wetness && `${listText(wetness.map((w) => WETNESS_WORDS[w]))} coat`,
  classes && `${listText(classes.map((c) => coatRow(c).name))} coats`,
  conditions && listText(conditions),
  ties && `tie: ${listText(ties)}`,
  skins && `skin: ${listText(skins.map((s) => s.replace('-', ' ')))}`,
];
/** What of it lies in lengths, the house, the air and the day. */
const limitWords = ({ guardOverMm, guardUnderMm, house, piece, airOverC, sinceBath, dogStops }: Rule['when']) => [
  guardOverMm !== undefined && `hair over ${mm(guardOverMm)}`,
  guardUnderMm !== undefined && `hair under ${mm(guardUnderMm)}`,
  house && 'by house rule',
  piece && 'by the piece itself',
  airOverC !== undefined && `over ${temperatureText(airOverC)}`,
  sinceBath && 'soon after a bath',
  dogStops && 'whole dog',
];

/** Where a rule applies, in words. */
export function whereText({ when }: Rule): string {
  const said = [
    when.tools && listText(when.tools.map((k) => toolRow(k).name)),
    ...coatWords(when),
    when.traits && listText(when.traits.map((t) => t.replace('-', ' '))),
    ...limitWords(when),
  ].filter((part) => typeof part === 'string');
  return said.length === 0 ? 'everywhere' : said.join('; ');
}
