/**
 * Practice → a coat: its zones are known where hands were laid on. A piece is chosen, places and how much of it, and the coat
 * answers; at the end it is told what it was worth and why.
 */
import { startTransition, useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { PHASES, roomOf } from '../../../core/bench/index.ts';
import { CONDITION_KINDS, INSPECTION, STOPPING_SKIN, type Readings } from '../../../core/check/index.ts';
import { coatRow, TRAIT_WORDS, ZONE_IDS, zone, zoneName, type Region, type ZoneId } from '../../../core/dog/index.ts';
import { toolRow, type Tool } from '../../../core/kit/index.ts';
import { FEEL_TESTS, rackOf, type PracticeCase, type Rack } from '../../../core/practice/index.ts';
import { sum } from '../../../core/quantity/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Loaded } from '../../app/state.tsx';
import { useBenchCases } from '../../data/hooks.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { zonesShort } from '../../words/places.ts';
import { capital, grams, listText, minutesText } from '../../words/figures.ts';
import { WETNESS_WORDS } from '../../words/kit.ts';
import { feltText, MOOD_WORDS, TEMPER_WORDS, TEST_WORDS, toldText } from '../../words/practice.ts';
import { CONDITION_WORDS } from '../../words/reasons.ts';
import type { BoutView } from '../../work/practice.worker.ts';
import { usePractice, type Practice } from '../../work/usePractice.ts';
import type { Looks } from '../dog/looks.ts';
import { caseOf, isPast, lookOf } from './case.ts';
import { VerdictShown } from './VerdictShown.tsx';
import { massText } from '../../words/units.ts';
import { PHASE_WORDS } from '../../words/steps.ts';
import css from './practice.module.css';

type Mode = 'feel' | 'work' | 'call';

/** Places that are often meant together. */
const GROUPS: readonly (readonly [name: string, regions: readonly Region[] | undefined])[] = [
  ['All', undefined],
  ['Head', ['face', 'ears', 'throat']],
  ['Front', ['ruff', 'chest', 'shoulder', 'foreleg', 'forefoot']],
  ['Torso', ['back', 'ribs', 'hip']],
  ['Under', ['belly', 'armpit', 'groin']],
  ['Rear', ['rump', 'breeches', 'hindleg', 'hindfoot', 'tail']],
];

/** The coat as it may be known: felt zones, pinked skin, what is chosen. */
function looksOf(view: BoutView, chosen: ReadonlySet<ZoneId>): Looks {
  const felt = new Map<ZoneId, Partial<Readings>>(view.felt);
  const looks: Looks = {};
  for (const s of view.seen) {
    const own = felt.get(s.zone);
    const { finger, tie = 'none', skin = 'clear', comb } = own ?? {};
    const pink = s.skin > 0.85;
    const as = view.calls.get(s.zone);
    looks[s.zone] = {
      grade: finger,
      tied: tie !== 'none',
      stopped: STOPPING_SKIN.has(skin),
      marked: pink || skin !== 'clear',
      lit: chosen.has(s.zone),
      done: as !== undefined || comb === 'glides',
      says: [
        own ? feltText(own) : 'not felt',
        WETNESS_WORDS[s.wetness],
        pink ? 'skin pinks' : '',
        as ? `called ${CONDITION_WORDS[as]}` : '',
        chosen.has(s.zone) ? 'chosen' : '',
      ]
        .filter((t) => t !== '')
        .join(', '),
    };
  }
  return looks;
}

/** Pieces of the room as they hang, by what they are taken for. */
const RACK_WORDS: Readonly<Record<Rack, string>> = { hands: 'By hand', ties: 'Ties', air: 'Air', water: 'Water' };
const RACKS = ['hands', 'ties', 'air', 'water'] as const;
const racked = (kit: readonly Tool[]): readonly (readonly [string, readonly Tool[]])[] =>
  RACKS.map((rack) => [RACK_WORDS[rack], roomOf(kit).filter((t) => rackOf(t.kind) === rack)] as const);

const PASSES = [1, 2, 3, 5] as const;
const SHARES = [
  { value: 0.5, word: 'half of it' },
  { value: 1, word: 'what it needs' },
] as const;

interface Props {
  readonly practice: Practice;
  readonly given: PracticeCase;
  readonly chosen: readonly ZoneId[];
}

const isHandTool = ({ kind }: Tool): boolean => toolRow(kind).cm2PerMinute > 0;

/** What a piece would do where it is held, in words. */
function wouldDo(
  tool: Tool | undefined,
  chosen: readonly ZoneId[],
  zones: readonly { readonly minutes: number }[] | undefined,
): string {
  if (!tool) return 'Take a piece.';
  if (chosen.length === 0) return 'Choose places on the dog.';
  if (!zones) return '';
  if (zones.length === 0) return 'There is nothing for it to do there.';
  const minutes = Math.max(1, Math.round(sum(zones.map((z) => z.minutes))));
  return `${zonesShort(chosen)}, about ${minutesText(minutes)}`;
}

/** The racks with their pieces. */
function Racks({ racks, toolId, onTake }: RacksProps) {
  return racks.map(([name, tools]) => (
    <fieldset key={name} className={css.hooks}>
      <legend>{name}</legend>
      {tools.map((t) => (
        <button
          key={t.id}
          type="button"
          className={css.tool}
          aria-pressed={t.id === toolId}
          onClick={() => onTake(t.id)}
        >
          {t.name}
        </button>
      ))}
    </fieldset>
  ));
}
interface RacksProps {
  readonly racks: ReturnType<typeof racked>;
  readonly toolId: string | undefined;
  readonly onTake: (toolId: string) => void;
}

function CombTo({ untie, onPick }: { untie: boolean; onPick: (untie: boolean) => void }) {
  return (
    <ChoiceGroup
      name="The comb is to"
      options={[
        { value: 'through', word: 'go through' },
        { value: 'untie', word: 'work out a tie' },
      ]}
      value={untie ? 'untie' : 'through'}
      onPick={(v) => onPick(v === 'untie')}
    />
  );
}

function Work({ practice, given, chosen }: Props) {
  const [toolId, setTool] = useState<string>();
  const [passes, setPasses] = useState<(typeof PASSES)[number]>(2);
  const [share, setShare] = useState<0.5 | 1>(1);
  const [untie, setUntie] = useState(false);
  const { ask, hand, view } = practice;
  const racks = useMemo(() => racked(given.kit), [given]);
  const tool = roomOf(given.kit).find((t) => t.id === toolId);
  const acts = view?.acts.length ?? 0;
  const isHeld = toolId !== undefined && chosen.length > 0;
  useEffect(() => {
    if (isHeld) ask({ toolId, zones: chosen, passes, share, untie });
  }, [ask, isHeld, toolId, chosen, passes, share, untie, acts]);
  const told = isHeld ? hand : undefined;
  const byHand = told ? PHASES[told.phase].work === 'hands' : tool !== undefined && isHandTool(tool);
  return (
    <>
      <Racks racks={racks} toolId={toolId} onTake={setTool} />
      {tool?.kind === 'comb' && <CombTo untie={untie} onPick={setUntie} />}
      {byHand ? (
        <ChoiceGroup
          name="Strokes over every hair"
          options={PASSES.map((value) => ({ value, word: String(value) }))}
          value={passes}
          onPick={setPasses}
        />
      ) : (
        tool && <ChoiceGroup name="Minutes" options={SHARES} value={share} onPick={setShare} />
      )}
      {tool && <p className="wt-soft mt-2">{toolRow(tool.kind).hurts}</p>}
      <div className={`${css.do} is-act`}>
        <Button
          disabled={!told || told.zones.length === 0}
          onClick={() => {
            if (isHeld && told) practice.act({ kind: 'work', phase: told.phase, toolId, zones: told.zones });
          }}
        >
          {told ? PHASE_WORDS[told.phase] : 'Work'}
        </Button>
        <span role="status">{wouldDo(tool, chosen, told?.zones)}</span>
      </div>
    </>
  );
}

function Feel({ practice, chosen }: Props) {
  const looked = practice.view?.inspection;
  const trouble = INSPECTION.filter((i) => looked?.[i.item] === 'trouble' || looked?.[i.item] === 'watch');
  return (
    <>
      <div className={css.do}>
        <Button look="usual" disabled={looked !== undefined} onClick={() => practice.act({ kind: 'look' })}>
          Look it over, eyes to rear
        </Button>
        {looked && (
          <span role="status">
            {trouble.length === 0
              ? 'Nothing that stops the work.'
              : `${listText(trouble.map((t) => t.name))}: ${trouble.some((t) => looked[t.item] === 'trouble') ? 'trouble' : 'to be watched'}.`}
          </span>
        )}
      </div>
      <div className={css.do}>
        <Button
          disabled={chosen.length === 0}
          onClick={() => practice.act({ kind: 'feel', tests: FEEL_TESTS, zones: chosen })}
        >
          All five tests
        </Button>
        <span>{chosen.length === 0 ? 'Choose places on the dog.' : zonesShort(chosen)}</span>
      </div>
      <fieldset className={css.hooks}>
        <legend>Or one of them</legend>
        {FEEL_TESTS.map((t) => (
          <button
            key={t}
            type="button"
            className={css.tool}
            aria-disabled={chosen.length === 0}
            onClick={() => {
              if (chosen.length > 0) practice.act({ kind: 'feel', tests: [t], zones: chosen });
            }}
          >
            {TEST_WORDS[t]}
          </button>
        ))}
      </fieldset>
    </>
  );
}

function Call({ practice, chosen }: Props) {
  return (
    <fieldset className={css.hooks}>
      <legend>
        {chosen.length === 0 ? 'Choose places, then say what they are' : `${capital(zonesShort(chosen))} is`}
      </legend>
      {CONDITION_KINDS.map((as) => (
        <button
          key={as}
          type="button"
          className={css.tool}
          aria-disabled={chosen.length === 0}
          onClick={() => {
            if (chosen.length > 0) practice.act({ kind: 'call', as, zones: chosen });
          }}
        >
          {CONDITION_WORDS[as]}
        </button>
      ))}
      <p className="wt-soft">
        {practice.view?.calls.size ?? 0} of {ZONE_IDS.length} zones named.
      </p>
    </fieldset>
  );
}

/** Words of the five test grades that a hand reports are said by the map; here the last answers, newest first. */
const SHOWN_ANSWERS = 8;

/** The dog's name and ways, what its owner says, and the ways to end. */
function DogHead({ given, practice }: Pick<Props, 'given' | 'practice'>) {
  const { dog, temper, goal, told } = given;
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to="/desk/practice">Practice</Link>
          </span>
          <h1>{dog.name}</h1>
        </div>
        <span>
          {dog.breed}, {coatRow(dog.coatClass).name}, {massText(dog.weightKg)}, {TEMPER_WORDS[temper]}
          {dog.traits.length > 0 && `; ${listText(dog.traits.map((t) => TRAIT_WORDS[t]))}`}
        </span>
        <div className="wt-acts">
          <Button look="usual" disabled={!practice.view} onClick={() => practice.act({ kind: 'refer' })}>
            No groom today, vet first
          </Button>
          <Button look="usual" disabled={!practice.view} onClick={() => practice.act({ kind: 'end' })}>
            {goal === 'read' ? 'That is all' : 'Done with this dog'}
          </Button>
        </div>
      </div>
      {told !== '' && <p className={css.ownerSays}>“{told}”</p>}
    </>
  );
}

