/** Help → the grades of touch: the five tests of a coat check, each grade with its word, what it feels like, and how it is drawn. */
import { useId } from 'react';
import { COMB_SCALE, FINGER_SCALE, SKIN_SCALE, TIE_SCALE, TUG_SCALE, type Grade } from '../../core/check/index.ts';
import { WoolPatterns } from '../drawing/WoolPatterns.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { Table } from '../ui/Table.tsx';
import { capital } from '../words/figures.ts';
import css from './help.module.css';

const SCALES: readonly {
  readonly id: string;
  readonly name: string;
  readonly asks: string;
  readonly grades: readonly Grade<string | number>[];
}[] = [
  { id: 'finger', name: 'Fingers to the skin', asks: 'How far do the fingertips get?', grades: FINGER_SCALE },
  { id: 'tug', name: 'A gentle pull', asks: 'How much hair comes?', grades: TUG_SCALE },
  { id: 'comb', name: 'The comb', asks: 'Does it go through?', grades: COMB_SCALE },
  { id: 'tie', name: 'Tied hair', asks: 'Is hair locked to hair?', grades: TIE_SCALE },
  { id: 'skin', name: 'The skin', asks: 'What is on it?', grades: SKIN_SCALE },
];

/** As the coat map draws it: wool that thickens, and crossing strokes where hair is tied. */
const drawnAs = (scale: string, at: number): string | undefined =>
  scale === 'finger' && at > 0 ? `wool-${at}` : scale === 'tie' && at > 0 ? 'tie' : undefined;

export function GradesRoom() {
  const prefix = useId();
  return (
    <>
      <div className="wt-title">
        <h1>The grades of touch</h1>
        <span className="wt-soft">what each word of a coat check means</span>
      </div>
      <svg width="0" height="0" aria-hidden>
        <defs>
          <WoolPatterns prefix={prefix} />
        </defs>
      </svg>
      <div className="wt-two">
        {SCALES.map(({ id, name, asks, grades }) => (
          <Sheet key={id} aria-labelledby={id}>
            <h2 id={id}>{name}</h2>
            <p className="wt-soft">{asks}</p>
            <Table>
              <tbody>
                {grades.map((g, i) => {
                  const drawn = drawnAs(id, i);
                  const isDrawn = drawnAs(id, 1) !== undefined;
                  return (
                    <tr key={g.value}>
                      {isDrawn && (
                        <td>
                          <svg className={css.grade} aria-hidden>
                            <rect width="100%" height="100%" fill={drawn ? `url(#${prefix}-${drawn})` : 'none'} />
                          </svg>
                        </td>
                      )}
                      <th scope="row" className="text-nowrap">
                        {typeof g.value === 'number' && <span className="wt-soft">{g.value} </span>}
                        {capital(g.word)}
                      </th>
                      <td>{g.says}</td>
                    </tr>
                  );
                })}
              </tbody>
            </Table>
          </Sheet>
        ))}
      </div>
    </>
  );
}
