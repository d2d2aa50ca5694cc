/** Desk → Homes: what owners found and nobody has answered yet. */
import { Link } from 'react-router';
import { homePartRow } from '../../../core/home/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useCloseReport, useReports } from '../../data/hooks.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateText } from '../../words/dates.ts';
import { REPORTS } from '../../words/home.ts';
import css from './home-plan.module.css';

export function HomesRoom() {
  const query = useReports();
  const close = useCloseReport();
  return (
    <>
      <div className="wt-title">
        <h1>From homes</h1>
        <span className="wt-soft">what owners found and wait for an answer to</span>
        <div className="wt-acts">
          <ButtonLink to="/desk/post">To homes: reminders</ButtonLink>
        </div>
      </div>
      <Refusal error={close.error} />
      <Loaded query={query}>
        {({ reports }) =>
          reports.length === 0 ? (
            <EmptyState>Nothing waits. Owners report from their page; a dog’s own page makes the link.</EmptyState>
          ) : (
            <ul className="wt-bare wt-stack">
              {reports.map((r) => (
                <Sheet as="li" key={r.id} className={css.report}>
                  {r.photo && (
                    <img src={`/api/home-reports/${r.id}/photo`} alt={`${r.dogName}: ${REPORTS[r.kind].word}`} />
                  )}
                  <div>
                    <h2>
                      <Link to={`/desk/dogs/${r.dogId}`}>{r.dogName}</Link>: {REPORTS[r.kind].word}
                      {r.part && <span className="wt-soft"> {homePartRow(r.part).name}</span>}
                    </h2>
                    <p>
                      {dateText(r.day)}
                      {r.author && `, ${r.author}`}
                      {r.note && `: “${r.note}”`}
                    </p>
                    <p className="wt-soft">
                      A picture tells no illness: what is new, sore, wet or growing goes to a vet.
                    </p>
                    <Button look="usual" disabled={close.isPending} onClick={() => close.mutate(r.id)}>
                      Answered
                    </Button>
                  </div>
                </Sheet>
              ))}
            </ul>
          )
        }
      </Loaded>
    </>
  );
}
