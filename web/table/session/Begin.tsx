/** Before the first stroke: who works, the dog on the scale, a photo, what must be left alone. One tap starts. */
import { OctagonX, Scale } from 'lucide-react';
import { useState } from 'react';
import { mindAdvice } from '../../../core/dog/index.ts';
import { airChanged, beginAct, type SessionAct } from '../../../core/table/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { minutesText } from '../../words/figures.ts';
import { methodName, zoneStop } from '../../words/reasons.ts';
import { scaleText } from '../../words/table.ts';
import { useDevices } from '../useDevices.ts';
import { PhotoKey } from './PhotoKey.tsx';
import type { Table } from './useTable.ts';
import { keepWorker, lastWorker } from './who.ts';
import { WhoWorks } from './WhoWorks.tsx';
import { massText } from '../../words/units.ts';
import { stepWordOf } from '../../words/steps.ts';
import css from './session.module.css';

/** A dog weighs more than any bag of its hair. */
const LEAST_DOG_G = 800;

export function Begin({ table }: { table: Table }) {
  const { page, record, tell } = table;
  const [name, setName] = useState(() => table.name || lastWorker());
  const devices = useDevices(true);
  const { plan, stops } = page.snapshot;
  const { traits, weightKg } = page.request.dog;
  const mind = mindAdvice('table', { traits, weightKg, newHere: page.newHere });
  const scale = devices?.scale;
  const dogG = scale?.state === 'settled' ? (scale.grossG ?? 0) : 0;
  const first = record.steps[0];
  const begin = (): void => {
    keepWorker(name);
    const acts: SessionAct[] = [];
    if (name !== '') acts.push({ kind: 'worker', name });
    const { air } = devices ?? {};
    if (air && airChanged(record.air, air)) acts.push({ kind: 'air', ...air });
    acts.push({ kind: 'started' });
    if (first) acts.push(beginAct(first, record, table.device, name));
    void tell(...acts);
  };
  return (
    <div className={css.begin}>
      <Sheet aria-labelledby="plan">
        <h2 id="plan">
          {methodName(plan.method)}, {minutesText(plan.minutes)}
        </h2>
        {stops.length > 0 && (
          <Notice tone="stop">
            <OctagonX aria-hidden size={20} /> Leave alone: {stops.map(zoneStop).join(' ')}
          </Notice>
        )}
        <p className="wt-soft">{mind.map((a) => a.statement).join(' ')}</p>
        <ol className={css.beginSteps}>
          {record.steps.map((s) => (
            <li key={s.id}>
              <div>
                <span>
                  {stepWordOf(s.plan)} <span className="wt-soft">{s.plan.tool.name}</span>
                </span>
                <span className={css.beginFigures}>{minutesText(s.plan.minutes)}</span>
              </div>
            </li>
          ))}
        </ol>
      </Sheet>
      <section className={css.beginNow} aria-label="Before the first stroke">
        <h2>Who works?</h2>
        <WhoWorks people={page.people} name={name} onName={setName} />
        <p className={`${css.scale} is-small`} role="status">
          <Scale aria-hidden size={28} />
          <span>
            <strong>
              {record.dogKg === undefined ? '' : `${massText(Math.round(record.dogKg * 10) / 10)} taken. `}
            </strong>
            {dogG >= LEAST_DOG_G
              ? `${massText(Math.round(dogG / 100) / 10)} on the scale.`
              : record.dogKg === undefined
                ? `Dog on the scale? ${scale ? scaleText(scale) : 'The scale does not answer.'}`
                : ''}
          </span>
          <Button
            look="usual"
            disabled={dogG < LEAST_DOG_G}
            onClick={() => void tell({ kind: 'dog-weighed', kg: Math.round(dogG / 20) / 50, by: 'scale' })}
          >
            Take {dogG >= LEAST_DOG_G ? massText(Math.round(dogG / 100) / 10) : 'its weight'}
          </Button>
        </p>
        <PhotoKey table={table} when="before" />
        <Button className={`${css.thumb} is-main`} onClick={begin}>
          Start{first ? `: ${stepWordOf(first.plan).toLowerCase()}` : ''}
        </Button>
      </section>
    </div>
  );
}
