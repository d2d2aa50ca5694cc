/** In a line: what to mix for the day’s dogs, how loud its dryers are, and what an earlier day left open. */
import { Link } from 'react-router';
import type { DayPage } from '../../../contract/day.ts';
import { day, formatDay, sum } from '../../../core/quantity/index.ts';
import { NOISE_ROWS, noiseDose } from '../../../core/sound/index.ts';
import { dilutionOf, mixesOf, poured, useLabel, volume } from '../../app/tub.ts';
import { useDay, useSessions } from '../../data/hooks.ts';
import { dateText } from '../../words/dates.ts';
import { minutesText, percent } from '../../words/figures.ts';

function Mix({ page }: { page: DayPage }) {
  const [label] = useLabel();
  const dilution = dilutionOf(label);
  const bathed = page.dogs.filter((d) => d.bathes);
  if (bathed.length === 0) return <>No bath is planned today.</>;
  const baths = `${bathed.length} ${bathed.length === 1 ? 'bath' : 'baths'}`;
  if (!dilution) return <>{baths}: the label’s dilution is missing.</>;
  const mixes = mixesOf(bathed, dilution).map(({ mix }) => mix);
  const ml = (of: readonly number[]): string => volume(sum(of), label.unit);
  return (
    <>
      {baths}: mix {ml(mixes.map((m) => poured(m.concentrateMl)))} product in {ml(mixes.map((m) => poured(m.waterMl)))}{' '}
      water.
    </>
  );
}

function Noise({ page }: { page: DayPage }) {
  const uses = page.dogs.flatMap((d) => d.dryers);
  if (uses.length === 0) return <>No dryer is planned today.</>;
  const exposures = uses.map((u) => ({ levelDbA: u.dbA, minutes: u.minutes }));
  const most = Math.max(...NOISE_ROWS.map((rule) => noiseDose(exposures, rule)));
  return (
    <>
      Dryers run {minutesText(sum(uses.map((u) => u.minutes)))}, {percent(most)} of a day’s noise for bare ears.
      {most > 1 && ' Wear ear protection, and change over.'}
    </>
  );
}

export function Supplies() {
  const page = useDay().data;
  const sessions = useSessions().data?.sessions;
  if (!page) return null;
  const today = formatDay(day(page.today));
  const open = (sessions ?? []).filter((s) => s.state !== 'finished' && s.day < today);
  return (
    <p className="d-flex flex-wrap g-6 below-4" role="group" aria-label="Tub, noise and what is open">
      <span>
        <Link to="/desk/today/tub">Tub</Link>: <Mix page={page} />
      </span>
      <span>
        <Noise page={page} />
      </span>
      {open.length > 0 && (
        <span>
          Left open:{' '}
          {open.map((s, i) => (
            <span key={s.id}>
              {i > 0 && ', '}
              <Link to={`/table/sessions/${s.id}`}>
                {s.dogName}, {dateText(s.day)}
              </Link>
            </span>
          ))}
        </span>
      )}
    </p>
  );
}
