/** What the kit lacks over all dogs on the books: where it serves badly, and what to buy first. */
import type { Purchase } from '../../../core/bench/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useCoverage } from '../../data/hooks.ts';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { listText, minutesText, percent } from '../../words/figures.ts';
import { badlyText } from '../../words/kit.ts';

const MOST_SHOWN = 5;
const COUNT_WORDS = ['', 'One piece', 'Two pieces', 'Three pieces'];

function Buy({ list, says }: { list: readonly Purchase[]; says: (p: Purchase) => string }) {
  return (
    <ol className="wt-bare wt-rules">
      {list.map((p) => (
        <li key={p.tools.length}>
          <strong>{COUNT_WORDS[p.tools.length]}:</strong> {listText(p.tools.map((t) => t.name))}.{' '}
          <span className="wt-soft">{says(p)}</span>
        </li>
      ))}
    </ol>
  );
}

export function Lacking() {
  return (
    <Sheet aria-labelledby="lacking">
      <h2 id="lacking">What it lacks</h2>
      <Loaded query={useCoverage()}>
        {(c) => {
          if (c.dogs === 0) return <p>No dog has been checked yet; then this says what the kit is short of.</p>;
          const helps = c.forMinutes.length > 0 || c.forSkin.length > 0;
          return (
            <>
              <p>
                One round of all {c.dogs} dogs as they were last felt: {minutesText(Math.round(c.minutes))} of hand work
                with the best piece in each zone.
              </p>
              {c.badly.length === 0 ? (
                <Notice tone="good">No zone is served badly.</Notice>
              ) : (
                <ul className="wt-bare wt-rules">
                  {c.badly.slice(0, MOST_SHOWN).map((b) => (
                    <li key={`${b.region} ${b.coatClass} ${b.why}`}>
                      {badlyText(b)}{' '}
                      <span className="wt-soft">
                        {b.zones} {b.zones === 1 ? 'zone' : 'zones'}
                        {b.minutesOver >= 1 && `, ${minutesText(Math.round(b.minutesOver))} too long`}.
                      </span>
                    </li>
                  ))}
                </ul>
              )}
              {c.forMinutes.length > 0 && (
                <>
                  <h3>To save minutes, buy first</h3>
                  <Buy
                    list={c.forMinutes}
                    says={(p) => `Saves ${minutesText(Math.max(1, Math.round(p.minutesSaved)))} a round.`}
                  />
                </>
              )}
              {c.forSkin.length > 0 && (
                <>
                  <h3>To spare skin, buy first</h3>
                  <Buy
                    list={c.forSkin}
                    says={(p) => `Spares ${skinText(p.skinSpared)} of what skin bears, on average over all zones.`}
                  />
                </>
              )}
              {!helps && <p>Nothing that is sold would help much.</p>}
              <p className="wt-soft">
                Exact: no other choice of so many pieces saves more, by the release model’s guesses. Sizes are usual
                ones.
              </p>
            </>
          );
        }}
      </Loaded>
    </Sheet>
  );
}

const skinText = (share: number): string => (share < 0.005 ? 'under 1\u00a0%' : percent(share));
