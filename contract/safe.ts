/** The safe: what changed and by whom, backups, the salon taken out as files, clients brought in and forgotten. */
import Joi from 'joi';
import { INTAKE_FIELDS, type IntakeColumns } from '../core/formats/index.ts';

export { INTAKE_FIELDS, type IntakeColumns, type IntakeField } from '../core/formats/index.ts';
import { idSchema } from './common.ts';

/** One row that changed, with who did it. */
export interface ChangeRecord {
  readonly id: number;
  readonly atMs: number;
  readonly who: string;
  readonly table: string;
  /** What the row is known by. */
  readonly key: string;
  /** What people call it, where it has a name. */
  readonly name: string | null;
  readonly act: 'made' | 'changed' | 'removed';
  /** Column, before, after; of a made row none. */
  readonly fields: readonly { readonly field: string; readonly before: unknown; readonly after: unknown }[];
}
export interface ChangesPage {
  readonly changes: readonly ChangeRecord[];
  /** Ask with this for older ones; null when there are none. */
  readonly before: number | null;
}

export interface BackupRecord {
  readonly name: string;
  readonly atMs: number;
  /** Grows with each backup: the highest was made last, whatever the clock said. */
  readonly number: number;
  readonly bytes: number;
}
/** Something that takes a while, done beside the requests. */
export interface JobRecord {
  readonly id: string;
  readonly kind: 'export' | 'backup';
  readonly state: 'waiting' | 'running' | 'done' | 'failed';
  readonly madeMs: number;
  readonly endedMs: number | null;
  /** Name of the file it made. */
  readonly file: string | null;
  readonly problem: string | null;
}
export interface SafePage {
  readonly backups: readonly BackupRecord[];
  readonly jobs: readonly JobRecord[];
  readonly folder: string | null;
  /** Sentences on what is wrong with the machine: its clock, its disk. */
  readonly notices: readonly string[];
}
export const jobSchema = Joi.object<{ id: string }>({ id: idSchema.required() }).label('job');

export interface IntakeDraft {
  readonly id: string;
  readonly csv: string;
  readonly columns: IntakeColumns;
}
const columnsSchema = Joi.object<IntakeColumns>(
  Object.fromEntries(INTAKE_FIELDS.map((f) => [f, Joi.string().min(1).max(200)])),
).required();
const csvText = Joi.string().min(1).max(4_000_000).required();
export const intakePreviewSchema = Joi.object<Pick<IntakeDraft, 'csv'> & { columns?: IntakeColumns }>({
  csv: csvText,
  columns: columnsSchema.optional(),
}).label('table');
export const intakeSchema = Joi.object<IntakeDraft>({
  id: idSchema.required(),
  csv: csvText,
  columns: columnsSchema,
}).label('table');

export interface IntakeRow {
  readonly line: number;
  readonly dog: string;
  readonly owner: string;
  readonly newDog: boolean;
  readonly visit: boolean;
  /** Why the line cannot be taken, as a sentence. */
  readonly problem: string | null;
}
export interface IntakePreview {
  readonly header: readonly string[];
  readonly columns: IntakeColumns;
  readonly rows: readonly IntakeRow[];
  readonly dogs: number;
  readonly visits: number;
  readonly problems: number;
}
export interface IntakeRecord {
  readonly id: string;
  readonly atMs: number;
  readonly who: string;
  readonly dogs: number;
  readonly visits: number;
  readonly undone: boolean;
}

/** The owner of a dog, with all their dogs. */
export interface Forget {
  readonly dogId: string;
}
export const forgetSchema = Joi.object<Forget>({ dogId: idSchema.required() }).label('owner');
/** A file beside the salon's own that still holds who was forgotten. */
export interface HoldingCopy {
  readonly file: string;
  /** When it is gone at the latest; null for one that stays until somebody deletes it. */
  readonly goneByMs: number | null;
}
export interface Forgotten {
  readonly dogs: number;
  readonly sessions: number;
  readonly removed: number;
  /** Copies that were made before, with how long each stays. */
  readonly copies: readonly HoldingCopy[];
}

/** Clients that were brought in, newest first. */
export interface IntakesPage {
  readonly intakes: readonly IntakeRecord[];
}
