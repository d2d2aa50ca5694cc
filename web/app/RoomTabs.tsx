/** The pages of one room side by side: the calendar’s day, weeks and list, the reports’ sums and checks. */
import { useWho } from '../door/me.ts';
import { pagesFor, type Page } from '../pages.ts';
import { Tabs } from '../ui/Tabs.tsx';

type Of = NonNullable<Page['tab']>['of'];
const NAMES: Readonly<Record<Of, string>> = { calendar: 'The calendar', reports: 'The reports' };

export function RoomTabs({ of }: { of: Of }) {
  const { role } = useWho();
  const tabs = pagesFor(role).flatMap(({ path, tab }) =>
    tab?.of === of ? [{ to: path, word: tab.word, end: true }] : [],
  );
  return <Tabs name={NAMES[of]} look="line" tabs={tabs} />;
}
