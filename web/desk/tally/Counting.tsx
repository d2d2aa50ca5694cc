/** One measure at a time: what is counted, by what, of which visits; as a drawing or a table, to be taken along. */
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { DogListItem } from '../../../contract/dog.ts';
import type { KitPage } from '../../../contract/kit.ts';
import type { TallyLedger } from '../../../contract/tally.ts';
import { METHODS } from '../../../core/bench/index.ts';
import { COAT_CLASSES, coatRow } from '../../../core/dog/index.ts';
import { addDays, day, sum, type Day } from '../../../core/quantity/index.ts';
import {
  filtered,
  monthOf,
  sinceLastYear,
  TALLY_BY,
  TALLY_OF,
  tallied,
  YEAR_DAYS,
  type TallyBy,
  type TallyFilter,
  type TallyOf,
  type VisitEntry,
} from '../../../core/tally/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Loaded } from '../../app/state.tsx';
import { useDogs, useKit, useLedger } from '../../data/hooks.ts';
import { Keepable } from '../../drawing/Keepable.tsx';
import { TallyChart, type Counted } from '../../drawing/TallyChart.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Field, Select } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { monthName } from '../../words/dates.ts';
import { capital, minutesText, money } from '../../words/figures.ts';
import { BY_WORDS, changeText, groupName, OF_WORDS, valueText } from '../../words/tally.ts';
import { CountedTable } from './CountedTable.tsx';
import { volumeText } from '../../words/units.ts';
import css from './tally.module.css';

/** What may be shown: measures of visits, and lists that stand beside them. */
type ListOf = 'products' | 'tools' | 'homes' | 'overdue';
type Show = TallyOf | ListOf;
const SHOWN: readonly { readonly value: Show; readonly word: string }[] = [
  ...TALLY_OF.map((value) => ({ value, word: OF_WORDS[value].name })),
  { value: 'products', word: 'Products' },
  { value: 'tools', word: 'Tools' },
  { value: 'homes', word: 'Homes' },
  { value: 'overdue', word: 'Overdue' },
];
const SPANS = [
  { value: 'year', word: 'the last year', days: YEAR_DAYS },
  { value: 'before', word: 'the year before', days: 2 * YEAR_DAYS },
  { value: 'all', word: 'all that is here', days: Infinity },
] as const;
type Span = (typeof SPANS)[number]['value'];

const isTallyOf = (show: Show): show is TallyOf => TALLY_OF.some((o) => o === show);

function spanOf(span: Span, today: Day): TallyFilter {
  switch (span) {
    case 'year':
      return { from: addDays(today, 1 - YEAR_DAYS) };
    case 'before':
      return { from: addDays(today, 1 - 2 * YEAR_DAYS), to: addDays(today, -YEAR_DAYS) };
    case 'all':
      return {};
  }
}

interface Column {
  readonly title: string;
  readonly groups: readonly Counted[];
  readonly say: (value: number) => string;
  readonly upright: boolean;
  readonly line?: number | undefined;
  /** What a group is, over its column. */
  readonly of: string;
  readonly each: string;
}

function Drawn({ column, asTable, name }: { column: Column; asTable: boolean; name: string }) {
  if (column.groups.length === 0) return <p className="wt-soft">Nothing of that was logged in these visits.</p>;
  return (
    <>
      {!asTable && (
        <Keepable name={name}>
          <TallyChart {...column} />
        </Keepable>
      )}
      <CountedTable {...column} name={name} hidden={!asTable} />
    </>
  );
}

const month = (of: readonly { readonly day: number }[]): readonly string[] =>
  [...new Set(of.map((x) => monthOf(day(x.day))))].sort();

/** Millilitres a month, all products or one. */
function productColumn({ moves, entries }: TallyLedger): Column {
  const mixed = moves.filter((m) => m.kind === 'mixed');
  const bathed = new Map<string, number>();
  for (const e of entries) if (e.bathed) bathed.set(monthOf(e.day), (bathed.get(monthOf(e.day)) ?? 0) + 1);
  const groups = month(mixed).map((key): Counted => {
    const dogs = bathed.get(key) ?? 0;
    const ml = sum(mixed.filter((m) => monthOf(m.day) === key).map((m) => m.ml));
    return { key, name: monthName(key), n: dogs, mean: dogs === 0 ? 0 : ml / dogs };
  });
  return {
    title: 'Concentrate for each bathed dog by month',
    groups,
    say: volumeText,
    upright: true,
    of: 'Month',
    each: 'of concentrate a bathed dog; below, how many were bathed',
  };
}

