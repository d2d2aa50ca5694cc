/**
 * The plan: the methods on this dog, the chosen one as stairs that can be changed, the coat at any step of them, and
 * what if. All of it is computed here from the facts the server holds, so that a drag is seen as it is made.
 */
import { searchWith } from '../../app/search-with.ts';
import { useDeferredValue, useMemo } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { DogPage } from '../../../contract/dog.ts';
import {
  METHOD_IDS,
  openMethod,
  type MethodPlan,
  type Plan,
  type PlanRequest,
  type Script,
  type ZoneSeen,
} from '../../../core/bench/index.ts';
import { ZONE_IDS, type ZoneId } from '../../../core/dog/index.ts';
import { isNewHere } from '../../../core/table/index.ts';
import { Deferred } from '../../app/Deferred.tsx';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useStartSession } from '../../data/hooks.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { stepName } from '../../words/steps.ts';
import { grams, minutesText, money, percent } from '../../words/figures.ts';
import { methodName, planNote } from '../../words/reasons.ts';
import { conditionLooks, type Looks } from '../dog/looks.ts';
import { Around } from './Around.tsx';
import { Methods } from './Methods.tsx';
import { InsteadOf, Stops } from './Stops.tsx';
import { StairsSheet } from './StairsSheet.tsx';
import { useBench, type Bench } from './useBench.ts';
import { asked as askedOf, planOf, questionIn, whatIfOf } from './whatIf.ts';
import { WhatIfBar } from './WhatIfBar.tsx';
import { WhyHere } from './WhyHere.tsx';
import { WithBench, type BenchFacts } from './WithBench.tsx';
import css from './plan.module.css';

/** The coat part of the way down the stairs, as the map draws it. */
function looksAt(seen: readonly ZoneSeen[], lit: ReadonlySet<ZoneId>): Looks {
  const looks: Looks = {};
  for (const z of seen) {
    const limits = [
      z.skin > 0.02 ? `skin ${percent(z.skin)}` : '',
      z.wear > 0.02 ? `guard hair ${percent(z.wear)}` : '',
      z.falls ? 'comb falls through' : '',
    ].filter((s) => s !== '');
    looks[z.zone] = {
      grade: z.grade,
      tied: z.tie !== 'none',
      stopped: z.condition === 'stop',
      lit: lit.has(z.zone),
      done: z.falls && z.condition !== 'stop' && !lit.has(z.zone),
      says:
        z.condition === 'stop' ? 'not worked' : [`${z.wetness}, ${percent(z.shareLeft)} left`, ...limits].join(', '),
    };
  }
  return looks;
}

function PlanShown({ bench, page, checkId, currency }: BenchFacts) {
  const { id: dogId, name: dogName } = page.dog;
  const navigate = useNavigate();
  const start = useStartSession();
  const [search, setSearch] = useSearchParams();
  const whatIf = whatIfOf(search);
  const question = questionIn(search);
  const request = useMemo(() => askedOf(bench, question), [bench, question]);
  const plan = useMemo(() => planOf(bench, question, request), [bench, question, request]);
  const ask = (changes: Readonly<Record<string, string | undefined>>): void =>
    setSearch((now) => searchWith(now, changes), { replace: true, preventScrollReset: true });

  const wanted = METHOD_IDS.find((id) => id === search.get('method'));
  const open = (wanted && openMethod(plan, wanted)) ?? (plan.recommended && openMethod(plan, plan.recommended.method));
  const zone = ZONE_IDS.find((id) => id === search.get('zone'));

  return (
    <>
      {!open && (
        <div className="wt-title">
          <div>
            <span className="wt-crumb">
              <Link to={`/desk/dogs/${dogId}`}>{dogName}</Link>
            </span>
            <h1>Plan</h1>
          </div>
        </div>
      )}
      {open ? (
        <BenchShown
          key={open.method}
          {...{ request, plan, open, page, checkId, currency, ask }}
          zone={zone}
          overName={search.get('over') ?? undefined}
          starting={start.isPending}
          onStart={(script) =>
            start.mutate(
              { id: newId(), checkId, method: open.method, script, crew: request.crew },
              { onSuccess: (session) => void navigate(`/table/sessions/${session.id}`) },
            )
          }
          said={
            <>
              <Refusal error={start.error} />
              <Stops plan={plan} dogId={dogId} checkId={checkId} />
              {plan.notes.map((n) => (
                <Notice key={n.code}>{planNote(n)}</Notice>
              ))}
              <Methods plan={plan} currency={currency} shown={open.method} onShow={(method) => ask({ method })} />
              <WhatIfBar asked={whatIf} people={Object.keys(bench.people)} onChange={ask} />
            </>
          }
        />
      ) : (
        <>
          <Stops plan={plan} dogId={dogId} checkId={checkId} />
          {plan.instead && <InsteadOf instead={plan.instead} />}
          {plan.methods.length > 0 && (
            <>
              <Methods plan={plan} currency={currency} shown={undefined} onShow={() => undefined} />
              <WhatIfBar asked={whatIf} people={Object.keys(bench.people)} onChange={ask} />
            </>
          )}
        </>
      )}
    </>
  );
}

