/**
 * The coat map: one side of the dog, every zone a button. Undercoat is wool texture that thickens with its grade,
 * ties are crossing strokes, a stop is a ringed mark. Arrow keys walk the zones in working order.
 */
import { memo, useId, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { isZoneId, ZONES, zoneName, type ZoneId } from '../../core/dog/index.ts';
import { FIGURE, FRAME, type FigureZone } from './dog/figure.ts';
import { WoolPatterns } from './WoolPatterns.tsx';

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

interface Props {
  readonly side: 'left' | 'right';
  readonly looks: Partial<Readonly<Record<ZoneId, ZoneLook>>>;
  readonly selected?: ZoneId | undefined;
  readonly onSelect?: ((zone: ZoneId) => void) | undefined;
  /** A pointer went down on a zone (begins), or was drawn on over another; with Shift, an arrow key carried it there. */
  readonly onSweep?: ((zone: ZoneId, begins: boolean) => void) | undefined;
  /** A key on a zone that the map itself does not use; true when it was used. */
  readonly onZoneKey?: ((event: KeyboardEvent, zone: ZoneId) => boolean) | undefined;
  readonly label: string;
}

interface SideZone {
  readonly id: ZoneId;
  readonly figure: FigureZone;
}

/** Zones that show on a side, in working order. */
const zonesOf = (side: 'left' | 'right'): readonly SideZone[] =>
  ZONES.filter((z) => z.side === 'mid' || z.side === side).flatMap((z) => {
    const figure = FIGURE.zones.find((f) => f.region === z.region);
    return figure ? [{ id: z.id, figure }] : [];
  });

const SIDES = { left: zonesOf('left'), right: zonesOf('right') } as const;

export function CoatMap({ side, looks, selected, onSelect, onSweep, onZoneKey, label }: Props) {
  const key = useId().replace(/[^a-zA-Z0-9]/g, '');
  const buttons = useRef(new Map<ZoneId, SVGGElement>());
  const zones = SIDES[side];
  const tabStop = selected && zones.some((z) => z.id === selected) ? selected : zones[0]?.id;

  const onKeyDown = (event: KeyboardEvent, at: ZoneId): void => {
    const i = zones.findIndex((z) => z.id === at);
    const move = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (move !== undefined) {
      event.preventDefault();
      const to = zones[(i + move + zones.length) % zones.length];
      if (!to) return;
      buttons.current.get(to.id)?.focus();
      if (event.shiftKey && onSweep) onSweep(to.id, true);
      else onSelect?.(to.id);
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
    const over = document
      .elementFromPoint(event.clientX, event.clientY)
      ?.closest('[data-zone]')
      ?.getAttribute('data-zone');
    if (!over || !isZoneId(over) || over === swept.current) return;
    swept.current = over;
    onSweep(over, begins);
  };
  const onPointerEnd = (): void => {
    swept.current = undefined;
  };

  const zone = ({ id, figure }: SideZone) => {
    const look = looks[id];
    const grade = look?.grade;
    const classes = [
      'wt-zone',
      id === selected && 'is-selected',
      look?.lit && 'is-lit',
      look?.done && 'is-done',
      look?.stopped && 'is-stopped',
    ];
    const body = (
      <>
        <path className="wt-zone-hit" d={figure.path} />
        {grade === undefined && look?.ghost !== undefined && look.ghost > 0 && (
          <path className="wt-ghost" d={figure.path} fill={`url(#${key}-wool-${look.ghost})`} pointerEvents="none" />
        )}
        {grade !== undefined && grade > 0 && (
          <path d={figure.path} fill={`url(#${key}-wool-${grade})`} pointerEvents="none" />
        )}
        {look?.tied && <path d={figure.path} fill={`url(#${key}-tie)`} pointerEvents="none" />}
        {look?.stopped && <path d={figure.path} fill={`url(#${key}-stop)`} pointerEvents="none" />}
        <path className="wt-zone-edge" d={figure.path} pointerEvents="none" />
      </>
    );
    const name = `${zoneName(id)}${look?.says ? `: ${look.says}` : ''}`;
    if (!onSelect) {
      return (
        <g key={id} className={classes.filter(Boolean).join(' ')}>
          <title>{name}</title>
          {body}
        </g>
      );
    }
    return (
      <g
        key={id}
        ref={(el) => {
          if (el) buttons.current.set(id, el);
          else buttons.current.delete(id);
        }}
        className={classes.filter(Boolean).join(' ')}
        role="button"
        tabIndex={id === tabStop ? 0 : -1}
        aria-label={name}
        aria-pressed={id === selected}
        data-zone={id}
        onClick={() => {
          // A sweep has chosen it already when the pointer went down.
          if (!onSweep) onSelect(id);
        }}
        onKeyDown={(event) => onKeyDown(event, id)}
      >
        {body}
      </g>
    );
  };

  const flip = flipOf(side);
  return (
    <figure className="wt-coatmap">
      <div className="wt-layers">
        <Body flip={flip} />
        <svg
          viewBox={VIEW}
          role={onSelect ? 'group' : 'img'}
          aria-label={label}
          className={onSweep && 'wt-swept'}
          onPointerDown={(event) => onPointer(event, true)}
          onPointerMove={(event) => onPointer(event, false)}
          onPointerUp={onPointerEnd}
          onPointerCancel={onPointerEnd}
          onPointerLeave={onPointerEnd}
        >
          <defs>
            <WoolPatterns prefix={key} />
            <clipPath id={`${key}-body`}>
              <path d={FIGURE.coat} />
              <path d={FIGURE.nearEar} />
            </clipPath>
            <clipPath id={`${key}-tail`}>
              <path d={FIGURE.tailCoat + FIGURE.body} clipRule="evenodd" />
            </clipPath>
          </defs>
          <g transform={flip}>
            <g clipPath={`url(#${key}-tail)`}>{zones.filter((z) => z.figure.onTail).map(zone)}</g>
            <g clipPath={`url(#${key}-body)`}>{zones.filter((z) => !z.figure.onTail).map(zone)}</g>
            {zones.map(({ id, figure }) => {
              const look = looks[id];
              if (!look?.stopped && !look?.marked) return null;
              const [x, y] = figure.centre;
              return (
                <g key={id} className={look.stopped ? 'wt-ring is-stop' : 'wt-ring'} pointerEvents="none">
                  <circle cx={x} cy={y} r="15" />
                  <circle cx={x} cy={y} r={look.stopped ? 8 : 3} />
                </g>
              );
            })}
          </g>
        </svg>
        <Hair flip={flip} />
      </div>
      <figcaption>{side === 'left' ? 'Left side' : 'Right side'}</figcaption>
    </figure>
  );
}

const VIEW = `${FRAME.x} ${FRAME.y} ${FRAME.width} ${FRAME.height}`;
const flipOf = (side: 'left' | 'right'): string | undefined =>
  side === 'right' ? `translate(${2 * FRAME.x + FRAME.width} 0) scale(-1 1)` : undefined;

interface LayerProps {
  readonly flip: string | undefined;
}

/** What lies under the zones and never changes: a layer of its own, so that a sweep paints only zones. */
const Body = memo(function Body({ flip }: LayerProps) {
  const coat = useId().replace(/[^a-zA-Z0-9]/g, '');
  return (
    <svg viewBox={VIEW} aria-hidden className="wt-layer">
      <defs>
        <linearGradient id={coat} gradientUnits="userSpaceOnUse" x1="0" y1="130" x2="0" y2="650">
          <stop offset="0" className="wt-coat-top" />
          <stop offset="0.62" className="wt-coat-mid" />
          <stop offset="1" className="wt-coat-low" />
        </linearGradient>
      </defs>
      <g transform={flip}>
        <ellipse className="wt-ground" cx="540" cy="640" rx="330" ry="16" />
        <path className="wt-far" d={FIGURE.farEar} />
        {FIGURE.farLegs.map((d) => (
          <path key={d} className="wt-far" d={d} />
        ))}
        <g fill={`url(#${coat})`}>
          <path d={FIGURE.tailTufts.leaves} />
          <path d={FIGURE.tail} />
        </g>
        <path className="wt-fringe" d={FIGURE.tailTufts.edges} />
        <g fill={`url(#${coat})`}>
          <path d={FIGURE.tufts.leaves} />
          <path d={FIGURE.body} />
          <path d={FIGURE.nearEar} />
        </g>
      </g>
    </svg>
  );
});

/** What lies over the zones and never changes: hair, outline, features. */
const Hair = memo(function Hair({ flip }: LayerProps) {
  return (
    <svg viewBox={VIEW} aria-hidden className="wt-layer">
      <g transform={flip}>
        <path className="wt-locks" d={FIGURE.locks} />
        <path className="wt-fringe" d={FIGURE.tufts.edges} />
        {[...FIGURE.outline, FIGURE.nearEarEdge].map((d) => (
          <path key={d} className="wt-outline" d={d} />
        ))}
        {FIGURE.anatomy.map((d) => (
          <path key={d} className="wt-anatomy" d={d} />
        ))}
        <path className="wt-inner-ear" d={FIGURE.innerEar} />
        <path className="wt-feature" d={FIGURE.mouth} fill="none" />
        <path className="wt-nose" d="M147,224 q2,-12 14,-13 q8,1 9,8 q-2,10 -11,14 q-10,2 -12,-9z" />
        <path className="wt-eye" d="M241,197 q7,-11 19,-7 q4,6 -2,11 q-9,6 -17,-4z" />
        <circle className="wt-glint" cx="253" cy="194" r="1.8" />
        <path className="wt-feature" d="M240,186 q9,-8 21,-6" fill="none" />
        {[338, 352, 366, 736, 750, 764].map((x) => (
          <path key={x} className="wt-feature" d={`M${x},638 q-3,-9 1,-16`} fill="none" />
        ))}
      </g>
    </svg>
  );
});
