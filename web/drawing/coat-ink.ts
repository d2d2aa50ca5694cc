/** With what a dog and its coat are drawn, in the colours of the tokens; an owner’s phone fetches it too. */
export const COAT_INK = {
  ground: { fill: 'var(--wt-fold)' },
  far: { fill: 'var(--wt-far)', stroke: 'var(--wt-hair)', strokeWidth: 1.5 },
  outline: { fill: 'none', stroke: 'var(--wt-hair)', strokeWidth: 2, strokeLinecap: 'round', strokeLinejoin: 'round' },
  coatTop: { stopColor: 'var(--wt-coat-top)' },
  coatMid: { stopColor: 'var(--wt-coat-mid)' },
  coatLow: { stopColor: 'var(--wt-coat-low)' },
  fringe: {
    fill: 'none',
    stroke: 'var(--wt-hair)',
    strokeWidth: 0.9,
    strokeLinecap: 'round',
    strokeLinejoin: 'round',
    opacity: 0.75,
  },
  locks: { fill: 'none', stroke: 'var(--wt-hair)', strokeWidth: 1, strokeLinecap: 'round', opacity: 0.34 },
  anatomy: { fill: 'none', stroke: 'var(--wt-hair)', strokeWidth: 2, strokeLinecap: 'round', opacity: 0.4 },
  innerEar: { fill: 'var(--wt-hair)', opacity: 0.3 },
  wool: { fill: 'none', stroke: 'var(--wt-wool)', strokeLinecap: 'round', opacity: 0.75 },
  woolPlate: { fill: 'var(--wt-wool)', opacity: 0.22 },
  tie: { stroke: 'var(--wt-dog-ink)', strokeWidth: 2.6, fill: 'none' },
  stop: { stroke: 'var(--wt-dog-madder)', strokeWidth: 5, opacity: 0.7 },
} as const;
