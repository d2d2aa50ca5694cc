/** Home → visit: what was done, in plain words, for the owner; one page that prints. */
import { Printer } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { SKIN_SCALE } from '../../../core/check/index.ts';
import { zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { visitSummary, type VisitFinding } from '../../../core/home/index.ts';
import { photoUrl, useSession } from '../../data/hooks.ts';
import { Loaded } from '../../app/state.tsx';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { dateText } from '../../words/dates.ts';
import { capital, grams, listText, minutesText, percent } from '../../words/figures.ts';
import { WATCH_WORDS } from '../../words/visit.ts';
import css from './visit.module.css';

const what = ({ what: w }: VisitFinding): string =>
  'tie' in w ? `a ${w.tie}` : (SKIN_SCALE.find((g) => g.value === w.skin)?.word ?? w.skin);
const places = (zones: readonly ZoneId[]): string => listText(zones.map((z) => zoneName(z)));

function Photos({ ids, word }: { ids: readonly string[]; word: string }) {
  return (
    <>
      {ids.slice(0, 1).map((id) => (
        <figure key={id}>
          <img src={photoUrl(id)} alt={`${word} the visit`} />
          <figcaption>{word}</figcaption>
        </figure>
      ))}
    </>
  );
}

export function VisitRoom() {
  const { sessionId = '', dogId = '' } = useParams();
  return (
    <Loaded query={useSession(sessionId)}>
      {(page) => {
        const v = visitSummary(page.record, page.snapshot.stops);
        return (
          <article className={`${css.card} wt-visit`}>
            <div className="wt-title mb-0">
              <div>
                <span className="wt-crumb">{dateText(page.day)}</span>
                <h1>{page.dogName} was here</h1>
              </div>
              <Button className="wt-noprint" look="usual" onClick={() => window.print()}>
                <Printer aria-hidden size={18} /> Print
              </Button>
            </div>
            {page.record.state !== 'finished' && <Notice>The visit is not over yet.</Notice>}
            <div className={css.bout}>
              <div>
                <strong>{grams(v.gramsOut)}</strong> of loose hair out
              </div>
              <div>
                <strong>{minutesText(v.minutes)}</strong> with us
              </div>
            </div>
            {(v.before.length > 0 || v.after.length > 0) && (
              <div className={css.pair}>
                <Photos ids={v.before} word="Before" />
                <Photos ids={v.after} word="After" />
              </div>
            )}
            <p>
              {v.fallsShare === undefined
                ? 'No comb proof was written down.'
                : v.notFalling.length === 0
                  ? 'The comb falls through everywhere we combed, with no pull.'
                  : `The comb falls through ${percent(v.fallsShare)} of what we combed. It still drags at ${places(v.notFalling)}.`}
            </p>
            {v.found.length + v.pink.length > 0 && (
              <section aria-labelledby="found">
                <h2 id="found">We found</h2>
                <ul>
                  {v.found.map((f) => (
                    <li key={`${f.zone} ${what(f)}`}>
                      {capital(what(f))} at {zoneName(f.zone)}
                      {f.vet ? '. We left it alone.' : '.'}
                    </li>
                  ))}
                  {v.pink.length > 0 && <li>Skin that turned a little pink at {places(v.pink)}. We stopped there.</li>}
                </ul>
              </section>
            )}
            {v.left.length + v.tiesLeft.length > 0 && (
              <section aria-labelledby="left">
                <h2 id="left">Left for next time</h2>
                {v.left.length > 0 && <p>{capital(places(v.left))}: your dog had stood long enough.</p>}
                {v.tiesLeft.length > 0 && (
                  <p>{capital(places(v.tiesLeft))}: a tie that came to light too late. Leave it dry, do not cut it.</p>
                )}
              </section>
            )}
            <section aria-labelledby="watch">
              <h2 id="watch">Please watch</h2>
              <ul>
                {v.watch.map((w) => (
                  <li key={w}>{WATCH_WORDS[w]}</li>
                ))}
              </ul>
            </section>
            <p className="wt-soft">
              We groom and look; we do not diagnose. <Link to={`/home/${dogId}`}>What to do at home</Link>
            </p>
          </article>
        );
      }}
    </Loaded>
  );
}
