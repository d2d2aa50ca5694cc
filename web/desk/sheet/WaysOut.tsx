/** Ways out of a day that cannot be kept, each with what it does, to be taken with one tap. */
import type { SheetPage, SheetVisit } from '../../../contract/roster.ts';
import type { WayOut } from '../../../core/day/index.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useEditBooking, useSetPins, useSplitBooking } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { afterText, wayText } from '../../words/day.ts';
import type { SheetNames } from './names.ts';
import css from './day.module.css';

const ACT: Readonly<Record<WayOut['kind'], string>> = {
  come: 'Move it there',
  hands: 'Give it to them',
  split: 'Split over two days',
};

export function WaysOut({ page, ways, names }: { page: SheetPage; ways: readonly WayOut[]; names: SheetNames }) {
  const edit = useEditBooking();
  const split = useSplitBooking();
  const pins = useSetPins();
  const busy = edit.isPending || split.isPending || pins.isPending;
  const take = (way: WayOut, { id, version, minutes, note, starts }: SheetVisit): void => {
    switch (way.kind) {
      case 'come': {
        const start = starts.find((s) => s.minute === way.at);
        if (start) edit.mutate({ id, version, minutes, note, startsAt: start.startsAt });
        return;
      }
      case 'hands':
        pins.mutate(
          way.stages.map(({ stage, person }) => ({
            bookingId: id,
            stage,
            person,
            notBefore: page.asked.pins.find((p) => p.visit === id && p.stage === stage)?.notBefore ?? null,
          })),
        );
        return;
      case 'split':
        split.mutate({ id, version, second: newId() });
    }
  };
  return (
    <section className="mt-3" aria-labelledby="ways">
      <h2 id="ways">Ways out</h2>
      <Refusal error={edit.error ?? split.error ?? pins.error} />
      <ul className={`wt-bare wt-rows ${css.ways}`}>
        {ways.map((w) => {
          const visit = page.visits.find((v) => v.id === w.visit);
          return (
            visit && (
              <li key={w.kind}>
                <div>
                  {wayText(w, names)} <span className="wt-soft">{afterText(w, names)}</span>
                </div>
                <Button look="usual" disabled={busy} onClick={() => take(w, visit)}>
                  {ACT[w.kind]}
                </Button>
              </li>
            )
          );
        })}
      </ul>
    </section>
  );
}
