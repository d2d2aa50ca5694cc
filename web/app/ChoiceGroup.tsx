/** One choice out of few, as a row of words: a radio group that arrow keys walk and a thumb hits. */
import { useId } from 'react';

interface Option<V> {
  readonly value: V;
  readonly word: string;
  readonly says?: string;
}

interface Props<V extends string | number> {
  readonly name: string;
  readonly options: readonly Option<V>[];
  readonly value: V | undefined;
  readonly onPick: (value: V) => void;
  readonly disabled?: boolean;
}

export function ChoiceGroup<V extends string | number>({ name, options, value, onPick, disabled }: Props<V>) {
  const id = useId();
  return (
    <fieldset className="wt-pick" disabled={disabled}>
      <legend>{name}</legend>
      <div>
        {options.map((o) => (
          <label key={o.value} title={o.says}>
            <input type="radio" name={id} checked={o.value === value} onChange={() => onPick(o.value)} />
            <span>{o.word}</span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}
