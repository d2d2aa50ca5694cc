/**
 * What a dog's log would read like if its coat ran so or so, and how that changes with each parameter. A reader has its own
 * working room, made once for many sets of parameters.
 */
import {
  HANDFUL,
  HOME,
  LENGTH,
  LOSS,
  N_GLOBALS,
  NOW,
  RELEASE,
  ratesOf,
  SHARE,
  sigmoid,
  START,
  TOUCH,
  type DogModel,
} from './dog-model.ts';
import { BOUT_BY_EYE, TOUCHED } from './log-program.ts';
import { LENGTH_IN_SCALES, START_IN_SCALES } from './pulse.ts';
import { STARTED_LATE_DAYS } from './sightings.ts';
import { StoreWalk } from './store-walk.ts';

/** Steps of finite differences: of a parameter, and of a start in days. */
const SMALL = 1e-4;
const SMALL_DAYS = 0.01;

/** Parameters whose slopes are found by moving them a little. */
const BY_PROBE = [LENGTH, LOSS, HOME, NOW] as const;

export class LogReader {
  private readonly walk: StoreWalk;
  /** Grams at each step of the walk: all of them, and those of one source. */
  private readonly all: Float64Array;
  private readonly part: Float64Array;
  private readonly moved: Float64Array;
  private readonly aside: Float64Array;
  private readonly probe: Float64Array;
  constructor(private readonly model: DogModel) {
    const { program, count } = model.log;
    const steps = program.days.length;
    this.walk = new StoreWalk(program);
    this.all = new Float64Array(steps);
    this.part = new Float64Array(steps);
    this.moved = new Float64Array(steps);
    this.aside = new Float64Array(count);
    this.probe = new Float64Array(model.size);
  }

  /** Fills what each sighting would read; returns the store after the last one. */
  read(theta: Float64Array, reads: Float64Array): number {
    const { walk, all } = this;
    const rates = ratesOf(this.model, theta);
    walk.fade(rates.loss, rates.bout, Math.exp(theta[NOW]!));
    all.fill(0);
    walk.addStart(rates.startG);
    for (const shed of rates.sheds) walk.addPulse(shed, all);
    const left = walk.settle(rates.baseG, all);
    this.tell(theta, reads);
    return left;
  }

  /** What the newest check felt before anything was done, and what was left at the end of a day of the log: of the last reading. */
  checked(): number {
    return this.all[this.model.log.program.liftAt! + 1]!;
  }
  leftAfter(on: number): number {
    const k = this.model.log.program.days.lastIndexOf(on);
    return this.all[k]! * this.walk.leaves(k);
  }

  /** What is read of the stores that were walked. */
  private tell(theta: Float64Array, reads: Float64Array): void {
    const { step, what, share, started } = this.model.log;
    const { all } = this;
    const logBout = Math.log(sigmoid(theta[HOME]!));
    // By what a place reads: all that stands, by touch, what a bout takes, or that by the owner's eye.
    const more = [0, theta[TOUCH]!, logBout, logBout - theta[HANDFUL]!];
    // Finger and tug of a check read the same store: one logarithm serves both.
    let [at, logOfStore] = [-1, 0];
    for (let k = 0; k < step.length; k++) {
      const s = step[k]!;
      if (s !== at) logOfStore = Math.log(all[(at = s)]!);
      reads[k] = logOfStore + share[k]! + more[what[k]!]!;
    }
    const stretch = Math.exp(theta[LENGTH]!);
    for (const { like, shed } of started) {
      const { usual, lengthDays } = this.model.sheds[shed]!;
      const tenth = (START_IN_SCALES * lengthDays * stretch) / LENGTH_IN_SCALES;
      reads[like] = usual + theta[N_GLOBALS + shed]! + tenth + STARTED_LATE_DAYS;
    }
  }

  /**
   * Fills what each sighting would read, and its slope by each parameter: parameter by parameter, a row each. The store is a
   * sum of what came from each source, and each fades alike: most slopes are shares of it.
   */
  slopes(theta: Float64Array, reads: Float64Array, into: Float64Array): void {
    const { model, walk, all, part, moved, aside, probe } = this;
    const { log, sheds } = model;
    const m = log.count;
    const n = sheds.length;
    for (const j of BY_PROBE) {
      probe.set(theta);
      probe[j]! += SMALL;
      this.read(probe, aside);
      into.set(aside, j * m);
    }
    this.read(theta, reads);
    for (const j of BY_PROBE) for (let k = 0; k < m; k++) into[j * m + k] = (into[j * m + k]! - reads[k]!) / SMALL;
    const rates = ratesOf(model, theta);
    const share = sigmoid(theta[SHARE]!);
    const shares = (row: number, of: Float64Array, by: number): void => {
      for (let k = 0; k < log.step.length; k++) {
        const s = log.step[k]!;
        into[row * m + k]! += (by * of[s]!) / all[s]!;
      }
    };
    into.fill(0, RELEASE * m, (SHARE + 1) * m);
    into.fill(0, HANDFUL * m, NOW * m);
    into.fill(0, N_GLOBALS * m);
    part.fill(0);
    walk.addStart(rates.startG);
    walk.settle(0, part);
    shares(START, part, 1);
    into.fill(1, RELEASE * m, RELEASE * m + log.step.length);
    shares(RELEASE, part, -1);
    part.fill(0);
    walk.settle(rates.baseG, part);
    shares(SHARE, part, -share);
    for (const [i, shed] of rates.sheds.entries()) {
      part.fill(0);
      moved.fill(0);
      walk.addPulse(shed, part);
      walk.settle(0, part);
      walk.addPulse({ ...shed, onset: shed.onset + SMALL_DAYS }, moved);
      walk.settle(0, moved);
      shares(N_GLOBALS + i, moved, 1 / SMALL_DAYS);
      shares(N_GLOBALS + i, part, -1 / SMALL_DAYS);
      shares(N_GLOBALS + n + i, part, 1);
      if (sheds[i]!.tide !== 'life') shares(SHARE, part, 1 - share);
    }
    for (let k = 0; k < log.step.length; k++) {
      into[TOUCH * m + k] = log.what[k] === TOUCHED ? 1 : 0;
      into[HANDFUL * m + k] = log.what[k] === BOUT_BY_EYE ? -1 : 0;
    }
    for (const { like, shed } of log.started) into[(N_GLOBALS + shed) * m + like] = 1;
  }
}
