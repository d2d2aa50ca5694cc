/**
 * Which names the program answers to. A page elsewhere can let its own name point to this machine (DNS rebinding) and would
 * then pass for ours: only this machine's names and addresses, and those named at the start, are answered.
 */
import { hostname, networkInterfaces } from 'node:os';
import type { RequestHandler } from 'express';
import { Problem } from '../problem.ts';

const bare = (host: string): string =>
  host
    .toLowerCase()
    .replace(/^\[(.*)\](?::\d+)?$/, '$1')
    .replace(/^([^:]*):\d+$/, '$1')
    .replace(/\.$/, '');

/** Names and addresses of this machine, as it has them now. */
function own(): ReadonlySet<string> {
  const name = hostname().toLowerCase();
  const addresses = Object.values(networkInterfaces()).flatMap((list) => list?.map((i) => i.address) ?? []);
  return new Set(['localhost', '127.0.0.1', '::1', name, `${name}.local`, ...addresses]);
}

/** Refuses requests for other names; `named`: those given at the start. */
export function onlyOurHosts(named: readonly string[]): RequestHandler {
  const given = new Set(named.map(bare));
  let known = own();
  return (req, _res, next) => {
    const host = bare(req.get('host') ?? '');
    if (given.has(host) || known.has(host)) return next();
    // Addresses come and go with the net.
    known = own();
    if (known.has(host)) return next();
    throw new Problem(
      421,
      null,
      `This program is not called "${host.slice(0, 80)}". Open it by the address it printed, or start it with --name ${host.slice(0, 80)}.`,
    );
  };
}
