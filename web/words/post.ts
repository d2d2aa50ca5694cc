/** How reminders are said: their ways, their hours, why nothing leaves now. */
import type { PostChannel } from '../../contract/post.ts';
import { REMINDER_ROWS, type ReminderKind, type Silence } from '../../core/home/index.ts';

export const CHANNEL_WORDS: Readonly<Record<PostChannel, string>> = {
  off: 'No reminders',
  mail: 'By mail',
  text: 'By text message',
};

export const SILENCE_WORDS: Readonly<Record<Silence, string>> = {
  off: 'asked for none',
  nothing: 'nothing to say',
  'told-today': 'has had today’s message',
  'quiet-hours': 'waits for the end of quiet hours',
};

const NAMES = new Map<ReminderKind, string>(REMINDER_ROWS.map((r) => [r.kind, r.name]));
export const reminderWord = (kind: ReminderKind): string => NAMES.get(kind) ?? kind;
