/** What a device has kept of rooms as they were last seen. */
import type { Page } from 'playwright-core';

/** Everything in the store that rooms are kept in, as text. */
export const seenText = (page: Page): Promise<string> =>
  page.evaluate(
    () =>
      new Promise<string>((done) => {
        const asked = indexedDB.open('keyval-store');
        asked.onsuccess = () => {
          const { result } = asked;
          const end = (text: string): void => {
            result.close();
            done(text);
          };
          if (!result.objectStoreNames.contains('keyval')) return end('');
          const get = result.transaction('keyval').objectStore('keyval').getAll();
          get.onsuccess = () => end(JSON.stringify(get.result));
        };
      }),
  );

/** Waits until what a room was asked first, by the key of its query, is kept. */
export async function untilSeenIsKept(page: Page, key: string): Promise<void> {
  for (let i = 0; i < 200; i++) {
    if ((await seenText(page)).includes(`"queryKey":["${key}"`)) return;
    await page.waitForTimeout(50);
  }
  throw new Error(`${key} was not kept`);
}
