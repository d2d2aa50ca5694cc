/** Around the stairs: the quote with its doubt, what is borne, the split over visits, how the dog is held, what would change the choice. */
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import {
  bearsInAll,
  openMethod,
  planVisit,
  rivals,
  scriptOf,
  splitOf,
  tiesOf,
  type Care,
  type MethodPlan,
  type Plan,
  type PlanRequest,
  type Script,
  type Worksite,
} from '../../../core/bench/index.ts';
import { usualStandingMinutes } from '../../../core/dog/index.ts';
import { bathRhythm, mixOf, washesMl } from '../../../core/water/index.ts';
import { contactOf, dilutionOf, keptLabel, volume } from '../../app/tub.ts';
import { bandText, breaksText, priceBand, rivalText, supportsText, tieText, zonesShort } from '../../words/bench.ts';
import { grams, minutesText, percent } from '../../words/figures.ts';

interface Props {
  readonly request: PlanRequest;
  readonly plan: Plan;
  readonly shown: MethodPlan;
  readonly script: Script;
  readonly site: Worksite;
  readonly care: Care;
  readonly currency: string;
}

function Quote({ shown, plan, currency, request }: Props) {
  const { bands } = shown;
  return (
    <section className="wt-sheet" aria-labelledby="quote">
      <h2 id="quote">Quote and limits</h2>
      <dl className="wt-facts">
        <dt>Time</dt>
        <dd>
          {bandText(bands.minutes, (m) => minutesText(Math.round(m)))}{' '}
          <span className="wt-soft">in four of five visits</span>
        </dd>
        <dt>Price</dt>
        <dd>{priceBand(bands.priceCents, currency)}</dd>
        <dt>Hair out</dt>
        <dd>
          {bandText(bands.gramsOut, (g) => grams(g))} <span className="wt-soft">of {grams(plan.looseG.likely)}</span>
        </dd>
        <dt>Comb falls through</dt>
        <dd>
          on {percent(shown.falls)} of the coat
          {shown.notFalling.length > 0 && <span className="wt-soft"> (not yet: {zonesShort(shown.notFalling)})</span>}
        </dd>
        <dt>Most used skin</dt>
        <dd>
          {percent(shown.skinLoad)} of what it bears; guard hair {percent(shown.wear)}
        </dd>
        <dt>Standing</dt>
        <dd>
          {minutesText(shown.standingMinutes)} of {minutesText(usualStandingMinutes(request.dog))}; at the table{' '}
          {minutesText(shown.minutes)} of {minutesText(Math.round(bearsInAll(request.dog, request.crew)))}
        </dd>
        <dt>Where work stops</dt>
        <dd>
          below {shown.stopYield.toFixed(2)} g a minute; within {percent(Math.max(0.01, shown.gap))} of the best minutes
        </dd>
      </dl>
    </section>
  );
}

/** The whole work of the method where the time cut it short, else the stairs as they stand. */
function wholeOf(request: PlanRequest, shown: MethodPlan, script: Script): Script {
  if (shown.cut?.for !== 'time') return script;
  const whole = openMethod(planVisit({ ...request, appointmentMinutes: undefined }, [shown.method]), shown.method);
  return whole ? scriptOf(whole.steps) : script;
}

function Visits({ request, shown, script, site }: Props) {
  const most = Math.min(
    request.appointmentMinutes ?? Infinity,
    shown.cut?.for === 'dog' ? Infinity : bearsInAll(request.dog, request.crew),
  );
  const split = useMemo(
    () => splitOf(wholeOf(request, shown, script), site.found, site.job, request.crew, most),
    [request, shown, script, site, most],
  );
  if (!split) return null;
  const several = split.visits.length > 1;
  return (
    <section className="wt-sheet" aria-labelledby="visits">
      <h2 id="visits">
        {!several
          ? 'Longer than one visit'
          : shown.cut
            ? `Or all of it over ${split.visits.length} visits`
            : `Over ${split.visits.length} visits`}
      </h2>
      {!split.fits && (
        <p className="wt-note">
          {several
            ? 'Water and air alone are longer than the time there is: plan breaks for that visit, or a second pair of hands.'
            : 'This way cannot be split: a wet dog is dried the same day. Take a way that opens the coat dry first.'}
        </p>
      )}
      {several && (
        <>
          <ol>
            {split.visits.map((v, i) => (
              <li key={v.zones.join() || `visit ${i}`}>
                <strong>{minutesText(v.minutes)}</strong>
                {v.zones.length > 0 && `: ${zonesShort(v.zones)} worked through`}
                {v.bathes &&
                  (v.zones.length > 0 ? ', then the water and all that follows' : ': the water and all that follows')}
                .
              </li>
            ))}
          </ol>
          <p className="wt-soft">
            {split.gapDays.least} to {split.gapDays.most} days between: the skin rests, and the coat has not packed
            again. No tie is left half worked, and no packed coat is left wet.
          </p>
        </>
      )}
    </section>
  );
}

