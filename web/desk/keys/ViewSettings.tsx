/** How this device shows things: letters, contrast, keys, dates, clock, units. Each change is seen at once. */
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import {
  CLOCKS,
  CONTRASTS,
  DATE_FORMS,
  LENGTHS,
  MASSES,
  setView,
  TEMPERATURES,
  TEXT_SIZES,
  VOLUMES,
  WEEK_STARTS,
  type View,
} from '../../app/view.ts';
import { useView } from '../../app/useView.ts';
import { Check, Field, Select } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { longDay, minuteText, shortDay, weekdayName } from '../../words/dates.ts';
import { money } from '../../words/figures.ts';
import { massText, temperatureText, volumeText } from '../../words/units.ts';
import css from './keys.module.css';

const words = <V extends string | number>(all: readonly V[], word: (v: V) => string) =>
  all.map((value) => ({ value, word: word(value) }));
const CLOCK_WORDS = { '24': '24 hours', '12': 'am and pm' } as const;
const VOLUME_WORDS = { ml: 'mL', floz: 'fl oz' } as const;
const TEMPERATURE_WORDS = { c: '°C', f: '°F' } as const;
const DATE_WORDS: Readonly<Record<View['dates'], string>> = {
  'en-GB': 'United Kingdom',
  'en-US': 'United States',
  'en-CA': 'Canada',
  'en-AU': 'Australia',
  'en-NZ': 'New Zealand',
  'en-IE': 'Ireland',
  'en-ZA': 'South Africa',
};
/** 9 April 2031, five past two, of which the examples speak. */
const EXAMPLE = { day: 22_378, minute: 14 * 60 + 5, kg: 24, airC: 21, ml: 250, cents: 123_450 };

/** In what this device measures. */
function Units({ view }: { view: View }) {
  return (
    <>
      <ChoiceGroup
        name="Weight"
        options={words(MASSES, (v) => v)}
        value={view.mass}
        onPick={(mass) => setView({ mass })}
      />
      <ChoiceGroup
        name="Length"
        options={words(LENGTHS, (v) => v)}
        value={view.length}
        onPick={(length) => setView({ length })}
      />
      <ChoiceGroup
        name="Warmth"
        options={words(TEMPERATURES, (v) => TEMPERATURE_WORDS[v])}
        value={view.temperature}
        onPick={(temperature) => setView({ temperature })}
      />
      <ChoiceGroup
        name="Volume"
        options={words(VOLUMES, (v) => VOLUME_WORDS[v])}
        value={view.volume}
        onPick={(volume) => setView({ volume })}
      />
    </>
  );
}

export function ViewSettings() {
  const view = useView();
  return (
    <Sheet className={css.view} aria-labelledby="view">
      <h2 id="view">On this device</h2>
      <div className="d-flex flex-wrap g-6 below-5">
        <ChoiceGroup
          name="Letters"
          options={words(TEXT_SIZES, (v) => v)}
          value={view.text}
          onPick={(text) => setView({ text })}
        />
        <ChoiceGroup
          name="Contrast"
          options={words(CONTRASTS, (v) => v)}
          value={view.contrast}
          onPick={(contrast) => setView({ contrast })}
        />
        <ChoiceGroup
          name="Clock"
          options={words(CLOCKS, (v) => CLOCK_WORDS[v])}
          value={view.clock}
          onPick={(clock) => setView({ clock })}
        />
        <ChoiceGroup
          name="A week begins on"
          options={words(WEEK_STARTS, weekdayName)}
          value={view.weekStart}
          onPick={(weekStart) => setView({ weekStart })}
        />
        <Units view={view} />
        <Field label="Dates and numbers as in" id="view-dates">
          <Select
            value={view.dates}
            onChange={(e) => setView({ dates: DATE_FORMS.find((d) => d === e.target.value) ?? view.dates })}
          >
            {DATE_FORMS.map((d) => (
              <option key={d} value={d}>
                {DATE_WORDS[d]}
              </option>
            ))}
          </Select>
        </Field>
      </div>
      <Check
        id="view-keys"
        type="switch"
        label="Single letters do something: / finds, H helps, ? lists them"
        checked={view.singleKeys}
        onChange={(e) => setView({ singleKeys: e.target.checked })}
      />
      <p className="wt-soft mt-2" role="status">
        {longDay(EXAMPLE.day)}, or {shortDay(EXAMPLE.day)}, {minuteText(EXAMPLE.minute)}; {massText(EXAMPLE.kg)},{' '}
        {temperatureText(EXAMPLE.airC)}, {volumeText(EXAMPLE.ml)}, {money(EXAMPLE.cents, 'EUR')}.
      </p>
    </Sheet>
  );
}
