/** Desk → Bring clients in: a table of somebody else's, matched, looked at line by line, taken whole, undone whole. */
import { FileInput, Undo2 } from 'lucide-react';
import { useState, type ChangeEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { INTAKE_FIELDS, type IntakeColumns, type IntakeField, type IntakePreview } from '../../../contract/safe.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useBringIn, useIntakePreview, useIntakes, useUndoIntake } from '../../data/safe.ts';
import { useMoment } from '../../app/useMoment.ts';
import './intake.css';

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
    <fieldset className="wt-sheet">
      <legend className="fs-5">Which column holds what</legend>
      <div className="wt-formgrid">
        {INTAKE_FIELDS.map((field) => (
          <Form.Group key={field} controlId={`column-${field}`}>
            <Form.Label>
              {FIELD_WORDS[field]}
              {(field === 'owner' || field === 'dog') && <span className="wt-soft"> (needed)</span>}
            </Form.Label>
            <Form.Select
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
            </Form.Select>
          </Form.Group>
        ))}
      </div>
    </fieldset>
  );
}

function Lines({ preview }: { preview: IntakePreview }) {
  return (
    <table className="wt-table wt-intake-lines">
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
    </table>
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
      <p className={`wt-note mt-3 ${preview.problems > 0 ? '' : 'wt-note-good'}`} role="status">
        {wouldCome(preview)}
      </p>
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
  const choose = (e: ChangeEvent<HTMLInputElement>): void => {
    const chosen = e.target.files?.[0];
    e.target.value = '';
    if (!chosen) return;
    setColumns(undefined);
    bring.reset();
    void chosen.text().then((csv) => setFile({ name: chosen.name, csv }));
  };
  return (
    <>
      <div className="wt-title">
        <h1>Bring clients in</h1>
        <p className="wt-soft">
          Any table with a line for each dog, or for each visit. Nothing is written until you say so.
        </p>
      </div>
      <div className="wt-acts mb-3">
        <label className={`btn ${file ? 'btn-outline-primary' : 'btn-primary'} wt-take`}>
          <FileInput aria-hidden size={20} /> {file ? 'Another table' : 'Choose a table (.csv)'}
          <input type="file" accept=".csv,.tsv,.txt,text/csv" className="visually-hidden" onChange={choose} />
        </label>
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
        <p className="wt-note wt-note-good" role="status">
          In: {bring.data.dogs} dogs and {bring.data.visits} past visits.
        </p>
      )}
      <section aria-labelledby="intakes" className="mt-4">
        <h2 id="intakes">Brought in before</h2>
        <Refusal error={undo.error} />
        <Loaded query={intakes}>
          {({ intakes: list }) =>
            list.length === 0 ? (
              <p className="wt-soft">Nothing yet.</p>
            ) : (
              <ul className="wt-intakes">
                {list.map((i) => (
                  <li key={i.id}>
                    <span>
                      {moment(i.atMs)}: {i.who} brought in {i.dogs} dogs and {i.visits} past visits
                    </span>
                    {i.undone ? (
                      <span className="wt-soft">undone</span>
                    ) : (
                      <Button
                        size="sm"
                        variant="outline-primary"
                        disabled={undo.isPending}
                        onClick={() => undo.mutate(i.id)}
                      >
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
