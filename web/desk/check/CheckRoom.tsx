/** The coat check: both hands in the coat, before any water. Grades are swept over zones, or set one zone at a time. */
import { Redo2, Undo2 } from 'lucide-react';
import { memo, useDeferredValue, useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import type { CheckDraft, CheckRecord } from '../../../contract/check.ts';
import { coatCheck } from '../../../contract/check-facts.ts';
import type { DogPage, DogRecord } from '../../../contract/dog.ts';
import {
  contradictions,
  stopsOf,
  TIED,
  wholeCondition,
  zoneConditions,
  type ZoneCondition,
} from '../../../core/check/index.ts';
import { coatRow, zone, ZONE_IDS, ZONES, zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { day, formatDay } from '../../../core/quantity/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Loaded, Refusal, Waiting } from '../../app/state.tsx';
import { useCheck, useDog, useSaveCheck } from '../../data/hooks.ts';
import { sendPhotos } from '../../data/photos.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateText } from '../../words/dates.ts';
import { capital, percent } from '../../words/figures.ts';
import { conditionReason, CONDITION_WORDS, dogStop, zoneStop } from '../../words/reasons.ts';
import { conditionLook, type Looks } from '../dog/looks.ts';
import { asLastTime, mirrored, spread, useCheckDraft, useKeptDraft, withFindings, type Findings } from './draft.ts';
import { gradeOfDigit, type Held, type TestKey } from './hand.ts';
import { ClassNote } from './ClassNote.tsx';
import { HandPanel } from './HandPanel.tsx';
import { Photos } from './Photos.tsx';
import { Questions } from './Questions.tsx';
import { WholeDog } from './WholeDog.tsx';
import { ZonePanel } from './ZonePanel.tsx';
import { CareChoice } from '../dog/CareChoice.tsx';
import css from './check.module.css';

const WAYS = [
  { value: 'sweep', word: 'Sweep' },
  { value: 'zone', word: 'One zone' },
] as const;
type Way = (typeof WAYS)[number]['value'];
/** Keys that choose the test whose grades the digits give. */
const TEST_KEYS: Readonly<Record<string, TestKey>> = { f: 'finger', t: 'tug', c: 'comb', k: 'tie', s: 'skin' };

/** Is a text being typed there: its letters and its own undo are not the room's. */
const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && ['number', 'text', 'search'].includes(target.type));

/** How each zone is drawn; one that is not felt yet shows faintly how it was the last time. */
function looksOf(conditions: readonly ZoneCondition[], last: CheckRecord | undefined): Looks {
  const looks: Looks = {};
  for (const c of conditions) {
    const unfelt = c.assumed && c.kind !== 'stop' && !TIED.includes(c.kind);
    looks[c.zone] = unfelt ? { says: 'not felt yet', ghost: last?.zones[c.zone]?.finger } : conditionLook(c);
  }
  return looks;
}

const focusMap = (room: HTMLElement | null): void =>
  room?.querySelector<SVGElement>('[data-zone][tabindex="0"]')?.focus();

interface FeelingProps {
  readonly page: DogPage;
  readonly last: CheckRecord | undefined;
  readonly kept: CheckDraft | undefined;
}

function Feeling({ page, last, kept }: FeelingProps) {
  const { dog, traits, today } = page;
  // What its birthday makes of it closes and warns as a tick does.
  const aged = useMemo(() => ({ ...dog, traits }), [dog, traits]);
  const navigate = useNavigate();
  // Where the check was made the plan is shown: at the table in few words.
  const atTable = useLocation().pathname.startsWith('/table/');
  const { draft, change, undo, redo, canUndo, canRedo, forget } = useCheckDraft(
    dog.id,
    formatDay(day(today)),
    dog.weightKg,
    kept,
  );
  const [selected, setSelected] = useState<ZoneId>(ZONES[0]?.id ?? 'back');
  const [way, setWay] = useState<Way>('sweep');
  const [held, setHeld] = useState<Held | undefined>();
  const [both, setBoth] = useState(true);
  const save = useSaveCheck(dog.id);

  const zones = (to: (zones: Findings) => Findings, joins = false): void =>
    change((now) => {
      const next = to(now.zones);
      return next === now.zones ? now : { ...now, zones: next };
    }, joins);
  /** The hand passes over a zone; begins: a new act, not the sweep going on. */
  const pass = (over: ZoneId, hand: Held | undefined, begins: boolean): void => {
    setSelected(over);
    if (hand?.kind === 'grade') zones((z) => withFindings(z, over, hand.sets, both), !begins);
    else if (hand?.kind === 'last' && last) zones((z) => asLastTime(z, over, last.zones, both), !begins);
  };

  /** On the map: a letter chooses the test, a digit its grade for this zone, and it stays in hand. */
  const onMapKey = (event: KeyboardEvent, at: ZoneId): boolean => {
    if (event.ctrlKey || event.metaKey || event.altKey) return false;
    const test = TEST_KEYS[event.key.toLowerCase()];
    if (test) {
      setHeld(gradeOfDigit(test, 0));
      return true;
    }
    if (!/^\d$/.test(event.key)) return false;
    const grade = gradeOfDigit(held?.kind === 'grade' ? held.test : 'finger', Number(event.key));
    if (!grade) return false;
    setHeld(grade);
    pass(at, grade, true);
    return true;
  };

  // What is in the hand is seen at once, the coat that it makes in slices: the next key need not wait for it.
  const seen = useDeferredValue(draft);
  const conditions = useMemo(() => zoneConditions(coatCheck(seen), coatRow(dog.coatClass)), [seen, dog.coatClass]);
  const looks = useMemo(() => looksOf(conditions, last), [conditions, last]);
  const felt = ZONE_IDS.filter((id) => seen.zones[id] !== undefined).length;
  const whole = wholeCondition(conditions);
  const shown = conditions.find((c) => c.zone === selected);
  const weightOk = draft.weightKg >= 0.5 && draft.weightKg <= 120;
  const ready = !save.isPending && Object.keys(draft.zones).length > 0 && weightOk;
  const onSave = (): void => {
    if (!ready) return;
    save.mutate(draft, {
      onSuccess: (saved) => {
        forget();
        void sendPhotos();
        void navigate(`${atTable ? '/table' : '/desk'}/dogs/${dog.id}/plan/${saved.id}`);
      },
    });
  };
  const maps = useRef<HTMLElement>(null);
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent): void => {
      const key = event.key.toLowerCase();
      const command = event.ctrlKey || event.metaKey;
      if (command && key === 'enter') onSave();
      else if (isTyping(event.target)) return;
      else if (command && key === 'z' && !event.shiftKey) undo();
      else if (command && (key === 'y' || key === 'z')) redo();
      else if (!command && !event.altKey && key === 'm') focusMap(maps.current);
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to={`/desk/dogs/${dog.id}`}>{dog.name}</Link>
          </span>
          <h1>Coat check</h1>
        </div>
        <span className="wt-soft" role="status">
          {felt} of {ZONE_IDS.length} zones felt
          {felt > 0 && `; ${CONDITION_WORDS[whole.kind]} on ${percent(whole.share)}`}
        </span>
        <div className="wt-acts">
          <Button look="usual" disabled={!canUndo} onClick={undo}>
            <Undo2 aria-hidden size={17} /> Undo
          </Button>
          <Button look="usual" disabled={!canRedo} onClick={redo}>
            <Redo2 aria-hidden size={17} /> Redo
          </Button>
          <Button onClick={onSave} disabled={!ready}>
            Save and plan
          </Button>
        </div>
      </div>
      <Refusal error={save.error} />
      <div className={`wt-cols ${css.check}`}>
        <WholeDog draft={draft} change={change} />
        <section ref={maps} className={css.checkMap} aria-label="Coat map">
          <CoatStage
            dog={dog}
            looks={looks}
            selected={selected}
            onSelect={setSelected}
            onSweep={(over, begins) => pass(over, way === 'sweep' ? held : undefined, begins)}
            onZoneKey={onMapKey}
            label="Choose a zone"
            lenses
          />
        </section>
        <Sheet aria-labelledby="zone-name">
          <h2 id="zone-name">{capital(zoneName(selected))}</h2>
          <Notice tone="good" role="status">
            {shown && seen.zones[selected]
              ? `${capital(CONDITION_WORDS[shown.kind])}: ${shown.reasons.map(conditionReason).join(', ')}.`
              : 'Not felt yet.'}
          </Notice>
          <ChoiceGroup name="Set" options={WAYS} value={way} onPick={setWay} />
          {way === 'sweep' ? (
            <HandPanel
              held={held}
              onHold={setHeld}
              both={both}
              onBoth={setBoth}
              lastTime={last && dateText(last.day)}
            />
          ) : (
            <ZonePanel
              zone={selected}
              findings={draft.zones[selected]}
              onChange={(findings) => zones((z) => withFindings(z, selected, findings))}
              onMirror={zone(selected).side === 'mid' ? undefined : () => zones((z) => mirrored(z, selected))}
              onSpread={() => zones((z) => spread(z, selected))}
              onStep={(by) => {
                const i = ZONE_IDS.indexOf(selected);
                setSelected(ZONE_IDS[(i + by + ZONE_IDS.length) % ZONE_IDS.length] ?? selected);
              }}
            />
          )}
          <Photos checkId={draft.id} zone={selected} />
          <Disclosure head="Packed or matted?" className="mt-2">
            Packed hair is dense and loose: a pinch pulls out, no lock is tied; water and air clear it. Matted hair does
            not come: hairs are locked to one another. Water shrinks it.
          </Disclosure>
          <Disclosure head="Keys">
            M goes to the map. There, arrows walk the zones, and with Shift they carry what is in hand; a letter chooses
            the test (F finger, T tug, C comb, K tied, S skin), a digit its grade, from 0. Ctrl Z takes back, Ctrl Enter
            saves.
          </Disclosure>
        </Sheet>
      </div>
      <Sheet aria-label="Besides the coat">
        <CareChoice dogId={dog.id} />
      </Sheet>
      <Said dog={aged} draft={seen} lastKg={last?.weightKg} onGo={setSelected} />
    </>
  );
}

