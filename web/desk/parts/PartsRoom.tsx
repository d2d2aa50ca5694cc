/** All parts of the house, each in its states: for anyone who makes a room. It is shown under `npm run dev` only. */
import Joi from 'joi';
import { useState } from 'react';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { DataTable } from '../../ui/DataTable.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Drawer } from '../../ui/Drawer.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { FileKey } from '../../ui/FileKey.tsx';
import { Menu, MenuAct, MenuHead, MenuLine } from '../../ui/Menu.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Skeleton } from '../../ui/Skeleton.tsx';
import { Tabs } from '../../ui/Tabs.tsx';
import { Tip } from '../../ui/Tip.tsx';
import { Toast } from '../../ui/Toast.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import {
  CheckField,
  ChoiceField,
  DayField,
  ManyField,
  NumberField,
  SelectField,
  TextField,
  TimeField,
} from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';

const COMBS = [
  { id: 'rake', name: 'Rake', minutes: 14 },
  { id: 'slicker', name: 'Slicker', minutes: 22 },
  { id: 'comb', name: 'Comb', minutes: 6 },
] as const;
const WORDS = ['short', 'usual', 'long'].map((value) => ({ value, word: value }));

interface Filled {
  readonly name: string;
  readonly kg: number;
  readonly day: string;
  readonly from: number;
  readonly size: string;
  readonly coat: string;
  readonly places: readonly string[];
  readonly shy: boolean;
}
const filledSchema = Joi.object<Filled>({
  name: Joi.string().max(12).required(),
  kg: Joi.number().min(1).max(100).required(),
  day: Joi.string().required(),
  from: Joi.number().integer().required(),
  size: Joi.string().required(),
  coat: Joi.string().required(),
  places: Joi.array().items(Joi.string()).min(1).required(),
  shy: Joi.boolean().required(),
});

function FilledForm() {
  const form = useSchemaForm<Filled>({
    schema: filledSchema,
    values: { name: '', day: '', from: 540, size: 'usual', coat: 'short', places: [], shy: false },
  });
  return (
    <SchemaForm form={form} onSave={() => undefined}>
      <div className="wt-formgrid">
        <TextField form={form} name="name" label="Text" help="At most twelve letters." />
        <NumberField form={form} name="kg" label="Number" digits={1} />
        <DayField form={form} name="day" label="Day" />
        <TimeField form={form} name="from" label="Time" />
        <SelectField form={form} name="size" label="One of a list" options={WORDS.map((w) => [w.value, w.word])} />
        <ChoiceField form={form} name="coat" label="One of few" options={WORDS} />
      </div>
      <ManyField form={form} name="places" label="Any of several" look="keys" options={WORDS} />
      <CheckField form={form} name="shy" label="Yes or no" />
      <Button type="submit">See what is wrong</Button>
    </SchemaForm>
  );
}

export function PartsRoom() {
  const [open, setOpen] = useState<'dialog' | 'drawer' | 'toast'>();
  const [choice, setChoice] = useState('usual');
  const close = (): void => setOpen(undefined);
  return (
    <>
      <div className="wt-title">
        <h1>Parts</h1>
        <p className="wt-soft">What rooms are made of. A new room takes these; what is missing is made here first.</p>
      </div>
      <div className="wt-two">
        <Sheet aria-label="Keys">
          <h2>Button, ButtonLink, FileKey</h2>
          <div className="wt-acts">
            <Button>Main</Button>
            <Button look="usual">Usual</Button>
            <Button look="chosen">Chosen</Button>
            <Button look="plain">Plain</Button>
            <Button disabled>Not now</Button>
            <ButtonLink to="/desk/dogs">Goes to a room</ButtonLink>
            <FileKey accept=".csv" onFile={() => undefined}>
              Asks for a file
            </FileKey>
            <Tip says="A few words about something short">
              <Button look="plain">Tip</Button>
            </Tip>
          </div>
          <h2 className="mt-3">Tabs, Menu</h2>
          <div className="wt-acts">
            <Tabs name="Places here" look="pill" tabs={[{ to: '/desk/parts', word: 'Here' }]} />
            <Menu head="Menu">
              <MenuHead>Head</MenuHead>
              <MenuAct onPick={() => setOpen('dialog')}>Dialog</MenuAct>
              <MenuLine />
              <MenuAct onPick={() => setOpen('drawer')}>Drawer</MenuAct>
              <MenuAct onPick={() => setOpen('toast')}>Toast</MenuAct>
            </Menu>
          </div>
        </Sheet>
        <Sheet aria-label="Words" mark="stop">
          <h2>Notice, Sheet with a mark</h2>
          <Notice>Something to mind.</Notice>
          <Notice tone="stop">Something that stops work.</Notice>
          <Notice tone="good">All is well.</Notice>
          <Disclosure head="Disclosure">More about it, for who asks.</Disclosure>
        </Sheet>
        <Sheet aria-label="What comes">
          <h2>Progress, Skeleton, EmptyState</h2>
          <Progress label="Half of it" value={0.5} says="half" onCancel={() => undefined} />
          <Skeleton />
          <EmptyState act={<Button look="usual">Begin</Button>}>Nothing here yet.</EmptyState>
        </Sheet>
        <Sheet aria-label="Rows">
          <h2>DataTable, ChoiceGroup</h2>
          <ChoiceGroup name="One of few" options={WORDS} value={choice} onPick={setChoice} />
          <DataTable
            name="Pieces"
            rows={COMBS}
            keyOf={(c) => c.id}
            columns={[
              { id: 'name', head: 'Piece', names: true, cell: (c) => c.name, sortBy: (c) => c.name },
              { id: 'min', head: 'Minutes', numeric: true, cell: (c) => c.minutes, sortBy: (c) => c.minutes },
            ]}
          />
        </Sheet>
        <Sheet aria-label="Fields">
          <h2>Fields of a form</h2>
          <FilledForm />
        </Sheet>
      </div>
      <Dialog title="Dialog" open={open === 'dialog'} onClose={close} acts={<Button onClick={close}>Good</Button>}>
        A question over the room.
      </Dialog>
      {open === 'drawer' && (
        <Drawer title="Drawer" onClose={close}>
          Something to read beside the room.
        </Drawer>
      )}
      {open === 'toast' && <Toast says="Cancelled." onUndo={close} onClose={close} />}
    </>
  );
}
