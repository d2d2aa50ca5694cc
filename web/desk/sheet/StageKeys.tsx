/** The next stage of a dog is begun and ended here, takes longer, or was marked by mistake. */
import type { MarkDraft, SheetPage } from '../../../contract/roster.ts';
import type { DaySheet, ScheduledStage } from '../../../core/day/index.ts';
import { useMark, useUnmark } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { capital } from '../../words/figures.ts';
import type { SheetNames } from './names.ts';

/** So much longer a stage may take at a tap. */
const LONGER_BY = [10, 20, 40] as const;

/** Where a visit has come to: the stage under way, and the first that has not begun. */
export function progressOf(page: SheetPage, sheet: Pick<DaySheet, 'laid'>, visit: string) {
  const mine = sheet.laid.filter((l) => l.visit === visit).sort((a, b) => a.stage - b.stage);
  const begun = new Set(page.asked.begun.filter((b) => b.visit === visit).map((b) => b.stage));
  const done = new Set(page.done.filter((d) => d.visit === visit).map((d) => d.stage));
  const underWay = mine.find((l) => begun.has(l.stage) && !done.has(l.stage));
  const next = mine.find((l) => !begun.has(l.stage));
  /** What was marked last. */
  const last = underWay ?? mine.findLast((l) => done.has(l.stage));
  return { mine, underWay, next, last, ready: Math.max(...mine.map((l) => l.end)) };
}

/** A stage with where and by whom. */
export const whereOf = (names: SheetNames, l: ScheduledStage): string =>
  [names.stage(l.visit, l.stage), l.place && `at ${names.place(l.place)}`, l.person && `with ${names.person(l.person)}`]
    .filter(Boolean)
    .join(' ');

export function useStageActs() {
  const mark = useMark();
  const unmark = useUnmark();
  const put = (l: ScheduledStage, { started, ends, done }: Pick<MarkDraft, 'started' | 'ends' | 'done'>): void =>
    mark.mutate({
      bookingId: l.visit,
      stage: l.stage,
      person: l.person ?? null,
      place: l.place ?? null,
      started,
      ends: Math.min(1440, ends),
      done,
    });
  return {
    busy: mark.isPending || unmark.isPending,
    error: mark.error ?? unmark.error,
    begin: (l: ScheduledStage, at: number): void => put(l, { started: at, ends: at + l.end - l.start, done: false }),
    end: (l: ScheduledStage, at: number, done: boolean): void =>
      put(l, { started: l.start, ends: Math.max(l.start, at), done }),
    undo: (l: ScheduledStage): void => unmark.mutate({ bookingId: l.visit, stage: l.stage }),
  };
}

interface Props {
  readonly at: ReturnType<typeof progressOf>;
  readonly names: SheetNames;
  readonly now: number;
  readonly acts: ReturnType<typeof useStageActs>;
  readonly size?: 'sm' | undefined;
}

export function StageKeys({ at: { underWay, next, last }, names, now, acts, size }: Props) {
  const { busy } = acts;
  return (
    <>
      {underWay && (
        <>
          <Button look="usual" size={size} disabled={busy} onClick={() => acts.end(underWay, now, true)}>
            {capital(names.stage(underWay.visit, underWay.stage))} done
          </Button>
          {LONGER_BY.map((minutes, i) => (
            <Button
              key={minutes}
              look="usual"
              size={size}
              disabled={busy}
              aria-label={`${minutes} min longer`}
              onClick={() => acts.end(underWay, Math.max(now, underWay.end) + minutes, false)}
            >
              {i === 0 ? `${minutes} min longer` : minutes}
            </Button>
          ))}
        </>
      )}
      {!underWay && next && (
        <Button look="usual" size={size} disabled={busy} onClick={() => acts.begin(next, now)}>
          Begin {names.stage(next.visit, next.stage)}
        </Button>
      )}
      {last && (
        <Button look="plain" size={size} disabled={busy} onClick={() => acts.undo(last)}>
          Undo
        </Button>
      )}
    </>
  );
}
