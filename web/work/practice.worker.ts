/** Works a practice coat away from the page: opens the case once, then answers each act, each question and the end. */
import type { MethodPlan, PhaseId, ScriptZone, ZoneSeen } from '../../core/bench/index.ts';
import { roomOf } from '../../core/bench/index.ts';
import type { Inspection, Readings } from '../../core/check/index.ts';
import type { ZoneId } from '../../core/dog/index.ts';
import {
  boutOf,
  minutesFor,
  openCase,
  phaseFor,
  verdictOf,
  type Act,
  type Bout,
  type Opened,
  type PracticeCase,
  type ActResult,
  type Verdict,
} from '../../core/practice/index.ts';

export interface HandAsked {
  readonly toolId: string;
  readonly zones: readonly ZoneId[];
  readonly passes: number;
  /** Share of the minutes that water and air need. */
  readonly share: number;
  readonly untie: boolean;
}
export interface HandTold {
  readonly nth: number;
  readonly phase: PhaseId;
  readonly zones: readonly ScriptZone[];
}
export type PracticeAsked =
  | { readonly kind: 'open'; readonly case: PracticeCase }
  | { readonly kind: 'acts'; readonly acts: readonly Act[] }
  | { readonly kind: 'hand'; readonly nth: number; readonly acts: readonly Act[]; readonly hand: HandAsked };

/** What may be known of a bout while it is worked: what was felt, and what anybody sees. */
export interface BoutView {
  readonly acts: readonly Act[];
  readonly told: readonly ActResult[];
  readonly felt: readonly (readonly [ZoneId, Partial<Readings>])[];
  readonly calls: Bout['calls'];
  readonly seen: readonly Pick<ZoneSeen, 'zone' | 'wetness' | 'skin'>[];
  /** Found by looking the dog over, once it was. */
  readonly inspection: Inspection | undefined;
  readonly minutes: number;
  readonly strain: number;
  readonly mood: Bout['mood'];
  readonly gramsOut: number;
  readonly ended: Bout['ended'];
  readonly verdict: Verdict | undefined;
}
export type PracticeTold =
  | { readonly kind: 'opened'; readonly clockMinutes: number; readonly best: MethodPlan | undefined }
  | { readonly kind: 'bout'; readonly view: BoutView }
  | { readonly kind: 'hand'; readonly hand: HandTold };

const tell = (told: PracticeTold): void => self.postMessage(told);
let opened: Opened | undefined;

function viewOf(o: Opened, acts: readonly Act[]): BoutView {
  const bout = boutOf(o, acts);
  return {
    acts,
    told: bout.told,
    felt: [...bout.felt],
    calls: bout.calls,
    seen: bout.seen.map(({ zone, wetness, skin }) => ({ zone, wetness, skin })),
    inspection: bout.looked ? o.case.truth.inspection : undefined,
    minutes: bout.minutes,
    strain: bout.strain,
    mood: bout.mood,
    gramsOut: bout.told.reduce((t, x) => t + x.gramsOut, 0),
    ended: bout.ended,
    verdict: bout.ended ? verdictOf(o, bout) : undefined,
  };
}

function handOf(o: Opened, nth: number, acts: readonly Act[], asked: HandAsked): HandTold {
  const { coat } = boutOf(o, acts);
  const tool = roomOf(o.case.kit).find((t) => t.id === asked.toolId);
  if (!tool) throw new RangeError(`no such piece in this room: ${asked.toolId}`);
  const zones = coat.zones.filter((z) => asked.zones.includes(z.id));
  const phase = phaseFor(tool, zones, asked.untie);
  const needed = minutesFor(o, coat, phase, asked.toolId, asked.zones, asked.passes);
  return { nth, phase, zones: needed.map((z) => ({ ...z, minutes: z.minutes * asked.share })) };
}

self.addEventListener('message', ({ data }: MessageEvent<PracticeAsked>) => {
  if (data.kind === 'open') {
    opened = openCase(data.case);
    tell({ kind: 'opened', clockMinutes: opened.clockMinutes, best: opened.best });
    tell({ kind: 'bout', view: viewOf(opened, []) });
  } else if (opened) {
    if (data.kind === 'acts') tell({ kind: 'bout', view: viewOf(opened, data.acts) });
    else tell({ kind: 'hand', hand: handOf(opened, data.nth, data.acts, data.hand) });
  }
});
