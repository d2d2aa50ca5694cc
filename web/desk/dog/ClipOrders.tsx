/** The exception to never clip: a vet's order or a surgery, with who gave it and when. The plan takes it. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { ClipOrderRecord, DogRecord } from '../../../contract/dog.ts';
import { CLIP_REASONS, REGIONS, ZONE_IDS, zone, type ClipReason, type Region } from '../../../core/dog/index.ts';
import { formatDay, type Day } from '../../../core/quantity/index.ts';
import { Refusal } from '../../app/state.tsx';
import { useOrderClips } from '../../data/hooks.ts';
import { dateText } from '../../words/dates.ts';
import { capital } from '../../words/figures.ts';
import { whereText } from '../../words/places.ts';

const REASON_WORDS: Readonly<Record<ClipReason, string>> = { vet: 'a vet’s order', surgery: 'for a surgery' };

interface FormProps {
  readonly today: Day;
  readonly busy: boolean;
  readonly onKeep: (order: ClipOrderRecord) => void;
}

function OrderForm({ today, busy, onKeep }: FormProps) {
  const [who, setWho] = useState('');
  const [why, setWhy] = useState<ClipReason>('vet');
  const [day, setDay] = useState(formatDay(today));
  const [regions, setRegions] = useState<readonly Region[]>([]);
  const zones = ZONE_IDS.filter((id) => regions.includes(zone(id).region));
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        onKeep({ day, who: who.trim(), why, zones });
      }}
    >
      <div className="wt-formgrid">
        <Form.Group controlId="clip-who">
          <Form.Label>Who ordered it</Form.Label>
          <Form.Control value={who} maxLength={80} required onChange={(e) => setWho(e.target.value)} />
        </Form.Group>
        <Form.Group controlId="clip-day">
          <Form.Label>When</Form.Label>
          <Form.Control type="date" value={day} required onChange={(e) => setDay(e.target.value)} />
        </Form.Group>
        <Form.Group controlId="clip-why">
          <Form.Label>Why</Form.Label>
          <Form.Select value={why} onChange={(e) => setWhy(CLIP_REASONS.find((r) => r === e.target.value) ?? 'vet')}>
            {CLIP_REASONS.map((r) => (
              <option key={r} value={r}>
                {capital(REASON_WORDS[r])}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      <fieldset className="mt-2">
        <legend className="fs-6">Where, both sides</legend>
        <div className="wt-acts">
          {REGIONS.map(({ region, name }) => (
            <Form.Check
              key={region}
              id={`clip-${region}`}
              type="checkbox"
              label={name}
              checked={regions.includes(region)}
              onChange={(e) =>
                setRegions((now) => (e.target.checked ? [...now, region] : now.filter((r) => r !== region)))
              }
            />
          ))}
        </div>
      </fieldset>
      <Button type="submit" className="mt-2" disabled={busy || zones.length === 0 || who.trim() === ''}>
        Keep the order
      </Button>
    </Form>
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
    <details className="wt-sheet" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        {clipOrders.length === 0
          ? 'Clip by a vet’s order'
          : `Clip by order: ${clipOrders.map((o) => o.who).join(', ')}`}
      </summary>
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
              variant="outline-primary"
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
    </details>
  );
}
