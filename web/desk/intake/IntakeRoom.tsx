/** Desk → Bring clients in: a table of somebody else's, matched, looked at line by line, taken whole, undone whole. */
import { FileInput, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { INTAKE_FIELDS, type IntakeColumns, type IntakeField, type IntakePreview } from '../../../contract/safe.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useBringIn, useIntakePreview, useIntakes, useUndoIntake } from '../../data/safe.ts';
import { useMoment } from '../../app/useMoment.ts';
import { Button } from '../../ui/Button.tsx';
import { Field, Select } from '../../ui/Field.tsx';
import { FileKey } from '../../ui/FileKey.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import css from './intake.module.css';

const FIELD_WORDS: Readonly<Record<IntakeField, string>> = {
  owner: 'Owner’s name',
  phone: 'Phone',
  dog: 'Dog’s name',
  breed: 'Breed or mix',
  sex: 'Sex',
  born: 'Born',
  weightKg: 'Weight, kg',
  coatClass: 'Coat class',
  note: 'Note',
  visitDay: 'Day of a past visit',
  visitMinutes: 'Minutes of that visit',
  visitGrams: 'Grams of hair at it',
};

function Columns({ preview, onChange }: { preview: IntakePreview; onChange: (columns: IntakeColumns) => void }) {
  return (
    <Sheet as="fieldset">
      <legend className="fs-5">Which column holds what</legend>
      <div className="wt-formgrid">
        {INTAKE_FIELDS.map((field) => (
          <Field
            label={
              <>
                {FIELD_WORDS[field]}
                {(field === 'owner' || field === 'dog') && <span className="wt-soft"> (needed)</span>}
              </>
            }
            key={field}
            id={`column-${field}`}
          >
            <Select
              value={preview.columns[field] ?? ''}
              onChange={(e) => {
                const { [field]: _, ...others } = preview.columns;
                onChange(e.target.value === '' ? others : { ...others, [field]: e.target.value });
              }}
            >
              <option value="">none</option>
              {preview.header.map((h) => (
                <option key={h} value={h}>
                  {h}
                </option>
              ))}
            </Select>
          </Field>
        ))}
      </div>
    </Sheet>
  );
}

function Lines({ preview }: { preview: IntakePreview }) {
  return (
    <Table className={css.intakeLines}>
      <thead>
        <tr>
          <th scope="col" className="wt-num">
            Line
          </th>
          <th scope="col">Dog</th>
          <th scope="col">Owner</th>
          <th scope="col">What comes of it</th>
        </tr>
      </thead>
      <tbody>
        {preview.rows.map((r) => (
          <tr key={r.line} className={r.problem === null ? '' : 'is-wrong'}>
            <td className="wt-num">{r.line}</td>
            <td>{r.dog || '–'}</td>
            <td>{r.owner || '–'}</td>
            <td>
              {r.problem ??
                [r.newDog ? 'a new dog' : 'a dog that is known', ...(r.visit ? ['a past visit'] : [])].join(', ')}
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

const isReady = ({ problems, rows }: IntakePreview): boolean => problems === 0 && rows.length > 0;

/** What would come of a table, in a sentence. */
function wouldCome({ problems, rows, dogs, visits }: IntakePreview): string {
  if (problems > 0)
    return `${problems} of the lines cannot be taken yet: they come first below. Choose other columns, or mend them in the table and choose it again.`;
  if (rows.length === 0) return 'Say which columns hold the dog’s and the owner’s name.';
  return `${dogs} new dogs and ${visits} past visits would come in.`;
}

interface PreviewedProps {
  readonly preview: IntakePreview;
  readonly error: Error | null;
  readonly ready: boolean;
  readonly onColumns: (columns: IntakeColumns) => void;
  readonly onBring: (columns: IntakeColumns) => void;
}

function Previewed({ preview, error, ready, onColumns, onBring }: PreviewedProps) {
  return (
    <>
      <Columns preview={preview} onChange={onColumns} />
      <Notice tone={preview.problems > 0 ? 'caution' : 'good'} className="mt-3" role="status">
        {wouldCome(preview)}
      </Notice>
      <Refusal error={error} />
      {preview.rows.length > 0 && (
        <>
          <Button size="lg" disabled={!ready} onClick={() => onBring(preview.columns)}>
            Bring all of it in
          </Button>
          <Lines preview={preview} />
        </>
      )}
    </>
  );
}

export function IntakeRoom() {
  const [file, setFile] = useState<{ name: string; csv: string } | undefined>();
  const [columns, setColumns] = useState<IntakeColumns | undefined>();
  const preview = useIntakePreview(file?.csv, columns);
  const bring = useBringIn();
  const intakes = useIntakes();
  const undo = useUndoIntake();
  const moment = useMoment();
  const choose = (chosen: File): void => {
    setColumns(undefined);
    bring.reset();
    void chosen.text().then((csv) => setFile({ name: chosen.name, csv }));
  };
  return (
    <>
      <div className="wt-title">
        <h1>Import clients</h1>
        <p className="wt-soft">
          Any table with a line for each dog, or for each visit. Nothing is written until you say so.
        </p>
      </div>
      <div className="wt-acts mb-3">
        <FileKey look={file ? 'usual' : 'main'} accept=".csv,.tsv,.txt,text/csv" onFile={choose}>
          <FileInput aria-hidden size={20} /> {file ? 'Another table' : 'Choose a table (.csv)'}
        </FileKey>
        {file && <span>{file.name}</span>}
      </div>
      <Refusal error={file ? preview.error : null} />
      {file && preview.data && (
        <Previewed
          preview={preview.data}
          error={bring.error}
          ready={isReady(preview.data) && !preview.isFetching && !bring.isPending}
          onColumns={setColumns}
          onBring={(columns) =>
            bring.mutate({ id: newId(), csv: file.csv, columns }, { onSuccess: () => setFile(undefined) })
          }
        />
      )}
      {bring.data && (
        <Notice tone="good" role="status">
          In: {bring.data.dogs} dogs and {bring.data.visits} past visits.
        </Notice>
      )}
      <section aria-labelledby="intakes" className="mt-4">
        <h2 id="intakes">Brought in before</h2>
        <Refusal error={undo.error} />
        <Loaded query={intakes}>
          {({ intakes: list }) =>
            list.length === 0 ? (
              <p className="wt-soft">Nothing yet.</p>
            ) : (
              <ul className={css.intakes}>
                {list.map((i) => (
                  <li key={i.id}>
                    <span>
                      {moment(i.atMs)}: {i.who} brought in {i.dogs} dogs and {i.visits} past visits
                    </span>
                    {i.undone ? (
                      <span className="wt-soft">undone</span>
                    ) : (
                      <Button size="sm" look="usual" disabled={undo.isPending} onClick={() => undo.mutate(i.id)}>
                        <Undo2 aria-hidden size={16} /> Undo
                      </Button>
                    )}
                  </li>
                ))}
              </ul>
            )
          }
        </Loaded>
      </section>
    </>
  );
}
