/** Dogs that wait for a vet, in a list of calls: how it went is asked, and nothing is offered. */
import { Link } from 'react-router';
import type { BookDog } from '../../../core/tide/index.ts';
import { Fact } from '../../app/Fact.tsx';
import { OwnerPhone } from '../../app/OwnerPhone.tsx';
import { shortDay } from '../../words/dates.ts';
import { holdTexts } from '../../words/holds.ts';

export const AskAfter = ({ dogs }: { dogs: readonly BookDog[] }) => (
  <>
    {dogs.map((dog) => (
      <article key={dog.id} className="wt-call">
        <OwnerPhone id={dog.id} />
        <p>
          <strong>
            <Link to={`/desk/dogs/${dog.id}`}>{dog.name}</Link>
          </strong>{' '}
          <Fact dog={dog.id} of="hold" from={{ holds: dog.holds }}>
            {holdTexts(
              dog.holds.filter((h) => !h.seen),
              shortDay,
            ).join(' ')}
          </Fact>{' '}
          Ask how it went at the vet. <Link to="/desk/vet">The vet has seen it</Link>
        </p>
      </article>
    ))}
  </>
);
