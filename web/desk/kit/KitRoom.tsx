/** Desk → Kit: what hangs on the wall, how worn each piece is and what is due, what the kit lacks, what owners have at home. */
import { useState } from 'react';
import { Link } from 'react-router';
import type { KitPage, ToolRecord } from '../../../contract/kit.ts';
import { DISINFECTED, toolRow, type Due, type UpkeepAct } from '../../../core/kit/index.ts';
import { day, formatDay } from '../../../core/quantity/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useDogs, useEditTool, useKit, useUndoUpkeep, useUpkeep } from '../../data/hooks.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { fromToday } from '../../words/dates.ts';
import { capital, money } from '../../words/figures.ts';
import { dueText, measuresText, UPKEEP_WORDS } from '../../words/kit.ts';
import { Lacking } from './Lacking.tsx';
import css from './kit.module.css';

/** Due within this many days is worth seeing from afar. */
const SOON_DAYS = 21;

function DueBar({ due, today }: { due: Due; today: number }) {
  const share = Math.min(1, due.used / due.bears);
  const soon = due.day !== undefined && due.day - today <= SOON_DAYS;
  return (
    <div className={soon ? `${css.due} is-soon` : css.due}>
      <span>{dueText(due)}</span>
      {due.unit === 'minutes' && (
        <>
          <span className={css.dueBar} aria-hidden>
            <span style={{ width: `${share * 100}%` }} />
          </span>
          <span className="wt-soft">
            {due.day === undefined ? 'far off' : due.day <= today ? 'due now' : `due ${fromToday(due.day, today)}`}
          </span>
        </>
      )}
    </div>
  );
}

/** Acts that mean something for a piece: those that fall due on it. */
const actsOf = (dues: readonly Due[]): readonly UpkeepAct[] => [...new Set(dues.map((d) => d.act))];
const DONE_WORDS: Readonly<Record<UpkeepAct, string>> = {
  sharpened: 'Sharpened today',
  replaced: 'New one today',
  disinfected: 'Disinfected',
};

function Piece({
  tool,
  page,
  onDone,
}: {
  tool: ToolRecord;
  page: KitPage;
  onDone: (act: UpkeepAct, tools: readonly ToolRecord[]) => void;
}) {
  const wear = page.wear[tool.id];
  const edit = useEditTool();
  const measures = measuresText(tool);
  return (
    <li className={css.piece}>
      <div>
        <h3>
          <Link to={`/desk/kit/${tool.id}`}>{tool.name}</Link>
        </h3>
        <div className="wt-soft">
          {capital(toolRow(tool.kind).name)}
          {measures && `; ${measures}`}.{tool.costCents !== null && ` ${money(tool.costCents, page.currency)}.`}
        </div>
        {wear && wear.uses > 0 ? (
          <div className="wt-soft">
            {Math.round(wear.minutes / 60)} h on {wear.dogs} {wear.dogs === 1 ? 'dog' : 'dogs'}
          </div>
        ) : (
          <div className="wt-soft">Not used in a session yet.</div>
        )}
      </div>
      <div className={css.dues}>
        {!tool.retired && wear?.due.map((d) => <DueBar key={d.act} due={d} today={page.today} />)}
      </div>
      <Disclosure head="More" label={`More for ${tool.name}`} className={css.more}>
        <div className="wt-acts">
          {!tool.retired &&
            actsOf(wear?.due ?? []).map((act) => (
              <Button key={act} size="sm" look="usual" onClick={() => onDone(act, [tool])}>
                {DONE_WORDS[act]}
              </Button>
            ))}
          <Button
            size="sm"
            look="usual"
            onClick={() => edit.mutate({ ...tool, retired: !tool.retired })}
            disabled={edit.isPending}
          >
            {tool.retired ? 'Hang it back' : 'Off the wall'}
          </Button>
        </div>
        <Refusal error={edit.error} />
      </Disclosure>
    </li>
  );
}

/** What was just written down, and the way back. */
function Done({ what, ids, onBack }: { what: string; ids: readonly string[]; onBack: () => void }) {
  const undo = useUndoUpkeep();
  const takeBack = async (): Promise<void> => {
    for (const id of ids) await undo.mutateAsync(id);
    onBack();
  };
  return (
    <Notice tone="good" role="status">
      {what}{' '}
      <Button look="plain" className="p-0 align-baseline" disabled={undo.isPending} onClick={() => void takeBack()}>
        Take it back
      </Button>
    </Notice>
  );
}

