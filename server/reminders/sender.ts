/**
 * Decides when reminders leave: goes through the households that asked, one at a time with pauses, and puts what is due
 * into the outbox. Nothing leaves this machine: the outbox is a stand-in that keeps what would have been sent.
 */
import { randomUUID } from 'node:crypto';
import type { OwnerDog } from '../../contract/home.ts';
import type { PostHousehold } from '../../contract/post.ts';
import { homeFeed } from '../calendar.ts';
import { waitsForVet } from '../../core/check/index.ts';
import type { DogRecord } from '../../contract/dog.ts';
import { postFor, type Post, type ReminderDog } from '../../core/home/index.ts';
import { addDays, type Day } from '../../core/quantity/index.ts';
import type { Owner } from '../db/post.ts';
import type { AppContext } from '../context.ts';
import { salonOf, todayOf } from '../today.ts';
import { offerOf } from '../services/offers.ts';
import { feedOf, homeNow, ownerDog } from '../services/owner-page.ts';
import { emlOf, letterOf } from './templates.ts';
import { salonDay, salonMinute } from '../salon-time.ts';
import { tideQuestion } from '../services/learn-tide.ts';

/** How far back what was told counts. */
const TOLD_DAYS = 400;

/** What a reminder rests on. */
function reminderDog(context: AppContext, dog: DogRecord): ReminderDog {
  const { salon, bookings, outlook, homeTide, lastBrushed, due } = homeNow(context, dog);
  const [visit] = bookings;
  return {
    id: dog.id,
    visit: visit && { id: visit.id, day: salonDay(Date.parse(visit.startsAt), salon.timeZone) },
    offer: offerOf(context, dog.id)?.id,
    // Who waits for a vet is not invited.
    visitDue:
      outlook && !waitsForVet(outlook.holds) && !bookings.some((b) => b.service === 'coat')
        ? outlook.due?.day
        : undefined,
    blow: homeTide.blow,
    start: homeTide.start ?? undefined,
    lastBrushed,
    due,
  };
}

const pause = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

export class ReminderSender {
  private gone: number | undefined;
  private waits: readonly PostHousehold[] = [];
  private running: Promise<number> | undefined;
  private closed = false;
  constructor(private readonly context: AppContext) {}

  /** Goes through all households; the number of messages that left. A second call joins the one that is under way. */
  run(): Promise<number> {
    this.running ??= this.round().finally(() => (this.running = undefined));
    return this.running;
  }

  /** What the last round found, and when it was. */
  state(): { readonly households: readonly PostHousehold[]; readonly atMs: number | undefined } {
    return { households: this.waits, atMs: this.gone };
  }

  close(): void {
    this.closed = true;
  }

  private async round(): Promise<number> {
    const { context } = this;
    if (!context.stores.salon.find()) return 0;
    await context.tide.atOnce(() => tideQuestion(context));
    await context.tide.settled();
    const waits: PostHousehold[] = [];
    let sent = 0;
    for (const { owner, channel, quiet } of context.stores.post.asked()) {
      await pause();
      if (this.closed) return sent;
      const dogs = context.stores.dogs.ofOwner(owner);
      if (dogs.length === 0) continue;
      const post = this.postOf(owner, dogs);
      if (post.silence === undefined && (await this.send(owner, dogs, post))) {
        sent += 1;
        waits.push({ ...household(owner, dogs), channel, quiet, waiting: [], silence: 'told-today' });
        continue;
      }
      const names = new Map(dogs.map((d) => [d.id, d.name]));
      waits.push({
        ...household(owner, dogs),
        channel,
        quiet,
        waiting: post.reminders.map((r) => ({ kind: r.kind, dogName: names.get(r.dogId) ?? '' })),
        silence: post.silence ?? null,
      });
    }
    this.waits = waits;
    this.gone = context.nowMs();
    return sent;
  }

  private postOf(owner: Owner, dogs: readonly DogRecord[]): Post {
    const { context } = this;
    const salon = salonOf(context);
    const today = todayOf(context, salon);
    const wish = context.stores.post.wish(owner);
    return postFor({
      asked: wish !== undefined && wish.channel !== 'off',
      quiet: wish?.quiet ?? { fromMinute: 0, toMinute: 0 },
      dogs: dogs.map((d) => reminderDog(context, d)),
      today,
      minute: salonMinute(context.nowMs(), salon.timeZone),
      told: context.stores.post.told(owner, addDays(today, -TOLD_DAYS)),
    });
  }

  /** Writes the message of a household; false when it had one today already, or no longer wants any. */
  private async send(owner: Owner, dogs: readonly DogRecord[], { reminders }: Post): Promise<boolean> {
    const { context } = this;
    const salon = salonOf(context);
    const today: Day = todayOf(context, salon);
    const wish = context.stores.post.wish(owner);
    if (!wish) return false;
    const named = new Set(reminders.map((r) => r.dogId));
    const said = new Map<string, OwnerDog>(
      dogs.filter((d) => named.has(d.id)).map((d) => [d.id, ownerDog(context, d)]),
    );
    const letter = letterOf(reminders, said, today, salon);
    const [id, atMs] = [randomUUID(), context.nowMs()];
    const eml =
      wish.channel === 'mail'
        ? await emlOf({
            id,
            atMs,
            to: wish.email,
            salonName: salon.name,
            letter,
            ics: homeFeed(feedOf(context, salon, today, [...said.values()])),
          })
        : null;
    return context.stores.write(() => {
      // While the mail was written the owner may have said STOP.
      if (context.stores.post.wish(owner)?.channel !== wish.channel) return false;
      return context.stores.post.send({
        id,
        owner,
        day: today,
        atMs,
        channel: wish.channel,
        address: wish.channel === 'mail' ? wish.email : owner.phone,
        subject: wish.channel === 'mail' ? letter.subject : '',
        body: wish.channel === 'mail' ? letter.mail : letter.text,
        eml,
        reminders,
      });
    });
  }
}

const household = (owner: Owner, dogs: readonly DogRecord[]): Pick<PostHousehold, 'ownerName' | 'dogs'> => ({
  ownerName: owner.name,
  dogs: dogs.map((d) => ({ id: d.id, name: d.name })),
});
