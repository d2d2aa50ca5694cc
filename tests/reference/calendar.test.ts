/** The booking's calendar file, read back by ical.js and held to RFC 5545's line rules. */
import { expect } from 'chai';
import ICAL from 'ical.js';
import type { BookingRecord } from '../../contract/booking.ts';
import { bookingIcs } from '../../server/calendar.ts';

const SALON = { name: 'The Slipway; Dog, Room \\ Nö 7', town: 'Tarnholm' };
const BOOKING: BookingRecord = {
  id: 'b-1',
  dogId: 'd-1',
  dogName: 'Skerry, the “wet” one; with a long name that has to be folded over several lines of 75 octets — ä ö å 🐕',
  startsAt: '2031-03-30T00:30:00Z', // the night the clocks change in Helsinki
  minutes: 95,
  note: 'Line one\nLine two, with; signs',
  cancelled: false,
  agreed: true,
  told: null,
  service: 'coat',
  cancelledWhy: null,
  version: 3,
};
const NOW = Date.parse('2031-03-01T12:00:00Z');

const read = (text: string): ICAL.Event => {
  const event = new ICAL.Component(ICAL.parse(text)).getFirstSubcomponent('vevent');
  if (!event) throw new Error('no VEVENT');
  return new ICAL.Event(event);
};

describe('the calendar file of a booking', () => {
  const text = bookingIcs(BOOKING, SALON, NOW);
  const event = read(text);

  it('carries start, end, name, place and words unharmed', () => {
    expect(event.startDate.toJSDate().toISOString()).to.equal('2031-03-30T00:30:00.000Z');
    expect(event.endDate.toJSDate().toISOString()).to.equal('2031-03-30T02:05:00.000Z');
    expect(event.summary).to.contain(BOOKING.dogName);
    expect(event.location).to.equal('The Slipway; Dog, Room \\ Nö 7, Tarnholm');
    expect(event.description).to.equal(BOOKING.note);
  });

  it('keeps its UID over edits while the sequence grows', () => {
    const later = read(bookingIcs({ ...BOOKING, version: 4, startsAt: '2031-04-02T06:00:00Z' }, SALON, NOW));
    expect(later.uid).to.equal(event.uid);
    expect(later.sequence).to.be.greaterThan(event.sequence);
  });

  it('says when it is cancelled', () => {
    expect(bookingIcs({ ...BOOKING, cancelled: true }, SALON, NOW)).to.contain('METHOD:CANCEL');
  });

  it('folds lines at 75 octets and ends them with CRLF', () => {
    const lines = text.split('\r\n');
    expect(lines.length).to.be.greaterThan(10);
    for (const line of lines) {
      expect(Buffer.byteLength(line), line).to.be.at.most(75);
      expect(line).to.not.match(/[\r\n]/);
    }
  });
});
