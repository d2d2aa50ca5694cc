/** A bout: brush by brush and part by part, with a clock that never hurries; at the end, what came out. */
import { useEffect, useState } from 'react';
import type { OwnerDog } from '../../contract/home.ts';
import { homePartRow, type HomeBout, type HomePart } from '../../core/home/index.ts';
import { toolRow, type ToolKind } from '../../core/kit/index.ts';
import type { HomeAmount } from '../../core/tide/index.ts';
import { HomeDog } from '../home/paper/HomeDog.tsx';
import { capital } from '../words/figures.ts';
import { AMOUNTS, minutes } from './words.ts';
import css from './owner.module.css';

interface Turn {
  readonly tool: ToolKind | undefined;
  readonly part: HomePart;
  readonly minutes: number;
}

/** Part by part for each brush; where no brush of this home may go, hands do. */
function turnsOf({ steps, parts, minutes: all }: HomeBout): readonly Turn[] {
  const brushed = new Set(steps.flatMap((s) => s.parts));
  return [
    ...steps.flatMap((s) => s.parts.map((part) => ({ tool: s.tool, part, minutes: s.minutes / s.parts.length }))),
    ...parts.filter((p) => !brushed.has(p)).map((part) => ({ tool: undefined, part, minutes: all / parts.length })),
  ];
}

const clock = (seconds: number): string => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;

interface Props {
  readonly dog: OwnerDog;
  readonly bout: HomeBout;
  readonly onLeave: () => void;
  readonly onDone: (parts: readonly HomePart[], minutes: number, amount: HomeAmount | null) => void;
}

export function Bout({ dog, bout, onLeave, onDone }: Props) {
  const turns = turnsOf(bout);
  const [at, setAt] = useState(0);
  const [began] = useState(() => Date.now());
  const [now, setNow] = useState(began);
  const [turnBegan, setTurnBegan] = useState(began);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  /** What was brushed: a part counts once it was finished, not because it was to come. */
  const [brushed, setBrushed] = useState<ReadonlySet<number>>(new Set());
  const parts = [...new Set(turns.flatMap((t, i) => (brushed.has(i) ? [t.part] : [])))];
  const turn = turns[at];
  const spent = (now - began) / 60_000;
  if (!turn)
    return (
      <section className={css.sheet} aria-labelledby="came-out">
        <h2 id="came-out" tabIndex={-1} ref={(el) => el?.focus()}>
          What came out?
        </h2>
        <p className={css.soft}>A guess is enough. It tells us how the coat is doing.</p>
        <div className={css.amounts}>
          {AMOUNTS.map(({ amount, word, size }) => (
            <button
              key={amount}
              type="button"
              onClick={() => onDone(parts, Math.min(spent, 2 * bout.minutes + 5), amount)}
            >
              <svg viewBox="0 0 60 60" aria-hidden>
                <path className={css.ground} d="M6,54H54" />
                {size > 0 && (
                  <g transform={`translate(30 54) scale(${size})`}>
                    <path
                      className={css.wool}
                      d="M-25,0C-32,-12 -22,-24 -12,-22C-12,-38 8,-42 12,-28C24,-30 32,-14 25,0Z"
                    />
                    <path className={css.curl} d="M-14,-8q5,-8 10,0t10,0M-6,-20q5,-7 9,0t9,0" />
                  </g>
                )}
              </svg>
              {word}
            </button>
          ))}
        </div>
        <button type="button" className={css.plain} onClick={() => onDone(parts, spent, null)}>
          I did not look
        </button>
      </section>
    );
  const seconds = Math.floor((now - turnBegan) / 1000);
  const planned = Math.max(15, Math.round(turn.minutes * 60));
  const row = homePartRow(turn.part);
  const tool = turn.tool && toolRow(turn.tool);
  const go = (to: number): void => {
    setAt(to);
    setTurnBegan(Date.now());
  };
  return (
    <section className={css.today} aria-labelledby="turn">
      <p className={css.soft}>
        {at + 1} of {turns.length} · {minutes(bout.minutes)} in all
      </p>
      <h2 id="turn" aria-live="polite">
        {capital(row.name)}
      </h2>
      <p className={css.parts}>{tool ? capital(tool.name) : 'Hands: part the hair and look'}</p>
      <HomeDog dog={dog} lit={[turn.part]} label={row.name} />
      <div className={css.clock}>
        <div className={css.clockDone} style={{ width: `${Math.min(100, (100 * seconds) / planned)}%` }} />
        <span>
          {clock(seconds)} <span className={css.soft}>of about {clock(planned)}</span>
        </span>
      </div>
      <p>{row.how}</p>
      {tool && <p className={css.soft}>{tool.hurts}</p>}
      {row.gentle && <p className={css.soft}>Stop here when the skin turns pink or your dog has had enough.</p>}
      <button
        type="button"
        className={css.now}
        onClick={() => {
          setBrushed(new Set([...brushed, at]));
          go(at + 1);
        }}
      >
        {at + 1 < turns.length ? 'Next' : 'Finished'}
      </button>
      <div className={css.row}>
        <button type="button" className={css.plain} disabled={at === 0} onClick={() => go(at - 1)}>
          Back
        </button>
        <button type="button" className={css.plain} onClick={() => (parts.length > 0 ? go(turns.length) : onLeave())}>
          Enough for today
        </button>
        <button type="button" className={css.plain} onClick={onLeave}>
          Leave
        </button>
      </div>
    </section>
  );
}
