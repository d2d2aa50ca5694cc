/** A cutting of the coat as a mill would pin it in a book: hair by length, wool by how densely the class stands. */
import { coatRow, type CoatClass } from '../../../core/dog/index.ts';
import { kept, seededRandom } from '../../../core/quantity/index.ts';
import css from './dogs.module.css';

const WIDTH = 46;
const HEIGHT = 38;

function strokes(coatClass: CoatClass): { hair: string; wool: string } {
  const coat = coatRow(coatClass);
  const random = seededRandom(coatClass.length * 31 + coat.guardMm.high);
  const length = 4 + coat.guardMm.high / 9;
  const curl = coatClass === 'fleece' ? 6 : coatClass === 'harsh-double' ? 0.5 : 2;
  let hair = '';
  for (let i = 0; i < 46; i++) {
    const x = random() * (WIDTH + 6) - 3;
    const y = random() * HEIGHT - 6;
    hair += `M${x.toFixed(1)},${y.toFixed(1)}q${curl.toFixed(1)},${(length / 2).toFixed(1)} ${(2 - curl / 3).toFixed(1)},${length.toFixed(1)}`;
  }
  let wool = '';
  for (let i = 0; i < coat.fullLoadGPerM2 / 9; i++) {
    wool += `M${(random() * WIDTH).toFixed(1)},${(random() * HEIGHT).toFixed(1)}a2.4,2.4 0 1 1 3,1.5`;
  }
  return { hair, wool };
}

/** A list shows the same few classes again and again. */
const CUT = new Map<CoatClass, { hair: string; wool: string }>();

export function Swatch({ coatClass }: { coatClass: CoatClass }) {
  const { hair, wool } = kept(CUT, coatClass, () => strokes(coatClass));
  return (
    <svg className={css.swatch} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
      <path d={wool} fill="none" stroke="var(--wt-wool)" strokeWidth="0.9" opacity="0.6" />
      <path d={hair} fill="none" stroke="var(--wt-hair)" strokeWidth="0.8" strokeLinecap="round" />
    </svg>
  );
}
