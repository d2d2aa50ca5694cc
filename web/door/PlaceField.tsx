/** Where the salon is: a town by how its name begins, out of the gazetteer; or by hand where it is in none. */
import { useId, useState } from 'react';
import type { PlaceFound } from '../../contract/salon.ts';
import { usePlaces } from '../data/door.ts';
import { Button } from '../ui/Button.tsx';
import { Field, Input } from '../ui/Field.tsx';
import { NumberInput } from '../ui/form/NumberInput.tsx';
import css from './door.module.css';

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
  const [town, setTown] = useState('');
  const [timeZone, setTimeZone] = useState(Intl.DateTimeFormat().resolvedOptions().timeZone);
  const [north, setNorth] = useState<number>();
  const [east, setEast] = useState<number>();
  return (
    <>
      <Field label="Town" id="place-town" className="mb-2">
        <Input value={town} autoComplete="off" onChange={(e) => setTown(e.target.value)} />
      </Field>
      <Field label="Latitude, degrees north (south is negative)" id="place-latitude" className="mb-2">
        <NumberInput id="place-latitude" digits={4} value={north} onChange={setNorth} />
      </Field>
      <Field label="Longitude, degrees east (west is negative)" id="place-longitude" className="mb-2">
        <NumberInput id="place-longitude" digits={4} value={east} onChange={setEast} />
      </Field>
      <Field label="Time zone" id="place-timeZone" className="mb-2">
        <Input value={timeZone} autoComplete="off" onChange={(e) => setTimeZone(e.target.value)} />
      </Field>
      <Button
        look="usual"
        disabled={north === undefined || east === undefined}
        onClick={() => {
          if (north !== undefined && east !== undefined)
            onPick({ town, latitudeDeg: north, longitudeDeg: east, timeZone });
        }}
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
        <Button look="plain" onClick={() => onPick(undefined)}>
          Another place
        </Button>
      </div>
    );
  if (byHand) return <ByHand onPick={onPick} />;
  return (
    <div className="mb-3">
      <Field id={id} label="Town">
        <Input
          value={find}
          autoComplete="off"
          placeholder="How its name begins"
          onChange={(e) => setFind(e.target.value)}
        />
      </Field>
      <ul className={css.placesFound} aria-label="Towns found">
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
      <Button look="plain" onClick={() => setByHand(true)}>
        It is in no list: give its degrees
      </Button>
    </div>
  );
}
