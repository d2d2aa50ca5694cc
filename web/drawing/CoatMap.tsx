/**
 * The coat map: the dog in its shape and coat from one side, above or below, every zone a button. Undercoat is wool texture that thickens with its grade,
 * ties are crossing strokes, a stop is a ringed mark. Arrow keys walk the zones in working order.
 */
import { FRAME, type Aspect, type DogLook, MIDLINE } from './dog/frame.ts';
import { dequal } from 'dequal/lite';
import { memo, useId, useMemo, useRef, type KeyboardEvent, type MouseEvent, type PointerEvent } from 'react';
import { isZoneId, mirrorZone, zoneName, ZONE_IDS, type ZoneId } from '../../core/dog/index.ts';
import type { Figure } from './dog/figure.ts';
import { useFigure } from './dog/useFigure.ts';
import { WoolPatterns } from './WoolPatterns.tsx';
import css from './coat.module.css';
import { COAT_INK } from './coat-ink.ts';

/** How one zone is drawn. */
export interface ZoneLook {
  /** Undercoat grade 0 bare … 4 plate; absent when nobody knows. */
  readonly grade?: number | undefined;
  readonly tied?: boolean | undefined;
  readonly stopped?: boolean | undefined;
  /** Skin finding that does not stop. */
  readonly marked?: boolean | undefined;
  /** Lit: worked in this step. Done: the comb glided. */
  readonly lit?: boolean | undefined;
  readonly done?: boolean | undefined;
  /** Undercoat grade of another day, drawn faintly where this day has none yet. */
  readonly ghost?: number | undefined;
  /** Said after the zone's name. */
  readonly says: string;
}

/** The part of the drawing that is shown. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export const ASPECT_WORDS: Readonly<Record<Aspect, string>> = {
  left: 'Left side',
  right: 'Right side',
  above: 'From above',
  below: 'From below',
};

interface Props {
  readonly aspect: Aspect;
  /** Body shape and coat, which decide how the dog is drawn. */
  readonly dog: DogLook;
  readonly looks: Partial<Readonly<Record<ZoneId, ZoneLook>>>;
  readonly selected?: ZoneId | undefined;
  readonly onSelect?: ((zone: ZoneId) => void) | undefined;
  /** A pointer went down on a zone (begins), or was drawn on over another; with Shift, an arrow key carried it there. */
  readonly onSweep?: ((zone: ZoneId, begins: boolean) => void) | undefined;
  /** A key on a zone that the map itself does not use; true when it was used. */
  readonly onZoneKey?: ((event: KeyboardEvent, zone: ZoneId) => boolean) | undefined;
  readonly label: string;
  /** A small picture: no hair within the zones, no caption. */
  readonly small?: boolean;
  /** The part shown, enlarged; the whole drawing when left out. */
  readonly lens?: Box | undefined;
}

interface ShownZone {
  readonly id: ZoneId;
  readonly path: string;
  readonly centre: readonly [number, number];
}

/** Zones that an aspect shows, by part of the figure. */
const partsOf = (figure: Figure, aspect: Aspect): readonly (readonly ShownZone[])[] =>
  figure.parts.map(({ zones }) =>
    zones.map((z): ShownZone => (aspect === 'right' ? { ...z, id: mirrorZone(z.id) } : z)),
  );

/** The dog once its strokes are there, its place until then. */
export function CoatMap(props: Props) {
  const figure = useFigure(props.dog, props.aspect);
  if (figure) return <Drawn {...props} figure={figure} />;
  return (
    <figure className={props.small ? `${css.coatmap} is-small` : css.coatmap} aria-busy>
      <div className={css.layers}>
        <svg viewBox={`${FRAME.x} ${FRAME.y} ${FRAME.width} ${FRAME.height}`} aria-hidden />
      </div>
    </figure>
  );
}

interface DrawnProps extends Omit<Props, 'dog'> {
  readonly figure: Figure;
}

/** Where an event of a map happened. */
function zoneAt(target: EventTarget | null): ZoneId | undefined {
  const id = target instanceof Element ? target.closest('[data-zone]')?.getAttribute('data-zone') : undefined;
  return id && isZoneId(id) ? id : undefined;
}

