/** What the devices at the table say, live, while somebody looks. */
import { useEffect, useState } from 'react';
import type { DevicesPage } from '../../contract/devices.ts';
import { api } from '../data/client.ts';

/** The newest word of the devices; undefined before the first, and while the link is away. */
export function useDevices(wanted: boolean): DevicesPage | undefined {
  const [page, setPage] = useState<DevicesPage>();
  useEffect(() => {
    if (!wanted) return;
    const stream = new EventSource('/api/devices/stream');
    stream.onmessage = (message: MessageEvent<string>) => setPage(JSON.parse(message.data));
    stream.onerror = () => setPage(undefined);
    return () => {
      stream.close();
      setPage(undefined);
    };
  }, [wanted]);
  return page;
}

/** What stands on the scale counts as nothing from here. Not waited for: the next word of the scale shows it. */
export const tare = (): void => void api.post('/devices/scale/tare').catch(() => undefined);
