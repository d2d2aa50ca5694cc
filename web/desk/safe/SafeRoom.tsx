/** Desk → Safe: that nothing is lost, and that everything can leave. */
import { Download, ShieldCheck } from 'lucide-react';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { forgetSchema, type Forget, type Forgotten, type JobRecord, type SafePage } from '../../../contract/safe.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { confirmedFirst } from '../../data/door.ts';
import { exportUrl, useForget, useMakeBackup, useMakeExport, useSafe } from '../../data/safe.ts';
import { useDogs } from '../../data/hooks.ts';
import { useMoment } from '../../app/useMoment.ts';
import { Button } from '../../ui/Button.tsx';
import { DataTable } from '../../ui/DataTable.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Check } from '../../ui/Field.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { SelectField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { bytesText, listText } from '../../words/figures.ts';
import css from './safe.module.css';

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
    <Sheet aria-labelledby="backups">
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
      {last?.state === 'failed' && <Notice tone="stop">The last one was not made: {last.problem}.</Notice>}
      <Button look="usual" onClick={() => make.mutate(undefined)} disabled={make.isPending || open !== undefined}>
        {open ? 'It is being made …' : 'Make one now'}
      </Button>
      {older.length > 0 && (
        <Disclosure head={<>{page.backups.length} backups</>} className="mt-3">
          <DataTable
            name="Backups"
            rows={page.backups}
            keyOf={(b) => b.name}
            columns={[
              { id: 'of', head: 'Of', names: true, cell: (b) => moment(b.atMs), sortBy: (b) => b.atMs },
              { id: 'file', head: 'File', cell: (b) => b.name },
              { id: 'size', head: 'Size', numeric: true, cell: (b) => bytesText(b.bytes), sortBy: (b) => b.bytes },
            ]}
          />
        </Disclosure>
      )}
      <Disclosure head="Going back to one" className="mt-3">
        <p className="mt-2">
          It is done on the salon’s computer, with the program ended; the file that is there now is kept beside it:
        </p>
        <pre className={css.command}>npm run safe -- restore --data {page.folder ?? 'FOLDER'}</pre>
      </Disclosure>
    </Sheet>
  );
}

function TakeOut({ page }: { page: SafePage }) {
  const make = useMakeExport();
  const moment = useMoment();
  const jobs = page.jobs.filter((j) => j.kind === 'export');
  return (
    <Sheet aria-labelledby="take-out">
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
      <ul className={css.jobs} aria-live="polite">
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
    </Sheet>
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
  const form = useSchemaForm<Forget>({ schema: forgetSchema, values: { dogId: '' } });
  const chosen = useWatch({ control: form.control, name: 'dogId' });
  // Of which owner it was said that they asked: of another it has to be said again.
  const [sure, setSure] = useState('');
  const all = [...(dogs.data?.dogs ?? [])].sort((a, b) => a.ownerName.localeCompare(b.ownerName));
  const dog = all.find((d) => d.id === chosen);
  return (
    <Sheet aria-labelledby="forget">
      <h2 id="forget">Forget an owner</h2>
      <p>
        When an owner asks for it. Name, number, notes, photos, links, reminders and all from the home go for good;
        sessions, minutes and grams stay for the books as those of “a dog”. Visits ahead are cancelled. Backups made
        before still hold it for a while: you are told until when.
      </p>
      <SchemaForm
        form={form}
        onSave={(draft) => {
          if (dog && sure === dog.id) forget.mutate(draft, { onSuccess: () => form.reset() });
        }}
      >
        <SelectField
          form={form}
          name="dogId"
          label="Owner"
          className="mb-2"
          options={[['', 'Choose …'], ...all.map((d) => [d.id, `${d.ownerName}, with ${d.name}`] as const)]}
        />
        {dog && (
          <Check
            id="forget-sure"
            className="mb-2"
            checked={sure === dog.id}
            onChange={(e) => setSure(e.target.checked ? dog.id : '')}
            label={`${dog.ownerName} asked for it, and it cannot be taken back`}
          />
        )}
        <Refusal error={forget.error} />
        {forget.data && (
          <Notice tone="good" role="status">
            Forgotten: {forget.data.dogs} {forget.data.dogs === 1 ? 'dog' : 'dogs'}; {forget.data.sessions} sessions
            stay without a name. {copiesText(forget.data.copies, moment)}
          </Notice>
        )}
        <Button type="submit" look="usual" disabled={!dog || sure !== dog.id || forget.isPending}>
          Forget {dog?.ownerName ?? 'this owner'}
        </Button>
      </SchemaForm>
    </Sheet>
  );
}

export function SafeRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Backups and export</h1>
        <p className="wt-soft">That nothing is lost, and that everything can leave.</p>
      </div>
      <Loaded query={useSafe()}>
        {(page) => (
          <>
            {page.notices.map((n) => (
              <Notice tone="stop" key={n} role="alert">
                {n}
              </Notice>
            ))}
            <div className={css.safe}>
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
