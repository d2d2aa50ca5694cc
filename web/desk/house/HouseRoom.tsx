/** Desk → House rules: the house's side in open quarrels, its rates, its kit, and the rules that no house can switch off. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { SalonRecord } from '../../../contract/salon.ts';
import { BLADE_USES, MAT_WAYS, toolRow, type HouseRules } from '../../../core/kit/index.ts';
import { Pick } from '../../app/Pick.tsx';
import { ChangedElsewhere, differences, useEditing } from '../../app/editing.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useEditSalon, useKit, useRules, useSalon } from '../../data/hooks.ts';
import { capital } from '../../words/figures.ts';

const BLADE_WORDS = { never: 'never', 'smooth-doubles': 'smooth doubles only', 'any-legal': 'wherever safe' } as const;
const MAT_WORDS = { 'brush-out': 'work out by comb', split: 'split', clip: 'clip off' } as const;
const WEIGHT_WORDS = {
  hairOut: 'hair out',
  minutes: 'minutes',
  skin: 'skin',
  comfort: 'comfort',
  dust: 'dust',
} as const;
const WEIGHTS = [
  'hairOut',
  'minutes',
  'skin',
  'comfort',
  'dust',
] as const satisfies readonly (keyof HouseRules['weights'])[];

const RULE_WORDS = [
  ['blade', 'Blade combs'],
  ['bladeMinutes', 'Blade minutes'],
  ['mats', 'A tied mat'],
  ['weights', 'What a recommendation weighs'],
  ['rates', 'Rates'],
  ['openWeekdays', 'Open days'],
  ['hours', 'Hours'],
  ['tables', 'Tables'],
] as const satisfies readonly (readonly [keyof HouseRules, string])[];

function EditHouse({ salon }: { salon: SalonRecord }) {
  const { base, formKey, newer, takeTheirs, keepMine, saved } = useEditing(salon);
  return (
    <div>
      {newer && (
        <ChangedElsewhere
          changes={differences(base.house, newer.house, RULE_WORDS)}
          onMine={keepMine}
          onTheirs={takeTheirs}
        />
      )}
      <HouseForm key={formKey} salon={base} stale={newer !== undefined} onSaved={saved} />
    </div>
  );
}

function HouseForm({
  salon,
  stale,
  onSaved,
}: {
  salon: SalonRecord;
  stale: boolean;
  onSaved: (salon: SalonRecord) => void;
}) {
  const [house, setHouse] = useState(salon.house);
  const save = useEditSalon();
  const number = (text: string): number => (text === '' ? 0 : Number(text));
  return (
    <section className="wt-sheet" aria-labelledby="open">
      <h2 id="open">Open quarrels: your side</h2>
      <Pick
        name="Blade combs"
        options={BLADE_USES.map((value) => ({ value, word: BLADE_WORDS[value] }))}
        value={house.blade}
        onPick={(blade) => setHouse({ ...house, blade })}
      />
      <Pick
        name="A tied mat"
        options={MAT_WAYS.map((value) => ({ value, word: MAT_WORDS[value] }))}
        value={house.mats}
        onPick={(mats) => setHouse({ ...house, mats })}
      />
      <div className="wt-formgrid">
        <label>
          Blade minutes in a session
          <Form.Control
            type="number"
            min={0}
            max={20}
            value={house.bladeMinutes}
            onChange={(e) => setHouse({ ...house, bladeMinutes: number(e.target.value) })}
          />
        </label>
        <label>
          Rate for an hour, {house.rates.currency}
          <Form.Control
            type="number"
            min={0}
            value={house.rates.perHourCents / 100}
            onChange={(e) =>
              setHouse({ ...house, rates: { ...house.rates, perHourCents: Math.round(number(e.target.value) * 100) } })
            }
          />
        </label>
      </div>
      <h3 className="mt-3">What a recommendation weighs</h3>
      <div className="wt-formgrid">
        {WEIGHTS.map((w) => (
          <label key={w}>
            {capital(WEIGHT_WORDS[w])}: {house.weights[w]}
            <Form.Range
              min={0}
              max={100}
              step={5}
              value={house.weights[w]}
              onChange={(e) => setHouse({ ...house, weights: { ...house.weights, [w]: number(e.target.value) } })}
            />
          </label>
        ))}
      </div>
      <Refusal error={stale ? null : save.error} />
      {save.isSuccess && (
        <p className="wt-note wt-note-good" role="status">
          Saved. Plans are reckoned with it from now on.
        </p>
      )}
      <Button disabled={save.isPending} onClick={() => save.mutate({ ...salon, house }, { onSuccess: onSaved })}>
        Save house rules
      </Button>
    </section>
  );
}

const SEVERITY_WORDS = { stop: 'Stop', never: 'Never', warn: 'Mind' } as const;

export function HouseRoom() {
  const salon = useSalon();
  const kit = useKit();
  const rules = useRules();
  return (
    <>
      <div className="wt-title">
        <h1>House rules</h1>
        {salon.data && (
          <span className="wt-soft">
            {salon.data.salon.name}, {salon.data.salon.town}
          </span>
        )}
      </div>
      <div className="wt-cols" style={{ gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 26rem), 1fr))' }}>
        <Loaded query={salon}>{({ salon: s }) => <EditHouse salon={s} />}</Loaded>
        <section className="wt-sheet" aria-labelledby="kit">
          <h2 id="kit">Kit</h2>
          <Loaded query={kit}>
            {({ tools }) =>
              tools.length === 0 ? (
                <p>No tools yet.</p>
              ) : (
                <ul className="wt-bare wt-rules">
                  {tools.map((t) => (
                    <li key={t.id}>
                      {t.name} <span className="wt-soft">{toolRow(t.kind).does}</span>
                    </li>
                  ))}
                </ul>
              )
            }
          </Loaded>
        </section>
        <section className="wt-sheet" aria-labelledby="rules">
          <h2 id="rules">Rules of the trade</h2>
          <p className="wt-soft">Safety rules stand in every house.</p>
          <Loaded query={rules}>
            {({ rules: rows }) => (
              <ul className="wt-bare wt-rules">
                {rows.map((r) => (
                  <li key={r.id}>
                    <strong>{SEVERITY_WORDS[r.severity]}.</strong> {r.statement}{' '}
                    <span className="wt-soft">{r.reason}</span>
                  </li>
                ))}
              </ul>
            )}
          </Loaded>
        </section>
      </div>
    </>
  );
}
