/** Where the salon is: a town by how its name begins, out of the gazetteer; or by hand where it is in none. */
import { useId, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { PlaceFound } from '../../contract/salon.ts';
import { usePlaces } from '../data/door.ts';

export interface Place {
  readonly town: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly timeZone: string;
}

const countryName = (code: string): string => {
  try {
    return new Intl.DisplayNames('en', { type: 'region' }).of(code) ?? code;
  } catch {
    return code;
  }
};

const degrees = (value: number, plus: string, minus: string): string =>
  `${Math.abs(value).toFixed(2)}° ${value < 0 ? minus : plus}`;
export const placeText = (p: Place): string =>
  `${degrees(p.latitudeDeg, 'north', 'south')}, ${degrees(p.longitudeDeg, 'east', 'west')}, ${p.timeZone}`;

function ByHand({ onPick }: { onPick: (place: Place) => void }) {
  const [draft, setDraft] = useState({
    town: '',
    latitude: '',
    longitude: '',
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  });
  const FIELDS = [
    ['town', 'Town', 'text'],
    ['latitude', 'Latitude, degrees north (south is negative)', 'number'],
    ['longitude', 'Longitude, degrees east (west is negative)', 'number'],
    ['timeZone', 'Time zone', 'text'],
  ] as const;
  const ready = draft.latitude !== '' && draft.longitude !== '';
  return (
    <>
      {FIELDS.map(([key, label, type]) => (
        <Form.Group key={key} controlId={`place-${key}`} className="mb-2">
          <Form.Label>{label}</Form.Label>
          <Form.Control
            type={type}
            step="any"
            value={draft[key]}
            autoComplete="off"
            onChange={(e) => setDraft({ ...draft, [key]: e.target.value })}
          />
        </Form.Group>
      ))}
      <Button
        variant="outline-primary"
        disabled={!ready}
        onClick={() =>
          onPick({
            town: draft.town,
            latitudeDeg: Number(draft.latitude),
            longitudeDeg: Number(draft.longitude),
            timeZone: draft.timeZone,
          })
        }
      >
        Take this place
      </Button>
    </>
  );
}

export function PlaceField({
  place,
  onPick,
}: {
  place: Place | undefined;
  onPick: (place: Place | undefined) => void;
}) {
  const [find, setFind] = useState('');
  const [byHand, setByHand] = useState(false);
  const found = usePlaces(find);
  const id = useId();
  const places: readonly PlaceFound[] = found.data?.places ?? [];
  if (place)
    return (
      <div className="wt-place mb-3" role="status">
        <p>
          <strong>{place.town === '' ? 'This place' : place.town}</strong>
          <span className="wt-soft"> {placeText(place)}</span>
        </p>
        <button type="button" className="wt-plain" onClick={() => onPick(undefined)}>
          Another place
        </button>
      </div>
    );
  if (byHand) return <ByHand onPick={onPick} />;
  return (
    <div className="mb-3">
      <Form.Label htmlFor={id}>Town</Form.Label>
      <Form.Control
        id={id}
        value={find}
        autoComplete="off"
        placeholder="How its name begins"
        onChange={(e) => setFind(e.target.value)}
      />
      <ul className="wt-places-found" aria-label="Towns found">
        {places.map((p) => (
          <li key={`${p.name} ${p.country} ${p.latitudeDeg}`}>
            <button type="button" onClick={() => onPick({ ...p, town: p.name })}>
              {p.name}, {countryName(p.country)}
              <span className="wt-soft"> {degrees(p.latitudeDeg, 'north', 'south')}</span>
            </button>
          </li>
        ))}
      </ul>
      <p role="status" className="wt-soft">
        {find.length > 1 && found.data && places.length === 0 ? 'No town begins like that.' : ''}
      </p>
      <button type="button" className="wt-plain" onClick={() => setByHand(true)}>
        It is in no list: give its degrees
      </button>
    </div>
  );
}
