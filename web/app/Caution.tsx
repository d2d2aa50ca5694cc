/** A caution beside the act it is about, with its reason on demand. */
import { TriangleAlert } from 'lucide-react';
import { rule } from '../../core/kit/index.ts';

export function Caution({ id }: { id: string }) {
  const row = rule(id);
  return (
    <p className="wt-caution">
      <TriangleAlert aria-hidden size={17} />
      <span>
        <span className="visually-hidden">Caution: </span>
        {row.statement}
      </span>
    </p>
  );
}
