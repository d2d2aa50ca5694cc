/** One dog: who it is, its coat, its last visit, and the one thing to do now. */
import { CalendarDays } from 'lucide-react';
import { Link, useParams } from 'react-router';
import type { DogPage } from '../../../contract/dog.ts';
import { coatCheck } from '../../../contract/check-facts.ts';
import { asHeld, referralOf, waitsForVet, zoneConditions } from '../../../core/check/index.ts';
import { coatRow, TRAIT_WORDS, usualStandingMinutes } from '../../../core/dog/index.ts';
import { formatDay, day, parseDay, wholeYears } from '../../../core/quantity/index.ts';
import { DogTabs } from '../../app/DogTabs.tsx';
import { Fact } from '../../app/Fact.tsx';
import { MovedLength } from '../../app/MovedLength.tsx';
import { Loaded } from '../../app/state.tsx';
import { useCheck, useDog, useSalon } from '../../data/hooks.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import { Keepable } from '../../drawing/Keepable.tsx';
import { VisitChart } from '../../drawing/VisitChart.tsx';
import { ButtonLink } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateText, instantText, longDay, shortDay } from '../../words/dates.ts';
import { capital, grams, listText, minutesText } from '../../words/figures.ts';
import { dueReason, methodName } from '../../words/reasons.ts';
import { HoldCard } from '../vet/HoldCard.tsx';
import { Brushes } from './Brushes.tsx';
import { conditionLooks } from './looks.ts';
import { PhotoStrip } from './PhotoStrip.tsx';
import { massText } from '../../words/units.ts';
import { ClipOrders } from './ClipOrders.tsx';

/** The one thing to do now: a check of today leads to its plan, otherwise hands go into the coat. */
function MainAct({ page }: { page: DogPage }) {
  const [newest] = page.checks;
  if (newest && newest.day === formatDay(day(page.today))) {
    return (
      <>
        <ButtonLink look="main" to={`/desk/dogs/${page.dog.id}/plan/${newest.id}`}>
          See today’s plan
        </ButtonLink>
        <ButtonLink to={`/desk/dogs/${page.dog.id}/check`}>Check again</ButtonLink>
      </>
    );
  }
  return (
    <ButtonLink look="main" to={`/desk/dogs/${page.dog.id}/check`}>
      Start the coat check
    </ButtonLink>
  );
}

function Facts({ page: { dog, traits, today } }: { page: DogPage }) {
  const coat = coatRow(dog.coatClass);
  const born = dog.born === null ? undefined : parseDay(dog.born);
  const years = born === undefined ? undefined : wholeYears(born, day(today));
  return (
    <dl className="wt-facts">
      <dt>Coat</dt>
      <dd>
        {capital(coat.name)}. <span className="wt-soft">{coat.behaviour}</span>
      </dd>
      <dt>Weight</dt>
      <dd>{massText(dog.weightKg)}</dd>
      {born !== undefined && (
        <>
          <dt>Age</dt>
          <dd>
            {years === 0 ? 'under a year' : `${years} ${years === 1 ? 'year' : 'years'}`}, {dog.sex}
          </dd>
        </>
      )}
      <dt>Stands</dt>
      <dd>
        {minutesText(usualStandingMinutes({ traits, standingMinutes: dog.standingMinutes ?? undefined }))}
        {dog.standingMinutes === null && <span className="wt-soft"> (usual, a guess)</span>}
      </dd>
      {traits.length > 0 && (
        <>
          <dt>Mind</dt>
          <dd>{capital(listText(traits.map((t) => TRAIT_WORDS[t])))}</dd>
        </>
      )}
      <dt>Owner</dt>
      <dd>
        {dog.owner.name}
        {dog.owner.phone && `, ${dog.owner.phone}`}
      </dd>
      {dog.note && (
        <>
          <dt>Note</dt>
          <dd>{dog.note}</dd>
        </>
      )}
    </dl>
  );
}

