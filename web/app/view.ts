/**
 * How this device shows things: size of letters, contrast, keys, forms of dates and clock, units. Kept on the device,
 * as eyes and habits belong to whoever stands before it; what is stored and sent is the same for all.
 */
import { contrastHere, keepHere, keptHere, languagesHere, showMarks } from './device-preferences.ts';

export const TEXT_SIZES = ['usual', 'large', 'largest'] as const;
export const CONTRASTS = ['usual', 'high'] as const;
/** Forms of dates and numbers that English is written with. */
export const DATE_FORMS = ['en-GB', 'en-US', 'en-CA', 'en-AU', 'en-NZ', 'en-IE', 'en-ZA'] as const;
export const CLOCKS = ['24', '12'] as const;
export const WEEK_STARTS = [1, 6, 7] as const;
export const MASSES = ['kg', 'lb'] as const;
export const TEMPERATURES = ['c', 'f'] as const;
export const VOLUMES = ['ml', 'floz'] as const;
/** Of hair and of tools: the ruler in hand. */
export const LENGTHS = ['mm', 'in'] as const;

export interface View {
  readonly text: (typeof TEXT_SIZES)[number];
  readonly contrast: (typeof CONTRASTS)[number];
  /** May one key alone do something: off for who speaks to the machine or is jogged. */
  readonly singleKeys: boolean;
  readonly dates: (typeof DATE_FORMS)[number];
  readonly clock: (typeof CLOCKS)[number];
  /** ISO weekday with which a week begins. */
  readonly weekStart: (typeof WEEK_STARTS)[number];
  readonly mass: (typeof MASSES)[number];
  readonly temperature: (typeof TEMPERATURES)[number];
  readonly volume: (typeof VOLUMES)[number];
  readonly length: (typeof LENGTHS)[number];
}

const KEY = 'woolly-tide.view';

/** What a device is likely to want, by the language it says it speaks. */
export function usualView(languages: readonly string[], moreContrast: boolean): View {
  const spoken = languages.find((l) => l.startsWith('en')) ?? 'en-GB';
  const dates = DATE_FORMS.find((d) => d === spoken) ?? (spoken === 'en' ? 'en-US' : 'en-GB');
  const american = languages[0] === 'en-US' || languages[0] === 'en';
  return {
    text: 'usual',
    contrast: moreContrast ? 'high' : 'usual',
    singleKeys: true,
    dates,
    clock: ['en-US', 'en-CA', 'en-AU', 'en-NZ'].includes(dates) ? '12' : '24',
    weekStart: dates === 'en-US' || dates === 'en-CA' ? 7 : 1,
    mass: american ? 'lb' : 'kg',
    temperature: american ? 'f' : 'c',
    volume: american ? 'floz' : 'ml',
    // Makers of tools everywhere write millimetres.
    length: 'mm',
  };
}

const within = <T>(all: readonly T[], value: unknown, usual: T): T => all.find((x) => x === value) ?? usual;

/** A view out of what a device kept; what it does not know is as usual. */
export function viewFrom(kept: Readonly<Record<string, unknown>>, usual: View): View {
  return {
    text: within(TEXT_SIZES, kept['text'], usual.text),
    contrast: within(CONTRASTS, kept['contrast'], usual.contrast),
    singleKeys: typeof kept['singleKeys'] === 'boolean' ? kept['singleKeys'] : usual.singleKeys,
    dates: within(DATE_FORMS, kept['dates'], usual.dates),
    clock: within(CLOCKS, kept['clock'], usual.clock),
    weekStart: within(WEEK_STARTS, kept['weekStart'], usual.weekStart),
    mass: within(MASSES, kept['mass'], usual.mass),
    temperature: within(TEMPERATURES, kept['temperature'], usual.temperature),
    volume: within(VOLUMES, kept['volume'], usual.volume),
    length: within(LENGTHS, kept['length'], usual.length),
  };
}

const kept = (): Readonly<Record<string, unknown>> => {
  try {
    const value: unknown = JSON.parse(keptHere(KEY) ?? '{}');
    return typeof value === 'object' && value !== null ? { ...value } : {};
  } catch {
    return {};
  }
};

let now: View | undefined;
const listeners = new Set<() => void>();

/** How things are shown now; for words, which are made outside of components. */
export const view = (): View => (now ??= viewFrom(kept(), usualView(languagesHere(), contrastHere())));
/** Asks the device again at the next look: tests look from several devices. */
export const forgetView = (): void => void (now = undefined);

/** What letters and contrast are, as the page's root says it to its styles. */
export const viewMarks = ({ text, contrast }: View) => ({ 'data-wt-text': text, 'data-wt-contrast': contrast });

export function setView(change: Partial<View>): void {
  now = { ...view(), ...change };
  keepHere(KEY, JSON.stringify(now));
  showMarks(viewMarks(now));
  for (const l of listeners) l();
}

/** Calls the listener at each change; what it returns ends that. */
export const onView = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
