/**
 * However events travel, the record is one: devices with wrong clocks and a link that comes and goes, deliveries in any
 * order, twice, late, with acknowledgements that are lost.
 */
import { expect } from 'chai';
import fc from 'fast-check';
import { openMethod, planVisit, type PlanStep } from '../../core/bench/index.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import { seededRandom, randomInt, type Random } from '../../core/quantity/index.ts';
import {
  clockOffset,
  inOrder,
  restamped,
  sessionRecord,
  stampMs,
  UNASKED,
  type ClockOffset,
  type ClockReading,
  type SessionAct,
  type SessionEvent,
} from '../../core/table/index.ts';
import { checkOf, dogOf, FULL_KIT } from './examples.ts';

const plan = planVisit({
  dog: dogOf('medium-double', 22),
  check: checkOf(22, 50, { finger: 2, tug: 2, comb: 'drags' }),
  kit: FULL_KIT,
  house: DEFAULT_HOUSE,
});
const open = plan.recommended && openMethod(plan, plan.recommended.method);
if (!open) throw new TypeError('something is open to this dog');
const steps: readonly PlanStep[] = open.steps;

/** What two people do, one act every few seconds, in true time. */
function story(random: Random): { readonly atMs: number; readonly who: 0 | 1; readonly act: SessionAct }[] {
  const told: { atMs: number; who: 0 | 1; act: SessionAct }[] = [];
  let atMs = 1_000_000;
  const say = (who: 0 | 1, act: SessionAct): void => {
    told.push({ atMs, who, act });
    atMs += randomInt(random, 4_000, 60_000);
  };
  say(0, { kind: 'worker', name: 'Runa' });
  say(1, { kind: 'worker', name: 'Bertil' });
  say(0, { kind: 'started' });
  for (const s of steps) {
    const who = random() < 0.5 ? 0 : 1;
    for (const z of s.zones.slice(0, 3)) {
      say(who, { kind: 'zone', step: s.id, zone: z.zone });
      if (random() < 0.2)
        say(random() < 0.5 ? 0 : 1, { kind: 'comb', zone: z.zone, result: random() < 0.7 ? 'glides' : 'drags' });
      if (random() < 0.1) say(who, { kind: 'pink', step: s.id, zone: z.zone });
    }
    if (random() < 0.2) {
      say(1, { kind: 'paused' });
      say(0, { kind: 'resumed' });
    }
    say(who, { kind: 'weighed', step: s.id, grams: randomInt(random, 1, 90), adds: random() < 0.3 });
    say(who, { kind: 'step-done', step: s.id });
  }
  say(1, { kind: 'finished' });
  return told;
}

/** A tablet with a clock of its own, an outbox, and a link that is there or not. */
class Device {
  readonly outbox: SessionEvent[] = [];
  private readings: ClockReading[] = [];
  private offset: ClockOffset = UNASKED;
  private seenMs = 0;
  private count = 0;
  constructor(
    readonly name: string,
    readonly skewMs: number,
    private readonly random: Random,
  ) {}
  private clock(trueMs: number): number {
    return trueMs - this.skewMs;
  }
  /** Asks the salon's clock; each way takes its own time. */
  ask(trueMs: number): void {
    const out = randomInt(this.random, 2, 180);
    const back = randomInt(this.random, 2, 180);
    this.readings = [
      ...this.readings,
      { sentMs: this.clock(trueMs), salonMs: trueMs + out, backMs: this.clock(trueMs + out + back) },
    ];
    this.offset = clockOffset(this.readings);
    const stamped = restamped(this.outbox, this.offset);
    this.outbox.splice(0, this.outbox.length, ...stamped);
  }
  see(events: readonly SessionEvent[]): void {
    for (const e of events) this.seenMs = Math.max(this.seenMs, e.atMs);
  }
  act(trueMs: number, act: SessionAct): void {
    const atMs = stampMs(this.clock(trueMs), this.offset, this.seenMs);
    this.seenMs = atMs;
    this.outbox.push({
      id: `${this.name}-${this.count++}`,
      atMs,
      device: this.name,
      clockMs: this.offset.aheadMs,
      act,
    });
  }
}

const truthOf = (told: ReturnType<typeof story>) =>
  sessionRecord(
    told.map(({ atMs, who, act }, i) => ({ id: `t${String(i).padStart(4, '0')}`, atMs, device: `d${who}`, act })),
    steps,
  );

describe('events on their way', () => {
  it('fold to the same record in 200 interleavings with duplicates, delays and clock skews', () => {
    let offline = 0;
    let duplicates = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e9 }),
        fc.integer({ min: -40_000_000, max: 40_000_000 }),
        fc.integer({ min: -40_000_000, max: 40_000_000 }),
        (seed, skewA, skewB) => {
          const random = seededRandom(seed);
          const told = story(random);
          const devices = [new Device('d0', skewA, random), new Device('d1', skewB, random)] as const;
          const server: SessionEvent[] = [];
          const take = (events: readonly SessionEvent[]): void => {
            // The first copy is kept, as the store keeps it.
            for (const e of events) if (!server.some((s) => s.id === e.id)) server.push(e);
          };
          // Both open the session while there is a link; later it comes and goes for each by itself.
          for (const d of devices) d.ask(900_000);
          const linked: [boolean, boolean] = [true, true];
          for (const { atMs, who, act } of told) {
            for (const i of [0, 1] as const) if (random() < 0.15) linked[i] = !linked[i];
            devices[who].act(atMs, act);
            for (const i of [0, 1] as const) {
              const d = devices[i];
              if (!linked[i]) {
                offline++;
                continue;
              }
              if (random() < 0.3) d.ask(atMs + 10);
              const cut = random() < 0.7 ? d.outbox.length : randomInt(random, 0, d.outbox.length);
              take(d.outbox.slice(0, cut));
              // An acknowledgement may be lost: then the same events are sent again later.
              if (random() < 0.8) d.outbox.splice(0, cut);
              else duplicates += cut;
              d.see(server);
            }
          }
          for (const d of devices) take(d.outbox);
          expect(server.length).to.equal(told.length);

          const whole = sessionRecord(server, steps);
          const shuffled = [...server].sort(() => random() - 0.5);
          const again = server.filter(() => random() < 0.4);
          expect(sessionRecord([...shuffled, ...again], steps)).to.deep.equal(whole);

          // And it is what truly happened: same order, same end, times within what the clocks can know.
          expect(inOrder(server).map((e) => e.act)).to.deep.equal(told.map((t) => t.act));
          const truth = truthOf(told);
          expect(whole.steps.map((s) => [s.id, s.state, s.grams, s.pink, s.zonesDone])).to.deep.equal(
            truth.steps.map((s) => [s.id, s.state, s.grams, s.pink, s.zonesDone]),
          );
          expect(whole.comb).to.deep.equal(truth.comb);
          for (const [i, s] of whole.steps.entries()) {
            expect(Math.abs(s.workedMs - (truth.steps[i]?.workedMs ?? 0))).to.be.at.most(4_000);
          }
        },
      ),
      { seed: 11, numRuns: 200 },
    );
    expect(offline).to.be.above(1_000);
    expect(duplicates).to.be.above(200);
  });
});
