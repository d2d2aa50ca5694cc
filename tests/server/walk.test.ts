/** One dog through the whole house over HTTP, and the promises of its routes. */
import { expect } from 'chai';
import ICAL from 'ical.js';
import { applyEdit, openMethod, planVisit, scriptOf } from '../../core/bench/index.ts';
import { openDb, stores } from '../../server/db/index.ts';
import { fillDemo } from '../../demo/seed.ts';
import { dump, openRoom, CHECK, DOG, NOW, type Room } from './room.ts';

describe('the walk over HTTP', () => {
  let room: Room;
  let dogId = '';
  let sessionId = '';
  before(async () => {
    room = await openRoom();
  });
  after(() => room.close());

  it('takes a new dog in and lists it as new', async () => {
    const made = await room.call('POST', '/dogs', { id: 'tansy', ...DOG });
    expect(made.status).to.equal(201);
    dogId = made.json.id;
    expect(made.json).to.deep.include({ id: 'tansy', ...DOG, version: 1 });
    const { json } = await room.call('GET', '/dogs');
    expect(json.dogs.find((d: { id: string }) => d.id === dogId).need.reason.code).to.equal('never-checked');
  });

  it('keeps a check as facts, once however often it is sent', async () => {
    expect((await room.call('GET', `/dogs/${dogId}/next`)).status).to.equal(409);
    const first = await room.call('POST', `/dogs/${dogId}/checks`, CHECK);
    const again = await room.call('POST', `/dogs/${dogId}/checks`, CHECK);
    expect([first.status, again.status]).to.deep.equal([201, 200]);
    expect(again.json).to.deep.equal(first.json);
    expect(first.json.zones).to.deep.equal(CHECK.zones);
    expect((await room.call('GET', `/dogs/${dogId}/checks`)).json.checks).to.have.length(1);
  });

  it('changes a check by version: a stale edit gets both versions', async () => {
    const { id: _, ...facts } = CHECK;
    const edited = await room.call('PUT', '/checks/check-a', { ...facts, note: 'felt again', version: 1 });
    expect(edited.json).to.deep.include({ note: 'felt again', version: 2 });
    const stale = await room.call('PUT', '/checks/check-a', { ...facts, note: 'late', version: 1 });
    expect(stale.status).to.equal(409);
    expect(stale.json.error).to.deep.include({ field: 'version' });
    expect(stale.json.error.stored.note).to.equal('felt again');
    expect(stale.json.error.sent.note).to.equal('late');
  });

  it('plans from the stored facts and starts a session with a snapshot of the plan', async () => {
    const plan = await room.call('GET', '/checks/check-a/plan');
    expect(plan.json.recommended.method).to.be.a('string');
    const draft = { id: 'session-a', checkId: 'check-a', method: plan.json.recommended.method };
    const session = await room.call('POST', '/sessions', draft);
    expect(session.status).to.equal(201);
    sessionId = session.json.id;
    expect((await room.call('POST', '/sessions', draft)).status).to.equal(200);
    expect(
      (await room.call('POST', '/sessions', { ...draft, id: 'session-b', method: 'smooth' })).json.error.field,
    ).to.equal('method');
  });

  it('starts a session from steps changed by hand, as they stand, and refuses those that break a rule', async () => {
    const { json: bench } = await room.call('GET', '/checks/check-a/bench');
    expect(bench.request.kit).to.not.have.length(0);
    // As a page that asks for nothing else computes it, to the last figure.
    const plan = planVisit({ ...bench.request, crew: { helper: false, lying: false } });
    expect(JSON.parse(JSON.stringify(plan))).to.deep.equal(bench.plan);
    expect(JSON.stringify(bench.plan)).to.not.contain('null');
    const open = plan.recommended && openMethod(plan, plan.recommended.method);
    if (!open) throw new Error('no method is open');
    const script = scriptOf(open.steps);
    const [first] = script;
    if (!first) throw new Error('a plan without steps');
    const longer = applyEdit(script, { kind: 'minutes', id: script.at(-1)?.id ?? '', minutes: 1.5 });
    const draft = { id: 'session-hand', checkId: 'check-a', method: open.method, script: longer };
    const made = await room.call('POST', '/sessions', draft);
    expect(made.status).to.equal(201);
    expect(made.json.snapshot.plan.steps.map((s: { id: string }) => s.id)).to.deep.equal(longer.map((s) => s.id));
    const before = dump(room.db);
    const rakeOnFace = [
      ...script,
      {
        id: 'x',
        phase: 'dry-slicker',
        toolId: bench.request.kit.find((t: { kind: string }) => t.kind === 'rake').id,
        zones: [{ zone: 'face.left', minutes: 2 }],
      },
    ];
    const refused = await room.call('POST', '/sessions', { ...draft, id: 'session-bad', script: rakeOnFace });
    expect(refused.status).to.equal(409);
    expect(refused.json.error.field).to.equal('script');
    expect(refused.json.error.message).to.contain('face.left').and.contain('Mend it');
    const strange = [{ ...first, toolId: 'nobody-has-it' }];
    const missing = await room.call('POST', '/sessions', { ...draft, id: 'session-bad', script: strange });
    expect(missing.json.error.field).to.equal('script.0.toolId');
    const twice = await room.call('POST', '/sessions', { ...draft, id: 'session-bad', script: [first, first] });
    expect(twice.status).to.equal(400);
    expect(dump(room.db)).to.equal(before);
    const { json: book } = await room.call('GET', '/bench/cases');
    expect(book.cases.map((c: { dogId: string }) => c.dogId)).to.include(dogId);
  });

  it('appends events once, refuses a step outside the plan, and folds the record', async () => {
    const { json: page } = await room.call('GET', `/sessions/${sessionId}`);
    const ids: string[] = page.snapshot.plan.steps.map((s: { id: string }) => s.id);
    const events = [
      { id: 'ev-1', atMs: NOW, act: { kind: 'started' } },
      { id: 'ev-2', atMs: NOW + 1, act: { kind: 'step', step: ids[0] } },
      { id: 'ev-3', atMs: NOW + 600_000, act: { kind: 'weighed', step: ids[0], grams: 22.5 } },
      ...ids.map((id, i) => ({
        id: `ev-done-${i}`,
        atMs: NOW + 700_000 + i,
        act: { kind: 'step-done', step: id },
      })),
      { id: 'ev-c', atMs: NOW + 800_000, act: { kind: 'comb', zone: 'back', result: 'glides' } },
      { id: 'ev-f', atMs: NOW + 900_000, act: { kind: 'finished' } },
    ];
    await room.call('POST', `/sessions/${sessionId}/events`, { events: events.slice(0, 3) });
    const all = await room.call('POST', `/sessions/${sessionId}/events`, { events });
    expect(all.json.events).to.have.length(events.length);
    const { json: after } = await room.call('GET', `/sessions/${sessionId}`);
    expect(after.record).to.deep.include({ state: 'finished', gramsOut: 22.5 });
    const beyond = await room.call('POST', `/sessions/${sessionId}/events`, {
      events: [{ id: 'ev-x', atMs: NOW, act: { kind: 'step-done', step: 'nowhere' } }],
    });
    expect(beyond.status).to.equal(400);
    expect(beyond.json.error.field).to.equal('events.0.act.step');
    const [, , latest] = [0, 0, (await room.call('GET', '/sessions')).json.sessions];
    expect(latest.some((s: { id: string; state: string }) => s.id === sessionId && s.state === 'finished')).to.equal(
      true,
    );
  });

  it('the log takes no change', () => {
    expect(() => room.db.prepare("UPDATE session_event SET act = '{}' WHERE id = 'ev-1'").run()).to.throw(
      'append-only',
    );
  });

  it('offers dates with reasons, books one, refuses a third dog at two tables, and gives it as a calendar file', async () => {
    const { json: page } = await room.call('GET', `/dogs/${dogId}/next`);
    expect(page.outlook.due.reasons).to.not.have.length(0);
    const startsAt: string = page.slots[0];
    const booking = { id: 'book-a', dogId, startsAt, minutes: page.minutes, note: '' };
    expect((await room.call('POST', '/bookings', booking)).status).to.equal(201);
    expect((await room.call('POST', '/bookings', booking)).status).to.equal(200);
    const more = await Promise.all(
      ['book-b', 'book-c'].map((id) => room.call('POST', '/bookings', { ...booking, id })),
    );
    expect(more.map((m) => m.status)).to.include(409);
    expect(more.find((m) => m.status === 409)?.json.error.field).to.equal('startsAt');
    const file = await room.call('GET', '/bookings/book-a/calendar.ics');
    expect(file.type).to.contain('text/calendar');
    const event = new ICAL.Component(ICAL.parse(file.text)).getFirstSubcomponent('vevent');
    expect(event && new ICAL.Event(event).startDate.toJSDate().toISOString().slice(0, 16)).to.equal(
      startsAt.slice(0, 16),
    );
    expect((await room.call('GET', `/dogs/${dogId}`)).json.need.reason.code).to.be.oneOf(['booked', 'booked-late']);
  });

  it('moves and cancels a booking by version', async () => {
    const { json: b } = await room.call('GET', '/bookings');
    const mine = b.bookings.find((x: { id: string }) => x.id === 'book-a');
    const edit = { startsAt: mine.startsAt, minutes: 30, note: 'short', version: 1 };
    expect((await room.call('PUT', '/bookings/book-a', edit)).json).to.deep.include({ minutes: 30, version: 2 });
    expect((await room.call('PUT', '/bookings/book-a', edit)).status).to.equal(409);
    expect((await room.call('POST', '/bookings/book-a/cancel', { version: 2 })).json.cancelled).to.equal(true);
    expect((await room.call('POST', '/bookings/book-a/cancel', { version: 3 })).status).to.equal(409);
  });

  it('plans the owner’s week, which the card is read off', async () => {
    const { week, tools } = (await room.call('GET', `/dogs/${dogId}/home`)).json.dog;
    expect(tools.use[0]).to.equal('rake');
    expect(week.days).to.have.length(7);
    expect(week.planned).to.be.within(week.floor, 2 * week.ideal);
  });

  it('changes a dog and the salon by version, and the kit', async () => {
    expect((await room.call('PUT', `/dogs/${dogId}`, { ...DOG, name: 'Tansy Two', version: 1 })).json.version).to.equal(
      2,
    );
    expect((await room.call('PUT', `/dogs/${dogId}`, { ...DOG, version: 1 })).status).to.equal(409);
    const { json } = await room.call('GET', '/salon');
    expect((await room.call('PUT', '/salon', { ...json.salon, town: 'Sundholm' })).json.town).to.equal('Sundholm');
    expect((await room.call('PUT', '/salon', json.salon)).status).to.equal(409);
    const piece = {
      id: 'walk-piece',
      kind: 'rake',
      name: 'Second rake',
      pinMm: 18,
      costCents: 2000,
      since: null,
      homeOf: null,
    };
    const tool = await room.call('POST', '/kit', piece);
    expect((await room.call('GET', '/kit')).json.tools.map((t: { id: string }) => t.id)).to.include(tool.json.id);
    expect((await room.call('DELETE', `/kit/${tool.json.id}`)).status).to.equal(200);
    expect((await room.call('DELETE', `/kit/${tool.json.id}`)).status).to.equal(404);
    expect((await room.call('GET', '/rules')).json.rules.length).to.be.at.least(60);
  });
});

