/** A link between a device and the salon's computer that can be cut: bytes pass, or nothing does. */
import { connect, createServer, type Server, type Socket } from 'node:net';

export interface CutLink {
  readonly base: string;
  cut: () => Promise<void>;
  mend: () => Promise<void>;
  close: () => Promise<void>;
}

/** A link to a house on this machine. */
export async function linkTo(base: string): Promise<CutLink> {
  const target = Number(new URL(base).port);
  const sockets = new Set<Socket>();
  const keep = (s: Socket): Socket => {
    sockets.add(s);
    s.on('close', () => sockets.delete(s));
    s.on('error', () => s.destroy());
    return s;
  };
  let server: Server | undefined;
  let port = 0;
  const mend = async (): Promise<void> => {
    const made = createServer((here) => {
      const there = keep(connect(target, '127.0.0.1'));
      keep(here).pipe(there).pipe(here);
      here.on('close', () => there.destroy());
      there.on('close', () => here.destroy());
    });
    await new Promise<void>((listening) => made.listen(port, '127.0.0.1', listening));
    const address = made.address();
    if (address && typeof address === 'object') port = address.port;
    server = made;
  };
  const cut = async (): Promise<void> => {
    const closing = server;
    server = undefined;
    for (const s of sockets) s.destroy();
    if (closing) await new Promise((closed) => closing.close(closed));
  };
  await mend();
  return { base: `http://127.0.0.1:${port}`, cut, mend, close: cut };
}
