/** Home → card: what hangs in an owner's kitchen, as it prints. */
import { Printer } from 'lucide-react';
import { Link, useParams, useSearchParams } from 'react-router';
import { Loaded } from '../../app/state.tsx';
import { useHome } from '../../data/hooks.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { FridgeCard } from '../paper/FridgeCard.tsx';
import { WallStrip } from '../paper/WallStrip.tsx';

export function CardRoom() {
  const { dogId = '' } = useParams();
  const [params] = useSearchParams();
  const strip = params.get('as') === 'strip';
  return (
    <div data-paper={strip ? 'strip' : 'card'}>
      <Loaded query={useHome(dogId)}>
        {({ dog, salonName, timeZone }) => (
          <>
            <div className="wt-title wt-noprint">
              <h1>
                <Link to={`/desk/dogs/${dogId}/home`}>{dog.name}</Link> on paper
              </h1>
              <div className="wt-acts">
                <ButtonLink to={strip ? '?' : '?as=strip'} replace>
                  {strip ? 'The card instead' : 'The strip instead'}
                </ButtonLink>
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
