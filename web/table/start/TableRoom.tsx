/** Table: what is on the table now, and what was worked lately; without a link, what this device keeps. */
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { SessionListItem } from '../../../contract/session.ts';
import { sessionRecord } from '../../../core/table/index.ts';
import { ButtonLink } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { NextDog } from './NextDog.tsx';
import { Loaded } from '../../app/state.tsx';
import { useSessions } from '../../data/hooks.ts';
import { keptSessions } from '../../data/kept.ts';
import { dateText } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';
import tableCss from '../table.module.css';

const STATE_WORDS = {
  waiting: 'not started',
  running: 'being worked',
  paused: 'on a break',
  finished: 'done',
} as const;
const RECENT = 8;

/** Sessions that this device has had open, as it last saw them. */
function useKept(wanted: boolean): readonly SessionListItem[] | undefined {
  const [kept, setKept] = useState<readonly SessionListItem[]>();
  useEffect(() => {
    if (!wanted) return;
    keptSessions()
      .then((pages) =>
        setKept(
          pages.map((p) => ({
            id: p.id,
            dogId: p.dogId,
            dogName: p.dogName,
            day: p.day,
            method: p.snapshot.plan.method,
            minutes: p.snapshot.plan.minutes,
            state: sessionRecord(p.events, p.snapshot.plan.steps).state,
          })),
        ),
      )
      .catch(() => setKept([]));
  }, [wanted]);
  return kept;
}

function Lists({ sessions, without }: { sessions: readonly SessionListItem[]; without: boolean }) {
  const open = sessions.filter((s) => s.state !== 'finished');
  const done = sessions.filter((s) => s.state === 'finished').slice(0, RECENT);
  return (
    <>
      {without && <Notice>There is no link. These sessions are kept on this device and can be worked on.</Notice>}
      {open.length === 0 && (
        <EmptyState>
          No dog is on the table. A plan comes here from the Desk: open a dog, check its coat, take the plan to the
          table.
        </EmptyState>
      )}
      <ul className={`wt-bare ${tableCss.tablelist}`}>
        {open.map((s) => (
          <li key={s.id}>
            <span className={tableCss.name}>{s.dogName}</span>
            <span>
              {methodName(s.method)}, {minutesText(s.minutes)}, {STATE_WORDS[s.state]}
            </span>
            <ButtonLink look="main" to={`/table/sessions/${s.id}`}>
              Work on {s.dogName}
            </ButtonLink>
          </li>
        ))}
      </ul>
      {done.length > 0 && <h2>Worked lately</h2>}
      <ul className={`wt-bare ${tableCss.tablelist}`}>
        {done.map((s) => (
          <li key={s.id}>
            <span className={tableCss.name}>{s.dogName}</span>
            <span className="wt-soft">
              {dateText(s.day)}, {methodName(s.method)}
            </span>
            <Link to={`/table/sessions/${s.id}`}>See the record</Link>
          </li>
        ))}
      </ul>
    </>
  );
}

export function TableRoom() {
  const query = useSessions();
  const kept = useKept(query.isError);
  return (
    <>
      <div className="wt-title">
        <h1>Table</h1>
      </div>
      <NextDog />
      {query.isError && kept && kept.length > 0 ? (
        <Lists sessions={kept} without />
      ) : (
        <Loaded query={query}>{({ sessions }) => <Lists sessions={sessions} without={false} />}</Loaded>
      )}
    </>
  );
}
