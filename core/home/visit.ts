/** What an owner is told of a visit: what was done, what was found, what is left, what to watch. Values, not words. */
import { sum } from '../quantity/index.ts';
import { STOPPING_SKIN, type SkinFinding, type TieGrade, type ZoneStop } from '../check/index.ts';
import { zone as zoneRow, type ZoneId } from '../dog/index.ts';
import type { SessionRecord } from '../table/index.ts';

export interface VisitFinding {
  readonly zone: ZoneId;
  readonly what: { readonly skin: SkinFinding } | { readonly tie: TieGrade };
  /** Somebody else has to look: nothing is done there at home. */
  readonly vet: boolean;
}

export interface VisitSummary {
  /** Minutes of the dog's time, breaks and all. */
  readonly minutes: number;
  readonly gramsOut: number;
  /** Share of the surface that was combed on which the comb fell through. */
  readonly fallsShare: number | undefined;
  readonly notFalling: readonly ZoneId[];
  readonly found: readonly VisitFinding[];
  /** Pink under a tool: looks the same evening and the next day. */
  readonly pink: readonly ZoneId[];
  /** Left for next time, as the dog had stood long enough. */
  readonly left: readonly ZoneId[];
  /** Ties that were met too late to be worked: they wait, dry. */
  readonly tiesLeft: readonly ZoneId[];
  readonly before: readonly string[];
  readonly after: readonly string[];
  readonly watch: readonly VisitWatch[];
}
/** What to watch, most pressing first. Common practice. */
export type VisitWatch = 'vet-first' | 'pink-fades' | 'parasites' | 'comb-short-zones' | 'sheds-for-days' | 'damp-none';

/** What the owner is told. stops: what the coat check had found already. */
export function visitSummary(record: SessionRecord, stops: readonly ZoneStop[]): VisitSummary {
  const spent = (record.finishedMs ?? record.asOfMs) - (record.startedMs ?? record.asOfMs);
  const combed = Object.entries(record.comb).flatMap(([id, result]) => {
    const z = record.steps.flatMap((s) => s.plan.zones).find((own) => own.zone === id)?.zone;
    return z ? [{ zone: z, falls: result === 'glides' }] : [];
  });
  const surface = (zones: readonly ZoneId[]): number => sum(zones.map((z) => zoneRow(z).surfaceShare));
  const all = surface(combed.map((c) => c.zone));
  const found: VisitFinding[] = stops.map((s) => ({ zone: s.zone, what: { skin: s.finding }, vet: true }));
  for (const { zone, skin, tie } of record.met) {
    if (found.some((f) => f.zone === zone && 'skin' in f.what && f.what.skin === skin)) continue;
    if (skin !== undefined && skin !== 'clear') found.push({ zone, what: { skin }, vet: STOPPING_SKIN.has(skin) });
    if (tie !== undefined && tie !== 'none') found.push({ zone, what: { tie }, vet: false });
  }
  const pink = [...new Set(record.pink.map((p) => p.zone))];
  const vet = new Set(found.filter((f) => f.vet).map((f) => f.zone));
  const late = record.replans.filter((r) => r.because.code === 'late').flatMap((r) => r.left.map((l) => l.zone));
  const left = [...new Set(late)].filter((z) => !vet.has(z));
  const tiesLeft = record.closed.filter((z) => !vet.has(z));
  const notFalling = combed.filter((c) => !c.falls && !vet.has(c.zone)).map((c) => c.zone);
  const parasites = found.some((f) => 'skin' in f.what && f.what.skin === 'parasites');
  const watch: VisitWatch[] = [];
  if (vet.size > 0) watch.push('vet-first');
  if (pink.length > 0) watch.push('pink-fades');
  if (parasites) watch.push('parasites');
  if (notFalling.length + left.length > 0) watch.push('comb-short-zones');
  watch.push('sheds-for-days');
  if (record.steps.some((s) => s.state === 'done' && s.plan.phase === 'bath')) watch.push('damp-none');
  return {
    minutes: Math.round(spent / 60_000),
    gramsOut: record.gramsOut,
    fallsShare: all > 0 ? surface(combed.filter((c) => c.falls).map((c) => c.zone)) / all : undefined,
    notFalling,
    found,
    pink,
    left,
    tiesLeft,
    before: record.photos.filter((p) => p.when === 'before').map((p) => p.id),
    after: record.photos.filter((p) => p.when === 'after').map((p) => p.id),
    watch,
  };
}
