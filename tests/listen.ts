/** An Express application on a free port of this machine, and its end. */
import type { Express } from 'express';

export interface Listening {
  readonly base: string;
  readonly close: () => Promise<void>;
}

export async function listen(app: Express): Promise<Listening> {
  const server = app.listen(0, '127.0.0.1');
  await new Promise((listening) => server.once('listening', listening));
  const address = server.address();
  if (address === null || typeof address === 'string') throw new TypeError('the server listens on no port');
  return {
    base: `http://127.0.0.1:${address.port}`,
    close: () =>
      new Promise((closed) => {
        server.close(() => closed());
        server.closeAllConnections();
      }),
  };
}
