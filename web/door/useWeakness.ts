/** Why a passphrase that is being typed would be guessed, as the salon's computer will judge it; read when one is made. */
import { useEffect, useState } from 'react';
import { PASSPHRASE } from '../../contract/door.ts';

const WAIT_MS = 250;
const NONE: readonly string[] = [];

export function useWeakness(passphrase: string, about: readonly string[] = NONE): string | undefined {
  const [told, setTold] = useState<{ readonly of: string; readonly weak: string | undefined }>();
  const names = about.join('\n');
  useEffect(() => {
    if (passphrase.length < PASSPHRASE.least) return;
    let over = false;
    const timer = setTimeout(() => {
      void import('../../contract/passphrase-strength.ts')
        .then(({ weakness }) => weakness(passphrase, names.split('\n')))
        .then((weak) => {
          if (!over) setTold({ of: passphrase, weak });
        })
        // Without the lists the salon's computer says it alone.
        .catch(() => undefined);
    }, WAIT_MS);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [passphrase, names]);
  return told?.of === passphrase ? told.weak : undefined;
}
