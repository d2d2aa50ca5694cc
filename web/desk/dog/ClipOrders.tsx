/** The exception to never clip: a vet's order or a surgery, with who gave it and when. The plan takes it. */
import { useState } from 'react';
import { clipOrderSchema, type ClipOrderRecord, type DogRecord } from '../../../contract/dog.ts';
import { CLIP_REASONS, REGIONS, ZONE_IDS, zone, type ClipReason, type Region } from '../../../core/dog/index.ts';
import { formatDay, type Day } from '../../../core/quantity/index.ts';
import { Refusal } from '../../app/state.tsx';
import { useOrderClips } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { Ticks } from '../../ui/form/Ticks.tsx';
import { DayField, SelectField, TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { dateText } from '../../words/dates.ts';
import { capital } from '../../words/figures.ts';
import { whereText } from '../../words/places.ts';

const REASON_WORDS: Readonly<Record<ClipReason, string>> = { vet: 'a vet’s order', surgery: 'for a surgery' };

interface FormProps {
  readonly today: Day;
  readonly busy: boolean;
  readonly onKeep: (order: ClipOrderRecord) => void;
}

const WHYS = CLIP_REASONS.map((r) => [r, capital(REASON_WORDS[r])] as const);
/** Zones are said by the parts of the body, both sides at once. */
const AREAS = REGIONS.map(({ region, name }) => ({ value: region, word: name }));

function OrderForm({ today, busy, onKeep }: FormProps) {
  const form = useSchemaForm<ClipOrderRecord>({
    schema: clipOrderSchema,
    values: { day: formatDay(today), who: '', why: 'vet', zones: [] },
  });
  const [regions, setRegions] = useState<readonly Region[]>([]);
  const pick = (chosen: readonly Region[]): void => {
    setRegions(chosen);
    form.setValue(
      'zones',
      ZONE_IDS.filter((id) => chosen.includes(zone(id).region)),
      {
        shouldValidate: form.formState.isSubmitted,
      },
    );
  };
  const wrong = form.formState.errors.zones;
  return (
    <SchemaForm form={form} onSave={onKeep}>
      <div className="wt-formgrid">
        <TextField form={form} name="who" label="Who ordered it" />
        <DayField form={form} name="day" label="When" max={formatDay(today)} />
        <SelectField form={form} name="why" label="Why" options={WHYS} />
      </div>
      <Ticks
        label="Where, both sides"
        className="mt-2"
        options={AREAS}
        chosen={regions}
        onPick={pick}
        error={wrong && 'please choose where'}
      />
      <Button type="submit" className="mt-2" disabled={busy}>
        Keep the order
      </Button>
    </SchemaForm>
  );
}

interface Props {
  readonly dog: DogRecord;
  readonly today: Day;
}

export function ClipOrders({ dog, today }: Props) {
  const save = useOrderClips(dog.id);
  const [open, setOpen] = useState(false);
  const { clipOrders } = dog;
  const keep = (orders: readonly ClipOrderRecord[]): void => save.mutate({ orders });
  return (
    <Sheet as="div">
      <Disclosure
        head={
          clipOrders.length === 0
            ? 'Clip by a vet’s order'
            : `Clip by order: ${clipOrders.map((o) => o.who).join(', ')}`
        }
        onOpen={() => setOpen(true)}
      >
        <p className="wt-soft">
          A double coat is never clipped for coolness. A vet’s order or a surgery is the exception: it is kept with who
          gave it and when, and the next plan clips there.
        </p>
        <ul className="wt-bare wt-rules">
          {clipOrders.map((o, i) => (
            <li key={`${o.day} ${o.who} ${o.zones.join()}`}>
              {dateText(o.day)}: {o.who}, {REASON_WORDS[o.why]}, {whereText(o.zones, ZONE_IDS)}.{' '}
              <Button
                size="sm"
                look="usual"
                disabled={save.isPending}
                onClick={() => keep(clipOrders.filter((_, at) => at !== i))}
              >
                Take back
              </Button>
            </li>
          ))}
        </ul>
        {open && (
          <OrderForm
            // A kept order leaves a fresh form.
            key={clipOrders.length}
            today={today}
            busy={save.isPending}
            onKeep={(order) => keep([...clipOrders, order])}
          />
        )}
        <Refusal error={save.error} />
      </Disclosure>
    </Sheet>
  );
}
