/**
 * Two pairs of hands for practice coats. One goes by the book: it feels everything, takes the school that common practice
 * names for such a coat, and gives each step the passes of habit. It knows nothing but what it felt, and searches nothing.
 * The other does what is always done wrong.
 */
import type { MethodId, PhaseId } from '../../core/bench/index.ts';
import { zoneConditions, type CoatCheck } from '../../core/check/index.ts';
import { coatRow, ZONE_IDS, zone } from '../../core/dog/index.ts';
import { boutOf, byHabit, FEEL_TESTS, minutesFor, phaseFor, type Act, type Opened } from '../../core/practice/index.ts';

/** The school that common practice names first for such a dog. */
function schoolFor({ request: { dog } }: Opened, tied: boolean, packed: number): MethodId {
  const has = (...traits: typeof dog.traits): boolean => traits.some((t) => dog.traits.includes(t));
  if (dog.coatClass.startsWith('smooth')) return 'smooth';
  if (dog.coatClass === 'fleece') return 'comb-through';
  if (has('head-shy', 'dryer-shy')) return 'quiet-head';
  if (has('senior', 'sore-joints')) return packed > 0.1 ? 'wet-first' : 'lying-down';
  return packed > 0.1 || !tied ? 'wet-first' : 'dry-first';
}

export function byTheBook(opened: Opened): readonly Act[] {
  const acts: Act[] = [{ kind: 'look' }, { kind: 'feel', tests: [...FEEL_TESTS], zones: [...ZONE_IDS] }];
  const looked = opened.case.truth.inspection;
  if (looked.joints === 'trouble' || looked.stance === 'trouble') return [...acts, { kind: 'refer' }];
  const { felt } = boutOf(opened, acts);
  const check: CoatCheck = { ...opened.case.truth, zones: Object.fromEntries(felt) };
  const conditions = zoneConditions(check, coatRow(opened.case.dog.coatClass));
  if (opened.case.goal === 'read') {
    for (const c of conditions) acts.push({ kind: 'call', as: c.kind, zones: [c.zone] });
    return [...acts, { kind: 'end' }];
  }
  const share = (kind: string): number =>
    conditions.filter((c) => c.kind === kind).reduce((t, c) => t + zone(c.zone).surfaceShare, 0);
  const tied = conditions.some((c) => c.readings.tie !== 'none');
  const school = schoolFor(opened, tied, share('packed'));
  for (const s of byHabit(school, opened.site.found, opened.site.job) ?? []) {
    const { mood } = boutOf(opened, acts);
    if (mood !== 'easy') acts.push({ kind: 'rest', minutes: 8 });
    acts.push({ kind: 'work', phase: s.phase, toolId: s.toolId, zones: s.zones });
  }
  return [...acts, { kind: 'end' }];
}

/** Bath first, ties and all; a blade over the damp dog; the rake on one place; the belly forgotten; home without the dryer. */
export function bungled(opened: Opened): readonly Act[] {
  const acts: Act[] = [];
  const kit = opened.case.kit;
  const take = (kind: string, zones: readonly (typeof ZONE_IDS)[number][], passes: number, minutes?: number): void => {
    const tool = kit.find((t) => t.kind === kind);
    if (!tool) return;
    const { coat } = boutOf(opened, acts);
    const phase: PhaseId = phaseFor(
      tool,
      coat.zones.filter((z) => zones.includes(z.id)),
      false,
    );
    const own =
      minutes === undefined
        ? minutesFor(opened, coat, phase, tool.id, zones, passes)
        : zones.map((z) => ({ zone: z, minutes }));
    acts.push({ kind: 'work', phase, toolId: tool.id, zones: own });
  };
  take('hand-bath', ZONE_IDS, 1);
  take('blade-comb', ['back', 'ribs.left', 'ribs.right', 'rump', 'tail'], 3);
  take('rake', ['back'], 1, 12);
  return [...acts, { kind: 'end' }];
}
