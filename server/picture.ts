/** Which pictures are kept: JPEG files that can be read, bare of all that a camera writes beside the picture. */
import { bareJpeg } from '../core/formats/index.ts';
import { Problem } from './problem.ts';

/** A picture of more takes a phone's memory to show, however few bytes it has. */
const MOST_MEGAPIXELS = 24;

/** The picture in these bytes, bare; a 400 for anything else, whatever it calls itself. */
export function pictureOf(bytes: Uint8Array): {
  readonly width: number;
  readonly height: number;
  readonly bytes: Uint8Array;
} {
  const picture = bareJpeg(bytes);
  if (picture.ok) {
    const megapixels = (picture.value.width * picture.value.height) / 1e6;
    if (megapixels <= MOST_MEGAPIXELS) return picture.value;
    throw new Problem(
      413,
      null,
      `This photo has ${Math.round(megapixels)} million pixels; ${MOST_MEGAPIXELS} million at most are kept. Make it smaller, and send it again.`,
    );
  }
  const what = picture.error === 'not-jpeg' ? 'These bytes are no JPEG file.' : 'This JPEG file is broken.';
  throw new Problem(400, null, `${what} Take the photo again, or choose another file.`);
}
