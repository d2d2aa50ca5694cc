/** The check being felt, kept on this device until it is saved: a reload loses nothing. */
import { useEffect, useState } from 'react';
import Joi from 'joi';
import { checkDraftSchema, type CheckDraft } from '../../../contract/check.ts';
import { STRICT } from '../../../contract/common.ts';
import type { ZoneFindings } from '../../../core/check/index.ts';
import { mirrorZone, ZONE_IDS, type ZoneId } from '../../../core/dog/index.ts';
import { newId } from '../../data/client.ts';

const keyOf = (dogId: string): string => `woolly-tide.check.${dogId}`;

/** A draft kept earlier, if it still reads as one. */
function kept(dogId: string): CheckDraft | undefined {
  const text = localStorage.getItem(keyOf(dogId));
  if (text === null) return undefined;
  try {
    const outcome = checkDraftSchema.validate(JSON.parse(text), STRICT);
    return Joi.isError(outcome.error) ? undefined : outcome.value;
  } catch {
    return undefined;
  }
}

/** Findings of one zone with some of them changed. */
export const withFindings = (draft: CheckDraft, zone: ZoneId, change: ZoneFindings): CheckDraft => ({
  ...draft,
  zones: { ...draft.zones, [zone]: { ...draft.zones[zone], ...change } },
});

/** The same on the other side. */
export function mirrored(draft: CheckDraft, zone: ZoneId): CheckDraft {
  const own = draft.zones[zone];
  return own ? { ...draft, zones: { ...draft.zones, [mirrorZone(zone)]: own } } : draft;
}

/** How the coat stands here goes to every zone not felt yet; ties and skin are never copied. */
export function spread(draft: CheckDraft, zone: ZoneId): CheckDraft {
  const { finger, tug, comb } = draft.zones[zone] ?? {};
  const coat: ZoneFindings = {
    ...(finger !== undefined && { finger }),
    ...(tug !== undefined && { tug }),
    ...(comb !== undefined && { comb }),
  };
  if (Object.keys(coat).length === 0) return draft;
  const rest = ZONE_IDS.filter((id) => draft.zones[id] === undefined).map((id) => [id, coat] as const);
  return { ...draft, zones: { ...draft.zones, ...Object.fromEntries(rest) } };
}

/** The draft, a setter that keeps it, and its end once saved. */
export function useCheckDraft(dogId: string, today: string, weightKg: number) {
  const [draft, setDraft] = useState<CheckDraft>(
    () => kept(dogId) ?? { id: newId(), day: today, weightKg, guardMm: {}, zones: {}, inspection: {}, note: '' },
  );
  const [saved, setSaved] = useState(false);
  useEffect(() => {
    if (!saved) localStorage.setItem(keyOf(dogId), JSON.stringify(draft));
  }, [dogId, draft, saved]);
  const forget = (): void => {
    setSaved(true);
    localStorage.removeItem(keyOf(dogId));
  };
  return { draft, setDraft, forget };
}