/** Minutes at home against all brushing. */
function homeColumn({ home, entries }: TallyLedger): Column {
  const groups = month(home).map((key): Counted => {
    const bouts = home.filter((h) => monthOf(h.day) === key);
    const atHome = sum(bouts.map((h) => h.minutes));
    const here = sum(entries.filter((e) => monthOf(e.day) === key).map((e) => e.minutes));
    return { key, name: monthName(key), n: bouts.length, mean: atHome / Math.max(1e-9, atHome + here) };
  });
  return {
    title: 'Share of brushing done at home by month',
    groups,
    say: (v) => `${Math.round(v * 100)}\u00a0%`,
    upright: true,
    of: 'Month',
    each: 'of all minutes on a coat were an owner’s; below, how many bouts were told',
  };
}

/** What each piece has cost for each dog that it worked: its price by how much of its life is worn off. */
function toolColumn({ tools, wear, currency }: KitPage): Column {
  const groups = tools
    .filter((t) => t.homeOf === null)
    .flatMap((t): Counted[] => {
      const w = wear[t.id];
      const life = w?.due.find((d) => d.act === 'replaced');
      if (!w || w.uses === 0 || !life || t.costCents === null) return [];
      return [{ key: t.id, name: t.name, n: w.uses, mean: (t.costCents * (w.minutes / life.bears)) / w.uses }];
    })
    .sort((a, b) => b.mean - a.mean);
  return {
    title: 'Cost of each piece for each dog it worked',
    groups,
    say: (v) => money(Math.round(v), currency),
    upright: false,
    of: 'Piece',
    each: 'of its price for each dog, by how much of its life is worn off; then how many dogs',
  };
}

function overdueColumn(dogs: readonly DogListItem[]): Column {
  const groups = dogs
    .flatMap((d): Counted[] => {
      const r = d.need.reason;
      return r.code === 'overdue' ? [{ key: d.id, name: d.name, n: 1, mean: r.days }] : [];
    })
    .sort((a, b) => b.mean - a.mean);
  return {
    title: 'Days over the date, dogs that are not booked',
    groups,
    say: (v) => `${Math.round(v)}\u00a0days`,
    upright: false,
    of: 'Dog',
    each: 'days over the date, and not booked',
  };
}

function Choice({
  label,
  value,
  options,
  all = true,
  onPick,
}: {
  label: string;
  value: string;
  /** May nothing be chosen. */
  all?: boolean;
  options: readonly (readonly [value: string, word: string])[];
  onPick: (value: string) => void;
}) {
  return (
    <Field id={`tally-${label}`} label={label}>
      <Select value={value} onChange={(e) => onPick(e.target.value)}>
        {all && <option value="">all</option>}
        {options.map(([v, word]) => (
          <option key={v} value={v}>
            {word}
          </option>
        ))}
      </Select>
    </Field>
  );
}

const named = (entries: readonly VisitEntry[], of: (e: VisitEntry) => readonly (readonly [string, string])[]) =>
  [...new Map(entries.flatMap(of))].sort((a, b) => a[1].localeCompare(b[1]));

function Measures({ ledger, show }: { ledger: TallyLedger; show: TallyOf }) {
  const [search, setSearch] = useSearchParams();
  const put = (key: string, value: string): void =>
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        if (value === '') next.delete(key);
        else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  const by: TallyBy = TALLY_BY.find((b) => b === search.get('by')) ?? 'month';
  const span = SPANS.find((s) => s.value === search.get('span'))?.value ?? 'year';
  const today = day(ledger.today);
  const text = (key: string): string => search.get(key) ?? '';
  const filter: TallyFilter = {
    ...spanOf(span, today),
    coatClass: COAT_CLASSES.find((c) => c === text('coat')),
    method: METHODS.find((m) => m.id === text('way'))?.id,
    person: text('person') || undefined,
    toolId: text('tool') || undefined,
  };
  const visits = filtered(ledger.entries, filter);
  const groups = tallied(visits, show, by).map((g): Counted => ({ ...g, name: capital(groupName(by, g.key, g.name)) }));
  const words = OF_WORDS[show];
  const column: Column = {
    title: `${words.name} by ${BY_WORDS[by]}: ${words.each}`,
    groups,
    say: (v) => valueText(show, v, ledger.currency),
    upright: by === 'month',
    line: show === 'pace' || show === 'yield' || show === 'noise' ? 1 : undefined,
    of: capital(BY_WORDS[by]),
    each: words.each,
  };
  const all = ledger.entries;
  return (
    <>
      <div className={css.filters}>
        <Choice
          label="By"
          all={false}
          value={by}
          options={TALLY_BY.map((b) => [b, BY_WORDS[b]])}
          onPick={(v) => put('by', v)}
        />
        <Choice
          label="Of"
          all={false}
          value={span}
          options={SPANS.map((sp) => [sp.value, sp.word])}
          onPick={(v) => put('span', v)}
        />
        <Choice
          label="Coat"
          value={text('coat')}
          options={named(all, (e) => [[e.coatClass, coatRow(e.coatClass).name]])}
          onPick={(v) => put('coat', v)}
        />
        <Choice
          label="Way"
          value={text('way')}
          options={named(all, (e) => [[e.method, METHODS.find((m) => m.id === e.method)?.name ?? e.method]])}
          onPick={(v) => put('way', v)}
        />
        <Choice
          label="Person"
          value={text('person')}
          options={named(all, (e) => (e.person ? [[e.person, e.person]] : []))}
          onPick={(v) => put('person', v)}
        />
        <Choice
          label="Tool"
          value={text('tool')}
          options={named(all, (e) => e.tools.map((t) => [t.toolId, t.name]))}
          onPick={(v) => put('tool', v)}
        />
      </div>
      <p className="wt-soft">
        {visits.length} {visits.length === 1 ? 'visit' : 'visits'},{' '}
        {minutesText(Math.round(sum(visits.map((e) => e.minutes))))} at the table: {words.each}.
      </p>
      <Drawn column={column} asTable={search.get('as') === 'table'} name={`${words.name} by ${BY_WORDS[by]}`} />
    </>
  );
}

