/** What device and server both know of the door, apart from the forms that guard it: small enough for every page. */

/** A shared tablet without a hand on it asks for a PIN after that. */
export const HAND_MS = 15 * 60_000;
/** Field of a refusal that asks the person who is signed in for their passphrase once more. */
export const CONFIRM = 'confirm';
/** Shortest and longest passphrase. */
export const PASSPHRASE = { least: 10, most: 200 } as const;