function Drawn({ aspect, figure, looks, selected, onSelect, onSweep, onZoneKey, label, small, lens }: DrawnProps) {
  const key = useId().replace(/[^a-zA-Z0-9]/g, '');
  const map = useRef<SVGSVGElement>(null);
  const parts = useMemo(() => partsOf(figure, aspect), [figure, aspect]);
  // In working order, so that arrow keys walk the dog as hands do.
  const order = useMemo(() => {
    const shown = new Set(parts.flat().map((z) => z.id));
    return ZONE_IDS.filter((id) => shown.has(id));
  }, [parts]);
  const tabStop = selected && order.includes(selected) ? selected : order[0];
  const view = lens ?? FRAME;
  const viewBox = `${view.x} ${view.y} ${view.width} ${view.height}`;

  const onKeyDown = (event: KeyboardEvent): void => {
    const at = zoneAt(event.target);
    if (!at) return;
    const i = order.indexOf(at);
    const move = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (move !== undefined) {
      event.preventDefault();
      const to = order[(i + move + order.length) % order.length];
      if (!to) return;
      map.current?.querySelector<SVGElement>(`[data-zone="${to}"]`)?.focus();
      if (event.shiftKey && onSweep) onSweep(to, true);
      else onSelect?.(to);
    } else if (onZoneKey?.(event, at)) {
      event.preventDefault();
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      if (onSweep) onSweep(at, true);
      else onSelect?.(at);
    }
  };

  // A finger keeps its events on the zone where it went down, so the zone under it is looked up by place.
  const swept = useRef<ZoneId | undefined>(undefined);
  const onPointer = (event: PointerEvent, begins: boolean): void => {
    if (!onSweep || (!begins && swept.current === undefined)) return;
    const over = zoneAt(document.elementFromPoint(event.clientX, event.clientY));
    if (!over || over === swept.current) return;
    swept.current = over;
    onSweep(over, begins);
  };
  const onPointerEnd = (): void => {
    swept.current = undefined;
  };
  // A sweep has chosen a zone already when the pointer went down.
  const onClick = (event: MouseEvent): void => {
    const at = onSweep ? undefined : zoneAt(event.target);
    if (at) onSelect?.(at);
  };

  const flip = flipOf(aspect);
  return (
    <figure className={small ? `${css.coatmap} is-small` : css.coatmap}>
      <div className={css.layers}>
        <Body figure={figure} flip={flip} viewBox={viewBox} />
        <svg
          ref={map}
          viewBox={viewBox}
          role={onSelect ? 'group' : small ? 'presentation' : 'img'}
          aria-label={small ? undefined : label}
          className={onSweep && css.swept}
          onClick={onClick}
          onKeyDown={onKeyDown}
          onPointerDown={(event) => onPointer(event, true)}
          onPointerMove={(event) => onPointer(event, false)}
          onPointerUp={onPointerEnd}
          onPointerCancel={onPointerEnd}
          onPointerLeave={onPointerEnd}
        >
          <defs>
            {!small && <WoolPatterns prefix={key} />}
            {figure.parts.map((part, i) => (
              <clipPath key={part.body.join()} id={`${key}-part-${i}`}>
                <path d={part.coat} clipRule={part.coatRule} />
              </clipPath>
            ))}
          </defs>
          <g transform={flip}>
            {parts.map((zones, i) => (
              <g key={figure.parts[i]?.body.join()} clipPath={`url(#${key}-part-${i})`}>
                {zones.map(({ id, path }) =>
                  small ? (
                    <Tone key={id} path={path} look={looks[id]} />
                  ) : (
                    <Zone
                      key={id}
                      id={id}
                      path={path}
                      look={looks[id]}
                      prefix={key}
                      selected={id === selected}
                      tabIndex={onSelect && (id === tabStop ? 0 : -1)}
                    />
                  ),
                )}
              </g>
            ))}
            {parts.flat().map(({ id, centre: [x, y] }) => {
              const look = looks[id];
              if (!look?.stopped && !look?.marked) return null;
              return (
                <g key={id} className={look.stopped ? `${css.ring} is-stop` : css.ring} pointerEvents="none">
                  <circle cx={x} cy={y} r="15" />
                  <circle cx={x} cy={y} r={look.stopped ? 8 : 3} />
                </g>
              );
            })}
          </g>
        </svg>
        <Hair figure={figure} flip={flip} viewBox={viewBox} small={small ?? false} />
      </div>
      {!small && <figcaption className="visually-hidden">{ASPECT_WORDS[aspect]}</figcaption>}
    </figure>
  );
}

interface ToneProps {
  readonly path: string;
  readonly look: ZoneLook | undefined;
}
interface ZoneProps extends ToneProps {
  readonly id: ZoneId;
  readonly prefix: string;
  readonly selected: boolean;
  /** Where the zone can be chosen. */
  readonly tabIndex: 0 | -1 | undefined;
}

// Zones are drawn again one by one: looks are made for each drawing, but are the same as long as they say the same.

const NO_LOOK: ZoneLook = { says: '' };

/** A small picture has no room for curls: the thicker the wool, the darker the tone. */
const Tone = memo(function Tone({ path, look = NO_LOOK }: ToneProps) {
  const { grade = 0, lit, done, tied, stopped } = look;
  return (
    <g className={lit ? `${css.zone} is-lit` : done ? `${css.zone} is-done` : undefined}>
      {grade > 0 && <path className={css.tone} d={path} fillOpacity={grade * 0.13} />}
      {tied && <path className={css.tone} d={path} fillOpacity={0.75} />}
      {stopped && <path className={`${css.tone} is-stop`} d={path} />}
      {(lit || done) && <path className={css.zoneHit} d={path} />}
    </g>
  );
}, dequal);

