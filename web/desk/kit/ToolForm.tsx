/** One piece with its measures: new or changed. The same schema guards this form and the route. */
import { useState } from 'react';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { toolFactsSchema, type ToolDraft, type ToolRecord } from '../../../contract/kit.ts';
import { HEATS, MATERIALS, NOZZLES, TIPS, TOOLS, toolRow, type ToolKind } from '../../../core/kit/index.ts';
import { ChangedElsewhere, useEditing, type FieldWord } from '../../app/edit-conflict.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddTool, useDogs, useEditTool, useKit } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Field, Select } from '../../ui/Field.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import {
  CheckField,
  DayField,
  ManyField,
  MoneyField,
  NumberField,
  SelectField,
  TextField,
} from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { dateText } from '../../words/dates.ts';
import { capital } from '../../words/figures.ts';
import { lengthDigits, lengthMm, lengthShown, lengthText, lengthWord } from '../../words/units.ts';

const DRYERS: readonly ToolKind[] = ['force-dryer', 'stand-dryer'];
const GEAR: readonly ToolKind[] = [...DRYERS, 'hand-bath', 'bather', 'towel', 'mister'];
const mm = (value: number | undefined): string => (value === undefined ? '' : lengthText(value));
const FIELD_WORDS: readonly FieldWord<ToolRecord>[] = [
  { key: 'name', label: 'Name' },
  { key: 'kind', label: 'Kind', say: (t) => toolRow(t.kind).name },
  { key: 'pinMm', label: 'Pin length', say: (t) => mm(t.pinMm) },
  { key: 'spacingMm', label: 'Gap', say: (t) => mm(t.spacingMm) },
  { key: 'costCents', label: 'Cost', say: (t) => ((t.costCents ?? 0) / 100).toFixed(2) },
  { key: 'since', label: 'In use since', say: (t) => (t.since === null ? '' : dateText(t.since)) },
  { key: 'retired', label: 'Off the wall' },
];

const KINDS = TOOLS.map((k) => [k.kind, capital(k.name)] as const);
const NOZZLE_OPTIONS = NOZZLES.map((value) => ({ value, word: value }));
const WET = [
  { value: 'kind', word: 'as its kind', safe: undefined },
  { value: 'wet', word: 'may get wet', safe: true },
  { value: 'dry', word: 'stays dry', safe: false },
] as const;

/** Whether it may get wet: said of this piece, or as of its kind. */
function WetField({ form }: { form: UseFormReturn<ToolDraft> }) {
  const safe = useWatch({ control: form.control, name: 'wetSafe' });
  return (
    <Field label="In water" id="wetSafe" labelIs="beside">
      <Select
        value={WET.find((w) => w.safe === safe)?.value ?? 'kind'}
        onChange={(e) => form.setValue('wetSafe', WET.find((w) => w.value === e.target.value)?.safe)}
      >
        {WET.map((w) => (
          <option key={w.value} value={w.value}>
            {w.word}
          </option>
        ))}
      </Select>
    </Field>
  );
}

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
  const form = useSchemaForm<ToolDraft>({ schema: toolFactsSchema, values: initial });
  const { control } = form;
  const kind = useWatch({ control, name: 'kind' });
  const dogs = useDogs();
  const row = toolRow(kind);
  const usualText = (usual: number | undefined): string => (usual ? `usual ${usual}` : '');
  const number = (name: 'rows' | 'airLps' | 'dbA', label: string) => (
    <NumberField form={form} name={name} label={label} digits={name === 'rows' ? 0 : 1} />
  );
  const length = (name: 'pinMm' | 'spacingMm' | 'widthMm', label: string, usual?: number) => (
    <NumberField
      form={form}
      name={name}
      label={label}
      digits={lengthDigits()}
      shown={lengthShown}
      kept={lengthMm}
      placeholder={usualText(usual && lengthShown(usual))}
    />
  );
  const choice = (name: 'tip' | 'material' | 'heat', label: string, options: readonly string[]) => (
    <SelectField
      form={form}
      name={name}
      label={label}
      empty="absent"
      options={[['', 'not measured'], ...options.map((o) => [o, o] as const)]}
    />
  );
  return (
    <SchemaForm form={form} sheet onSave={onSave}>
      <div className="wt-formgrid">
        <SelectField form={form} name="kind" label="Kind" options={KINDS} />
        <TextField form={form} name="name" label="Name on the wall" />
      </div>
      <p className="wt-soft mt-2">
        {row.does} {row.hurts}
      </p>
      {!GEAR.includes(kind) && (
        <>
          <h2>Measures</h2>
          <p className="wt-soft">What nobody measured is taken as usual for the kind.</p>
          <div className="wt-formgrid">
            {length('pinMm', `Pins, teeth or nubs, ${lengthWord()} long`)}
            {length('spacingMm', `Gap between them, ${lengthWord()}`, row.usual.spacingMm)}
            {number('rows', 'Rows')}
            {length('widthMm', `Working width, ${lengthWord()}`, row.usual.widthMm)}
            {choice('tip', 'Tips', TIPS)}
            {choice('material', 'Made of', MATERIALS)}
          </div>
          <div className="wt-acts mt-3">
            <CheckField form={form} name="turning" type="switch" label="Pins turn" />
            <CheckField form={form} name="flexing" type="switch" label="Head flexes" />
            <WetField form={form} />
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
          <ManyField form={form} name="nozzles" label="Nozzles" className="mt-3" options={NOZZLE_OPTIONS} />
        </>
      )}
      <h2 className="mt-3">Kept</h2>
      <div className="wt-formgrid">
        <MoneyField form={form} name="costCents" label="Cost" empty="null" />
        <DayField form={form} name="since" label="In use since" empty="null" />
        <SelectField
          form={form}
          name="homeOf"
          label="Lies"
          empty="null"
          disabled={!row.forOwners}
          options={[
            ['', 'in the salon'],
            ...(dogs.data?.dogs ?? []).map((d) => [d.id, `in the home of ${d.name}`] as const),
          ]}
        />
      </div>
      <Refusal error={error} />
      <div className="wt-acts mt-3">
        <Button type="submit" disabled={busy}>
          Save
        </Button>
        <Link to="/desk/kit">Back to the kit</Link>
      </div>
    </SchemaForm>
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
            return tool ? <EditTool key={tool.id} stored={tool} /> : <Notice>This piece is not there any more.</Notice>;
          }}
        </Loaded>
      )}
    </>
  );
}
