/** SQL of the kit: pieces with their measures, and what was done to keep them. */
import type { ToolDraft, ToolEdit, ToolRecord, UpkeepDraft } from '../../contract/kit.ts';
import type { ToolKind } from '../../core/kit/index.ts';
import { day, formatDay, parseDay } from '../../core/quantity/index.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly kind: ToolKind;
  readonly name: string;
  readonly pin_mm: number | null;
  readonly spacing_mm: number | null;
  readonly measures: string;
  readonly cost_cents: number | null;
  readonly since_day: number | null;
  readonly retired: number;
  readonly home_of: string | null;
  readonly version: number;
}
interface UpkeepRow {
  readonly id: string;
  readonly tool_id: string;
  readonly act: UpkeepDraft['act'];
  readonly day: number;
}

const record = (r: Row): ToolRecord => ({
  id: r.id,
  kind: r.kind,
  name: r.name,
  ...(r.pin_mm !== null && { pinMm: r.pin_mm }),
  ...(r.spacing_mm !== null && { spacingMm: r.spacing_mm }),
  ...JSON.parse(r.measures),
  costCents: r.cost_cents,
  since: r.since_day === null ? null : formatDay(day(r.since_day)),
  homeOf: r.home_of,
  retired: r.retired === 1,
  version: r.version,
});

function values(id: string, draft: ToolDraft): Omit<Row, 'retired' | 'version'> {
  const { kind, name, pinMm, spacingMm, costCents, since, homeOf, ...measures } = draft;
  return {
    id,
    kind,
    name,
    pin_mm: pinMm ?? null,
    spacing_mm: spacingMm ?? null,
    measures: JSON.stringify(measures),
    cost_cents: costCents,
    since_day: since === null ? null : (parseDay(since) ?? null),
    home_of: homeOf,
  };
}

/** Prepared statements over the kit. */
export function kitStore(db: Db) {
  const all = db.prepare<[], Row>('SELECT * FROM tool ORDER BY rowid');
  const one = db.prepare<[string], Row>('SELECT * FROM tool WHERE id = ?');
  const insert = db.prepare<Omit<Row, 'retired' | 'version'>>(
    `INSERT INTO tool (id, kind, name, pin_mm, spacing_mm, measures, cost_cents, since_day, home_of)
     VALUES (@id, @kind, @name, @pin_mm, @spacing_mm, @measures, @cost_cents, @since_day, @home_of)`,
  );
  const update = db.prepare<Row>(
    `UPDATE tool SET kind = @kind, name = @name, pin_mm = @pin_mm, spacing_mm = @spacing_mm, measures = @measures,
       cost_cents = @cost_cents, since_day = @since_day, home_of = @home_of, retired = @retired, version = version + 1
     WHERE id = @id AND version = @version`,
  );
  const remove = db.prepare<[string]>('DELETE FROM tool WHERE id = ?');
  const upkeep = db.prepare<[], UpkeepRow>('SELECT * FROM upkeep ORDER BY day DESC, id');
  const oneUpkeep = db.prepare<[string], UpkeepRow>('SELECT * FROM upkeep WHERE id = ?');
  const insertUpkeep = db.prepare<UpkeepRow>(
    'INSERT INTO upkeep (id, tool_id, act, day) VALUES (@id, @tool_id, @act, @day) ON CONFLICT (id) DO NOTHING',
  );
  const removeUpkeep = db.prepare<[string]>('DELETE FROM upkeep WHERE id = ?');
  return {
    all: (): readonly ToolRecord[] => all.all().map(record),
    find: (id: string): ToolRecord | undefined => {
      const row = one.get(id);
      return row && record(row);
    },
    insert: (id: string, draft: ToolDraft): void => {
      insert.run(values(id, draft));
    },
    /** False when the stored version is another. */
    update: (id: string, { retired, version, ...draft }: ToolEdit): boolean =>
      update.run({ ...values(id, draft), retired: retired ? 1 : 0, version }).changes === 1,
    remove: (id: string): boolean => remove.run(id).changes === 1,
    upkeep: (): readonly UpkeepDraft[] =>
      upkeep.all().map((u) => ({ id: u.id, toolId: u.tool_id, act: u.act, day: formatDay(day(u.day)) })),
    /** The piece an entry belongs to already, if any. */
    ownerOfUpkeep: (id: string): string | undefined => oneUpkeep.get(id)?.tool_id,
    /** Writes an entry down; one that is there already is left as it is. */
    addUpkeep: (u: UpkeepDraft): void => {
      insertUpkeep.run({ id: u.id, tool_id: u.toolId, act: u.act, day: parseDay(u.day) ?? 0 });
    },
    removeUpkeep: (id: string): boolean => removeUpkeep.run(id).changes === 1,
  };
}
