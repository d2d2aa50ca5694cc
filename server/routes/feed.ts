/** /feed/TOKEN.ics: a home's days as a calendar to subscribe to. Calendars send no headers, so its token is in the address. */
import type { RequestHandler } from 'express';
import { sum } from '../../core/quantity/index.ts';
import { homeFeed } from '../calendar.ts';
import { salonOf, todayOf, type Kept } from '../facts.ts';
import { askTide, ownerPage } from '../home-facts.ts';
import { tokenHash } from '../home-links.ts';
import { Problem } from '../problem.ts';
import { salonInstant } from '../salon-time.ts';
import type { TideDesk } from '../tide-desk.ts';

export function feed(kept: Kept, desk: TideDesk): RequestHandler {
  const { stores } = kept;
  return (req, res) => {
    const hash = tokenHash(String(req.params['token'] ?? ''));
    const link = hash === undefined ? undefined : stores.home.openFeed(hash);
    if (!link) throw new Problem(404, null, 'There is no calendar here. Please ask the salon for a new link.');
    const salon = salonOf(kept);
    const today = todayOf(kept, salon);
    askTide(kept, desk);
    const visits = link.dogIds.flatMap((id) => stores.bookings.ofDogFrom(id, salonInstant(today, 0, salon.timeZone)));
    // Every bout, check, visit and day may change what is planned.
    const sequence = Math.max(0, today - 20_000) + sum(link.dogIds.map(stores.home.changes));
    const body = homeFeed({
      page: ownerPage(kept, desk, link.dogIds, ''),
      visits,
      salon,
      nowMs: kept.nowMs(),
      sequence,
    });
    res.type('text/calendar; charset=utf-8').setHeader('Cache-Control', 'private, max-age=3600');
    res.send(body);
  };
}
