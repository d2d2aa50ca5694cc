/** The owner's page: what to do today for each dog, and what to tell the salon. */
import { Fact } from '../app/Fact.tsx';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { createPortal, flushSync } from 'react-dom';
import type { OwnerDog, OwnerPage } from '../../contract/home.ts';
import type { HomeAmount } from '../../core/tide/index.ts';
import { forService } from '../../core/dog/index.ts';
import { newId } from '../data/client.ts';
import { Care } from './Care.tsx';
import { How } from './How.tsx';
import { Settings } from './Settings.tsx';
import { phoneToday, useOwner, type Owner } from './store.ts';
import { Tell } from './Tell.tsx';
import { Today } from './Today.tsx';
import { Week } from './Week.tsx';
import { dayMonth, minutes, visitTime } from './words.ts';
import css from './owner.module.css';

/** What not every visit to the page needs comes on its own. */
const Bout = lazy(async () => ({ default: (await import('./Bout.tsx')).Bout }));
const Offer = lazy(async () => ({ default: (await import('./Offer.tsx')).Offer }));

function Gone() {
  return (
    <main className={css.page} tabIndex={-1}>
      <h1>There is nothing here</h1>
      <p>If this was your dog’s page, please ask your groomer for a new link.</p>
    </main>
  );
}

function Visit({ dog, timeZone, feed }: { dog: OwnerDog; timeZone: string; feed: string }) {
  const { effect } = dog.tide;
  const [next, ...rest] = dog.visits;
  const worth = effect ? Math.round((effect.without - effect.kept) / 5) * 5 : 0;
  return (
    <section aria-labelledby="visit" className={css.sheet}>
      <h2 id="visit">At the salon</h2>
      <p>
        {next ? (
          <>
            Next visit:{' '}
            <Fact dog={dog.id} of="booked" from={dog.outlook ?? {}}>
              {visitTime(next.startsAt, timeZone)}
            </Fact>
            {forService(next.service)}, about {minutes(next.minutes)}.
          </>
        ) : dog.outlook?.due ? (
          <>
            Due about{' '}
            <Fact dog={dog.id} of="due" from={dog.outlook}>
              {dayMonth(dog.outlook.due.day)}
            </Fact>
            ; it will take about{' '}
            <Fact dog={dog.id} of="minutes" from={dog.outlook}>
              {minutes(dog.outlook.minutes.likely)}
            </Fact>
            .{' '}
            {dog.holds.some((h) => !h.seen)
              ? 'A vet looks first: tell us how it went, then we find a time.'
              : 'Please call us for a time.'}
          </>
        ) : (
          'After the first look at the coat.'
        )}
      </p>
      {effect && worth >= 5 && (
        <p>
          Brushed as planned it takes about <strong>{minutes(effect.kept)}</strong>; without brushing about{' '}
          {minutes(effect.without)}.
        </p>
      )}
      {rest.map((v) => (
        <p key={v.startsAt}>
          Then {visitTime(v.startsAt, timeZone)}
          {forService(v.service)}, about {minutes(v.minutes)}.
        </p>
      ))}
      {next?.service === 'coat' && (
        <p className={css.soft}>
          Before you come: a walk, a dry coat, no bath. Leave knots as they are, we see to them.
        </p>
      )}
      {feed && (
        <p>
          <a href={`webcal://${location.host}${feed}`}>Put these days into a calendar</a>
        </p>
      )}
    </section>
  );
}

function Missed({ dog }: { dog: OwnerDog }) {
  const { effect, blow } = dog.tide;
  if (dog.missedDays < 2) return null;
  const costs = effect ? Math.round((effect.missedWeek - effect.kept) / 5) * 5 : 0;
  return (
    <p className={css.note} role="status">
      {dog.missedDays} days went by. That happens: today’s brushing is no longer for it, the rest slides on.
      {blow && dog.missedDays >= 5 && costs >= 5 && (
        <>
          {' '}
          A week missed in a blow makes the next visit about {minutes(costs)} longer. If it goes on like this, call us:
          we find an earlier day.
        </>
      )}
    </p>
  );
}

