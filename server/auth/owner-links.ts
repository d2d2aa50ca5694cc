/** How an owner's link is made and recognised: unguessable, and kept as a hash only. */
import { createHash, randomBytes } from 'node:crypto';

/** 192 bits, in letters that an address may hold. */
export const newToken = (): string => randomBytes(24).toString('base64url');
const TOKEN = /^[A-Za-z0-9_-]{32}$/;

/** What is stored of a token; undefined for text that can be none. */
export const tokenHash = (token: string | undefined): string | undefined =>
  token !== undefined && TOKEN.test(token) ? createHash('sha256').update(token).digest('hex') : undefined;

/** The token of a link's calendar, computed from the link's: the person who has only the calendar's cannot open the page. */
export const feedTokenOf = (token: string): string =>
  createHash('sha256').update(`calendar of ${token}`).digest('base64url').slice(0, 32);
