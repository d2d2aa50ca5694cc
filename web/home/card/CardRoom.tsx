/** Home → card: one page for the owner, which prints on one A5. */
import { Printer } from 'lucide-react';
import { Button } from 'react-bootstrap';
import { useParams } from 'react-router';
import { regionRow, zoneName } from '../../../core/dog/index.ts';
import { toolRow } from '../../../core/kit/index.ts';
import type { HomeCard } from '../../../core/home/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useHomeCard } from '../../data/hooks.ts';
import { dateText, instantText, longDay } from '../../words/dates.ts';
import { capital, listText, minutesText } from '../../words/figures.ts';
import { DONT_WORDS } from '../../words/reasons.ts';

const WHY_WORDS = {
  dragged: 'the comb dragged there',
  packed: 'it was packed or tied',
  usual: 'it packs first',
} as const;
const SEASON_WORDS = {
  spring: 'The spring blow is on: daily for these weeks.',
  summer: 'A summer shed is on: daily for these weeks.',
  autumn: 'The autumn blow is on: daily for these weeks.',
  winter: 'A winter shed is on: daily for these weeks.',
  baseline: '',
} as const;
const MOST_NAMED = 8;

function where(step: HomeCard['steps'][number]): string {
  const names = step.zones.map((r) => regionRow(r).name);
  return names.length > MOST_NAMED ? 'neck, body and legs' : listText(names);
}

export function CardRoom() {
  const { dogId = '' } = useParams();
  return (
    <Loaded query={useHomeCard(dogId)}>
      {({ card, dogName, salonName, day, bookedAt, timeZone }) => (
        <article className="wt-card">
          <div className="wt-title mb-0">
            <div>
              <span className="wt-crumb">
                {salonName}, {dateText(day)}
              </span>
              <h1>{dogName} at home</h1>
            </div>
            <Button className="wt-noprint" variant="outline-primary" onClick={() => window.print()}>
              <Printer aria-hidden size={18} /> Print
            </Button>
          </div>
          <div className="wt-bout">
            <div>
              <strong>{minutesText(card.minutes)}</strong> a time
            </div>
            <div>
              <strong>{card.boutsPerWeek === 7 ? 'daily' : `${card.boutsPerWeek} ×`}</strong>{' '}
              {card.boutsPerWeek === 7 ? 'one bout' : 'a week'}
            </div>
          </div>
          {SEASON_WORDS[card.tide] && <p className="wt-note">{SEASON_WORDS[card.tide]}</p>}
          <section aria-labelledby="brush">
            <h2 id="brush">Brush, in this order</h2>
            <ol>
              {card.steps.map((s) => (
                <li key={s.tool}>
                  <strong>{capital(toolRow(s.tool).name)}</strong>, {minutesText(s.minutes)}: {where(s)}.{' '}
                  <span className="wt-soft">{toolRow(s.tool).hurts}</span>
                </li>
              ))}
            </ol>
          </section>
          <section aria-labelledby="first">
            <h2 id="first">These first</h2>
            <ul>
              {card.first.map((f) => (
                <li key={f.region}>
                  {capital(regionRow(f.region).name)}: <span className="wt-soft">{WHY_WORDS[f.why]}</span>
                </li>
              ))}
            </ul>
          </section>
          {card.notBrushed.length > 0 && (
            <p className="wt-note wt-note-stop">
              Do not brush {listText(card.notBrushed.map(zoneName))}. A vet should look there first.
            </p>
          )}
          <section aria-labelledby="donts">
            <h2 id="donts">Please not</h2>
            <ul>
              {card.donts.map((d) => (
                <li key={d}>{DONT_WORDS[d]}</li>
              ))}
            </ul>
          </section>
          <section aria-labelledby="next">
            <h2 id="next">Next visit</h2>
            <p className="mb-0">
              {bookedAt
                ? `Booked: ${instantText(bookedAt, timeZone)}.`
                : card.nextVisit
                  ? `Due ${longDay(card.nextVisit)}. Ring us for a time.`
                  : 'After the first coat check.'}
            </p>
          </section>
        </article>
      )}
    </Loaded>
  );
}
