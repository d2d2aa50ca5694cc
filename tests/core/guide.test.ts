/** What comes next at the table, what an undo takes back, where hands feel again, and what an owner is told. */
import { expect } from 'chai';
import { openMethod, planVisit } from '../../core/bench/index.ts';
import { visitSummary } from '../../core/home/index.ts';
import { DEFAULT_HOUSE, TOOL_STROKES, strokeOf, TOOL_KINDS } from '../../core/kit/index.ts';
import { sum } from '../../core/quantity/index.ts';
import {
  beginAct,
  gramsByZone,
  lastTap,
  minutesByName,
  nextStep,
  propose,
  sessionRecord,
  workedStair,
  zonesToFeel,
  zonesToWalk,
  type SessionAct,
  type SessionEvent,
} from '../../core/table/index.ts';
import { gramsByStage, meanGrade } from '../../core/tally/index.ts';
import { checkOf, dogOf, FULL_KIT } from './examples.ts';
import { logOf } from './session-log.ts';

const request = {
  dog: dogOf('heavy-double', 40),
  check: checkOf(40, 70, { finger: 3, tug: 3, comb: 'stops' }, { tail: { finger: 4, comb: 'stops' } }),
  kit: FULL_KIT,
  house: DEFAULT_HOUSE,
};
const plan = planVisit(request);
const open = openMethod(plan, 'wet-first');
if (!open) throw new TypeError('wet first is open to this dog');
const { steps } = open;
const [bath, soap] = steps;
if (!bath || !soap) throw new TypeError('wet first has two steps');
const [first, second] = soap.zones.map((z) => z.zone);
if (!first || !second) throw new TypeError('the slicker has two zones');
const fold = (events: readonly SessionEvent[]) => sessionRecord(events, steps);
type Told = readonly (readonly [number, SessionAct])[];

describe('what comes next', () => {
  it('is the first step that waits and is nobody else’s; zones go in working order, and not where another is', () => {
    const mine: Told = [
      [0, { kind: 'started' }],
      [1, { kind: 'step', step: bath.id }],
      [90_000, { kind: 'step-done', step: bath.id }],
    ];
    const r = fold(logOf(mine, 'a'));
    const next = nextStep(r, 'a', 'Runa');
    expect(next?.id).to.equal(soap.id);
    if (!next) return;
    expect(beginAct(next, r, 'a', 'Runa')).to.deep.equal({ kind: 'zone', step: soap.id, zone: first });
    const shared = fold([
      ...logOf([...mine, [90_001, { kind: 'handed', step: soap.id, zones: [second], to: 'Bertil' }]], 'a'),
      ...logOf([[90_002, { kind: 'zone', step: soap.id, zone: first }]], 'b'),
    ]);
    const own = shared.steps.find((s) => s.id === soap.id);
    if (!own) throw new TypeError('the step is there');
    expect(zonesToWalk(own, shared, 'a', 'Runa')).to.not.include.members([first]);
    expect(zonesToWalk(own, shared, 'a', 'Runa')).to.not.include.members([second]);
    expect(zonesToWalk(own, shared, 'a', 'Bertil')).to.include(second);
    // A step that another device has in hand is not begun twice.
    expect(nextStep(shared, 'a', 'Runa')?.id).to.not.equal(soap.id);
  });

  it('undoes a tap with all its acts, of its own device only', () => {
    const events = logOf(
      [
        [0, { kind: 'worker', name: 'Runa' }],
        [1_000, { kind: 'started' }],
        [1_001, { kind: 'step', step: bath.id }],
        [9_000, { kind: 'step-done', step: bath.id }],
        [9_001, { kind: 'zone', step: soap.id, zone: first }],
      ],
      'a',
    );
    expect(lastTap(events, 'a', new Set())).to.deep.equal(['a0003', 'a0004']);
    expect(lastTap(events, 'a', new Set(['a0003', 'a0004']))).to.deep.equal(['a0001', 'a0002']);
    expect(lastTap(events, 'b', new Set())).to.deep.equal([]);
    expect(lastTap(events.slice(0, 1), 'a', new Set())).to.deep.equal([]);
  });

  it('offers to leave pink skin as it is, and never that piece there again', () => {
    const r = fold(
      logOf([
        [0, { kind: 'started' }],
        [1, { kind: 'step', step: bath.id }],
        [900_000, { kind: 'step-done', step: bath.id }],
        [900_001, { kind: 'zone', step: soap.id, zone: first }],
        [960_000, { kind: 'pink', step: soap.id, zone: first }],
      ]),
    );
    const found = propose({ request, record: r }, { code: 'pink', zone: first, tool: soap.tool.kind });
    if (!found) throw new Error('nothing is proposed');
    for (const p of [found, ...(found.otherwise ? [found.otherwise] : [])]) {
      const there = p.steps.filter(
        (s) => s.tool.kind === soap.tool.kind && s.zones.some((z) => z.zone === first && z.minutes > 1.2),
      );
      expect(there).to.deep.equal([]);
    }
    expect(found.piece?.tool.kind).to.not.equal(soap.tool.kind);
  });
});

