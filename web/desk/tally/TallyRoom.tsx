/** Desk → Tally: what the salon's own log adds up to, drawn or as a table, and what may be said to have changed. */
import { RoomTabs } from '../../app/RoomTabs.tsx';
import { useSearchParams } from 'react-router';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Counting } from './Counting.tsx';
import { TakingsSheet } from './TakingsSheet.tsx';
import { Taught } from './Taught.tsx';

const VIEWS = [
  { value: 'counted', word: 'What it adds up to' },
  { value: 'takings', word: 'Takings of a month' },
  { value: 'taught', word: 'What it has taught' },
] as const;

export function TallyRoom() {
  const [search, setSearch] = useSearchParams();
  const view = VIEWS.find((v) => v.value === search.get('view'))?.value ?? 'counted';
  return (
    <>
      <div className="wt-title">
        <h1>Reports</h1>
        <RoomTabs of="reports" />
        <ChoiceGroup
          name="See"
          options={VIEWS}
          value={view}
          onPick={(v) => setSearch(v === 'counted' ? {} : { view: v }, { replace: true })}
        />
      </div>
      {view === 'taught' ? <Taught /> : view === 'takings' ? <TakingsSheet /> : <Counting />}
    </>
  );
}
