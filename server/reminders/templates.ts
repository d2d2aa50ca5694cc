/** What a reminder says: a mail as an .eml file with a calendar attached, or a text message. */
import { createTransport } from 'nodemailer';
import type { OwnerDog } from '../../contract/home.ts';
import type { SalonRecord } from '../../contract/salon.ts';
import type { Reminder, ReminderKind } from '../../core/home/index.ts';
import { forService } from '../../core/dog/index.ts';
import { day, formatDay, type Day } from '../../core/quantity/index.ts';
import { salonDay } from '../salon-time.ts';
import { Temporal } from 'temporal-polyfill';

/** Reserved by RFC 2606: nothing that is sent there can arrive. */
const SENDER = 'post@salon.example';

type SaidDog = Pick<OwnerDog, 'name' | 'visits' | 'offer' | 'outlook' | 'tide' | 'missedDays' | 'week'>;
interface ReminderFacts {
  readonly dog: SaidDog;
  readonly about: string;
  readonly today: Day;
  readonly salon: Pick<SalonRecord, 'name' | 'timeZone'>;
}

const dayText = (on: number): string =>
  Temporal.PlainDate.from(formatDay(day(on))).toLocaleString('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
  });
const clock = (instant: string, timeZone: string): string =>
  Temporal.Instant.from(instant).toZonedDateTimeISO(timeZone).toPlainTime().toString({ smallestUnit: 'minute' });
const minutes = (m: number): string => `${Math.max(1, Math.round(m))} min`;

/** Minutes of the day's brushing, when there is any. */
const todays = ({ week }: SaidDog): number => week.days[0]?.bouts.reduce((t, b) => t + b.minutes, 0) ?? 0;

function visitAt({
  dog: {
    visits: [visit],
  },
  salon,
}: ReminderFacts): string {
  if (!visit) return '';
  return `${clock(visit.startsAt, salon.timeZone)}${forService(visit.service)}, about ${minutes(visit.minutes)}`;
}
/** Does the next visit work the coat: only then the coat is got ready for it. */
const isForCoat = ({ dog }: ReminderFacts): boolean => dog.visits[0]?.service === 'coat';

const dateAt = (instant: string, { salon }: ReminderFacts): string =>
  `${dayText(salonDay(Date.parse(instant), salon.timeZone))} at ${clock(instant, salon.timeZone)}`;
const heldDates = (s: ReminderFacts): readonly string[] => s.dog.offer?.starts.map((at) => dateAt(at, s)) ?? [];
const heldUntil = (s: ReminderFacts): string => (s.dog.offer ? dateAt(s.dog.offer.endsAt, s) : '');

