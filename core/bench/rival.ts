/**
 * What would change the recommendation, and what it would save: the same dog planned again with one thing more
 * in the room. Told beside the runner-up, so that nobody has to take a recommendation on trust.
 */
import type { Tool } from '../kit/index.ts';
import type { MethodId } from './methods.ts';
import { wholeOf } from './measure.ts';
import { openMethod, type Plan } from './plan.ts';
import { planVisit } from './planner.ts';
import type { PlanRequest } from './request.ts';

export const CHANGES = ['strong-dryer', 'bather', 'helper', 'lies-down', 'no-dryer'] as const;
export type Change = (typeof CHANGES)[number];

export interface Rival {
  readonly change: Change;
  /** What is recommended then, and its minutes in all visits. */
  readonly method: MethodId;
  readonly minutes: number;
  /** Minutes that it saves against today's recommendation; below 0 where it costs some. */
  readonly saves: number;
  /** Share of the hair left, less than today's by so much. */
  readonly cleaner: number;
  /** Does it change which method is recommended. */
  readonly flips: boolean;
}

const STRONG: Tool = { id: 'what-if-dryer', kind: 'force-dryer', name: 'a strong dryer', airLps: 80 };
const BATHER: Tool = { id: 'what-if-bather', kind: 'bather', name: 'a recirculating bather' };

/** A request with one thing changed, or undefined where it is so already. */
export function changed(request: PlanRequest, change: Change): PlanRequest | undefined {
  const has = (kind: Tool['kind']): boolean => request.kit.some((t) => t.kind === kind);
  switch (change) {
    case 'strong-dryer':
      return { ...request, kit: [...request.kit.filter((t) => t.kind !== 'force-dryer'), STRONG] };
    case 'bather':
      return has('bather') ? undefined : { ...request, kit: [...request.kit, BATHER] };
    case 'helper':
      return request.crew?.helper ? undefined : { ...request, crew: { ...request.crew, helper: true } };
    case 'lies-down':
      return request.crew?.lying ? undefined : { ...request, crew: { ...request.crew, lying: true } };
    case 'no-dryer':
      return has('force-dryer') ? { ...request, kit: request.kit.filter((t) => t.kind !== 'force-dryer') } : undefined;
  }
}

/** What each change would come to, those that change the recommendation first, then by minutes saved. */
export function rivals(request: PlanRequest, found: Plan): readonly Rival[] {
  const now = found.recommended && openMethod(found, found.recommended.method);
  if (!now) return [];
  const today = wholeOf(now);
  return CHANGES.flatMap((change): Rival[] => {
    const asked = changed(request, change);
    const plan = asked && planVisit(asked);
    const best = plan?.recommended && openMethod(plan, plan.recommended.method);
    if (!best) return [];
    const then = wholeOf(best);
    return [
      {
        change,
        method: best.method,
        minutes: then.minutes,
        saves: today.minutes - then.minutes,
        cleaner: today.shareLeft - then.shareLeft,
        flips: best.method !== now.method,
      },
    ];
  }).sort((a, b) => Number(b.flips) - Number(a.flips) || b.saves - a.saves);
}
