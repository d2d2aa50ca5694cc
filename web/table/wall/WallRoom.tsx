/** Table → Wall: today's sheet for a big screen, read from across the room; it follows what is marked by itself. */
import type { SheetPage } from '../../../contract/roster.ts';
import { stagesWithoutHands } from '../../../core/day/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useSheet } from '../../data/hooks.ts';
import { lanesOf, namesOf, standing } from '../../desk/sheet/names.ts';
import { Lanes } from '../../desk/sheet/Lanes.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useDaySheet } from '../../work/useDaySheet.ts';
import { minuteText, weekdayText } from '../../words/dates.ts';
import css from './wall.module.css';

export function Wall({ page }: { page: SheetPage }) {
  const { laid } = useDaySheet(page.asked);
  if (page.visits.length === 0 || stagesWithoutHands(page.asked).length > 0)
    return <EmptyState>No dogs on the sheet of {weekdayText(page.day)}.</EmptyState>;
  if (!laid)
    return (
      <p className="wt-waiting" role="status">
        Laying the day …
      </p>
    );
  const sheet = standing(laid);
  const names = namesOf(page);
  const begun = new Set(page.asked.begun.map((b) => `${b.visit} ${b.stage}`));
  const done = new Set(page.done.map((d) => `${d.visit} ${d.stage}`));
  const now = page.now ?? 0;
  return (
    <div className={css.onwall}>
      <section className={`${css.onwallNow} mb-4`} aria-label="Now and next">
        {page.people.map((p) => {
          const mine = sheet.laid.filter((l) => l.person === p.id && !done.has(`${l.visit} ${l.stage}`));
          // What is late is still to be done: nobody is done for today before all of it is.
          const at = mine.find((l) => begun.has(`${l.visit} ${l.stage}`)) ?? mine.find((l) => l.end > now) ?? mine[0];
          const had = sheet.laid.some((l) => l.person === p.id);
          const next = mine.find((l) => at && l.start >= at.end);
          return (
            <div key={p.id}>
              {p.name}
              <strong>
                {at
                  ? `${names.dog(at.visit)}, ${names.stage(at.visit, at.stage)}`
                  : had
                    ? 'Done for today'
                    : 'No dog today'}
              </strong>
              {at && (
                <>
                  {at.place && `${names.place(at.place)}, `}
                  {minuteText(at.start)}–{minuteText(at.end)}
                </>
              )}
              {next && (
                <div className="wt-soft">
                  then {names.dog(next.visit)}, {names.stage(next.visit, next.stage)}, {minuteText(next.start)}
                </div>
              )}
            </div>
          );
        })}
      </section>
      <Sheet aria-label="The sheet">
        <Lanes
          asked={page.asked}
          sheet={sheet}
          by="dog"
          lanes={lanesOf(page, 'dog')}
          dogName={names.dog}
          now={page.now}
        />
      </Sheet>
    </div>
  );
}

export function WallRoom() {
  return (
    <Loaded query={useSheet(undefined)}>
      {(page) => (
        <>
          <div className="wt-title">
            <h1>{weekdayText(page.day)}</h1>
            {page.now !== null && <span className="wt-soft">{minuteText(page.now)}</span>}
          </div>
          <Wall page={page} />
        </>
      )}
    </Loaded>
  );
}
