/** The figures behind a drawing as a table, and as a file that spreadsheets read. */
import { useState } from 'react';
import type { Counted } from '../../drawing/TallyChart.tsx';
import { saveText } from '../../drawing/save.ts';
import { Button } from '../../ui/Button.tsx';
import { Table } from '../../ui/Table.tsx';
import chartsCss from '../../drawing/charts.module.css';

interface Props {
  readonly groups: readonly Counted[];
  readonly say: (value: number) => string;
  readonly of: string;
  readonly each: string;
  readonly name: string;
  /** Only for those who cannot see the drawing. */
  readonly hidden: boolean;
}

export function CountedTable({ groups, say, of, each, name, hidden }: Props) {
  const [problem, setProblem] = useState('');
  const save = async (): Promise<void> => {
    // Fetched when it is asked for: nobody else waits for it.
    const { default: Papa } = await import('papaparse');
    const rows = groups.map((g) => [
      g.name,
      g.n,
      Math.round(g.mean * 1000) / 1000,
      g.band ? Math.round(g.band.low * 1000) / 1000 : '',
      g.band ? Math.round(g.band.high * 1000) / 1000 : '',
    ]);
    const csv = Papa.unparse({ fields: [of, 'Count', 'Mean', 'Low', 'High'], data: rows }, { escapeFormulae: true });
    saveText(`${csv}\r\n`, 'text/csv', name, 'csv');
  };
  return (
    <>
      <div
        className={hidden ? 'visually-hidden' : 'wt-wide'}
        role="region"
        aria-label={name}
        tabIndex={hidden ? undefined : 0}
      >
        <Table>
          <caption>{each}</caption>
          <thead>
            <tr>
              <th scope="col">{of}</th>
              <th scope="col" className="text-end">
                Count
              </th>
              <th scope="col" className="text-end">
                Mean
              </th>
              <th scope="col" className="text-end">
                Eight in ten
              </th>
            </tr>
          </thead>
          <tbody>
            {groups.map((g) => (
              <tr key={g.key}>
                <th scope="row">{g.name}</th>
                <td className="text-end">{g.n}</td>
                <td className="text-end">{say(g.mean)}</td>
                <td className="text-end">{g.band ? `${say(g.band.low)} to ${say(g.band.high)}` : 'too few'}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
      <p className={chartsCss.keepAs}>
        <Button
          look="plain"
          onClick={() => {
            setProblem('');
            save().catch((e: unknown) => setProblem(e instanceof Error ? e.message : String(e)));
          }}
        >
          Save the figures as CSV
        </Button>
        {problem !== '' && <span role="alert"> {problem}</span>}
      </p>
    </>
  );
}
