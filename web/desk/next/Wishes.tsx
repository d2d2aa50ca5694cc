/** What the owner wishes of visits: days, how many a year they pay for, whom the dog knows, and who comes along. */
import { wishSchema, type WishRecord } from '../../../contract/roster.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useRoster, useSaveWish, useWish } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { ManyField, NumberField, SelectField, TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { weekdaysHere } from '../../words/dates.ts';

function WishForm({ dogId, wish }: { dogId: string; wish: WishRecord }) {
  const save = useSaveWish(dogId);
  const roster = useRoster();
  const form = useSchemaForm<WishRecord>({ schema: wishSchema, values: wish });
  const people = (roster.data?.people ?? []).map((p) => [p.id, p.name] as const);
  return (
    <SchemaForm form={form} onSave={(w) => save.mutate(w)}>
      <ManyField
        form={form}
        name="weekdays"
        label="Comes on (none ticked: any day)"
        className="mb-2"
        options={weekdaysHere()}
      />
      <NumberField
        form={form}
        name="mostVisits"
        label="Visits a year at most (empty: as many as are worth it)"
        className="mb-2"
        empty="null"
      />
      <SelectField
        form={form}
        name="person"
        label="Is worked by"
        className="mb-2"
        empty="null"
        options={[['', 'whoever is free'], ...people]}
      />
      <TextField
        form={form}
        name="household"
        label="Comes together with dogs that have the same word here"
        className="mb-2"
      />
      <Refusal error={save.error} />
      {save.isSuccess && <p role="status">Kept. The book plans by it.</p>}
      <Button type="submit" look="usual" disabled={save.isPending}>
        Keep these wishes
      </Button>
    </SchemaForm>
  );
}

export function Wishes({ dogId }: { dogId: string }) {
  return (
    <Sheet as="div">
      <Disclosure head="What the owner wishes">
        <Loaded query={useWish(dogId)}>{(wish) => <WishForm key={wish.version} dogId={dogId} wish={wish} />}</Loaded>
      </Disclosure>
    </Sheet>
  );
}
