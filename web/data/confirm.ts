/** Owner's acts ask for the passphrase once more: the person who shows the question takes it from here, and the act goes on. */

type Answer = (confirmed: boolean) => void;

let show: ((answer: Answer) => void) | undefined;
/** Asked before the question could be shown: its code comes a moment after the house. */
const waiting: Answer[] = [];

/** Asks anyone who is at the device; false where the question was put away. */
export const askToConfirm = (): Promise<boolean> =>
  new Promise((answer) => {
    if (show) show(answer);
    else waiting.push(answer);
  });

/** Shows each question, those that wait too, until the end that is returned is called. */
export function onConfirmAsked(next: (answer: Answer) => void): () => void {
  show = next;
  for (const answer of waiting.splice(0)) next(answer);
  return () => {
    show = undefined;
  };
}
