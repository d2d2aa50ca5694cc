/** Home → card: what hangs in an owner's kitchen, as it prints. */
import { Printer } from 'lucide-react';
import { Button } from 'react-bootstrap';
import { Link, useParams, useSearchParams } from 'react-router';
import { Loaded } from '../../app/state.tsx';
import { useHome } from '../../data/hooks.ts';
import { FridgeCard } from '../paper/FridgeCard.tsx';
import { WallStrip } from '../paper/WallStrip.tsx';

export function CardRoom() {
  const { dogId = '' } = useParams();
  const [params] = useSearchParams();
  const strip = params.get('as') === 'strip';
  return (
    <div className={strip ? 'wt-paper-room wt-wide' : 'wt-paper-room'}>
      <Loaded query={useHome(dogId)}>
        {({ dog, salonName, timeZone }) => (
          <>
            <div className="wt-title wt-noprint">
              <h1>
                <Link to={`/desk/dogs/${dogId}/home`}>{dog.name}</Link> on paper
              </h1>
              <div className="wt-acts">
                <Link className="btn btn-outline-primary" to={strip ? '?' : '?as=strip'} replace>
                  {strip ? 'The card instead' : 'The strip instead'}
                </Link>
                <Button onClick={() => window.print()}>
                  <Printer aria-hidden size={18} /> Print {strip ? 'the strip' : 'the card'}
                </Button>
              </div>
            </div>
            {strip ? (
              <WallStrip dog={dog} salonName={salonName} />
            ) : (
              <FridgeCard dog={dog} salonName={salonName} timeZone={timeZone} />
            )}
          </>
        )}
      </Loaded>
    </div>
  );
}