describe('the demo salon', () => {
  it('is the same from the same seed and day, alive, and within its tables', async () => {
    const a = await openRoom({ learns: true });
    const anew = openDb(':memory:');
    fillDemo(stores(anew), NOW);
    expect(dump(anew)).to.equal(dump(a.db));
    anew.close();
    await a.call('GET', '/tide/learnt');
    await a.tide.settled();
    const { json } = await a.call('GET', '/dogs');
    expect(json.dogs.length).to.be.at.least(30);
    const codes = new Set(json.dogs.map((d: { need: { reason: { code: string } } }) => d.need.reason.code));
    expect([...codes]).to.include.members(['vet-first', 'overdue', 'booked', 'never-checked']);
    expect(new Set(json.dogs.map((d: { coatClass: string }) => d.coatClass)).size).to.equal(7);
    const n = a.db.prepare<[], { n: number }>("SELECT count(*) AS n FROM session_event WHERE kind = 'weighed'").get();
    expect(n?.n).to.be.greaterThan(400);
    expect(a.errors).to.deep.equal([]);
    await a.close();
  });
});

describe('the file', () => {
  it('is opened durable, with foreign keys, all tables strict', async () => {
    const room = await openRoom({ demo: false });
    expect(room.db.pragma('synchronous', { simple: true })).to.equal(2); // FULL
    expect(room.db.pragma('foreign_keys', { simple: true })).to.equal(1);
    const tables = room.db
      .prepare<[], { name: string; strict: number }>(
        "SELECT name, strict FROM pragma_table_list WHERE schema = 'main' AND name NOT LIKE 'sqlite_%'",
      )
      .all();
    expect(tables.length).to.be.at.least(8);
    for (const t of tables) expect(t.strict, t.name).to.equal(1);
    expect((await room.call('GET', '/dogs')).status).to.equal(409); // no salon yet: a sentence, not a crash
    await room.close();
  });
});
