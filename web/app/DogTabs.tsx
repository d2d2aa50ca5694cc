/** The pages of one dog side by side, with what is always in sight of it: how it stands, and the number to tap. */
import { useDog } from '../data/hooks.ts';
import { Tabs } from '../ui/Tabs.tsx';
import { needText } from '../words/reasons.ts';
import { PhoneLink } from './PhoneLink.tsx';

const PAGES = [
  ['', 'Coat and visits'],
  ['/tide', 'Its year'],
  ['/next', 'Dates'],
  ['/home', 'At home'],
  ['/edit', 'Details'],
] as const;

export function DogTabs({ dogId }: { dogId: string }) {
  const page = useDog(dogId).data;
  return (
    <div className="d-flex flex-wrap items-center g-6 below-6">
      <Tabs
        name="This dog"
        look="line"
        tabs={PAGES.map(([path, word]) => ({ to: `/desk/dogs/${dogId}${path}`, word, end: true }))}
      />
      {page && (
        <span>
          {needText(page.need.reason, page.today)} <PhoneLink phone={page.dog.owner.phone} />
        </span>
      )}
    </div>
  );
}
