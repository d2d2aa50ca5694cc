/** Sessions: a plan as it was worked from, and the events of the work. */
import Joi from 'joi';
import {
  METHOD_IDS,
  PHASE_IDS,
  type Crew,
  type MethodId,
  type KeptPlan,
  type PlanRequest,
  type Script,
} from '../core/bench/index.ts';
import {
  COMB_GRADES,
  FINGER_GRADES,
  SKIN_FINDINGS,
  TIE_GRADES,
  TUG_GRADES,
  type ZoneCondition,
  type ZoneStop,
} from '../core/check/index.ts';
import { ZONE_IDS, type BodyShape, type CoatClass } from '../core/dog/index.ts';
import { TOOL_KINDS, WETNESS } from '../core/kit/index.ts';
import { CORRECTABLE, PAID_HOW, type ActKind, type SessionEvent, type SessionRecord } from '../core/table/index.ts';
import type { Reckoned } from '../core/tally/index.ts';
import { idSchema } from './common.ts';

export interface SessionDraft {
  readonly id: string;
  readonly checkId: string;
  readonly method: MethodId;
  /** Steps as they were changed by hand; absent: as planned. */
  readonly script?: Script | undefined;
  readonly crew?: Crew | undefined;
}

/** What people saw when they started: kept, never computed again. */
export interface PlanSnapshot {
  readonly plan: KeptPlan;
  readonly looseG: number;
  readonly stops: readonly ZoneStop[];
  readonly conditions: readonly ZoneCondition[];
  /** Who was to work, and how the dog is held. */
  readonly crew?: Crew | undefined;
  /** What the log had taught the plan by then. */
  readonly reckoned?: Reckoned | undefined;
}

export interface SessionPage {
  readonly id: string;
  readonly dogId: string;
  readonly dogName: string;
  /** How the dog is drawn. */
  readonly shape: BodyShape;
  readonly coatClass: CoatClass;
  readonly checkId: string;
  readonly day: string;
  readonly snapshot: PlanSnapshot;
  readonly events: readonly SessionEvent[];
  readonly record: SessionRecord;
  /** What the plan is made again with at the table; with it a device goes on without a link. */
  readonly request: PlanRequest;
  /** No visit of this dog was finished here before. */
  readonly newHere: boolean;
  /** Names whose hands the log knows, then others who work here. */
  readonly people: readonly string[];
}

/** The answer to sent events, and each message of a session's stream: what the salon holds, and its time. */
export interface SessionLog {
  readonly events: readonly SessionEvent[];
  readonly nowMs: number;
}
export interface ClockPage {
  readonly nowMs: number;
}
export interface SessionListItem {
  readonly id: string;
  readonly dogId: string;
  readonly dogName: string;
  readonly day: string;
  readonly method: MethodId;
  readonly minutes: number;
  readonly state: SessionRecord['state'];
}

const scriptStepSchema = Joi.object({
  id: Joi.string().min(1).max(120).required(),
  phase: Joi.string()
    .valid(...PHASE_IDS)
    .required(),
  toolId: idSchema.required(),
  zones: Joi.array()
    .items(
      Joi.object({
        zone: Joi.string()
          .valid(...ZONE_IDS)
          .required(),
        minutes: Joi.number().min(0).max(240).required(),
      }),
    )
    .unique('zone')
    .min(1)
    .max(ZONE_IDS.length)
    .required(),
  pinned: Joi.boolean(),
});
const scriptSchema = Joi.array().items(scriptStepSchema).unique('id').min(1).max(40);

export const sessionDraftSchema: Joi.ObjectSchema<SessionDraft> = Joi.object<SessionDraft>({
  id: idSchema.required(),
  checkId: idSchema.required(),
  method: Joi.string()
    .valid(...METHOD_IDS)
    .required(),
  script: scriptSchema,
  crew: Joi.object({ helper: Joi.boolean(), lying: Joi.boolean() }),
}).label('session');

const step = Joi.string().min(1).max(120).required();
const zone = Joi.string().valid(...ZONE_IDS);
const tool = Joi.string().valid(...TOOL_KINDS);
const tie = Joi.string().valid(...TIE_GRADES);
const skin = Joi.string().valid(...SKIN_FINDINGS);
const comb = Joi.string().valid(...COMB_GRADES);
const by = Joi.string().valid('scale', 'hand');
const minutes = Joi.number().min(0).max(600);
/** More than any visit costs: a slip of the thumb. */
const cents = Joi.number().integer().min(0).max(10_000_000);
const name = Joi.string().trim().min(1).max(40);

