/**
 * Would a passphrase be guessed: an estimate of how many tries it takes anyone who knows lists of common words and passwords,
 * rows of keyboards, dates, and the names of the person and the salon. The same answer on the device and on the server.
 */
import type { ZxcvbnFactory } from '@zxcvbn-ts/core';

/** Guesses that a passphrase must outlast: more than a stolen file with slow hashes lets anybody try (zxcvbn's best class). */
const STRONG = 4;
/** Words that anyone who guesses for a salon tries, beyond what is typed anywhere. */
const ABOUT_US = ['woolly', 'tide', 'woollytide', 'woolly tide', 'salon', 'groomer', 'grooming', 'dogs'];
/** What lies beyond adds nothing to an answer that is clear by then. */
const MOST_LETTERS = 80;

/** The lists are large: they are read when somebody makes a passphrase. */
let estimator: Promise<ZxcvbnFactory> | undefined;
const loaded = (): Promise<ZxcvbnFactory> =>
  (estimator ??= Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
    import('@zxcvbn-ts/language-en'),
  ]).then(
    ([core, common, english]) =>
      new core.ZxcvbnFactory({
        dictionary: { ...common.dictionary, ...english.dictionary },
        graphs: common.adjacencyGraphs,
        maxLength: MOST_LETTERS,
      }),
  ));

const WHY: Readonly<Record<string, string>> = {
  repeat: 'is the same few letters over and over',
  sequence: 'is a row of letters or digits',
  spatial: 'is a row of keys',
  date: 'is little more than a date',
  userInputs: 'is little more than a name',
};

/** Why a passphrase would be guessed, as the end of a sentence; undefined where nothing speaks against it. */
export async function weakness(passphrase: string, about: readonly string[]): Promise<string | undefined> {
  const names = about.flatMap((name) => [name, ...name.split(/\s+/)]).filter((n) => n !== '');
  const { score, sequence } = (await loaded()).check(passphrase.normalize('NFKC'), [...names, ...ABOUT_US]);
  if (score >= STRONG) return undefined;
  // The piece that most of it is made of.
  const [most] = [...sequence].sort((a, b) => b.token.length - a.token.length);
  const known = WHY[most?.dictionaryName ?? ''] ?? WHY[most?.pattern ?? ''];
  return known ?? 'is made of words that are tried first';
}
