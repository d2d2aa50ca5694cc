/** Around the stairs: the quote with its doubt, what is borne, the split over visits, how the dog is held, what would change the choice. */
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import {
  bearsInAll,
  rivals,
  wholeOf,
  type Care,
  type MethodPlan,
  type Plan,
  type PlanRequest,
  type Worksite,
} from '../../../core/bench/index.ts';
import { mindAdvice, usualStandingMinutes } from '../../../core/dog/index.ts';
import { bathRhythm, mixOf, SHAMPOO_ROWS, washesFor, washesMl } from '../../../core/water/index.ts';
import { contactOf, dilutionOf, keptLabel, volume } from '../../app/tub.ts';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import {
  bandText,
  breaksText,
  leftText,
  priceBand,
  rivalText,
  supportsText,
  tieText,
  visitText,
} from '../../words/bench.ts';
import { grams, minutesText, money, percent } from '../../words/figures.ts';
import { zonesShort } from '../../words/places.ts';
import css from './plan.module.css';

interface Props {
  readonly request: PlanRequest;
  readonly plan: Plan;
  readonly shown: MethodPlan;
  readonly site: Worksite;
  readonly care: Care;
  readonly currency: string;
  /** Was the dog never worked here. */
  readonly newHere: boolean;
}

function Quote({ shown, plan, currency, request }: Props) {
  const { bands } = shown;
  return (
    <Sheet aria-labelledby="quote">
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
          {bandText(bands.gramsOut, (g) => grams(g))}{' '}
          <span className="wt-soft">of {bandText(plan.looseG, (g) => grams(g))}</span>
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
    </Sheet>
  );
}

/** The visits of the work where one does not hold it, and what no visit comes to. */
function Visits({ shown, currency }: Props) {
  const { later, gapDays, left } = shown;
  if (later.length === 0 && left.length === 0) return null;
  const whole = wholeOf(shown);
  return (
    <Sheet aria-labelledby="visits">
      <h2 id="visits">{later.length > 0 ? `Over ${whole.visits} visits` : 'What is left'}</h2>
      {later.length > 0 && (
        <>
          <ol>
            <li>
              <strong>{minutesText(shown.minutes)}</strong>, today: {visitText(shown.steps)}.
            </li>
            {later.map((v, i) => (
              <li key={`visit ${i + 2}`}>
                <strong>{minutesText(v.minutes)}</strong>, {money(v.priceCents, currency)}: {visitText(v.steps)}.
              </li>
            ))}
          </ol>
          <p>
            {minutesText(whole.minutes)} and {money(whole.priceCents, currency)} in all; {percent(whole.shareLeft)} of
            the loose coat left at the end.
          </p>
          {gapDays && (
            <p className="wt-soft">
              {gapDays.least} to {gapDays.most} days between: the skin rests, and the coat has not packed again. No tie
              is left half worked, and no coat is left wet.
            </p>
          )}
        </>
      )}
      {left.length > 0 && <Notice>{leftText(left)}</Notice>}
    </Sheet>
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
  const amounts = washesMl(request.check.weightKg, request.dog.coatClass);
  const { first, second, conditioner } = washesFor(request.check, request.dog);
  const treats = [first, second];
  return (
    <Sheet aria-labelledby="water">
      <h2 id="water">Water</h2>
      {bathes && dilution && rhythm.skin !== 'vet' && (
        <>
          <ul>
            {amounts.map((ml, i) => {
              const mix = mixOf(ml, dilution);
              return (
                <li key={i === 0 ? 'first' : 'second'}>
                  {i === 0 ? 'First wash' : 'Second wash'}, {SHAMPOO_ROWS[treats[i] ?? 'cleansing'].name}:{' '}
                  {volume(mix.concentrateMl, label.unit)} of product in {volume(mix.waterMl, label.unit)} of water
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
      {bathes && (
        <p>
          {SHAMPOO_ROWS[second].why}{' '}
          {rhythm.skin === 'vet'
            ? ''
            : conditioner
              ? 'Conditioner after it, rinsed as its label says.'
              : 'No conditioner: this coat has to stay hard.'}
        </p>
      )}
      <p className="wt-soft">
        The label and the vet go before this. No human shampoo. Oils and scents, tea tree and lavender alike, only in
        made products by their label, never by mouth.
      </p>
    </Sheet>
  );
}

function Held({ care, request, newHere }: Props) {
  return (
    <Sheet aria-labelledby="held">
      <h2 id="held">How the dog is held</h2>
      <p>{supportsText(care)}</p>
      <p>{breaksText(care)}</p>
      <ul>
        {mindAdvice('table', { traits: request.dog.traits, weightKg: request.check.weightKg, newHere }).map((a) => (
          <li key={a.id}>
            {a.statement} <span className="wt-soft">{a.reason}</span>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}

function Ties({ site: { ties } }: Props) {
  if (ties.length === 0) return null;
  return (
    <Sheet aria-labelledby="ties">
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
    </Sheet>
  );
}

function Rivals({ request, plan }: Props) {
  const [open, setOpen] = useState(false);
  const found = useMemo(() => (open ? rivals(request, plan) : []), [open, request, plan]);
  return (
    <Sheet as="div">
      <Disclosure head="What would change the choice" onOpen={() => setOpen(true)}>
        {open && (
          <ul>
            {found.map((r) => (
              <li key={r.change}>{rivalText(r)}</li>
            ))}
          </ul>
        )}
      </Disclosure>
    </Sheet>
  );
}

export function Around(props: Props) {
  return (
    <div className={css.around}>
      <Quote {...props} />
      <Visits {...props} />
      <Ties {...props} />
      <Water {...props} />
      <Held {...props} />
      <Rivals {...props} />
    </div>
  );
}
