/** Photos of a check: made small and bare in the browser, checked and stripped again where they are kept. */
import { isZoneId, type ZoneId } from '../core/dog/index.ts';

export interface PhotoRecord {
  readonly id: string;
  readonly checkId: string;
  /** The zone it shows, or null for the whole dog. */
  readonly zone: ZoneId | null;
  readonly width: number;
  readonly height: number;
}

/** Longer side in pixels to which a photo is made small before it is sent. */
export const PHOTO_LONG_SIDE = 1600;
/** Largest photo in bytes that is kept. */
export const PHOTO_LIMIT_BYTES = 3_000_000;
/** Most photos of one check. */
export const MOST_PHOTOS = 24;

/** Query text of a photo's zone: a zone, null for the whole dog, undefined when it names nothing that exists. */
export const photoZone = (text: string | undefined): ZoneId | null | undefined =>
  text === undefined || text === '' ? null : isZoneId(text) ? text : undefined;

/** A check's photos. */
export interface PhotosPage {
  readonly photos: readonly PhotoRecord[];
}
