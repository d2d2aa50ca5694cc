/** What a bout was worth: its stair against the best one, the worst mistakes with why, where minutes, skin and hair went. */
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { LADDER_CASES, type PracticeCase, type Verdict } from '../../../core/practice/index.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useKeepBout } from '../../data/practice.ts';
import { Keepable } from '../../drawing/Keepable.tsx';
import { Staircase } from '../../drawing/Staircase.tsx';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { capital, grams, minutesText, percent } from '../../words/figures.ts';
import { mistakeText, mistakeWhy } from '../../words/practice.ts';
import { methodName } from '../../words/reasons.ts';
import { STAGE_WORDS } from '../../drawing/VisitChart.tsx';
import type { BoutView } from '../../work/practice.worker.ts';
import css from './practice.module.css';
import chartsCss from '../../drawing/charts.module.css';

interface Props {
  readonly given: PracticeCase;
  readonly view: BoutView;
  readonly verdict: Verdict;
  readonly onAgain: () => void;
}

const WORST = 3;

/** A score in a word, from the best down. */
function gradeOf(share: number): string {
  if (share >= 0.95) return 'As good as it gets.';
  if (share >= 0.8) return 'Good hands.';
  if (share >= 0.55) return 'The dog goes home well enough.';
  return share > 0.2 ? 'The next one will be better.' : 'Look at what cost most, and take it again.';
}

function Went({ verdict }: { verdict: Verdict }) {
  const { best } = verdict;
  const cell = (yours: string, theirs: string | undefined) => (
    <td className="text-end">
      {yours}
      {theirs !== undefined && <div className="wt-soft">{theirs}</div>}
    </td>
  );
  return (
    <div className="wt-wide" role="region" aria-label="Where it went" tabIndex={0}>
      <Table>
        <caption>Yours{best ? ', and below it the best' : ''}</caption>
        <thead>
          <tr>
            <th scope="col">Stage</th>
            <th scope="col" className="text-end">
              Minutes
            </th>
            <th scope="col" className="text-end">
              Hair
            </th>
            <th scope="col" className="text-end">
              Skin, of what it bears
            </th>
          </tr>
        </thead>
        <tbody>
          {verdict.went.map(({ stage, yours, best: theirs }) => (
            <tr key={stage}>
              <th scope="row">{capital(STAGE_WORDS[stage])}</th>
              {cell(minutesText(yours.minutes), theirs && minutesText(theirs.minutes))}
              {cell(grams(yours.grams), theirs && grams(theirs.grams))}
              {cell(percent(yours.skin), theirs && percent(theirs.skin))}
            </tr>
          ))}
          <tr>
            <th scope="row">Feeling and looking</th>
            <td className="text-end">{minutesText(Math.round(verdict.testMinutes))}</td>
            <td />
            <td />
          </tr>
          <tr>
            <th scope="row">Rests</th>
            <td className="text-end">{minutesText(Math.round(verdict.restMinutes))}</td>
            <td />
            <td />
          </tr>
        </tbody>
      </Table>
    </div>
  );
}

export function VerdictShown({ given, view, verdict, onAgain }: Props) {
  const { mutate, error } = useKeepBout();
  const kept = useRef(false);
  const heading = useRef<HTMLHeadingElement>(null);
  const { share, mistakes, yours, best } = verdict;
  useEffect(() => {
    heading.current?.focus();
    if (kept.current) return;
    kept.current = true;
    mutate({ id: newId(), caseId: given.id, acts: view.acts, share });
  }, [mutate, given.id, view.acts, share]);
  const i = LADDER_CASES.findIndex((c) => c.id === given.id);
  const next = i >= 0 ? LADDER_CASES[i + 1] : undefined;
  const reads = given.goal === 'read';
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to="/desk/practice">Practice</Link>
          </span>
          <h1 ref={heading} tabIndex={-1}>
            {given.dog.name}: {percent(share)} {reads ? 'read right' : 'of the best stair'}
          </h1>
        </div>
        <span>{gradeOf(share)}</span>
        <div className="wt-acts">
          <Button look="usual" onClick={onAgain}>
            Once more
          </Button>
          {next && (
            <ButtonLink look="main" to={`/desk/practice/${next.id}`}>
              Next: {next.dog.name}
            </ButtonLink>
          )}
        </div>
      </div>
      <Refusal error={error} />
      <div className={css.verdict}>
        <Sheet aria-labelledby="worst">
          <h2 id="worst">
            {mistakes.length === 0
              ? 'Nothing to say against it'
              : mistakes.length <= WORST
                ? 'What cost something'
                : 'What cost most'}
          </h2>
          <ol className={css.worst}>
            {mistakes.slice(0, WORST).map((m, n) => (
              <li key={n}>
                <p>
                  <strong>{mistakeText(m)}</strong> <span className="wt-soft">{percent(m.cost)} of the best</span>
                </p>
                <p className="wt-soft">Why: {mistakeWhy(m)}</p>
                {m.rule !== undefined && (
                  <p className="wt-soft">
                    <Link to={`/desk/rules?rule=${m.rule}`}>The rule</Link>
                  </p>
                )}
              </li>
            ))}
          </ol>
          {mistakes.length > WORST && (
            <Disclosure head={<>{mistakes.length - WORST} smaller</>}>
              <ul>
                {mistakes.slice(WORST).map((m, n) => (
                  <li key={n}>
                    {mistakeText(m)} <span className="wt-soft">{mistakeWhy(m)}</span>
                  </li>
                ))}
              </ul>
            </Disclosure>
          )}
        </Sheet>
        {!reads && (
          <Sheet aria-labelledby="stairs">
            <h2 id="stairs">
              Your stair{best && <span className="wt-soft"> and, dotted, the best: {methodName(best.method)}</span>}
            </h2>
            {yours.steps.length === 0 && !best ? (
              <p>No step was taken{mistakes.length === 0 ? ', and none should have been' : ''}.</p>
            ) : (
              <Keepable name="your stair">
                <div className={chartsCss.stairs}>
                  <Staircase
                    steps={yours.steps}
                    other={best && { steps: best.steps, name: methodName(best.method) }}
                    title={`Your stair: ${minutesText(yours.minutes)}, ${percent(yours.shareLeft)} left`}
                  />
                </div>
              </Keepable>
            )}
            <Went verdict={verdict} />
          </Sheet>
        )}
      </div>
    </>
  );
}