const SKIN_WORDS = {
  sound: 'Skin is sound',
  dry: 'Skin flakes: it needs its oil',
  sore: 'Skin is red: mild soap, lukewarm, and a vet if it stays',
  vet: 'Skin is for a vet first: bathe as it says, or not',
} as const;

/** Shampoo for this dog and this coat, how long it stays on, and when the next bath may be. */
function Water({ request, shown }: Props) {
  const label = keptLabel();
  const dilution = dilutionOf(label);
  const bathes = shown.steps.some((s) => s.phase === 'bath');
  const rhythm = bathRhythm(
    Object.values(request.check.zones).map((z) => z.skin),
    request.dog.traits,
    request.house,
  );
  const washes = washesMl(request.check.weightKg, request.dog.coatClass);
  return (
    <section className="wt-sheet" aria-labelledby="water">
      <h2 id="water">Water</h2>
      {bathes && dilution && rhythm.skin !== 'vet' && (
        <>
          <ul>
            {washes.map((ml, i) => {
              const mix = mixOf(ml, dilution);
              return (
                <li key={i === 0 ? 'first' : 'second'}>
                  {i === 0 ? 'First wash' : 'Second wash'}: {volume(mix.concentrateMl, label.unit)} of product in{' '}
                  {volume(mix.waterMl, label.unit)} of water
                </li>
              );
            })}
          </ul>
          <p>
            {label.way === 'parts' ? `1 to ${label.parts}` : `${label.percent} %`}, left on{' '}
            {minutesText(contactOf(label))}. <Link to="/desk/today">Set what the label says</Link>
          </p>
        </>
      )}
      <p>
        {SKIN_WORDS[rhythm.skin]}
        {rhythm.skin === 'vet' ? '.' : `; ${rhythm.least} to ${rhythm.most} days between baths.`}
      </p>
      <p className="wt-soft">
        The label and the vet go before this. No human shampoo; oils, tea tree above all, can poison a dog: by the
        label’s dilution only, never by mouth.
      </p>
    </section>
  );
}

function Held({ care }: Props) {
  return (
    <section className="wt-sheet" aria-labelledby="held">
      <h2 id="held">How the dog is held</h2>
      <p>{supportsText(care)}</p>
      <p>{breaksText(care)}</p>
    </section>
  );
}

function Ties({ site }: Props) {
  const ties = useMemo(() => tiesOf(site.found, site.job), [site]);
  if (ties.length === 0) return null;
  return (
    <section className="wt-sheet" aria-labelledby="ties">
      <h2 id="ties">Ties, before any water</h2>
      <ul>
        {ties.map((t) => (
          <li key={t.zone}>{tieText(t)}</li>
        ))}
      </ul>
      <p className="wt-soft">
        The way with mats is a <Link to="/desk/house">house rule</Link>. Skin under a tie is often sore: what looks
        wrong is for a vet.
      </p>
    </section>
  );
}

function Rivals({ request, plan }: Props) {
  const [open, setOpen] = useState(false);
  const found = useMemo(() => (open ? rivals(request, plan) : []), [open, request, plan]);
  return (
    <details className="wt-sheet" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>What would change the choice</summary>
      {open && (
        <ul>
          {found.map((r) => (
            <li key={r.change}>{rivalText(r)}</li>
          ))}
        </ul>
      )}
    </details>
  );
}

export function Around(props: Props) {
  return (
    <div className="wt-around">
      <Quote {...props} />
      <Visits {...props} />
      <Ties {...props} />
      <Water {...props} />
      <Held {...props} />
      <Rivals {...props} />
    </div>
  );
}
