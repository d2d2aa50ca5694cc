/** A caution beside the act it is about; at the desk it leads to its rule, with the reason. */
import { TriangleAlert } from 'lucide-react';
import { Link } from 'react-router';
import { findRule } from '../../core/kit/index.ts';

export function Caution({ id, linked = false }: { id: string; linked?: boolean }) {
  const row = findRule(id);
  // A session's plan may be older than today's rules.
  if (!row) return null;
  return (
    <p className="wt-caution">
      <TriangleAlert aria-hidden size={17} />
      <span>
        <span className="visually-hidden">Caution: </span>
        {linked ? <Link to={`/desk/rules?rule=${id}`}>{row.statement}</Link> : row.statement}
      </span>
    </p>
  );
}
