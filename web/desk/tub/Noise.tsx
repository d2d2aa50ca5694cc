/** Noise of the day beside the dryers, by three published rules side by side, bare and with ears protected, and with another dryer. */
import { useState } from 'react';
import { Link } from 'react-router';
import type { DayPage } from '../../../contract/day.ts';
import {
  allowedMinutes,
  dayLevelDbA,
  EU_ACTION,
  minutesLeft,
  NOISE_ROWS,
  noiseDose,
  noiseRule,
  protectedDbA,
  type Exposure,
  type Protector,
} from '../../../core/sound/index.ts';
import { sum } from '../../../core/quantity/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Field, Select } from '../../ui/Field.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { NumberInput } from '../../ui/form/NumberInput.tsx';
import { minutesText, percent } from '../../words/figures.ts';
import css from './tub.module.css';

const EARS = [
  { value: 'bare', word: 'bare' },
  { value: 'muffs', word: 'muffs' },
  { value: 'formable-plugs', word: 'foam plugs' },
  { value: 'other-plugs', word: 'other plugs' },
] as const;
type Ears = (typeof EARS)[number]['value'];
const USUAL_NRR_DB = 25;

const spanText = (minutes: number): string =>
  minutes === Infinity ? 'no limit' : minutes >= 24 * 60 ? 'a day' : minutesText(Math.floor(minutes));

/**
 * What EU day levels ask for: the limit counts protectors, the action values do not. Directive 2003/10/EC, articles 3
 * to 8.
 */
function euText(bare: number, atEar: number): string {
  if (atEar > EU_ACTION.limitDbA) return 'over the limit: less of it, at once';
  if (bare > EU_ACTION.upperDbA) return 'over the upper action value: protectors are worn';
  return bare >= EU_ACTION.lowerDbA ? 'over the lower action value: protectors at hand' : 'under the action values';
}

export function Noise({ page }: { page: DayPage }) {
  const [ears, setEars] = useState<Ears>('bare');
  const [nrrDb, setNrr] = useState(USUAL_NRR_DB);
  const [swap, setSwap] = useState('');
  const protector: Protector | undefined = ears === 'bare' ? undefined : ears;
  const other = page.dryers.find((d) => d.toolId === swap);
  const uses = page.dogs.flatMap((d) => d.dryers);
  // Only the loud ones are swapped: nobody dries faces with the strong dryer.
  const loudest = Math.max(0, ...uses.map((u) => u.dbA));
  const atEar = (dbA: number): number => (protector ? protectedDbA(dbA, protector, nrrDb) : dbA);
  const bare: readonly Exposure[] = uses.map((u) => ({
    levelDbA: other && u.dbA === loudest ? other.dbA : u.dbA,
    minutes: u.minutes,
  }));
  const exposures = bare.map((e) => ({ ...e, levelDbA: atEar(e.levelDbA) }));
  const loud = Math.max(0, ...exposures.map((e) => e.levelDbA));
  const eu = noiseRule('eu');
  const euLevel = (of: readonly Exposure[]): number => dayLevelDbA(noiseDose(of, eu), eu);
  const guessed = uses.some((u) => !u.measured) || (other !== undefined && !other.measured);
  return (
    <Sheet aria-labelledby="noise">
      <h2 id="noise">Noise of the day</h2>
      {uses.length === 0 ? (
        <p>No plan of today uses a dryer.</p>
      ) : (
        <>
          <p>
            One person beside every dryer of today’s plans: {minutesText(sum(uses.map((u) => u.minutes)))}, the loudest
            at {Math.round(loud)} dB(A) at the ear.
          </p>
          <div className={css.dilution}>
            <ChoiceGroup name="Ears" options={EARS} value={ears} onPick={setEars} />
            {ears !== 'bare' && (
              <Field label="Rating on their label, dB" id="nrr">
                <NumberInput id="nrr" value={nrrDb} onChange={(n = 0) => setNrr(Math.min(40, Math.max(0, n)))} />
              </Field>
            )}
            <Field label="Instead of the loudest" id="swap">
              <Select value={swap} onChange={(e) => setSwap(e.target.value)}>
                <option value="">as planned</option>
                {page.dryers.map((d) => (
                  <option key={d.toolId} value={d.toolId}>
                    {d.name}, {d.dbA} dB(A){!d.measured && ', a guess'}
                  </option>
                ))}
              </Select>
            </Field>
          </div>
          <div className="wt-wide" role="status">
            <Table>
              <thead>
                <tr>
                  <th scope="col">Rule</th>
                  <th scope="col" className="wt-num">
                    Of the day’s noise
                  </th>
                  <th scope="col" className="wt-num">
                    Left at {Math.round(loud)} dB(A)
                  </th>
                </tr>
              </thead>
              <tbody>
                {NOISE_ROWS.map((rule) => {
                  const dose = noiseDose(exposures, rule);
                  return (
                    <tr key={rule.id}>
                      <th scope="row">
                        {rule.name}{' '}
                        <span className="wt-soft">
                          {rule.criterionDbA} dB(A) for 8 h, {rule.exchangeDb} dB halve the time
                        </span>
                      </th>
                      <td className="wt-num">
                        {dose > 1 ? <strong>{percent(dose)}, too much</strong> : percent(dose)}
                      </td>
                      <td className="wt-num">{spanText(minutesLeft(dose, loud, rule))}</td>
                    </tr>
                  );
                })}
              </tbody>
            </Table>
          </div>
          <p>
            EU day level at the ear {Math.round(euLevel(exposures))} dB(A): {euText(euLevel(bare), euLevel(exposures))}.
            At {Math.round(loud)} dB(A) NIOSH allows {spanText(allowedMinutes(loud, noiseRule('niosh')))} a day in all.
          </p>
          {guessed && (
            <Notice>
              A level here is a guess. Measure at your ear and write it down in the <Link to="/desk/kit">kit</Link>.
            </Notice>
          )}
          <p className="wt-soft">
            Sources: NIOSH 98-126, 29 CFR 1910.95, Directive 2003/10/EC. Protectors are counted at what they keep out in
            the field, not on the label. The dog hears it too.
          </p>
        </>
      )}
    </Sheet>
  );
}
