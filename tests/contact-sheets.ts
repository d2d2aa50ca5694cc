/**
 * Lays all rooms of the demo salon, or those whose name or address holds a word, on contact sheets of nine, outside the
 * repository; each room's own picture stands beside them. Says where they are, and which rooms are wider than the screen.
 */
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOMS, roomsOf } from './browser/room-list.ts';
import { enter, openStage, untilTideIsLearnt, type Stage } from './browser/stage.ts';

const EACH = 9;
const ACROSS = 3;

export interface SheetsAsked {
  readonly width: number;
  readonly height: number;
  readonly night: boolean;
  readonly contrast: boolean;
  readonly text: string;
  /** Words of which a room's name or address holds one; all rooms when there are none. */
  readonly rooms: readonly string[];
  readonly out?: string | undefined;
}

/** The owner's page of a dog, by a link of its own. */
async function ownerPage(stage: Stage): Promise<string> {
  const made = await fetch(`${stage.base}/api/home-links`, {
    method: 'POST',
    headers: stage.headers,
    body: JSON.stringify({ dogIds: ['demo-bollard'] }),
  });
  const { token }: { token: string } = await made.json();
  return `/o#${token}`;
}

/** Takes the pictures and writes the sheets. */
export async function contactSheets({
  width,
  height,
  night,
  contrast,
  text,
  rooms: words,
  out,
}: SheetsAsked): Promise<void> {
  const folder = out ?? mkdtempSync(join(tmpdir(), 'rooms-'));
  mkdirSync(folder, { recursive: true });
  const stage = await openStage();
  await untilTideIsLearnt(stage);
  const page = await stage.page({
    viewport: { width, height },
    hasTouch: width < 1100,
    colorScheme: night ? 'dark' : 'light',
    ...(contrast ? { contrast: 'more' } : {}),
  });
  await page.addInitScript((t) => localStorage.setItem('woolly-tide.view', JSON.stringify({ text: t })), text);
  const all: readonly (readonly [string, string])[] = [
    ...ROOMS(await roomsOf(stage, 'sheet-session')),
    ['owner', await ownerPage(stage)],
  ];
  const wanted = all.filter(([name, path]) => words.length === 0 || words.some((w) => `${name} ${path}`.includes(w)));
  const shots: { readonly title: string; readonly png: Buffer }[] = [];
  for (const [i, [name, path]] of wanted.entries()) {
    await enter(page, path);
    await page.waitForLoadState('networkidle');
    // A slow machine may draw on; the room is shown as it is then.
    await page
      .waitForFunction(() => !document.querySelector('[aria-busy="true"]'), undefined, { timeout: 10_000 })
      .catch(() => console.log(`${name} (${path}) is still drawn`));
    await page.waitForTimeout(250);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    if (wide > 0) console.log(`${name} (${path}) is ${wide} px wider than the screen`);
    const png = await page.screenshot();
    writeFileSync(join(folder, `room-${String(i).padStart(2, '0')}.png`), png);
    shots.push({ title: `${name} · ${path}`, png });
  }
  const sheet = await stage.page({ viewport: { width: 1560, height: 400 } });
  for (let i = 0; i < shots.length; i += EACH) {
    const cells = shots
      .slice(i, i + EACH)
      .map(
        ({ title, png }) =>
          `<figure style="margin:0;width:${Math.round(1500 / ACROSS)}px"><img style="width:100%" src="data:image/png;base64,${png.toString('base64')}"><figcaption style="font:13px sans-serif;color:#fff">${title}</figcaption></figure>`,
      );
    await sheet.setContent(
      `<body style="margin:10px;background:#777;display:flex;flex-wrap:wrap;gap:10px">${cells.join('')}</body>`,
    );
    await sheet.waitForTimeout(300);
    const file = join(folder, `sheet-${i / EACH + 1}.png`);
    await sheet.screenshot({ path: file, fullPage: true });
    console.log(file);
  }
  await stage.close();
}
