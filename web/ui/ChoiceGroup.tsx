/** One choice out of few, as a row of words: a radio group that arrow keys walk and a thumb hits. */
import { useId } from 'react';
import { ButtonGroup, FormCheck } from 'react-bootstrap';
import { cx } from './cx.ts';
import css from './ChoiceGroup.module.css';

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
  /** Its name stands beside the keys. */
  readonly beside?: boolean;
  readonly className?: string | undefined;
}

export function ChoiceGroup<V extends string | number>({
  name,
  options,
  value,
  onPick,
  disabled = false,
  beside = false,
  className,
}: Props<V>) {
  const id = useId();
  return (
    <div className={cx(css.group, beside && css.beside, className)}>
      <span id={id} className={css.name}>
        {name}
      </span>
      <ButtonGroup aria-labelledby={id} className={css.options}>
        {options.map((o) => (
          <FormCheck key={o.value} type="radio" id={`${id}-${o.value}`} bsPrefix={css.option ?? ''} title={o.says}>
            <FormCheck.Input
              type="radio"
              name={id}
              checked={o.value === value}
              disabled={disabled}
              onChange={() => onPick(o.value)}
            />
            <FormCheck.Label className={css.key}>{o.word}</FormCheck.Label>
          </FormCheck>
        ))}
      </ButtonGroup>
    </div>
  );
}
