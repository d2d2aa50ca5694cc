/** What stands outside the door: the name over it, the tide below it, one thing to do. */
import type { ReactNode } from 'react';
import { Sheet } from '../ui/Sheet.tsx';
import css from './door.module.css';
import appCss from '../app/app.module.css';

const WAVES = [
  { d: 'M0 96 C 60 60 110 60 170 96 S 290 132 360 92 S 500 60 560 96 S 690 130 760 96 V220 H0Z', level: 1 },
  { d: 'M0 124 C 70 96 130 98 190 126 S 320 156 390 124 S 520 96 590 126 S 700 150 760 128 V220 H0Z', level: 2 },
  { d: 'M0 154 C 80 132 150 134 220 156 S 350 178 420 154 S 560 134 620 156 S 720 172 760 158 V220 H0Z', level: 3 },
] as const;

/** Tufts that ride the highest wave: wool on the water. */
const TUFTS = [
  [104, 66, 1],
  [318, 106, 0.8],
  [452, 72, 1.15],
  [664, 108, 0.9],
] as const;

export function Threshold({ title, says, children }: { title: string; says?: string; children: ReactNode }) {
  return (
    <main className={css.door} id="room">
      <Sheet as="div" className={css.doorSheet}>
        <p className={`${appCss.mark} below-7`}>
          <img src="/mark.svg" alt="" width={34} height={34} />
          <span>Woolly Tide</span>
        </p>
        <h1>{title}</h1>
        {says && <p className="wt-soft">{says}</p>}
        {children}
      </Sheet>
      <svg className={css.doorSea} viewBox="0 0 760 220" preserveAspectRatio="xMidYMax slice" aria-hidden>
        {WAVES.map((w) => (
          <path key={w.level} d={w.d} className={`${css.doorWave} is-${w.level}`} />
        ))}
        {TUFTS.map(([x, y, s]) => (
          <path
            key={x}
            className={css.doorTuft}
            transform={`translate(${x} ${y}) scale(${s})`}
            d="M-26 8 c-8 -2 -8 -14 2 -15 c0 -10 14 -14 20 -6 c6 -8 20 -5 20 5 c11 0 13 14 3 17 c-6 8 -18 8 -22 2 c-5 6 -17 5 -23 -3z m8 -4 q6 -7 12 0 m6 -2 q6 -7 12 0"
          />
        ))}
      </svg>
    </main>
  );
}
