/** Table → Devices: what scale, sound meter and room sensor say, and what is put on the simulated ones. */
import { useMutation } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { StandInChange, StandInState } from '../../../contract/devices.ts';
import { Refusal } from '../../app/state.tsx';
import { api } from '../../data/client.ts';
import { Button } from '../../ui/Button.tsx';
import { Check, Field, Range } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { grams } from '../../words/figures.ts';
import { scaleText } from '../../words/table.ts';
import { useDevices } from '../useDevices.ts';
import { massText, temperatureText } from '../../words/units.ts';
import tableCss from '../table.module.css';
import css from './devices.module.css';

const HAIR_STEPS = [-10, 10, 40];
const DOGS = [0, 8.5, 22, 38.4, 95];

type NumberKey = 'dbA' | 'temperatureC' | 'humidityPct' | 'driftGPerMinute';
const SLIDERS: readonly {
  readonly key: NumberKey;
  readonly word: string;
  readonly say: (value: number) => string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
}[] = [
  { key: 'dbA', word: 'Level at the ear', say: (v) => `${v} dB(A)`, min: 40, max: 110, step: 1 },
  { key: 'temperatureC', word: 'Room', say: temperatureText, min: 5, max: 38, step: 0.5 },
  { key: 'humidityPct', word: 'Humidity', say: (v) => `${v} %`, min: 10, max: 95, step: 1 },
  { key: 'driftGPerMinute', word: 'Drift of the scale', say: (v) => `${v} g a minute`, min: -5, max: 5, step: 0.1 },
];
type FlagKey = 'bowl' | 'restless' | 'scaleOn' | 'meterOn' | 'sensorOn';
const FLAGS: readonly (readonly [FlagKey, string])[] = [
  ['bowl', 'Bowl on the scale'],
  ['restless', 'The dog fidgets'],
  ['scaleOn', 'Scale plugged in'],
  ['meterOn', 'Sound meter on'],
  ['sensorOn', 'Room sensor on'],
];

export function DevicesRoom() {
  const page = useDevices(true);
  const put = useMutation({
    mutationFn: (change: StandInChange) => api.put('/devices/stand-ins', change),
  });
  const tare = useMutation({ mutationFn: () => api.post('/devices/scale/tare') });
  if (!page) {
    return (
      <p className="wt-waiting" role="status">
        Waiting for the devices …
      </p>
    );
  }
  const s: StandInState = page.standIns;
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to="/table">Table</Link>
          </span>
          <h1>Scale and meters</h1>
        </div>
      </div>
      <p className="wt-soft">
        These stand in for a bench scale, a sound meter and a room sensor until real ones are wired to the salon’s
        computer. What you put on them here is what the table reads.
      </p>
      <div className={`wt-cols ${tableCss.work}`}>
        <Sheet aria-labelledby="say">
          <h2 id="say">They say</h2>
          <div className={css.says}>
            <h3>Scale</h3>
            <p role="status">
              {page.scale.netG !== undefined && `${grams(page.scale.netG)}. `}
              {scaleText(page.scale)}
              {page.scale.grossG !== undefined && <span className="wt-soft"> {grams(page.scale.grossG)} gross</span>}
            </p>
            <h3>Sound</h3>
            <p>
              {page.dbA === null
                ? 'The meter is silent.'
                : `${Math.round(page.dbA)} dB(A), ${Math.round(page.meanDbA ?? page.dbA)} over the last minute.`}
            </p>
            <h3>Room</h3>
            <p>
              {page.air
                ? `${temperatureText(page.air.temperatureC)}, ${page.air.humidityPct} % humidity.`
                : 'The sensor does not answer.'}
            </p>
          </div>
          <Button look="usual" onClick={() => tare.mutate()}>
            Start from nothing
          </Button>
          <Refusal error={tare.error ?? put.error} />
        </Sheet>
        <Sheet aria-labelledby="put">
          <h2 id="put">Put on them</h2>
          <div className="wt-acts" role="group" aria-label="Hair on the scale">
            {HAIR_STEPS.map((g) => (
              <Button key={g} look="usual" onClick={() => put.mutate({ hairG: Math.max(0, s.hairG + g) })}>
                {g > 0 ? `+ ${g}` : `− ${-g}`} g hair
              </Button>
            ))}
            <Button look="usual" onClick={() => put.mutate({ hairG: 0 })}>
              No hair
            </Button>
          </div>
          <p className="wt-soft">{grams(s.hairG)} of hair lie on it.</p>
          <div className="wt-acts" role="group" aria-label="Dog on the scale">
            {DOGS.map((kg) => (
              <Button
                key={kg}
                look={kg === s.dogKg ? 'chosen' : 'usual'}
                aria-pressed={kg === s.dogKg}
                onClick={() => put.mutate({ dogKg: kg })}
              >
                {kg === 0 ? 'No dog' : `${massText(kg)} dog`}
              </Button>
            ))}
          </div>
          {FLAGS.map(([key, word]) => (
            <Check
              key={key}
              type="switch"
              id={key}
              label={word}
              checked={s[key]}
              onChange={(e) => put.mutate({ [key]: e.target.checked })}
            />
          ))}
          {SLIDERS.map(({ key, word, say, min, max, step }) => (
            <Field
              label={
                <>
                  {word}: {say(s[key])}
                </>
              }
              key={key}
              id={key}
            >
              <Range
                min={min}
                max={max}
                step={step}
                value={s[key]}
                onChange={(e) => put.mutate({ [key]: Number(e.target.value) })}
              />
            </Field>
          ))}
        </Sheet>
      </div>
    </>
  );
}