interface SaidProps {
  readonly dog: DogRecord;
  readonly draft: CheckDraft;
  readonly lastKg: number | undefined;
  readonly onGo: (zone: ZoneId) => void;
}

/** What follows from the check so far. Below, and held to the edge of the window: it must not move the dog under the hand. */
const Said = memo(function Said({ dog, draft, lastKg, onGo }: SaidProps) {
  const check = coatCheck(draft);
  const stops = stopsOf(check, dog.traits);
  const clipped = dog.traits.includes('previously-clipped');
  return (
    <div className={css.said}>
      {(stops.dog.length > 0 || stops.zones.length > 0) && (
        <Notice tone="stop" role="alert">
          {stops.dog.length > 0 && <p>No groom today; a vet should look. {stops.dog.map(dogStop).join(' ')}</p>}
          {stops.zones.length > 0 && <p>Not worked until a vet has looked: {stops.zones.map(zoneStop).join(' ')}</p>}
        </Notice>
      )}
      <ClassNote dog={dog} check={check} />
      <Questions questions={contradictions(check, dog.coatClass, { lastKg, clipped })} onGo={onGo} />
    </div>
  );
});

/** The room's head stands before its answers have come. */
const Coming = () => (
  <>
    <div className="wt-title">
      <div>
        <span className="wt-crumb">{'\u00a0'}</span>
        <h1>Coat check</h1>
      </div>
    </div>
    <Waiting />
  </>
);

/** The check before is the newest one when the hands went in; the one being saved must not take its place. */
function WithLast({ page }: { page: DogPage }) {
  const [lastId] = useState(page.checks[0]?.id);
  const last = useCheck(lastId);
  const draft = useKeptDraft(page.dog.id);
  if (!draft) return <Coming />;
  if (lastId === undefined) return <Feeling page={page} last={undefined} kept={draft.kept} />;
  return (
    <Loaded query={last} instead={<Coming />}>
      {(check) => <Feeling page={page} last={check} kept={draft.kept} />}
    </Loaded>
  );
}

export function CheckRoom() {
  const { dogId = '' } = useParams();
  return (
    <Loaded query={useDog(dogId)} instead={<Coming />}>
      {(page) => <WithLast key={page.dog.id} page={page} />}
    </Loaded>
  );
}
