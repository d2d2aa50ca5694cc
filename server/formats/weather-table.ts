/** A table of temperatures, as thermometers and offices write them. */
import Papa from 'papaparse';
import type { Day } from '../../core/quantity/index.ts';
import type { Reading } from '../../core/tide/index.ts';

/** Cells of a line; a separator within quotes is part of its cell. */
const cellsOf = (line: string, delimiter: string): readonly string[] =>
  (Papa.parse<string[]>(line, { delimiter }).data[0] ?? []).map((c) => c.trim());
/** A temperature with a point or a comma before its decimals; undefined for any other text. */
function celsiusOf(cell: string): number | undefined {
  const value = /^[-+]?\d+(?:[.,]\d+)?$/.test(cell) ? Number(cell.replace(',', '.')) : NaN;
  return value > -70 && value < 60 ? value : undefined;
}

/**
 * Readings of a CSV with a date and a temperature a line, in either order of columns, with or without a head; separated by
 * semicolons or tabs where a line has any, else by commas. A comma that may be either is refused, never cut off.
 */
export function readingsFromCsv(
  text: string,
  parse: (date: string) => Day | undefined,
): {
  readonly readings: readonly Reading[];
  readonly refused: readonly { readonly line: number; readonly text: string }[];
} {
  const readings: Reading[] = [];
  const refused: { line: number; text: string }[] = [];
  const separatorOf = (line: string): string => [';', '\t'].find((mark) => line.includes(mark)) ?? ',';
  const lines = text.split(/\r?\n/).map((raw) => raw.trim());
  const top = lines.find((line) => line !== '') ?? '';
  const columns = cellsOf(top, separatorOf(top));
  /** A head tells how many columns there are. */
  const headed = columns.every((c) => parse(c) === undefined) ? columns.length : undefined;
  for (const [i, line] of lines.entries()) {
    if (line === '') continue;
    const separator = separatorOf(line);
    const cells = cellsOf(line, separator);
    const at = cells.map(parse).find((d) => d !== undefined);
    const place = cells.findIndex((c) => celsiusOf(c) !== undefined);
    const value = celsiusOf(cells[place] ?? '');
    const next = cells[place + 1] ?? '';
    const maybeCut =
      separator === ',' && headed !== cells.length && /^[-+]?\d+$/.test(cells[place] ?? '') && /^\d{1,2}$/.test(next);
    if (at !== undefined && value !== undefined && !maybeCut) readings.push({ day: at, celsius: value });
    // The first line may be a head.
    else if (i > 0) refused.push({ line: i + 1, text: line.slice(0, 60) });
  }
  return { readings, refused };
}
