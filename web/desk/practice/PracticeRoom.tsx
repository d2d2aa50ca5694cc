/** Desk → Practice: the ladder, a free coat, a coat of the salon's past, what is due to be asked again, how far everybody is. */
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { PracticePage } from '../../../contract/practice.ts';
import { COAT_CLASSES, coatRow, type CoatClass } from '../../../core/dog/index.ts';
import { dueCards, freeId, HARDNESS, LADDER, type Hardness } from '../../../core/practice/index.ts';
import { day } from '../../../core/quantity/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Loaded } from '../../app/state.tsx';
import { useBenchCases } from '../../data/hooks.ts';
import { usePracticePage, usePracticePeople } from '../../data/practice.ts';
import { useWho } from '../../door/me.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { Field, Input, Select } from '../../ui/Field.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { shortDay } from '../../words/dates.ts';
import { capital, percent } from '../../words/figures.ts';
import { HARDNESS_WORDS } from '../../words/practice.ts';
import { pastId } from './case.ts';
import css from './practice.module.css';

/** A rung counts as stood when each of its coats reached this share of the best stair. Guess. */
const STOOD = 0.8;

const bestOf = (bouts: PracticePage['bouts'], caseId: string): number | undefined => {
  const own = bouts.filter((b) => b.caseId === caseId).map((b) => b.share);
  return own.length > 0 ? Math.max(...own) : undefined;
};

function Rungs({ bouts }: { bouts: PracticePage['bouts'] }) {
  const next = LADDER.find((r) => r.cases.some((c) => (bestOf(bouts, c.id) ?? 0) < STOOD));
  return (
    <ol className={css.rungs}>
      {LADDER.map((rung) => {
        const shares = rung.cases.map((c) => bestOf(bouts, c.id));
        const now = rung === next;
        return (
          <li key={rung.id} className={now ? 'is-next' : undefined}>
            <div>
              <h3>{rung.title}</h3>
              <p className="wt-soft">{rung.lesson}</p>
            </div>
            <ul>
              {rung.cases.map((c, i) => {
                const share = shares[i];
                return (
                  <li key={c.id}>
                    <ButtonLink look={now && (share ?? 0) < STOOD ? 'main' : 'usual'} to={`/desk/practice/${c.id}`}>
                      {c.dog.name}
                      <span className="visually-hidden">, {rung.title}</span>
                    </ButtonLink>
                    <span className="wt-soft">
                      {share === undefined ? 'not tried' : `${percent(share)} of the best`}
                      {(share ?? 0) >= STOOD ? ', stood' : ''}
                    </span>
                  </li>
                );
              })}
            </ul>
          </li>
        );
      })}
    </ol>
  );
}

/** Seeds of free play: enough that nobody meets a dog twice by chance. */
const SEEDS = 100_000;
const drawSeed = (): number => (crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) % SEEDS;

function FreePlay() {
  const navigate = useNavigate();
  const [coatClass, setClass] = useState<CoatClass>('medium-double');
  const [hardness, setHardness] = useState<Hardness>('usual');
  return (
    <Sheet aria-labelledby="free">
      <h2 id="free">Any coat</h2>
      <p className="wt-soft">A made-up dog, another each time; its address brings the same dog back.</p>
      <Field label="Coat" id="free-class" className="mb-2">
        <Select
          value={coatClass}
          onChange={(e) => setClass(COAT_CLASSES.find((c) => c === e.target.value) ?? coatClass)}
        >
          {COAT_CLASSES.map((c) => (
            <option key={c} value={c}>
              {coatRow(c).name}
            </option>
          ))}
        </Select>
      </Field>
      <ChoiceGroup
        name="How hard"
        options={HARDNESS.map((value) => ({ value, word: HARDNESS_WORDS[value] }))}
        value={hardness}
        onPick={setHardness}
      />
      <Button
        className="mt-2"
        look="usual"
        onClick={() => void navigate(`/desk/practice/${freeId(coatClass, hardness, drawSeed())}`)}
      >
        Bring one in
      </Button>
    </Sheet>
  );
}

