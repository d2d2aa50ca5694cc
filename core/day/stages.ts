/** Decides the stages of a visit: from the steps it is planned with, or from its length alone when nothing is known. */
import { PHASES, type PhaseId } from '../bench/index.ts';
import type { PlaceKind, Stage, StageKind } from './asked.ts';

/** Minutes of the first look: hands over the coat before any tool. Common practice; the figure is a guess. */
export const CHECK_MINUTES = 10;
/** Minutes that each place is cleaned for between two dogs. Common practice; guesses. */
export const CLEAN_MINUTES: Readonly<Record<PlaceKind, number>> = { table: 5, tub: 10, dryer: 5 };
/** How a visit that nobody has planned is shared out. Guesses, from common practice of wash and blow work. */
export const USUAL_SHARES = { 'dry-work': 0.3, bath: 0.22, drying: 0.28, finish: 0.2 } as const;
const UNPLANNED = ['dry-work', 'bath', 'drying', 'finish'] as const;

const PLACE: Readonly<Record<StageKind, PlaceKind | undefined>> = {
  check: 'table',
  'dry-work': 'table',
  bath: 'tub',
  drying: 'dryer',
  finish: 'table',
  rest: undefined,
};

const WET = ['bath', 'rewash', 'condition', 'towel'];
const stageKind = (phase: PhaseId, wetBefore: boolean): StageKind => {
  const { work, wetness } = PHASES[phase];
  if (work === 'drying' || work === 'air') return 'drying';
  if (WET.includes(work) || wetness === 'soapy') return 'bath';
  return wetBefore ? 'finish' : 'dry-work';
};

export interface StepOf {
  readonly phase: PhaseId;
  readonly minutes: number;
  /** Level of a dryer that it is done with, dB(A). */
  readonly dbA?: number | undefined;
}

const stage = (kind: StageKind, minutes: number, wetBefore: boolean, dbA?: number): Stage => {
  const place = PLACE[kind];
  return {
    kind,
    place,
    minutes: Math.max(1, Math.round(minutes)),
    hands: kind !== 'rest',
    // A wet dog goes on at once; whatever else comes next may wait.
    atOnce: kind === 'drying' && wetBefore,
    cleanMinutes: place ? CLEAN_MINUTES[place] : 0,
    dbA,
  };
};

/** Stages of a plan's steps: neighbours at one kind of place are one stage. Begins with the check. */
export function stagesOf(steps: readonly StepOf[]): readonly Stage[] {
  const stages: Stage[] = [{ ...stage('check', CHECK_MINUTES, false), cleanMinutes: 0 }];
  let wetBefore = false;
  let open: { kind: StageKind; minutes: number; dbA: number | undefined; wet: boolean } | undefined;
  const close = (): void => {
    if (open) stages.push(stage(open.kind, open.minutes, open.wet, open.dbA));
  };
  for (const s of steps) {
    const kind = stageKind(s.phase, wetBefore);
    if (open?.kind !== kind) {
      close();
      open = { kind, minutes: 0, dbA: undefined, wet: wetBefore };
    }
    open.minutes += s.minutes;
    if (s.dbA !== undefined) open.dbA = Math.max(open.dbA ?? -Infinity, s.dbA);
    if (kind === 'bath') wetBefore = true;
  }
  close();
  return stages;
}

/** The one stage of a visit that is not for the coat. */
export const careStage = (minutes: number): Stage => stage('finish', minutes, false);

/** Stages of a visit of which only the length is known. dbA: of the dryer it would be dried with. */
export function usualStages(minutes: number, dbA: number | undefined): readonly Stage[] {
  const left = Math.max(4, minutes - CHECK_MINUTES);
  return [
    { ...stage('check', Math.min(CHECK_MINUTES, minutes), false), cleanMinutes: 0 },
    ...UNPLANNED.map((kind) =>
      stage(kind, USUAL_SHARES[kind] * left, kind === 'drying', kind === 'drying' ? dbA : undefined),
    ),
  ];
}
