/** What rules a method out on a dog: its coat, its traits, the kit, a tie that is left to somebody else, a bath that nothing could dry. */
import { sum } from '../quantity/index.ts';
import { forbiddenBy } from '../kit/index.ts';
import { heldMlPerM2, ruleContext, type Coat, type CoatZone } from './coat.ts';
import { bathes, type Method, type Phase } from './methods.ts';
import type { MethodRuling } from './plan.ts';
import type { BenchJob } from './rankings.ts';
import { roomOf } from './script.ts';
import { figuresOf } from './work.ts';

/** What rules a method out before anything is tried, if something does. */
export function ruledOut(method: Method, job: BenchJob, found: Coat): MethodRuling | undefined {
  const { dog, kit } = job;
  const { needs } = method;
  if (!needs.classes.includes(dog.coatClass)) return { code: 'not-for-class' };
  if (needs.forTraits && !needs.forTraits.some((t) => dog.traits.includes(t))) {
    return { code: 'for-traits', traits: needs.forTraits };
  }
  if (needs.tied && !found.zones.some((z) => z.tie !== 'none')) return { code: 'nothing-tied' };
  if (needs.clean && !isClean(found)) return { code: 'for-clean-coats' };
  if (dog.outdoorShare < (needs.fromOutdoorShare ?? 0)) return { code: 'for-outdoor-dogs' };
  if (!bathes(method)) return undefined;
  const hasForce = kit.some((t) => t.kind === 'force-dryer');
  if (needs.forceDryer && !hasForce) return { code: 'needs-force-dryer' };
  // Water over an undecided tie is forbidden, and nobody bathes a dog around a mat.
  const unsettled = found.zones.filter((z) => z.tie !== 'none' && z.condition === 'stop').map((z) => z.id);
  return unsettled.length > 0 ? { code: 'ties-unsettled', zones: unsettled } : undefined;
}

/** Share of a full load below which hands find nothing to take: skin in reach, and no hair at a pull. Guess. */
const NOTHING_TO_TAKE = 0.1;

/** Is there nothing for hands to take anywhere, and nothing tied: what is left to do is at most a bath. */
export function isClean({ zones }: Coat): boolean {
  const open = zones.filter((z) => z.condition !== 'stop');
  return open.length > 0 && open.every((z) => z.tie === 'none' && z.startG <= NOTHING_TO_TAKE * z.fullG);
}

/** Why no dryer may dry these zones, and how long a towel and a warm room would take. */
export function dryersRefused(wet: readonly CoatZone[], { tools }: Phase, coat: Coat, job: BenchJob): MethodRuling {
  const f = figuresOf(job);
  const dryers = roomOf(job.kit).filter((t) => tools.includes(t.kind));
  if (dryers.length === 0) return { code: 'needs-dryer' };
  const refused = dryers.flatMap((t) => {
    const { name } = t;
    const rule = wet.map((z) => forbiddenBy(t, ruleContext(z, 'damp', job))?.id).find((id) => id);
    return rule === undefined ? [] : [{ name, rule }];
  });
  const heldMl = sum(wet.map((z) => z.areaM2)) * heldMlPerM2(coat, f) * f.towelLeaves;
  return { code: 'no-dryer-may', refused, zones: wet.map((z) => z.id), roomHours: heldMl / f.roomMlPerHour };
}
