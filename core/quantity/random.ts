/**
 * Seeded chance. Nothing in core draws its own: a stochastic function takes `random: () => number`.
 * Generator: sfc32 (Doty-Humphrey, PractRand), seeded by splitmix32; same seed, same stream.
 */
export type Random = () => number;

/** A stream of numbers in [0, 1) from a 32-bit seed. */
export function seededRandom(seed: number): Random {
  let s = seed | 0;
  const splitmix = (): number => {
    s = (s + 0x9e3779b9) | 0;
    let z = s ^ (s >>> 16);
    z = Math.imul(z, 0x21f0aaad);
    z ^= z >>> 15;
    z = Math.imul(z, 0x735a2d97);
    return (z ^ (z >>> 15)) | 0;
  };
  let a = splitmix();
  let b = splitmix();
  let c = splitmix();
  let counter = 1;
  return () => {
    const t = (((a + b) | 0) + counter) | 0;
    counter = (counter + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = (c << 21) | (c >>> 11);
    c = (c + t) | 0;
    return (t >>> 0) / 4294967296;
  };
}

/** Whole number in [low, high], both ends included. */
export const randomInt = (random: Random, low: number, high: number): number =>
  low + Math.floor(random() * (high - low + 1));

/** One element of a list; throws RangeError when the list is empty. */
export function pick<T>(random: Random, list: readonly T[]): T {
  const found = list[Math.floor(random() * list.length)];
  if (found === undefined) throw new RangeError('pick from an empty list');
  return found;
}

/** Normal deviate by Box–Muller, with mean and standard deviation in the caller's unit. */
export function randomNormal(random: Random, mean: number, sd: number): number {
  const u = 1 - random();
  return mean + sd * Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random());
}
