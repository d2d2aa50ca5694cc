/**
 * How a drawing leaves the screen: as one SVG that looks the same anywhere, its styles written into it, or as a PNG
 * of it. Drawings that lie over each other on the screen lie over each other in the file.
 */

const STYLES = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-opacity',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'text-anchor',
  'dominant-baseline',
  'visibility',
  'paint-order',
] as const;
const SVG = 'http://www.w3.org/2000/svg';
/** Pixels of a PNG for each unit of the screen. */
const SHARP = 2;

/** A copy of an element with what the page's styles make of it written into it. */
function withStyles(from: Element): Element {
  const copy = from.cloneNode(false);
  if (!(copy instanceof Element)) throw new TypeError('a copy of an element is none');
  const seen = getComputedStyle(from);
  copy.removeAttribute('style');
  copy.removeAttribute('class');
  // As attributes: a page's policy lets nobody write styles into elements.
  for (const style of STYLES) {
    const value = seen.getPropertyValue(style);
    if (value !== '') copy.setAttribute(style, value);
  }
  for (const child of from.childNodes) {
    if (child instanceof Element) {
      if (getComputedStyle(child).display !== 'none' || child.tagName === 'defs') copy.append(withStyles(child));
    } else copy.append(child.cloneNode());
  }
  return copy;
}

/** All drawings of a place on the page as one SVG's text, as large as they are there. */
export function svgOf(place: HTMLElement): string {
  const around = place.getBoundingClientRect();
  const sheet = document.createElementNS(SVG, 'svg');
  const [width, height] = [Math.ceil(around.width), Math.ceil(around.height)];
  sheet.setAttribute('xmlns', SVG);
  sheet.setAttribute('width', String(width));
  sheet.setAttribute('height', String(height));
  sheet.setAttribute('viewBox', `0 0 ${width} ${height}`);
  const paper = document.createElementNS(SVG, 'rect');
  paper.setAttribute('width', '100%');
  paper.setAttribute('height', '100%');
  paper.setAttribute('fill', getComputedStyle(document.body).backgroundColor);
  sheet.append(paper);
  for (const drawing of place.querySelectorAll('svg')) {
    const at = drawing.getBoundingClientRect();
    // Icons of buttons are no drawings.
    if (at.width === 0 || drawing.closest('button, a') || drawing.parentElement?.closest('svg')) continue;
    const copy = withStyles(drawing);
    for (const [name, value] of [
      ['x', at.left - around.left],
      ['y', at.top - around.top],
      ['width', at.width],
      ['height', at.height],
    ] as const)
      copy.setAttribute(name, String(value));
    sheet.append(copy);
  }
  return new XMLSerializer().serializeToString(sheet);
}

/** The picture of an SVG's text. */
async function pngOf(svg: string, width: number, height: number): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = width * SHARP;
  canvas.height = height * SHARP;
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((done, failed) =>
    canvas.toBlob((png) => (png ? done(png) : failed(new Error('The picture could not be made.'))), 'image/png'),
  );
}

/** Hands a drawing to whoever is at the screen, as a file. */
export async function saveDrawing(place: HTMLElement, name: string, kind: 'svg' | 'png'): Promise<void> {
  const svg = svgOf(place);
  const { width, height } = place.getBoundingClientRect();
  const blob =
    kind === 'svg' ? new Blob([svg], { type: 'image/svg+xml' }) : await pngOf(svg, Math.ceil(width), Math.ceil(height));
  handOut(blob, name, kind);
}

/** Hands text to whoever is at the screen, as a file. */
export const saveText = (text: string, type: string, name: string, kind: string): void =>
  handOut(new Blob([text], { type }), name, kind);

function handOut(blob: Blob, name: string, kind: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = `${name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')}.${kind}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}