function DogPage({ dog, owner, timeZone, feed }: { dog: OwnerDog; owner: Owner; timeZone: string; feed: string }) {
  const [brushing, setBrushing] = useState<number>();
  const [answer, setAnswer] = useState<string | null>();
  const choose = (startsAt: string | null): void => {
    if (!dog.offer) return;
    setAnswer(startsAt);
    owner.send({ kind: 'offers', dogId: dog.id, body: { id: dog.offer.id, startsAt } });
  };
  const today = dog.week.days[0];
  const bout = brushing === undefined ? undefined : today?.bouts[brushing];
  const done = (parts: OwnerDog['closed'], spent: number, amount: HomeAmount | null): void => {
    owner.send(noteBout(dog.id, parts, spent, amount, owner.author));
    setBrushing(undefined);
    scrollTo(0, 0);
  };
  if (bout)
    return (
      <Suspense fallback={<p role="status">One moment …</p>}>
        <Bout key={dog.id} dog={dog} bout={bout} onLeave={() => setBrushing(undefined)} onDone={done} />
      </Suspense>
    );
  return (
    <>
      {(dog.offer || answer !== undefined) && (
        <Suspense fallback={null}>
          <Offer dog={dog} timeZone={timeZone} answer={answer} onAnswer={choose} />
        </Suspense>
      )}
      <Today dog={dog} onBrush={setBrushing} onDone={done} />
      <Missed dog={dog} />
      <Week dog={dog} />
      {dog.note && (
        <blockquote className={`${css.sheet} ${css.says}`}>
          <p>{dog.note}</p>
          <footer className={css.soft}>Your groomer</footer>
        </blockquote>
      )}
      <Tell dog={dog} owner={owner} />
      <Care
        due={dog.due}
        today={dog.today}
        onDone={(kind) =>
          owner.send({
            kind: 'cares',
            dogId: dog.id,
            body: { id: newId(), day: phoneToday(), kind, author: owner.author },
          })
        }
      />
      <Visit dog={dog} timeZone={timeZone} feed={feed} />
      <How dog={dog} />
    </>
  );
}

function noteBout(dogId: string, parts: OwnerDog['closed'], spent: number, amount: HomeAmount | null, author: string) {
  const body = { id: newId(), day: phoneToday(), parts, minutes: Math.round(spent * 2) / 2, amount, author };
  return { kind: 'bouts', dogId, body } as const;
}

/** A card and a strip to print. The rest of the page stays behind while one of them is on paper. */
function ForFridge({ dog, page }: { dog: OwnerDog; page: OwnerPage }) {
  const [sheet, setSheet] = useState<ReactNode>();
  const print = async (what: 'card' | 'strip'): Promise<void> => {
    const { FridgeCard, WallStrip } = await import('../home/paper/index.ts');
    const { salonName, timeZone } = page;
    flushSync(() =>
      setSheet(
        what === 'strip' ? (
          <WallStrip dog={dog} salonName={salonName} />
        ) : (
          <FridgeCard dog={dog} salonName={salonName} timeZone={timeZone} />
        ),
      ),
    );
    window.print();
  };
  return (
    <section className={css.sheet} aria-labelledby="paper">
      <h2 id="paper">For the fridge</h2>
      <div className={css.row}>
        <button type="button" onClick={() => void print('card')}>
          Print a card
        </button>
        <button type="button" onClick={() => void print('strip')}>
          Print the week
        </button>
      </div>
      {sheet && createPortal(<div className={css.paper}>{sheet}</div>, document.body)}
    </section>
  );
}

export function OwnerApp({ token }: { token: string }) {
  const owner = useOwner(token);
  const [shown, setShown] = useState(0);
  const { page, state, waiting, refused } = owner;
  if (state === 'gone') return <Gone />;
  if (!page)
    return (
      <main className={css.page}>
        <p role="status">
          {state === 'without-link'
            ? 'There is no link to the salon. This page opens when there is one again.'
            : 'One moment …'}
        </p>
      </main>
    );
  const dog = page.dogs[shown] ?? page.dogs[0];
  if (!dog) return <Gone />;
  return (
    <>
      <header className={css.head}>
        <span>{page.salonName}</span>
        <span role="status" className={css.soft}>
          {waiting > 0
            ? `${waiting === 1 ? 'One entry waits' : `${waiting} entries wait`} for a link`
            : state === 'without-link'
              ? 'without a link'
              : ''}
        </span>
      </header>
      <main className={css.page}>
        {page.dogs.length > 1 && (
          <nav className={css.dogs} aria-label="Dogs">
            {page.dogs.map((d, i) => (
              <button key={d.id} type="button" aria-pressed={d.id === dog.id} onClick={() => setShown(i)}>
                {d.name}
              </button>
            ))}
          </nav>
        )}
        <h1>{dog.name}</h1>
        {refused && (
          <p className={`${css.note} ${css.stop}`} role="alert">
            {refused}
          </p>
        )}
        <DogPage key={dog.id} dog={dog} owner={owner} timeZone={page.timeZone} feed={page.feed} />
        <Settings owner={owner} post={page.post} />
        <ForFridge key={`paper of ${dog.id}`} dog={dog} page={page} />
      </main>
    </>
  );
}
