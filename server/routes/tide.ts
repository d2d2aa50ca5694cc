/** /api/tide and what feeds it: notes from home, events of a life, the weather. */
import { readingsFromCsv } from '../formats/weather-table.ts';
import type { Router } from 'express';
import type { DogLog, WeatherPage } from '../../contract/tide.ts';
import { addDays, day, formatDay, parseDay } from '../../core/quantity/index.ts';
import type { Outside } from '../devices/devices.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { mustHaveBeen } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { found, Problem } from '../problem.ts';
import { tideTextInPieces } from '../services/tide-file.ts';
import { createOnce, ok, written } from '../reply.ts';
import { askTide } from '../services/learn-tide.ts';

/** The station is asked for so many days back. */
const STATION_DAYS = 4 * 366;

export function tideRoutes(context: ServerContext, station: Outside['station']): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);

  const logOf = (dogId: string): DogLog => ({
    notes: stores.tide.notesOf(dogId).map(({ dogId: _, ...n }) => n),
    life: stores.tide.livesOf(dogId).map(({ dogId: _, ...l }) => l),
  });
  on('GET /tide', async () => written(await tideTextInPieces(context)));
  on('GET /tide/learnt', async () => {
    // Without a salon there is no tide: said as by every other room.
    salonOf(context);
    askTide(context);
    await context.tide.onesSettled();
    return written(context.tide.learnt);
  });
  on('GET /dogs/:id/log', ({ params: { id } }) => (found(stores.dogs.find(id), 'dog', id), ok(logOf(id))));
  on('POST /dogs/:id/home-notes', ({ params: { id }, body: note }) => {
    mustHaveBeen(context, note.day);
    return stores.write(() => {
      found(stores.dogs.find(id), 'dog', id);
      return createOnce(
        { what: 'note', id: note.id, there: stores.tide.findNote(note.id) },
        () => stores.tide.addNote(id, note),
        () => logOf(id),
      );
    });
  });
  on('DELETE /home-notes/:id', ({ params: { id } }) =>
    stores.write(() => {
      const note = found(stores.tide.findNote(id), 'note', id);
      stores.tide.dropNote(id);
      return ok(logOf(note.dogId));
    }),
  );
  on('POST /dogs/:id/life-events', ({ params: { id }, body: event }) => {
    mustHaveBeen(context, event.day);
    return stores.write(() => {
      found(stores.dogs.find(id), 'dog', id);
      return createOnce(
        { what: 'event', id: event.id, there: stores.tide.findLife(event.id) },
        () => stores.tide.addLife(id, event),
        () => logOf(id),
      );
    });
  });
  on('DELETE /life-events/:id', ({ params: { id } }) =>
    stores.write(() => {
      const event = found(stores.tide.findLife(id), 'event', id);
      stores.tide.dropLife(id);
      return ok(logOf(event.dogId));
    }),
  );

  const weather = (): WeatherPage => {
    const all = stores.tide.readings();
    const [first, last] = [all[0], all.at(-1)];
    return {
      own: all.filter((r) => !r.station).length,
      station: all.filter((r) => r.station).length,
      first: first ? formatDay(first.day) : null,
      last: last ? formatDay(last.day) : null,
    };
  };
  on('GET /weather', () => ok(weather()));
  on('PUT /weather', ({ body: { csv } }) => {
    const { readings, refused } = readingsFromCsv(csv, parseDay);
    const [wrong] = refused;
    if (wrong)
      throw new Problem(
        400,
        'csv',
        `Line ${wrong.line} "${wrong.text}" holds no date like 2031-04-09 beside a temperature in degrees C. Nothing was read in.`,
      );
    if (readings.length === 0)
      throw new Problem(400, 'csv', 'There is no line with a date and a temperature in it. Nothing was read in.');
    return stores.write(() => {
      for (const r of readings) stores.tide.read(r, false);
      return ok(weather());
    });
  });
  on('POST /weather/station', () =>
    stores.write(() => {
      const salon = salonOf(context);
      const today = todayOf(context, salon);
      for (let d = addDays(today, -STATION_DAYS); d < today; d = day(d + 1)) stores.tide.read(station(salon, d), true);
      return ok(weather());
    }),
  );
  on('DELETE /weather', () => stores.write(() => (stores.tide.forgetReadings(), ok(weather()))));
  return router;
}
