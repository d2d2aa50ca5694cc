/** Desk → Rules: every rule of the trade with its reason, where it applies, and how often it speaks today; searched by word. */
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { RulesPage } from '../../../contract/kit.ts';
import { SEVERITIES, type Rule, type Severity } from '../../../core/kit/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useRules } from '../../data/hooks.ts';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Input } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { SEVERITY_WORDS, whereText } from '../../words/kit.ts';
import css from './rules.module.css';

const sourceText = ({ source }: Rule): string =>
  source.kind === 'published' ? source.where : source.kind === 'guess' ? 'a guess' : 'common practice';

const textOf = (rule: Rule): string =>
  `${rule.id} ${SEVERITY_WORDS[rule.severity]} ${rule.statement} ${rule.reason} ${whereText(rule)}`.toLowerCase();

function RuleTable({ page }: { page: RulesPage }) {
  const [search, setSearch] = useSearchParams();
  const asked = search.get('rule');
  const severity = SEVERITIES.find((s) => s === search.get('kind'));
  const [find, setFind] = useState(search.get('find') ?? '');
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = page.rules.filter(
    (r) => (!severity || r.severity === severity) && words.every((w) => textOf(r).includes(w)),
  );
  const put = (key: string, value: string | undefined): void => {
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        if (value) next.set(key, value);
        else next.delete(key);
        if (key !== 'rule') next.delete('rule');
        return next;
      },
      { replace: true },
    );
  };
  useEffect(() => {
    if (asked) document.getElementById(`rule-${asked}`)?.scrollIntoView({ block: 'center', behavior: 'instant' });
  }, [asked]);
  const kinds: readonly (Severity | undefined)[] = [undefined, ...SEVERITIES];
  return (
    <>
      <div className={css.find}>
        <Input
          type="search"
          aria-label="Find a rule"
          placeholder="Find a rule: blade, ears, wet …"
          value={find}
          onChange={(e) => {
            setFind(e.target.value);
            put('find', e.target.value);
          }}
        />
        <div className={css.chips} role="group" aria-label="Kind of rule">
          {kinds.map((s) => (
            <button key={s ?? 'all'} type="button" aria-pressed={s === severity} onClick={() => put('kind', s)}>
              {s ? SEVERITY_WORDS[s] : 'All'}{' '}
              <span className="wt-soft">{page.rules.filter((r) => !s || r.severity === s).length}</span>
            </button>
          ))}
        </div>
      </div>
      <p className="wt-soft" role="status">
        {shown.length} of {page.rules.length} rules. Stop and Never stand in every house; only those marked “by house
        rule” follow your side of a quarrel. Counts go over the {page.dogs} dogs as last felt, with today’s kit.
      </p>
      {shown.length === 0 ? (
        <EmptyState>No rule has all of these words. Try fewer.</EmptyState>
      ) : (
        <Sheet as="div" className="wt-wide">
          <Table className={css.table}>
            <thead>
              <tr>
                <th scope="col">Kind</th>
                <th scope="col">Rule</th>
                <th scope="col">Where</th>
                <th scope="col" className="wt-num">
                  Dogs
                </th>
                <th scope="col" className="wt-num">
                  Zones
                </th>
              </tr>
            </thead>
            <tbody>
              {shown.map((r) => {
                const spoken = page.spoken[r.id];
                return (
                  <tr key={r.id} id={`rule-${r.id}`} className={r.id === asked ? 'is-asked' : undefined}>
                    <td>
                      <span className={`${css.sev} is-${r.severity}`}>{SEVERITY_WORDS[r.severity]}</span>
                    </td>
                    <td>
                      {r.statement} <span className="wt-soft">{r.reason}</span>
                    </td>
                    <td className="wt-soft">
                      {whereText(r)} <span className={css.source}>({sourceText(r)})</span>
                    </td>
                    <td className="wt-num">{spoken?.dogs ?? 0}</td>
                    <td className="wt-num">{spoken?.zones ?? 0}</td>
                  </tr>
                );
              })}
            </tbody>
          </Table>
        </Sheet>
      )}
    </>
  );
}

export function RulesRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Rules of the trade</h1>
      </div>
      <Loaded query={useRules()}>{(page) => <RuleTable page={page} />}</Loaded>
    </>
  );
}
