/**
 * The stairs as they are worked on: each tread can be chosen, dragged to another place by mouse, finger or keys, and the
 * chosen one stretched by its edge. What is drawn is always the coat computed again, also halfway through a drag.
 */
import {
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { useEffect, useRef, useState, type CSSProperties, type KeyboardEvent, type PointerEvent } from 'react';
import type { Edit, PlanStep } from '../../../core/bench/index.ts';
import { extentsOf, minutesOf, Staircase, STAIRS_ASPECT, STAIRS_SPAN } from '../../drawing/Staircase.tsx';
import { grams, minutesText } from '../../words/figures.ts';
import { stepName } from '../../words/steps.ts';
import chartsCss from '../../drawing/charts.module.css';
import css from './plan.module.css';

interface Props {
  /** As they stand, an edit in hand included. */
  readonly steps: readonly PlanStep[];
  /** As they stood before the drag. */
  readonly before: readonly PlanStep[];
  readonly other?: { readonly steps: readonly PlanStep[]; readonly name: string } | undefined;
  readonly title: string;
  readonly chosen: string | undefined;
  readonly faulty: ReadonlySet<string>;
  readonly onChoose: (id: string) => void;
  readonly onLook: (id: string | undefined) => void;
  /** While a drag goes on; undefined when it is let go without a change. */
  readonly onTry: (edit: Edit | undefined) => void;
  readonly onEdit: (edit: Edit) => void;
}

const MOST_STEP_MINUTES = 240;

const clientXOf = (e: Event): number | undefined =>
  e instanceof MouseEvent
    ? e.clientX
    : 'TouchEvent' in window && e instanceof TouchEvent
      ? e.touches[0]?.clientX
      : undefined;

/** Minute at which a step begins. */
function beginOf(steps: readonly PlanStep[], id: string): number {
  let from = 0;
  for (const s of steps) {
    if (s.id === id) break;
    from += s.minutes;
  }
  return from;
}

/** Place a dragged step takes: the gap between the others that lies nearest to where it would begin. */
function placeAt(steps: readonly PlanStep[], id: string, begin: number): number {
  let [at, best, gap, nearest] = [0, 0, 0, Math.abs(begin)];
  for (const s of steps) {
    if (s.id === id) continue;
    gap += s.minutes;
    at++;
    if (Math.abs(gap - begin) < nearest) [best, nearest] = [at, Math.abs(gap - begin)];
  }
  return best;
}

export function Stairs(props: Props) {
  const { steps, before, other, title, chosen, faulty, onChoose, onLook, onTry, onEdit } = props;
  const box = useRef<HTMLDivElement>(null);
  const dragged = useRef<{ id: string; to: number } | undefined>(undefined);
  const byKeys = useRef(false);
  const pointer = useRef({ from: 0, now: 0 });
  useEffect(() => {
    const follow = (e: Event): void => {
      pointer.current.now = clientXOf(e) ?? pointer.current.now;
    };
    window.addEventListener('mousemove', follow, { capture: true, passive: true });
    window.addEventListener('touchmove', follow, { capture: true, passive: true });
    return () => {
      window.removeEventListener('mousemove', follow, { capture: true });
      window.removeEventListener('touchmove', follow, { capture: true });
    };
  }, []);
  const span = Math.max(minutesOf(before), other ? minutesOf(other.steps) : 0, minutesOf(steps));
  const minutesPerPixel = (): number => span / ((box.current?.getBoundingClientRect().width ?? 1) * STAIRS_SPAN);

  const [said, setSaid] = useState('');
  const carry = (id: string, to: number): void => {
    if (dragged.current?.to === to) return;
    dragged.current = { id, to };
    onTry({ kind: 'move', id, to });
    setSaid(`${nameOf(id)}, now place ${to + 1} of ${before.length}.`);
  };
  /** Arrow keys carry a step past one neighbour at a time; no coordinates are needed for that. */
  const byNeighbour: KeyboardCoordinateGetter = (event, { active }) => {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.code];
    if (by === undefined) return undefined;
    event.preventDefault();
    const id = String(active);
    const now = dragged.current?.to ?? before.findIndex((s) => s.id === id);
    carry(id, Math.max(0, Math.min(before.length - 1, now + by)));
    return undefined;
  };
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 160, tolerance: 10 } }),
    useSensor(KeyboardSensor, { coordinateGetter: byNeighbour, keyboardCodes: KEYS }),
  );
  const extents = extentsOf(steps, span);
  const numberOf = (id: string): number => before.findIndex((s) => s.id === id) + 1;
  const nameOf = (id: string | number): string => {
    const s = steps.find((own) => own.id === id);
    return s ? stepName(s) : 'step';
  };
  const finish = (keep: boolean): void => {
    const own = dragged.current;
    dragged.current = undefined;
    onTry(undefined);
    if (keep && own && before[own.to]?.id !== own.id) onEdit({ kind: 'move', id: own.id, to: own.to });
  };
  return (
    <DndContext
      sensors={sensors}
      autoScroll={false}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            'Press M to take the step up, arrow keys to carry it along the stairs, M again to set it down, Escape to put it back. Plus and minus give it more or fewer minutes.',
        },
        announcements: {
          onDragStart: ({ active }) => `Took up ${nameOf(active.id)}.`,
          onDragOver: () => undefined,
          onDragMove: () => undefined,
          onDragEnd: ({ active }) => `Set down ${nameOf(active.id)}.`,
          onDragCancel: ({ active }) => `Put ${nameOf(active.id)} back.`,
        },
      }}
      onDragStart={({ active, activatorEvent }) => {
        byKeys.current = activatorEvent.type === 'keydown';
        const from = clientXOf(activatorEvent) ?? 0;
        pointer.current = { from, now: from };
        const id = String(active.id);
        onChoose(id);
        dragged.current = { id, to: before.findIndex((s) => s.id === id) };
      }}
      onDragMove={({ active }) => {
        // Keys carry by places; only a pointer moves by pixels. The stairs are drawn again under it, so that what is
        // dragged has itself moved: only the way of the pointer counts.
        if (byKeys.current) return;
        const id = String(active.id);
        const by = pointer.current.now - pointer.current.from;
        carry(id, placeAt(before, id, beginOf(before, id) + by * minutesPerPixel()));
      }}
      onDragEnd={() => finish(true)}
      onDragCancel={() => finish(false)}
    >
      <p className="visually-hidden" role="status">
        {said}
      </p>
      <div className={chartsCss.stairs} ref={box}>
        <div className={css.stairsBoard}>
          <Staircase steps={steps} other={other} title={title} lit={chosen} faulty={faulty} span={span} />
          <div className={css.treads} style={BOARD} onPointerLeave={() => onLook(undefined)}>
            {steps.map((s, i) => {
              const at = extents[i];
              if (!at) return null;
              return (
                <Tread
                  key={s.id}
                  step={s}
                  number={numberOf(s.id)}
                  of={steps.length}
                  style={{ left: `${at.from * 100}%`, width: `${(at.to - at.from) * 100}%` }}
                  chosen={s.id === chosen}
                  faulty={faulty.has(s.id)}
                  onChoose={() => onChoose(s.id)}
                  onLook={() => onLook(s.id)}
                  onMinutes={(minutes) => onEdit({ kind: 'minutes', id: s.id, minutes })}
                  onDrop={() => onEdit({ kind: 'drop', id: s.id })}
                />
              );
            })}
            {steps.map((s, i) => {
              const at = extents[i];
              return s.id === chosen && at ? (
                <Grip
                  key={`grip ${s.id}`}
                  step={s}
                  at={at.to}
                  minutesPerPixel={minutesPerPixel}
                  onTry={(minutes) => onTry({ kind: 'minutes', id: s.id, minutes })}
                  onEdit={(minutes) => {
                    onTry(undefined);
                    if (minutes !== undefined) onEdit({ kind: 'minutes', id: s.id, minutes });
                  }}
                />
              ) : null;
            })}
          </div>
        </div>
      </div>
    </DndContext>
  );
}
const BOARD: CSSProperties = {
  aspectRatio: String(STAIRS_ASPECT),
};
const KEYS = { start: ['KeyM'], cancel: ['Escape'], end: ['KeyM', 'Enter'] };

