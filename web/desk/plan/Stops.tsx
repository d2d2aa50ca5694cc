/** What a vet should see first, said before any plan; and what may be done today instead of a groom. */
import { Link } from 'react-router';
import type { Instead, Plan } from '../../../core/bench/index.ts';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dogStop, INSTEAD_WORDS, zoneStop } from '../../words/reasons.ts';

export function Stops({ plan, dogId, checkId }: { plan: Plan; dogId: string; checkId: string }) {
  const { stops } = plan;
  if (stops.dog.length === 0 && stops.zones.length === 0) return null;
  return (
    <Notice tone="stop" role="alert">
      {stops.dog.length > 0 ? (
        <>
          <p>
            <strong>No groom today. A vet should look first.</strong> {stops.dog.map(dogStop).join(' ')}
          </p>
          <p>
            We saw this; we do not diagnose. <Link to={`/desk/dogs/${dogId}`}>Back to the dog</Link>
          </p>
        </>
      ) : null}
      {stops.zones.length > 0 && (
        <p>
          <strong>Not worked, and a vet should look:</strong> {stops.zones.map(zoneStop).join(' ')} Keep water, soap and
          air off too.
        </p>
      )}
      <p>
        <Link to={`/desk/dogs/${dogId}/note/${checkId}`}>Note for the owner and the vet, to print</Link>
      </p>
    </Notice>
  );
}

/** What may be done today where there is no groom. */
export function InsteadOf({ instead }: { instead: Instead }) {
  const { title, acts } = INSTEAD_WORDS[instead.code];
  return (
    <Sheet aria-labelledby="instead">
      <h2 id="instead">{title}</h2>
      <ul>
        {acts.map((act) => (
          <li key={act}>{act}</li>
        ))}
      </ul>
    </Sheet>
  );
}
