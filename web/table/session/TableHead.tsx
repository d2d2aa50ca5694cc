/** Above the work: whose coat, which step, how far, who else is at it, and whether the salon's computer hears us. */
import { CloudOff, Cloud, Hand } from 'lucide-react';
import { zoneName } from '../../../core/dog/index.ts';
import type { Table } from './useTable.ts';
import { stepWordOf } from '../../words/steps.ts';
import css from './session.module.css';

export function TableHead({ table }: { table: Table }) {
  const { record, page, view, device } = table;
  const others = record.hands.filter((h) => h.device !== device);
  const done = record.steps.filter((s) => s.state === 'done' || s.state === 'skipped').length;
  return (
    <header className={css.thead}>
      <h1>{page.dogName}</h1>
      <ol className={`wt-bare ${css.track}`} aria-hidden>
        {record.steps.map((s) => {
          const mine = record.hands.some((h) => h.device === device && h.step === s.id);
          const look = mine
            ? 'is-now'
            : s.state === 'done'
              ? 'is-done'
              : s.state === 'skipped'
                ? 'is-skipped'
                : s.state === 'working'
                  ? 'is-others'
                  : '';
          return <li key={s.id} className={look} style={{ flexGrow: Math.max(1, s.plan.minutes) }} />;
        })}
      </ol>
      <p className="visually-hidden" role="status">
        {done} of {record.steps.length} steps done
      </p>
      {others.map((h) => {
        const step = record.steps.find((s) => s.id === h.step);
        return (
          <span key={h.device} className={css.chip}>
            <Hand aria-hidden size={18} /> {h.name || 'another device'}:{' '}
            {step ? stepWordOf(step.plan).toLowerCase() : 'at work'}
            {h.zone ? `, ${zoneName(h.zone)}` : ''}
          </span>
        );
      })}
      <span className={view.link === 'live' ? css.chip : `${css.chip} is-away`} role="status">
        {view.link === 'live' ? <Cloud aria-hidden size={18} /> : <CloudOff aria-hidden size={18} />}
        {view.link === 'live' && view.waiting === 0
          ? 'All kept'
          : view.link === 'live'
            ? `Sending ${view.waiting}`
            : view.waiting === 0
              ? 'No link, nothing to send'
              : `No link, ${view.waiting} kept here`}
      </span>
    </header>
  );
}
