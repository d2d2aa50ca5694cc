/** The sheet as lanes of time, one for each person, dog or place; by person stages can be dragged by mouse, finger or keys. */
import { DndContext, useDraggable, type DragMoveEvent, type KeyboardCoordinateGetter } from '@dnd-kit/core';
import { Bath, BedDouble, Brush, Hand, Sparkles, Wind, type LucideIcon } from 'lucide-react';
import { useLayoutEffect, useRef, useState } from 'react';
import {
  STAGE_KINDS,
  type DayAsked,
  type DaySheet,
  type ScheduledStage,
  type StageKind,
} from '../../../core/day/index.ts';
import { Tip } from '../../ui/Tip.tsx';
import { minuteText } from '../../words/dates.ts';
import { STAGE_WORDS } from '../../words/day.ts';
import { useDragSensors } from '../../app/drag.ts';
import { minutesText } from '../../words/figures.ts';
import { LANE_PX, restrictToLanes } from './restrict.ts';
import css from './day.module.css';

export const STAGE_ICONS: Readonly<Record<StageKind, LucideIcon>> = {
  check: Hand,
  'dry-work': Brush,
  bath: Bath,
  drying: Wind,
  finish: Sparkles,
  rest: BedDouble,
};

export type LanesBy = 'person' | 'dog' | 'place';
export interface Drop {
  readonly visit: string;
  readonly stage: number;
  readonly start: number;
  readonly person: string | undefined;
}
interface Props {
  readonly asked: DayAsked;
  readonly sheet: Pick<DaySheet, 'laid' | 'pauses'>;
  readonly by: LanesBy;
  readonly lanes: readonly { readonly id: string; readonly name: string }[];
  readonly dogName: (visit: string) => string;
  readonly now: number | null;
  /** Stages that stand in a breach. */
  readonly faulty?: ReadonlySet<string>;
  readonly onTry?: (drop: Drop | undefined) => void;
  readonly onDrop?: (drop: Drop) => void;
}

const NONE: ReadonlySet<string> = new Set();
const STEP_MINUTES = 5;
/** Room that the label of an hour needs. */
const LABEL_PX = 62;
/** Drawn beyond the last stage, so that it can be dragged later. */
const AFTER_MINUTES = 30;
/** A bar narrower than this says its stage by its sign alone. */
const NAMED_PX = 64;
const byStep =
  (stepPx: number): KeyboardCoordinateGetter =>
  (event, { currentCoordinates: { x, y } }) => {
    const by = { ArrowRight: [stepPx, 0], ArrowLeft: [-stepPx, 0], ArrowDown: [0, LANE_PX], ArrowUp: [0, -LANE_PX] }[
      event.code
    ];
    if (!by) return undefined;
    event.preventDefault();
    return { x: x + (by[0] ?? 0), y: y + (by[1] ?? 0) };
  };

const laneOf = (l: ScheduledStage, by: LanesBy): string | undefined =>
  by === 'person' ? l.person : by === 'dog' ? l.visit : l.place;
export const laidKey = ({ visit, stage }: Pick<ScheduledStage, 'visit' | 'stage'>): string => `${visit}~${stage}`;

/** Stages of one dog that follow each other in a lane: its name stands over all of them, as far as the next dog. */
function runsOf(
  laid: readonly ScheduledStage[],
): readonly { readonly visit: string; readonly start: number; readonly end: number }[] {
  const order = [...laid].sort((a, b) => a.start - b.start);
  const runs: { visit: string; start: number; end: number }[] = [];
  for (const l of order) {
    const last = runs.at(-1);
    if (last?.visit === l.visit) last.end = l.end;
    else {
      if (last) last.end = Math.max(last.end, Math.min(l.start, last.end + NAME_MINUTES));
      runs.push({ visit: l.visit, start: l.start, end: l.end });
    }
  }
  const end = runs.at(-1);
  if (end) end.end += NAME_MINUTES;
  return runs;
}
/** A name may reach so far beyond its dog's last stage where nothing follows. */
const NAME_MINUTES = 45;

/** What the signs of the bars stand for. */
export function LaneKey() {
  return (
    <p className={css.laneKey}>
      {STAGE_KINDS.map((k) => {
        const Icon = STAGE_ICONS[k];
        return (
          <span key={k}>
            <Icon aria-hidden size={16} /> {STAGE_WORDS[k]}
          </span>
        );
      })}
    </p>
  );
}

