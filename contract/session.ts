/** Sessions: a plan as it was worked from, and the events of the work. */
import Joi from 'joi';
import {
  METHOD_IDS,
  PHASE_IDS,
  type Crew,
  type MethodId,
  type MethodPlan,
  type Script,
  type SessionEvent,
  type SessionRecord,
} from '../core/bench/index.ts';
import { COMB_GRADES, type ZoneCondition, type ZoneStop } from '../core/check/index.ts';
import { ZONE_IDS, type BodyShape, type CoatClass } from '../core/dog/index.ts';
import { TOOL_KINDS } from '../core/kit/index.ts';
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
  readonly plan: MethodPlan;
  readonly looseG: number;
  readonly stops: readonly ZoneStop[];
  readonly conditions: readonly ZoneCondition[];
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

const step = Joi.number().integer().min(0).max(200).required();
const act = (kind: string, keys: Joi.PartialSchemaMap = {}): Joi.ObjectSchema =>
  Joi.object({ kind: Joi.string().valid(kind).required(), ...keys });
const acts: readonly (readonly [string, Joi.PartialSchemaMap])[] = [
  ['started', {}],
  ['paused', {}],
  ['resumed', {}],
  ['step', { step }],
  ['step-done', { step }],
  ['step-skipped', { step, why: Joi.string().max(300).allow('').required() }],
  [
    'did',
    {
      step,
      tool: Joi.string()
        .valid(...TOOL_KINDS)
        .required(),
      minutes: Joi.number().min(0).max(600).required(),
    },
  ],
  [
    'comb',
    {
      zone: Joi.string()
        .valid(...ZONE_IDS)
        .required(),
      result: Joi.string()
        .valid(...COMB_GRADES)
        .required(),
    },
  ],
  ['weighed', { step, grams: Joi.number().min(0).max(5000).required() }],
  ['note', { text: Joi.string().min(1).max(2000).required() }],
  ['worker', { name: Joi.string().trim().min(1).max(40).required() }],
  ['finished', {}],
];

/** Latest instant an event may carry: year 2200, past any sane clock. */
const LATEST_MS = 7_258_118_400_000;
const eventSchema = Joi.object({
  id: idSchema.required(),
  atMs: Joi.number().integer().min(0).max(LATEST_MS).required(),
  act: Joi.alternatives()
    .conditional('.kind', {
      switch: acts.map(([kind, keys]) => ({ is: kind, then: act(kind, keys) })),
      otherwise: Joi.object({
        kind: Joi.string()
          .valid(...acts.map(([k]) => k))
          .required(),
      }).unknown(true),
    })
    .required(),
});

export interface EventBatch {
  readonly events: readonly SessionEvent[];
}
/** At most this many events in one request. */
export const MOST_EVENTS = 500;
export const eventBatchSchema: Joi.ObjectSchema<EventBatch> = Joi.object<EventBatch>({
  events: Joi.array().items(eventSchema).min(1).max(MOST_EVENTS).required(),
}).label('batch');
