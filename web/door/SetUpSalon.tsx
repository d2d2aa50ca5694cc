/** A file without a salon: where it stands, so that light and days are its own. */
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Refusal } from '../app/state.tsx';
import { useSetUp } from '../data/door.ts';
import { Threshold } from './Threshold.tsx';

export function SetUpSalon({ owner }: { owner: boolean }) {
  const setUp = useSetUp();
  const [draft, setDraft] = useState({
    name: '',
    town: '',
    latitude: '',
    longitude: '',
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  });
  const change =
    (key: keyof typeof draft) =>
    (e: { target: { value: string } }): void =>
      setDraft({ ...draft, [key]: e.target.value });
  if (!owner)
    return (
      <Threshold title="Not open yet" says="The owner has not said yet where this salon is. Ask them to sign in first.">
        {null}
      </Threshold>
    );
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const { name, town, latitude, longitude, timeZone } = draft;
    setUp.mutate({ name, town, timeZone, latitudeDeg: Number(latitude), longitudeDeg: Number(longitude) });
  };
  const FIELDS = [
    ['name', 'Name of the salon', 'text', true],
    ['town', 'Town', 'text', false],
    ['latitude', 'Latitude, degrees north (south is negative)', 'number', true],
    ['longitude', 'Longitude, degrees east (west is negative)', 'number', true],
    ['timeZone', 'Time zone', 'text', true],
  ] as const;
  return (
    <Threshold title="Where is the salon?" says="Day length makes the tide: it is reckoned for this place.">
      <Form onSubmit={submit}>
        {FIELDS.map(([key, label, type, required]) => (
          <Form.Group key={key} controlId={`set-up-${key}`} className="mb-3">
            <Form.Label>{label}</Form.Label>
            <Form.Control
              type={type}
              step="any"
              value={draft[key]}
              onChange={change(key)}
              required={required}
              autoComplete="off"
            />
          </Form.Group>
        ))}
        <Refusal error={setUp.error} />
        <Button type="submit" size="lg" disabled={setUp.isPending}>
          Open the salon
        </Button>
      </Form>
    </Threshold>
  );
}
