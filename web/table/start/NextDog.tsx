/** The next dog of the day's sheet, for the table: who, when, and the way to its plan. */
import { Link } from 'react-router';
import type { SheetPage } from '../../../contract/roster.ts';
import { stagesWithoutHands } from '../../../core/day/index.ts';
import { useSheet } from '../../data/hooks.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { useDaySheet } from '../../work/useDaySheet.ts';
import { standing } from '../../desk/sheet/names.ts';
import { minuteText } from '../../words/dates.ts';
import { STAGE_WORDS } from '../../words/day.ts';

function Next({ page }: { page: SheetPage }) {
  const { laid } = useDaySheet(page.asked);
  if (!laid) return null;
  const done = new Set(page.done.map((d) => `${d.visit} ${d.stage}`));
  const begun = new Set(page.asked.begun.map((b) => `${b.visit} ${b.stage}`));
  const next = standing(laid).laid.find(
    (l) =>
      l.start + 1 >= (page.now ?? 0) - 60 && !done.has(`${l.visit} ${l.stage}`) && !begun.has(`${l.visit} ${l.stage}`),
  );
  const visit = page.visits.find((v) => v.id === next?.visit);
  const kind = page.asked.visits.find((v) => v.id === next?.visit)?.stages[next?.stage ?? 0]?.kind;
  if (!next || !visit || !kind) return null;
  return (
    <Sheet as="p">
      Next on the sheet: <strong>{visit.name}</strong>, {STAGE_WORDS[kind]} at {minuteText(next.start)}.{' '}
      {visit.checkId ? (
        <Link to={`/desk/dogs/${visit.dogId}/plan/${visit.checkId}`}>Its plan</Link>
      ) : (
        <Link to={`/desk/dogs/${visit.dogId}/check`}>Check its coat</Link>
      )}{' '}
      · <Link to="/table/wall">The day on the wall</Link>
    </Sheet>
  );
}

/** Nothing where there is no link, or no dog left today. */
export function NextDog() {
  const { data } = useSheet(undefined);
  return data && data.visits.length > 0 && stagesWithoutHands(data.asked).length === 0 ? <Next page={data} /> : null;
}
