/** The record of a finished session: planned against done, where the hair came from, who did what, and what was put right later. */
import { Link } from 'react-router';
import type { PlanStep } from '../../../core/bench/index.ts';
import type { CombGrade, FingerGrade } from '../../../core/check/index.ts';
import { isZoneId, zoneName } from '../../../core/dog/index.ts';
import {
  gramsByZone,
  minutesByName,
  workedMinutes,
  workedStair,
  type SessionRecord,
  type StepRecord,
} from '../../../core/table/index.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import { Staircase } from '../../drawing/Staircase.tsx';
import type { Looks } from '../../desk/dog/looks.ts';
import { photoUrl } from '../../data/hooks.ts';
import { ButtonLink } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateText } from '../../words/dates.ts';
import { capital, grams, listText, minutesText } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';
import { actText, metWord, reasonText } from '../../words/table.ts';
import type { Table } from '../session/useTable.ts';
import { BeforeItGoes } from '../session/BeforeItGoes.tsx';
import { PutRight } from './PutRight.tsx';
import { massText, temperatureText } from '../../words/units.ts';
import { stepWordOf } from '../../words/steps.ts';
import chartsCss from '../../drawing/charts.module.css';
import tableCss from '../table.module.css';
import css from './record.module.css';

const STATE_WORDS = { waiting: 'not done', working: 'not done', done: '', skipped: 'left out' } as const;
const MOST_ZONES = 8;

function StepLine({ s }: { s: StepRecord }) {
  const by = Object.keys(s.by).filter((n) => n !== '');
  const state = STATE_WORDS[s.state];
  return (
    <li>
      <div>
        <h3>{stepWordOf(s.plan)}</h3>
        <div className="wt-soft">
          {s.did
            ? `${capital(s.did.tool.replaceAll('-', ' '))} in place of ${s.plan.tool.name.toLowerCase()}`
            : s.plan.tool.name}
          {state && `, ${state}`}
          {by.length > 0 && `, ${listText(by)}`}
          {s.heard && `, ${Math.round(s.heard.dbA)} dB(A) at the ear`}
        </div>
      </div>
      <div className={chartsCss.stepFigures}>
        {minutesText(Math.round(workedMinutes(s)))} of {minutesText(Math.round(s.plan.minutes))}
        <div className="wt-soft">
          {s.grams === undefined ? 'not weighed' : `${grams(s.grams)} of ${grams(s.plan.gramsOut)}`}
        </div>
      </div>
    </li>
  );
}

const GRADE_OF_COMB: Readonly<Record<CombGrade, FingerGrade>> = { glides: 0, drags: 2, stops: 4 };

/** What the comb said at the end, by zone. */
function proofLooks({ comb }: SessionRecord): Looks {
  const looks: Looks = {};
  for (const id of Object.keys(comb).filter(isZoneId)) {
    const result = comb[id] ?? 'glides';
    looks[id] = { says: `comb ${result}`, done: result === 'glides', grade: GRADE_OF_COMB[result] };
  }
  return looks;
}

/** What hands found under way and at the end. */
function Found({ record }: { record: SessionRecord }) {
  const felt = Object.entries(record.felt).flatMap(([id, f]) => (isZoneId(id) && f ? [{ id, f }] : []));
  if (record.met.length === 0 && record.pink.length === 0 && felt.length === 0) return null;
  return (
    <Sheet className="mb-3" aria-labelledby="found">
      <h2 id="found">Found</h2>
      <ul>
        {record.met.map((m) => (
          <li key={`${m.zone} ${metWord(m)}`}>
            {capital(zoneName(m.zone))}: {metWord(m)}
          </li>
        ))}
        {record.pink.map((p) => (
          <li key={`${p.zone} ${p.tool}`}>
            {capital(zoneName(p.zone))}: pink under the {p.tool.replaceAll('-', ' ')}
          </li>
        ))}
        {felt.map(({ id, f }) => (
          <li key={id}>
            {capital(zoneName(id))}, felt again: finger {f.finger ?? '–'}, comb {f.comb ?? '–'}, skin {f.skin ?? '–'}
          </li>
        ))}
      </ul>
    </Sheet>
  );
}

