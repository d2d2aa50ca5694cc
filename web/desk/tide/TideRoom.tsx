/** Desk → Tide: the caseload's year against the salon's hours, and whom to call before their blow. */
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { TideFile } from '../../../contract/tide.ts';
import { COAT_CLASSES, coatRow } from '../../../core/dog/index.ts';
import { askAfter, callList, lightSeasons, type DogTide, type LearntBook } from '../../../core/tide/index.ts';
import { addDays, day } from '../../../core/quantity/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Deferred } from '../../app/Deferred.tsx';
import { Loaded } from '../../app/state.tsx';
import { useTideBook } from '../../data/hooks.ts';
import { Keepable } from '../../drawing/Keepable.tsx';
import { TideChart } from '../../drawing/TideChart.tsx';
import type { Measure, SeaGroup } from '../../drawing/sea-levels.ts';
import { ButtonLink } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { capital } from '../../words/figures.ts';
import { currentShift, shiftText } from '../../words/tide.ts';
import { Calls } from './Calls.tsx';
import { Learning } from './Learning.tsx';
import css from './tide.module.css';

const MEASURES: readonly Measure[] = ['hours', 'grams'];
const ORDERS = ['coat', 'owner', 'urgency'] as const;
type Order = (typeof ORDERS)[number];
const LETTERS = ['A–F', 'G–L', 'M–R', 'S–Z'] as const;

/** Dogs in layers, the layer's own order by who starts first. */
function layersBy(order: Order, file: TideFile, dogs: readonly DogTide[]): readonly SeaGroup[] {
  const byId = new Map(file.dogs.map((d) => [d.id, d]));
  const startOf = (t: DogTide): number => t.starts[0]?.likely ?? Infinity;
  const sorted = [...dogs].sort((a, b) => startOf(a) - startOf(b));
  const layer = (name: string, of: (t: DogTide) => boolean): SeaGroup => ({ name, dogs: sorted.filter(of) });
  const layers =
    order === 'coat'
      ? COAT_CLASSES.map((c) => layer(coatRow(c).name, (t) => byId.get(t.id)?.dog.coatClass === c))
      : order === 'owner'
        ? LETTERS.map((span) => {
            const [from = 'A', to = 'Z'] = span.split('–');
            return layer(`owners ${span}`, (t) => {
              const letter = (byId.get(t.id)?.owner ?? '').normalize('NFD').charAt(0).toUpperCase();
              return letter >= from && letter <= to;
            });
          })
        : [
            layer('under way', (t) => startOf(t) <= file.today),
            layer('starts within three weeks', (t) => startOf(t) > file.today && startOf(t) <= file.today + 21),
            layer('starts later', (t) => startOf(t) > file.today + 21),
          ];
  return layers.filter((l) => l.dogs.length > 0);
}

/** Whose blow is near, and who else is due: of one list, so that it never contradicts it. */
function callsText(starting: number, due: number): string {
  const many = (n: number): string => (n === 1 ? 'one dog' : `${n} dogs`);
  const blow = starting > 0 && `${many(starting)} ${starting === 1 ? 'starts' : 'start'} to blow`;
  const full = due > 0 && `${many(due)} ${blow ? 'more ' : ''}${due === 1 ? 'is' : 'are'} due`;
  if (!blow && !full) return 'Everybody who blows or is due within three weeks has a date.';
  return capital(`${[blow, full].filter((t) => t !== false).join(' and ')} within three weeks without a date.`);
}

function Learnt({ file, learnt }: { file: TideFile; learnt: LearntBook }) {
  const [params, setParams] = useSearchParams();
  const put = (more: Readonly<Record<string, string | undefined>>): void =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [k, v] of Object.entries(more)) {
          if (v === undefined) next.delete(k);
          else next.set(k, v);
        }
        return next;
      },
      { replace: true },
    );
  const measure = MEASURES.find((m) => m === params.get('show')) ?? 'hours';
  const order = ORDERS.find((o) => o === params.get('by')) ?? 'coat';
  const days = learnt.sea.minutes.likely.length;
  const first = Math.max(0, Number(params.get('from') ?? 0) || 0);
  const last = Math.min(days, Number(params.get('to') ?? days) || days);
  const picked = params.get('dog') ?? undefined;
  const groups = useMemo(() => layersBy(order, file, learnt.dogs), [order, file, learnt.dogs]);
  const [calls, asked] = useMemo(() => [callList(file, learnt), askAfter(file)] as const, [file, learnt]);
  const starting = calls.filter((c) => c.start);
  const names = useMemo(() => new Map(file.dogs.map((d) => [d.id, d.name])), [file]);
  const booked = useMemo(() => file.dogs.flatMap((d) => d.booked.map((b) => ({ day: b.day, name: d.name }))), [file]);
  const shift = useMemo(() => {
    const seasons = lightSeasons(file.place, addDays(day(learnt.from), -60), addDays(day(learnt.from), 400));
    return currentShift(learnt, (key) => seasons.find((s) => s.key === key)?.usual);
  }, [file, learnt]);
  return (
    <>
      <p className="wt-lead">
        {shift && `${shiftText(shift)} `}
        {callsText(starting.length, calls.length - starting.length)}
        {learnt.town.trust < 0.5 && ' Light gives hardly a season here: forecasts rest on each dog’s own log.'}
      </p>
      <div className={css.tideRoom}>
        <Sheet aria-label="The sea">
          <div className="wt-acts">
            <ChoiceGroup
              name="The sea is"
              options={MEASURES.map((m) => ({ value: m, word: m === 'hours' ? 'hours of work' : 'grams in coats' }))}
              value={measure}
              onPick={(m) => put({ show: m === 'hours' ? undefined : m })}
            />
            <ChoiceGroup
              name="In layers by"
              options={ORDERS.map((o) => ({ value: o, word: o }))}
              value={order}
              onPick={(o) => put({ by: o === 'coat' ? undefined : o })}
            />
          </div>
          <Deferred instead={<div className={css.tidePlace} />}>
            <Keepable name="the tide">
              <TideChart
                learnt={learnt}
                groups={groups}
                measure={measure}
                quayHours={file.minutesPerWeek / 60}
                booked={booked}
                nameOf={(id) => names.get(id) ?? id}
                picked={picked}
                onPick={(id) => put({ dog: id })}
                window={[first, last]}
                onWindow={([a, b]) =>
                  put({ from: a <= 0 ? undefined : String(a), to: b >= days ? undefined : String(b) })
                }
              />
            </Keepable>
          </Deferred>
          {picked && names.has(picked) && (
            <p className="mt-2">
              <Link to={`/desk/dogs/${picked}/tide`}>{capital(names.get(picked) ?? '')}’s tide</Link>
            </p>
          )}
        </Sheet>
        <Calls calls={calls} asked={asked} today={learnt.from} />
      </div>
    </>
  );
}

export function TideRoom() {
  const query = useTideBook();
  return (
    <>
      <div className="wt-title">
        <h1>Tide</h1>
        <span className="wt-soft">who blows their coat when, and whether the week holds it</span>
        <div className="wt-acts">
          <ButtonLink to="/desk/reports/forecasts">How good are we</ButtonLink>
        </div>
      </div>
      <Loaded query={query}>
        {(file) =>
          file.dogs.length === 0 ? (
            <EmptyState>
              No dogs yet. <Link to="/desk/dogs/new">The first dog</Link> starts the tide.
            </EmptyState>
          ) : (
            <Learning file={file}>{(learnt) => <Learnt file={file} learnt={learnt} />}</Learning>
          )
        }
      </Loaded>
    </>
  );
}
