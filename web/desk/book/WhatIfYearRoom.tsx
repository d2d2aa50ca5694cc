/** Desk → Book → What if: a year with another room, planned beside today's; two that were kept can stand side by side. */
import { RoomTabs } from '../../app/RoomTabs.tsx';
import { useId, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { keptYearSchema, type KeptYear } from '../../../contract/year.ts';
import type { TideFile } from '../../../contract/tide.ts';
import { AS_TODAY, MOST_CHANGE, type YearChange } from '../../../core/book/index.ts';
import { clamp } from '../../../core/quantity/index.ts';
import type { LearntBook } from '../../../core/tide/index.ts';
import { NotYet, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useDropYear, useKeepYear, useSalon, useSheet, useTideBook, useYearsKept } from '../../data/hooks.ts';
import { WeeksChart } from '../../drawing/WeeksChart.tsx';
import { Button } from '../../ui/Button.tsx';
import { Check, Field, Select } from '../../ui/Field.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { NumberInput } from '../../ui/form/NumberInput.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { useYears, type YearAnswer } from '../../work/useYears.ts';
import type { PlannedYear, YearRoom } from '../../work/what-if.worker.ts';
import { weekdaysHere, weekdayName } from '../../words/dates.ts';
import { changeText, isAsToday, limitsText, YEAR_LINES } from '../../words/year.ts';
import { Learning } from '../tide/Learning.tsx';
import css from './book.module.css';

/** The change that an address says; what it says wrongly counts as not said. */
function changeIn(params: URLSearchParams, closed: readonly number[]): YearChange {
  const number = (name: string, most: number): number => clamp(Math.trunc(Number(params.get(name) ?? 0)) || 0, 0, most);
  const open = number('open', 7);
  return {
    handDays: number('hands', MOST_CHANGE.handDays),
    openWeekday: closed.includes(open) ? open : null,
    strongerDryer: params.has('dryer'),
    moreDogs: number('dogs', MOST_CHANGE.moreDogs),
    homesBrush: params.has('brush'),
    secondTub: params.has('tub'),
  };
}

function addressOf(c: YearChange, beside: string | null): URLSearchParams {
  const next = new URLSearchParams();
  if (c.handDays > 0) next.set('hands', String(c.handDays));
  if (c.openWeekday !== null) next.set('open', String(c.openWeekday));
  if (c.strongerDryer) next.set('dryer', '');
  if (c.moreDogs > 0) next.set('dogs', String(c.moreDogs));
  if (c.homesBrush) next.set('brush', '');
  if (c.secondTub) next.set('tub', '');
  if (beside) next.set('beside', beside);
  return next;
}

interface ChangeFormProps {
  readonly change: YearChange;
  readonly closed: readonly number[];
  readonly onChange: (change: YearChange) => void;
}

function ChangeForm({ change, closed, onChange }: ChangeFormProps) {
  const id = useId();
  const number = (label: string, key: 'handDays' | 'moreDogs') => (
    <Field label={label} id={`${id}-${key}`}>
      <NumberInput
        id={`${id}-${key}`}
        value={change[key]}
        onChange={(n = 0) => onChange({ ...change, [key]: clamp(n, 0, MOST_CHANGE[key]) })}
      />
    </Field>
  );
  const check = (label: string, key: 'strongerDryer' | 'homesBrush' | 'secondTub') => (
    <Check
      id={`${id}-${key}`}
      label={label}
      checked={change[key]}
      onChange={(e) => onChange({ ...change, [key]: e.target.checked })}
    />
  );
  return (
    <div className={css.whatifForm} role="group" aria-label="What would be otherwise">
      {number('One more person, days a week', 'handDays')}
      {number('More dogs', 'moreDogs')}
      <Field label="Open too on" id={`${id}-open`}>
        <Select
          value={change.openWeekday ?? 0}
          disabled={closed.length === 0}
          onChange={(e) => onChange({ ...change, openWeekday: Number(e.target.value) || null })}
        >
          <option value={0}>no other day</option>
          {closed.map((w) => (
            <option key={w} value={w}>
              {weekdayName(w)}
            </option>
          ))}
        </Select>
      </Field>
      <div>
        {check('A second tub', 'secondTub')}
        {check('A stronger dryer', 'strongerDryer')}
        {check('Every home brushes', 'homesBrush')}
      </div>
    </div>
  );
}

/** Keeps the year under a name, or lists those that are kept. */
function Kept({
  change,
  years,
  onShow,
}: {
  change: YearChange;
  years: readonly KeptYear[];
  onShow: (year: KeptYear) => void;
}) {
  const keep = useKeepYear();
  const drop = useDropYear();
  const id = useId();
  // A year that nobody names is called by what is otherwise in it.
  const form = useSchemaForm<KeptYear>({
    schema: keptYearSchema,
    values: { id: newId(), name: changeText(change).slice(0, 60), change },
  });
  return (
    <Sheet aria-labelledby={`${id}-kept`}>
      <h2 id={`${id}-kept`}>Kept years</h2>
      {years.length === 0 && <p className="wt-soft">None yet. A kept year is planned anew whenever you look at it.</p>}
      <ul className="wt-bare wt-rows">
        {years.map((y) => (
          <li key={y.id}>
            <div>
              <strong>{y.name}</strong> <span className="wt-soft">{changeText(y.change)}</span>
            </div>
            <div className="wt-acts">
              <Button look="usual" onClick={() => onShow(y)}>
                Show beside
              </Button>
              <Button look="usual" disabled={drop.isPending} onClick={() => drop.mutate(y.id)}>
                Take out
              </Button>
            </div>
          </li>
        ))}
      </ul>
      {!isAsToday(change) && (
        <SchemaForm
          form={form}
          className={css.whatifKeep}
          onSave={(year) => keep.mutate({ ...year, id: newId(), change })}
        >
          <TextField form={form} name="name" label="Name of this year" />
          <Button type="submit" look="usual" disabled={keep.isPending}>
            Keep it
          </Button>
        </SchemaForm>
      )}
      <Refusal error={keep.error ?? drop.error} />
    </Sheet>
  );
}

interface Column {
  readonly name: string;
  readonly answer: YearAnswer;
}
const outcomeOf = ({ answer }: Column): PlannedYear | undefined =>
  answer.state === 'done' ? answer.outcome : undefined;

function Compared({ columns, currency }: { columns: readonly Column[]; currency: string }) {
  return (
    <Sheet aria-labelledby="compared">
      <h2 id="compared">Side by side</h2>
      <div className="wt-wide" role="group" aria-label="Figures of the years">
        <Table className={css.whatifTable}>
          <thead>
            <tr>
              <th scope="col">A year</th>
              {columns.map((c) => (
                <th key={c.name} scope="col">
                  {c.name}
                  {c.answer.state === 'working' && <Progress label={`${c.name}: planned`} value={c.answer.share} />}
                  {c.answer.state === 'failed' && <span role="alert"> could not be planned</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {YEAR_LINES.map(([label, say]) => {
              const said = columns.map((c) => {
                const y = outcomeOf(c);
                return y ? say(y, currency) : '…';
              });
              return (
                said.some((t) => t !== '') && (
                  <tr key={label}>
                    <th scope="row">{label}</th>
                    {columns.map((c, i) => (
                      <td key={c.name}>{said[i]}</td>
                    ))}
                  </tr>
                )
              );
            })}
          </tbody>
        </Table>
      </div>
    </Sheet>
  );
}

function Years({
  file,
  learnt,
  room,
  years,
  currency,
}: {
  file: TideFile;
  learnt: LearntBook;
  room: YearRoom;
  years: readonly KeptYear[];
  currency: string;
}) {
  const [params, setParams] = useSearchParams();
  const closed = weekdaysHere()
    .map((w) => w.value)
    .filter((w) => !file.openWeekdays.includes(w));
  const change = changeIn(params, closed);
  const beside = years.find((y) => y.id === params.get('beside'));
  const shown: readonly { readonly name: string; readonly change: YearChange }[] = [
    { name: 'As today', change: AS_TODAY },
    ...(isAsToday(change) ? [] : [{ name: changeText(change), change }]),
    ...(beside ? [beside] : []),
  ];
  const facts = useMemo(() => ({ book: file, learnt, room }), [file, learnt, room]);
  const answers = useYears(
    facts,
    shown.map((s) => s.change),
  );
  const columns = shown.flatMap(({ name }, i): readonly Column[] => {
    const answer = answers[i];
    return answer ? [{ name, answer }] : [];
  });
  // One scale, so that years can be compared.
  const most = Math.max(...columns.flatMap((c) => outcomeOf(c)?.weeks ?? []).map((w) => Math.max(w.hours, w.proposed)));
  const go = (to: YearChange, other: string | null): void => setParams(addressOf(to, other), { replace: true });
  return (
    <div className={css.whatif}>
      <div className="d-grid g-6">
        <Sheet aria-labelledby="otherwise">
          <h2 id="otherwise">What would be otherwise</h2>
          <ChangeForm change={change} closed={closed} onChange={(c) => go(c, beside?.id ?? null)} />
        </Sheet>
        <Kept key={changeText(change)} change={change} years={years} onShow={(y) => go(change, y.id)} />
      </div>
      <div className="d-grid g-6">
        <Compared columns={columns} currency={currency} />
        <Sheet aria-labelledby="weeks">
          <h2 id="weeks">Hours by week</h2>
          <p className="wt-soft">The line is what the salon plans with, 93 % of its hours.</p>
          {columns.map((c) => {
            const y = outcomeOf(c);
            return (
              y && (
                <figure key={c.name} className="mb-2">
                  <figcaption>{c.name}</figcaption>
                  <WeeksChart weeks={y.weeks} chosen={-1} most={most} />
                </figure>
              )
            );
          })}
        </Sheet>
        <Sheet aria-labelledby="limits">
          <h2 id="limits">What this does not know</h2>
          <ul>
            {limitsText(change).map((t) => (
              <li key={t}>{t}</li>
            ))}
          </ul>
        </Sheet>
      </div>
    </div>
  );
}

function Room() {
  const [tide, salon, years, sheet] = [useTideBook(), useSalon(), useYearsKept(), useSheet(undefined)];
  const [file, house, places] = [tide.data, salon.data?.salon.house, sheet.data?.asked.places];
  // Both stay the same objects while what they say is the same.
  const room = useMemo((): YearRoom | undefined => places && house && { places, house }, [places, house]);
  if (!file || !house || !room || !years.data) return <NotYet queries={[tide, salon, years, sheet]} />;
  const kept = years.data.years;
  return (
    <Learning file={file}>
      {(learnt) => <Years file={file} learnt={learnt} room={room} years={kept} currency={house.rates.currency} />}
    </Learning>
  );
}

export function WhatIfYearRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>What if</h1>
        <RoomTabs of="calendar" />
      </div>
      <Room />
    </>
  );
}
