/** Help beside the room: what this room is for, what to do in it, and the way to all of it. */
import { Offcanvas } from 'react-bootstrap';
import { Link, useLocation } from 'react-router';
import { pageAt } from '../pages.ts';
import { PageText } from './HelpRoom.tsx';

export default function HelpPanel({ onClose }: { onClose: () => void }) {
  const { pathname } = useLocation();
  const page = pageAt(pathname);
  return (
    <Offcanvas show onHide={onClose} placement="end" aria-labelledby="help-title" className="wt-help-panel">
      <Offcanvas.Header closeButton>
        <Offcanvas.Title as="h2" id="help-title">
          {page?.help ? page.title : 'Help'}
        </Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>
        {page?.help ? <PageText help={page.help} /> : <p>There is no page for this room.</p>}
        <p>
          <Link to="/desk/help" onClick={onClose}>
            All help and the words of the trade
          </Link>
        </p>
      </Offcanvas.Body>
    </Offcanvas>
  );
}
