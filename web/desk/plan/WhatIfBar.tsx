/** What if: switches that plan the same dog in another room, at once. */
import { Check, Select } from '../../ui/Field.tsx';
import { SWITCHES, SWITCH_WORDS, type WhatIf } from './whatIf.ts';
import css from './plan.module.css';

interface Props {
  readonly asked: WhatIf;
  readonly people: readonly string[];
  readonly onChange: (changes: Readonly<Record<string, string | undefined>>) => void;
}

const MINUTES = [30, 45, 60, 90, 120] as const;

export function WhatIfBar({ asked, people, onChange }: Props) {
  return (
    <div className={css.whatIf} role="group" aria-label="What if">
      <span className={css.whatIfName}>What if</span>
      {SWITCHES.map((s) => {
        const on = asked.on.includes(s);
        const next = on ? asked.on.filter((x) => x !== s) : [...asked.on, s];
        return (
          <Check
            key={s}
            type="switch"
            id={`what-if-${s}`}
            label={SWITCH_WORDS[s]}
            checked={on}
            onChange={() => onChange({ with: next.join(',') })}
          />
        );
      })}
      <Select
        size="sm"
        aria-label="Time there is"
        value={asked.minutes ?? ''}
        onChange={(e) => onChange({ minutes: e.target.value })}
      >
        <option value="">All the time it takes</option>
        {[...new Set([...MINUTES, ...(asked.minutes === undefined ? [] : [asked.minutes])])]
          .sort((a, b) => a - b)
          .map((m) => (
            <option key={m} value={m}>
              {m} minutes only
            </option>
          ))}
      </Select>
      {people.length > 0 && (
        <Select
          size="sm"
          aria-label="Whose hands"
          value={asked.who ?? ''}
          onChange={(e) => onChange({ who: e.target.value })}
        >
          <option value="">Anybody’s hands</option>
          {people.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </Select>
      )}
    </div>
  );
}
