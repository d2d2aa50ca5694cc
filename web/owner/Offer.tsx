/** Dates that the salon holds for this dog: its owner takes one, or asks to be rung. */
import type { OwnerDog } from '../../contract/home.ts';
import { minutes, visitTime } from './words.ts';
import css from './owner.module.css';

interface Props {
  readonly dog: OwnerDog;
  readonly timeZone: string;
  /** What was answered on this device: null, to be rung. */
  readonly answer: string | null | undefined;
  readonly onAnswer: (startsAt: string | null) => void;
}

/** What came of an answer: it stands once the salon's computer has it. */
function said(answer: string | null, visits: OwnerDog['visits'], timeZone: string): string {
  if (answer === null) return 'We ring you.';
  return visits.some((v) => v.startsAt === answer)
    ? `Booked: ${visitTime(answer, timeZone)}.`
    : `${visitTime(answer, timeZone)} is on its way to the salon. It is booked as soon as this page says so.`;
}

export function Offer({ dog: { name, offer, visits }, timeZone, answer, onAnswer }: Props) {
  if (!offer)
    return answer === undefined ? null : (
      <p className={css.done} role="status">
        {said(answer, visits, timeZone)}
      </p>
    );
  return (
    <section aria-labelledby="offer" className={css.today}>
      <h2 id="offer">Which date suits {name}?</h2>
      <p>
        We hold {offer.starts.length === 1 ? 'it' : 'them'} for you until {visitTime(offer.endsAt, timeZone)}. The visit
        takes about {minutes(offer.minutes)}.
      </p>
      {offer.starts.map((startsAt) => (
        <button key={startsAt} type="button" className={css.now} onClick={() => onAnswer(startsAt)}>
          {visitTime(startsAt, timeZone)}
        </button>
      ))}
      <button type="button" className={css.plain} onClick={() => onAnswer(null)}>
        {offer.starts.length === 1 ? 'It does not suit' : 'None suits'}: please ring me
      </button>
    </section>
  );
}
