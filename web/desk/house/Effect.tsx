/** What other house rules would change: plans of the dogs booked next, and everybody's next date. */
import { Link } from 'react-router';
import type { HousePreview, PlanSummary } from '../../../contract/salon.ts';
import { findRule, toolRow, type HouseRules } from '../../../core/kit/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useHousePreview } from '../../data/hooks.ts';
import { shortDay } from '../../words/dates.ts';
import { capital, listText, minutesText, money, percent } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';
import css from './house.module.css';

/** What differs between two plans of one dog, in words; empty when they come to the same. */
function changes(before: PlanSummary | null, after: PlanSummary | null, currency: string): readonly string[] {
  if (!before || !after) {
    if (!before && !after) return [];
    return [after ? `a way opens: ${methodName(after.method).toLowerCase()}` : 'no way is open any more'];
  }
  const said: string[] = [];
  const differs = <T,>(a: T, b: T, word: (v: T) => string): void => {
    if (word(a) !== word(b)) said.push(`${word(a)} → ${word(b)}`);
  };
  differs(before.method, after.method, (m) => methodName(m).toLowerCase());
  differs(before.minutes, after.minutes, minutesText);
  differs(before.priceCents, after.priceCents, (c) => money(c, currency));
  differs(before.shareLeft, after.shareLeft, (s) => `${percent(s)} left`);
  differs(before.skinLoad, after.skinLoad, (s) => `skin ${percent(s)}`);
  const gone = before.tools.filter((t) => !after.tools.includes(t));
  const come = after.tools.filter((t) => !before.tools.includes(t));
  const names = (kinds: PlanSummary['tools']): string => listText([...new Set(kinds)].map((k) => toolRow(k).name));
  if (gone.length > 0) said.push(`without ${names(gone)}`);
  if (come.length > 0) said.push(`with ${names(come)}`);
  const mind = after.cautions.filter((id) => !before.cautions.includes(id)).flatMap((id) => findRule(id) ?? []);
  // A changed way brings its own cautions; only where the way is the same are they the news.
  if (before.method === after.method)
    for (const r of mind) said.push(`mind: ${r.statement.replace(/\.$/, '').toLowerCase()}`);
  if (said.length === 0 && before.tools.join() !== after.tools.join()) said.push('the same steps in another order');
  return said;
}

function Shown({ preview, currency }: { preview: HousePreview; currency: string }) {
  const rows = preview.plans.map((p) => ({ ...p, said: changes(p.before, p.after, currency) }));
  const changed = rows.filter((r) => r.said.length > 0);
  const { sooner, later, days } = preview.moved;
  return (
    <>
      <p>
        {changed.length === 0
          ? `None of the next ${rows.length} plans changes.`
          : `${changed.length} of the next ${rows.length} plans change.`}
      </p>
      {changed.length > 0 && (
        <ul className="wt-bare wt-rules">
          {changed.map((r) => (
            <li key={r.dogId}>
              <Link to={`/desk/dogs/${r.dogId}`}>{r.name}</Link> <span className="wt-soft">{shortDay(r.day)}</span>
              <div>{capital(r.said.join('; '))}.</div>
            </li>
          ))}
        </ul>
      )}
      {sooner + later > 0 && (
        <p>
          {sooner > 0 && `${sooner} ${sooner === 1 ? 'dog is' : 'dogs are'} due sooner`}
          {sooner > 0 && later > 0 && ', '}
          {later > 0 && `${later} ${later === 1 ? 'dog is' : 'dogs are'} due later`}, {Math.abs(days)}{' '}
          {Math.abs(days) === 1 ? 'day' : 'days'} {days < 0 ? 'less' : 'more'} in all.
        </p>
      )}
    </>
  );
}

export function Effect({ house, changed, currency }: { house: HouseRules; changed: boolean; currency: string }) {
  const preview = useHousePreview(house, changed);
  if (!changed)
    return <p className="wt-soft">Take another side, and the plans it would change stand here before you save.</p>;
  return (
    <div role="status" className={preview.isPlaceholderData ? css.stale : undefined}>
      <Loaded query={preview}>{(p) => <Shown preview={p} currency={currency} />}</Loaded>
    </div>
  );
}
