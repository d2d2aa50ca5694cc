/** How passphrases and PINs are kept: scrypt with a salt each, its costs beside it, compared in constant time. */
import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';

/** Costs as common guidance gives them for scrypt: 32 MB and about a quarter second (N = 2^15, r = 8, p = 3). */
const COST = { log2N: 15, r: 8, p: 3 } as const;
const KEY_BYTES = 32;
const SALT_BYTES = 16;
const STORED = /^scrypt\$(\d+)\$(\d+)\$(\d+)\$([A-Za-z0-9_-]+)\$([A-Za-z0-9_-]+)$/;

const derive = (
  text: string,
  salt: Buffer,
  { log2N, r, p }: { log2N: number; r: number; p: number },
): Promise<Buffer> => {
  const options: ScryptOptions = { N: 2 ** log2N, r, p, maxmem: 256 * 2 ** log2N * r };
  return new Promise((ok, failed) =>
    // One person may type the same word in two ways that look alike: both are one.
    scrypt(text.normalize('NFKC'), salt, KEY_BYTES, options, (problem, key) => (problem ? failed(problem) : ok(key))),
  );
};

/** What is stored of a passphrase or PIN. */
export async function sealed(text: string): Promise<string> {
  const salt = randomBytes(SALT_BYTES);
  const key = await derive(text, salt, COST);
  return ['scrypt', COST.log2N, COST.r, COST.p, salt.toString('base64url'), key.toString('base64url')].join('$');
}

/** An account that is not there takes as long to refuse as one that is. */
const NOBODYS = `scrypt$${COST.log2N}$${COST.r}$${COST.p}$${'A'.repeat(22)}$${'A'.repeat(43)}`;

/** Does a text fit what is stored; false for nothing stored, in the same time. */
export async function fits(text: string, stored: string | null | undefined): Promise<boolean> {
  const [, log2N = '', r = '', p = '', salt = '', key = ''] = STORED.exec(stored ?? NOBODYS) ?? [];
  const derived = await derive(text, Buffer.from(salt, 'base64url'), { log2N: +log2N, r: +r, p: +p });
  const kept = Buffer.from(key, 'base64url');
  return kept.length === derived.length && timingSafeEqual(kept, derived) && stored != null;
}
