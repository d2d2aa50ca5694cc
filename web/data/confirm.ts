/** Owner's acts ask for the passphrase once more: whoever shows the question answers this event, and the act goes on. */

const ASKED = 'woolly-tide-confirm-asked';
type Answer = (confirmed: boolean) => void;

/** Asks whoever is at the device; false where nobody shows the question, or it was put away. */
export const askToConfirm = (): Promise<boolean> =>
  new Promise((answer) => {
    const asked = new CustomEvent<Answer>(ASKED, { detail: answer, cancelable: true });
    // Whoever takes the question says so.
    if (window.dispatchEvent(asked)) answer(false);
  });

/** Hears the question until the end that is returned is called. */
export function onConfirmAsked(show: (answer: Answer) => void): () => void {
  const hear = (event: Event): void => {
    if (!(event instanceof CustomEvent)) return;
    event.preventDefault();
    const answer: Answer = event.detail;
    show(answer);
  };
  window.addEventListener(ASKED, hear);
  return () => window.removeEventListener(ASKED, hear);
}
