/** A table of clients read in: its columns, and what each line comes to. */
import Papa from 'papaparse';
import {
  guessColumns,
  readIntake,
  type Intake,
  type IntakeColumns,
  type IntakeLine,
  type IntakeVisit,
  type KnownDog,
} from '../../core/formats/index.ts';
import type { IntakePreview } from '../../contract/safe.ts';
import type { Day } from '../../core/quantity/index.ts';
import { Problem } from '../problem.ts';
import { asTyped } from '../table-text.ts';

export interface ClientTable {
  readonly csv: string;
  /** Columns as somebody chose them; guessed from their heads without. */
  readonly columns: IntakeColumns | undefined;
  readonly known: readonly KnownDog[];
  readonly today: Day;
}
/** What can be brought in: new dogs, past visits by dog (a place among the new ones, or an id), and what cannot. */
export interface ReadClients {
  readonly dogs: Intake['dogs'];
  readonly visits: readonly (IntakeVisit & { readonly dog: number | string })[];
  readonly wrong: { readonly first: Pick<IntakeLine, 'line' | 'problem'>; readonly count: number } | undefined;
}

const SHOWN_LINES = 500;
const MOST_LINES = 20_000;

interface Table {
  readonly header: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
}

/** A table of text with its head; throws a Problem when it is none. */
function tableOf(csv: string): Table {
  const { data, meta } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim(),
    transform: (v) => asTyped(v.trim()),
  });
  const header = (meta.fields ?? []).filter((h) => h !== '');
  if (header.length < 2 || data.length === 0)
    throw new Problem(
      400,
      'csv',
      'This is no table: its first line must name the columns, with a comma, a semicolon or a tab between them.',
    );
  if (data.length > MOST_LINES)
    throw new Problem(
      400,
      'csv',
      `This table has ${data.length} lines; ${MOST_LINES} at most are read at once. Split it.`,
    );
  return { header, rows: data };
}

interface ReadTable extends Intake, Pick<Table, 'header'> {
  readonly columns: IntakeColumns;
}
/** Reads a table. Columns that were guessed may name neither dog nor owner: then no line is read. */
function readTable({ csv, columns: chosen, known, today }: ClientTable): ReadTable {
  const { header, rows } = tableOf(csv);
  const columns = chosen ?? guessColumns(header);
  const stray = Object.values(columns).find((head) => !header.includes(head));
  if (stray !== undefined)
    throw new Problem(
      400,
      'columns',
      `columns names "${stray.slice(0, 80)}", which is no column of this table. Choose one of its own.`,
    );
  const missing = (['dog', 'owner'] as const).find((needed) => columns[needed] === undefined);
  if (missing === undefined) return { header, columns, ...readIntake(rows, columns, known, today) };
  if (chosen === undefined) return { header, columns, dogs: [], lines: [] };
  throw new Problem(
    400,
    'columns',
    `columns must say which column holds the ${missing === 'dog' ? 'dog’s' : 'owner’s'} name.`,
  );
}

const isWrong = (l: IntakeLine): boolean => l.problem !== undefined;

/** What would come of each line; the first some hundred are shown. */
export function previewClients(table: ClientTable): IntakePreview {
  const { header, columns, dogs, lines } = readTable(table);
  const wrong = lines.filter(isWrong);
  return {
    header,
    columns,
    // What is wrong first: it is what there is to do.
    rows: [...wrong, ...lines.filter((l) => !isWrong(l))].slice(0, SHOWN_LINES).map((l) => ({
      line: l.line,
      dog: l.dogName,
      owner: l.ownerName,
      newDog: l.newDog,
      visit: l.visit !== undefined,
      problem: l.problem ?? null,
    })),
    dogs: dogs.length,
    visits: lines.filter((l) => l.visit && !isWrong(l)).length,
    problems: wrong.length,
  };
}

/** What a table brings in. */
export function readClients(table: ClientTable): ReadClients {
  const { dogs, lines } = readTable(table);
  const wrong = lines.filter(isWrong);
  const [first] = wrong;
  return {
    dogs,
    visits: lines.flatMap(({ dog, visit }) => (visit && dog !== undefined ? [{ ...visit, dog }] : [])),
    wrong: first && { first: { line: first.line, problem: first.problem }, count: wrong.length },
  };
}
