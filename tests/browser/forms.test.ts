/** Forms on the screen: what a schema does not take stands under its field, in the sentence that the schema makes of it. */
import { expect } from 'chai';
import type { ObjectSchema, Schema } from 'joi';
import type { Page } from 'playwright-core';
import { accountDraftSchema, newPassphraseSchema, newPinSchema, signInSchema } from '../../contract/account.ts';
import { clipOrderSchema, dogDraftSchema } from '../../contract/dog.ts';
import { homeSetupSchema } from '../../contract/home.ts';
import { vetWordSchema } from '../../contract/hold.ts';
import { toolFactsSchema } from '../../contract/kit.ts';
import { ownerPostSchema } from '../../contract/post.ts';
import { absenceSchema, personSchema, wishSchema } from '../../contract/roster.ts';
import { houseSchema } from '../../contract/salon.ts';
import { stepGramsSchema } from '../../contract/session.ts';
import { homeNoteSchema } from '../../contract/tide.ts';
import { SENTENCES } from '../../web/ui/form/sentences.ts';
import { openStage, type Stage } from './stage.ts';

interface Asked {
  readonly name: string;
  readonly path: string;
  readonly schema: ObjectSchema;
  readonly signedOut?: boolean;
  /** Opens the form where the page does not begin with it. */
  readonly open?: (page: Page) => Promise<void>;
  readonly save: string;
  /** Labels of fields, with their keys in the schema and, where it shows other numbers than are kept, how many times fewer. */
  readonly fields: readonly (readonly [label: string, key: string, per?: number])[];
}

const press = (name: string | RegExp) => (page: Page) => page.getByRole('button', { name }).first().click();

const FORMS: readonly Asked[] = [
  {
    name: 'a dog',
    path: '/desk/dogs/new',
    schema: dogDraftSchema,
    save: 'Save',
    fields: [
      ['Name', 'name'],
      ['Breed or mix', 'breed'],
      ['Weight, kg', 'weightKg'],
      ['Stands for, minutes', 'standingMinutes'],
      ['Lives outdoors, 0 to 1 of its time', 'outdoorShare'],
      ['Owner', 'owner.name'],
      ['Phone', 'owner.phone'],
      ['Note', 'note'],
    ],
  },
  {
    name: 'a piece of the kit',
    path: '/desk/kit/new',
    schema: toolFactsSchema,
    save: 'Save',
    fields: [
      ['Name on the wall', 'name'],
      ['Pins, teeth or nubs, mm long', 'pinMm'],
      ['Gap between them, mm', 'spacingMm'],
      ['Rows', 'rows'],
      ['Working width, mm', 'widthMm'],
      ['Cost', 'costCents', 100],
    ],
  },
  {
    name: 'somebody of the staff',
    path: '/desk/staff',
    open: press('Somebody new'),
    schema: personSchema,
    save: 'Save',
    fields: [
      ['Name', 'name'],
      ['Pause, minutes, about noon', 'pause.minutes'],
      ['Heavy dogs a day, at most', 'mostHeavy'],
      ['Ear protection takes off, dB', 'protectDb'],
    ],
  },
  {
    name: 'wishes of an owner',
    path: '/desk/dogs/demo-bollard/next',
    open: press('What the owner wishes'),
    schema: wishSchema,
    save: 'Keep these wishes',
    fields: [
      ['Visits a year at most (empty: as many as are worth it)', 'mostVisits'],
      ['Comes together with dogs that have the same word here', 'household'],
    ],
  },
  {
    name: 'a home',
    path: '/desk/dogs/demo-bollard/home',
    schema: homeSetupSchema,
    save: 'Save',
    fields: [
      ['Longest bout the dog bears, minutes', 'patienceMinutes'],
      ['Words to the owner', 'note'],
    ],
  },
  {
    name: 'house rules',
    path: '/desk/house',
    schema: houseSchema,
    save: 'Save house rules',
    fields: [
      ['Rate for an hour, EUR', 'rates.perHourCents', 100],
      ['Tables', 'tables'],
      ['Tubs', 'tubs'],
      ['Hours a week for this work', 'shedHoursPerWeek'],
      ['Dematting by hand in one visit', 'dematMinutes'],
      ['Shortest visit, in minutes', 'visits.shortest'],
      ['Minutes for nails', 'care.nails.minutes'],
    ],
  },
  {
    name: 'a key',
    path: '/desk/keys',
    open: press('Make a key'),
    schema: accountDraftSchema,
    save: 'Make the key',
    fields: [
      ['Name', 'name'],
      ['First passphrase', 'passphrase'],
    ],
  },
  {
    name: 'an absence',
    path: '/desk/calendar',
    schema: absenceSchema,
    save: 'See what moves',
    fields: [['Why', 'reason']],
  },
  {
    name: 'a sign-in',
    path: '/desk/dogs',
    signedOut: true,
    schema: signInSchema,
    save: 'Come in',
    fields: [
      ['Name you sign in with', 'login'],
      ['Passphrase', 'passphrase'],
    ],
  },
  {
    name: 'a new passphrase',
    path: '/desk/you',
    schema: newPassphraseSchema,
    save: 'Set it',
    fields: [['New passphrase', 'passphrase']],
  },
  {
    name: 'a PIN',
    path: '/desk/you',
    schema: newPinSchema,
    save: 'Set it',
    fields: [['PIN, 4 to 8 digits', 'pin']],
  },
  {
    name: 'hair that came out at home',
    path: '/desk/dogs/demo-bollard/tide',
    schema: homeNoteSchema,
    save: 'Brushed at home',
    fields: [['or weighed, grams', 'grams']],
  },
  {
    name: 'a clip order',
    path: '/desk/dogs/demo-bollard',
    open: press(/^Clip by/),
    schema: clipOrderSchema,
    save: 'Keep the order',
    fields: [['Who ordered it', 'who']],
  },
  {
    name: 'reminders to an owner',
    path: '/desk/dogs/demo-bollard/home',
    open: async (page) => {
      await page.getByLabel('Way', { exact: true }).selectOption('mail');
    },
    schema: ownerPostSchema,
    save: 'Keep',
    fields: [['Mail address', 'email']],
  },
  {
    name: 'a vet’s word',
    path: '/desk/vet',
    open: press('The vet has seen it'),
    schema: vetWordSchema,
    save: 'Write it down',
    fields: [
      ['Who says so', 'who'],
      ['In their words', 'note'],
    ],
  },
  {
    name: 'a weight put right',
    path: '/desk/dogs/demo-bollard',
    open: async (page) => {
      await page.locator('a[href^="/table/sessions/"]').first().click();
      await page.getByRole('button', { name: 'Put a weight right' }).click();
    },
    schema: stepGramsSchema,
    save: 'Put it right',
    fields: [['Hair in all, g', 'grams']],
  },
];

