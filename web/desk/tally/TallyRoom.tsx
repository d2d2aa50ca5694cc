/** Desk → Tally: what the salon's own log adds up to, drawn or as a table, and what may be said to have changed. */
import { Link, useSearchParams } from 'react-router';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Counting } from './Counting.tsx';
import { Taught } from './Taught.tsx';

const VIEWS = [
  { value: 'counted', word: 'What it adds up to' },
  { value: 'taught', word: 'What it has taught' },
] as const;

export function TallyRoom() {
  const [search, setSearch] = useSearchParams();
  const view = search.get('view') === 'taught' ? 'taught' : 'counted';
  return (
    <>
      <div className="wt-title">
        <h1>Tally</h1>
        <ChoiceGroup
          name="See"
          options={VIEWS}
          value={view}
          onPick={(v) => setSearch(v === 'taught' ? { view: v } : {}, { replace: true })}
        />
        <span className="wt-soft">
          Forecasts are held against what came in <Link to="/desk/tide/honest">How good are we</Link>
        </span>
      </div>
      {view === 'taught' ? <Taught /> : <Counting />}
    </>
  );
}
