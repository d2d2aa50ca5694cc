/** The bench sheet: the plan as it stands on the stairs, on one sheet of A4 to pin beside the table; short for a pocket. */
import { searchWith } from '../../app/search-with.ts';
import { Printer } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import {
  careOf,
  METHOD_IDS,
  openMethod,
  pressing,
  planByHand,
  roomOf,
  scriptOf,
  worksite,
} from '../../../core/bench/index.ts';
import { TRAIT_WORDS } from '../../../core/dog/index.ts';
import { findRule } from '../../../core/kit/index.ts';
import { formatDay } from '../../../core/quantity/index.ts';
import { CoatMap } from '../../drawing/CoatMap.tsx';
import { Staircase } from '../../drawing/Staircase.tsx';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { bandText, breaksText, careText, priceBand, supportsText, tieText } from '../../words/bench.ts';
import { dateText } from '../../words/dates.ts';
import { capital, grams, listText, minutesText, percent } from '../../words/figures.ts';
import { methodName, zoneStop } from '../../words/reasons.ts';
import { conditionLooks } from '../dog/looks.ts';
import { draftOf } from '../plan/useScript.ts';
import { asked, planOf, questionIn } from '../plan/whatIf.ts';
import { WithBench, type BenchFacts } from '../plan/WithBench.tsx';
import { massText } from '../../words/units.ts';
import { whereText, zonesShort } from '../../words/places.ts';
import { stepWordOf } from '../../words/steps.ts';
import css from './bench-sheet.module.css';
import chartsCss from '../../drawing/charts.module.css';

function BenchSheet({ bench, page, checkId, currency }: BenchFacts) {
  const { dog } = page;
  const [search] = useSearchParams();
  const short = search.get('short') === '1';
  const question = questionIn(search);
  const wanted = METHOD_IDS.find((id) => id === search.get('method'));
  const worked = useMemo(() => {
    const request = asked(bench, question);
    const plan = planOf(bench, question, request);
    const open =
      (wanted && openMethod(plan, wanted)) ?? (plan.recommended && openMethod(plan, plan.recommended.method));
    if (!open) return undefined;
    const site = worksite(request);
    const draft = draftOf(checkId, open.method);
    const room = new Set(roomOf(request.kit).map((t) => t.id));
    const usable = draft?.every((s) => room.has(s.toolId)) ? draft : undefined;
    const shown = usable ? planByHand(request, open.method, usable, site) : open;
    return {
      request,
      plan,
      shown,
      changed: usable !== undefined,
      site,
      care: careOf(shown.steps, request.dog, request.crew),
      script: usable ?? scriptOf(open.steps),
    };
  }, [bench, question, wanted, checkId]);
  if (!worked) return <Notice>No method is open to this dog today: there is nothing to print.</Notice>;
  const { plan, shown, care, request, site, changed } = worked;
  const workable = plan.conditions.filter((c) => c.kind !== 'stop').map((c) => c.zone);
  const looks = conditionLooks(plan.conditions);
  const back = `/desk/dogs/${dog.id}/plan/${checkId}?${searchWith(search, { short: undefined }).toString()}`;
  return (
    <>
      <div className="wt-title wt-noprint">
        <div>
          <span className="wt-crumb">
            <Link to={back}>{dog.name}’s stairs</Link>
          </span>
          <h1>Bench sheet</h1>
        </div>
        <div className="wt-acts">
          <Link to={`?${searchWith(search, { short: short ? undefined : '1' }).toString()}`}>
            {short ? 'Full sheet' : 'Short, for the table'}
          </Link>
          <Button onClick={() => window.print()}>
            <Printer aria-hidden size={17} /> Print
          </Button>
        </div>
      </div>
      <Sheet as="article" className={`${css.benchSheet}${short ? ' is-short' : ''}`} aria-label="Bench sheet">
        <header>
          <div>
            <h2>
              {dog.name}
              {dog.breed && `, ${dog.breed}`}
            </h2>
            <p>
              {dateText(formatDay(request.check.day))} · {massText(request.check.weightKg)}
              {request.dog.traits.length > 0 && ` · ${listText(request.dog.traits.map((t) => TRAIT_WORDS[t]))}`}
            </p>
          </div>
          <p className={css.benchFigures}>
            <strong>
              {methodName(shown.method)}
              {changed && ', changed by hand'}
            </strong>
            <br />
            {shown.later.length > 0 && `Visit 1 of ${1 + shown.later.length}: `}
            {minutesText(shown.minutes)} ({bandText(shown.bands.minutes, (m) => String(Math.round(m)))}) ·{' '}
            {priceBand(shown.bands.priceCents, currency)}
          </p>
        </header>
        {plan.stops.zones.length > 0 && (
          <p className={css.benchStop}>
            <strong>Leave alone, a vet should look:</strong> {plan.stops.zones.map(zoneStop).join(' ')} No water, soap
            or air there.
          </p>
        )}
        {!short && (
          <>
            <div className={css.benchDogs}>
              <CoatMap dog={page.dog} aspect="left" looks={looks} label="Coat as felt, left" />
              <CoatMap dog={page.dog} aspect="right" looks={looks} label="Coat as felt, right" />
            </div>
            <div className={`${chartsCss.stairs} ${css.benchStairs}`}>
              <Staircase
                steps={shown.steps}
                title={`${shown.steps.length} steps, ${shown.minutes} minutes, to ${percent(shown.shareLeft)} left`}
              />
            </div>
          </>
        )}
        <div className="wt-wide" role="region" aria-label="Steps" tabIndex={0}>
          <Table bare className={css.benchTable}>
            <thead>
              <tr>
                <th scope="col">Done</th>
                <th scope="col">Step</th>
                <th scope="col">Where</th>
                <th scope="col" className="is-number">
                  min
                </th>
                <th scope="col" className="is-number">
                  out
                </th>
                {!short && <th scope="col">How, and mind</th>}
              </tr>
            </thead>
            <tbody>
              {shown.steps.map((s, i) => {
                const held = care.steps.find((c) => c.step === s.id);
                const minds = pressing(s.cautions).flatMap((id) => findRule(id)?.statement ?? []);
                return (
                  <tr key={s.id}>
                    <td>
                      <span className={css.tick} aria-hidden /> {i + 1}
                    </td>
                    <td>
                      <strong>{stepWordOf(s)}</strong>
                      <br />
                      {s.tool.name}
                    </td>
                    <td>
                      {capital(
                        whereText(
                          s.zones.map((z) => z.zone),
                          workable,
                        ),
                      )}
                    </td>
                    <td className="is-number">{s.minutes}</td>
                    <td className="is-number">{grams(s.gramsOut)}</td>
                    {!short && (
                      <td>
                        {held && careText(held)} {minds.join(' ')}
                      </td>
                    )}
                  </tr>
                );
              })}
            </tbody>
          </Table>
        </div>
        {site.ties.length > 0 && (
          <p>
            <strong>Ties first.</strong> {site.ties.map(tieText).join(' ')}
          </p>
        )}
        <p>
          {supportsText(care)} {breaksText(care)}
        </p>
        {!short && (
          <p className="wt-soft">
            Comb falls through on {percent(shown.falls)} of the coat
            {shown.later.length > 0 && ' after this visit'}
            {shown.notFalling.length > 0 && `; not to the end at ${zonesShort(shown.notFalling)}`}. Pink skin stops that
            tool there. Minutes and grams are a plan: what hands feel goes first.
          </p>
        )}
      </Sheet>
    </>
  );
}

export const BenchSheetRoom = () => <WithBench>{(facts) => <BenchSheet {...facts} />}</WithBench>;