export function Lanes({ asked, sheet, by, lanes, dogName, now, faulty = NONE, onTry, onDrop }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [wide, setWide] = useState(900);
  useLayoutEffect(() => {
    const el = box.current;
    if (!el) return;
    const watch = new ResizeObserver(() => setWide(el.clientWidth));
    watch.observe(el);
    setWide(el.clientWidth);
    return () => watch.disconnect();
  }, []);
  const held = [...sheet.laid, ...sheet.pauses];
  const from = Math.floor(Math.min(...held.map((l) => l.start), ...asked.people.map((p) => p.hours.from)) / 60) * 60;
  const to = Math.ceil((Math.max(...held.map((l) => l.end)) + AFTER_MINUTES) / 60) * 60;
  const px = wide / Math.max(60, to - from);
  const sensors = useDragSensors(byStep(STEP_MINUTES * px));
  const begun = new Set(asked.begun.map(laidKey));
  const dropOf = ({ active, delta }: Pick<DragMoveEvent, 'active' | 'delta'>): Drop | undefined => {
    const l = sheet.laid.find((x) => laidKey(x) === String(active.id));
    if (!l) return undefined;
    const start = l.start + Math.round(delta.x / px / STEP_MINUTES) * STEP_MINUTES;
    const lane = lanes.findIndex((x) => x.id === l.person) + Math.round(delta.y / LANE_PX);
    const person = lanes[Math.min(lanes.length - 1, Math.max(0, lane))]?.id ?? l.person;
    return { visit: l.visit, stage: l.stage, start, person };
  };
  const hours = Array.from({ length: (to - from) / 60 + 1 }, (_, i) => from + 60 * i);
  // Labels stand as close as they can be read.
  const every = Math.ceil(LABEL_PX / (60 * px));
  const close = hours.filter((_, i) => i % every === 0);
  // The last stands left of its line: the one before it leaves it room.
  const labelled = close.filter((h) => h === to || !close.includes(to) || (to - h) * px >= 2 * LABEL_PX);
  return (
    <DndContext
      sensors={sensors}
      modifiers={[restrictToLanes]}
      onDragMove={(e) => onTry?.(dropOf(e))}
      onDragCancel={() => onTry?.(undefined)}
      onDragEnd={(e) => {
        const drop = dropOf(e);
        onTry?.(undefined);
        if (drop && (e.delta.x !== 0 || e.delta.y !== 0)) onDrop?.(drop);
      }}
    >
      <div className={css.lanes}>
        <div className={css.laneNames} aria-hidden>
          {lanes.map((l) => (
            <div key={l.id} style={{ height: LANE_PX }}>
              {l.name}
            </div>
          ))}
        </div>
        <div className={css.laneField} ref={box}>
          <div className={css.laneHours} aria-hidden>
            {labelled.map((h) => (
              <span key={h} style={{ left: (h - from) * px }} className={h === to ? 'is-last' : undefined}>
                {minuteText(h)}
              </span>
            ))}
          </div>
          {lanes.map((lane) => {
            const person = by === 'person' ? asked.people.find((p) => p.id === lane.id) : undefined;
            return (
              <div key={lane.id} className={css.lane} role="list" aria-label={lane.name} style={{ height: LANE_PX }}>
                {person && (
                  <>
                    <span className={css.laneOff} style={{ left: 0, width: (person.hours.from - from) * px }} />
                    <span
                      className={css.laneOff}
                      style={{ left: Math.min(to - from, person.hours.to - from) * px, right: 0 }}
                    />
                  </>
                )}
                {hours.map((h) => (
                  <span key={h} className={css.laneLine} style={{ left: (h - from) * px }} />
                ))}
                {by === 'person' &&
                  sheet.pauses
                    .filter((p) => p.person === lane.id)
                    .map((p) => (
                      <div
                        key={`${p.person} ${p.pause}`}
                        role="listitem"
                        className={`${css.stagebar} is-pause`}
                        style={{ left: (p.start - from) * px, width: (p.end - p.start) * px }}
                        title={`Pause ${minuteText(p.start)}–${minuteText(p.end)}`}
                      >
                        <span>pause</span>
                      </div>
                    ))}
                {by !== 'dog' &&
                  runsOf(sheet.laid.filter((l) => laneOf(l, by) === lane.id)).map((r) => (
                    <span
                      key={`${r.visit} ${r.start}`}
                      aria-hidden
                      className={css.run}
                      style={{ left: (r.start - from) * px, width: (r.end - r.start) * px }}
                    >
                      {dogName(r.visit)}
                    </span>
                  ))}
                {sheet.laid
                  .filter((l) => laneOf(l, by) === lane.id)
                  .map((l) => (
                    <Bar
                      key={laidKey(l)}
                      laid={l}
                      kind={asked.visits.find((v) => v.id === l.visit)?.stages[l.stage]?.kind ?? 'check'}
                      name={dogName(l.visit)}
                      left={(l.start - from) * px}
                      width={(l.end - l.start) * px}
                      faulty={faulty.has(laidKey(l))}
                      movable={onDrop !== undefined && by === 'person' && !begun.has(laidKey(l))}
                      begun={begun.has(laidKey(l))}
                    />
                  ))}
              </div>
            );
          })}
          {now !== null && now >= from && now <= to && (
            <span className={css.laneNow} style={{ left: (now - from) * px }} />
          )}
        </div>
      </div>
    </DndContext>
  );
}

interface BarProps {
  readonly laid: ScheduledStage;
  readonly kind: StageKind;
  readonly name: string;
  readonly left: number;
  readonly width: number;
  readonly faulty: boolean;
  readonly movable: boolean;
  readonly begun: boolean;
}
function Bar({ laid, kind, name, left, width, faulty, movable, begun }: BarProps) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: laidKey(laid),
    disabled: !movable,
  });
  const Icon = STAGE_ICONS[kind];
  const words = `${name}, ${STAGE_WORDS[kind]}, ${minuteText(laid.start)} to ${minuteText(laid.end)}, ${minutesText(laid.end - laid.start)}${begun ? ', begun' : ''}`;
  const style = {
    left,
    width: Math.max(4, width - 2),
    ...(transform && { transform: `translate(${transform.x}px, ${transform.y}px)` }),
  };
  const inner = (
    <>
      {width > 13 && <Icon aria-hidden size={Math.min(16, Math.floor(width) - 7)} />}
      {width >= NAMED_PX && <span>{STAGE_WORDS[kind]}</span>}
    </>
  );
  const className = `${css.stagebar} is-${kind}${faulty ? ' is-faulty' : ''}${begun ? ' is-begun' : ''}${isDragging ? ' is-dragged' : ''}`;
  return (
    <div role="listitem" className="wt-stagebar-place">
      {movable ? (
        <Tip says={words}>
          <button
            ref={setNodeRef}
            type="button"
            className={className}
            style={style}
            {...listeners}
            {...attributes}
            aria-label={words}
          >
            {inner}
          </button>
        </Tip>
      ) : (
        <div className={className} style={style} title={words} role="img" aria-label={words}>
          {inner}
        </div>
      )}
    </div>
  );
}
