/**
 * The coat map in full: one aspect large, all four as small pictures to choose from, and a lens for the small places.
 * It turns to an aspect that shows the chosen zone when the one in view does not.
 */
import { ASPECTS, FRAME, type Aspect, type DogLook } from './dog/frame.ts';
import { memo, useEffect, useId, useState, type ComponentProps } from 'react';
import type { ZoneId } from '../../core/dog/index.ts';
import { Deferred } from '../app/Deferred.tsx';
import { ASPECT_WORDS, CoatMap, type Box } from './CoatMap.tsx';
import type { Point } from './dog/landmarks.ts';
import { seenFrom } from './dog/seen-in.ts';
import { sideWarp } from './dog/warp.ts';
import coatCss from './coat.module.css';
import chartsCss from './charts.module.css';

type MapProps = ComponentProps<typeof CoatMap>;
interface Props extends Omit<MapProps, 'aspect' | 'lens' | 'small' | 'label'> {
  /** What the map is for; the aspect in view is said after it. */
  readonly label: string;
  /** Small places may be enlarged. */
  readonly lenses?: boolean;
  /** Only the aspect that shows the chosen zone; none to choose from. */
  readonly alone?: boolean;
}

const LENSES = ['whole', 'head', 'front', 'rear'] as const;
type Lens = (typeof LENSES)[number];
const LENS_WORDS: Readonly<Record<Lens, string>> = { whole: 'Whole dog', head: 'Head', front: 'Front', rear: 'Rear' };
/** Where each lens looks on the drawn dog's left side, and how much it enlarges. */
const LENS_AT: Readonly<Record<Exclude<Lens, 'whole'>, Point>> = {
  head: [272, 210],
  front: [372, 520],
  rear: [752, 500],
};
const ENLARGED = 2.4;

/** Part of a side view under a lens, kept within the drawing. */
function boxOf(lens: Lens, aspect: Aspect, dog: DogLook): Box | undefined {
  if (lens === 'whole' || aspect === 'above' || aspect === 'below') return undefined;
  const [width, height] = [FRAME.width / ENLARGED, FRAME.height / ENLARGED];
  const [x, y] = sideWarp(dog.shape)(LENS_AT[lens]);
  const cx = aspect === 'right' ? 2 * FRAME.x + FRAME.width - x : x;
  const within = (middle: number, from: number, whole: number, part: number): number =>
    Math.min(from + whole - part, Math.max(from, middle - part / 2));
  return { x: within(cx, FRAME.x, FRAME.width, width), y: within(y, FRAME.y, FRAME.height, height), width, height };
}

/** The aspect in view, or else the first that shows the chosen zone. */
const aspectOf = (selected: ZoneId | undefined, now: Aspect): Aspect =>
  selected === undefined || seenFrom(now, selected) ? now : (ASPECTS.find((a) => seenFrom(a, selected)) ?? now);

const Thumb = memo(CoatMap);

/** Small pictures wait until a stroke is over. */
const SETTLE_MS = 350;
function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}

export function CoatStage({ label, lenses = false, alone = false, ...map }: Props) {
  const { dog, looks, selected } = map;
  const [aspect, setAspect] = useState<Aspect>(() => aspectOf(selected, 'left'));
  const [lens, setLens] = useState<Lens>('whole');
  const [seen, setSeen] = useState(selected);
  const id = useId();
  if (selected !== seen) {
    setSeen(selected);
    if (selected && !seenFrom(aspect, selected)) {
      setAspect(aspectOf(selected, aspect));
      setLens('whole');
    }
  }
  const late = useSettled(looks);
  const side = aspect === 'left' || aspect === 'right';
  const box = lenses ? boxOf(lens, aspect, dog) : undefined;
  return (
    <div className={coatCss.stage}>
      <CoatMap {...map} aspect={aspect} lens={box} label={`${label}, ${ASPECT_WORDS[aspect].toLowerCase()}`} />
      {lenses && side && (
        <div className={coatCss.lenses} role="group" aria-label="Enlarge">
          {LENSES.map((l) => (
            <button key={l} type="button" aria-pressed={l === lens} onClick={() => setLens(l)}>
              {LENS_WORDS[l]}
            </button>
          ))}
        </div>
      )}
      {!alone && (
        <div className={coatCss.aspects} role="group" aria-label="Aspect">
          {ASPECTS.map((a) => (
            <button
              key={a}
              type="button"
              aria-pressed={a === aspect}
              aria-labelledby={`${id}-${a}`}
              onClick={() => setAspect(a)}
            >
              <Deferred instead={<span className={chartsCss.thumbPlace} />}>
                <Thumb small aspect={a} dog={dog} looks={late} label="" />
              </Deferred>
              <span id={`${id}-${a}`}>{ASPECT_WORDS[a]}</span>
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
