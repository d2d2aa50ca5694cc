/** Whatever happens at the table, what is proposed keeps the limits of the dog: random dogs, kits, moments and events. */
import { expect } from 'chai';
import fc from 'fast-check';
import { faultsOnly, openMethod, planVisit, PHASES, workMinutes, type Script } from '../../core/bench/index.ts';
import { sum } from '../../core/quantity/index.ts';
import { ZONE_IDS } from '../../core/dog/index.ts';
import { SKIN_FINDINGS, TIE_GRADES, STOPPING_SKIN } from '../../core/check/index.ts';
import {
  asOf,
  lateBy,
  propose,
  sessionRecord,
  tableNow,
  type ReplanReason,
  type SessionAct,
} from '../../core/table/index.ts';
import { cases } from './random-case.ts';
import { logOf, upTo } from './session-log.ts';
import { samples } from '../samples.ts';

const RUNS = samples(100, 600);

const happenings = fc.oneof(
  fc.constantFrom('drags' as const, 'stops' as const).map((result) => ({ kind: 'comb' as const, result })),
  fc.constant({ kind: 'pink' as const }),
  fc
    .record({
      skin: fc.option(fc.constantFrom(...SKIN_FINDINGS), { nil: undefined }),
      tie: fc.option(fc.constantFrom(...TIE_GRADES), { nil: undefined }),
    })
    .map((m) => ({ kind: 'met' as const, ...m })),
  fc.integer({ min: 5, max: 60 }).map((minutes) => ({ kind: 'late' as const, minutes })),
);

describe('following what happens at the table', () => {
  it(`keeps every limit of skin, topcoat, blade, water and clock in ${RUNS} random moments`, () => {
    const seen = { proposals: 0, pieces: 0, cuts: 0, stops: 0, moved: 0 };
    fc.assert(
      fc.property(
        cases,
        happenings,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.6, max: 1.8, noNaN: true }),
        fc.constantFrom(...ZONE_IDS),
        (request, happens, far, into, pace, anyZone) => {
          const plan = planVisit(request);
          const open = plan.recommended && openMethod(plan, plan.recommended.method);
          if (!open || open.steps.length === 0) return;
          const step = Math.min(open.steps.length - 1, Math.floor(far * open.steps.length));
          const inWork = open.steps[step];
          if (!inWork) return;
          const place = Math.min(inWork.zones.length - 1, Math.floor(into * inWork.zones.length));
          const zone = inWork.zones[place]?.zone ?? anyZone;
          const acts = upTo(open, step, place, pace);
          const at = (acts.at(-1)?.[0] ?? 0) + 45_000;
          const act: SessionAct | undefined =
            happens.kind === 'comb'
              ? { kind: 'comb', zone, result: happens.result }
              : happens.kind === 'pink'
                ? { kind: 'pink', step: inWork.id, zone }
                : happens.kind === 'met'
                  ? { kind: 'met', zone, skin: happens.skin, tie: happens.tie }
                  : undefined;
          const because: ReplanReason =
            happens.kind === 'comb'
              ? { code: 'dragged', zone, result: happens.result }
              : happens.kind === 'pink'
                ? { code: 'pink', zone, tool: inWork.tool.kind }
                : happens.kind === 'met'
                  ? { code: 'met', zone, skin: happens.skin, tie: happens.tie }
                  : { code: 'late', minutes: happens.minutes };
          const log = logOf(act ? [...acts, [at, act]] : acts);
          const record = asOf(sessionRecord(log, open.steps), at + 1000);
          const c = { request, record };
          const now = tableNow(c);
          expect(now.coat.zones.every((z) => z.skinLoad >= 0 && z.startG >= 0)).to.equal(true);
          const found = propose(c, because, now);
          if (!found) return;
          seen.proposals++;
          if (found.piece) seen.pieces++;
          if (found.stop) seen.stops++;
          if (found.moved.length > 0) seen.moved++;
          if (found.minutes.after < found.minutes.before - 1) seen.cuts++;

          // What is still to do breaks nothing that must never be broken, on the coat as it stands.
          const after = sessionRecord(
            [
              ...log,
              {
                id: 'zz',
                atMs: at + 1000,
                act: { kind: 'replanned', because, steps: found.steps, closed: found.closed },
              },
            ],
            open.steps,
          );
          const then = tableNow({ request, record: after });
          const rest: Script = then.rest;
          const never = faultsOnly(rest, then.coat, then.job).filter((f) => f.severity === 'never');
          const were = new Set(
            faultsOnly(now.rest, now.coat, now.job).flatMap((f) => (f.severity === 'never' ? [f.code] : [])),
          );
          // A coat that is soapy or wet already and has no piece to mend it is no fault of the proposal.
          expect(
            never
              .filter((f) => !were.has(f.code) || f.zones.length > 0)
              .map((f) => `${f.code} ${f.step} ${f.zones.join()}`),
          ).to.deep.equal([]);

          // The clock: no longer than it was, or than what the dog bears.
          const water = sum(rest.filter((s) => PHASES[s.phase].work !== 'hands').map(workMinutes));
          expect(found.minutes.after).to.be.at.most(Math.max(found.minutes.before, now.minutesLeft, water) + 0.6);
          if (because.code === 'late' && lateBy(now, c) > 0) {
            expect(found.minutes.after).to.be.at.most(found.minutes.before + 1e-6);
          }
          // Nothing is worked where a finding stopped it, and no piece comes back to skin that it turned pink.
          const stopped = act?.kind === 'met' && act.skin !== undefined && STOPPING_SKIN.has(act.skin);
          if (act?.kind === 'met' && act.skin === 'parasites') {
            expect(found.stop, 'what crawls is the whole dog’s matter').to.equal('dog');
            expect(rest.map((s) => PHASES[s.phase].work)).to.not.include('hands');
          }
          if (stopped) expect(rest.some((s) => s.zones.some((z) => z.zone === zone))).to.equal(false);
          if (act?.kind === 'pink') {
            const kinds = found.steps.filter(
              (s) =>
                s.zones.some((z) => z.zone === zone) &&
                rest.some((r) => r.id === s.id && r.zones.some((z) => z.zone === zone && z.minutes > 0)),
            );
            expect(kinds.filter((s) => PHASES[s.phase].work === 'hands').map((s) => s.tool.kind)).not.to.include(
              inWork.tool.kind,
            );
          }
          expect(rest.every((s) => workMinutes(s) >= 0)).to.equal(true);
        },
      ),
      { seed: 5, numRuns: RUNS },
    );
    // The property is only worth something where all of it really happens.
    for (const [what, often] of Object.entries(seen)) expect(often, what).to.be.above(RUNS / 75);
  });
});