interface Rule {
  readonly name: string;
  readonly args?: { readonly limit?: unknown };
}

/** What a field does not take, as it is typed, and the sentence that its own schema makes of it. */
function refusedBy(schema: ObjectSchema, key: string, per = 1): { readonly typed: string; readonly sentence: string } {
  const of: Schema = schema.extract(key);
  const { type, rules = [] }: { type?: string; rules?: readonly Rule[] } = of.describe();
  const limit = (name: string): number | undefined => {
    const found = rules.find((r) => r.name === name)?.args?.limit;
    return typeof found === 'number' ? found : undefined;
  };
  const [least, most] = [limit('min'), limit('max')];
  const value =
    type === 'number' ? (most === undefined ? (least ?? 0) - per : most + per) : 'w'.repeat((most ?? 0) + 1);
  const { error } = of.validate(value, { convert: false, errors: { label: false }, messages: SENTENCES });
  expect(error, `${key} has a limit`).to.not.equal(undefined);
  return {
    typed: typeof value === 'number' ? String(value / per) : value,
    sentence: (error?.message ?? '').replace(/-?\d+(\.\d+)?/, (n) => String(Number(n) / per)),
  };
}

describe('forms, on the screen', () => {
  let stage: Stage;
  let within: Page;
  before(async () => {
    stage = await openStage();
    within = await stage.page();
  });
  after(() => stage.close());

  for (const { name, path, signedOut = false, open, schema, save, fields } of FORMS)
    it(`${name}: each field’s bad input gives its sentence under it, and nothing is sent`, async () => {
      const page = signedOut ? await stage.page({ signedOut }) : within;
      const sent: string[] = [];
      page.on('request', (r) => {
        if (!['GET', 'HEAD'].includes(r.method())) sent.push(r.url());
      });
      await page.goto(path);
      await open?.(page);
      const asked = fields.map(([label, key, per]) => ({ label, ...refusedBy(schema, key, per) }));
      for (const { label, typed } of asked) await page.getByLabel(label, { exact: true }).first().fill(typed);
      sent.length = 0;
      const form = page.locator('form', { has: page.getByLabel(asked[0]?.label ?? '', { exact: true }) }).first();
      await form.getByRole('button', { name: save, exact: true }).click();
      for (const { label, sentence } of asked) {
        const field = page.getByLabel(label, { exact: true }).first();
        await page.waitForFunction((el) => el?.getAttribute('aria-invalid') === 'true', await field.elementHandle());
        const said = await field.evaluate((el) =>
          (el.getAttribute('aria-describedby') ?? '')
            .split(' ')
            .map((id) => document.getElementById(id)?.textContent ?? ''),
        );
        expect(said, label).to.include(sentence);
      }
      expect(
        sent.filter((url) => !url.includes('/preview')),
        'nothing is sent',
      ).to.deep.equal([]);
      page.removeAllListeners('request');
      if (signedOut) await page.context().close();
    });

  it('take a number with a comma, a day as the device writes it or from the calendar, and a time with twelve hours', async () => {
    const page = within;
    await page.goto('/desk/dogs/new');
    const weight = page.getByRole('textbox', { name: 'Weight, kg' });
    await weight.fill('12,5');
    const born = page.getByRole('textbox', { name: 'Born', exact: true });
    await born.fill('9 Apr 2024');
    await born.blur();
    expect(await born.inputValue()).to.equal('09/04/2024');
    // By keys: open, one day on, take it.
    await page.getByRole('button', { name: 'Calendar' }).first().press('Enter');
    const calendar = page.getByRole('dialog', { name: 'Born' });
    await calendar.getByRole('gridcell').first().waitFor();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await calendar.waitFor({ state: 'detached' });
    expect(await born.inputValue()).to.equal('10/04/2024');
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Tarn');
    await page.getByRole('textbox', { name: 'Owner' }).fill('Siv Lund');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByRole('heading', { level: 1, name: 'Tarn' }).waitFor();
    const dog = (await stage.stores.dogs.all()).find((d) => d.name === 'Tarn');
    expect(dog).to.include({ weightKg: 12.5, born: '2024-04-10' });
    await page.goto('/desk/staff');
    await page.getByRole('button', { name: 'Somebody new' }).click();
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Siv');
    await page.getByRole('textbox', { name: 'From', exact: true }).fill('7.30 am');
    await page.getByRole('textbox', { name: 'To', exact: true }).fill('3 pm');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByText(/07:30–15:00/).waitFor();
  });
});
