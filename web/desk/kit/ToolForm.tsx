/** One piece with its measures: new or changed. The same schema guards this form and the route. */
import { joiResolver } from '@hookform/resolvers/joi';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useForm, useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { STRICT } from '../../../contract/common.ts';
import { toolFactsSchema, type ToolDraft, type ToolRecord } from '../../../contract/kit.ts';
import { HEATS, MATERIALS, NOZZLES, TIPS, TOOLS, toolRow, type ToolKind } from '../../../core/kit/index.ts';
import { ChangedElsewhere, useEditing, type FieldWord } from '../../app/edit-conflict.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddTool, useDogs, useEditTool, useKit } from '../../data/hooks.ts';
import { dateText } from '../../words/dates.ts';
import { capital } from '../../words/figures.ts';

const DRYERS: readonly ToolKind[] = ['force-dryer', 'stand-dryer'];
const GEAR: readonly ToolKind[] = [...DRYERS, 'hand-bath', 'bather', 'towel', 'mister'];
const mm = (value: number | undefined): string => (value === undefined ? '' : `${value}\u00a0mm`);
const FIELD_WORDS: readonly FieldWord<ToolRecord>[] = [
  { key: 'name', label: 'Name' },
  { key: 'kind', label: 'Kind', say: (t) => toolRow(t.kind).name },
  { key: 'pinMm', label: 'Pin length', say: (t) => mm(t.pinMm) },
  { key: 'spacingMm', label: 'Gap', say: (t) => mm(t.spacingMm) },
  { key: 'costCents', label: 'Cost', say: (t) => ((t.costCents ?? 0) / 100).toFixed(2) },
  { key: 'since', label: 'In use since', say: (t) => (t.since === null ? '' : dateText(t.since)) },
  { key: 'retired', label: 'Off the wall' },
];

/** An empty field is a measure nobody took. */
const absent = (value: unknown): unknown => (value === '' || value === null || value === false ? undefined : value);
const measure = (value: unknown): unknown => (absent(value) === undefined ? undefined : Number(value));
const orNull = (value: unknown): unknown => absent(value) ?? null;

