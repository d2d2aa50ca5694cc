/** A file without a salon: what it is called and where it stands, so that light and days are its own. */
import { useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { setUpSchema, type SetUp } from '../../contract/salon.ts';
import { Refusal } from '../app/state.tsx';
import { useSetUp } from '../data/door.ts';
import { Button } from '../ui/Button.tsx';
import { SchemaForm } from '../ui/form/SchemaForm.tsx';
import { TextField } from '../ui/form/fields.tsx';
import { useSchemaForm } from '../ui/form/useSchemaForm.ts';
import { PlaceField, type Place } from './PlaceField.tsx';
import { Threshold } from './Threshold.tsx';

/** What is kept of a place that was found. */
const placeOf = ({ town, timeZone, latitudeDeg, longitudeDeg }: Place): Place => ({
  town,
  timeZone,
  latitudeDeg,
  longitudeDeg,
});

export function SetUpSalon({ owner }: { owner: boolean }) {
  const setUp = useSetUp();
  const navigate = useNavigate();
  const form = useSchemaForm<SetUp>({ schema: setUpSchema, values: { name: '' } });
  const [town, latitudeDeg, longitudeDeg, timeZone] = useWatch({
    control: form.control,
    name: ['town', 'latitudeDeg', 'longitudeDeg', 'timeZone'],
  });
  if (!owner)
    return (
      <Threshold title="Not open yet" says="The owner has not said yet where this salon is. Ask them to sign in first.">
        {null}
      </Threshold>
    );
  const place = town === undefined ? undefined : { town, latitudeDeg, longitudeDeg, timeZone };
  const takePlace = (taken: Place | undefined): void =>
    form.reset({ name: form.getValues('name'), ...(taken && placeOf(taken)) }, { keepErrors: false });
  return (
    <Threshold title="Where is the salon?" says="Day length makes the tide: it is reckoned for this place.">
      <SchemaForm
        form={form}
        onSave={(draft) =>
          // The door opens as soon as there is a salon: it is to open on the first steps.
          void Promise.resolve(navigate('/desk/start', { replace: true })).then(() => setUp.mutate(draft))
        }
      >
        <TextField
          form={form}
          name="name"
          label="Name of the salon"
          className="mb-3"
          input={{ autoComplete: 'organization' }}
        />
        <PlaceField place={place} onPick={takePlace} />
        <Refusal error={setUp.error} />
        <Button type="submit" size="lg" disabled={setUp.isPending || !place}>
          Open the salon
        </Button>
      </SchemaForm>
    </Threshold>
  );
}
