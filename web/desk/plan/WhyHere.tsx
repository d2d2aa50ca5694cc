/** Why this piece in this zone: the kit ranked at each phase of the method, chosen because, beaten by, ruled out by. */
import { Link } from 'react-router';
import { type MethodId, type PhaseRanking } from '../../../core/bench/index.ts';
import { zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { reasonsOf, rule, toolRow } from '../../../core/kit/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useRankings } from '../../data/hooks.ts';
import { capital, percent } from '../../words/figures.ts';
import { loserText, MEASURE_WORDS, partText } from '../../words/kit.ts';
import { PHASE_WORDS } from '../../words/steps.ts';
import css from './plan.module.css';

const RuleLink = ({ id }: { id: string }) => <Link to={`/desk/rules?rule=${id}`}>{rule(id).statement}</Link>;

function Phase({ phase, ranking }: PhaseRanking) {
  const { chosen, beaten } = reasonsOf(ranking);
  return (
    <li>
      <h3>{PHASE_WORDS[phase]}</h3>
      {chosen ? (
        <p>
          <strong>{chosen.fit.tool.name}</strong>, fit {percent(chosen.fit.fit)}: {partText(chosen.because.winner)}
          {chosen.because.loser &&
            chosen.runnerUp &&
            `; the ${chosen.runnerUp.tool.name.toLowerCase()} ${loserText(chosen.because.loser)}`}
          .{chosen.fit.preferred && <> {chosen.fit.preferred.statement}</>}
          {chosen.fit.standsIn && (
            <>
              {' '}
              Stands in for the {toolRow(chosen.fit.standsIn.for).name}: moves {percent(chosen.fit.parts.yield.value)}{' '}
              of the loose hair, that would move {percent(chosen.fit.standsIn.yield)}. {chosen.fit.standsIn.loss}
            </>
          )}
        </p>
      ) : (
        <p>No piece of the kit may or can work here in this phase.</p>
      )}
      {(beaten.length > 0 || ranking.ruledOut.length > 0) && (
        <ul>
          {beaten.map(({ fit, by }) => (
            <li key={fit.tool.id}>
              {fit.tool.name}, fit {percent(fit.fit)}: beaten on {MEASURE_WORDS[by.measure]}, it {loserText(by.loser)}.
            </li>
          ))}
          {ranking.ruledOut.map((r) => (
            <li key={r.tool.id}>
              {r.tool.name}, ruled out: <RuleLink id={r.rule} />
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

export function WhyHere({ checkId, zone, method }: { checkId: string; zone: ZoneId; method: MethodId }) {
  const rankings = useRankings(checkId, zone, method);
  return (
    <section className={css.why} aria-labelledby="why" aria-live="polite">
      <h2 id="why">{capital(zoneName(zone))}: why these tools</h2>
      <Loaded query={rankings}>
        {({ phases }) => (
          <ol className="wt-bare">
            {phases.map((p) => (
              <Phase key={p.phase} {...p} />
            ))}
          </ol>
        )}
      </Loaded>
      <p className="wt-soft">
        By the coat as it was felt. Fits are products of measured parts; their weights are guesses.
      </p>
    </section>
  );
}
