/** One town and year of the study: what the model says on its issue date and in season, against the truth. */
import { addDays, sum, type Day } from '../core/quantity/index.ts';
import {
  bandOf,
  bandScore,
  dogModel,
  fitDog,
  fitInTown,
  freshTown,
  inBlow,
  leastPercent,
  startBand,
  stretched,
  stretchOf,
  townAsSaid,
  townFrom,
  visitGrams,
  type Fit,
  type Warmth,
} from '../core/tide/index.ts';
import { STUDY_PLACE, yearsBefore, type StudyDog, type StudyTown } from './worlds.ts';

/** A forecast of a start against the truth, days; and of a fixed date that is right on average. */
export interface StartRow {
  readonly error: number;
  readonly inside: boolean;
  readonly fixed: number;
}
export const NAIVE = ['last', 'mean', 'lastYear', 'perDay'] as const;
/** A forecast of a visit's grams. */
export interface GramsRow {
  readonly truth: number;
  readonly likely: number;
  readonly low: number;
  readonly high: number;
  readonly blow: boolean;
  /** The home has noted bouts of its own. */
  readonly notes: boolean;
  readonly naive: Readonly<Record<(typeof NAIVE)[number], number>>;
}

/** Fits of all dogs as if each were the only one. */
function fitsAlone(town: StudyTown, years: number, asOf: Day, warmth: Warmth | undefined): readonly Fit[] {
  const from = yearsBefore(town.issue, years);
  const models = town.dogs.map((d, i) =>
    dogModel(
      d.dog,
      STUDY_PLACE,
      d.sightings.filter((s) => s.day >= from),
      asOf,
      addDays(town.issue, 120),
      7919 * i,
    ),
  );
  const fresh = freshTown(models, warmth);
  return models.map((m) => fitDog(m, fresh.priorOf(m)));
}

function fitsTogether(fits: readonly Fit[], warmth: Warmth | undefined): readonly Fit[] {
  const town = townFrom({ fits, warmth });
  return fits.map((f) => fitInTown(town, f));
}

/** The same where nobody has said anything of one season yet: what telling each other of it is worth. */
function fitsWithout(fits: readonly Fit[], key: string): readonly Fit[] {
  const { shifts, offsets, spread } = townFrom({ fits });
  const said = { offsets, spread, shifts: shifts.filter((s) => s.key !== key) };
  return fits.map((f) => fitInTown(townAsSaid(f.model, said), f));
}

function startRows(town: StudyTown, fits: readonly Fit[]): StartRow[] {
  return fits.flatMap((fit, i) => {
    const truth = town.dogs[i]?.truth[town.target];
    const band = startBand(fit, town.target);
    if (truth === undefined || !band) return [];
    return [
      {
        error: Math.abs(band.likely - truth),
        inside: truth >= band.low && truth <= band.high,
        fixed: Math.abs(town.fixed - truth),
      },
    ];
  });
}

/** Forecast of each dog's next visit after a day, from what was logged until then; beside it what naive rules say. */
function gramsRows(town: StudyTown, fits: readonly Fit[], asOf: Day): GramsRow[] {
  return fits.flatMap((fit, i) => {
    const dog = town.dogs[i];
    const at = dog ? dog.visits.findIndex((v) => v.day > asOf) : -1;
    const row = dog && gramsRow(dog, fit, at);
    return row ? [row] : [];
  });
}

function gramsRow({ visits, sightings }: StudyDog, fit: Fit, at: number): GramsRow | undefined {
  const visit = visits[at];
  const before = visits.slice(0, Math.max(0, at));
  const last = before.at(-1);
  if (!visit || !last) return undefined;
  const mean = sum(before.map((b) => b.grams)) / before.length;
  const draws = visitGrams(fit, visit.day, sum(before.map((b) => b.share)) / before.length);
  const yearAgo = (v: { readonly day: number }): number => Math.abs(v.day + 365 - visit.day);
  const lastYear = [...before].sort((a, b) => yearAgo(a) - yearAgo(b))[0];
  const first = before[0] ?? last;
  const days = last.day - first.day;
  const perDay = days > 0 ? sum(before.slice(1).map((b) => b.grams)) / days : mean / 45;
  return {
    truth: visit.grams,
    ...bandOf(draws),
    likely: leastPercent(draws),
    blow: inBlow(fit, visit.day),
    notes: sightings.some((s) => s.kind === 'brushed' && s.day <= last.day),
    naive: {
      last: last.grams,
      mean,
      lastYear: lastYear && yearAgo(lastYear) < 40 ? lastYear.grams : mean,
      perDay: perDay * (visit.day - last.day),
    },
  };
}

export interface TownYear {
  readonly starts: Readonly<Record<'1' | '2' | '3' | 'warm' | 'shared' | 'alone', readonly StartRow[]>>;
  readonly grams: readonly GramsRow[];
  /** The same asked ten days into the season. */
  readonly inSeason: readonly GramsRow[];
  readonly fits: number;
  readonly unsampled: number;
}

/** Days after the issue date that are ten days into the usual season. */
const INTO_SEASON = 40;

/** All that the study asks of one town and year. */
export function townYear(town: StudyTown): TownYear {
  const { issue, warmth } = town;
  const at = (years: number, heat?: Warmth): readonly Fit[] => fitsTogether(fitsAlone(town, years, issue, heat), heat);
  const three = at(3);
  const season = fitsAlone(town, 3, addDays(issue, INTO_SEASON), undefined);
  // How far this salon's bands of grams must be stretched: from forecasts of last spring and of this winter.
  const past = [addDays(issue, -330), addDays(issue, -60)].flatMap((day) =>
    gramsRows(town, fitsTogether(fitsAlone(town, 3, day, undefined), undefined), day),
  );
  const stretch = (blow: boolean): number =>
    stretchOf(past.filter((r) => r.blow === blow).map((r) => bandScore(r, r.truth)));
  const by = { blow: stretch(true), calm: stretch(false) };
  const widened = (rows: readonly GramsRow[]): readonly GramsRow[] =>
    rows.map((r) => ({ ...r, ...stretched(r, r.blow ? by.blow : by.calm) }));
  const shared = fitsTogether(season, undefined);
  return {
    starts: {
      '1': startRows(town, at(1)),
      '2': startRows(town, at(2)),
      '3': startRows(town, three),
      warm: startRows(town, at(3, warmth)),
      shared: startRows(town, shared),
      alone: startRows(town, fitsWithout(season, town.target)),
    },
    grams: widened(gramsRows(town, three, issue)),
    inSeason: widened(gramsRows(town, shared, addDays(issue, INTO_SEASON))),
    fits: three.length,
    unsampled: three.filter((f) => !f.sampled).length,
  };
}
