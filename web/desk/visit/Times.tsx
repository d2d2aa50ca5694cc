/** When a dog could come on a day: the times that suit everybody, or one of its own, and for how long. */
import type { ReactNode } from 'react';
import { parseDay } from '../../../core/quantity/index.ts';
import type { Service } from '../../../core/dog/index.ts';
import { Refusal } from '../../app/state.tsx';
import { useStarts } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Skeleton } from '../../ui/Skeleton.tsx';
import { DayInput } from '../../ui/form/DayInput.tsx';
import { NumberInput } from '../../ui/form/NumberInput.tsx';
import { TimeInput } from '../../ui/form/TimeInput.tsx';
import { clockText } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { instantOf } from '../../words/on-day.ts';
import css from './booking.module.css';

const LENGTH_FROM = {
  coat: 'by what is known of its coat',
  usual: 'what such dogs usually take; nobody has felt this coat yet',
  service: 'what this usually takes here',
  asked: 'as you set it',
} as const;

/** A time that was chosen, and how long. */
export interface Chosen {
  readonly startsAt: string;
  readonly minutes: number;
}

const chosenOf = (startsAt: string | undefined, minutes: number | undefined): Chosen | undefined =>
  startsAt !== undefined && minutes !== undefined && Number.isFinite(minutes) ? { startsAt, minutes } : undefined;

interface Props {
  readonly dogId: string;
  readonly service: Service;
  readonly day: string;
  /** A length of its own; what is likely without. */
  readonly minutes: number | undefined;
  readonly chosen: string | undefined;
  readonly zone: string;
  readonly today: string;
  readonly onDay: (day: string) => void;
  readonly onMinutes: (minutes: number | undefined) => void;
  readonly onChoose: (startsAt: string | undefined) => void;
  /** What is asked beside it. */
  readonly beside?: ReactNode;
  readonly children: (chosen: Chosen | undefined) => ReactNode;
}

/** The free times, a key each. */
function Free({
  starts,
  chosen,
  zone,
  onChoose,
}: Pick<Props, 'chosen' | 'zone' | 'onChoose'> & { readonly starts: readonly string[] }) {
  if (starts.length === 0) return null;
  return (
    <div className="d-flex flex-wrap g-2 above-4 below-4" role="group" aria-label="Free times">
      {starts.map((s) => (
        <Button
          key={s}
          look={s === chosen ? 'main' : 'usual'}
          size="sm"
          aria-pressed={s === chosen}
          onClick={() => onChoose(s)}
        >
          {clockText(s, zone)}
        </Button>
      ))}
    </div>
  );
}

export function Times(props: Props) {
  const { dogId, service, day, minutes, chosen, zone, today, onDay, onMinutes, onChoose, beside, children } = props;
  const isDay = parseDay(day) !== undefined;
  const { data, error } = useStarts(dogId, { days: isDay ? [day] : [], minutes, service });
  const of = data?.days.find((d) => d.day === day);
  const length = minutes ?? data?.minutes;
  return (
    <>
      <div className={css.asked}>
        {beside}
        <Field label="Day" id="visit-day">
          <DayInput id="visit-day" called="Day" value={day} min={today} onChange={onDay} />
        </Field>
        <Field
          label="Minutes"
          id="visit-minutes"
          help={data && `${minutesText(length ?? data.minutes)}, ${LENGTH_FROM[data.by]}`}
        >
          <NumberInput key={data?.minutes} id="visit-minutes" value={length} onChange={onMinutes} />
        </Field>
        <Field label="Another time" id="visit-time">
          <TimeInput
            id="visit-time"
            value={Number.NaN}
            onChange={(minute) => onChoose(isDay && Number.isFinite(minute) ? instantOf(day, minute, zone) : undefined)}
          />
        </Field>
      </div>
      <Refusal error={error} />
      {isDay && !of && !error && <Skeleton />}
      {of?.against && <p role="status">{of.against} Another time can be set by hand.</p>}
      {of && <Free starts={of.starts} chosen={chosen} zone={zone} onChoose={onChoose} />}
      {children(chosenOf(chosen, length))}
    </>
  );
}
