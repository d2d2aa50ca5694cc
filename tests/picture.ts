/** A made-up JPEG file with what a camera would write beside it: enough of the format for whoever walks its segments. */
const segment = (marker: number, ...payload: readonly number[]): readonly number[] => [
  0xff,
  marker,
  (payload.length + 2) >> 8,
  (payload.length + 2) & 255,
  ...payload,
];
const text = (words: string): readonly number[] => [...words].map((c) => c.charCodeAt(0));

/** 12 × 8 pixels unless others are said, baseline, with JFIF, EXIF that names a place, a comment, and a restart marker and a stuffed zero in its scan. */
export const jpegOf = ({ width = 12, height = 8 } = {}): Uint8Array<ArrayBuffer> =>
  Uint8Array.from([
    0xff,
    0xd8,
    ...segment(0xe0, ...text('JFIF\0'), 1, 1, 0, 0, 1, 0, 1, 0, 0),
    ...segment(0xe1, ...text('Exif\0\0GPS 60.2N 21.4E')),
    ...segment(0xfe, ...text('taken by somebody')),
    ...segment(0xdb, 0, ...Array.from({ length: 64 }, () => 16)),
    ...segment(0xc0, 8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 0x11, 0),
    ...segment(0xda, 1, 1, 0, 0, 63, 0),
    ...[0x12, 0x34, 0xff, 0x00, 0x56, 0xff, 0xd0, 0x78],
    0xff,
    0xd9,
    ...text('and a trailer'),
  ]);
