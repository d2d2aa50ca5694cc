/** The whole dog before its coat: weight, hair, the inspection in working order, the air of the day, a note. */
import { memo } from 'react';
import type { CheckDraft } from '../../../contract/check.ts';
import {
  GUARD_PLACES,
  INSPECTION,
  INSPECTION_ANSWERS,
  type Air,
  type InspectionAnswer,
} from '../../../core/check/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { LENGTHS, setView } from '../../app/view.ts';
import { useView } from '../../app/useView.ts';
import { Button } from '../../ui/Button.tsx';
import { TextArea } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { NumberInput } from '../../ui/form/NumberInput.tsx';
import {
  lengthMm,
  lengthShown,
  massKg,
  massShown,
  massWord,
  temperatureC,
  temperatureShown,
  temperatureWord,
} from '../../words/units.ts';
import css from './check.module.css';

const GUARD_WORDS = { back: 'Hair at back', ruff: 'Hair at ruff', breeches: 'Breeches' } as const;
const UNITS = LENGTHS.map((value) => ({ value, word: value }));
const ANSWER_WORDS: Readonly<Record<InspectionAnswer, string>> = { fine: 'fine', watch: 'watch', trouble: 'trouble' };
const ANSWERS = INSPECTION_ANSWERS.map((value) => ({ value, word: ANSWER_WORDS[value] }));

interface Props {
  readonly draft: CheckDraft;
  readonly change: (to: (now: CheckDraft) => CheckDraft) => void;
}

function Measure({
  label,
  value,
  onChange,
  digits = 0,
}: {
  label: string;
  value: number | undefined;
  onChange: (v: number | undefined) => void;
  digits?: number;
}) {
  return (
    <label>
      {label}
      <NumberInput digits={digits} value={value} onChange={onChange} />
    </label>
  );
}

function Measures({ draft, change }: Props) {
  const { length: unit } = useView();
  return (
    <div className={css.measures}>
      <Measure
        label={`Weight, ${massWord()}`}
        value={massShown(draft.weightKg)}
        digits={1}
        onChange={(v) => change((now) => ({ ...now, weightKg: massKg(v ?? 0) }))}
      />
      {GUARD_PLACES.map((place) => (
        <Measure
          key={place}
          label={`${GUARD_WORDS[place]}, ${unit}`}
          value={draft.guardMm[place] === undefined ? undefined : lengthShown(draft.guardMm[place])}
          digits={unit === 'mm' ? 0 : 2}
          onChange={(v) =>
            change((now) => {
              const { [place]: _, ...rest } = now.guardMm;
              return { ...now, guardMm: v === undefined ? rest : { ...rest, [place]: lengthMm(v) } };
            })
          }
        />
      ))}
      <ChoiceGroup name="Ruler in" options={UNITS} value={unit} onPick={(length) => setView({ length })} />
    </div>
  );
}

function Inspecting({ draft, change }: Props) {
  const restFine = (now: CheckDraft): CheckDraft => ({
    ...now,
    inspection: Object.fromEntries(INSPECTION.map((row) => [row.item, now.inspection[row.item] ?? 'fine'])),
  });
  return (
    <div className={css.inspect}>
      <Button size="sm" look="usual" className="mb-1" onClick={() => change(restFine)}>
        The rest is fine
      </Button>
      {INSPECTION.map((row) => (
        <ChoiceGroup
          beside
          key={row.item}
          name={row.name}
          options={ANSWERS}
          value={draft.inspection[row.item]}
          onPick={(answer) => change((now) => ({ ...now, inspection: { ...now.inspection, [row.item]: answer } }))}
        />
      ))}
    </div>
  );
}

/** A draft with one reading of the air changed; no reading, no air. */
function withAir({ air, ...rest }: CheckDraft, key: keyof Air, value: number | undefined): CheckDraft {
  const { [key]: _, ...others } = air ?? {};
  const next = value === undefined ? others : { ...others, [key]: value };
  return Object.keys(next).length === 0 ? rest : { ...rest, air: next };
}

const SHOWN = ['weightKg', 'guardMm', 'inspection', 'air', 'note'] as const;

/** Stands as it is while hands go over the coat. */
export const WholeDog = memo(
  WholeDogShown,
  (before, now) => before.change === now.change && SHOWN.every((key) => before.draft[key] === now.draft[key]),
);

function WholeDogShown({ draft, change }: Props) {
  return (
    <Sheet aria-labelledby="whole">
      <h2 id="whole">Whole dog</h2>
      <Measures draft={draft} change={change} />
      <Inspecting draft={draft} change={change} />
      <div className={`${css.measures} mt-3`}>
        <Measure
          label={`Air, ${temperatureWord()}`}
          value={draft.air?.temperatureC === undefined ? undefined : temperatureShown(draft.air.temperatureC)}
          onChange={(v) => change((now) => withAir(now, 'temperatureC', v === undefined ? undefined : temperatureC(v)))}
        />
        <Measure
          label="Humidity, %"
          value={draft.air?.humidityPct}
          onChange={(v) => change((now) => withAir(now, 'humidityPct', v))}
        />
      </div>
      <label className="d-block">
        Note
        <TextArea
          rows={2}
          maxLength={4000}
          value={draft.note}
          onChange={({ target: { value: note } }) => change((now) => ({ ...now, note }))}
        />
      </label>
    </Sheet>
  );
}
