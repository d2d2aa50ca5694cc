/** A house with one of most things in it: small, so that it opens at once. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CheckDraft } from '../contract/check.ts';
import type { DogDraft } from '../contract/dog.ts';
import { DEFAULT_HOUSE } from '../core/kit/index.ts';
import { acting, UNTRAILED } from '../server/auth/acting.ts';
import { openDb, stores, type Stores } from '../server/db/index.ts';
import { fillAccounts } from '../demo/accounts.ts';

export const TANSY: DogDraft = {
  name: 'Tansy',
  breed: 'Spitz mix',
  sex: 'female',
  born: '2028-02-29',
  coatClass: 'medium-double',
  shape: 'spitz',
  lastSeason: null,
  weightKg: 18,
  traits: ['senior'],
  outdoorShare: 0.3,
  standingMinutes: null,
  homeCare: 'some',
  note: '',
  owner: { name: 'Ada Vik', phone: '' },
};
export const CHECK: CheckDraft = {
  id: 'check-a',
  day: '2026-04-09',
  weightKg: 18.4,
  guardMm: { back: 50 },
  zones: { back: { finger: 2, tug: 2, comb: 'drags' }, 'ruff.left': { finger: 3, comb: 'stops' } },
  inspection: { eyes: 'fine' },
  note: '',
};

/** Puts them into empty stores; the dogs are dog-a and dog-b, the accounts those of the demo. */
export function fillSmall(kept: Stores, atMs: number): void {
  acting.run(UNTRAILED, () =>
    kept.write(() => {
      kept.salon.insert({
        name: 'Shed',
        town: '',
        latitudeDeg: 60,
        longitudeDeg: 20,
        timeZone: 'Europe/Mariehamn',
        house: DEFAULT_HOUSE,
        version: 1,
      });
      kept.roster.insert({
        id: 'demo-runa',
        name: 'Runa',
        weekdays: [1, 2, 3, 4, 5],
        from: 480,
        to: 1020,
        pause: { minutes: 30, from: 690, to: 840 },
        can: ['check', 'dry-work', 'bath', 'drying', 'rest'],
        mostHeavy: 3,
        protectDb: 0,
        version: 0,
      });
      for (const p of kept.roster.people()) kept.roster.insert({ ...p, id: 'demo-bertil', name: 'Bertil', version: 0 });
      kept.dogs.insert('dog-a', TANSY);
      kept.dogs.insert('dog-b', { ...TANSY, name: 'Burr' });
      for (const kind of ['rake', 'comb', 'soft-slicker', 'force-dryer'] as const)
        kept.kit.insert(`tool-${kind}`, { kind, name: kind, costCents: null, since: null, homeOf: null });
      kept.checks.insert('dog-a', CHECK);
      kept.bookings.insert({
        id: 'booking-a',
        dogId: 'dog-a',
        startsAt: '2031-04-10T07:00:00Z',
        minutes: 60,
        note: '',
      });
      fillAccounts(kept, atMs);
    }),
  );
}

/** Puts such a house into a data folder, as a server that ran there would have left it. */
export function smallIn(folder: string): void {
  const db = openDb(':memory:');
  fillSmall(stores(db), Date.now());
  writeFileSync(join(folder, 'woolly-tide.sqlite'), db.serialize());
  db.close();
}
