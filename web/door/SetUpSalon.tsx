/** A file without a salon: what it is called and where it stands, so that light and days are its own. */
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { Refusal } from '../app/state.tsx';
import { useSetUp } from '../data/door.ts';
import { PlaceField, type Place } from './PlaceField.tsx';
import { Threshold } from './Threshold.tsx';

export function SetUpSalon({ owner }: { owner: boolean }) {
  const setUp = useSetUp();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [place, setPlace] = useState<Place>();
  if (!owner)
    return (
      <Threshold title="Not open yet" says="The owner has not said yet where this salon is. Ask them to sign in first.">
        {null}
      </Threshold>
    );
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!place) return;
    const { town, timeZone, latitudeDeg, longitudeDeg } = place;
    // The door opens as soon as there is a salon: it is to open on the first steps.
    void Promise.resolve(navigate('/desk/start', { replace: true })).then(() =>
      setUp.mutate({ name, town, timeZone, latitudeDeg, longitudeDeg }),
    );
  };
  return (
    <Threshold title="Where is the salon?" says="Day length makes the tide: it is reckoned for this place.">
      <Form onSubmit={submit}>
        <Form.Group controlId="set-up-name" className="mb-3">
          <Form.Label>Name of the salon</Form.Label>
          <Form.Control value={name} onChange={(e) => setName(e.target.value)} required autoComplete="organization" />
        </Form.Group>
        <PlaceField place={place} onPick={setPlace} />
        <Refusal error={setUp.error} />
        <Button type="submit" size="lg" disabled={setUp.isPending || !place}>
          Open the salon
        </Button>
      </Form>
    </Threshold>
  );
}
