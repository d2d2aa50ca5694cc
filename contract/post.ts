/** Reminders as they travel: how a household wants them, what was sent, what waits. */
import Joi from 'joi';
import { QUIET_HOURS, type QuietHours, type ReminderKind, type Silence } from '../core/home/index.ts';
import { versionSchema } from './common.ts';

export const POST_CHANNELS = ['off', 'mail', 'text'] as const;
export type PostChannel = (typeof POST_CHANNELS)[number];

/** How one owner wants to be reminded. Nobody is, before they have asked. */
export interface OwnerPost {
  readonly channel: PostChannel;
  readonly email: string;
  readonly quiet: QuietHours;
}
export interface OwnerPostRecord extends OwnerPost {
  /** 0 while nobody has said. */
  readonly version: number;
}
export const UNASKED: OwnerPostRecord = { channel: 'off', email: '', quiet: QUIET_HOURS, version: 0 };

const channel = Joi.string()
  .valid(...POST_CHANNELS)
  .required();
const minute = Joi.number().integer().min(0).max(1439).required();
const quiet = Joi.object({ fromMinute: minute, toMinute: minute }).required();
export const ownerPostSchema: Joi.ObjectSchema<OwnerPostRecord> = Joi.object<OwnerPostRecord>({
  channel,
  email: Joi.string().email({ tlds: false }).max(254).allow('').required(),
  quiet,
  version: versionSchema.min(0).required(),
}).label('reminders');

/** What an owner may set from the page: never the address. */
export type OwnPost = Pick<OwnerPost, 'channel' | 'quiet'>;
export const ownPostSchema: Joi.ObjectSchema<OwnPost> = Joi.object<OwnPost>({ channel, quiet }).label('reminders');
/** As the owner's page sees it: which ways there are, without an address or number. */
export interface OwnPostPage extends OwnPost {
  readonly ways: readonly PostChannel[];
}

/** A message that went to the outbox. */
export interface PostRecord {
  readonly id: string;
  readonly ownerName: string;
  readonly at: string;
  readonly channel: PostChannel;
  readonly address: string;
  readonly subject: string;
  readonly text: string;
  readonly kinds: readonly ReminderKind[];
  readonly dogIds: readonly string[];
}
/** A household that has asked for reminders, and what there is to say to it. */
export interface PostHousehold {
  readonly ownerName: string;
  readonly dogs: readonly { readonly id: string; readonly name: string }[];
  readonly channel: PostChannel;
  readonly quiet: QuietHours;
  readonly waiting: readonly { readonly kind: ReminderKind; readonly dogName: string }[];
  readonly silence: Silence | null;
}
export interface PostPage {
  readonly sent: readonly PostRecord[];
  readonly households: readonly PostHousehold[];
  /** When the outbox was last gone through; null before. */
  readonly at: string | null;
  readonly timeZone: string;
}