/** The name of the wool that a zone is filled with: what was felt, or faintly what was felt the last time. */
function woolOf({ grade, ghost = 0 }: ZoneLook): { readonly grade: number; readonly ghost: boolean } | undefined {
  const shown = grade ?? ghost;
  return shown > 0 ? { grade: shown, ghost: grade === undefined } : undefined;
}

const Zone = memo(function Zone({ id, path, look = NO_LOOK, prefix, selected, tabIndex }: ZoneProps) {
  const { lit, done, tied, stopped, says } = look;
  const classes = [css.zone, selected && 'is-selected', lit && 'is-lit', done && 'is-done', stopped && 'is-stopped'];
  const wool = woolOf(look);
  const name = `${zoneName(id)}${says ? `: ${says}` : ''}`;
  const chosen = tabIndex !== undefined && {
    role: 'button',
    tabIndex,
    'aria-label': name,
    'aria-pressed': selected,
    'data-zone': id,
  };
  return (
    <g className={classes.filter(Boolean).join(' ')} {...chosen}>
      {tabIndex === undefined && <title>{name}</title>}
      <path className={css.zoneHit} d={path} />
      {wool && (
        <path
          className={wool.ghost ? css.ghost : undefined}
          d={path}
          fill={`url(#${prefix}-wool-${wool.grade})`}
          pointerEvents="none"
        />
      )}
      {tied && <path d={path} fill={`url(#${prefix}-tie)`} pointerEvents="none" />}
      {stopped && <path d={path} fill={`url(#${prefix}-stop)`} pointerEvents="none" />}
      <path className={css.zoneEdge} d={path} pointerEvents="none" />
    </g>
  );
}, dequal);

const flipOf = (aspect: Aspect): string | undefined =>
  aspect === 'right' ? `translate(${2 * FRAME.x + FRAME.width} 0) scale(-1 1)` : undefined;

interface LayerProps {
  readonly figure: Figure;
  readonly flip: string | undefined;
  readonly viewBox: string;
}

/** What lies under the zones and never changes: a layer of its own, so that a sweep paints only zones. */
const Body = memo(function Body({ figure, flip, viewBox }: LayerProps) {
  const coat = useId().replace(/[^a-zA-Z0-9]/g, '');
  const down = figure.shade === 'down';
  return (
    <svg viewBox={viewBox} aria-hidden className={css.layer}>
      <defs>
        <linearGradient
          id={coat}
          gradientUnits="userSpaceOnUse"
          x1="0"
          x2="0"
          y1={down ? 130 : MIDLINE}
          y2={down ? 650 : MIDLINE + 130}
          spreadMethod={down ? 'pad' : 'reflect'}
        >
          <stop offset="0" {...COAT_INK.coatTop} />
          <stop offset="0.62" {...COAT_INK.coatMid} />
          <stop offset="1" {...COAT_INK.coatLow} />
        </linearGradient>
      </defs>
      <g transform={flip}>
        {figure.ground && <ellipse {...COAT_INK.ground} {...figure.ground} />}
        {figure.far.map((d) => (
          <path key={d} {...COAT_INK.far} d={d} />
        ))}
        {figure.parts.map((part) => (
          <g key={part.body.join()}>
            <g {...(part.flat ? { className: css.coatFlat } : { fill: `url(#${coat})` })}>
              <path d={part.leaves} />
              {part.body.map((d) => (
                <path key={d} d={d} />
              ))}
            </g>
            <path {...COAT_INK.fringe} d={part.edges} />
            {part.outline.map((d) => (
              <path key={d} {...COAT_INK.outline} d={d} />
            ))}
          </g>
        ))}
      </g>
    </svg>
  );
});

/** What lies over the zones and never changes: hair, the edge of the foremost part, features. */
const Hair = memo(function Hair({ figure, flip, viewBox, small }: LayerProps & { readonly small: boolean }) {
  const front = figure.parts.at(-1);
  return (
    <svg viewBox={viewBox} aria-hidden className={css.layer}>
      <g transform={flip}>
        {!small && <path {...COAT_INK.locks} d={figure.locks} />}
        {!small && <path {...COAT_INK.fringe} d={front?.edges} />}
        {front?.outline.map((d) => (
          <path key={d} {...COAT_INK.outline} d={d} />
        ))}
        {figure.anatomy.map((d) => (
          <path key={d} {...COAT_INK.anatomy} d={d} />
        ))}
        {figure.shadows.map((d) => (
          <path key={d} {...COAT_INK.innerEar} d={d} />
        ))}
        {figure.lines.map((d) => (
          <path key={d} className={css.feature} d={d} fill="none" />
        ))}
        {figure.features.map(({ d, mark, transform }) => (
          <path key={d} className={css[mark]} d={d} transform={transform} />
        ))}
      </g>
    </svg>
  );
});
