/** The step in hand: where, with what, how it is moved, how much the dog has left to give; and the few keys that wet thumbs need. */
import { Droplets, Hand, Hourglass, OctagonAlert, OctagonX, Pause, Search, StepForward, TimerOff } from 'lucide-react';
import { useEffect, useMemo, useRef } from 'react';
import { PHASES, pressing, type PlanStep } from '../../../core/bench/index.ts';
import { COMB_SCALE, type CombGrade } from '../../../core/check/index.ts';
import { zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { BLADES, strokeOf } from '../../../core/kit/index.ts';
import {
  asOf,
  cautionsAt,
  lateBy,
  meanLevel,
  tableNow,
  walks,
  zonesToWalk,
  type StepRecord,
  type TableNow,
} from '../../../core/table/index.ts';
import { Caution } from '../../app/Caution.tsx';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import type { Looks } from '../../desk/dog/looks.ts';
import { Button } from '../../ui/Button.tsx';
import { capital, minutesText, percent } from '../../words/figures.ts';
import { zonesShort } from '../../words/places.ts';
import { clock, shortMinutes } from '../../words/table.ts';
import { useDevices } from '../useDevices.ts';
import { signal } from './comfort.ts';
import { ContactTimer } from './ContactTimer.tsx';
import { Rings, type Ring } from './Rings.tsx';
import { UndoKey } from './UndoKey.tsx';
import { caseOf, type Table } from './useTable.ts';
import { useNow } from './useNow.ts';
import { stepWordOf } from '../../words/steps.ts';
import css from './session.module.css';

/** What the meter heard of a step. */
export interface Heard {
  readonly dbA: number;
  readonly minutes: number;
}

export interface WorkActs {
  readonly onComb: (zone: ZoneId, result: CombGrade) => void;
  readonly onPink: (zone: ZoneId) => void;
  readonly onMeet: () => void;
  readonly onBreak: () => void;
  /** To the next zone, or, where there is none, the step is done. */
  readonly onNext: (zone: ZoneId | undefined, heard: Heard | undefined) => void;
  /** The whole step is done. */
  readonly onDone: (heard: Heard | undefined) => void;
  /** The work to come is so many minutes longer than the dog has left to give. */
  readonly onLate: (minutes: number) => void;
  readonly onHand: () => void;
  readonly onMore: () => void;
}

const COMB_KEYS: Readonly<Record<CombGrade, string>> = { glides: 'is-good', drags: 'is-warn', stops: 'is-stop' };
const MS_PER_MINUTE = 60_000;
const AIR = ['drying', 'air'];

/** Levels at the ear since a step that blows began. */
function useHeard(step: StepRecord): () => Heard | undefined {
  const blows = AIR.includes(PHASES[step.plan.phase].work);
  const dbA = useDevices(blows)?.dbA ?? null;
  const levels = useRef<{ step: string; heard: { dbA: number }[] }>({ step: step.id, heard: [] });
  useEffect(() => {
    if (levels.current.step !== step.id) levels.current = { step: step.id, heard: [] };
    if (dbA !== null) levels.current.heard.push({ dbA });
  }, [dbA, step.id]);
  return () => {
    const mean = meanLevel(levels.current.heard);
    return mean === undefined
      ? undefined
      : { dbA: Math.round(mean * 10) / 10, minutes: Math.round((step.workedMs / MS_PER_MINUTE) * 10) / 10 };
  };
}

/** How the session stands this second, by the clock of this device, put right. */
function useThisSecond({ page, record, nowMs: clockMs }: Table, step: StepRecord) {
  useNow(record.state === 'running');
  const nowMs = clockMs();
  const own = asOf(record, nowMs).steps.find((s) => s.id === step.id) ?? step;
  const second = Math.floor(nowMs / 1000);
  const [now, late] = useMemo(() => {
    const c = caseOf(page, asOf(record, second * 1000));
    const found = tableNow(c);
    return [found, lateBy(found, c)] as const;
  }, [page, record, second]);
  return { own, now, late };
}

/** Calls once when the time at a place is over. */
function useCall(over: boolean, place: string): void {
  const called = useRef('');
  useEffect(() => {
    if (over && called.current !== place) {
      called.current = place;
      signal('call');
    }
  }, [over, place]);
}

/** The coat under the hands: where they are is lit, where the comb fell is done. */
function looksNow({ page, record }: Table, now: TableNow, plan: PlanStep, zone: ZoneId | undefined): Looks {
  const seen = new Map(now.zones.map((z) => [z.zone, z]));
  const lit = (at: ZoneId): boolean => (zone === undefined ? plan.zones.some((p) => p.zone === at) : at === zone);
  const looks: Looks = {};
  for (const c of page.snapshot.conditions) {
    const { grade, condition, tie } = seen.get(c.zone) ?? { grade: c.grade, condition: undefined, tie: 'none' };
    looks[c.zone] = {
      grade,
      stopped: condition === 'stop',
      tied: tie !== 'none',
      marked: record.pink.some((p) => p.zone === c.zone),
      lit: lit(c.zone),
      done: record.comb[c.zone] === 'glides',
      says: '',
    };
  }
  return looks;
}

const shareOf = ({ used, of }: { readonly used: number; readonly of: number }): number => used / Math.max(1, of);
/** A share in a ring has no room for the space before its sign. */
const tight = (share: number): string => percent(share).replace('\u00a0', '');

/** How much dog, skin, blade or topcoat, and clock have left to give. */
function ringsNow({ record }: Table, now: TableNow, plan: PlanStep, zone: ZoneId | undefined): readonly Ring[] {
  const { minutes, blade, standing, zones } = now;
  const skinAt = (at: ZoneId): number => zones.find((z) => z.zone === at)?.skin ?? 0;
  const skin = zone === undefined ? Math.max(...plan.zones.map((z) => skinAt(z.zone))) : skinAt(zone);
  const wear = Math.max(...zones.map((z) => z.wear));
  const bladed = record.steps.some((s) => BLADES.includes(s.plan.tool.kind));
  return [
    {
      name: 'Clock',
      share: shareOf(minutes),
      figure: String(Math.round(minutes.used)),
      under: `of ${minutesText(minutes.of)}`,
    },
    { name: 'Skin', share: skin, figure: tight(skin), under: zone ? 'of its limit' : 'where most' },
    bladed
      ? {
          name: 'Blade',
          share: blade.of === 0 ? 0 : blade.used / blade.of,
          figure: blade.used.toFixed(blade.used < 10 ? 1 : 0),
          under: `of ${minutesText(blade.of)}`,
        }
      : { name: 'Topcoat', share: wear, figure: tight(wear), under: 'of its limit' },
    {
      name: 'Standing',
      share: shareOf(standing),
      figure: String(Math.round(standing.used)),
      under: `of ${minutesText(standing.of)}`,
    },
  ];
}

/** What is done here: the zone or the step, the tool, how it is moved, and what to leave alone. */
function WhatNow({
  table,
  now,
  plan,
  zone,
}: {
  table: Table;
  now: TableNow;
  plan: PlanStep;
  zone: ZoneId | undefined;
}) {
  const cautions = zone === undefined ? plan.cautions : cautionsAt(now, plan, zone);
  const stopped = now.zones.filter((z) => z.condition === 'stop').map((z) => z.zone);
  const { stroke, watch } = strokeOf(plan.tool.kind, table.page.request.house);
  return (
    <section className={css.liveWhat} aria-labelledby="step">
      <h2 id="step" className={css.stepName}>
        {zone ? capital(zoneName(zone)) : stepWordOf(plan)}
      </h2>
      <p className={css.liveTool}>
        <strong>{capital(plan.tool.name)}</strong>
        {zone ? `, ${stepWordOf(plan).toLowerCase()}` : ''}
      </p>
      <p className={css.liveStroke}>
        {stroke} <span className="wt-soft">{watch}</span>
      </p>
      {pressing(cautions).map((id) => (
        <Caution key={id} id={id} />
      ))}
      {stopped.length > 0 && (
        <p className={css.liveStop}>
          <OctagonX aria-hidden size={18} /> Leave alone: {zonesShort(stopped)}
        </p>
      )}
    </section>
  );
}

interface KeysProps {
  readonly table: Table;
  readonly acts: WorkActs;
  readonly heard: () => Heard | undefined;
  /** Hands go from zone to zone. */
  readonly walking: boolean;
  readonly zone: ZoneId | undefined;
  readonly following: ZoneId | undefined;
}

/** The few keys that wet thumbs need. */
function Keys({ table, acts, heard, walking, zone, following }: KeysProps) {
  const nextWord = following ? `Next: ${zoneName(following)}` : 'Step done';
  return (
    <div className={css.liveKeys}>
      {walking && zone && (
        <div className={`${css.thumbs} is-comb`} role="group" aria-label={`The comb at ${zoneName(zone)}`}>
          {COMB_SCALE.map((g) => (
            <Button
              key={g.value}
              className={`${css.thumb} ${COMB_KEYS[g.value]}`}
              look="usual"
              onClick={() => acts.onComb(zone, g.value)}
            >
              <span>
                <small>Comb</small>
                {g.word}
              </span>
            </Button>
          ))}
        </div>
      )}
      <div className={`${css.thumbs} is-row`}>
        <Button
          className={`${css.thumb} is-main`}
          onClick={() => (walking ? acts.onNext(following, heard()) : acts.onDone(heard()))}
        >
          <StepForward aria-hidden />
          {walking ? nextWord : 'Step done'}
        </Button>
        {walking && zone && (
          <Button className={`${css.thumb} is-pink`} look="usual" onClick={() => acts.onPink(zone)}>
            <OctagonAlert aria-hidden /> Pink
          </Button>
        )}
        <Button className={css.thumb} look="usual" onClick={acts.onMeet}>
          <Search aria-hidden /> Found
        </Button>
        <Button className={css.thumb} look="usual" onClick={acts.onBreak}>
          <Pause aria-hidden /> Break
        </Button>
        <UndoKey table={table} />
      </div>
    </div>
  );
}

/** Keys that are wanted less often. */
function QuietKeys({
  acts,
  heard,
  wholeStep,
  late,
}: Pick<KeysProps, 'acts' | 'heard'> & { wholeStep: boolean; late: number }) {
  return (
    <div className={css.liveQuiet}>
      <div className={`${css.thumbs} is-row is-quiet`}>
        {wholeStep && (
          <Button className={css.thumb} look="usual" onClick={() => acts.onDone(heard())}>
            <Hourglass aria-hidden /> Whole step done
          </Button>
        )}
        {late > 0 && (
          <Button className={`${css.thumb} is-late`} look="usual" onClick={() => acts.onLate(late)}>
            <TimerOff aria-hidden /> {minutesText(late)} too much
          </Button>
        )}
        <Button className={css.thumb} look="usual" onClick={acts.onHand}>
          <Hand aria-hidden /> Hand over
        </Button>
        <Button className={css.thumb} look="usual" onClick={acts.onMore}>
          <Droplets aria-hidden /> More
        </Button>
      </div>
    </div>
  );
}

/** Time on the zone or the step, against the plan's. */
function Timer({ table, step, zone }: { table: Table; step: StepRecord; zone: ZoneId | undefined }) {
  const { plan } = step;
  const ms = zone === undefined ? step.workedMs : (step.zoneMs[zone] ?? 0);
  const planned = plan.zones.find((z) => z.zone === zone)?.minutes ?? plan.minutes;
  const over = ms > planned * MS_PER_MINUTE;
  useCall(over, `${step.id} ${zone ?? ''}`);
  return (
    <div className={css.liveTime}>
      <p
        className={over ? `${css.clock} is-over` : css.clock}
        aria-label={zone ? 'Time on this zone' : 'Time on this step'}
      >
        {clock(ms)} <span className="wt-soft">of {shortMinutes(planned)}</span>
      </p>
      {(plan.phase === 'bath' || plan.phase === 'rewash') && (
        <ContactTimer key={step.id} sessionId={table.page.id} step={step.id} />
      )}
    </div>
  );
}

interface WorkProps {
  readonly table: Table;
  readonly step: StepRecord;
  readonly zone: ZoneId | undefined;
  readonly acts: WorkActs;
}

export function Work({ table, step, zone, acts }: WorkProps) {
  const { page, record, device, name } = table;
  const { own, now, late } = useThisSecond(table, step);
  const heard = useHeard(own);
  const { plan } = own;
  const walking = walks(plan);
  const following = zonesToWalk(own, record, device, name).find((z) => z !== zone);
  return (
    <div className={css.live}>
      <WhatNow table={table} now={now} plan={plan} zone={zone} />
      <Timer table={table} step={own} zone={zone} />
      <div className={css.liveRings}>
        <Rings rings={ringsNow(table, now, plan, zone)} />
      </div>
      <section className={css.liveMap} aria-label="Where">
        <CoatStage
          key={own.id}
          dog={page}
          looks={looksNow(table, now, plan, zone)}
          selected={zone}
          alone
          label={zone ? `Now: ${zoneName(zone)}` : `Zones of this step: ${plan.zones.length}`}
        />
      </section>
      <Keys {...{ table, acts, heard, walking, zone, following }} />
      <QuietKeys acts={acts} heard={heard} wholeStep={walking && following !== undefined} late={late} />
    </div>
  );
}