function Bout({ given }: { given: PracticeCase }) {
  const [round, setRound] = useState(0);
  const fresh = useMemo(() => ({ ...given, round }), [given, round]);
  const practice = usePractice(fresh);
  const reads = given.goal === 'read';
  const [mode, setMode] = useState<Mode>('feel');
  const [at, setAt] = useState<ZoneId>('back');
  const [chosen, setChosen] = useState<readonly ZoneId[]>([]);
  const [sweepAdds, setSweepAdds] = useState(true);
  const { view, clockMinutes } = practice;
  const nameOf = (id: string): string => roomOf(given.kit).find((t) => t.id === id)?.name ?? 'piece';
  if (practice.failed) {
    return (
      <Notice tone="stop" role="alert">
        This coat could not be laid out. <Link to="/desk/practice">Take another</Link>
      </Notice>
    );
  }
  const head = <DogHead given={given} practice={practice} />;
  if (!view)
    return (
      <>
        {head}
        <p role="status">The dog is coming in …</p>
      </>
    );
  if (view.ended && view.verdict) {
    return (
      <VerdictShown
        given={given}
        view={view}
        verdict={view.verdict}
        onAgain={() => {
          setChosen([]);
          setMode('feel');
          setRound(round + 1);
        }}
      />
    );
  }
  const set = new Set(chosen);
  const toggle = (id: ZoneId, begins: boolean): void => {
    setAt(id);
    const adds = begins ? !set.has(id) : sweepAdds;
    if (begins) setSweepAdds(adds);
    setChosen((now) => (adds ? [...now.filter((z) => z !== id), id] : now.filter((z) => z !== id)));
  };
  /** Many places are drawn in slices: the hand may be at its next act already. */
  const group = (regions: readonly Region[] | undefined): void =>
    startTransition(() => setChosen(ZONE_IDS.filter((id) => !regions || regions.includes(zone(id).region))));
  const over = view.minutes > clockMinutes;
  const props = { practice, given, chosen };
  return (
    <>
      {head}
      <dl className={css.vitals}>
        <div>
          <dt>Clock</dt>
          <dd className={over ? 'is-over' : undefined}>
            {minutesText(Math.round(view.minutes))} of {minutesText(clockMinutes)}
            {over && ', over'}
            <Progress label="Clock" value={view.minutes} max={clockMinutes} />
          </dd>
        </div>
        <div>
          <dt>The dog</dt>
          <dd>
            {MOOD_WORDS[view.mood]}
            <Progress label="What the dog has borne" value={Math.min(1.15, view.strain)} max={1.15} />
          </dd>
        </div>
        <div>
          <dt>Hair out</dt>
          <dd>{grams(view.gramsOut)}</dd>
        </div>
        <div>
          <dt>Felt</dt>
          <dd>
            {view.felt.length} of {ZONE_IDS.length} zones
          </dd>
        </div>
      </dl>
      <div className={css.coatBout}>
        <section className="wt-map" aria-label="The dog">
          <CoatStage
            dog={lookOf(given.dog)}
            looks={looksOf(view, set)}
            selected={at}
            onSelect={setAt}
            onSweep={toggle}
            label="Choose places to feel or work"
            lenses
          />
          <div className={css.groups} role="group" aria-label="Choose many places">
            {GROUPS.map(([name, regions]) => (
              <button key={name} type="button" className={css.tool} onClick={() => group(regions)}>
                {name}
              </button>
            ))}
            <button type="button" className={css.tool} onClick={() => setChosen([])}>
              None
            </button>
          </div>
          <p className="wt-soft">
            {capital(zoneName(at))}: {looksOf(view, set)[at]?.says}
          </p>
        </section>
        <Sheet aria-label="What to do">
          <ChoiceGroup
            name="Now"
            options={[
              { value: 'feel', word: 'Feel' },
              reads ? { value: 'call', word: 'Name it' } : { value: 'work', word: 'Work' },
            ]}
            value={mode}
            onPick={(m) => setMode(m === 'feel' ? 'feel' : reads ? 'call' : 'work')}
          />
          {mode === 'feel' && <Feel {...props} />}
          {mode === 'work' && <Work {...props} />}
          {mode === 'call' && <Call {...props} />}
          {!reads && (
            <div className={css.do}>
              <Button look="usual" onClick={() => practice.act({ kind: 'rest', minutes: 5 })}>
                Let it rest 5 min
              </Button>
            </div>
          )}
          <h2 className="mt-3">What the coat says</h2>
          {view.told.length === 0 ? (
            <p className="wt-soft">Nothing yet. Feel before anything else: order of tests, then water.</p>
          ) : (
            <ol className={css.answers} aria-live="polite" reversed>
              {[...view.told]
                .map((t, i) => ({ t, i }))
                .reverse()
                .slice(0, SHOWN_ANSWERS)
                .map(({ t, i }) => (
                  <li key={i} value={i + 1}>
                    {toldText(t, nameOf)}
                  </li>
                ))}
            </ol>
          )}
        </Sheet>
      </div>
    </>
  );
}

function Given({ id, book }: { id: string; book?: Parameters<typeof caseOf>[1] }) {
  const given = useMemo(() => caseOf(id, book), [id, book]);
  return given ? (
    <Bout key={id} given={given} />
  ) : (
    <Notice role="alert">
      There is no practice coat at this address. <Link to="/desk/practice">Take one of these</Link>
    </Notice>
  );
}

function FromBook({ id }: { id: string }) {
  return <Loaded query={useBenchCases()}>{(book) => <Given id={id} book={book} />}</Loaded>;
}

export function CoatRoom() {
  const { caseId = '' } = useParams();
  return isPast(caseId) ? <FromBook id={caseId} /> : <Given id={caseId} />;
}
