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

/** Has a sign-in lapsed: its token was turned over long ago, nobody was seen for too long, or it is as old as may be. */
const hasLapsed = (row: SignInRow, hash: string, now: number): boolean =>
  (row.token_hash !== hash && now > (row.before_until_ms ?? 0)) ||
  now - row.seen_ms > LASTS.unseenMs ||
  now - row.created_ms > LASTS.inAllMs;

/** The device's sign-in, when it has one that still holds; turns its token over and writes down that it was seen. */
function signedIn(guarded: Guarded, req: Request, res: Response, cookies: Cookies): SignedIn | undefined {
  const secret = cookies[req.secure ? COOKIE.secure : COOKIE.open];
  if (secret === undefined || !SECRET.test(secret)) return undefined;
  const hash = secretHash(secret);
  const held = guarded.stores.accounts.signedIn(hash);
  if (!held) return undefined;
  const { row, account } = held;
  if (account.ended || hasLapsed(row, hash, guarded.nowMs())) return undefined;
  const locked = isLocked(guarded, row);
  const hand = !locked && req.get(OURS) === 'hand';
  if (hand) guarded.door.hand(row.id);
  noteSeen(guarded, row, { locked, hand });
  const next = row.token_hash === hash ? turnedOver(guarded, row) : undefined;
  if (next !== undefined) res.append('Set-Cookie', signInCookie(next, req.secure));
  return { row, account, locked };
}

/** A full disk must not keep anybody from reading: what cannot be noted now is noted with a later request. */
function noted({ stores }: Guarded, note: () => void): boolean {
  try {
    stores.write(note);
    return true;
  } catch (problem) {
    if (diskFault(problem)) return false;
    throw problem;
  }
}

/** Writes down, now and then, that a device was seen, that a hand was on it, and that it waits for a PIN. */
function noteSeen(guarded: Guarded, row: SignInRow, { locked, hand }: { locked: boolean; hand: boolean }): void {
  const { accounts } = guarded.stores;
  const now = guarded.nowMs();
  if (locked && row.locked === 0) noted(guarded, () => accounts.lock(row.id));
  if (now - row.seen_ms > TOUCH_MS || (hand && now - row.hand_ms > TOUCH_MS))
    noted(guarded, () => accounts.touch(row.id, now, hand ? now : 0));
}

/** The next secret of a sign-in, where it is time to turn its token over. */
function turnedOver(guarded: Guarded, row: SignInRow): string | undefined {
  const now = guarded.nowMs();
  if (now - row.rotated_ms <= ROTATE.everyMs) return undefined;
  const next = newSecret();
  const { accounts } = guarded.stores;
  const isNoted = noted(guarded, () => accounts.rotate(row.id, secretHash(next), now, now + ROTATE.graceMs));
  return isNoted ? next : undefined;
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

/** The owner that a link opens a page for; 404 for a link that opens nothing, or not this dog. */
function guestByLink({ stores }: Guarded, req: Request, origin: Origin): Guest {
  const token = req.get('x-home-link') ?? '';
  const hash = tokenHash(token);
  const link = hash === undefined ? undefined : stores.home.openLink(hash);
  const { id } = req.params;
  if (!link || (id !== undefined && !link.dogIds.includes(String(id)))) throw nothingHere();
  return { actor: { role: 'link', id: link.id, name: 'an owner’s link' }, origin, link: { ...link, token } };
}

/** Refuses who may not do what a row does; 401 signed out, 423 locked, 403 not theirs to do. */
function mustMay(may: Exclude<ApiRow['may'], 'link' | 'anyone'>, who: SignedIn | undefined): void {
  if (!who) throw new Problem(401, null, 'Nobody is signed in on this device. Sign in, and do it again.');
  if (who.locked) throw new Problem(423, null, 'This tablet waits for a PIN. Enter yours, and do it again.');
  const { role, name } = who.account;
  if (may.includes(role)) return;
  throw new Problem(
    403,
    null,
    `This is for ${either(may.map((r) => ROLE_WORD[r]))} to do; ${name} is signed in as ${ROLE_WORD[role]}. Ask one of them.`,
  );
}

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
  if (row.may === 'link') return guestByLink(guarded, req, origin);
  const { signedIn: who } = origin;
  if (row.may !== 'anyone') mustMay(row.may, who);
  if (row.confirmed && who && !guarded.door.isConfirmed(who.row.id))
    throw new Problem(403, CONFIRM, 'Type your own passphrase once more before you do this.');
  const actor: Actor = who ? { role: who.account.role, id: who.account.id, name: who.account.name } : NOBODY;
  return { actor, origin, link: undefined };
}