const because = Joi.alternatives().conditional('.code', {
  switch: [
    { is: 'dragged', then: Joi.object({ code: Joi.required(), zone: zone.required(), result: comb.required() }) },
    { is: 'pink', then: Joi.object({ code: Joi.required(), zone: zone.required(), tool: tool.required() }) },
    { is: 'met', then: Joi.object({ code: Joi.required(), zone: zone.required(), skin, tie }) },
    { is: 'late', then: Joi.object({ code: Joi.required(), minutes: minutes.required() }) },
  ],
  otherwise: Joi.object({ code: Joi.string().valid('dragged', 'pink', 'met', 'late').required() }).unknown(true),
});
/** A step as core plans it. */
const planStep = Joi.object({
  id: step,
  phase: Joi.string()
    .valid(...PHASE_IDS)
    .required(),
  tool: Joi.object({
    id: idSchema.required(),
    kind: tool.required(),
    name: Joi.string().max(120).required(),
  }).required(),
  zones: Joi.array()
    .items(
      Joi.object({
        zone: zone.required(),
        minutes: minutes.required(),
        passes: Joi.number().min(0).max(1000).required(),
      }),
    )
    .unique('zone')
    .max(ZONE_IDS.length)
    .required(),
  wetness: Joi.string()
    .valid(...WETNESS)
    .required(),
  minutes: minutes.required(),
  gramsOut: Joi.number().min(0).max(20_000).required(),
  shareLeft: Joi.number().min(0).max(100).required(),
  cautions: Joi.array().items(Joi.string().max(80)).max(20).required(),
  chosen: Joi.object().unknown(true).required(),
});
const leftZone = Joi.object({ zone: zone.required(), minutes: minutes.required() });

const noteFields = { text: Joi.string().min(1).max(2000).required() };
const gramsOf = { step, grams: Joi.number().min(0).max(5000).required() };
/** A word for the record, as its form asks for it. */
export const noteSchema = Joi.object<{ readonly text: string }>(noteFields).label('note');
/** What a step's hair weighs in all, as its form asks for it. */
export const stepGramsSchema = Joi.object<{ readonly step: string; readonly grams: number }>(gramsOf).label('weight');

/** Every kind of act, with what it says. */
const acts: readonly (readonly [ActKind, Joi.PartialSchemaMap])[] = [
  ['started', {}],
  ['paused', {}],
  ['resumed', {}],
  ['step', { step }],
  ['zone', { step, zone: zone.required() }],
  ['step-done', { step }],
  ['step-skipped', { step, why: Joi.string().max(300).allow('').required() }],
  ['did', { step, tool: tool.required(), minutes: minutes.required() }],
  ['comb', { zone: zone.required(), result: comb.required() }],
  ['pink', { step, zone: zone.required() }],
  ['met', { zone: zone.required(), skin, tie }],
  ['weighed', { ...gramsOf, zone, by, adds: Joi.boolean() }],
  ['dog-weighed', { kg: Joi.number().min(0.3).max(150).required(), by }],
  [
    'air',
    {
      temperatureC: Joi.number().min(-30).max(60).required(),
      humidityPct: Joi.number().min(0).max(100).required(),
    },
  ],
  ['heard', { step, dbA: Joi.number().min(0).max(140).required(), minutes: minutes.required() }],
  [
    'replanned',
    {
      because: because.required(),
      steps: Joi.array().items(planStep).unique('id').max(60).required(),
      left: Joi.array().items(leftZone).max(ZONE_IDS.length),
      closed: zone,
    },
  ],
  ['handed', { step, zones: Joi.array().items(zone).unique().min(1).max(ZONE_IDS.length), to: name.required() }],
  [
    'felt',
    {
      zone: zone.required(),
      findings: Joi.object({
        finger: Joi.number().valid(...FINGER_GRADES),
        tug: Joi.number().valid(...TUG_GRADES),
        comb,
        tie,
        skin,
      }).required(),
    },
  ],
  [
    'photo',
    {
      photo: idSchema.required(),
      when: Joi.string().valid('before', 'after').required(),
      zone: zone.allow(null).required(),
    },
  ],
  ['note', noteFields],
  [
    'paid',
    {
      toldCents: cents.required(),
      cents: cents.required(),
      how: Joi.string()
        .valid(...PAID_HOW)
        .required(),
    },
  ],
  ['worker', { name: name.required() }],
  ['finished', {}],
  ['undone', { of: Joi.array().items(idSchema).min(1).max(20).required() }],
];
/** One of these kinds, with what it says. */
const oneOf = (kinds: typeof acts): Joi.Schema =>
  Joi.alternatives().conditional('.kind', {
    switch: kinds.map(([kind, keys]) => ({
      is: kind,
      then: Joi.object({ kind: Joi.string().valid(kind).required(), ...keys }),
    })),
    otherwise: Joi.object({
      kind: Joi.string()
        .valid(...kinds.map(([k]) => k))
        .required(),
    }).unknown(true),
  });
const correctable = oneOf(acts.filter(([kind]) => CORRECTABLE.has(kind)));
const actSchema = oneOf([...acts, ['corrected', { of: idSchema.required(), act: correctable.required() }]]);

/** Latest instant an event may carry: year 2200, past any sane clock. */
const LATEST_MS = 7_258_118_400_000;
const eventSchema = Joi.object({
  id: idSchema.required(),
  atMs: Joi.number().integer().min(0).max(LATEST_MS).required(),
  device: idSchema,
  clockMs: Joi.number().min(-LATEST_MS).max(LATEST_MS),
  act: actSchema.required(),
});

export interface EventBatch {
  readonly events: readonly SessionEvent[];
}
/** At most this many events in one request. */
export const MOST_EVENTS = 500;
export const eventBatchSchema: Joi.ObjectSchema<EventBatch> = Joi.object<EventBatch>({
  events: Joi.array().items(eventSchema).min(1).max(MOST_EVENTS).required(),
}).label('batch');

/** Sessions of these days. */
export interface SessionsPage {
  readonly sessions: readonly SessionListItem[];
}
