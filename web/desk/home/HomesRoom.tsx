/** Desk → Homes: what owners found and nobody has answered yet. */
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import { homePartRow, type ReportKind } from '../../../core/home/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useCloseReport, useReports } from '../../data/hooks.ts';
import { dateText } from '../../words/dates.ts';
import './home-plan.css';

const KIND_WORDS: Readonly<Record<ReportKind, string>> = {
  lump: 'a lump',
  knot: 'a knot',
  'red-skin': 'red or sore skin',
  ticks: 'ticks or fleas',
  other: 'something',
};

export function HomesRoom() {
  const query = useReports();
  const close = useCloseReport();
  return (
    <>
      <div className="wt-title">
        <h1>From homes</h1>
        <span className="wt-soft">what owners found and wait for an answer to</span>
      </div>
      <Refusal error={close.error} />
      <Loaded query={query}>
        {({ reports }) =>
          reports.length === 0 ? (
            <p className="wt-sheet">Nothing waits. Owners report from their page; a dog’s own page makes the link.</p>
          ) : (
            <ul className="wt-bare wt-stack">
              {reports.map((r) => (
                <li key={r.id} className="wt-sheet wt-report">
                  {r.photo && (
                    <img src={`/api/home-reports/${r.id}/photo`} alt={`${r.dogName}: ${KIND_WORDS[r.kind]}`} />
                  )}
                  <div>
                    <h2>
                      <Link to={`/desk/dogs/${r.dogId}`}>{r.dogName}</Link>: {KIND_WORDS[r.kind]}
                      {r.part && <span className="wt-soft"> {homePartRow(r.part).name}</span>}
                    </h2>
                    <p>
                      {dateText(r.day)}
                      {r.note && `: “${r.note}”`}
                    </p>
                    <p className="wt-soft">
                      A picture tells no illness: what is new, sore, wet or growing goes to a vet.
                    </p>
                    <Button variant="outline-primary" disabled={close.isPending} onClick={() => close.mutate(r.id)}>
                      Answered
                    </Button>
                  </div>
                </li>
              ))}
            </ul>
          )
        }
      </Loaded>
    </>
  );
}
