/** The step in hand: where, with what, how it is moved, how much the dog has left to give; and the few keys that wet thumbs need. */
import { Droplets, Hand, Hourglass, OctagonAlert, OctagonX, Pause, Search, StepForward, TimerOff } from 'lucide-react';
import { useEffect, useMemo, useRef } from 'react';
import { Button } from 'react-bootstrap';
import { PHASE_WORDS, PHASES } from '../../../core/bench/index.ts';
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
} from '../../../core/table/index.ts';
import { Caution } from '../../app/Caution.tsx';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import type { Looks } from '../../desk/dog/looks.ts';
import { capital, minutesText, percent } from '../../words/figures.ts';
import { zonesShort } from '../../words/bench.ts';
import { clock, shortMinutes } from '../../words/table.ts';
import { useDevices } from '../useDevices.ts';
import { signal } from './comfort.ts';
import { ContactTimer } from './ContactTimer.tsx';
import { Rings, type Ring } from './Rings.tsx';
import { UndoKey } from './UndoKey.tsx';
import { caseOf, type Table } from './useTable.ts';
import { useNow } from './useNow.ts';

export interface WorkActs {
  readonly onComb: (zone: ZoneId, result: CombGrade) => void;
  readonly onPink: (zone: ZoneId) => void;
  readonly onMeet: () => void;
  readonly onBreak: () => void;
  /** To the next zone, or, where there is none, the step is done. */
  readonly onNext: (zone: ZoneId | undefined, heard: { dbA: number; minutes: number } | undefined) => void;
  /** The whole step is done. */
  readonly onDone: (heard: { dbA: number; minutes: number } | undefined) => void;
  /** The work to come is so many minutes longer than the dog has left to give. */
  readonly onLate: (minutes: number) => void;
  readonly onHand: () => void;
  readonly onMore: () => void;
}

const COMB_KEYS: Readonly<Record<CombGrade, string>> = { glides: 'is-good', drags: 'is-warn', stops: 'is-stop' };
const MS_PER_MINUTE = 60_000;
const AIR = ['drying', 'air'];

