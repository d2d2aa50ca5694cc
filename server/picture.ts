/** Decides which pictures are kept: JPEG files that can be read, bare of all that a camera writes beside the picture. */
import { bareJpeg } from '../core/formats/index.ts';
import { Problem } from './problem.ts';

/** The picture in these bytes, bare; a 400 for anything else, whatever it calls itself. */
export function pictureOf(bytes: Uint8Array): {
  readonly width: number;
  readonly height: number;
  readonly bytes: Uint8Array;
} {
  const picture = bareJpeg(bytes);
  if (picture.ok) return picture.value;
  const what = picture.error === 'not-jpeg' ? 'These bytes are no JPEG file.' : 'This JPEG file is broken.';
  throw new Problem(400, null, `${what} Take the photo again, or choose another file.`);
}
