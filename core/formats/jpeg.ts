/**
 * What of a JPEG file is kept: the picture, without what a camera writes beside it (place, time, device).
 *
 * Walks the segments of ITU-T T.81 (JPEG), annex B: markers, lengths, and entropy-coded data. Application segments
 * other than JFIF (APP0) and Adobe (APP14, which says how colours are coded) and comments are left out.
 */
import { err, ok, type Result } from '../quantity/index.ts';

export interface Jpeg {
  readonly width: number;
  readonly height: number;
  readonly bytes: Uint8Array;
}
export type JpegFault = 'not-jpeg' | 'broken';

const SOI = 0xd8;
const EOI = 0xd9;
const SOS = 0xda;
const COM = 0xfe;
const APP0 = 0xe0;
const APP14 = 0xee;
const APP15 = 0xef;

/** Start-of-frame markers: 0xC0 … 0xCF without the tables among them (DHT, JPG, DAC). */
const isFrame = (marker: number): boolean =>
  marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
const isDropped = (marker: number): boolean => marker === COM || (marker > APP0 && marker <= APP15 && marker !== APP14);
/** Restart markers and a stuffed zero stand inside entropy-coded data. */
const isInScan = (after: number): boolean => after === 0 || (after >= 0xd0 && after <= 0xd7);

/** The picture alone, with its size in pixels, or why the bytes are no JPEG that can be kept. What follows its end is left out. */
export function bareJpeg(bytes: Uint8Array): Result<Jpeg, JpegFault> {
  if (bytes[0] !== 0xff || bytes[1] !== SOI) return err('not-jpeg');
  const kept: Uint8Array[] = [bytes.subarray(0, 2)];
  let size: { width: number; height: number } | undefined;
  let scanned = false;
  let at = 2;
  for (;;) {
    if (bytes[at] !== 0xff) return err('broken');
    while (bytes[at + 1] === 0xff) at++; // fill bytes before a marker
    const marker = bytes[at + 1];
    if (marker === undefined) return err('broken');
    if (marker === EOI) {
      kept.push(bytes.subarray(at, at + 2));
      return size && scanned ? ok({ ...size, bytes: joined(kept) }) : err('broken');
    }
    const length = ((bytes[at + 2] ?? 0) << 8) | (bytes[at + 3] ?? 0);
    let end = at + 2 + length;
    if (length < 2 || end > bytes.length) return err('broken');
    if (isFrame(marker)) {
      const height = ((bytes[at + 5] ?? 0) << 8) | (bytes[at + 6] ?? 0);
      const width = ((bytes[at + 7] ?? 0) << 8) | (bytes[at + 8] ?? 0);
      if (length < 8 || width === 0 || height === 0) return err('broken');
      size = { width, height };
    }
    if (marker === SOS) {
      scanned = true;
      while (end < bytes.length && !(bytes[end] === 0xff && !isInScan(bytes[end + 1] ?? 0))) end++;
    }
    if (!isDropped(marker)) kept.push(bytes.subarray(at, end));
    at = end;
  }
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const p of parts) {
    all.set(p, at);
    at += p.length;
  }
  return all;
}