interface Words {
  readonly subject: (s: ReminderFacts) => string;
  readonly mail: (s: ReminderFacts) => string;
  /** Letters of the shortest alphabet of text messages only: no curly quotes. */
  readonly text: (s: ReminderFacts) => string;
}
const WORDS: Readonly<Record<ReminderKind, Words>> = {
  'visit-tomorrow': {
    subject: (s) => `${s.dog.name}: ${isForCoat(s) ? 'coat day' : 'a visit'} tomorrow`,
    mail: (s) =>
      `${s.dog.name} comes tomorrow at ${visitAt(s)}.${isForCoat(s) ? '\n\nBefore you come: a good walk, a dry coat, and no bath over knots. Leave tied hair as it is, we see to it.' : ''}`,
    text: (s) =>
      `${s.dog.name}: tomorrow ${visitAt(s)}, ${s.salon.name}.${isForCoat(s) ? ' A walk first, dry coat, no bath over knots.' : ''}`,
  },
  offer: {
    subject: ({ dog }) => `${dog.name}: dates to choose from`,
    mail: (s) =>
      `We hold for ${s.dog.name}: ${heldDates(s).join(', or ')}. Take one of them on your page by ${heldUntil(s)}, or ask us there to ring you. Until then nobody else gets them.`,
    text: (s) => `${s.dog.name}: we hold ${heldDates(s).join(' or ')} for you. Choose on your page by ${heldUntil(s)}.`,
  },
  blow: {
    subject: ({ dog }) => `${dog.name}: the coat is about to blow`,
    mail: ({ dog, today }) => {
      const likely = Math.round(dog.tide.start?.likely ?? today);
      const when = likely > today ? `is likely to start blowing about ${dayText(likely)}` : 'has begun to blow';
      return `${dog.name}’s coat ${when}. These weeks count most: what comes out at home does not have to come out on our table. Your page has the plan for each day.`;
    },
    text: ({ dog, today }) =>
      `${dog.name}: the coat ${Math.round(dog.tide.start?.likely ?? today) > today ? 'is about to blow' : 'has begun to blow'}. A little brushing each day now counts most; your page has the plan.`,
  },
  missed: {
    subject: ({ dog }) => `${dog.name}: a brush when you can`,
    mail: ({ dog }) => {
      const today = todays(dog);
      const { effect, blow } = dog.tide;
      const costs = effect ? Math.round((effect.missedWeek - effect.kept) / 5) * 5 : 0;
      return [
        `${dog.name} was last brushed ${dog.missedDays + 1} days ago. That happens.`,
        today > 0 ? `Today’s ${minutes(today)} are no longer for it; the rest slides on.` : '',
        blow && costs >= 5 ? `A week missed in a blow makes the next visit about ${minutes(costs)} longer.` : '',
      ]
        .filter(Boolean)
        .join(' ');
    },
    text: ({ dog }) =>
      `${dog.name} was last brushed ${dog.missedDays + 1} days ago. ${todays(dog) > 0 ? `${minutes(todays(dog))} today` : 'A few minutes'} and it is back on its way.`,
  },
  'visit-due': {
    subject: ({ dog }) => `${dog.name}: time for a date`,
    mail: ({ dog, today }) =>
      `${dog.name} is due ${due(dog, today)}, and no visit is agreed. Please call us for a time.`,
    text: ({ dog, today }) => `${dog.name} is due ${due(dog, today)} and has no date yet. Call us for a time.`,
  },
  care: {
    subject: ({ dog, about }) => `${dog.name}: ${about === 'nails' ? 'nails are due' : 'a bath is due'}`,
    mail: ({ dog, about }) =>
      about === 'nails'
        ? `${dog.name}’s nails are due. Small pieces off the end, or let us do it.`
        : `A bath is due for ${dog.name}. Brush first: no bath over knots. Rinse long, dry to the skin.`,
    text: ({ dog, about }) =>
      about === 'nails'
        ? `${dog.name}: nails are due.`
        : `${dog.name}: a bath is due. Brush first, no bath over knots.`,
  },
};
const due = ({ outlook }: SaidDog, today: Day): string =>
  !outlook?.due || outlook.due.day <= today ? 'now' : `about ${dayText(outlook.due.day)}`;

export interface Letter {
  readonly subject: string;
  readonly mail: string;
  readonly text: string;
}

/** What a message says: the weightiest reminder leads. At least one reminder, each of a dog that is given. */
export function letterOf(
  reminders: readonly Reminder[],
  dogs: ReadonlyMap<string, SaidDog>,
  today: Day,
  salon: ReminderFacts['salon'],
): Letter {
  const said = reminders.flatMap((r) => {
    const dog = dogs.get(r.dogId);
    return dog ? [{ words: WORDS[r.kind], s: { dog, about: r.about, today, salon } }] : [];
  });
  const [first] = said;
  if (!first) throw new RangeError('a message needs something to say');
  return {
    subject: first.words.subject(first.s),
    mail: [
      ...said.map(({ words, s }) => words.mail(s)),
      `${salon.name}\n\nTo end these messages answer STOP, or turn them off on your page.`,
    ].join('\n\n'),
    text: `${first.words.text(first.s)} STOP ends these.`,
  };
}

/** The mail as the bytes a server would be handed (RFC 5322), with a calendar attached (RFC 5545). */
export async function emlOf(mail: {
  readonly id: string;
  readonly atMs: number;
  readonly to: string;
  readonly salonName: string;
  readonly letter: Letter;
  readonly ics: string;
}): Promise<string> {
  const transport = createTransport({ streamTransport: true, buffer: true, newline: 'windows' });
  const { message } = await transport.sendMail({
    messageId: `<${mail.id}@salon.example>`,
    date: new Date(mail.atMs),
    from: { name: mail.salonName, address: SENDER },
    to: mail.to,
    subject: mail.letter.subject,
    text: mail.letter.mail,
    headers: { 'List-Unsubscribe': `<mailto:${SENDER}?subject=STOP>` },
    attachments: [
      { filename: 'dates.ics', content: mail.ics, contentType: 'text/calendar; charset=utf-8; method=PUBLISH' },
    ],
  });
  if (!Buffer.isBuffer(message)) throw new TypeError('the mail was not written to memory');
  return message.toString('utf8');
}
