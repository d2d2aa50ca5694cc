/**
 * Numbers as people type them: with the device's point, or with the other sign, whichever it is. The libraries that know locales
 * take a comma for thousands where the point is a dot and make 125 of `12,5`; a weight must not be read so.
 */

/** `12.5`, `12,5`, `1 250`, `1,250.5`: the number; undefined where it is none. */
export function readNumber(typed: string): number | undefined {
  const text = typed.trim().replace(/[\s'’]/g, '');
  if (!/^-?[\d.,]*\d[.,]?$/.test(text) && !/^-?\d[\d.,]*$/.test(text)) return undefined;
  const last = Math.max(text.lastIndexOf('.'), text.lastIndexOf(','));
  if (last < 0) return Number(text);
  const [before, after] = [text.slice(0, last), text.slice(last + 1)];
  const sign = text.charAt(last);
  // Several of one sign, or one before three digits that are not less than one, part thousands.
  const thousands = before.includes(sign) || (after.length === 3 && /^-?[1-9]\d{0,2}$/.test(before) && sign === ',');
  const whole = before.replace(/[.,]/g, '');
  return Number(thousands ? `${whole}${after}` : `${whole || '0'}.${after || '0'}`);
}

/** As the device writes it, with so many digits after the point at most. */
export const shownNumber = (value: number, point: string, digits: number): string =>
  String(Number(value.toFixed(digits))).replace('.', point);
