/** How to brush, with what, and what not to do. */
import type { OwnerDog } from '../../contract/home.ts';
import { EDGE_AT_HOME, homeDonts } from '../../core/home/index.ts';
import { MIND } from '../../core/dog/index.ts';
import { toolRow } from '../../core/kit/index.ts';
import { capital } from '../words/figures.ts';
import { DONT_WORDS, EDGE_WORDS, KEEP_OFF } from '../words/home.ts';
import css from './owner.module.css';

export function How({ dog }: { dog: OwnerDog }) {
  const { use, get, keepOff } = dog.tools;
  return (
    <section className={css.sheet} aria-labelledby="how">
      <h2 id="how">How</h2>
      <details>
        <summary>With what</summary>
        <ul>
          {use.map((k) => (
            <li key={k}>
              <strong>{capital(toolRow(k).name)}</strong>: {toolRow(k).does} {k === EDGE_AT_HOME.tool && EDGE_WORDS}{' '}
              <span className={css.soft}>{toolRow(k).hurts}</span>
            </li>
          ))}
        </ul>
        {get.length > 0 && <p>Worth having: {get.map((k) => toolRow(k).name).join(', ')}.</p>}
        {keepOff.map((k) => (
          <p key={k.tool}>
            Leave in the drawer: {toolRow(k.tool).name}, {KEEP_OFF[k.why]}.
          </p>
        ))}
      </details>
      <details>
        <summary>The stroke</summary>
        <ul>
          <li>Try the brush on the back of your own hand: what scratches you scratches the dog.</li>
          <li>Hold the skin taut with the other hand. Short strokes, wires level with the body.</li>
          <li>A few strokes on one place, then on. When it resists, hold above it and use less hair.</li>
        </ul>
      </details>
      <details>
        <summary>So that it likes it</summary>
        <ul>
          {MIND.filter((a) => dog.mind.includes(a.id)).map((a) => (
            <li key={a.id}>
              {a.statement} <span className={css.soft}>{a.reason}</span>
            </li>
          ))}
        </ul>
      </details>
      <details>
        <summary>Please not</summary>
        <ul>
          {homeDonts(dog.coatClass).map((d) => (
            <li key={d}>{DONT_WORDS[d]}</li>
          ))}
        </ul>
      </details>
      <p className={css.soft}>This page tells no illness. When something looks wrong, a vet knows.</p>
    </section>
  );
}
