/** What this house takes for care around the coat: minutes, and a price of its own where it has one. */
import type { UseFormReturn } from 'react-hook-form';
import { CARE } from '../../../core/dog/index.ts';
import type { HouseRules } from '../../../core/kit/index.ts';
import { Table } from '../../ui/Table.tsx';
import { MoneyField, NumberField } from '../../ui/form/fields.tsx';
import { capital } from '../../words/figures.ts';

interface Props {
  readonly form: UseFormReturn<HouseRules>;
  readonly currency: string;
}

export function CareTerms({ form, currency }: Props) {
  return (
    <fieldset className="mt-3">
      <legend className="fs-6">Care around the coat</legend>
      <p className="wt-soft">Where no price stands, its minutes are charged at the hourly rate.</p>
      <Table name="Care around the coat">
        <thead>
          <tr>
            <th scope="col">Care</th>
            <th scope="col">Minutes</th>
            <th scope="col">Price, {currency}</th>
          </tr>
        </thead>
        <tbody>
          {CARE.map(({ item, name }) => (
            <tr key={item}>
              <th scope="row">{capital(name)}</th>
              <td>
                <NumberField form={form} name={`care.${item}.minutes`} label={`Minutes for ${name}`} labelIs="unseen" />
              </td>
              <td>
                <MoneyField
                  form={form}
                  name={`care.${item}.cents`}
                  label={`Price of ${name}`}
                  labelIs="unseen"
                  placeholder="by the minute"
                />
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </fieldset>
  );
}
