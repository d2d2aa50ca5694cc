/**
 * Says when the salon's computer has been given a newer build than this page runs: nothing is taken away under anybody's hands.
 * The files of the build before are still served, so that anyone who stays loses nothing either.
 */
import { useQuery } from '@tanstack/react-query';
import { api, ApiProblem } from '../data/client.ts';
import { Button } from '../ui/Button.tsx';
import css from './app.module.css';

const EVERY_MS = 5 * 60_000;

/** Name of the script that this page was started by: another build has another. */
const ownBuild = (): string | undefined =>
  document.querySelector<HTMLScriptElement>('script[type="module"][src*="/assets/main-"]')?.src.split('/').at(-1);

/** A newer build, or no link at all: what stands in the rooms is then as it was last seen. */
export function NewVersion() {
  const { data, error } = useQuery({
    queryKey: ['build'],
    queryFn: () => api.get('/health'),
    refetchInterval: EVERY_MS,
    refetchOnWindowFocus: true,
    staleTime: EVERY_MS / 2,
    networkMode: 'always',
  });
  if (error instanceof ApiProblem && error.status === 0)
    return (
      <p className={css.newer} role="status">
        There is no link to the salon’s computer. Rooms stand as they were last seen on this device.
      </p>
    );
  if (!data?.build) return null;
  const own = ownBuild();
  if (own === undefined || data.build === own) return null;
  return (
    <div className={css.newer} role="status">
      <span>A newer version of Woolly Tide is here. What you have open stays until you take it.</span>
      <Button size="sm" look="usual" onClick={() => window.location.reload()}>
        Take it now
      </Button>
    </div>
  );
}
