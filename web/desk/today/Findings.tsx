/** What owners found and nobody has answered yet: said at once, answered in a ready sentence or in own words. */
import { useState } from 'react';
import { Link } from 'react-router';
import type { HomeReportsPage } from '../../../contract/home.ts';
import { homePartRow } from '../../../core/home/index.ts';
import { Refusal } from '../../app/state.tsx';
import { useCloseReport, useReports } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Field, TextArea } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateText } from '../../words/dates.ts';
import { ANSWERS, REPORTS } from '../../words/home.ts';

type Report = HomeReportsPage['reports'][number];

function Answer({ report }: { report: Report }) {
  const close = useCloseReport();
  const [words, setWords] = useState('');
  const id = `answer-${report.id}`;
  return (
    <>
      <Refusal error={close.error} />
      <div className="wt-acts mb-2">
        {ANSWERS.map((answer) => (
          <Button key={answer} look="usual" size="sm" onClick={() => setWords(answer)}>
            {answer}
          </Button>
        ))}
      </div>
      <Field label="Answer, as the owner reads it" id={id}>
        <TextArea id={id} rows={2} maxLength={600} value={words} onChange={(e) => setWords(e.target.value)} />
      </Field>
      <div className="wt-acts">
        <Button
          disabled={close.isPending || words.trim() === ''}
          onClick={() => close.mutate({ id: report.id, answer: words })}
        >
          Send the answer
        </Button>
        <Button look="plain" disabled={close.isPending} onClick={() => close.mutate({ id: report.id, answer: '' })}>
          I rang them
        </Button>
      </div>
    </>
  );
}

export function Findings() {
  const { data } = useReports();
  if (!data || data.reports.length === 0) return null;
  return (
    <Sheet aria-labelledby="findings">
      <h2 id="findings">
        Found at home <span className="wt-soft">{data.reports.length}</span>
      </h2>
      <ul className="wt-bare">
        {data.reports.map((r) => (
          <li key={r.id} className="wt-call">
            <strong>
              <Link to={`/desk/dogs/${r.dogId}`}>{r.dogName}</Link>: {REPORTS[r.kind].word}
            </strong>{' '}
            <span className="wt-soft">
              {r.part && `${homePartRow(r.part).name}, `}
              {dateText(r.day)}
              {r.author && `, ${r.author}`}
            </span>
            {r.note && <p className="mb-1">“{r.note}”</p>}
            <Disclosure head="Answer" label={`Answer about ${r.dogName}`}>
              {r.photo && (
                <img
                  className="w-100"
                  src={`/api/home-reports/${r.id}/photo`}
                  alt={`${r.dogName}: ${REPORTS[r.kind].word}`}
                />
              )}
              <p className="wt-soft">A picture tells no illness: what is new, sore, wet or growing goes to a vet.</p>
              <Answer report={r} />
            </Disclosure>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