function Tread({
  step,
  number,
  of,
  style,
  chosen,
  faulty,
  onChoose,
  onLook,
  onMinutes,
  onDrop,
}: {
  step: PlanStep;
  number: number;
  of: number;
  style: CSSProperties;
  chosen: boolean;
  faulty: boolean;
  onChoose: () => void;
  onLook: () => void;
  onMinutes: (minutes: number) => void;
  onDrop: () => void;
}) {
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id: step.id });
  const byKey = (e: KeyboardEvent<HTMLElement>): void => {
    if (e.key === '+' || e.key === '=') onMinutes(step.minutes + 1);
    else if (e.key === '-' && step.minutes > 1) onMinutes(step.minutes - 1);
    else if (e.key === 'Delete') onDrop();
    else if (e.key === 'Enter' && !isDragging) onChoose();
    else {
      listeners?.onKeyDown?.(e);
      return;
    }
    e.preventDefault();
  };
  return (
    <button
      {...attributes}
      {...listeners}
      ref={setNodeRef}
      type="button"
      className={`${css.tread}${isDragging ? ' is-dragged' : ''}`}
      style={style}
      aria-pressed={chosen}
      aria-label={`Step ${number} of ${of}: ${stepName(step)}, ${minutesText(step.minutes)}, ${grams(step.gramsOut)} out${faulty ? ', something is wrong here' : ''}`}
      onClick={onChoose}
      onPointerEnter={onLook}
      onFocus={onLook}
      onKeyDown={byKey}
    />
  );
}

