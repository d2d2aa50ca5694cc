/** Today → Tub, noise and stock: the day's dogs at tub and dryer. What to mix, how long the air runs, and how much noise that is for one pair of ears. */
import { Link } from 'react-router';
import type { DayDog, DayPage } from '../../../contract/day.ts';
import { coatRow } from '../../../core/dog/index.ts';
import { sum } from '../../../core/quantity/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { dilutionOf, mixesOf, MOST_CONTACT_MINUTES, poured, useLabel, volume, type Label } from '../../app/tub.ts';
import { Loaded } from '../../app/state.tsx';
import { useDay } from '../../data/hooks.ts';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { NumberInput } from '../../ui/form/NumberInput.tsx';
import { clockText, longDay } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';
import { Cleaning } from './Cleaning.tsx';
import { Noise } from './Noise.tsx';
import { StockSheet } from './Stock.tsx';
import css from './tub.module.css';

const WAYS = [
  { value: 'parts', word: '1 to …' },
  { value: 'percent', word: 'per cent' },
] as const;

const UNITS = [
  { value: 'ml', word: 'ml and litres' },
  { value: 'floz', word: 'fl oz and gallons' },
] as const;

/** Tub and shelf share what the label says. */
function TubAndShelf({ page }: { page: DayPage }) {
  const [label, setLabel] = useLabel();
  const dilution = dilutionOf(label);
  const todayMl = dilution ? sum(mixesOf(page.dogs, dilution).map(({ mix }) => poured(mix.concentrateMl))) : 0;
  return (
    <>
      <Tub page={page} typed={label} setTyped={setLabel} />
      <StockSheet label={label} onLabel={setLabel} today={page.today} todayMl={todayMl} />
    </>
  );
}

function Tub({ page, typed, setTyped }: { page: DayPage; typed: Label; setTyped: (label: Label) => void }) {
  const ml = (value: number): string => volume(value, typed.unit);
  const dilution = dilutionOf(typed);
  const bathed = page.dogs.filter((d) => d.bathes);
  const mixes = dilution ? mixesOf(page.dogs, dilution) : [];
  return (
    <Sheet aria-labelledby="tub">
      <h2 id="tub">Tub: what to mix</h2>
      <div className={css.dilution}>
        <ChoiceGroup
          name="Dilution on the label"
          options={WAYS}
          value={typed.way}
          onPick={(way) => setTyped({ ...typed, way })}
        />
        <Field
          label={typed.way === 'parts' ? 'Parts of water to one' : 'Per cent of product'}
          error={
            dilution
              ? undefined
              : typed.way === 'parts'
                ? 'Parts are 0, neat, to 1000.'
                : 'Per cent is above 0, at most 100.'
          }
          id="dilution"
        >
          <NumberInput
            id="dilution"
            digits={typed.way === 'parts' ? 0 : 1}
            value={typed.way === 'parts' ? typed.parts : typed.percent}
            onChange={(n = 0) => setTyped({ ...typed, [typed.way]: n })}
          />
        </Field>
        <Field
          label="Minutes left on"
          id="contact"
          error={
            typed.contactMinutes < 0 || typed.contactMinutes > MOST_CONTACT_MINUTES
              ? `Minutes are 0 to ${MOST_CONTACT_MINUTES}.`
              : undefined
          }
        >
          <NumberInput
            id="contact"
            value={typed.contactMinutes}
            onChange={(n = 0) => setTyped({ ...typed, contactMinutes: n })}
          />
        </Field>
        <ChoiceGroup
          name="Poured in"
          options={UNITS}
          value={typed.unit}
          onPick={(unit) => setTyped({ ...typed, unit })}
        />
      </div>
      {bathed.length === 0 ? (
        <p>No dog of today is planned for a bath.</p>
      ) : (
        dilution && (
          <div className="wt-wide">
            <Table>
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
            </Table>
          </div>
        )
      )}
      <p className="wt-soft">
        1 to 10 is one part to ten of water, eleven in all. Amounts by surface and coat are guesses until you measure
        your own. The label goes before this; sore or flaking skin is for the vet’s shampoo. No human shampoo, no
        essential oils.
      </p>
    </Sheet>
  );
}

function Dogs({ dogs, timeZone }: { dogs: readonly DayDog[]; timeZone: string }) {
  return (
    <Sheet aria-labelledby="dogs">
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
    </Sheet>
  );
}

export function TubRoom() {
  const day = useDay();
  return (
    <>
      <div className="wt-title">
        <h1>Tub, noise and stock</h1>
        {day.data && <span className="wt-soft">{longDay(day.data.today)}</span>}
      </div>
      <Loaded query={day}>
        {(page) => (
          <div className={`wt-cols ${css.tubRoom}`}>
            <div className="wt-cols">
              <Dogs dogs={page.dogs} timeZone={page.timeZone} />
              <TubAndShelf page={page} />
            </div>
            <div>
              <Noise page={page} />
              <Cleaning page={page} />
            </div>
          </div>
        )}
      </Loaded>
    </>
  );
}
