/** Desk → Safe: that nothing is lost, and that everything can leave. */
import { Download, ShieldCheck } from 'lucide-react';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Forgotten, JobRecord, SafePage } from '../../../contract/safe.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { confirmedFirst } from '../../data/door.ts';
import { exportUrl, useForget, useMakeBackup, useMakeExport, useSafe } from '../../data/safe.ts';
import { useDogs } from '../../data/hooks.ts';
import { useMoment } from '../../app/useMoment.ts';
import { bytesText, listText } from '../../words/figures.ts';
import './safe.css';

const isOpen = (j: JobRecord): boolean => j.state === 'waiting' || j.state === 'running';
const STATE_WORDS: Readonly<Record<JobRecord['state'], string>> = {
  waiting: 'waits',
  running: 'is being made …',
  done: 'is ready',
  failed: 'was not made',
};

function Backups({ page }: { page: SafePage }) {
  const make = useMakeBackup();
  const moment = useMoment();
  const [newest, ...older] = page.backups;
  const open = page.jobs.find((j) => j.kind === 'backup' && isOpen(j));
  const [last] = page.jobs.filter((j) => j.kind === 'backup');
  return (
    <section className="wt-sheet" aria-labelledby="backups">
      <h2 id="backups">
        <ShieldCheck aria-hidden size={22} /> Backups
      </h2>
      {newest ? (
        <p>
          The newest is of <strong>{moment(newest.atMs)}</strong>; it was opened and looked through.
        </p>
      ) : (
        <p>There is none yet. The first is made half a minute after the start, then one a day.</p>
      )}
      <p className="wt-soft">Kept: one of each of 7 days, 4 weeks and 12 months.</p>
      <Refusal error={make.error} />
      {last?.state === 'failed' && <p className="wt-note wt-note-stop">The last one was not made: {last.problem}.</p>}
      <Button
        variant="outline-primary"
        onClick={() => make.mutate(undefined)}
        disabled={make.isPending || open !== undefined}
      >
        {open ? 'It is being made …' : 'Make one now'}
      </Button>
      {older.length > 0 && (
        <details className="mt-3">
          <summary>{page.backups.length} backups</summary>
          <table className="wt-table">
            <thead>
              <tr>
                <th scope="col">Of</th>
                <th scope="col">File</th>
                <th scope="col" className="wt-num">
                  Size
                </th>
              </tr>
            </thead>
            <tbody>
              {page.backups.map((b) => (
                <tr key={b.name}>
                  <td>{moment(b.atMs)}</td>
                  <td>{b.name}</td>
                  <td className="wt-num">{bytesText(b.bytes)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      )}
      <details className="mt-3">
        <summary>Going back to one</summary>
        <p className="mt-2">
          It is done on the salon’s computer, with the program ended; the file that is there now is kept beside it:
        </p>
        <pre className="wt-command">npm run safe -- restore --data {page.folder ?? 'FOLDER'}</pre>
      </details>
    </section>
  );
}

function TakeOut({ page }: { page: SafePage }) {
  const make = useMakeExport();
  const moment = useMoment();
  const jobs = page.jobs.filter((j) => j.kind === 'export');
  return (
    <section className="wt-sheet" aria-labelledby="take-out">
      <h2 id="take-out">
        <Download aria-hidden size={22} /> Take everything out
      </h2>
      <p>
        One zip: a JSON document with all there is and its schema, each table as CSV, the bookings as a calendar, the
        photos. It can be read in again whole. Passphrases and PINs stay here.
      </p>
      <Refusal error={make.error} />
      <Button onClick={() => make.mutate(undefined)} disabled={make.isPending || jobs.some(isOpen)}>
        {jobs.some(isOpen) ? 'The zip is being made …' : 'Make the zip'}
      </Button>
      <ul className="wt-jobs" aria-live="polite">
        {jobs.map((j) => (
          <li key={j.id}>
            {j.state === 'done' ? (
              <a
                href={exportUrl(j.id)}
                download
                onClick={(e) => {
                  e.preventDefault();
                  void confirmedFirst().then((open) => open && window.location.assign(exportUrl(j.id)));
                }}
              >
                {j.file}
              </a>
            ) : (
              <span>The zip {STATE_WORDS[j.state]}</span>
            )}
            <span className="wt-soft">
              {' '}
              {moment(j.madeMs)}
              {j.problem === null ? '' : `: ${j.problem}`}
            </span>
          </li>
        ))}
      </ul>
      <p className="wt-soft">
        A zip holds names, numbers and notes of your clients: keep it where nobody else looks. It lies ready for a day.
      </p>
    </section>
  );
}

/** How long copies that were made before still hold who was forgotten. */
function copiesText(copies: Forgotten['copies'], moment: (ms: number) => string): string {
  if (copies.length === 0) return 'There is no backup or other copy that still holds them.';
  const last = Math.max(...copies.map((c) => c.goneByMs ?? 0));
  const stays = copies.filter((c) => c.goneByMs === null).map((c) => c.file);
  const thinned = copies.length - stays.length;
  return [
    thinned > 0
      ? `${thinned} ${thinned === 1 ? 'copy still holds' : 'copies still hold'} them; the last is gone by ${moment(last)}.`
      : '',
    stays.length > 0 ? `These stay until you delete them: ${listText(stays)}.` : '',
  ]
    .filter((text) => text !== '')
    .join(' ');
}

function ForgetOwner() {
  const moment = useMoment();
  const dogs = useDogs();
  const forget = useForget();
  const [chosen, setChosen] = useState('');
  const [sure, setSure] = useState(false);
  const all = [...(dogs.data?.dogs ?? [])].sort((a, b) => a.ownerName.localeCompare(b.ownerName));
  const dog = all.find((d) => d.id === chosen);
  return (
    <section className="wt-sheet" aria-labelledby="forget">
      <h2 id="forget">Forget an owner</h2>
      <p>
        When an owner asks for it. Name, number, notes, photos, links, reminders and all from the home go for good;
        sessions, minutes and grams stay for the books as those of “a dog”. Visits ahead are cancelled. Backups made
        before still hold it for a while: you are told until when.
      </p>
      <Form
        onSubmit={(e) => {
          e.preventDefault();
          if (dog && sure)
            forget.mutate(
              { dogId: dog.id },
              {
                onSuccess: () => {
                  setChosen('');
                  setSure(false);
                },
              },
            );
        }}
      >
        <Form.Group controlId="forget-owner" className="mb-2">
          <Form.Label>Owner</Form.Label>
          <Form.Select value={chosen} onChange={(e) => setChosen(e.target.value)}>
            <option value="">Choose …</option>
            {all.map((d) => (
              <option key={d.id} value={d.id}>
                {d.ownerName}, with {d.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {dog && (
          <Form.Check
            id="forget-sure"
            className="mb-2"
            checked={sure}
            onChange={(e) => setSure(e.target.checked)}
            label={`${dog.ownerName} asked for it, and it cannot be taken back`}
          />
        )}
        <Refusal error={forget.error} />
        {forget.data && (
          <p className="wt-note wt-note-good" role="status">
            Forgotten: {forget.data.dogs} {forget.data.dogs === 1 ? 'dog' : 'dogs'}; {forget.data.sessions} sessions
            stay without a name. {copiesText(forget.data.copies, moment)}
          </p>
        )}
        <Button type="submit" variant="outline-primary" disabled={!dog || !sure || forget.isPending}>
          Forget {dog?.ownerName ?? 'this owner'}
        </Button>
      </Form>
    </section>
  );
}

export function SafeRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Safe</h1>
        <p className="wt-soft">That nothing is lost, and that everything can leave.</p>
      </div>
      <Loaded query={useSafe()}>
        {(page) => (
          <>
            {page.notices.map((n) => (
              <p key={n} className="wt-note wt-note-stop" role="alert">
                {n}
              </p>
            ))}
            <div className="wt-safe">
              <Backups page={page} />
              <TakeOut page={page} />
              <ForgetOwner />
            </div>
          </>
        )}
      </Loaded>
    </>
  );
}
