/** What the owner wishes of visits: days, how many a year they pay for, whom the dog knows, and who comes along. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { WishRecord } from '../../../contract/roster.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useRoster, useSaveWish, useWish } from '../../data/hooks.ts';
import { ISO_WEEKDAYS, weekdayName } from '../../words/dates.ts';

function WishForm({ dogId, wish }: { dogId: string; wish: WishRecord }) {
  const [w, setW] = useState(wish);
  const save = useSaveWish(dogId);
  const roster = useRoster();
  const put = (more: Partial<WishRecord>): void => setW((before) => ({ ...before, ...more }));
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate(w);
      }}
    >
      <fieldset className="mb-2">
        <legend className="fs-6">Comes on (none ticked: any day)</legend>
        {ISO_WEEKDAYS.map((day) => (
          <Form.Check
            key={day}
            inline
            type="checkbox"
            id={`wish-${day}`}
            label={weekdayName(day)}
            checked={w.weekdays.includes(day)}
            onChange={(e) =>
              put({ weekdays: e.target.checked ? [...w.weekdays, day].sort() : w.weekdays.filter((x) => x !== day) })
            }
          />
        ))}
      </fieldset>
      <Form.Group controlId="wish-most" className="mb-2">
        <Form.Label>Visits a year at most (empty: as many as are worth it)</Form.Label>
        <Form.Control
          type="number"
          min={0}
          max={200}
          value={w.mostVisits ?? ''}
          onChange={(e) => put({ mostVisits: e.target.value === '' ? null : Number(e.target.value) })}
        />
      </Form.Group>
      <Form.Group controlId="wish-with" className="mb-2">
        <Form.Label>Is worked by</Form.Label>
        <Form.Select value={w.person ?? ''} onChange={(e) => put({ person: e.target.value || null })}>
          <option value="">whoever is free</option>
          {(roster.data?.people ?? []).map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="wish-home" className="mb-2">
        <Form.Label>Comes together with dogs that have the same word here</Form.Label>
        <Form.Control value={w.household} maxLength={60} onChange={(e) => put({ household: e.target.value })} />
      </Form.Group>
      <Refusal error={save.error} />
      {save.isSuccess && <p role="status">Kept. The book plans by it.</p>}
      <Button type="submit" variant="outline-primary" disabled={save.isPending}>
        Keep these wishes
      </Button>
    </Form>
  );
}

export function Wishes({ dogId }: { dogId: string }) {
  return (
    <details className="wt-sheet">
      <summary>What the owner wishes</summary>
      <Loaded query={useWish(dogId)}>{(wish) => <WishForm key={wish.version} dogId={dogId} wish={wish} />}</Loaded>
    </details>
  );
}
