/** Reports → takings: what a month came to, beside the hours, by person and by way of working. */
import { useSearchParams } from 'react-router';
import { monthOf, takings, type Takings } from '../../../core/tally/index.ts';
import { day } from '../../../core/quantity/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useLedger } from '../../data/hooks.ts';
import { Field, Select } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { monthName } from '../../words/dates.ts';
import { minutesText, money } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';
import { visitsText } from '../../words/tally.ts';

function Rows({
  head,
  rows,
  name,
  currency,
}: {
  head: string;
  rows: readonly Takings[];
  name: (key: string) => string;
  currency: string;
}) {
  return (
    <Table>
      <thead>
        <tr>
          <th scope="col">{head}</th>
          <th scope="col" className="wt-num">
            Visits
          </th>
          <th scope="col" className="wt-num">
            At the table
          </th>
          <th scope="col" className="wt-num">
            Taken
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <tr key={r.key}>
            <th scope="row">{name(r.key)}</th>
            <td className="wt-num">{r.visits}</td>
            <td className="wt-num">{minutesText(Math.round(r.minutes))}</td>
            <td className="wt-num">{money(r.cents, currency)}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

export function TakingsSheet() {
  const [search, setSearch] = useSearchParams();
  return (
    <Loaded query={useLedger()}>
      {({ entries, today, currency }) => {
        const months = [...new Set([monthOf(day(today)), ...entries.map((e) => monthOf(e.day))])].sort().reverse();
        const month = months.find((m) => m === search.get('month')) ?? months[0] ?? '';
        const { all, byPerson, byMethod } = takings(entries, month);
        return (
          <Sheet aria-labelledby="takings">
            <h2 id="takings">Taken in {monthName(month)}</h2>
            <Field label="Month" id="takings-month">
              <Select
                id="takings-month"
                value={month}
                onChange={(e) => setSearch({ view: 'takings', month: e.target.value }, { replace: true })}
              >
                {months.map((m) => (
                  <option key={m} value={m}>
                    {monthName(m)}
                  </option>
                ))}
              </Select>
            </Field>
            <p className="wt-lead mt-3">
              {money(all.cents, currency)} from {visitsText(all.visits)} and {minutesText(Math.round(all.minutes))} at
              the table.
            </p>
            <p className="wt-soft">
              {all.noted === all.visits && all.visits > 0
                ? 'As it was written down at the table.'
                : `${all.noted === 0 ? 'By' : `As it was written down for ${visitsText(all.noted)}; the rest by`} the prices of the plans that were worked.`}
              {all.openCents > 0 && ` Still to pay: ${money(all.openCents, currency)}.`}
            </p>
            {all.visits > 0 && (
              <div className="wt-two">
                <Rows head="Who" rows={byPerson} name={(k) => k || 'not said'} currency={currency} />
                <Rows head="Way of working" rows={byMethod} name={methodName} currency={currency} />
              </div>
            )}
          </Sheet>
        );
      }}
    </Loaded>
  );
}
