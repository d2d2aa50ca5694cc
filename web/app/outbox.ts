/**
 * Decides when what waits on this device is sent: when the house is opened, and when the link comes back. The session
 * that is open sends its own acts; those of the others, and photos, go from here.
 */
import { useEffect } from 'react';
import { sessionsWaiting } from '../data/kept.ts';
import { sendPhotos } from '../data/photos.ts';
import { TableLog } from '../data/table-log.ts';

/** Sends what sessions left behind, one after the other; what cannot be sent now stays. */
async function sendSessions(): Promise<void> {
  for (const id of await sessionsWaiting()) {
    const log = new TableLog(id);
    await log.flush();
  }
}

export function useOutboxes(): void {
  useEffect(() => {
    const send = (): void => {
      void sendPhotos();
      void sendSessions().catch(() => undefined); // no store on this device: nothing waits
    };
    send();
    window.addEventListener('online', send);
    return () => window.removeEventListener('online', send);
  }, []);
}
