/** SVG patterns of the coat's state: wool curls that thicken with the grade, crossing strokes, stop hatching. */
import { memo } from 'react';
import { seededRandom } from '../../core/quantity/index.ts';
import { COAT_INK } from './coat-ink.ts';

/** Side of a tile; large, so that the eye finds no grid. */
const TILE = 96;
/** Curls on a side of the tile, and their stroke, by grade 1 … 4. */
const GRADES = [
  { grade: 1, across: 4, stroke: 1 },
  { grade: 2, across: 5, stroke: 1.4 },
  { grade: 3, across: 7, stroke: 1.8 },
  { grade: 4, across: 9, stroke: 2.6 },
] as const;

/** One tile of curls, scattered, each turned its own way; a curl over the edge comes in again on the other side. */
function curls(across: number): string {
  const random = seededRandom(across);
  const cell = TILE / across;
  const size = 3.1;
  const drawn: string[] = [];
  for (let row = 0; row < across; row++) {
    for (let column = 0; column < across; column++) {
      const x = (column + 0.5 + (random() - 0.5) * 0.8) * cell;
      const y = (row + 0.5 + (random() - 0.5) * 0.8) * cell;
      const turn = random() * 2 * Math.PI;
      const at = (radius: number, angle: number, dx: number, dy: number): string =>
        `${(x + dx + Math.cos(turn + angle) * radius).toFixed(1)},${(y + dy + Math.sin(turn + angle) * radius).toFixed(1)}`;
      for (const dx of x < size * 2 ? [0, TILE] : x > TILE - size * 2 ? [0, -TILE] : [0]) {
        for (const dy of y < size * 2 ? [0, TILE] : y > TILE - size * 2 ? [0, -TILE] : [0]) {
          drawn.push(
            `M${at(size * 1.5, -0.9, dx, dy)}Q${at(size * 1.9, 0.3, dx, dy)} ${at(size, 1.3, dx, dy)}` +
              `A${size},${size} 0 1 1 ${at(size * 0.4, 4.6, dx, dy)}`,
          );
        }
      }
    }
  }
  return drawn.join('');
}

const TILES = GRADES.map((g) => ({ ...g, path: curls(g.across) }));

export const WoolPatterns = memo(function WoolPatterns({ prefix }: { prefix: string }) {
  return (
    <>
      {TILES.map(({ grade, stroke, path }) => (
        <pattern key={grade} id={`${prefix}-wool-${grade}`} width={TILE} height={TILE} patternUnits="userSpaceOnUse">
          {grade === 4 && <rect {...COAT_INK.woolPlate} width={TILE} height={TILE} />}
          <path {...COAT_INK.wool} strokeWidth={stroke} d={path} />
        </pattern>
      ))}
      <pattern id={`${prefix}-tie`} width={26} height={26} patternUnits="userSpaceOnUse">
        <path {...COAT_INK.tie} d="M3,3L23,23M23,3L3,23M13,-1V27" />
      </pattern>
      <pattern id={`${prefix}-stop`} width={14} height={14} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path {...COAT_INK.stop} d="M0,0V14" />
      </pattern>
    </>
  );
});
