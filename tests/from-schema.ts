/** Values from a JSON Schema as our API describes itself with: those that keep to it, and those that just do not. */
import fc from 'fast-check';

export type Schema = Readonly<Record<string, unknown>>;
const isSchema = (value: unknown): value is Schema =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const list = (value: unknown): readonly Schema[] => (Array.isArray(value) ? value.filter(isSchema) : []);
const number = (value: unknown, otherwise: number): number => (typeof value === 'number' ? value : otherwise);

/** Text that has broken programs before: markup, SQL, other directions, lone halves of pairs, line ends. */
export const NASTY = [
  '',
  ' ',
  '<script>alert(1)</script>',
  `'; DROP TABLE dog; --`,
  `" OR 1=1 --`,
  '../../../etc/passwd',
  '%00',
  '\u0000',
  '\u202Egnirts',
  '\uD83D',
  'a\r\nBcc: x@y.example',
  '=1+1',
  '__proto__',
  'constructor',
  '2031-02-30',
  '9'.repeat(400),
] as const;

export interface Known {
  /** Ids and days that mean something where the values go. */
  readonly ids: readonly string[];
  readonly days: readonly string[];
}

/** Values that keep to a schema; ids and days are often known ones. */
export function fitting(schema: Schema, known: Known): fc.Arbitrary<unknown> {
  if (Array.isArray(schema['enum'])) return fc.constantFrom(...schema['enum']);
  if ('const' in schema) return fc.constant(schema['const']);
  const either = [...list(schema['anyOf']), ...list(schema['oneOf'])];
  if (either.length > 0) return fc.oneof(...either.map((s) => fitting(s, known)));
  const types = Array.isArray(schema['type']) ? schema['type'] : [schema['type']];
  if (types.length > 1) return fc.oneof(...types.map((type) => fitting({ ...schema, type }, known)));
  switch (types[0]) {
    case 'null':
      return fc.constant(null);
    case 'boolean':
      return fc.boolean();
    case 'integer':
      return fc.integer({
        min: Math.ceil(number(schema['minimum'], -1e6)),
        max: Math.floor(number(schema['maximum'], 1e6)),
      });
    case 'number':
      return fc.double({ min: number(schema['minimum'], -1e6), max: number(schema['maximum'], 1e6), noNaN: true });
    case 'string': {
      const least = number(schema['minLength'], 0);
      const most = Math.min(number(schema['maxLength'], 60), 300);
      const pattern = typeof schema['pattern'] === 'string' ? new RegExp(schema['pattern'], 'u') : undefined;
      const lasts = (s: string): boolean => s.length >= least && s.length <= most && (!pattern || pattern.test(s));
      // Patterns by kinds of letters allow almost any text: it is made freely and looked at.
      const free = pattern?.source.includes('\\p{') ?? true;
      if (pattern && !free) {
        const fits = [...known.days, ...known.ids].filter((text) => pattern.test(text));
        const made = fc.stringMatching(pattern).filter(lasts);
        return fits.length > 0 ? fc.oneof({ weight: 3, arbitrary: fc.constantFrom(...fits) }, made) : made;
      }
      return fc.oneof(
        {
          weight: 3,
          arbitrary: fc.constantFrom(...[...known.days, ...known.ids].filter(lasts), 'x'.repeat(least || 1)),
        },
        { weight: 1, arbitrary: fc.constantFrom(...NASTY.filter(lasts), 'x'.repeat(least || 1)) },
        { weight: 1, arbitrary: fc.string({ unit: 'grapheme', minLength: least, maxLength: most }).filter(lasts) },
      );
    }
    case 'array': {
      const of = isSchema(schema['items']) ? fitting(schema['items'], known) : fc.anything();
      const size = { minLength: number(schema['minItems'], 0), maxLength: Math.min(number(schema['maxItems'], 3), 7) };
      return schema['uniqueItems'] === true
        ? fc.uniqueArray(of, { ...size, selector: (v) => JSON.stringify(v) })
        : fc.array(of, size);
    }
    case 'object': {
      const properties = isSchema(schema['properties']) ? schema['properties'] : {};
      const required: readonly unknown[] = Array.isArray(schema['required']) ? schema['required'] : [];
      return fc.record(
        Object.fromEntries(
          Object.entries(properties).flatMap(([k, s]) => (isSchema(s) ? [[k, fitting(s, known)] as const] : [])),
        ),
        { requiredKeys: Object.keys(properties).filter((k) => required.includes(k)) },
      );
    }
    default:
      return fc.jsonValue({ maxDepth: 2 });
  }
}

/** What takes the place of a value that would have fitted. */
const wrong = fc.oneof(
  fc.constantFrom<unknown>(null, true, -1, 0, 1e308, -0.5, [], {}, [[]], { a: { a: {} } }, ...NASTY),
  fc.jsonValue({ maxDepth: 2 }),
);

/** A fitting value with one place in it changed, left out or added to. */
export function unfitting(schema: Schema, known: Known): fc.Arbitrary<unknown> {
  return fc
    .tuple(
      fitting(schema, known),
      fc.array(fc.nat(50), { minLength: 1, maxLength: 4 }),
      wrong,
      fc.constantFrom('put', 'drop', 'add'),
    )
    .map(([value, path, other, how]) => changedAt(value, path, other, how));
}

function changedAt(value: unknown, [step = 0, ...path]: readonly number[], other: unknown, how: string): unknown {
  if (Array.isArray(value)) {
    if (value.length === 0 || (path.length === 0 && how === 'add')) return [...value, other];
    const i = step % value.length;
    if (path.length === 0 && how === 'drop') return value.filter((_, k) => k !== i);
    return value.map((v: unknown, k) => (k === i ? (path.length === 0 ? other : changedAt(v, path, other, how)) : v));
  }
  if (isSchema(value)) {
    const keys = Object.keys(value);
    const key = keys[step % Math.max(1, keys.length)];
    if (key === undefined || (path.length === 0 && how === 'add')) return { ...value, stray: other };
    const { [key]: old, ...others } = value;
    if (path.length === 0) return how === 'drop' ? others : { ...value, [key]: other };
    return { ...value, [key]: changedAt(old, path, other, how) };
  }
  return other;
}
