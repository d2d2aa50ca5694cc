/** Random salons in a database: dogs with checks, visits brought in, sessions, notes from home and bookings, some of them odd. */
import { planVisit, openMethod } from '../core/bench/index.ts';
import {
  COMB_GRADES,
  FINGER_GRADES,
  SKIN_FINDINGS,
  TIE_GRADES,
  TUG_GRADES,
  type ZoneFindings,
} from '../core/check/index.ts';
import { COAT_CLASSES, coatRow, ZONE_IDS } from '../core/dog/index.ts';
import { DEFAULT_HOUSE } from '../core/kit/index.ts';
import { addDays, formatDay, pick, randomInt, seededRandom, type Day, type Random } from '../core/quantity/index.ts';
import { HOME_AMOUNTS, HOME_CARE } from '../core/tide/index.ts';
import type { SessionEvent } from '../core/table/index.ts';
import { coatCheck } from '../contract/check-facts.ts';
import type { CheckDraft } from '../contract/check.ts';
import { acting, UNTRAILED } from '../server/auth/acting.ts';
import type { Stores } from '../server/db/index.ts';
import { coreDog } from '../server/facts.ts';
import { salonInstant } from '../server/salon-time.ts';
import { fillAccounts } from '../demo/accounts.ts';
import { CHECK, TANSY } from './small-house.ts';

const ZONE = 'Europe/Mariehamn';

/** Findings as hands make them: much the same all over, here and there something else. */
function zonesOf(random: Random): CheckDraft['zones'] {
  const base = randomInt(random, 0, 4);
  const felt = ZONE_IDS.filter(() => random() < 0.8);
  return Object.fromEntries(
    felt.map((id): [string, ZoneFindings] => [
      id,
      {
        finger: random() < 0.7 ? (FINGER_GRADES[base] ?? 0) : pick(random, FINGER_GRADES),
        tug: pick(random, TUG_GRADES),
        comb: pick(random, COMB_GRADES),
        tie: random() < 0.06 ? pick(random, TIE_GRADES) : 'none',
        skin: random() < 0.015 ? pick(random, SKIN_FINDINGS) : 'clear',
      },
    ]),
  );
}

/** A session that was worked by the recommended way, weighed at some steps. */
function workSession(stores: Stores, random: Random, id: string, dogId: string, check: CheckDraft, on: Day): void {
  const dog = stores.dogs.find(dogId);
  if (!dog) return;
  const kit = stores.kit.all();
  const plan = planVisit({ dog: coreDog(dog, on), check: coatCheck(check), kit, house: DEFAULT_HOUSE });
  const chosen = plan.recommended && openMethod(plan, plan.recommended.method);
  if (!chosen) return;
  const { kind: _, against: _a, ...method } = chosen;
  stores.sessions.insert({
    id,
    dogId,
    checkId: check.id,
    day: on,
    method: method.method,
    snapshot: { plan: method, looseG: plan.looseG.likely, stops: plan.stops.zones, conditions: plan.conditions },
  });
  const events: SessionEvent[] = [];
  let atMs = Date.parse(salonInstant(on, 9 * 60, ZONE));
  const log = (act: SessionEvent['act']): void =>
    void events.push({ id: `${id}-${events.length}`, atMs: (atMs += 4000), act });
  log({ kind: 'started' });
  for (const step of method.steps) {
    log({ kind: 'step', step: step.id });
    if (random() < 0.6)
      log({ kind: 'weighed', step: step.id, grams: Math.round(step.gramsOut * (0.4 + 1.4 * random())) });
    log({ kind: 'step-done', step: step.id });
  }
  if (random() < 0.9) log({ kind: 'finished' });
  stores.sessions.append(id, events);
}

