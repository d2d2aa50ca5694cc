/** The door of the house: nobody comes in unknown. On a shared tablet it closes by itself, with the room left as it was. */
import type { ReactNode } from 'react';
import { useMe } from '../data/door.ts';
import { Loaded } from '../app/state.tsx';
import { FirstOwner } from './FirstOwner.tsx';
import { MeProvider } from './me.ts';
import { PinPad } from './PinPad.tsx';
import { SetUpSalon } from './SetUpSalon.tsx';
import { SignIn } from './SignIn.tsx';
import './door.css';

export function Door({ children }: { children: ReactNode }) {
  const query = useMe();
  if (!query.data)
    return (
      <main className="wt-door">
        <Loaded query={query}>{() => null}</Loaded>
      </main>
    );
  const me = query.data;
  if (me.first) return <FirstOwner codeNeeded={me.codeNeeded} />;
  if (!me.account) return <SignIn demo={me.demo} />;
  if (me.locked) return <PinPad me={me} />;
  if (!me.salon) return <SetUpSalon owner={me.account.role === 'owner'} />;
  return <MeProvider value={me}>{children}</MeProvider>;
}