/** Steps that were planned at first and then planned away, and what made the plan change. */
function Replanned({ record, planned }: { record: SessionRecord; planned: readonly PlanStep[] }) {
  const gone = planned.filter((s) => !record.steps.some((own) => own.id === s.id));
  return (
    <>
      {gone.length > 0 && (
        <p className="wt-soft">
          Planned at first, and planned away: {listText(gone.map((s) => stepWordOf(s).toLowerCase()))}.
        </p>
      )}
      {record.replans.length > 0 && (
        <>
          <h3>The plan was made anew</h3>
          <ul>
            {record.replans.map((r) => (
              <li key={r.atMs}>
                {capital(reasonText(r.because))}
                {r.left.length > 0 && `; left: ${listText(r.left.slice(0, 4).map((l) => zoneName(l.zone)))}`}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

export function RecordRoom({ table }: { table: Table }) {
  const { page, record } = table;
  const { plan, looseG } = page.snapshot;
  const stepName = (id: string): string => {
    const s = record.steps.find((own) => own.id === id)?.plan ?? plan.steps.find((own) => own.id === id);
    return s ? stepWordOf(s) : 'a step';
  };
  const stair = workedStair(record, looseG);
  const zones = gramsByZone(record);
  const mostG = zones[0]?.grams ?? 0;
  const short = Object.entries(record.comb).flatMap(([id, g]) => (g !== 'glides' && isZoneId(id) ? [id] : []));
  const looks = proofLooks(record);
  const photos = (when: 'before' | 'after') => record.photos.filter((p) => p.when === when);
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            {dateText(page.day)}, {methodName(plan.method).toLowerCase()}
          </span>
          <h1>{page.dogName}, done</h1>
        </div>
        <div className="wt-acts">
          <ButtonLink look="main" to={`/home/${page.dogId}/visits/${page.id}`}>
            For the owner
          </ButtonLink>
          <Link to={`/desk/dogs/${page.dogId}/next`}>Next date</Link>
          <Link to={`/home/${page.dogId}`}>Home card</Link>
        </div>
      </div>
      <p className="fs-4">
        {grams(record.gramsOut)} weighed of about {grams(plan.gramsOut)} planned;{' '}
        {minutesText(Math.round(record.workedMs / 60_000))} at work of {minutesText(plan.minutes)} planned
        {record.breakMs >= 60_000 ? `, ${minutesText(Math.round(record.breakMs / 60_000))} of breaks` : ''}.
      </p>
      <BeforeItGoes table={table} />
      {short.length > 0 && (
        <Notice>
          The comb did not fall through at {listText(short.map(zoneName))}. The home card asks for these first.
        </Notice>
      )}
      <Sheet className={`${chartsCss.stairs} mb-3`} aria-labelledby="stairs">
        <h2 id="stairs">As planned, and as it went</h2>
        <Staircase
          steps={stair}
          other={{ steps: plan.steps, name: 'as planned' }}
          title={`Worked in ${stair.length} steps, solid; planned in ${plan.steps.length}, dotted`}
        />
      </Sheet>
      <div className={`wt-cols ${tableCss.work}`}>
        <Sheet aria-labelledby="steps">
          <h2 id="steps">Step by step</h2>
          <ol className={`wt-bare ${chartsCss.steps}`}>
            {record.steps.map((s) => (
              <StepLine key={s.id} s={s} />
            ))}
          </ol>
          <Replanned record={record} planned={plan.steps} />
        </Sheet>
        <div>
          <Sheet className="mb-3" aria-labelledby="proof">
            <h2 id="proof">Comb proof</h2>
            {Object.keys(looks).length === 0 ? (
              <p className="wt-soft">No proof was written down.</p>
            ) : (
              <CoatStage dog={page} looks={looks} label="Comb proof" />
            )}
          </Sheet>
          <Found record={record} />
          {zones.length > 0 && (
            <Sheet className="mb-3" aria-labelledby="by-zone">
              <h2 id="by-zone">Where the hair came from</h2>
              <ul className={`wt-bare ${css.bars}`}>
                {zones.slice(0, MOST_ZONES).map((z) => (
                  <li key={z.zone}>
                    <span>{capital(zoneName(z.zone))}</span>
                    <span
                      className={css.bar}
                      style={{ width: `${(100 * z.grams) / Math.max(1e-9, mostG)}%` }}
                      aria-hidden
                    />
                    <span className={chartsCss.stepFigures}>
                      {grams(z.grams)}
                      {!z.weighed && <span className="wt-soft"> by its time</span>}
                    </span>
                  </li>
                ))}
              </ul>
            </Sheet>
          )}
          <Sheet className="mb-3" aria-labelledby="who">
            <h2 id="who">Who did what</h2>
            <ul>
              {minutesByName(record).map((p) => (
                <li key={p.name}>
                  {p.name || 'Nobody said'}: {minutesText(Math.round(p.minutes))}
                </li>
              ))}
              {record.dogKg !== undefined && <li>The dog weighed {massText(Math.round(record.dogKg * 10) / 10)}</li>}
              {record.air?.temperatureC !== undefined && (
                <li>
                  Room: {record.air.temperatureC !== undefined && temperatureText(record.air.temperatureC)},{' '}
                  {record.air.humidityPct} % humidity
                </li>
              )}
              {record.notes.map((n) => (
                <li key={n.atMs}>
                  {n.by ? `${n.by}: ` : ''}
                  {n.text}
                </li>
              ))}
            </ul>
          </Sheet>
        </div>
      </div>
      {record.photos.length > 0 && (
        <Sheet className="mb-3" aria-labelledby="photos">
          <h2 id="photos">Before and after</h2>
          <ul className="wt-bare wt-photos">
            {(['before', 'after'] as const).flatMap((when) =>
              photos(when).map((p) => (
                <li key={p.id}>
                  <img src={photoUrl(p.id)} alt={capital(when)} />
                  <span>{capital(when)}</span>
                </li>
              )),
            )}
          </ul>
        </Sheet>
      )}
      {record.corrections.length > 0 && (
        <Sheet className="mb-3" aria-labelledby="put-right">
          <h2 id="put-right">Put right later</h2>
          <ul>
            {record.corrections.map((c) => (
              <li key={`${c.atMs} ${c.was.kind}`}>
                <s>{actText(c.was, stepName)}</s> {actText(c.is, stepName)}
              </li>
            ))}
          </ul>
        </Sheet>
      )}
      <PutRight table={table} stepName={stepName} />
    </>
  );
}
