/** Desk → Today: the day's dogs at tub and dryer. What to mix, how long the air runs, and how much noise that is for one pair of ears. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { DayDog, DayPage } from '../../../contract/day.ts';
import { coatRow } from '../../../core/dog/index.ts';
import { productFor, type Dilution } from '../../../core/water/index.ts';
import { sum } from '../../../core/quantity/index.ts';
import { Pick } from '../../app/Pick.tsx';
import { Loaded } from '../../app/state.tsx';
import { useDay } from '../../data/hooks.ts';
import { clockText, longDay } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';
import { Noise } from './Noise.tsx';

const KEY = 'woolly-tide.dilution';
interface Typed {
  readonly way: 'parts' | 'percent';
  readonly parts: number;
  readonly percent: number;
}
const USUAL: Typed = { way: 'parts', parts: 10, percent: 5 };

/** The dilution on the label, as it was last set on this device. */
function useDilution(): readonly [Typed, (t: Typed) => void] {
  const [typed, setTyped] = useState<Typed>(() => {
    try {
      const kept: Partial<Typed> = JSON.parse(localStorage.getItem(KEY) ?? '{}');
      return { ...USUAL, ...kept };
    } catch {
      return USUAL;
    }
  });
  return [
    typed,
    (t) => {
      localStorage.setItem(KEY, JSON.stringify(t));
      setTyped(t);
    },
  ];
}

/** The dilution that was typed, where it is one. */
function dilutionOf({ way, parts, percent }: Typed): Dilution | undefined {
  if (way === 'parts') return parts >= 0 && parts <= 1000 ? { parts } : undefined;
  return percent > 0 && percent <= 100 ? { percent } : undefined;
}

const WAYS = [
  { value: 'parts', word: '1 to …' },
  { value: 'percent', word: 'per cent' },
] as const;

/** As fine as a jug shows: fives of millilitres, fifties from a litre on. */
const poured = (value: number): number => {
  const step = value >= 1000 ? 50 : 5;
  return Math.round(value / step) * step;
};
const ml = (value: number): string =>
  value >= 1000 ? `${(poured(value) / 1000).toFixed(2)}\u00a0l` : `${poured(value)}\u00a0ml`;

function Tub({ page }: { page: DayPage }) {
  const [typed, setTyped] = useDilution();
  const dilution = dilutionOf(typed);
  const bathed = page.dogs.filter((d) => d.bathes);
  const mixes = dilution ? bathed.map((d) => ({ d, mix: productFor(d.weightKg, d.coatClass, dilution) })) : [];
  return (
    <section className="wt-sheet" aria-labelledby="tub">
      <h2 id="tub">Tub: what to mix</h2>
      <div className="wt-dilution">
        <Pick
          name="Dilution on the label"
          options={WAYS}
          value={typed.way}
          onPick={(way) => setTyped({ ...typed, way })}
        />
        <Form.Group controlId="dilution">
          <Form.Label>{typed.way === 'parts' ? 'Parts of water to one' : 'Per cent of product'}</Form.Label>
          <Form.Control
            type="number"
            min={0}
            step={typed.way === 'parts' ? 1 : 0.5}
            value={typed.way === 'parts' ? typed.parts : typed.percent}
            isInvalid={!dilution}
            onChange={(e) => setTyped({ ...typed, [typed.way]: Number(e.target.value) })}
          />
          <Form.Control.Feedback type="invalid">
            {typed.way === 'parts' ? 'Parts are 0, neat, to 1000.' : 'Per cent is above 0, at most 100.'}
          </Form.Control.Feedback>
        </Form.Group>
      </div>
      {bathed.length === 0 ? (
        <p>No dog of today is planned for a bath.</p>
      ) : (
        dilution && (
          <div className="wt-scroll">
            <table className="wt-table">
              <thead>
                <tr>
                  <th scope="col">Dog</th>
                  <th scope="col" className="wt-num">
                    Product
                  </th>
                  <th scope="col" className="wt-num">
                    Water
                  </th>
                </tr>
              </thead>
              <tbody>
                {mixes.map(({ d, mix }) => (
                  <tr key={d.dogId}>
                    <td>
                      {d.name} <span className="wt-soft">two washes, {coatRow(d.coatClass).name}</span>
                    </td>
                    <td className="wt-num">{ml(mix.concentrateMl)}</td>
                    <td className="wt-num">{ml(mix.waterMl)}</td>
                  </tr>
                ))}
              </tbody>
              <tfoot>
                <tr>
                  <th scope="row">The day</th>
                  <td className="wt-num">{ml(sum(mixes.map((m) => poured(m.mix.concentrateMl))))}</td>
                  <td className="wt-num">{ml(sum(mixes.map((m) => poured(m.mix.waterMl))))}</td>
                </tr>
              </tfoot>
            </table>
          </div>
        )
      )}
      <p className="wt-soft">
        1 to 10 is one part to ten of water, eleven in all. Amounts by surface and coat are guesses until you measure
        your own. The label goes before this; sore or flaking skin is for the vet’s shampoo. No human shampoo, no
        essential oils.
      </p>
    </section>
  );
}

function Dogs({ dogs, timeZone }: { dogs: readonly DayDog[]; timeZone: string }) {
  return (
    <section className="wt-sheet" aria-labelledby="dogs">
      <h2 id="dogs">Dogs</h2>
      {dogs.length === 0 ? (
        <p>Nobody is booked today.</p>
      ) : (
        <ul className="wt-bare wt-rules">
          {dogs.map((d) => (
            <li key={`${d.dogId} ${d.startsAt}`}>
              {clockText(d.startsAt, timeZone)} <Link to={`/desk/dogs/${d.dogId}`}>{d.name}</Link>{' '}
              <span className="wt-soft">
                {d.method
                  ? `${methodName(d.method)}; air ${minutesText(sum(d.dryers.map((x) => x.minutes)))}`
                  : 'no plan yet: feel the coat first'}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

export function DayRoom() {
  const day = useDay();
  return (
    <>
      <div className="wt-title">
        <h1>Today</h1>
        {day.data && <span className="wt-soft">{longDay(day.data.today)}</span>}
      </div>
      <Loaded query={day}>
        {(page) => (
          <div className="wt-cols wt-kit">
            <div className="wt-cols">
              <Dogs dogs={page.dogs} timeZone={page.timeZone} />
              <Tub page={page} />
            </div>
            <Noise page={page} />
          </div>
        )}
      </Loaded>
    </>
  );
}
