/** The coat check: both hands in the coat, zone by zone, before any water. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import { coatCheck, type CheckDraft } from '../../../contract/check.ts';
import type { DogPage } from '../../../contract/dog.ts';
import {
  GUARD_PLACES,
  INSPECTION,
  INSPECTION_ANSWERS,
  stopsOf,
  TIED,
  zoneConditions,
  type InspectionAnswer,
} from '../../../core/check/index.ts';
import { coatRow, zone, ZONE_IDS, ZONES, type ZoneId } from '../../../core/dog/index.ts';
import { day, formatDay } from '../../../core/quantity/index.ts';
import { Pick } from '../../app/Pick.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useDog, useSaveCheck } from '../../data/hooks.ts';
import { CoatMap } from '../../drawing/CoatMap.tsx';
import { dogStop, zoneStop } from '../../words/reasons.ts';
import { conditionLook, type Looks } from '../dog/looks.ts';
import { mirrored, spread, useCheckDraft, withFindings } from './draft.ts';
import { ZonePanel } from './ZonePanel.tsx';

const GUARD_WORDS = { back: 'Hair at back, mm', ruff: 'Hair at ruff, mm', breeches: 'Breeches, mm' } as const;
const ANSWER_WORDS: Readonly<Record<InspectionAnswer, string>> = { fine: 'fine', watch: 'watch', trouble: 'trouble' };
const ANSWERS = INSPECTION_ANSWERS.map((value) => ({ value, word: ANSWER_WORDS[value] }));

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

function Measures({ draft, change }: { draft: CheckDraft; change: (d: CheckDraft) => void }) {
  return (
    <div className="wt-measures">
      <NumberField
        label="Weight, kg"
        value={draft.weightKg}
        min={0.5}
        max={120}
        step={0.1}
        onChange={(v) => change({ ...draft, weightKg: v ?? 0 })}
      />
      {GUARD_PLACES.map((place) => (
        <NumberField
          key={place}
          label={GUARD_WORDS[place]}
          value={draft.guardMm[place]}
          min={1}
          max={300}
          onChange={(v) => {
            const { [place]: _, ...rest } = draft.guardMm;
            change({ ...draft, guardMm: v === undefined ? rest : { ...rest, [place]: v } });
          }}
        />
      ))}
    </div>
  );
}

function Inspecting({ draft, change }: { draft: CheckDraft; change: (d: CheckDraft) => void }) {
  const allFine = Object.fromEntries(INSPECTION.map((row) => [row.item, draft.inspection[row.item] ?? 'fine']));
  return (
    <div className="wt-inspect">
      {INSPECTION.map((row) => (
        <Pick
          key={row.item}
          name={row.name}
          options={ANSWERS}
          value={draft.inspection[row.item]}
          onPick={(answer) => change({ ...draft, inspection: { ...draft.inspection, [row.item]: answer } })}
        />
      ))}
      <Button
        size="sm"
        variant="outline-primary"
        className="mt-2"
        onClick={() => change({ ...draft, inspection: allFine })}
      >
        The rest is fine
      </Button>
    </div>
  );
}

function Feeling({ page }: { page: DogPage }) {
  const { dog, today } = page;
  const navigate = useNavigate();
  const { draft, setDraft, forget } = useCheckDraft(dog.id, formatDay(day(today)), dog.weightKg);
  const [selected, setSelected] = useState<ZoneId>(ZONES[0]?.id ?? 'back');
  const save = useSaveCheck(dog.id);

  const conditions = zoneConditions(coatCheck(draft), coatRow(dog.coatClass));
  const looks: Looks = {};
  for (const c of conditions) {
    looks[c.zone] =
      c.assumed && c.kind !== 'stop' && !TIED.includes(c.kind) ? { says: 'not felt yet' } : conditionLook(c);
  }
  const stops = stopsOf(coatCheck(draft), dog.traits);
  const felt = ZONE_IDS.filter((id) => draft.zones[id] !== undefined).length;
  const weightOk = draft.weightKg >= 0.5 && draft.weightKg <= 120;
  const onSave = (): void => {
    save.mutate(draft, {
      onSuccess: (check) => {
        forget();
        void navigate(`/desk/dogs/${dog.id}/plan/${check.id}`);
      },
    });
  };
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to={`/desk/dogs/${dog.id}`}>{dog.name}</Link>
          </span>
          <h1>Coat check</h1>
        </div>
        <span className="wt-soft" role="status">
          {felt} of {ZONE_IDS.length} zones felt; kept on this device until you save
        </span>
        <Button onClick={onSave} disabled={save.isPending || felt === 0 || !weightOk}>
          Save and plan
        </Button>
      </div>
      <Refusal error={save.error} />
      {(stops.dog.length > 0 || stops.zones.length > 0) && (
        <div className="wt-note wt-note-stop" role="alert">
          {stops.dog.length > 0 && <p>No groom today; a vet should look. {stops.dog.map(dogStop).join(' ')}</p>}
          {stops.zones.length > 0 && <p>Not worked until a vet has looked: {stops.zones.map(zoneStop).join(' ')}</p>}
        </div>
      )}
      <div className="wt-cols wt-check">
        <section className="wt-sheet" aria-labelledby="whole">
          <h2 id="whole">Whole dog</h2>
          <Measures draft={draft} change={setDraft} />
          <Inspecting draft={draft} change={setDraft} />
          <label className="d-block mt-3">
            Note
            <Form.Control
              as="textarea"
              rows={2}
              maxLength={4000}
              value={draft.note}
              onChange={(e) => setDraft({ ...draft, note: e.target.value })}
            />
          </label>
        </section>
        <section className="wt-map" aria-label="Coat map">
          <CoatMap
            side="left"
            looks={looks}
            selected={selected}
            onSelect={setSelected}
            label="Left side: choose a zone"
          />
          <CoatMap
            side="right"
            looks={looks}
            selected={selected}
            onSelect={setSelected}
            label="Right side: choose a zone"
          />
        </section>
        <ZonePanel
          zone={selected}
          findings={draft.zones[selected]}
          condition={conditions.find((c) => c.zone === selected)}
          onChange={(change) => setDraft(withFindings(draft, selected, change))}
          onMirror={zone(selected).side === 'mid' ? undefined : () => setDraft(mirrored(draft, selected))}
          onSpread={() => setDraft(spread(draft, selected))}
          onStep={(by) => {
            const i = ZONE_IDS.indexOf(selected);
            setSelected(ZONE_IDS[(i + by + ZONE_IDS.length) % ZONE_IDS.length] ?? selected);
          }}
        />
      </div>
    </>
  );
}

export function CheckRoom() {
  const { dogId = '' } = useParams();
  return <Loaded query={useDog(dogId)}>{(page) => <Feeling key={page.dog.id} page={page} />}</Loaded>;
}
