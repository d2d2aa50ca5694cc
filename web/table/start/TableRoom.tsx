/** Table: today’s dogs in their order, each with its one next act; without a link, the sessions that this device keeps. */
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { SessionListItem } from '../../../contract/session.ts';
import type { SheetPage } from '../../../contract/roster.ts';
import { serviceName } from '../../../core/dog/index.ts';
import { parseDay } from '../../../core/quantity/index.ts';
import { sessionRecord } from '../../../core/table/index.ts';
import { ButtonLink } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Loaded } from '../../app/state.tsx';
import { useSessions, useSheet } from '../../data/hooks.ts';
import { keptSessions } from '../../data/kept.ts';
import { clockText, dateText, longDay } from '../../words/dates.ts';
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

type Visit = SheetPage['visits'][number];

/** The one next act of a dog that comes today. */
function NextAct({
  visit,
  session,
  look,
}: {
  visit: Visit;
  session: SessionListItem | undefined;
  /** The first act of the day stands out. */
  look: 'main' | 'usual';
}) {
  if (session?.state === 'finished')
    return <ButtonLink to={`/table/sessions/${session.id}`}>See the record</ButtonLink>;
  if (session)
    return (
      <ButtonLink look={look} to={`/table/sessions/${session.id}`}>
        {session.state === 'waiting' ? 'Begin' : 'Go on'} with {visit.name}
      </ButtonLink>
    );
  if (visit.service !== 'coat') return <ButtonLink to={`/desk/dogs/${visit.dogId}`}>Open {visit.name}</ButtonLink>;
  return visit.checked && visit.checkId ? (
    <ButtonLink look={look} to={`/table/dogs/${visit.dogId}/plan/${visit.checkId}`}>
      How to work {visit.name}
    </ButtonLink>
  ) : (
    <ButtonLink look={look} to={`/table/dogs/${visit.dogId}/check`}>
      Check {visit.name}’s coat
    </ButtonLink>
  );
}

const stateOf = (visit: Visit, session: SessionListItem | undefined): string => {
  if (session) return `${STATE_WORDS[session.state]}, ${methodName(session.method)}, ${minutesText(session.minutes)}`;
  const what =
    visit.service === 'coat'
      ? minutesText(visit.minutes)
      : `${serviceName(visit.service)}, ${minutesText(visit.minutes)}`;
  return visit.checked ? `${what}, coat checked` : what;
};

/** Who comes today, done ones last; a dog on the table without a booking stands among them. */
function Today({ page, sessions }: { page: SheetPage; sessions: readonly SessionListItem[] }) {
  const ofDog = (dogId: string): SessionListItem | undefined =>
    sessions.find((s) => s.dogId === dogId && (s.day === page.day || s.state !== 'finished'));
  const visits = page.visits
    .map((visit) => ({ visit, session: ofDog(visit.dogId) }))
    .sort(
      (a, b) =>
        Number(a.session?.state === 'finished') - Number(b.session?.state === 'finished') ||
        a.visit.startsAt.localeCompare(b.visit.startsAt),
    );
  return (
    <ul className={`wt-bare ${tableCss.tablelist}`}>
      {visits.map(({ visit, session }, i) => (
        <li key={visit.id}>
          <span className={tableCss.name}>
            {visit.name}
            <span className={tableCss.about}>
              {clockText(visit.startsAt, page.timeZone)} · {stateOf(visit, session)}
            </span>
          </span>
          <NextAct visit={visit} session={session} look={i === 0 ? 'main' : 'usual'} />
        </li>
      ))}
    </ul>
  );
}

/** Sessions of dogs that are not among those shown above. */
function Sessions({ sessions }: { sessions: readonly SessionListItem[] }) {
  return (
    <ul className={`wt-bare ${tableCss.tablelist}`}>
      {sessions.map((s) => (
        <li key={s.id}>
          <span className={tableCss.name}>
            {s.dogName}
            <span className={tableCss.about}>
              {s.state === 'finished' ? dateText(s.day) : STATE_WORDS[s.state]}, {methodName(s.method)},{' '}
              {minutesText(s.minutes)}
            </span>
          </span>
          {s.state === 'finished' ? (
            <Link to={`/table/sessions/${s.id}`}>See the record</Link>
          ) : (
            <ButtonLink look="main" to={`/table/sessions/${s.id}`}>
              {s.state === 'waiting' ? 'Begin' : 'Go on'} with {s.dogName}
            </ButtonLink>
          )}
        </li>
      ))}
    </ul>
  );
}

function Lists({ sessions, page }: { sessions: readonly SessionListItem[]; page: SheetPage | undefined }) {
  const shown = new Set(page?.visits.map((v) => v.dogId));
  const others = sessions.filter((s) => s.state !== 'finished' && !shown.has(s.dogId));
  const done = sessions
    .filter((s) => s.state === 'finished' && !(shown.has(s.dogId) && s.day === page?.day))
    .slice(0, RECENT);
  return (
    <>
      {page && page.visits.length > 0 && <Today page={page} sessions={sessions} />}
      {page?.visits.length === 0 && others.length === 0 && <EmptyState>Nobody is booked today.</EmptyState>}
      {others.length > 0 && <Sessions sessions={others} />}
      {done.length > 0 && <h2>Worked lately</h2>}
      <Sessions sessions={done} />
    </>
  );
}

export function TableRoom() {
  const query = useSessions();
  const sheet = useSheet(undefined);
  const kept = useKept(query.isError);
  return (
    <>
      <div className="wt-title">
        <h1>Table</h1>
        {sheet.data && <span className="wt-soft">{longDay(parseDay(sheet.data.day) ?? 0)}</span>}
        <div className="wt-acts">
          <ButtonLink to="/desk/calendar/new">Somebody walks in</ButtonLink>
        </div>
      </div>
      {query.isError && kept && kept.length > 0 ? (
        <>
          <Notice>There is no link. These sessions are kept on this device and can be worked on.</Notice>
          <Lists sessions={kept} page={sheet.data} />
        </>
      ) : (
        <Loaded query={query}>{({ sessions }) => <Lists sessions={sessions} page={sheet.data} />}</Loaded>
      )}
    </>
  );
}
