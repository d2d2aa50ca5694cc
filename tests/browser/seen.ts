/** What a device has kept of rooms as they were last seen. */
import type { Page } from 'playwright-core';
import type { ReadKey } from '../../contract/topics.ts';

/** Everything in the store that rooms are kept in, as text. A page knows no names of ours: nothing here is a function of its own. */
export const seenText = (page: Page): Promise<string> =>
  page.evaluate(
    () =>
      new Promise<string>((done) => {
        const asked = indexedDB.open('keyval-store');
        asked.onsuccess = () => {
          const { result } = asked;
          if (!result.objectStoreNames.contains('keyval')) {
            result.close();
            return done('');
          }
          const get = result.transaction('keyval').objectStore('keyval').getAll();
          get.onsuccess = () => {
            result.close();
            done(JSON.stringify(get.result));
          };
        };
      }),
  );

/** Waits until what a room was asked first, by its row of the API, is kept. */
export async function untilSeenIsKept(page: Page, key: ReadKey): Promise<void> {
  for (let i = 0; i < 200; i++) {
    if ((await seenText(page)).includes(`"queryKey":["${key}"`)) return;
    await page.waitForTimeout(50);
  }
  throw new Error(`${key} was not kept`);
}
