/** Who is let in at a route: by its row of the table, the device's cookie, or an owner's link. */
import { createHash, randomBytes } from 'node:crypto';
import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, Response } from 'express';
import type { ApiRow } from '../../contract/api.ts';
import type { Role } from '../../contract/account.ts';
import { CONFIRM, HAND_MS } from '../../contract/door.ts';
import type { HomeLink } from '../../contract/home.ts';
import type { Stores } from '../db/index.ts';
import type { SignInRow, StoredAccount } from '../db/accounts.ts';
import { diskFault } from '../disk.ts';
import { tokenHash } from './owner-links.ts';
import { Problem } from '../problem.ts';
import { NOBODY, type Actor } from './acting.ts';
import type { DoorState } from './door-state.ts';

export interface Guarded {
  readonly stores: Pick<Stores, 'accounts' | 'home' | 'write'>;
  readonly nowMs: () => number;
  readonly door: DoorState;
}

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;
/** How long a sign-in lasts: unseen, and in all. */
export const LASTS = { unseenMs: 14 * DAY, inAllMs: 90 * DAY } as const;
/** A clock may be put right by so much. */
const CLOCK_SLACK_MS = 2 * MINUTE;
/** A token is changed so often; the one before serves requests that were under way. */
const ROTATE = { everyMs: DAY, graceMs: 2 * MINUTE } as const;
/** Being seen is written down no oftener. */
const TOUCH_MS = MINUTE;

/** A device that is signed in, and by whom. */
export interface SignedIn {
  readonly row: SignInRow;
  readonly account: StoredAccount;
  readonly locked: boolean;
}
/** Where a request comes from. */
export interface Origin {
  readonly address: string;
  /** It was made on this machine, with nothing between. */
  readonly onMachine: boolean;
  readonly secure: boolean;
  readonly device: string;
  /** Token by which a device is known again, where it has one. */
  readonly knownBy: string | undefined;
  readonly signedIn: SignedIn | undefined;
}
export interface Guest {
  readonly actor: Actor;
  readonly origin: Origin;
  readonly link: (HomeLink & { readonly token: string }) | undefined;
}

const COOKIE = { open: 'woolly', secure: '__Host-woolly', device: 'woolly-device' } as const;
const DEVICE_LASTS_S = 400 * 24 * 3600;

/** 256 bits, in letters that a cookie may hold. */
export const newSecret = (): string => randomBytes(32).toString('base64url');
const SECRET = /^[A-Za-z0-9_-]{43}$/;
/** What is stored of a cookie's secret. */
export const secretHash = (secret: string): string => createHash('sha256').update(secret).digest('hex');

const cookie = (name: string, value: string, maxAge: number, secure: boolean): string =>
  stringifySetCookie({ name, value, httpOnly: true, sameSite: 'strict', secure, path: '/', maxAge });

/** The header that signs a device in, or out with an empty secret. */
export const signInCookie = (secret: string, secure: boolean): string =>
  cookie(secure ? COOKIE.secure : COOKIE.open, secret, secret === '' ? 0 : LASTS.inAllMs / 1000, secure);
/** The header by which a device is known again. */
export const deviceCookie = (secret: string, secure: boolean): string =>
  cookie(COOKIE.device, secret, DEVICE_LASTS_S, secure);

/** Header that only our own pages send: a page elsewhere cannot, without asking first and being refused. */
const OURS = 'x-woolly-tide';

/** Refuses a write that another site's page sent in the name of whoever is signed in here. */
export function mustBeOurPage(req: Request): void {
  const site = req.get('sec-fetch-site');
  const origin = req.get('origin');
  const foreign =
    (site !== undefined && site !== 'same-origin' && site !== 'none') ||
    (origin !== undefined && hostOf(origin) !== req.get('host'));
  if (foreign || req.get(OURS) === undefined)
    throw new Problem(
      403,
      null,
      'This came from another page than the salon’s own. Open Woolly Tide itself and do it there.',
    );
}
const hostOf = (origin: string): string | undefined => (URL.canParse(origin) ? new URL(origin).host : undefined);

const LOOPBACK = /^(?:::1|(?:::ffff:)?127\.\d+\.\d+\.\d+)$/;

/** Was no hand on a shared tablet for too long, as the clock says; one that was set back says nothing, so a PIN is asked. */
const withoutHand = (row: SignInRow, now: number): boolean =>
  now - row.hand_ms > HAND_MS || row.hand_ms - now > CLOCK_SLACK_MS;

/** Does a shared tablet wait for a PIN. */
const isLocked = ({ nowMs, door }: Pick<Guarded, 'nowMs' | 'door'>, row: SignInRow): boolean =>
  row.shared === 1 && (row.locked === 1 || withoutHand(row, nowMs()) || door.handGone(row.id));