/** Levels at the ear since a step that blows began. */
function useHeard(step: StepRecord): () => { dbA: number; minutes: number } | undefined {
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

export function Work({
  table,
  step,
  zone,
  acts,
}: {
  table: Table;
  step: StepRecord;
  zone: ZoneId | undefined;
  acts: WorkActs;
}) {
  const { page, record, device, name } = table;
  // The clock of this device, put right, once a second.
  useNow(record.state === 'running');
  const nowMs = table.nowMs();
  const live = asOf(record, nowMs);
  const own = live.steps.find((s) => s.id === step.id) ?? step;
  const second = Math.floor(nowMs / 1000);
  const [now, late] = useMemo(() => {
    const c = caseOf(page, asOf(record, second * 1000));
    const found = tableNow(c);
    return [found, lateBy(found, c)] as const;
  }, [page, record, second]);
  const heard = useHeard(own);
  const { plan } = own;
  const zonesLeft = zonesToWalk(own, record, device, name);
  const following = zonesLeft.filter((z) => z !== zone)[0];
  const walking = walks(plan);
  const here = zone === undefined ? undefined : plan.zones.find((z) => z.zone === zone);
  const zoneMs = zone === undefined ? own.workedMs : (own.zoneMs[zone] ?? 0);
  const plannedMinutes = here?.minutes ?? plan.minutes;
  const seen = new Map(now.zones.map((z) => [z.zone, z]));

  const over = zoneMs > plannedMinutes * MS_PER_MINUTE;
  const called = useRef('');
  useEffect(() => {
    const place = `${step.id} ${zone ?? ''}`;
    if (over && called.current !== place) {
      called.current = place;
      signal('call');
    }
  }, [over, step.id, zone]);

  const looks: Looks = {};
  for (const c of page.snapshot.conditions) {
    const z = seen.get(c.zone);
    looks[c.zone] = {
      grade: z?.grade ?? c.grade,
      stopped: z?.condition === 'stop',
      tied: (z?.tie ?? 'none') !== 'none',
      marked: record.pink.some((p) => p.zone === c.zone),
      lit: zone === undefined ? plan.zones.some((p) => p.zone === c.zone) : c.zone === zone,
      done: record.comb[c.zone] === 'glides',
      says: '',
    };
  }
  const skinZone = zone === undefined ? undefined : seen.get(zone);
  const worst = Math.max(...plan.zones.map((z) => seen.get(z.zone)?.skin ?? 0));
  const skin = skinZone?.skin ?? worst;
  const wear = Math.max(...now.zones.map((z) => z.wear));
  const bladed = record.steps.some((s) => BLADES.includes(s.plan.tool.kind));
  const rings: readonly Ring[] = [
    {
      name: 'Clock',
      share: now.minutes.used / Math.max(1, now.minutes.of),
      figure: String(Math.round(now.minutes.used)),
      under: `of ${minutesText(now.minutes.of)}`,
    },
    {
      name: 'Skin',
      share: skin,
      figure: percent(skin).replace('\u00a0', ''),
      under: zone ? 'of its limit' : 'where most',
    },
    bladed
      ? {
          name: 'Blade',
          share: now.blade.of === 0 ? 0 : now.blade.used / now.blade.of,
          figure: now.blade.used.toFixed(now.blade.used < 10 ? 1 : 0),
          under: `of ${minutesText(now.blade.of)}`,
        }
      : { name: 'Topcoat', share: wear, figure: percent(wear).replace('\u00a0', ''), under: 'of its limit' },
    {
      name: 'Standing',
      share: now.standing.used / Math.max(1, now.standing.of),
      figure: String(Math.round(now.standing.used)),
      under: `of ${minutesText(now.standing.of)}`,
    },
  ];
  const cautions = zone === undefined ? plan.cautions : cautionsAt(now, plan, zone);
  const stopped = now.zones.filter((z) => z.condition === 'stop').map((z) => z.zone);
  const { stroke, watch } = strokeOf(plan.tool.kind, page.request.house);
  const nextWord = following ? `Next: ${zoneName(following)}` : 'Step done';
  return (
    <div className="wt-live">
      <section className="wt-live-what" aria-labelledby="step">
        <h2 id="step" className="wt-step-name">
          {zone ? capital(zoneName(zone)) : PHASE_WORDS[plan.phase]}
        </h2>
        <p className="wt-live-tool">
          <strong>{capital(plan.tool.name)}</strong>
          {zone ? `, ${PHASE_WORDS[plan.phase].toLowerCase()}` : ''}
        </p>
        <p className="wt-live-stroke">
          {stroke} <span className="wt-soft">{watch}</span>
        </p>
        {cautions.slice(0, 1).map((id) => (
          <Caution key={id} id={id} />
        ))}
        {stopped.length > 0 && (
          <p className="wt-live-stop">
            <OctagonX aria-hidden size={18} /> Leave alone: {zonesShort(stopped)}
          </p>
        )}
      </section>
      <div className="wt-live-time">
        <p
          className={over ? 'wt-clock is-over' : 'wt-clock'}
          aria-label={zone ? 'Time on this zone' : 'Time on this step'}
        >
          {clock(zoneMs)} <span className="wt-soft">of {shortMinutes(plannedMinutes)}</span>
        </p>
        {(plan.phase === 'bath' || plan.phase === 'rewash') && (
          <ContactTimer key={own.id} sessionId={page.id} step={own.id} />
        )}
      </div>
      <div className="wt-live-rings">
        <Rings rings={rings} />
      </div>
      <section className="wt-live-map" aria-label="Where">
        <CoatStage
          key={own.id}
          dog={page}
          looks={looks}
          selected={zone}
          alone
          label={zone ? `Now: ${zoneName(zone)}` : `Zones of this step: ${plan.zones.length}`}
        />
      </section>
      <div className="wt-live-keys">
        {walking && zone && (
          <div className="wt-thumbs is-comb" role="group" aria-label={`The comb at ${zoneName(zone)}`}>
            {COMB_SCALE.map((g) => (
              <Button
                key={g.value}
                className={`wt-thumb ${COMB_KEYS[g.value]}`}
                variant="outline-primary"
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
        <div className="wt-thumbs is-row">
          <Button
            className="wt-thumb is-main"
            onClick={() => (walking ? acts.onNext(following, heard()) : acts.onDone(heard()))}
          >
            <StepForward aria-hidden />
            {walking ? nextWord : 'Step done'}
          </Button>
          {walking && zone && (
            <Button className="wt-thumb is-pink" variant="outline-primary" onClick={() => acts.onPink(zone)}>
              <OctagonAlert aria-hidden /> Pink
            </Button>
          )}
          <Button className="wt-thumb" variant="outline-primary" onClick={acts.onMeet}>
            <Search aria-hidden /> Found
          </Button>
          <Button className="wt-thumb" variant="outline-primary" onClick={acts.onBreak}>
            <Pause aria-hidden /> Break
          </Button>
          <UndoKey table={table} />
        </div>
      </div>
      <div className="wt-live-quiet">
        <div className="wt-thumbs is-row is-quiet">
          {walking && following && (
            <Button className="wt-thumb" variant="outline-primary" onClick={() => acts.onDone(heard())}>
              <Hourglass aria-hidden /> Whole step done
            </Button>
          )}
          {late > 0 && (
            <Button className="wt-thumb is-late" variant="outline-primary" onClick={() => acts.onLate(late)}>
              <TimerOff aria-hidden /> {minutesText(late)} too much
            </Button>
          )}
          <Button className="wt-thumb" variant="outline-primary" onClick={acts.onHand}>
            <Hand aria-hidden /> Hand over
          </Button>
          <Button className="wt-thumb" variant="outline-primary" onClick={acts.onMore}>
            <Droplets aria-hidden /> More
          </Button>
        </div>
      </div>
    </div>
  );
}
