/** Table: what is on the table now, and what was worked lately. */
import { Link } from 'react-router';
import { Loaded } from '../../app/state.tsx';
import { useSessions } from '../../data/hooks.ts';
import { dateText } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';

const STATE_WORDS = {
  waiting: 'not started',
  running: 'being worked',
  paused: 'on a break',
  finished: 'done',
} as const;
const RECENT = 8;

export function TableRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Table</h1>
      </div>
      <Loaded query={useSessions()}>
        {({ sessions }) => {
          const open = sessions.filter((s) => s.state !== 'finished');
          const done = sessions.filter((s) => s.state === 'finished').slice(0, RECENT);
          return (
            <>
              {open.length === 0 && (
                <p className="wt-sheet">
                  No dog is on the table. A plan comes here from the Desk: open a dog, check its coat, take the plan to
                  the table.
                </p>
              )}
              <ul className="wt-bare wt-tablelist">
                {open.map((s) => (
                  <li key={s.id}>
                    <span className="wt-name">{s.dogName}</span>
                    <span>
                      {methodName(s.method)}, {minutesText(s.minutes)}, {STATE_WORDS[s.state]}
                    </span>
                    <Link className="btn btn-primary" to={`/table/sessions/${s.id}`}>
                      Work on {s.dogName}
                    </Link>
                  </li>
                ))}
              </ul>
              <h2>Worked lately</h2>
              <ul className="wt-bare wt-tablelist">
                {done.map((s) => (
                  <li key={s.id}>
                    <span className="wt-name">{s.dogName}</span>
                    <span className="wt-soft">
                      {dateText(s.day)}, {methodName(s.method)}
                    </span>
                    <Link to={`/table/sessions/${s.id}`}>See the record</Link>
                  </li>
                ))}
              </ul>
            </>
          );
        }}
      </Loaded>
    </>
  );
}
