/** The record of a finished session: planned against done. */
import { Link } from 'react-router';
import type { SessionPage } from '../../../contract/session.ts';
import { PHASE_WORDS } from '../../../core/bench/index.ts';
import { isZoneId, zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import type { Looks } from '../../desk/dog/looks.ts';
import { dateText } from '../../words/dates.ts';
import { capital, grams, listText, minutesText } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';

const STATE_WORDS = { waiting: 'not done', working: 'not done', done: 'done', skipped: 'left out' } as const;

export function Finished({ page }: { page: SessionPage }) {
  const { plan } = page.snapshot;
  const { record } = page;
  const short = Object.entries(record.comb).flatMap(([id, g]) => (g !== 'glides' && isZoneId(id) ? [id] : []));
  const looks: Looks = {};
  const proven: ZoneId[] = Object.keys(record.comb).filter(isZoneId);
  for (const id of proven)
    looks[id] = {
      says: `comb ${record.comb[id] ?? ''}`,
      grade: record.comb[id] === 'glides' ? 0 : record.comb[id] === 'drags' ? 2 : 4,
    };
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            {dateText(page.day)}, {methodName(plan.method).toLowerCase()}
          </span>
          <h1>{page.dogName}, done</h1>
        </div>
        <div className="wt-acts">
          <Link className="btn btn-primary" to={`/desk/dogs/${page.dogId}/next`}>
            Next date
          </Link>
          <Link to={`/home/${page.dogId}`}>Home card</Link>
        </div>
      </div>
      <p className="fs-4">
        {grams(record.gramsOut)} weighed of about {grams(plan.gramsOut)} planned;{' '}
        {minutesText(Math.round(record.workedMs / 60_000))} at work of {minutesText(plan.minutes)} planned.
      </p>
      {short.length > 0 && (
        <p className="wt-note">
          The comb did not fall through at {listText(short.map(zoneName))}. The home card asks for these first.
        </p>
      )}
      <div className="wt-cols wt-work">
        <section className="wt-sheet" aria-labelledby="steps">
          <h2 id="steps">Planned and done</h2>
          <ol className="wt-bare wt-steps">
            {plan.steps.map((s, i) => {
              const done = record.steps[i];
              return (
                <li key={s.id}>
                  <div>
                    <h3>{PHASE_WORDS[s.phase]}</h3>
                    <div className="wt-soft">
                      {done?.did
                        ? `${capital(done.did.tool.replaceAll('-', ' '))}, ${minutesText(done.did.minutes)}, in place of ${s.tool.name}`
                        : s.tool.name}
                      {done?.state !== 'done' && `, ${STATE_WORDS[done?.state ?? 'waiting']}`}
                    </div>
                  </div>
                  <div className="wt-step-figures">
                    {minutesText(Math.round((done?.workedMs ?? 0) / 60_000))} of {minutesText(s.minutes)}
                    <div className="wt-soft">
                      {done?.grams === undefined ? 'not weighed' : `${grams(done.grams)} of ${grams(s.gramsOut)}`}
                    </div>
                  </div>
                </li>
              );
            })}
          </ol>
        </section>
        <section className="wt-sheet" aria-labelledby="proof">
          <h2 id="proof">Comb proof</h2>
          {proven.length === 0 ? (
            <p className="wt-soft">No proof was written down.</p>
          ) : (
            <CoatStage dog={page} looks={looks} label="Comb proof" />
          )}
        </section>
      </div>
    </>
  );
}
