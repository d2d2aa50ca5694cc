/** Decides when photos that wait on this device are sent: when the house is opened, and when the link comes back. */
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { sendPhotos } from '../data/photos.ts';

export function usePhotoOutbox(): void {
  const queries = useQueryClient();
  useEffect(() => {
    const send = (): void =>
      void sendPhotos().then((sent) => {
        if (sent > 0) void queries.invalidateQueries({ queryKey: ['photos'] });
      });
    send();
    window.addEventListener('online', send);
    return () => window.removeEventListener('online', send);
  }, [queries]);
}