function Tools({ asTable }: { asTable: boolean }) {
  return (
    <Loaded query={useKit()}>
      {(page) => (
        <>
          <p className="wt-soft">
            Pieces without a price or a known life are left out. <Link to="/desk/kit">To the kit</Link>
          </p>
          <Drawn column={toolColumn(page)} asTable={asTable} name="cost of tools" />
        </>
      )}
    </Loaded>
  );
}
function Overdue({ asTable }: { asTable: boolean }) {
  return (
    <Loaded query={useDogs()}>
      {({ dogs }) => {
        const column = overdueColumn(dogs);
        return column.groups.length === 0 ? (
          <p>No dog is over its date.</p>
        ) : (
          <>
            <p className="wt-soft">
              {column.groups.length} {column.groups.length === 1 ? 'dog is' : 'dogs are'} over the date and not booked.{' '}
              <Link to="/desk/calendar/list">Whom to call</Link>
            </p>
            <Drawn column={column} asTable={asTable} name="dogs overdue" />
          </>
        );
      }}
    </Loaded>
  );
}

function Changes({ ledger }: { ledger: TallyLedger }) {
  const changes = useMemo(() => sinceLastYear(ledger, day(ledger.today)), [ledger]);
  const sure = changes.filter((c) => c.sure);
  const rest = changes.filter((c) => !c.sure);
  return (
    <Sheet aria-labelledby="changed">
      <h2 id="changed">Since last year</h2>
      {changes.length === 0 ? (
        <p className="wt-soft">It takes two years of visits to say what changed.</p>
      ) : (
        <>
          {sure.length === 0 ? (
            <p>Nothing that could not be chance.</p>
          ) : (
            <ul className={css.changes}>
              {sure.map((c) => (
                <li key={c.what}>{capital(changeText(c, ledger.currency))}</li>
              ))}
            </ul>
          )}
          {rest.length > 0 && (
            <Disclosure head={<>{rest.length} that may be chance</>} className="mt-2">
              <ul className={`${css.changes} wt-soft`}>
                {rest.map((c) => (
                  <li key={c.what}>{capital(changeText(c, ledger.currency))}</li>
                ))}
              </ul>
            </Disclosure>
          )}
          <p className="wt-soft mt-2">
            Above stands only what chance alone would make of such numbers less than once in ten years.
          </p>
        </>
      )}
    </Sheet>
  );
}

export function Counting() {
  const [search, setSearch] = useSearchParams();
  const show = SHOWN.find((s) => s.value === search.get('show'))?.value ?? 'grams';
  const asTable = search.get('as') === 'table';
  const put = (key: string, value: string): void =>
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        next.set(key, value);
        return next;
      },
      { replace: true },
    );
  return (
    <Loaded query={useLedger()}>
      {(ledger) => (
        <div className={css.counting}>
          <Sheet aria-label="Counted">
            <ChoiceGroup name="Count" options={SHOWN} value={show} onPick={(v) => put('show', v)} />
            {ledger.entries.length === 0 && show !== 'overdue' && show !== 'tools' ? (
              <p className="mt-3">No visit was finished yet. The first session at the table begins it.</p>
            ) : isTallyOf(show) ? (
              <Measures ledger={ledger} show={show} />
            ) : (
              <div className="mt-3">
                {show === 'products' && (
                  <Drawn column={productColumn(ledger)} asTable={asTable} name="products by month" />
                )}
                {show === 'homes' && <Drawn column={homeColumn(ledger)} asTable={asTable} name="homes by month" />}
                {show === 'tools' && <Tools asTable={asTable} />}
                {show === 'overdue' && <Overdue asTable={asTable} />}
              </div>
            )}
            <ChoiceGroup
              name="As"
              options={[
                { value: 'drawing', word: 'drawing' },
                { value: 'table', word: 'table' },
              ]}
              value={asTable ? 'table' : 'drawing'}
              onPick={(v) => put('as', v)}
            />
          </Sheet>
          <Changes ledger={ledger} />
        </div>
      )}
    </Loaded>
  );
}
