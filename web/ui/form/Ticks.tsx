/** Any of several, each by its own tick. */
import { useId, type ChangeEvent, type ReactNode, type Ref } from 'react';
import { FormCheck } from 'react-bootstrap';
import choiceCss from '../ChoiceGroup.module.css';
import { Check } from '../Field.tsx';
import fieldCss from '../Field.module.css';

interface Props<V extends string | number> {
  readonly label: ReactNode;
  readonly options: readonly { readonly value: V; readonly word: ReactNode }[];
  readonly chosen: readonly V[];
  /** In the order of the list, whatever the order of the ticks. */
  readonly onPick: (chosen: readonly V[]) => void;
  readonly onBlur?: () => void;
  readonly error?: string | undefined;
  readonly className?: string | undefined;
  /** As ticks, or as keys where there are many and their words are short. */
  readonly look?: 'ticks' | 'keys';
  /** Of the first, to go there. */
  readonly ref?: Ref<HTMLInputElement>;
}

export function Ticks<V extends string | number>({
  label,
  options,
  chosen,
  onPick,
  onBlur,
  error,
  className,
  look = 'ticks',
  ref,
}: Props<V>) {
  const id = useId();
  return (
    <fieldset className={className} aria-describedby={error && `${id}-error`}>
      <legend>{label}</legend>
      <div className={look === 'keys' ? choiceCss.options : 'wt-acts'}>
        {options.map((o, i) => {
          const tick = {
            id: `${id}-${o.value}`,
            checked: chosen.includes(o.value),
            ...(i === 0 && ref ? { ref } : {}),
            ...(onBlur ? { onBlur } : {}),
            onChange: (e: ChangeEvent<HTMLInputElement>) =>
              onPick(
                options.map((x) => x.value).filter((x) => (x === o.value ? e.target.checked : chosen.includes(x))),
              ),
          };
          return look === 'ticks' ? (
            <Check key={o.value} label={o.word} {...tick} />
          ) : (
            <FormCheck key={o.value} id={tick.id} bsPrefix={choiceCss.option ?? ''}>
              <FormCheck.Input {...tick} />
              <FormCheck.Label className={choiceCss.key}>{o.word}</FormCheck.Label>
            </FormCheck>
          );
        })}
      </div>
      {error !== undefined && (
        <p id={`${id}-error`} role="alert" className={fieldCss.error}>
          {error}
        </p>
      )}
    </fieldset>
  );
}
