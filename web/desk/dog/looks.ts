/** Conditions as the coat map draws them. */
import type { ZoneCondition } from '../../../core/check/index.ts';
import type { ZoneId } from '../../../core/dog/index.ts';
import type { ZoneLook } from '../../drawing/CoatMap.tsx';
import { conditionReason, CONDITION_WORDS } from '../../words/reasons.ts';

export type Looks = Partial<Record<ZoneId, ZoneLook>>;

/** The look of one zone's condition. */
export const conditionLook = (c: ZoneCondition): ZoneLook => ({
  grade: c.grade,
  tied: c.readings.tie !== 'none',
  stopped: c.kind === 'stop',
  marked: c.kind !== 'stop' && c.readings.skin !== 'clear',
  says: `${CONDITION_WORDS[c.kind]}, ${c.reasons.map(conditionReason).join(', ')}`,
});

export function conditionLooks(conditions: readonly ZoneCondition[]): Looks {
  const looks: Looks = {};
  for (const c of conditions) looks[c.zone] = conditionLook(c);
  return looks;
}
