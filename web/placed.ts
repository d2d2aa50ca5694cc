/**
 * Decides nothing: it stands at the end of a page as a plain script, which the browser runs once styles have come and before it
 * draws. Until then nothing is laid out without styles, in vain; what it reckons itself is a task of its own, so that the first
 * frame has only its layout to do. It imports nothing, as no part of it may come later.
 */
// Places that were reckoned where the page was made (STYLE_MARK): a page may hold no styles of its own.
for (const placed of document.querySelectorAll<HTMLElement | SVGElement>('[data-placed]')) {
  placed.style.cssText = placed.getAttribute('data-placed') ?? '';
  placed.removeAttribute('data-placed');
}
void getComputedStyle(document.body).color;
