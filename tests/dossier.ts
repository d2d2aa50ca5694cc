/**
 * What the dossier of the release model says of each figure: its value, its mark, and what a fifth more or less
 * of it does to minutes and to the hair out, over five dogs that are as unlike as dogs are.
 * Run by itself (`npm run dossier`), it writes its table into docs/model.md; a test holds the two together.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import {
  clockShare,
  FIGURE_KEYS,
  FIGURE_ROWS,
  figuresWith,
  FIGURES,
  openMethod,
  PHASES,
  planVisit,
  type FigureKey,
  type Figures,
  type MethodId,
  type PlanRequest,
} from '../core/bench/index.ts';
import type { ZoneFindings } from '../core/check/index.ts';
import { DEFAULT_HOUSE } from '../core/kit/index.ts';
import { checkOf, dogOf, FULL_KIT, HAND_KIT } from './core/examples.ts';

const felt = (finger: 1 | 2 | 3 | 4, tug: 1 | 2 | 3, comb: 'glides' | 'drags' | 'stops'): ZoneFindings => ({
  finger,
  tug,
  comb,
  tie: 'none',
  skin: 'clear',
});
const PACKED = felt(3, 2, 'stops');

/** Five dogs, each by the way it is worked: short, packed, long and tied, wet by hand, and a full giant. */
const CASES: readonly { readonly request: PlanRequest; readonly method: MethodId }[] = [
  {
    method: 'smooth',
    request: {
      dog: dogOf('smooth-double', 30),
      check: checkOf(30, 26, felt(2, 2, 'drags')),
      kit: FULL_KIT,
      house: DEFAULT_HOUSE,
    },
  },
  {
    method: 'wet-first',
    request: { dog: dogOf('medium-double', 25), check: checkOf(25, 50, PACKED), kit: FULL_KIT, house: DEFAULT_HOUSE },
  },
  {
    method: 'dry-first',
    request: {
      dog: dogOf('long-double', 28, { traits: ['show-coat'] }),
      check: checkOf(28, 90, PACKED, {
        'armpit.left': { ...PACKED, tie: 'mat' },
        'ears.left': { ...PACKED, tie: 'knot' },
      }),
      kit: HAND_KIT,
      house: { ...DEFAULT_HOUSE, spray: 'spray' },
    },
  },
  {
    method: 'damp-line',
    request: {
      dog: dogOf('long-double', 24, { traits: ['previously-clipped'] }),
      check: checkOf(24, 70, felt(1, 1, 'glides')),
      kit: FULL_KIT,
      house: DEFAULT_HOUSE,
    },
  },
  {
    method: 'air-first',
    request: {
      dog: dogOf('heavy-double', 50, { outdoorShare: 0.9, standingMinutes: 400 }),
      check: checkOf(50, 80, felt(4, 3, 'stops')),
      kit: HAND_KIT,
      house: DEFAULT_HOUSE,
      crew: { helper: true },
    },
  },
];

interface Total {
  readonly minutes: number;
  readonly grams: number;
}

/** Minutes on the clock and grams of the five dogs together, before any rounding of steps. */
function total(figures: Figures): Total {
  let minutes = 0;
  let grams = 0;
  for (const { request, method } of CASES) {
    const plan = openMethod(planVisit({ ...request, figures }, [method]), method);
    if (!plan) throw new Error(`${method} is not open`);
    for (const s of plan.steps) {
      const share = clockShare(PHASES[s.phase].work, request.crew, figures);
      minutes += share * s.zones.reduce((m, z) => m + z.minutes, 0);
    }
    grams += plan.gramsOut;
  }
  return { minutes, grams };
}

const percent = (now: number, then: number): string => {
  const by = Math.round((now / then - 1) * 1000) / 10;
  return `${by > 0 ? '+' : by < 0 ? '−' : ''}${Math.abs(by).toFixed(1)} %`;
};

/** The dossier's rows, as they stand in docs/model.md. */
export function dossierRows(): readonly string[] {
  const usual = total(FIGURES);
  return FIGURE_KEYS.map((key: FigureKey) => {
    const row = FIGURE_ROWS[key];
    const less = total(figuresWith({ [key]: row.value * 0.8 }));
    const more = total(figuresWith({ [key]: row.value * 1.2 }));
    const mark =
      row.source.kind === 'published' ? 'published' : row.source.kind === 'guess' ? 'guess' : 'common practice';
    return `| \`${key}\` | ${row.value} ${row.unit} | ${row.what} | ${mark} | ${percent(less.minutes, usual.minutes)} / ${percent(more.minutes, usual.minutes)} | ${percent(less.grams, usual.grams)} / ${percent(more.grams, usual.grams)} |`;
  });
}

const BEGIN = '<!-- dossier: written by npm run dossier -->';
const END = '<!-- end of dossier -->';
const HEAD = [
  '| figure | value | what | mark | minutes at −20 % / +20 % | hair out at −20 % / +20 % |',
  '|---|---|---|---|---|---|',
];

if (process.argv[1] && resolve(process.argv[1]) === resolve(import.meta.filename)) {
  const path = resolve('docs/model.md');
  const text = readFileSync(path, 'utf8');
  const [before, after] = [text.indexOf(BEGIN), text.indexOf(END)];
  if (before < 0 || after < before) throw new Error(`${path} has no place for the dossier`);
  const table = [...HEAD, ...dossierRows()].join('\n');
  writeFileSync(path, `${text.slice(0, before)}${BEGIN}\n\n${table}\n\n${text.slice(after)}`);
}
