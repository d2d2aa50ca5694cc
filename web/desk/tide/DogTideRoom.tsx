/** Desk → a dog's tide: its years, what stands in its coat, when it starts, what its log has taught, and what if. */
import { Link, useParams } from 'react-router';
import type { TideFile } from '../../../contract/tide.ts';
import { regionRow } from '../../../core/dog/index.ts';
import { day, formatDay, type Interval80 } from '../../../core/quantity/index.ts';
import {
  outlookOf,
  stretched,
  type DogStory,
  type Lesson,
  type Outlook,
  type WhatIf,
} from '../../../core/tide/index.ts';
import { Fact } from '../../app/Fact.tsx';
import { DogTabs } from '../../app/DogTabs.tsx';
import { Loaded } from '../../app/state.tsx';
import { useTideBook } from '../../data/hooks.ts';
import { StoreChart } from '../../drawing/StoreChart.tsx';
import { Keepable } from '../../drawing/Keepable.tsx';
import { YearsChart } from '../../drawing/YearsChart.tsx';
import { ButtonLink } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { useStory, useStretch, useTide } from '../../work/useTide.ts';
import { dayMonth, dateText, shortDay } from '../../words/dates.ts';
import { capital, grams, minutesText, percent } from '../../words/figures.ts';
import { homeText } from '../../words/reasons.ts';
import { adviceText, lessonText, questionText, shedWord, spanText, startText } from '../../words/tide.ts';
import { DogLogForm } from './DogLogForm.tsx';

const IF_WORDS: Readonly<Record<WhatIf, string>> = {
  'as-now': 'as things are',
  'skip-visit': 'the next visit is skipped',
  'brush-daily': 'brushed at home every day',
  indoors: 'it lived indoors',
  outdoors: 'it lived outdoors',
};
/** Less of the first doubt gone than this teaches nothing worth a line. */
const TAUGHT_BELOW = 0.85;

const rounded = (minutes: number): string => minutesText(Math.round(minutes / 5) * 5);

function Banded({ band, say }: { band: Interval80; say: (value: number) => string }) {
  return (
    <td>
      {say(band.likely)}{' '}
      <span className="wt-soft">
        ({say(band.low)}–{say(band.high)})
      </span>
    </td>
  );
}

