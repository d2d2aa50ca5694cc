/** What the day's dogs leave to clean, with its minutes: half of a shop's battle. */
import type { DayPage } from '../../../contract/day.ts';
import { CLEANING, cleaningOf } from '../../../core/kit/index.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { minutesText } from '../../words/figures.ts';

export function Cleaning({ page }: { page: DayPage }) {
  const { minutes, heavy } = cleaningOf(page.dogs.map((d) => d.coatClass));
  if (minutes === 0) return null;
  const rows = (after: (typeof CLEANING)[number]['after']) => CLEANING.filter((r) => r.after === after);
  return (
    <Sheet aria-labelledby="cleaning">
      <h2 id="cleaning">Clean-up, about {minutesText(minutes)}</h2>
      {heavy > 0 && (
        <>
          <h3>After each heavy coat ({heavy} today)</h3>
          <ul>
            {rows('heavy-dog').map((r) => (
              <li key={r.what}>
                {r.what} <span className="wt-soft">{minutesText(r.minutes)}</span>
              </li>
            ))}
          </ul>
        </>
      )}
      <h3>When the last has gone</h3>
      <ul>
        {rows('day').map((r) => (
          <li key={r.what}>
            {r.what} <span className="wt-soft">{minutesText(r.minutes)}</span>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
