/** Desk → For the vet: every dog of which something waits for a vet, or is to be left alone. */
import { Phone } from 'lucide-react';
import { Link } from 'react-router';
import { waitsForVet } from '../../../core/check/index.ts';
import { Fact } from '../../app/Fact.tsx';
import { Loaded } from '../../app/state.tsx';
import { useHolds } from '../../data/hooks.ts';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { HoldCard } from './HoldCard.tsx';

export function VetRoom() {
  const query = useHolds();
  return (
    <>
      <div className="wt-title">
        <h1>For the vet</h1>
        <span className="wt-soft">what was found and waits; what a vet says goes before anything here</span>
      </div>
      <Loaded query={query}>
        {({ dogs, today }) =>
          dogs.length === 0 ? (
            <EmptyState>
              Nothing waits for a vet. What stops work at a coat check, at the table or at home stands here until it is
              seen.
            </EmptyState>
          ) : (
            <ul className="wt-bare wt-stack">
              {dogs.map((of) => (
                <Sheet as="li" key={of.dogId} mark={waitsForVet(of.holds) ? 'stop' : undefined}>
                  <h2>
                    <Link to={`/desk/dogs/${of.dogId}`}>{of.name}</Link>{' '}
                    <span className="wt-soft">
                      {of.ownerName}
                      {of.phone && (
                        <>
                          {' '}
                          <Phone aria-hidden size={14} /> {of.phone}
                        </>
                      )}
                    </span>
                  </h2>
                  <Fact dog={of.dogId} of="hold" from={of}>
                    <HoldCard of={of} today={today} />
                  </Fact>
                </Sheet>
              ))}
            </ul>
          )
        }
      </Loaded>
    </>
  );
}
