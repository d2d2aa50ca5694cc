/** What this house takes for care around the coat: minutes, and a price of its own where it has one. */
import { Form } from 'react-bootstrap';
import { CARE, careMinutes, carePrice, type CareItem, type CareTerms as Terms } from '../../../core/dog/index.ts';
import type { HouseRules } from '../../../core/kit/index.ts';
import { capital } from '../../words/figures.ts';

interface Props {
  readonly house: HouseRules;
  readonly onChange: (care: HouseRules['care']) => void;
}

const CENTS = 100;

export function CareTerms({ house, onChange }: Props) {
  const change = (item: CareItem, terms: Terms): void =>
    onChange({ ...house.care, [item]: { ...house.care?.[item], ...terms } });
  return (
    <fieldset className="mt-3">
      <legend className="fs-6">Care around the coat</legend>
      <p className="wt-soft">Where no price stands, its minutes are charged at the hourly rate.</p>
      <div className="wt-wide" role="region" aria-label="Care around the coat" tabIndex={0}>
        <table className="wt-table">
          <thead>
            <tr>
              <th scope="col">Care</th>
              <th scope="col">Minutes</th>
              <th scope="col">Price, {house.rates.currency}</th>
            </tr>
          </thead>
          <tbody>
            {CARE.map(({ item, name }) => (
              <tr key={item}>
                <th scope="row">{capital(name)}</th>
                <td>
                  <Form.Control
                    type="number"
                    min={1}
                    max={60}
                    aria-label={`Minutes for ${name}`}
                    value={careMinutes(item, house)}
                    onChange={(e) => change(item, { minutes: Math.max(1, Math.round(Number(e.target.value))) })}
                  />
                </td>
                <td>
                  <Form.Control
                    type="number"
                    min={0}
                    step="any"
                    placeholder="by the minute"
                    aria-label={`Price of ${name}`}
                    value={(carePrice(item, house) ?? NaN) / CENTS || ''}
                    onChange={(e) =>
                      change(item, {
                        cents: e.target.value === '' ? undefined : Math.round(Number(e.target.value) * CENTS),
                      })
                    }
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </fieldset>
  );
}
