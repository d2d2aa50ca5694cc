/** The brushes in this dog's home: which suit its coat, which do not, and on which measure. */
import { Link } from 'react-router';
import type { DogRecord } from '../../../contract/dog.ts';
import { coatRow, regionRow } from '../../../core/dog/index.ts';
import { DEFAULT_QUARRELS, fitTool, type FitResult, type Tool } from '../../../core/kit/index.ts';
import { guardLengthMm, type GuardLengths } from '../../../core/check/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useKit } from '../../data/hooks.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { capital, percent } from '../../words/figures.ts';
import { partText } from '../../words/kit.ts';

/** A loose, dry back and breeches: where an owner brushes most. */
const WHERE = ['back', 'breeches'] as const;

/** Fits of a brush on the dry coat of this dog where owners use it. */
function fitsOf(tool: Tool, dog: DogRecord, lengths: GuardLengths): readonly FitResult[] {
  const { low, high } = coatRow(dog.coatClass).guardMm;
  return WHERE.map((region) =>
    fitTool(tool, {
      region,
      wetness: 'dry',
      coatClass: dog.coatClass,
      condition: 'loose',
      grade: 2,
      tie: 'none',
      skin: 'clear',
      traits: dog.traits,
      guardMm: guardLengthMm(lengths, region, (low + high) / 2),
      house: DEFAULT_QUARRELS,
    }),
  );
}

/** Below this a brush is not worth its minutes at home. Guess. */
const WORTH_USING = 0.22;

function verdict(results: readonly FitResult[]): string {
  const forbidden = results.find((r) => r.kind === 'forbidden');
  if (forbidden?.kind === 'forbidden') return `Not for this dog: ${forbidden.rule.statement}`;
  const fits = results.flatMap((r) => (r.kind === 'fits' ? [r] : []));
  const worst = fits.reduce<(typeof fits)[number] | undefined>((a, b) => (!a || b.fit < a.fit ? b : a), undefined);
  if (!worst) return 'Does nothing on a dry coat.';
  const weakest = Object.values(worst.parts).reduce((a, b) => (b.score < a.score ? b : a));
  const region = WHERE[fits.indexOf(worst)] ?? 'back';
  return worst.fit >= WORTH_USING
    ? `Suits it, ${percent(worst.fit)}; weakest at the ${regionRow(region).name}: ${partText(weakest)}.`
    : `Hardly worth its minutes, ${percent(worst.fit)}: at the ${regionRow(region).name} ${partText(weakest)}.`;
}

export function Brushes({ dog, lengths }: { dog: DogRecord; lengths: GuardLengths }) {
  return (
    <Sheet aria-labelledby="brushes">
      <h2 id="brushes">Brushes at home</h2>
      <Loaded query={useKit()}>
        {({ tools }) => {
          const own = tools.filter((t) => t.homeOf === dog.id && !t.retired);
          return own.length === 0 ? (
            <p className="wt-soft">Nobody has asked yet what the home brushes with.</p>
          ) : (
            <ul className="wt-bare">
              {own.map((t) => (
                <li key={t.id}>
                  <Link to={`/desk/kit/${t.id}`}>{capital(t.name)}</Link>{' '}
                  <span className="wt-soft">{verdict(fitsOf(t, dog, lengths))}</span>
                </li>
              ))}
            </ul>
          );
        }}
      </Loaded>
      <Link to={`/desk/kit/new?home=${dog.id}`}>Write one down</Link>
    </Sheet>
  );
}
