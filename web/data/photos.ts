/**
 * How a photo gets from the camera to its check: made small and bare on the device, kept there until the salon's
 * computer has it. Drawing it again leaves behind what the camera wrote beside the picture (place, time, device).
 */
import { ours } from './activity.ts';
import { written } from './client.ts';
import { createStore, del, entries, set } from 'idb-keyval';
import { PHOTO_LONG_SIDE } from '../../contract/photo.ts';
import type { ZoneId } from '../../core/dog/index.ts';

export interface PendingPhoto {
  readonly id: string;
  readonly checkId: string;
  readonly zone: ZoneId | null;
  readonly jpeg: Blob;
}

const JPEG_QUALITY = 0.82;
const store = createStore('woolly-tide-photos', 'pending');

/** A picture file as a small JPEG, turned the right way up. Throws a sentence when the file is no picture. */
export async function smallPhoto(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error('This file is no picture that can be read. Take the photo again, or choose another file.');
  });
  const shrink = Math.min(1, PHOTO_LONG_SIDE / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * shrink));
  canvas.height = Math.max(1, Math.round(picture.height * shrink));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return new Promise((done, failed) => {
    canvas.toBlob(
      (jpeg) => (jpeg ? done(jpeg) : failed(new Error('The photo could not be made small. Try once more.'))),
      'image/jpeg',
      JPEG_QUALITY,
    );
  });
}

export const keepPhoto = (photo: PendingPhoto): Promise<void> => set(photo.id, photo, store);
export const dropPhoto = (id: string): Promise<void> => del(id, store);

/** Photos of a check that wait on this device. */
export async function pendingPhotos(checkId?: string): Promise<readonly PendingPhoto[]> {
  const all = await entries<string, PendingPhoto>(store);
  return all.map(([, photo]) => photo).filter((p) => checkId === undefined || p.checkId === checkId);
}

/** Sends one photo; true when the salon's computer has it. A check that is not saved yet does not have it. */
export async function sendPhoto(photo: PendingPhoto): Promise<boolean> {
  const where = photo.zone === null ? '' : `?zone=${encodeURIComponent(photo.zone)}`;
  try {
    const response = await fetch(
      `/api/checks/${encodeURIComponent(photo.checkId)}/photos/${encodeURIComponent(photo.id)}${where}`,
      { method: 'PUT', body: photo.jpeg, headers: { ...ours(), 'Content-Type': 'image/jpeg' } },
    );
    if (response.ok) written('PUT /checks/:id/photos/:photoId');
    return response.ok;
  } catch {
    return false;
  }
}

/** Sends what waits; what cannot be sent now stays for the next time. */
export async function sendPhotos(): Promise<void> {
  for (const photo of await pendingPhotos()) if (await sendPhoto(photo)) await dropPhoto(photo.id);
}
