/** SVG patterns of the coat's state: wool curls that thicken with the grade, crossing strokes, stop hatching. */

const TILE = 22;
/** Curls of one tile, most for a plate; each grade draws the first few. */
const CURLS = [
  [4, 6],
  [15, 17],
  [15, 6],
  [4, 17],
  [9.5, 11.5],
  [20, 11.5],
  [9.5, 1],
  [-1, 11.5],
] as const;
const COUNT = [0, 1, 2, 5, 8] as const;
const STROKE = [0, 1, 1.4, 1.9, 3] as const;

export function WoolPatterns({ prefix }: { prefix: string }) {
  return (
    <>
      {[1, 2, 3, 4].map((grade) => (
        <pattern
          key={grade}
          id={`${prefix}-wool-${grade}`}
          width={TILE}
          height={TILE}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(18)"
        >
          {grade === 4 && <rect className="wt-wool-plate" width={TILE} height={TILE} />}
          {CURLS.slice(0, COUNT[grade]).map(([x, y]) => (
            <path
              key={`${x} ${y}`}
              className="wt-wool"
              strokeWidth={STROKE[grade]}
              d={`M${x},${y + 3}a3.6,3.6 0 1 1 5,1.2a2,2 0 0 1 -2,-2.4`}
            />
          ))}
        </pattern>
      ))}
      <pattern id={`${prefix}-tie`} width={26} height={26} patternUnits="userSpaceOnUse">
        <path className="wt-tie" d="M3,3L23,23M23,3L3,23M13,-1V27" />
      </pattern>
      <pattern id={`${prefix}-stop`} width={14} height={14} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path className="wt-stop" d="M0,0V14" />
      </pattern>
    </>
  );
}
