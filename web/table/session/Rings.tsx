/** Limits as rings that fill: the clock, the skin of the zone in hand, blade or topcoat, how long the dog has stood. */
import { arc } from 'd3';
import css from './session.module.css';

export interface Ring {
  readonly name: string;
  /** Share used, 1 = all of it. */
  readonly share: number;
  /** Said inside, short. */
  readonly figure: string;
  readonly under: string;
}

const R = { inner: 37, outer: 46 };
const shape = arc<number>()
  .innerRadius(R.inner)
  .outerRadius(R.outer)
  .startAngle(0)
  .endAngle((share) => 2 * Math.PI * Math.min(1, Math.max(0, share)))
  .cornerRadius(4);
const NEAR = 0.85;

export function Rings({ rings }: { rings: readonly Ring[] }) {
  return (
    <ul className={`wt-bare ${css.rings}`} aria-label="Limits">
      {rings.map((r) => {
        const state = r.share > 1 ? 'is-over' : r.share >= NEAR ? 'is-near' : '';
        return (
          <li key={r.name} className={state}>
            <svg viewBox="-50 -50 100 100" aria-hidden>
              <path className={css.ringTrack} d={shape(1) ?? ''} />
              <path className={css.ringUsed} d={shape(r.share) ?? ''} />
              <text className={css.ringFigure} y="7" textAnchor="middle">
                {r.figure}
              </text>
            </svg>
            <span>
              {r.name}
              <small>
                {r.share > 1 ? 'over, ' : r.share >= NEAR ? 'nearly, ' : ''}
                {r.under}
              </small>
            </span>
          </li>
        );
      })}
    </ul>
  );
}
