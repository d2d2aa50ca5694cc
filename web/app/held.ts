/**
 * Decides what becomes of presses and letters in the moment in which a page can be seen but nobody takes them yet: they are held,
 * and given on as soon as somebody does. Whoever waits too long presses the bare page: its links lead on all the same.
 */

/** Nobody is kept longer than that. */
const PATIENCE_MS = 5_000;
const TAKES_PRESSES = 'a[href], button, input, label, [role="button"], [data-zone]';
/** Where a press sets the mark, which is the browser's own. */
const TAKES_LETTERS = 'textarea, select, input:not([type="radio"], [type="checkbox"])';

type Typed = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
const isTyped = (target: EventTarget | null): target is Typed =>
  target instanceof HTMLElement && target.matches(TAKES_LETTERS);

let held: (() => void)[] | undefined;
/** Fields that were typed in, and what; who looks after a field begins by emptying it. */
let typed = new Map<Typed, string>();

const onClick = (event: MouseEvent): void => {
  const { target } = event;
  if (!held || !event.isTrusted || event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey) return;
  if (!(target instanceof Element)) return;
  const pressed = target.closest(TAKES_PRESSES);
  if (!pressed || isTyped(pressed)) return;
  event.preventDefault();
  event.stopPropagation();
  held.push(() => {
    if (pressed.isConnected) pressed.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
  });
};
const onInput = ({ target }: Event): void => {
  if (isTyped(target)) typed.set(target, target.value);
};
/** A form that nobody takes would be sent to the address of its own page. */
const onSubmit = (event: SubmitEvent): void => event.preventDefault();

const LISTENS = { capture: true };

/** Holds presses and letters from now on. */
export function holdPresses(): void {
  held = [];
  window.addEventListener('click', onClick, LISTENS);
  window.addEventListener('input', onInput, LISTENS);
  window.addEventListener('submit', onSubmit, LISTENS);
  setTimeout(givePresses, PATIENCE_MS);
}

/** Takes note of what was typed before anybody listened: some are quicker than the first script. */
export function noteTyped(): void {
  for (const field of document.querySelectorAll(TAKES_LETTERS))
    if (isTyped(field) && 'defaultValue' in field && field.value !== field.defaultValue) typed.set(field, field.value);
}

/** Types again what a field held, so that whoever looks after it now hears of it. */
function typeAgain(field: Typed, value: string): void {
  // What looks after a field keeps its own note of it, by a setter that it lays over the field's: that has to hear of a change.
  const bare = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value');
  field.value = '';
  bare?.set?.call(field, value);
  field.dispatchEvent(new Event(field instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
}

/** Gives on what was held, and holds nothing more. */
export function givePresses(): void {
  const presses = held ?? [];
  const fields = typed;
  held = undefined;
  typed = new Map();
  window.removeEventListener('click', onClick, LISTENS);
  window.removeEventListener('input', onInput, LISTENS);
  window.removeEventListener('submit', onSubmit, LISTENS);
  for (const [field, value] of fields) if (field.isConnected) typeAgain(field, value);
  for (const press of presses) press();
}
