/** The whole dog before its coat: weight, hair, the inspection in working order, the air of the day, a note. */
import { memo } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { CheckDraft } from '../../../contract/check.ts';
import {
  GUARD_PLACES,
  INSPECTION,
  INSPECTION_ANSWERS,
  type Air,
  type InspectionAnswer,
} from '../../../core/check/index.ts';
import { ChoiceGroup } from '../../app/ChoiceGroup.tsx';
import { HAIR_UNITS, hairMm, hairShown, useHairUnit } from '../../app/units.ts';
import { massKg, massShown, massWord, temperatureC, temperatureShown, temperatureWord } from '../../words/units.ts';

const GUARD_WORDS = { back: 'Hair at back', ruff: 'Hair at ruff', breeches: 'Breeches' } as const;
const UNITS = HAIR_UNITS.map((value) => ({ value, word: value }));
const ANSWER_WORDS: Readonly<Record<InspectionAnswer, string>> = { fine: 'fine', watch: 'watch', trouble: 'trouble' };
const ANSWERS = INSPECTION_ANSWERS.map((value) => ({ value, word: ANSWER_WORDS[value] }));

interface Props {
  readonly draft: CheckDraft;
  readonly change: (to: (now: CheckDraft) => CheckDraft) => void;
}

function NumberField({
  label,
  value,
  onChange,
  min,
  max,
  step = 1,
}: {
  label: string;
  value: number | undefined;
  onChange: (v: number | undefined) => void;
  min: number;
  max: number;
  step?: number;
}) {
  return (
    <label>
      {label}
      <Form.Control
        type="number"
        min={min}
        max={max}
        step={step}
        value={value ?? ''}
        onChange={(e) => onChange(e.target.value === '' ? undefined : Number(e.target.value))}
      />
    </label>
  );
}

function Measures({ draft, change }: Props) {
  const [unit, setUnit] = useHairUnit();
  return (
    <div className="wt-measures">
      <NumberField
        label={`Weight, ${massWord()}`}
        value={massShown(draft.weightKg)}
        min={massShown(0.5)}
        max={massShown(120)}
        step={0.1}
        onChange={(v) => change((now) => ({ ...now, weightKg: massKg(v ?? 0) }))}
      />
      {GUARD_PLACES.map((place) => (
        <NumberField
          key={place}
          label={`${GUARD_WORDS[place]}, ${unit}`}
          value={draft.guardMm[place] === undefined ? undefined : hairShown(draft.guardMm[place], unit)}
          min={hairShown(1, unit)}
          max={hairShown(300, unit)}
          step={unit === 'mm' ? 1 : 0.05}
          onChange={(v) =>
            change((now) => {
              const { [place]: _, ...rest } = now.guardMm;
              return { ...now, guardMm: v === undefined ? rest : { ...rest, [place]: hairMm(v, unit) } };
            })
          }
        />
      ))}
      <ChoiceGroup name="Ruler in" options={UNITS} value={unit} onPick={setUnit} />
    </div>
  );
}

function Inspecting({ draft, change }: Props) {
  const restFine = (now: CheckDraft): CheckDraft => ({
    ...now,
    inspection: Object.fromEntries(INSPECTION.map((row) => [row.item, now.inspection[row.item] ?? 'fine'])),
  });
  return (
    <div className="wt-inspect">
      <Button size="sm" variant="outline-primary" className="mb-1" onClick={() => change(restFine)}>
        The rest is fine
      </Button>
      {INSPECTION.map((row) => (
        <ChoiceGroup
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
    <section className="wt-sheet" aria-labelledby="whole">
      <h2 id="whole">Whole dog</h2>
      <Measures draft={draft} change={change} />
      <Inspecting draft={draft} change={change} />
      <div className="wt-measures mt-3">
        <NumberField
          label={`Air, ${temperatureWord()}`}
          value={draft.air?.temperatureC === undefined ? undefined : temperatureShown(draft.air.temperatureC)}
          min={temperatureShown(-40)}
          max={temperatureShown(60)}
          onChange={(v) => change((now) => withAir(now, 'temperatureC', v === undefined ? undefined : temperatureC(v)))}
        />
        <NumberField
          label="Humidity, %"
          value={draft.air?.humidityPct}
          min={0}
          max={100}
          onChange={(v) => change((now) => withAir(now, 'humidityPct', v))}
        />
      </div>
      <label className="d-block">
        Note
        <Form.Control
          as="textarea"
          rows={2}
          maxLength={4000}
          value={draft.note}
          onChange={({ target: { value: note } }) => change((now) => ({ ...now, note }))}
        />
      </label>
    </section>
  );
}