/** May a device go on with what it was let in to: it is still signed in, and no tablet that waits for a PIN. */
export function mayGoOn(guarded: Guarded, signInId: string): boolean {
  const row = guarded.stores.accounts.signInById(signInId);
  return row !== undefined && !isLocked(guarded, row);
}

/** The device's sign-in, when it has one that still holds; turns its token over and writes down that it was seen. */
function signedIn(
  { stores, nowMs, door }: Guarded,
  req: Request,
  res: Response,
  cookies: Cookies,
): SignedIn | undefined {
  const secret = cookies[req.secure ? COOKIE.secure : COOKIE.open];
  if (secret === undefined || !SECRET.test(secret)) return undefined;
  const hash = secretHash(secret);
  const held = stores.accounts.signedIn(hash);
  if (!held) return undefined;
  const { row, account } = held;
  const now = nowMs();
  if (row.token_hash !== hash && now > (row.before_until_ms ?? 0)) return undefined;
  if (now - row.seen_ms > LASTS.unseenMs || now - row.created_ms > LASTS.inAllMs) return undefined;
  if (account.ended) return undefined;
  const locked = isLocked({ nowMs, door }, row);
  const hand = !locked && req.get(OURS) === 'hand';
  if (hand) door.hand(row.id);
  // A full disk must not keep anybody from reading: what cannot be noted now is noted with a later request.
  const noted = (note: () => void): boolean => {
    try {
      stores.write(note);
      return true;
    } catch (problem) {
      if (diskFault(problem)) return false;
      throw problem;
    }
  };
  if (locked && row.locked === 0) noted(() => stores.accounts.lock(row.id));
  if (now - row.seen_ms > TOUCH_MS || (hand && now - row.hand_ms > TOUCH_MS))
    noted(() => stores.accounts.touch(row.id, now, hand ? now : 0));
  if (row.token_hash === hash && now - row.rotated_ms > ROTATE.everyMs) {
    const next = newSecret();
    if (noted(() => stores.accounts.rotate(row.id, secretHash(next), now, now + ROTATE.graceMs)))
      res.append('Set-Cookie', signInCookie(next, req.secure));
  }
  return { row, account, locked };
}
type Cookies = Readonly<Record<string, string | undefined>>;

const NOTHING_HERE = 'There is nothing here. If this was your dog’s page, please ask the salon for a new link.';
/** Whatever is wrong with a link, the answer is the same. */
export const nothingHere = (): Problem => new Problem(404, null, NOTHING_HERE);

const ROLE_WORD: Readonly<Record<Role, string>> = {
  owner: 'the owner',
  groomer: 'a groomer',
  bather: 'a bather',
  desk: 'the desk',
};
const either = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`;

/** Who asks, let in by the row; 401 signed out, 423 locked, 403 not theirs to do, 404 for a link that opens nothing. */
export function guestAt(guarded: Guarded, row: ApiRow, req: Request, res: Response): Guest {
  const cookies = parseCookie(req.get('cookie') ?? '');
  const known = cookies[COOKIE.device];
  const address = req.ip ?? '';
  const origin: Origin = {
    address,
    onMachine: !guarded.door.behindProxy && LOOPBACK.test(address) && req.get('x-forwarded-for') === undefined,
    secure: req.secure,
    device: (req.get('user-agent') ?? '').slice(0, 200),
    knownBy: known !== undefined && SECRET.test(known) ? known : undefined,
    signedIn: row.may === 'link' ? undefined : signedIn(guarded, req, res, cookies),
  };
  if (row.may === 'link') {
    const token = req.get('x-home-link') ?? '';
    const hash = tokenHash(token);
    const link = hash === undefined ? undefined : guarded.stores.home.openLink(hash);
    const { id } = req.params;
    if (!link || (id !== undefined && !link.dogIds.includes(String(id)))) throw nothingHere();
    return { actor: { role: 'link', id: link.id, name: 'an owner’s link' }, origin, link: { ...link, token } };
  }
  const { signedIn: who } = origin;
  const actor: Actor = who ? { role: who.account.role, id: who.account.id, name: who.account.name } : NOBODY;
  if (row.may !== 'anyone') {
    if (!who) throw new Problem(401, null, 'Nobody is signed in on this device. Sign in, and do it again.');
    if (who.locked) throw new Problem(423, null, 'This tablet waits for a PIN. Enter yours, and do it again.');
    if (!row.may.includes(who.account.role))
      throw new Problem(
        403,
        null,
        `This is for ${either(row.may.map((r) => ROLE_WORD[r]))} to do; ${who.account.name} is signed in as ${ROLE_WORD[who.account.role]}. Ask one of them.`,
      );
  }
  if (row.confirmed && who && !guarded.door.isConfirmed(who.row.id))
    throw new Problem(403, CONFIRM, 'Type your own passphrase once more before you do this.');
  return { actor, origin, link: undefined };
}