function Wall({ page }: { page: KitPage }) {
  const upkeep = useUpkeep();
  const [done, setDone] = useState<{ what: string; ids: readonly string[] } | undefined>();
  const own = page.tools.filter((t) => t.homeOf === null);
  const wall = own.filter((t) => !t.retired);
  const off = own.filter((t) => t.retired);
  const toClean = wall.filter(
    (t) => !DISINFECTED.not.includes(t.kind) && page.wear[t.id]?.due.some((d) => d.act === 'disinfected'),
  );
  const onDone = (act: UpkeepAct, tools: readonly ToolRecord[]): void => {
    const today = formatDay(day(page.today));
    const entries = tools.map((t) => ({ id: newId(), toolId: t.id, act, day: today }));
    const what =
      tools.length === 1
        ? `${tools[0]?.name ?? ''}: ${DONE_WORDS[act].toLowerCase()}, written down.`
        : `${tools.length} pieces disinfected, written down.`;
    upkeep.mutate(entries, { onSuccess: () => setDone({ what, ids: entries.map((e) => e.id) }) });
  };
  const soonest = (t: ToolRecord): number =>
    Math.min(
      ...(page.wear[t.id]?.due.filter((d) => d.unit === 'minutes').map((d) => d.day ?? Infinity) ?? []),
      Infinity,
    );
  return (
    <Sheet aria-labelledby="wall">
      <div className="d-flex flex-wrap g-4 justify-between items-start">
        <h2 id="wall">On the wall</h2>
        {toClean.length > 0 && (
          <Button size="sm" disabled={upkeep.isPending} onClick={() => onDone('disinfected', toClean)}>
            {toClean.length} pieces: all disinfected
          </Button>
        )}
      </div>
      <p className="wt-soft">Washed and disinfected between dogs; after parasites at once. Dull blades are retired.</p>
      {done && <Done what={done.what} ids={done.ids} onBack={() => setDone(undefined)} />}
      <Refusal error={upkeep.error} />
      {wall.length === 0 ? (
        <p>Nothing hangs here yet. Hang up the first piece; plans are made with what is on the wall.</p>
      ) : (
        <ul className="wt-bare wt-wall">
          {[...wall]
            .sort((a, b) => soonest(a) - soonest(b))
            .map((t) => (
              <Piece key={t.id} tool={t} page={page} onDone={onDone} />
            ))}
        </ul>
      )}
      {off.length > 0 && (
        <Disclosure head={<>Off the wall: {off.length}</>}>
          <ul className="wt-bare wt-wall">
            {off.map((t) => (
              <Piece key={t.id} tool={t} page={page} onDone={onDone} />
            ))}
          </ul>
        </Disclosure>
      )}
    </Sheet>
  );
}

function AtHome({ page }: { page: KitPage }) {
  const dogs = useDogs();
  const brushes = page.tools.filter((t) => t.homeOf !== null && !t.retired);
  if (brushes.length === 0) return null;
  const nameOf = (id: string | null): string => dogs.data?.dogs.find((d) => d.id === id)?.name ?? '…';
  return (
    <Sheet aria-labelledby="homes">
      <h2 id="homes">In owners’ homes</h2>
      <ul className="wt-bare wt-rules">
        {brushes.map((t) => (
          <li key={t.id}>
            <Link to={`/desk/dogs/${t.homeOf ?? ''}`}>{nameOf(t.homeOf)}</Link>:{' '}
            <Link to={`/desk/kit/${t.id}`}>{t.name}</Link>{' '}
            <span className="wt-soft">{capital(toolRow(t.kind).name)}.</span>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}

/** Pieces on which something falls due soon, said at the top. */
function dueSoon(page: KitPage): string {
  const due = page.tools.flatMap((t) =>
    t.retired || t.homeOf !== null
      ? []
      : (page.wear[t.id]?.due ?? [])
          .filter((d) => d.unit === 'minutes' && d.day !== undefined && d.day - page.today <= SOON_DAYS)
          .map(
            (d) => `${UPKEEP_WORDS[d.act]} the ${t.name.toLowerCase()} ${fromToday(d.day ?? page.today, page.today)}`,
          ),
  );
  return due.length === 0 ? '' : capital(due.slice(0, 3).join('; '));
}

export function KitRoom() {
  const kit = useKit();
  return (
    <>
      <div className="wt-title">
        <h1>Tools</h1>
        {kit.data && <span className="wt-soft">{dueSoon(kit.data)}</span>}
        <div className="wt-acts">
          <ButtonLink to="/desk/kit/new">Hang up a piece</ButtonLink>
        </div>
      </div>
      <Loaded query={kit}>
        {(page) => (
          <div className={`wt-cols ${css.kit}`}>
            <Wall page={page} />
            <div className="wt-cols">
              <Lacking />
              <AtHome page={page} />
            </div>
          </div>
        )}
      </Loaded>
    </>
  );
}