describe('the end of a session', () => {
  const log = logOf([
    [0, { kind: 'worker', name: 'Runa' }],
    [1, { kind: 'started' }],
    [2, { kind: 'step', step: bath.id }],
    [600_002, { kind: 'step-done', step: bath.id }],
    [600_003, { kind: 'weighed', step: bath.id, grams: 90 }],
    [600_004, { kind: 'zone', step: soap.id, zone: first }],
    [720_004, { kind: 'zone', step: soap.id, zone: second }],
    [780_004, { kind: 'pink', step: soap.id, zone: second }],
    [790_000, { kind: 'met', zone: 'belly', skin: 'hot-spot' }],
    [790_001, { kind: 'met', zone: 'ears.left', tie: 'knot' }],
    [800_000, { kind: 'step-done', step: soap.id }],
    [800_001, { kind: 'weighed', step: soap.id, grams: 60, by: 'scale' }],
    [800_002, { kind: 'weighed', step: soap.id, grams: 12, zone: second }],
    [800_003, { kind: 'comb', zone: first, result: 'glides' }],
    [800_004, { kind: 'comb', zone: second, result: 'drags' }],
    [810_000, { kind: 'finished' }],
  ]);
  const r = fold(log);

  it('feels again where it mattered, never where work stopped', () => {
    const zones = zonesToFeel(r, plan.conditions);
    expect(zones.slice(0, 1)).to.deep.equal([second]);
    expect(zones).to.include('ears.left').and.not.include('belly');
    expect(zones.length).to.be.within(3, 6);
    const stopped = plan.conditions.map((c) => (c.zone === second ? { ...c, kind: 'stop' as const } : c));
    expect(zonesToFeel(r, stopped)).to.not.include(second);
  });

  it('shows the worked stair, the hair by zone and stage, and whose minutes they were', () => {
    const stair = workedStair(r, 300);
    expect(stair.map((s) => [s.id, s.minutes, s.gramsOut])).to.deep.equal([
      [bath.id, 10, 90],
      [soap.id, 3.3, 72],
    ]);
    expect(stair.at(-1)?.shareLeft).to.be.closeTo((300 - 162) / 300, 1e-9);
    const byZone = gramsByZone(r);
    expect(sum(byZone.map((z) => z.grams))).to.be.closeTo(162, 1e-6);
    expect(byZone.find((z) => z.zone === second)?.weighed).to.equal(true);
    expect(gramsByStage(r)).to.deep.equal({ dry: 0, water: 162, air: 0, proof: 0 });
    expect(minutesByName(r).map((m) => m.name)).to.deep.equal(['Runa']);
    expect(minutesByName(r)[0]?.minutes).to.be.closeTo(13.33, 0.01);
    expect(meanGrade(plan.conditions)).to.be.within(3, 3.2);
  });

  it('tells the owner what was found, what to watch, and nothing that is a vet’s to comb', () => {
    const v = visitSummary(r, []);
    expect(v.minutes).to.equal(13);
    expect(v.gramsOut).to.equal(162);
    expect(v.found.map((f) => [f.zone, f.vet])).to.deep.equal([
      ['belly', true],
      ['ears.left', false],
    ]);
    expect(v.pink).to.deep.equal([second]);
    expect(v.notFalling).to.deep.equal([second]);
    expect(v.watch).to.deep.equal(['vet-first', 'pink-fades', 'comb-short-zones', 'sheds-for-days', 'damp-none']);
    expect(visitSummary(fold([]), [{ zone: 'back', finding: 'wound' }]).watch[0]).to.equal('vet-first');
  });
});

describe('strokes', () => {
  it('has one for every kind of piece, short enough to be read with wet hands, with the house’s side on the lie', () => {
    for (const kind of TOOL_KINDS)
      expect(`${TOOL_STROKES[kind].stroke} ${TOOL_STROKES[kind].watch}`.length, kind).to.be.within(20, 120);
    expect(strokeOf('rake', { stroke: 'with' }).stroke).to.contain('With the lie');
    expect(strokeOf('towel', { stroke: 'with' }).stroke).to.not.contain('lie');
  });
});
