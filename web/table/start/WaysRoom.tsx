/** Table → how to work today: three ways at most, each with minutes, price and what is left; a tap begins. */
import { useMemo } from 'react';
import { Link, useNavigate } from 'react-router';
import { wholeOf, type MethodOutcome } from '../../../core/bench/index.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useStartSession } from '../../data/hooks.ts';
import { InsteadOf, Stops } from '../../desk/plan/Stops.tsx';
import { asked, planOf } from '../../desk/plan/whatIf.ts';
import { WithBench, type BenchFacts } from '../../desk/plan/WithBench.tsx';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { capital, grams, minutesText, money, percent } from '../../words/figures.ts';
import { against, comparison, methodName, planNote } from '../../words/reasons.ts';
import tableCss from '../table.module.css';

const MOST_WAYS = 3;
type Open = Extract<MethodOutcome, { kind: 'open' }>;

function Ways({ bench, page, checkId, currency }: BenchFacts) {
  const { id: dogId, name } = page.dog;
  const navigate = useNavigate();
  const start = useStartSession();
  const request = useMemo(() => asked(bench, ''), [bench]);
  const plan = useMemo(() => planOf(bench, '', request), [bench, request]);
  const { recommended } = plan;
  const open = plan.methods
    .flatMap((m) => (m.kind === 'open' ? [m] : []))
    .sort(
      (a, b) =>
        Number(b.method === recommended?.method) - Number(a.method === recommended?.method) || b.score - a.score,
    )
    .slice(0, MOST_WAYS);
  const why = (m: Open): string | undefined => {
    if (m.method !== recommended?.method) return m.against[0] && capital(against(m.against[0]));
    const [first] = recommended.because;
    return first && capital(comparison(first, methodName(recommended.runnerUp ?? '').toLowerCase()));
  };
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to="/table">Table</Link>
          </span>
          <h1>{name}: how to work today</h1>
        </div>
        <span className="wt-soft">about {grams(plan.looseG.likely)} of loose coat</span>
      </div>
      <Stops plan={plan} dogId={dogId} checkId={checkId} />
      {plan.notes.map((n) => (
        <Notice key={n.code}>{planNote(n)}</Notice>
      ))}
      <Refusal error={start.error} />
      {open.length === 0 && plan.instead && <InsteadOf instead={plan.instead} />}
      <ul className={`wt-bare ${tableCss.tablelist}`}>
        {open.map((m, i) => {
          const whole = wholeOf(m);
          return (
            <Sheet as="li" key={m.method}>
              <div className={tableCss.name}>
                {methodName(m.method)}
                <div className={tableCss.about}>
                  {minutesText(m.minutes)}
                  {whole.visits > 1 && ` today, first of ${whole.visits} visits`} · {money(m.priceCents, currency)} ·{' '}
                  {percent(whole.shareLeft)} left
                </div>
                <div className={tableCss.about}>{why(m)}</div>
              </div>
              <Button
                size="lg"
                look={i === 0 ? 'main' : 'usual'}
                disabled={start.isPending}
                onClick={() =>
                  start.mutate(
                    { id: newId(), checkId, method: m.method, script: undefined, crew: request.crew },
                    { onSuccess: (session) => void navigate(`/table/sessions/${session.id}`) },
                  )
                }
              >
                {i === 0 ? 'Begin' : 'Begin this way'}
              </Button>
            </Sheet>
          );
        })}
      </ul>
      <Link to={`/desk/dogs/${dogId}/plan/${checkId}`}>The whole plan, at the Desk</Link>
    </>
  );
}

export const WaysRoom = () => <WithBench>{(facts) => <Ways key={facts.checkId} {...facts} />}</WithBench>;
