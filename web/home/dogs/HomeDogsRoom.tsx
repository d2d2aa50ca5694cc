/** Home: whose card. */
import { Link } from 'react-router';
import { Loaded } from '../../app/state.tsx';
import { useDogs } from '../../data/hooks.ts';
import { EmptyState } from '../../ui/EmptyState.tsx';
import css from './home-dogs.module.css';

export function HomeDogsRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Home cards</h1>
      </div>
      <Loaded query={useDogs()}>
        {({ dogs }) =>
          dogs.length === 0 ? (
            <EmptyState>No dogs yet.</EmptyState>
          ) : (
            <ul className={`wt-bare ${css.homelist}`}>
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
