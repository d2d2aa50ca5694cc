/** The door of the house: nobody comes in unknown. On a shared tablet it closes by itself, with the room left as it was. */
import { lazy, Suspense, type ReactNode } from 'react';
import { useMe } from '../data/door.ts';
import { Loaded } from '../app/state.tsx';
import { MeProvider } from './me.ts';
import css from './door.module.css';

// Nobody who is signed in needs these.
const FirstOwner = lazy(() => import('./FirstOwner.tsx').then((m) => ({ default: m.FirstOwner })));
const PinPad = lazy(() => import('./PinPad.tsx').then((m) => ({ default: m.PinPad })));
const SetUpSalon = lazy(() => import('./SetUpSalon.tsx').then((m) => ({ default: m.SetUpSalon })));
const SignIn = lazy(() => import('./SignIn.tsx').then((m) => ({ default: m.SignIn })));

export function Door({ children }: { children: ReactNode }) {
  const query = useMe();
  if (!query.data)
    return (
      <main className={css.door}>
        <Loaded query={query}>{() => null}</Loaded>
      </main>
    );
  const me = query.data;
  if (me.account && !me.locked && me.salon) return <MeProvider value={me}>{children}</MeProvider>;
  return (
    <Suspense fallback={<main className={css.door} />}>
      {me.first ? (
        <FirstOwner codeNeeded={me.codeNeeded} />
      ) : !me.account ? (
        <SignIn demo={me.demo} />
      ) : me.locked ? (
        <PinPad me={me} />
      ) : (
        <SetUpSalon owner={me.account.role === 'owner'} />
      )}
    </Suspense>
  );
}