/** When it comes next, and whether what is booked fits its coat. */
function NextDate({ page: { dog, bookings, outlook, holds }, zone }: { page: DogPage; zone: string }) {
  return (
    <Sheet aria-labelledby="next">
      <h2 id="next">Next date</h2>
      {bookings.map((b, i) => (
        <p key={b.id}>
          <CalendarDays aria-hidden size={17} /> Booked{' '}
          {i === 0 && outlook ? (
            <>
              <Fact dog={dog.id} of="booked" from={outlook}>
                {instantText(b.startsAt, zone)}
              </Fact>
              ,{' '}
              <Fact dog={dog.id} of="booked-minutes" from={outlook}>
                {minutesText(b.minutes)}
              </Fact>
            </>
          ) : (
            `${instantText(b.startsAt, zone)}, ${minutesText(b.minutes)}`
          )}
        </p>
      ))}
      {bookings[0] && <MovedLength booking={bookings[0]} moved={outlook?.moved} />}
      {outlook?.due ? (
        <>
          <p>
            The coat is due{' '}
            <Fact dog={dog.id} of="due" from={outlook}>
              <strong>{longDay(outlook.due.day)}</strong>
            </Fact>
            . On {shortDay(outlook.visit)} about{' '}
            <Fact dog={dog.id} of="grams" from={outlook}>
              {grams(outlook.grams.likely)}
            </Fact>{' '}
            of loose coat,{' '}
            <Fact dog={dog.id} of="minutes" from={outlook}>
              {minutesText(outlook.minutes.likely)}
            </Fact>
            .
          </p>
          <p className="wt-soft">{outlook.due.reasons.map(dueReason).join(' ')}</p>
          {waitsForVet(holds.holds) && <p>A vet looks first: ask how it went before a date is offered.</p>}
          <Link to={`/desk/dogs/${dog.id}/next`}>Find a date</Link> ·{' '}
          <Link to={`/desk/calendar/new?dog=${dog.id}`}>Any day and time</Link> ·{' '}
          <Link to={`/home/${dog.id}`}>Home card</Link>
        </>
      ) : (
        <p className="wt-soft">A coat check tells when this dog should come.</p>
      )}
    </Sheet>
  );
}

export function DogRoom() {
  const { dogId = '' } = useParams();
  const query = useDog(dogId);
  const newest = query.data?.checks[0];
  const check = useCheck(newest?.id);
  const salon = useSalon();
  const zone = salon.data?.salon.timeZone ?? 'UTC';
  return (
    <Loaded query={query}>
      {(page) => (
        <>
          <div className="wt-title">
            <div>
              <span className="wt-crumb">
                <Link to="/desk/dogs">Dogs</Link>
              </span>
              <h1>{page.dog.name}</h1>
            </div>
            <span>{page.dog.breed}</span>
            <div className="wt-acts">
              <MainAct page={page} />
            </div>
          </div>
          <DogTabs dogId={dogId} />
          {(page.holds.holds.length > 0 || page.holds.words.length > 0) && (
            <Sheet className="mb-3" mark={waitsForVet(page.holds.holds) ? 'stop' : undefined} aria-labelledby="vet">
              <h2 id="vet">For the vet</h2>
              <Fact dog={dogId} of="hold" from={page.holds}>
                <HoldCard of={page.holds} today={page.today} />
              </Fact>
            </Sheet>
          )}
          <div className="wt-cols" style={{ gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 25rem), 1fr))' }}>
            <Sheet aria-labelledby="coat">
              <h2 id="coat">{newest ? `Coat as felt ${dateText(newest.day)}` : 'Coat'}</h2>
              {check.data ? (
                <Keepable name="the coat map">
                  <CoatStage
                    dog={page.dog}
                    looks={conditionLooks(
                      zoneConditions(
                        asHeld(coatCheck(check.data), page.holds.holds, page.traits),
                        coatRow(page.dog.coatClass),
                      ),
                    )}
                    label={`Condition of ${page.dog.name}’s coat`}
                  />
                </Keepable>
              ) : (
                <p className="wt-soft">Nobody has felt this coat yet.</p>
              )}
              {newest && <PhotoStrip checkId={newest.id} />}
              {check.data && referralOf(coatCheck(check.data), page.traits).items.length > 0 && (
                <p className="mt-2">
                  <Link to={`/desk/dogs/${dogId}/note/${check.data.id}`}>Note for the owner and the vet</Link>
                </p>
              )}
            </Sheet>
            <div className="wt-cols">
              <Sheet aria-label="Facts">
                <Facts page={page} />
              </Sheet>
              <NextDate page={page} zone={zone} />
              <Brushes dog={{ ...page.dog, traits: page.traits }} lengths={check.data?.guardMm ?? {}} />
              <ClipOrders dog={page.dog} today={day(page.today)} />
              <Sheet aria-labelledby="visits">
                <h2 id="visits">Visits</h2>
                {page.sessions.some((s) => s.state === 'finished') && (
                  <Keepable name="the visits">
                    <VisitChart sessions={page.sessions} checks={page.checks} />
                  </Keepable>
                )}
                {page.sessions.length === 0 ? (
                  <p className="wt-soft">No visit yet.</p>
                ) : (
                  <ul className="wt-bare">
                    {page.sessions.slice(0, 6).map((s) => (
                      <li key={s.id}>
                        <Link to={`/table/sessions/${s.id}`}>{dateText(s.day)}</Link> {methodName(s.method)}
                        {s.state === 'finished'
                          ? `, ${minutesText(s.minutes)}, ${grams(s.gramsOut)} out`
                          : `, ${s.state === 'waiting' ? 'not started' : s.state}`}
                      </li>
                    ))}
                  </ul>
                )}
              </Sheet>
            </div>
          </div>
        </>
      )}
    </Loaded>
  );
}
