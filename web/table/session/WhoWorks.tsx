/** Whose hands work this session: what the log learns about pace is theirs. Remembered on this device. */
import { Form } from 'react-bootstrap';

const KEY = 'wt-worker';
const LONGEST = 40;

/** The name that was given last on this device. */
export function lastWorker(): string {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return '';
  }
}

export function keepWorker(name: string): void {
  try {
    localStorage.setItem(KEY, name);
  } catch {
    // A locked store only means that the name is asked again.
  }
}

export function WhoWorks({ name, onName }: { name: string; onName: (name: string) => void }) {
  return (
    <Form.Group controlId="who-works" className="wt-who">
      <Form.Label>Who works</Form.Label>
      <Form.Control
        value={name}
        maxLength={LONGEST}
        autoComplete="off"
        placeholder="anybody"
        onChange={(e) => onName(e.target.value)}
      />
    </Form.Group>
  );
}