interface BenchProps {
  readonly request: PlanRequest;
  readonly plan: Plan;
  readonly open: MethodPlan;
  readonly page: DogPage;
  readonly checkId: string;
  readonly currency: string;
  readonly zone: ZoneId | undefined;
  readonly overName: string | undefined;
  readonly starting: boolean;
  readonly said: React.ReactNode;
  readonly ask: (changes: Readonly<Record<string, string | undefined>>) => void;
  readonly onStart: (script: Script | undefined) => void;
}

/** The chosen method's name and minutes, what it costs and brings, and the way to the table. */
function BenchTitle({ bench, starting, onStart, ...of }: BenchProps & { bench: Bench }) {
  const { plan, open, page, checkId, currency } = of;
  const { hand, script, stood, never } = bench;
  const { id: dogId, name: dogName } = page.dog;
  const [search] = useSearchParams();
  return (
    <div className="wt-title">
      <div>
        <span className="wt-crumb">
          <Link to={`/desk/dogs/${dogId}`}>{dogName}</Link>
        </span>
        <h1>
          {methodName(open.method)}, {minutesText(stood.minutes)}
          {open.later.length > 0 && ` today, visit 1 of ${1 + open.later.length}`}
        </h1>
      </div>
      <span>
        {money(stood.priceCents, currency)} · about {grams(stood.gramsOut)} out of {grams(plan.looseG.likely)}{' '}
        <span className="wt-soft">
          ({Math.round(plan.looseG.low)} to {grams(plan.looseG.high)}, a guess from touch)
        </span>
      </span>
      <div className="wt-acts">
        <Link to={`/desk/dogs/${dogId}/sheet/${checkId}?${searchWith(search, { method: open.method }).toString()}`}>
          Bench sheet
        </Link>
        <Button
          onClick={() => onStart(hand.changed ? script : undefined)}
          disabled={starting || (hand.changed && never > 0)}
        >
          Take it to the table
        </Button>
      </div>
    </div>
  );
}

/** The coat at a step of the stairs, and why each tool was taken in a zone. */
function CoatAtStep({ plan, open, page, checkId, zone, ask, bench }: BenchProps & { bench: Bench }) {
  const { coat, under, underAt } = bench;
  const looks = useMemo(
    () => (coat ? looksAt(coat, new Set(under?.zones.map((z) => z.zone))) : conditionLooks(plan.conditions)),
    [coat, under, plan],
  );
  const stage = useMemo(
    () => (
      <CoatStage
        dog={page.dog}
        looks={looks}
        selected={zone}
        onSelect={(z) => ask({ zone: z })}
        label="The coat at this step: choose a zone to ask why"
      />
    ),
    [page.dog, looks, zone, ask],
  );
  return (
    <Sheet aria-labelledby="coat">
      <h2 id="coat">{coat && under ? `Coat after step ${underAt + 1}` : 'Coat as felt'}</h2>
      {stage}
      <p className="wt-soft">
        {under && `${stepName(under)}: its zones are lit. `}
        Curls are the undercoat that is left; crossed strokes are tied hair; a double ring is not worked.
        {!zone && ' Choose a zone to ask why each tool was taken there.'}
      </p>
      {zone && <WhyHere checkId={checkId} zone={zone} method={open.method} />}
    </Sheet>
  );
}

function BenchShown(props: BenchProps) {
  const { request, plan, open, currency, said, ask } = props;
  const bench = useBench(props);
  const newHere = isNewHere(props.page.sessions);
  const { site, care, stood } = bench;
  const now = useMemo(() => ({ care, shown: stood }), [care, stood]);
  const late = useDeferredValue(now);
  const around = useMemo(
    () => <Around {...{ request, plan, site, currency, newHere }} {...late} />,
    [request, plan, site, currency, newHere, late],
  );
  return (
    <>
      <BenchTitle {...props} bench={bench} />
      {said}
      <div className={`wt-cols ${css.plan}`}>
        <StairsSheet plan={plan} open={open} bench={bench} onLayOver={(over) => ask({ over })} />
        <div className="d-grid g-6 content-start">
          <CoatAtStep {...props} bench={bench} />
        </div>
      </div>
      <Deferred>{around}</Deferred>
    </>
  );
}

export const PlanRoom = () => <WithBench>{(facts) => <PlanShown key={facts.checkId} {...facts} />}</WithBench>;
