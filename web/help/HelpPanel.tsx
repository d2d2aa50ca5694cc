/** Help beside the room: what this room is for, what to do in it, and the way to all of it. */
import { Link, useLocation } from 'react-router';
import { pageAt } from '../pages.ts';
import { Drawer } from '../ui/Drawer.tsx';
import { PageText } from './HelpRoom.tsx';

export default function HelpPanel({ onClose }: { onClose: () => void }) {
  const { pathname } = useLocation();
  const page = pageAt(pathname);
  return (
    <Drawer title={page?.help ? page.title : 'Help'} onClose={onClose}>
      {page?.help ? <PageText help={page.help} /> : <p>There is no page for this room.</p>}
      <p>
        <Link to="/desk/help" onClick={onClose}>
          All help and the words of the trade
        </Link>
      </p>
    </Drawer>
  );
}