function Fields({
  initial,
  onSave,
  error,
  busy,
}: {
  initial: ToolDraft;
  onSave: (d: ToolDraft) => void;
  error: Error | null;
  busy: boolean;
}) {
  const { register, handleSubmit, formState, control, setValue } = useForm<ToolDraft>({
    defaultValues: initial,
    resolver: joiResolver(toolFactsSchema, { ...STRICT, abortEarly: false }),
  });
  const { errors } = formState;
  // Kept in hundredths, typed in whole coins.
  const [cost, setCost] = useState(initial.costCents === null ? '' : String(initial.costCents / 100));
  const kind = useWatch({ control, name: 'kind' });
  const dogs = useDogs();
  const row = toolRow(kind);
  const number = (
    name: 'pinMm' | 'spacingMm' | 'widthMm' | 'rows' | 'airLps' | 'dbA',
    label: string,
    usual?: number,
  ) => (
    <Form.Group controlId={name}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        type="number"
        step={name === 'rows' ? 1 : 0.1}
        placeholder={usual === undefined || usual === 0 ? '' : `usual ${usual}`}
        {...register(name, { setValueAs: measure })}
        isInvalid={!!errors[name]}
      />
      <Form.Control.Feedback type="invalid">{errors[name]?.message}</Form.Control.Feedback>
    </Form.Group>
  );
  const choice = (name: 'tip' | 'material' | 'heat', label: string, options: readonly string[]) => (
    <Form.Group controlId={name}>
      <Form.Label>{label}</Form.Label>
      <Form.Select {...register(name, { setValueAs: absent })}>
        <option value="">not measured</option>
        {options.map((o) => (
          <option key={o}>{o}</option>
        ))}
      </Form.Select>
    </Form.Group>
  );
  return (
    <Form noValidate className="wt-sheet" onSubmit={(e) => void handleSubmit(onSave)(e)}>
      <div className="wt-formgrid">
        <Form.Group controlId="kind">
          <Form.Label>Kind</Form.Label>
          <Form.Select {...register('kind')}>
            {TOOLS.map((t) => (
              <option key={t.kind} value={t.kind}>
                {capital(t.name)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="name">
          <Form.Label>Name on the wall</Form.Label>
          <Form.Control {...register('name')} isInvalid={!!errors.name} autoComplete="off" />
          <Form.Control.Feedback type="invalid">{errors.name?.message}</Form.Control.Feedback>
        </Form.Group>
      </div>
      <p className="wt-soft mt-2">
        {row.does} {row.hurts}
      </p>
      {!GEAR.includes(kind) && (
        <>
          <h2>Measures</h2>
          <p className="wt-soft">What nobody measured is taken as usual for the kind.</p>
          <div className="wt-formgrid">
            {number('pinMm', 'Pins, teeth or nubs, mm long')}
            {number('spacingMm', 'Gap between them, mm', row.usual.spacingMm)}
            {number('rows', 'Rows')}
            {number('widthMm', 'Working width, mm', row.usual.widthMm)}
            {choice('tip', 'Tips', TIPS)}
            {choice('material', 'Made of', MATERIALS)}
          </div>
          <div className="wt-acts mt-3">
            <Form.Check id="turning" type="switch" label="Pins turn" {...register('turning', { setValueAs: absent })} />
            <Form.Check
              id="flexing"
              type="switch"
              label="Head flexes"
              {...register('flexing', { setValueAs: absent })}
            />
            <Form.Group controlId="wetSafe" className="wt-inline">
              <Form.Label>In water</Form.Label>
              <Form.Select
                {...register('wetSafe', {
                  setValueAs: (v: unknown) =>
                    v === 'true' || v === true ? true : v === 'false' || v === false ? false : undefined,
                })}
              >
                <option value="">as its kind</option>
                <option value="true">may get wet</option>
                <option value="false">stays dry</option>
              </Form.Select>
            </Form.Group>
          </div>
        </>
      )}
      {DRYERS.includes(kind) && (
        <>
          <h2>Air and noise</h2>
          <div className="wt-formgrid">
            {number('airLps', 'Air, litres a second')}
            {number('dbA', 'Level at your ear, dB(A)')}
            {choice('heat', 'Air', HEATS)}
          </div>
          <fieldset className="mt-3">
            <legend className="fs-6">Nozzles</legend>
            <div className="wt-acts">
              {NOZZLES.map((n) => (
                <Form.Check key={n} id={`nozzle-${n}`} type="checkbox" value={n} label={n} {...register('nozzles')} />
              ))}
            </div>
          </fieldset>
        </>
      )}
      <h2 className="mt-3">Kept</h2>
      <div className="wt-formgrid">
        <Form.Group controlId="costCents">
          <Form.Label>Cost</Form.Label>
          <Form.Control
            type="number"
            step="0.01"
            min={0}
            value={cost}
            onChange={(e) => {
              setCost(e.target.value);
              setValue('costCents', e.target.value === '' ? null : Math.round(Number(e.target.value) * 100));
            }}
            isInvalid={!!errors.costCents}
          />
          <Form.Control.Feedback type="invalid">{errors.costCents?.message}</Form.Control.Feedback>
        </Form.Group>
        <Form.Group controlId="since">
          <Form.Label>In use since</Form.Label>
          <Form.Control type="date" {...register('since', { setValueAs: orNull })} isInvalid={!!errors.since} />
        </Form.Group>
        <Form.Group controlId="homeOf">
          <Form.Label>Lies</Form.Label>
          <Form.Select {...register('homeOf', { setValueAs: orNull })} disabled={!row.forOwners}>
            <option value="">in the salon</option>
            {dogs.data?.dogs.map((d) => (
              <option key={d.id} value={d.id}>
                in the home of {d.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      <Refusal error={error} />
      <div className="wt-acts mt-3">
        <Button type="submit" disabled={busy}>
          Save
        </Button>
        <Link to="/desk/kit">Back to the kit</Link>
      </div>
    </Form>
  );
}

const BLANK: ToolDraft = { kind: 'rake', name: '', costCents: null, since: null, homeOf: null };

function EditTool({ stored }: { stored: ToolRecord }) {
  const { base, mine, formKey, newer, tried, settle } = useEditing(stored);
  const edit = useEditTool();
  const navigate = useNavigate();
  const { id, retired, version, ...draft } = base;
  return (
    <>
      {newer && <ChangedElsewhere base={base} newer={newer} mine={mine} words={FIELD_WORDS} onSettle={settle} />}
      <Fields
        key={formKey}
        initial={draft}
        error={newer ? null : edit.error}
        busy={edit.isPending}
        onSave={(d) => {
          const sent = { ...d, id, retired, version };
          tried(sent);
          edit.mutate(sent, { onSuccess: () => void navigate('/desk/kit') });
        }}
      />
    </>
  );
}

function NewTool() {
  const add = useAddTool();
  const navigate = useNavigate();
  const homeOf = useSearchParams()[0].get('home');
  // Under one id however often it is sent.
  const [id] = useState(newId);
  return (
    <Fields
      initial={{ ...BLANK, homeOf, kind: homeOf === null ? 'rake' : 'comb' }}
      error={add.error}
      busy={add.isPending}
      onSave={(d) =>
        add.mutate(
          { id, ...d },
          { onSuccess: () => void navigate(homeOf === null ? '/desk/kit' : `/desk/dogs/${homeOf}`) },
        )
      }
    />
  );
}

export function ToolForm() {
  const { toolId } = useParams();
  const kit = useKit();
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to="/desk/kit">Kit</Link>
          </span>
          <h1>
            {toolId === undefined ? 'A new piece' : (kit.data?.tools.find((t) => t.id === toolId)?.name ?? 'A piece')}
          </h1>
        </div>
      </div>
      {toolId === undefined ? (
        <NewTool />
      ) : (
        <Loaded query={kit}>
          {({ tools }) => {
            const tool = tools.find((t) => t.id === toolId);
            return tool ? (
              <EditTool key={tool.id} stored={tool} />
            ) : (
              <p className="wt-note">This piece is not there any more.</p>
            );
          }}
        </Loaded>
      )}
    </>
  );
}
