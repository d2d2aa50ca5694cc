/** Handing work to somebody else: this step, one side of it, or all that is done in water or by air. */
import { useState } from 'react';
import { PHASES, type PhaseWork } from '../../../core/bench/index.ts';
import { zone, type ZoneId } from '../../../core/dog/index.ts';
import type { SessionAct, StepRecord } from '../../../core/table/index.ts';
import { Button } from '../../ui/Button.tsx';
import type { Table } from './useTable.ts';
import css from './session.module.css';

const WATER: readonly PhaseWork[] = ['bath', 'rewash', 'condition', 'towel'];
const AIR: readonly PhaseWork[] = ['drying', 'air'];

interface Share {
  readonly word: string;
  readonly acts: (to: string) => readonly SessionAct[];
}

function sharesOf(step: StepRecord | undefined, open: readonly StepRecord[]): readonly Share[] {
  const shares: Share[] = [];
  const sideOf = (side: 'left' | 'right'): readonly ZoneId[] =>
    step?.plan.zones.map((z) => z.zone).filter((z) => zone(z).side === side && !step.zonesDone.includes(z)) ?? [];
  if (step) {
    shares.push({ word: 'This step', acts: (to) => [{ kind: 'handed', step: step.id, to }] });
    for (const side of ['left', 'right'] as const) {
      const zones = sideOf(side);
      if (zones.length > 0 && sideOf(side === 'left' ? 'right' : 'left').length > 0) {
        shares.push({ word: `The ${side} side`, acts: (to) => [{ kind: 'handed', step: step.id, zones, to }] });
      }
    }
  }
  for (const [word, works] of [
    ['All that is water', WATER],
    ['All that is air', AIR],
  ] as const) {
    const own = open.filter((s) => works.includes(PHASES[s.plan.phase].work));
    if (own.length > 0) {
      shares.push({ word, acts: (to) => own.map((s): SessionAct => ({ kind: 'handed', step: s.id, to })) });
    }
  }
  return shares;
}

interface Props {
  readonly table: Table;
  readonly step: StepRecord | undefined;
  readonly onDone: (acts: readonly SessionAct[]) => void;
  readonly onBack: () => void;
}

export function HandOver({ table, step, onDone, onBack }: Props) {
  const { record, page, name } = table;
  const [share, setShare] = useState<Share | undefined>();
  const open = record.steps.filter((s) => s.state === 'waiting' || s.state === 'working');
  const people = [...new Set([...record.people, ...page.people])].filter((p) => p !== name);
  return (
    <section className={css.ask} aria-labelledby="hand-over">
      <h2 id="hand-over">{share ? `${share.word}: to whom?` : 'Hand over what?'}</h2>
      <div className={`${css.thumbs} is-tiles`}>
        {share
          ? people.map((p) => (
              <Button key={p} className={css.thumb} look="usual" onClick={() => onDone(share.acts(p))}>
                {p}
              </Button>
            ))
          : sharesOf(step, open).map((s) => (
              <Button key={s.word} className={css.thumb} look="usual" onClick={() => setShare(s)}>
                {s.word}
              </Button>
            ))}
        <Button className={css.thumb} look="usual" onClick={onBack}>
          Never mind
        </Button>
      </div>
      {share && people.length === 0 && <p>Nobody else is known here yet. The other device says who works there.</p>}
    </section>
  );
}
