/** Working a session in the real interface: one tap, or one key, a decision. */
import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import type { StandInChange } from '../../contract/devices.ts';
import type { DogPage } from '../../contract/dog.ts';
import { ZONE_IDS } from '../../core/dog/index.ts';
import { day, formatDay } from '../../core/quantity/index.ts';
import type { Visit } from './stage.ts';

/** A house that runs, and a device of its. */
export type House = Pick<Visit, 'base' | 'headers'>;

/** How a button is pressed: with a finger, the mouse, or by keyboard. */
export type Press = (within: Page | Locator, name: string | RegExp, options?: { timeout: number }) => Promise<void>;
export const byTouch: Press = (within, name, options) => within.getByRole('button', { name }).first().tap(options);
export const byMouse: Press = (within, name, options) => within.getByRole('button', { name }).first().click(options);

/** The big key of the screen, whatever it says now. */
export const mainKey = (page: Page) => page.locator('.wt-session-thumb.is-main');

/** Puts something on the simulated devices of a house. */
export async function putOn({ base, headers }: House, change: StandInChange): Promise<void> {
  const answer = await fetch(`${base}/api/devices/stand-ins`, {
    method: 'PUT',
    headers,
    body: JSON.stringify(change),
  });
  expect(answer.status).to.equal(200);
}

/** A session of a dog's newest check, by the method that is recommended to it. */
export async function sessionFor({ base, headers }: House, dogId: string, id: string): Promise<string> {
  const dog = await (await fetch(`${base}/api/dogs/${dogId}`, { headers })).json();
  const checkId: string = dog.checks[0].id;
  const plan = await (await fetch(`${base}/api/checks/${checkId}/plan`, { headers })).json();
  const made = await fetch(`${base}/api/sessions`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ id, checkId, method: plan.recommended.method }),
  });
  expect(made.status).to.equal(201);
  return `/table/sessions/${id}`;
}

/** A session on a coat that is packed all over today and has no ties: it begins with the bath, then hands in the lather. */
export async function packedSession({ base, headers }: House, dogId: string, id: string): Promise<string> {
  const { dog, today }: DogPage = await (await fetch(`${base}/api/dogs/${dogId}`, { headers })).json();
  const checkId = `${id}-check`;
  const post = async (path: string, body: object): Promise<void> => {
    const made = await fetch(`${base}/api${path}`, { method: 'POST', headers, body: JSON.stringify(body) });
    expect(made.status, path).to.equal(201);
  };
  const felt = { finger: 4, tug: 3, comb: 'stops', tie: 'none', skin: 'clear' };
  await post(`/dogs/${dogId}/checks`, {
    id: checkId,
    day: formatDay(day(today)),
    weightKg: dog.weightKg,
    guardMm: {},
    zones: Object.fromEntries(ZONE_IDS.map((zone) => [zone, felt])),
    inspection: {},
    note: '',
  });
  await post('/sessions', { id, checkId, method: 'wet-first' });
  return `/table/sessions/${id}`;
}

/** Starts with a known name at this device. */
export async function begin(page: Page, name: string, press: Press = byMouse): Promise<void> {
  // The person who is signed in stands in the head of the house.
  await press(page.locator('#room'), name);
  await press(page, /^Start/);
  await page
    .getByRole('button', { name: /^(Step done|Next:)/ })
    .first()
    .waitFor();
}

/** Which screen it is: its question, the piece in hand, how many steps are done. Clocks and scales run on by themselves. */
const screenOf = (page: Page): Promise<string> =>
  page.evaluate(() =>
    [...document.querySelectorAll('.wt-session-session h2, .wt-session-live-tool, .wt-session-track .is-done')]
      .map((el) => el.textContent)
      .join('|'),
  );

/** Presses through what is asked until a test is content; every screen has one thing to do next. */
export async function goOn(
  page: Page,
  until: (page: Page) => Promise<boolean>,
  press: Press = byMouse,
  most = 120,
): Promise<void> {
  const next = [
    'Not weighed',
    'Whole step done',
    'Step done',
    /^Start:/,
    'Go on',
    'Keep the plan',
    'Leave it there',
    'All is well here',
  ];
  for (let i = 0; i < most; i++) {
    if (await until(page)) return;
    const before = await screenOf(page);
    for (const name of next) {
      const button = page.getByRole('button', { name, ...(typeof name === 'string' && { exact: true }) });
      if ((await button.count()) === 0) continue;
      // The press before may be answered only now, and take this key away under the finger: the next round sees what is asked then.
      await press(page, typeof name === 'string' ? new RegExp(`^${name}$`) : name, { timeout: 4_000 }).catch(
        () => undefined,
      );
      break;
    }
    await page
      .waitForFunction(
        (was) =>
          [...document.querySelectorAll('.wt-session-session h2, .wt-session-live-tool, .wt-session-track .is-done')]
            .map((el) => el.textContent)
            .join('|') !== was,
        before,
        { timeout: 8_000 },
      )
      .catch(() => undefined);
  }
  expect.fail(`never came to what was waited for: ${await page.locator('main').innerText()}`);
}

export const atEnd = async (page: Page): Promise<boolean> =>
  (await page.getByRole('button', { name: 'Finish the session' }).count()) > 0;
export const stepsDone = async (page: Page): Promise<number> => page.locator('.wt-session-track li.is-done').count();

/** Targets under a thumb that are smaller than 56 px. */
export const smallTargets = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll<HTMLElement>(
        'main a, main button, main summary, main label.btn, main select, main .wt-ChoiceGroup-group span, header a, header button',
      ),
    ]
      .map((el) => ({ said: el.textContent || el.id || el.tagName, box: el.getBoundingClientRect() }))
      .filter(({ box }) => box.width > 0 && box.height > 0 && (box.height < 55.5 || box.width < 55.5))
      .map(({ said, box }) => `${said} ${Math.round(box.width)} x ${Math.round(box.height)}`),
  );