/** Fills an empty file with a salon of so many dogs; the same seed, the same salon. */
export function fillRandom(stores: Stores, atMs: number, today: Day, seed: number, dogs: number): void {
  const random = seededRandom(seed);
  const ago = (most: number): Day => addDays(today, -randomInt(random, 0, most));
  acting.run(UNTRAILED, () =>
    stores.write(() => {
      stores.salon.insert({
        name: 'Any',
        town: '',
        latitudeDeg: Math.round(-60 + 130 * random()),
        longitudeDeg: 20,
        timeZone: ZONE,
        house: {
          ...DEFAULT_HOUSE,
          openWeekdays: pick(random, [
            [1, 2, 3, 4, 5],
            [2, 4, 6],
            [1, 2, 3, 4, 5, 6, 7],
          ]),
        },
        version: 1,
      });
      for (const id of ['demo-runa', 'demo-bertil'])
        stores.roster.insert({
          id,
          name: id,
          weekdays: [1, 2, 3, 4, 5],
          from: 480,
          to: 1020,
          pause: { minutes: 30, from: 690, to: 840 },
          can: ['check', 'dry-work', 'bath', 'drying', 'finish', 'rest'],
          mostHeavy: 3,
          protectDb: 0,
          version: 0,
        });
      for (const kind of ['rake', 'comb', 'soft-slicker', 'pin-brush', 'rubber', 'force-dryer'] as const)
        stores.kit.insert(`tool-${kind}`, { kind, name: kind, costCents: null, since: null, homeOf: null });
      for (let i = 0; i < dogs; i++) {
        const id = `dog-${i}`;
        const coatClass = pick(random, COAT_CLASSES);
        const { guardMm } = coatRow(coatClass);
        stores.dogs.insert(id, {
          ...TANSY,
          name: `Dog ${i}`,
          coatClass,
          weightKg: randomInt(random, 4, 60),
          born: random() < 0.3 ? null : formatDay(ago(random() < 0.2 ? 300 : 4000)),
          traits: random() < 0.2 ? ['puppy-coat'] : [],
          outdoorShare: Math.round(10 * random()) / 10,
          homeCare: pick(random, HOME_CARE),
          owner: { name: `Owner ${randomInt(random, 0, dogs)}`, phone: '' },
        });
        const { weightKg } = stores.dogs.find(id) ?? TANSY;
        for (let k = randomInt(random, 0, 3); k > 0; k--) {
          const on = ago(k * 120);
          const back = guardMm.low + Math.round(random() * (guardMm.high - guardMm.low));
          const check = {
            ...CHECK,
            id: `${id}-check-${k}`,
            day: formatDay(on),
            weightKg,
            guardMm: { back },
            zones: zonesOf(random),
          };
          stores.checks.insert(id, check);
          if (random() < 0.5) workSession(stores, random, `${id}-session-${k}`, id, check, on);
        }
        for (let k = randomInt(random, 0, 4); k > 0; k--)
          stores.tide.addNote(id, {
            id: `${id}-note-${k}`,
            day: formatDay(ago(200)),
            what: random() < 0.3 ? 'started' : 'brushed',
            amount: random() < 0.5 ? pick(random, HOME_AMOUNTS) : null,
            grams: random() < 0.2 ? randomInt(random, 0, 60) : null,
            author: '',
          });
        if (random() < 0.5) {
          const day = addDays(today, randomInt(random, 0, 60));
          const startsAt = salonInstant(day, 60 * randomInt(random, 8, 15), ZONE);
          stores.bookings.insert(
            { id: `${id}-booking`, dogId: id, startsAt, minutes: 15 * randomInt(random, 2, 12), note: '' },
            { agreed: random() < 0.7 },
          );
        }
      }
      // Some of them came in with an import, with visits that nobody here worked.
      stores.intake.begin({ id: 'in', atMs, who: '' });
      for (let i = 0; i < dogs; i++)
        for (let k = randomInt(random, 0, 2); k > 0; k--)
          stores.intake.addVisit('in', {
            id: `past-${i}-${k}`,
            dogId: `dog-${i}`,
            // One in many is mistyped by a lifetime.
            day: random() < 0.03 ? addDays(today, 9000) : ago(300),
            minutes: null,
            grams: random() < 0.4 ? randomInt(random, 0, 300) : null,
          });
      stores.intake.finish('in');
      fillAccounts(stores, atMs);
    }),
  );
}