function WhatIfs({ story }: { story: DogStory }) {
  return (
    <Sheet aria-labelledby="what-if">
      <h2 id="what-if">What if</h2>
      <div className="wt-wide">
        <Table data-ifs="">
          <thead>
            <tr>
              <th>if</th>
              <th>next visit</th>
              <th>takes (80 %)</th>
              <th>falls at home until then</th>
              <th>a year on the table (80 %)</th>
              <th>falls at home in a year (80 %)</th>
            </tr>
          </thead>
          <tbody>
            {story.whatIfs.map((w) => (
              <tr key={w.what}>
                <th scope="row">{IF_WORDS[w.what]}</th>
                <td>{shortDay(w.visit)}</td>
                <Banded band={w.minutes} say={w.what === 'as-now' ? minutesText : rounded} />
                <td>{grams(w.floorG.likely)}</td>
                <Banded band={w.yearMinutes} say={(m) => minutesText(Math.round(m / 30) * 30)} />
                <Banded band={w.yearFloorG} say={(g) => grams(Math.round(g / 10) * 10)} />
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
    </Sheet>
  );
}

function Newest({ story }: { story: DogStory }) {
  const { newest } = story;
  if (!newest) return null;
  const moved = Math.round(newest.after.likely - newest.before.likely);
  const before = newest.before.high - newest.before.low;
  const narrower = Math.round(before - (newest.after.high - newest.after.low));
  const said = [
    moved !== 0 &&
      `moved the ${shedWord(newest.after)} ${Math.abs(moved)} ${Math.abs(moved) === 1 ? 'day' : 'days'} ${moved < 0 ? 'earlier' : 'later'}`,
    narrower !== 0 &&
      `made its band ${Math.abs(narrower)} ${Math.abs(narrower) === 1 ? 'day' : 'days'} ${narrower > 0 ? 'narrower' : 'wider'}`,
  ].filter((t) => t !== false);
  return (
    <p>
      The newest entry, of {dateText(formatDay(newest.day))},{' '}
      {said.length === 0 ? `changed the ${shedWord(newest.after)} by less than a day.` : `${said.join(' and ')}.`}
    </p>
  );
}

/** What is known of the next visit, as every room says it. */
function OutlookLine({ dog, outlook }: { dog: string; outlook: Outlook }) {
  const { due, booked, grams: stands, minutes, now } = outlook;
  return (
    <p>
      About {grams(now.likely)} stand in it today.{' '}
      {due && (
        <>
          It is due{' '}
          <Fact dog={dog} of="due" from={outlook}>
            {shortDay(due.day)}
          </Fact>
          {booked && (
            <>
              {' '}
              and booked{' '}
              <Fact dog={dog} of="booked" from={outlook}>
                {shortDay(booked.day)}
              </Fact>
            </>
          )}
          : the visit finds about{' '}
          <Fact dog={dog} of="grams" from={outlook}>
            {grams(stands.likely)}
          </Fact>{' '}
          and takes about{' '}
          <Fact dog={dog} of="minutes" from={outlook}>
            {minutesText(minutes.likely)}
          </Fact>
          . {homeText(outlook.boutsPerWeek)}
        </>
      )}
    </p>
  );
}

/** What the next visit should weigh, its band as wide as this salon's past visits ask, and where it may be packed. */
function NextVisit({ story }: { story: DogStory }) {
  const stretch = useStretch();
  const on = day(story.whatIfs[0]?.visit ?? story.today);
  const weight = story.nextGrams && stretched(story.nextGrams, stretch?.[story.nextInBlow ? 'blow' : 'calm'] ?? 1);
  return (
    <>
      {weight && (
        <p>
          The visit on {shortDay(on)} should weigh {grams(weight.likely)} (80 %: {grams(weight.low)}–
          {grams(weight.high)}).{' '}
          {!stretch && (
            <span className="wt-soft">
              How well such bands hold in this salon: <Link to="/desk/reports/forecasts">how good are we</Link>.
            </span>
          )}
        </p>
      )}
      {story.packing.length > 0 && (
        <p>
          Likely packed then:{' '}
          {story.packing
            .slice(0, 5)
            .map((p) => `${regionRow(p.region).name} (${percent(p.chance)})`)
            .join(', ')}
          .
        </p>
      )}
    </>
  );
}

function Taught({ story, sampled }: { story: DogStory; sampled: boolean }) {
  const told = story.lessons.filter((l: Lesson) => l.doubtLeft < TAUGHT_BELOW);
  return (
    <Sheet aria-labelledby="taught">
      <h2 id="taught">What its log has taught</h2>
      <Newest story={story} />
      {told.length === 0 && <p>Little yet: the forecast rests on its coat class and the town.</p>}
      <ul>
        {told.map((l) => (
          <li key={l.what}>{lessonText(l)}</li>
        ))}
      </ul>
      {story.pastStarts.length > 0 && (
        <Disclosure head="When it started before">
          <ul>
            {story.pastStarts.toReversed().map((s) => (
              <li key={s.key}>
                {capital(s.key)}:{' '}
                {s.seen === undefined ? (
                  <>
                    about {dayMonth(s.likely)} <span className="wt-soft">(estimated, {spanText(s)})</span>
                  </>
                ) : (
                  `seen on ${dayMonth(s.seen)}`
                )}
              </li>
            ))}
          </ul>
        </Disclosure>
      )}
      {story.questions.map((q) => (
        <Notice key={q.day}>{questionText(q)}</Notice>
      ))}
      {story.advice.length > 0 && (
        <>
          <h3>What cannot be told yet</h3>
          <ul>
            {story.advice.map((a) => (
              <li key={a}>{adviceText(a)}</li>
            ))}
          </ul>
        </>
      )}
      {!sampled && <Notice>This log is hard to read: the bands are widened.</Notice>}
    </Sheet>
  );
}

function Story({ file, dogId }: { file: TideFile; dogId: string }) {
  const tide = useTide(file);
  const dog = file.dogs.find((d) => d.id === dogId);
  const { story, failed } = useStory(file, dogId, tide.learnt);
  if (!dog) return <Notice>There is no such dog. It may have been removed; go back to the list.</Notice>;
  const own = tide.learnt?.dogs.find((d) => d.id === dogId);
  const starts = own?.starts ?? [];
  const outlook = own && tide.learnt && outlookOf(dog, own, tide.learnt.from, file);
  return (
    <>
      <div className="wt-title">
        <h1>
          <Link to={`/desk/dogs/${dogId}`}>{dog.name}</Link>’s tide
        </h1>
        <span className="wt-soft">{dog.owner}</span>
        <div className="wt-acts">
          <ButtonLink to={`/desk/tide?dog=${dogId}`}>In the sea</ButtonLink>
          <ButtonLink look="main" to={`/desk/dogs/${dogId}/next`}>
            Next date
          </ButtonLink>
        </div>
      </div>
      <DogTabs dogId={dogId} />
      {failed && (
        <Notice tone="stop" role="alert">
          The forecast of this dog could not be made.
        </Notice>
      )}
      {!story && !failed && (
        <p className="wt-waiting" role="status">
          Reading its log …
        </p>
      )}
      <div className="wt-stack">
        {story && (
          <>
            <p className="wt-lead">
              {starts.length === 0
                ? 'Light gives this dog hardly a season here.'
                : starts
                    .filter((s) => s.likely > story.today - 45)
                    .slice(0, 2)
                    .map((s) => `${capital(startText(s, story.today))} (80 %).`)
                    .join(' ')}
            </p>
            <Sheet aria-labelledby="years">
              <h2 id="years">Its years</h2>
              <Keepable name={`${dog.name}, its years`}>
                <YearsChart years={story.years} sightings={dog.sightings} today={story.today} />
              </Keepable>
            </Sheet>
            <Sheet aria-labelledby="coat">
              <h2 id="coat">In the coat</h2>
              <Keepable name={`${dog.name}, in the coat`}>
                <StoreChart
                  store={story.store}
                  sightings={dog.sightings}
                  today={story.today}
                  booked={dog.booked.map((b) => b.day)}
                  fullG={own?.fullG ?? 0}
                />
              </Keepable>
              {outlook && <OutlookLine dog={dogId} outlook={outlook} />}
              <NextVisit story={story} />
            </Sheet>
            <WhatIfs story={story} />
          </>
        )}
        <div className="wt-two">
          {story && <Taught story={story} sampled={own?.sampled ?? true} />}
          <DogLogForm dogId={dogId} today={file.today} />
        </div>
      </div>
    </>
  );
}

export function DogTideRoom() {
  const { dogId = '' } = useParams();
  const query = useTideBook();
  return <Loaded query={query}>{(file) => <Story file={file} dogId={dogId} />}</Loaded>;
}
