/** What a day at the salon is made of: who comes, who works, and the places that hold one dog at a time. */

export const PLACE_KINDS = ['table', 'tub', 'dryer'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

export const STAGE_KINDS = ['check', 'dry-work', 'bath', 'drying', 'finish', 'rest'] as const;
export type StageKind = (typeof STAGE_KINDS)[number];

/** One part of a visit: so many minutes at one place. Times are minutes after the day's midnight, whole. */
export interface Stage {
  readonly kind: StageKind;
  /** Absent: anywhere quiet. */
  readonly place: PlaceKind | undefined;
  readonly minutes: number;
  /** Does it take a person's hands throughout. */
  readonly hands: boolean;
  /** Begins the minute the stage before it ends: a wet dog does not wait. */
  readonly atOnce: boolean;
  /** Minutes for which the place is being cleaned afterwards. */
  readonly cleanMinutes: number;
  /** Level beside it without ear protection, dB(A); absent: not loud. */
  readonly dbA?: number | undefined;
}

export interface Span {
  readonly from: number;
  readonly to: number;
}

export interface DayVisit {
  readonly id: string;
  readonly dogId: string;
  readonly weightKg: number;
  readonly stages: readonly Stage[];
  /** The owner brings the dog in this time; where from is to, a time was agreed. */
  readonly arrive: Span;
  /** And takes it home in this. */
  readonly leave: Span;
  /** Who is to do the work on it, where the owner or the dog has one. */
  readonly with?: string | undefined;
}

export interface Pause {
  readonly minutes: number;
  /** It begins and ends within. */
  readonly within: Span;
}

export interface DayPerson {
  readonly id: string;
  readonly hours: Span;
  readonly can: readonly StageKind[];
  readonly pauses: readonly Pause[];
  /** Heavy dogs that this person bathes in a day at most. */
  readonly mostHeavy: number;
  /** Decibels that their ear protection takes off. */
  readonly protectDb: number;
}

export interface DayPlace {
  readonly id: string;
  readonly kind: PlaceKind;
}

/** A stage on the sheet. Person and place are absent where it needs none. */
export interface ScheduledStage {
  readonly visit: string;
  readonly stage: number;
  readonly person: string | undefined;
  readonly place: string | undefined;
  readonly start: number;
  readonly end: number;
}
export interface LaidPause {
  readonly person: string;
  readonly pause: number;
  readonly start: number;
  readonly end: number;
}

/** What somebody at the desk wants: this stage by this person, not before this time. */
export interface Pin {
  readonly visit: string;
  readonly stage: number;
  readonly person?: string | undefined;
  readonly notBefore?: number | undefined;
}

export interface DayAsked {
  readonly people: readonly DayPerson[];
  readonly places: readonly DayPlace[];
  readonly visits: readonly DayVisit[];
  /** Pairs of visits whose dogs must not be in the house together. */
  readonly apart: readonly (readonly [string, string])[];
  readonly pins: readonly Pin[];
  /** Stages that were done or are under way, with the end they have or will have, and pauses that were had. */
  readonly begun: readonly ScheduledStage[];
  readonly paused: readonly LaidPause[];
  /** Nothing else begins before this minute. */
  readonly now: number;
}

/** A day as it was to be, before anything of it began. */
export const unbegun = (asked: DayAsked): DayAsked => ({ ...asked, begun: [], paused: [], now: 0 });

/** Dogs above this are lifted with two, or with a lift. Common practice; the figure is a guess. */
export const HEAVY_KG = 32;

export interface DaySheet {
  readonly laid: readonly ScheduledStage[];
  readonly pauses: readonly LaidPause[];
  /** End of the last stage. */
  readonly ends: number;
  readonly score: DayScore;
}

/** What a day comes to, minutes unless said. */
export interface DayScore {
  /** From the first minute of anybody's day, or from now, to the last stage's end. */
  readonly length: number;
  /** Dogs in the house with nobody and nothing at work on them. */
  readonly waiting: number;
  /** Dogs not ready when their owners may come at the latest. */
  readonly late: number;
  /** People at work beyond their hours, and pauses beyond their time. */
  readonly over: number;
  /** Times a dog changes hands. */
  readonly handovers: number;
  /** Days of noise beyond one, over all people. */
  readonly noise: number;
  /** Heavy dogs beyond what a person takes. */
  readonly heavy: number;
  /** Dogs that must not meet, together in the house. */
  readonly meeting: number;
  /** All of it in minutes, by DAY_WORTH. */
  readonly cost: number;
}

/** What each measure of a day is worth in minutes of its length. Guesses: nobody hurried, then nobody kept, then home early. */
export type DayWorth = Readonly<Record<Exclude<keyof DayScore, 'cost'>, number>>;
export const DAY_WORTH: DayWorth = {
  length: 1,
  waiting: 0.15,
  late: 3,
  over: 3,
  handovers: 4,
  noise: 240,
  heavy: 60,
  meeting: 10,
};
