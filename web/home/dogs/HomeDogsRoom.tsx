/** Home: whose card. */
import { Link } from 'react-router';
import { Loaded } from '../../app/state.tsx';
import { useDogs } from '../../data/hooks.ts';

export function HomeDogsRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Home cards</h1>
      </div>
      <Loaded query={useDogs()}>
        {({ dogs }) =>
          dogs.length === 0 ? (
            <p className="wt-sheet">No dogs yet.</p>
          ) : (
            <ul className="wt-bare wt-homelist">
              {[...dogs]
                .sort((a, b) => a.name.localeCompare(b.name))
                .map((d) => (
                  <li key={d.id}>
                    <Link to={`/home/${d.id}`}>{d.name}</Link>
                  </li>
                ))}
            </ul>
          )
        }
      </Loaded>
    </>
  );
}
