/** Putting a record right: a weight that was wrong, or one that nobody took. It is a new event; what it was stays on show. */
import { useWatch } from 'react-hook-form';
import { stepGramsSchema } from '../../../contract/session.ts';
import { inOrder, standingEvents, type SessionAct } from '../../../core/table/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { NumberField, SelectField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import type { Table } from '../session/useTable.ts';
import tableCss from '../table.module.css';

interface StepGrams {
  readonly step: string;
  readonly grams: number;
}

export function PutRight({ table, stepName }: { table: Table; stepName: (id: string) => string }) {
  const { record, view, tell } = table;
  const form = useSchemaForm<StepGrams>({
    schema: stepGramsSchema,
    values: { step: record.steps[0]?.id ?? '' },
  });
  const step = useWatch({ control: form.control, name: 'step' });
  const { undone } = standingEvents(view.events);
  const weighings = inOrder(view.events).filter(
    (e) => !undone.has(e.id) && e.act.kind === 'weighed' && e.act.step === step && e.act.zone === undefined,
  );
  const write = ({ grams }: StepGrams): void => {
    const act: SessionAct = { kind: 'weighed', step, grams, by: 'hand' };
    const last = weighings.at(-1);
    // The bags of a step are put right as one: the last said, those before it said to be nothing.
    const corrections = weighings
      .slice(0, -1)
      .map((e): SessionAct => ({ kind: 'corrected', of: e.id, act: { kind: 'weighed', step, grams: 0, by: 'hand' } }));
    void tell(...corrections, last ? { kind: 'corrected', of: last.id, act } : act);
    form.resetField('grams');
  };
  return (
    <Sheet as="div">
      <Disclosure head="Put a weight right">
        <SchemaForm form={form} className={`${tableCss.weigh ?? ''} flex-wrap`} onSave={write}>
          <SelectField
            form={form}
            name="step"
            label="Step"
            options={record.steps.map((s) => [s.id, stepName(s.id)] as const)}
          />
          <NumberField form={form} name="grams" label="Hair in all, g" digits={1} />
          <Button type="submit" look="usual">
            {weighings.length > 0 ? 'Put it right' : 'Write it down'}
          </Button>
        </SchemaForm>
      </Disclosure>
    </Sheet>
  );
}
