/** /feed/TOKEN.ics: a home's days as a calendar to subscribe to. Calendars send no headers, so its token is in the address. */
import type { RequestHandler } from 'express';
import { homeFeed } from '../calendar.ts';
import type { AppContext } from '../context.ts';
import { salonOf, todayOf } from '../today.ts';
import { feedOf, ownerPage } from '../services/owner-page.ts';
import { tokenHash } from '../auth/owner-links.ts';
import { Problem } from '../problem.ts';
import { askTide } from '../services/learn-tide.ts';

export function feed(context: AppContext): RequestHandler {
  const { stores } = context;
  return (req, res) => {
    const hash = tokenHash(String(req.params['token'] ?? ''));
    const link = hash === undefined ? undefined : stores.home.openFeed(hash);
    if (!link) throw new Problem(404, null, 'There is no calendar here. Please ask the salon for a new link.');
    const salon = salonOf(context);
    const today = todayOf(context, salon);
    askTide(context);
    const { dogs } = ownerPage(context, link.dogIds, '');
    const body = homeFeed(feedOf(context, salon, today, dogs));
    res.type('text/calendar; charset=utf-8').setHeader('Cache-Control', 'private, max-age=3600');
    res.send(body);
  };
}