function FromThePast({ bouts }: { bouts: PracticePage['bouts'] }) {
  const book = useBenchCases();
  const [find, setFind] = useState('');
  return (
    <Sheet aria-labelledby="past">
      <h2 id="past">A coat of your own</h2>
      <p className="wt-soft">As it was last felt here, in your own room, with your own tools.</p>
      <Loaded query={book}>
        {({ cases }) => {
          const shown = cases.filter((c) => c.name.toLowerCase().includes(find.toLowerCase())).slice(0, 6);
          return cases.length === 0 ? (
            <p>No dog has a coat check yet.</p>
          ) : (
            <>
              <Input
                aria-label="Find a dog"
                placeholder="Name"
                value={find}
                onChange={(e) => setFind(e.target.value)}
                className="mb-2"
              />
              <ul className={css.past}>
                {shown.map((c) => {
                  const share = bestOf(bouts, pastId(c.checkId));
                  return (
                    <li key={c.checkId}>
                      <Link to={`/desk/practice/${pastId(c.checkId)}`}>{c.name}</Link>{' '}
                      <span className="wt-soft">
                        {coatRow(c.case.dog.coatClass).name}
                        {share !== undefined && `, ${percent(share)} of the best`}
                      </span>
                    </li>
                  );
                })}
              </ul>
              {shown.length === 0 && <p role="status">No dog is called that.</p>}
            </>
          );
        }}
      </Loaded>
    </Sheet>
  );
}

function Drills({ page }: { page: PracticePage }) {
  const due = dueCards(
    page.answers.map((a) => ({ ...a, day: day(a.day) })),
    day(page.today),
  );
  return (
    <Sheet aria-labelledby="drills">
      <h2 id="drills">Asked again</h2>
      <p>
        {due.cards.length > 0
          ? `${due.old} due, ${due.fresh} new today.`
          : due.next === undefined
            ? 'Nothing is due.'
            : `Nothing is due until ${shortDay(due.next)}.`}{' '}
        <span className="wt-soft">
          {due.known} of {due.all} sit well.
        </span>
      </p>
      <Progress className="w-100" label="Questions that sit well" value={due.known} max={due.all} />
      <p className="wt-soft">
        Rules, tools, conditions, order: what you know waits longer, what you missed comes back.
      </p>
      <ButtonLink to="/desk/practice/drills">{due.cards.length > 0 ? 'Answer them' : 'Look at them'}</ButtonLink>
    </Sheet>
  );
}

function People() {
  const query = usePracticePeople(true);
  return (
    <Sheet aria-labelledby="people">
      <h2 id="people">By person</h2>
      <Loaded query={query}>
        {({ people }) => (
          <div className="wt-wide" role="region" aria-label="Progress by person" tabIndex={0}>
            <Table>
              <thead>
                <tr>
                  <th scope="col">Who</th>
                  <th scope="col">Rungs stood</th>
                  <th scope="col" className="text-end">
                    Coats
                  </th>
                  <th scope="col" className="text-end">
                    Answers right
                  </th>
                </tr>
              </thead>
              <tbody>
                {people.map((p) => {
                  const stood = LADDER.filter((r) => r.cases.every((c) => (p.best[c.id] ?? 0) >= STOOD)).length;
                  return (
                    <tr key={p.name}>
                      <th scope="row">{p.name}</th>
                      <td>
                        {stood} of {LADDER.length}
                      </td>
                      <td className="text-end">{p.bouts}</td>
                      <td className="text-end">
                        {p.answers === 0 ? 'none asked' : `${percent(p.rightAnswers / p.answers)} of ${p.answers}`}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </Table>
          </div>
        )}
      </Loaded>
    </Sheet>
  );
}

const CRAFT: readonly string[] = ['owner', 'groomer'];

export function PracticeRoom() {
  const { role, name } = useWho();
  return (
    <>
      <div className="wt-title">
        <h1>Practice</h1>
        <span>{capital(name)}’s coats: no dog pays for a mistake here</span>
      </div>
      <Loaded query={usePracticePage()}>
        {(page) => (
          <div className={css.practice}>
            <Sheet aria-labelledby="ladder">
              <h2 id="ladder">The ladder</h2>
              <Rungs bouts={page.bouts} />
            </Sheet>
            <div className="d-grid g-6">
              <Drills page={page} />
              <FreePlay />
              <FromThePast bouts={page.bouts} />
              {CRAFT.includes(role) && <People />}
            </div>
          </div>
        )}
      </Loaded>
    </>
  );
}