function Grip({
  step,
  at,
  minutesPerPixel,
  onTry,
  onEdit,
}: {
  step: PlanStep;
  at: number;
  minutesPerPixel: () => number;
  onTry: (minutes: number) => void;
  onEdit: (minutes: number | undefined) => void;
}) {
  const held = useRef<{ x: number; minutes: number; scale: number; now: number } | undefined>(undefined);
  const clampMinutes = (m: number): number => Math.max(1, Math.min(MOST_STEP_MINUTES, Math.round(m)));
  const move = (e: PointerEvent): void => {
    const h = held.current;
    if (!h) return;
    const now = clampMinutes(h.minutes + (e.clientX - h.x) * h.scale);
    if (now === h.now) return;
    h.now = now;
    onTry(now);
  };
  const letGo = (e: PointerEvent<HTMLElement>, keep: boolean): void => {
    const h = held.current;
    if (!h) return;
    held.current = undefined;
    e.currentTarget.releasePointerCapture(e.pointerId);
    onEdit(keep && h.now !== h.minutes ? h.now : undefined);
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      className={css.grip}
      style={{ left: `${at * 100}%` }}
      aria-label={`Minutes of ${stepName(step)}`}
      aria-valuemin={1}
      aria-valuemax={MOST_STEP_MINUTES}
      aria-valuenow={step.minutes}
      aria-valuetext={minutesText(step.minutes)}
      onPointerDown={(e) => {
        e.preventDefault();
        e.currentTarget.setPointerCapture(e.pointerId);
        held.current = { x: e.clientX, minutes: step.minutes, scale: minutesPerPixel(), now: step.minutes };
      }}
      onPointerMove={move}
      onPointerUp={(e) => letGo(e, true)}
      onPointerCancel={(e) => letGo(e, false)}
      onKeyDown={(e) => {
        const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[e.key];
        if (by === undefined) return;
        e.preventDefault();
        onEdit(clampMinutes(step.minutes + by));
      }}
    />
  );
}
