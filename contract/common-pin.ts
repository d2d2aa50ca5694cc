/** PINs that anyone who guesses tries first. */

/** Those that turn up most in published leaks beyond rows and patterns (from memory), mostly ways of the thumb over the keys. */
const OFTEN = new Set(['1004', '2580', '0852', '5683', '1478', '3698', '1590', '0070', '1379', '7410', '8520']);

/** Each digit one more, or one less, than the one before; 0 stands after 9. */
const isRow = (digits: readonly number[]): boolean =>
  [1, 9].some((step) => digits.every((d, i) => i === 0 || d === ((digits[i - 1] ?? 0) + step) % 10));

/** Would a PIN be guessed at once: one digit, a row, a piece said twice or backwards, doubled digits, a year or a date with one. */
export function isCommonPin(pin: string): boolean {
  const digits = [...pin].map(Number);
  const backwards = [...pin].reverse().join('');
  const isRepeated = /^(\d{1,4})\1+$/.test(pin);
  const isDoubled = /^(?:(\d)\1)+$/.test(pin);
  const hasYear = /^(?:19|20)\d\d$/.test(pin) || (pin.length >= 6 && /(?:19|20)\d\d$|^(?:19|20)\d\d/.test(pin));
  return isRow(digits) || isRepeated || isDoubled || pin === backwards || hasYear || OFTEN.has(pin);
}
