/** The methods on this dog: the open ones by merit as cards, those that are ruled out in a list with the reason of each. */
import { METHODS, wholeOf, type MethodId, type MethodOutcome, type Plan } from '../../../core/bench/index.ts';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { bandText } from '../../words/bench.ts';
import { capital, minutesText, money, percent } from '../../words/figures.ts';
import { against, comparison, methodName, ruling } from '../../words/reasons.ts';
import css from './plan.module.css';

interface Props {
  readonly plan: Plan;
  readonly currency: string;
  readonly shown: MethodId | undefined;
  readonly onShow: (method: MethodId) => void;
}

/** Cards shown at once; the rest of the open ones wait behind a fold. */
const CARDS = 4;

type Open = Extract<MethodOutcome, { kind: 'open' }>;

function Card({ outcome, plan, currency, shown, onShow }: Omit<Props, 'shown'> & { outcome: Open; shown: boolean }) {
  const { recommended } = plan;
  const best = outcome.method === recommended?.method;
  const points = best
    ? recommended.because
        .slice(0, 3)
        .map((c) => capital(comparison(c, methodName(recommended.runnerUp ?? '').toLowerCase())))
    : outcome.against.slice(0, 3).map((c) => capital(against(c)));
  const whole = wholeOf(outcome);
  const school = METHODS.find((m) => m.id === outcome.method);
  return (
    <button type="button" className={css.method} aria-pressed={shown} onClick={() => onShow(outcome.method)}>
      {best && <em>Recommended</em>}
      <strong>{methodName(outcome.method)}</strong>
      {whole.visits > 1 && `${whole.visits} visits, `}
      {minutesText(whole.minutes)} · {money(whole.priceCents, currency)} · {percent(whole.shareLeft)} left
      <span className="wt-soft">
        {whole.visits > 1 && `today ${minutesText(outcome.minutes)}, `}
        {bandText(outcome.bands.minutes, (m) => String(Math.round(m)))} min in four of five visits
      </span>
      <ul>
        {points.length > 0 ? (
          points.map((p) => <li key={p}>{p}</li>)
        ) : (
          <li>{best ? school?.case : school?.arguedAgainst}</li>
        )}
      </ul>
    </button>
  );
}

export function Methods({ plan, currency, shown, onShow }: Props) {
  const open = plan.methods.flatMap((m) => (m.kind === 'open' ? [m] : [])).sort((a, b) => b.score - a.score);
  const out = plan.methods.flatMap((m) => (m.kind === 'ruled-out' ? [m] : []));
  const first = open.slice(0, CARDS);
  const rest = open.slice(CARDS);
  const card = (m: Open) => (
    <Card key={m.method} outcome={m} plan={plan} currency={currency} shown={m.method === shown} onShow={onShow} />
  );
  return (
    <>
      <div className={css.methods} role="group" aria-label="Methods">
        {first.map(card)}
      </div>
      {(rest.length > 0 || out.length > 0) && (
        <Disclosure
          head={
            <>
              {rest.length > 0 && `${rest.length} more open${out.length > 0 ? ', ' : ''}`}
              {out.length > 0 && `${out.length} ruled out`}
            </>
          }
          className={css.moreMethods}
          open={rest.some((m) => m.method === shown)}
        >
          {rest.length > 0 && (
            <div className={css.methods} role="group" aria-label="More methods">
              {rest.map(card)}
            </div>
          )}
          <ul className="wt-bare">
            {out.map((m) => (
              <li key={m.method}>
                <strong>{methodName(m.method)}</strong> <span className="wt-soft">{ruling(m.why)}</span>
              </li>
            ))}
          </ul>
        </Disclosure>
      )}
    </>
  );
}
