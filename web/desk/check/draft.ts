/** The check being felt: every change can be undone, and it is kept on this device until saved, so a reload loses nothing. */
import { useCallback, useEffect, useState } from 'react';
import type { CheckDraft } from '../../../contract/check.ts';
import type { ZoneFindings } from '../../../core/check/index.ts';
import { mirrorZone, ZONE_IDS, type ZoneId } from '../../../core/dog/index.ts';
import { keptHere } from '../../app/device-preferences.ts';
import { newId } from '../../data/client.ts';

export type Findings = CheckDraft['zones'];

const keyOf = (dogId: string): string => `woolly-tide.check.${dogId}`;

/**
 * The draft that was kept earlier on this device, if it still reads as one; undefined while it is being read. What reads it is
 * fetched only where there is something to read.
 */
export function useKeptDraft(dogId: string): { readonly kept: CheckDraft | undefined } | undefined {
  const [read, setRead] = useState<{ readonly kept: CheckDraft | undefined } | undefined>(() =>
    keptHere(keyOf(dogId)) === null ? { kept: undefined } : undefined,
  );
  useEffect(() => {
    if (read) return;
    let here = true;
    void import('./kept-draft.ts')
      .then(({ readDraft }) => ({ kept: readDraft(localStorage.getItem(keyOf(dogId)) ?? '') }))
      .then((found) => here && setRead(found));
    return () => {
      here = false;
    };
  }, [dogId, read]);
  return read;
}

/** Zones with some findings of one of them changed, on its other side too when `both`. */
export function withFindings(zones: Findings, zone: ZoneId, change: ZoneFindings, both = false): Findings {
  const ids = both ? [zone, mirrorZone(zone)] : [zone];
  return { ...zones, ...Object.fromEntries(ids.map((id) => [id, { ...zones[id], ...change }])) };
}

/** The same on the other side. */
export function mirrored(zones: Findings, zone: ZoneId): Findings {
  const own = zones[zone];
  return own ? { ...zones, [mirrorZone(zone)]: own } : zones;
}

/** How the coat stands, without ties and skin: those are never carried from one place or day to another. */
function coatOnly({ finger, tug, comb }: ZoneFindings): ZoneFindings {
  return {
    ...(finger !== undefined && { finger }),
    ...(tug !== undefined && { tug }),
    ...(comb !== undefined && { comb }),
  };
}

/** How the coat stands here goes to every zone not felt yet. */
export function spread(zones: Findings, zone: ZoneId): Findings {
  const coat = coatOnly(zones[zone] ?? {});
  if (Object.keys(coat).length === 0) return zones;
  const rest = ZONE_IDS.filter((id) => zones[id] === undefined).map((id) => [id, coat] as const);
  return { ...zones, ...Object.fromEntries(rest) };
}

/** A zone as it stood at the check before, where that felt it. */
export function asLastTime(zones: Findings, zone: ZoneId, last: Findings, both: boolean): Findings {
  const ids = both ? [zone, mirrorZone(zone)] : [zone];
  const found = ids.flatMap((id) => {
    const coat = coatOnly(last[id] ?? {});
    return Object.keys(coat).length === 0 ? [] : [[id, { ...zones[id], ...coat }] as const];
  });
  return { ...zones, ...Object.fromEntries(found) };
}

interface Story {
  readonly past: readonly CheckDraft[];
  readonly now: CheckDraft;
  readonly future: readonly CheckDraft[];
}
/** Steps that can be taken back. */
const MOST_UNDO = 200;

/** The draft, a setter that keeps it, undo and redo, and its end once saved. */
export function useCheckDraft(dogId: string, today: string, weightKg: number, kept: CheckDraft | undefined) {
  const [story, setStory] = useState<Story>(() => {
    const now = kept ?? { id: newId(), day: today, weightKg, guardMm: {}, zones: {}, inspection: {}, note: '' };
    return { past: [], now, future: [] };
  });
  const [saved, setSaved] = useState(false);
  useEffect(() => {
    if (!saved) localStorage.setItem(keyOf(dogId), JSON.stringify(story.now));
  }, [dogId, story.now, saved]);
  /** joins: part of the same act as the change before, as a sweep that goes on; both are undone together. */
  const change = useCallback(
    (to: (now: CheckDraft) => CheckDraft, joins = false): void =>
      setStory(({ past, now, future }) => {
        const next = to(now);
        if (next === now) return { past, now, future };
        return { past: joins ? past : [...past, now].slice(-MOST_UNDO), now: next, future: [] };
      }),
    [],
  );
  return {
    draft: story.now,
    change,
    undo: (): void =>
      setStory((s) => {
        const before = s.past.at(-1);
        return before ? { past: s.past.slice(0, -1), now: before, future: [s.now, ...s.future] } : s;
      }),
    redo: (): void =>
      setStory((s) => {
        const [after, ...rest] = s.future;
        return after ? { past: [...s.past, s.now], now: after, future: rest } : s;
      }),
    canUndo: story.past.length > 0,
    canRedo: story.future.length > 0,
    forget: (): void => {
      setSaved(true);
      localStorage.removeItem(keyOf(dogId));
    },
  };
}
